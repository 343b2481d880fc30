<script lang="ts">
    import { TriangleAlert } from 'lucide';
    import type { Landing } from '../api/landing';
    import Icon from '../stage/Icon.svelte';

    let { landing }: { landing: Landing | null } = $props();
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
        {#if landing.merging.size > 0 || landing.far.size > 0}
            <p class="mt-1 text-base-content/85">
                {#if landing.merging.size > 0}✕ {landing.merging.size} would double another.{/if}
                {#if landing.far.size > 0}→ {landing.far.size} would move by more than 20 ms.{/if}
            </p>
        {/if}
    {/if}
</div>
