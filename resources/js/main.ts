import { mount } from 'svelte';
import { request } from './api/client';
import { commands } from './keys/commands.svelte';
import { keys } from './keys/keys.svelte';
import { theme } from './theme.svelte';
import App from './views/App.svelte';

theme.start();
const target = document.getElementById('app')!;
request('GET', 'setup').then(
    (setup) => {
        commands.start(setup);
        keys.start(setup.keys, commands.edits);
        mount(App, { target, props: { setup } });
    },
    (e: unknown) => {
        target.textContent = `${e instanceof Error ? e.message : String(e)} Load the page again once it runs.`;
    },
);
