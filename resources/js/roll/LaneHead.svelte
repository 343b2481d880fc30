<script lang="ts">
    import { does } from '../keys/does';
    import LaneEdge from './LaneEdge.svelte';
    import { VELOCITIES } from './lanes.svelte';
    import type { RollModel } from './roll-model.svelte';

    let { model }: { model: RollModel } = $props();
</script>

<div
    class="relative flex flex-col items-start gap-1 overflow-hidden border-t border-base-content/50 bg-base-200 px-2 pt-1 text-xs text-base-content/80"
    tabindex="-1"
    role="group"
    aria-label="Velocity lane"
    data-reach
>
    <LaneEdge {model} lane={VELOCITIES} />
    Velocity
    <button
        class="btn btn-xs {model.usedRows.on ? 'btn-neutral' : 'btn-outline border-base-300'}"
        tabindex="-1"
        aria-pressed={model.usedRows.on}
        title="Used rows only, or all rows"
        {@attach does('used-rows')}>used rows</button
    >
    <button
        class="btn btn-xs {model.underlay.parts.length > 0 ? 'btn-neutral' : 'btn-outline border-base-300'}"
        tabindex="-1"
        aria-pressed={model.underlay.parts.length > 0}
        title="Other parts: none, those beside, all, or those picked"
        {@attach does('underlay')}>other parts</button
    >
</div>
