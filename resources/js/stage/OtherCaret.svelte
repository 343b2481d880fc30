<script lang="ts">
    interface Props {
        /** Another window on the song. */
        other: { name: string };
        /** Pixels from the left of the stage. */
        x: number;
        width: number;
    }
    let { other, x, width }: Props = $props();
</script>

<!-- The caret of another window, with its name. -->
<div
    class="pointer-events-none absolute inset-y-0 left-0 border-l border-dashed border-base-content"
    class:invisible={x < 0 || x > width}
    style:transform="translateX({x}px)"
    data-testid="other-caret"
>
    <span
        class="absolute bottom-1 left-0.5 rounded-sm bg-neutral px-1 text-xs whitespace-nowrap text-neutral-content"
        class:right-1={x > width - 90}
        class:left-auto={x > width - 90}>{other.name}</span
    >
</div>
