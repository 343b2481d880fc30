<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import { does } from '../keys/does';

    let { part }: { part: Part } = $props();
</script>

<div class="corner flex items-center border-b border-base-content/50 bg-base-200 px-1 text-xs leading-tight">
    {#if part.scaleName}
        <button
            class="w-full cursor-pointer text-left"
            title="The scale; a press holds the part to it, or lets it go"
            aria-pressed={part.settings.held}
            {@attach does('set', { held: 'toggle' })}
            ><span class="block truncate">{part.scaleName}</span><span class="block font-semibold"
                >{part.settings.held ? 'held to it' : 'not held'}</span
            ></button
        >
    {/if}
</div>
