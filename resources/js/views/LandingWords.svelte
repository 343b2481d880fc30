<script lang="ts">
    import { TriangleAlert } from 'lucide';
    import type { Landing } from '../api/landing';
    import Icon from '../stage/Icon.svelte';

    let { landing }: { landing: Landing | null } = $props();

    // What the sentence and its warnings say already is not said again.
    const merging = $derived(landing?.warnings.some((w) => w.includes('double')) ? 0 : (landing?.merging.size ?? 0));
    const far = $derived(landing?.said.includes('20 ms') ? 0 : (landing?.far.size ?? 0));
</script>

<div class="min-h-24" role="status" aria-live="polite" data-testid="landing">
    {#if !landing}
        <p>Working out the preview…</p>
    {:else if landing.trouble}
        <p class="text-error">
            <Icon of={TriangleAlert} size={15} class="mr-1 inline align-[-2px]" />{landing.trouble}
        </p>
    {:else}
        <p>{landing.said}</p>
        {#each landing.warnings as warning (warning)}
            <p class="text-warning"><Icon of={TriangleAlert} size={14} class="mr-1 inline align-[-2px]" />{warning}</p>
        {/each}
        {#if merging > 0 || far > 0}
            <p class="mt-1 text-base-content/85">
                {#if merging > 0}✕ {merging} would double another.{/if}
                {#if far > 0}→ {far} would move by more than 20 ms.{/if}
            </p>
        {/if}
    {/if}
</div>
