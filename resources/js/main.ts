import { mount } from 'svelte';
import { askAhead, request } from './api/client';
import type { Setup } from './api/types';
import { commands } from './keys/commands.svelte';
import { keys } from './keys/keys.svelte';
import { theme } from './theme.svelte';
import { router } from './router.svelte';
import App from './views/App.svelte';
import { pages } from './views/pages.svelte';

theme.start();
const target = document.getElementById('app')!;
request<Setup>('GET', 'setup').then(
    (setup) => {
        commands.start(setup);
        keys.start(setup.keys, commands.edits);
        mount(App, { target, props: { setup } });
    },
    (e: unknown) => {
        target.textContent = `${e instanceof Error ? e.message : String(e)} Load the page again once it runs.`;
    },
);
// What the address names comes beside the rest.
const { place } = router;
if (place.at === 'song' || place.at === 'roll') {
    pages.want(place.at);
    askAhead(`songs/${place.song}?brief=1`);
}
