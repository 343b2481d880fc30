import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

// Styles are plain CSS. Preparing them would load Vite's configuration, which Laravel's plugin refuses where CI is set.
export default { preprocess: vitePreprocess({ style: false }) };
