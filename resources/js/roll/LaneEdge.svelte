<script lang="ts">
    import type { Sheet } from './sheet.svelte';

    /** The upper edge of a lane: dragged it makes the lane higher. */
    let { sheet, lane }: { sheet: Sheet; lane: string } = $props();

    function grip(e: PointerEvent): void {
        const edge = e.currentTarget as HTMLElement;
        const [from, was] = [e.clientY, sheet.lanes.height(lane)];
        edge.setPointerCapture(e.pointerId);
        edge.onpointermove = (m) => sheet.lanes.setHeight(lane, was + from - m.clientY);
        edge.onpointerup = () => (edge.onpointermove = edge.onpointerup = null);
    }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div
    class="absolute inset-x-0 top-0 h-1.5 cursor-ns-resize"
    title="Drag to make the lane higher; H with the lane in focus"
    data-testid="edge-{lane}"
    onpointerdown={grip}
></div>
