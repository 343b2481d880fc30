<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import { does } from '../keys/does';

    let { part }: { part: Part } = $props();
</script>

<div class="corner flex items-center border-b border-base-content/50 bg-base-200 px-1 text-xs leading-tight">
    {#if part.scaleName}
        <button
            class="w-full cursor-pointer text-left"
            title="The scale. A click turns scale lock on or off"
            aria-pressed={part.settings.held}
            {@attach does('set', { held: 'toggle' })}
            ><span class="block truncate">{part.scaleName}</span><span class="block font-semibold"
                >{part.settings.held ? 'scale lock on' : 'scale lock off'}</span
            ></button
        >
    {/if}
</div>
