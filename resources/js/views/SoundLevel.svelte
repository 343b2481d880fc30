<script lang="ts">
    import { transport } from '../sound/transport.svelte';

    const loudness = $derived(share(transport.loudness.level));
    const peak = $derived(share(transport.loudness.peak));
    const fetched = $derived(transport.fetched);

    /** A level in decibels below full scale, −60 to 0, as a share. */
    function share(level: number): number {
        return Math.max(0, Math.min(1, 1 + (20 * Math.log10(Math.max(1e-6, level))) / 60));
    }
</script>

{#if fetched !== null}
    <progress
        class="progress h-2 w-10 shrink-0 max-[1100px]:w-6"
        aria-label="Loading the sound"
        title="Loading the sound: {Math.round(fetched * 100)} %"
        value={fetched}
        max="1"
    ></progress>
{/if}
<div
    role="meter"
    aria-label="Sound level"
    aria-valuemin="0"
    aria-valuemax="100"
    aria-valuenow={Math.round(loudness * 100)}
    data-peak={Math.round(peak * 100)}
    class="relative h-2 w-10 shrink-0 overflow-hidden rounded-sm border border-base-content/40 max-[1100px]:w-6 {fetched ===
    null
        ? ''
        : 'hidden'}"
    title="Sound level"
>
    <div class="h-full origin-left bg-accent" style:transform="scaleX({loudness})"></div>
    <div
        class="absolute inset-y-0 w-0.5 bg-base-content"
        style:left="{peak * 100}%"
        style:opacity={peak > 0 ? 1 : 0}
    ></div>
</div>
