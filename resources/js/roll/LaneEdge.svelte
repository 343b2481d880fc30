<script lang="ts">
    import { follow } from '../stage/edge';
    import type { RollModel } from './roll-model.svelte';

    /** The upper edge of a lane: dragged it makes the lane higher. */
    let { model, lane }: { model: RollModel; lane: string } = $props();

    function grip(e: PointerEvent): void {
        const [from, was] = [e.clientY, model.lanes.height(lane)];
        follow(e, (m) => model.lanes.setHeight(lane, was + from - m.clientY));
    }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div
    class="absolute inset-x-0 top-0 h-1.5 cursor-ns-resize"
    title="Drag to make the lane higher; H with the lane in focus"
    data-testid="edge-{lane}"
    onpointerdown={grip}
></div>
