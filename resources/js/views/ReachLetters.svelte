<script lang="ts">
    import { reach } from '../keys/reach.svelte';
</script>

{#each reach.shown as label (label.letters)}
    {#if label.letters.startsWith(reach.typed)}
        <kbd
            class="key pointer-events-none fixed z-50 -translate-y-1/2 bg-base-100 px-0.5 text-xs leading-4 font-semibold text-base-content"
            style:left="{label.x}px"
            style:top="{label.y}px"
            data-testid="reach">{label.letters}</kbd
        >
    {/if}
{/each}
