<script lang="ts">
    import { onMount } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import { coloursOf } from '../stage/colours';
    import { Layer } from '../stage/layer';
    import { theme } from '../theme.svelte';

    let { part, tint }: { part: Part; tint: number } = $props();

    const NAME = 17;
    let canvas: HTMLCanvasElement;
    let layer: Layer | undefined;

    function paint(ctx: CanvasRenderingContext2D, width: number, height: number): void {
        const notes = part.ordered;
        if (notes.length === 0) return;
        let [low, high] = [127, 0];
        for (const n of notes) [low, high] = [Math.min(low, n.pitch), Math.max(high, n.pitch)];
        const from = part.firstStart;
        const scale = width / Math.max(1, part.lastEnd - from);
        const row = Math.min(5, (height - NAME - 3) / (high - low + 1));
        ctx.fillStyle = coloursOf(tint).tint;
        const bottom = height - 3 - (height - NAME - 3 - row * (high - low + 1)) / 2;
        for (const n of notes) {
            if (!n.muted)
                ctx.fillRect(
                    (n.start - from) * scale,
                    bottom - (n.pitch - low + 1) * row,
                    Math.max(1, n.length * scale - 0.5),
                    Math.max(1, row - 0.5),
                );
        }
    }

    onMount(() => {
        layer = new Layer(canvas, paint);
        const observer = new ResizeObserver(() => {
            layer!.resize(canvas.clientWidth, canvas.clientHeight);
            layer!.draw();
        });
        observer.observe(canvas);
        return () => observer.disconnect();
    });
    $effect(() => {
        void part.version;
        void theme.version;
        layer?.touch();
        layer?.draw();
    });
</script>

<canvas bind:this={canvas} class="absolute inset-0 size-full" aria-hidden="true"></canvas>
