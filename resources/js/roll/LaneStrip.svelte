<script lang="ts">
    import { counted } from '../rules/counted';
    import { X } from 'lucide';
    import { onMount, untrack } from 'svelte';
    import { does } from '../keys/does';
    import { Hands } from '../stage/hands';
    import { laneGestures, laneWords, pointAt } from './gestures/lane';
    import { titleOf } from './lanes.svelte';
    import { tool } from './pen.svelte';
    import { paintLane } from './layers/lane';
    import type { RollModel } from './roll-model.svelte';
    import LaneEdge from './LaneEdge.svelte';
    import Surface from './Surface.svelte';
    import Icon from '../stage/Icon.svelte';

    let { model, lane }: { model: RollModel; lane: string } = $props();

    let canvas: HTMLCanvasElement;
    let cursor = $state('crosshair');
    const name = untrack(() => lane);
    const { song, part } = untrack(() => model);
    const focused = $derived(song.selection.lane === name);
    const count = $derived((void part.version, void song.revisionShown, model.lanes.pointsOf(name).length));
    const height = (): number => canvas.clientHeight;
    const hands = new Hands(
        () => canvas.parentElement!,
        laneGestures(
            untrack(() => model),
            name,
            height,
        ),
        (touch) => {
            // A point can be taken in hand; over paper the hand draws.
            cursor = tool.name !== 'pen' && pointAt(model, name, touch.x, touch.y, height()) ? 'grab' : 'crosshair';
            model.onHover(laneWords(model, name, touch, height()));
        },
    );

    onMount(() => {
        model.stage.add(`lane:${name}`, canvas, {
            paint: (ctx, _, h) => paintLane(model, name, ctx, h),
            covers: true,
        });
        model.stage.fit();
        model.touch(`lane:${name}`);
        return () => model.stage.remove(`lane:${name}`);
    });
    $effect(() => {
        void song.revisionShown;
        void song.selection.points;
        void focused;
        model.touch(`lane:${name}`);
    });
</script>

<div
    class="relative flex flex-col items-start gap-1 overflow-hidden border-t px-2 pt-1 text-xs {focused
        ? 'border-primary bg-base-100 font-semibold text-base-content'
        : 'border-base-content/50 bg-base-200 text-base-content/80'}"
    role="group"
    aria-label="Lane of {titleOf(name)}, {counted(count, 'point')}{focused ? ', worked in' : ''}"
>
    <LaneEdge {model} lane={name} />
    <button
        class="max-w-full truncate text-left"
        tabindex="-1"
        title="Work in this lane, or hide it"
        {@attach does('lane-show', { lane: name })}>{focused ? '▸ ' : ''}{titleOf(name)}</button
    >
    <span class="tabular-nums">{counted(count, 'point')}</span>
    <button
        class="btn absolute top-1 right-1 px-0.5 btn-ghost btn-xs"
        tabindex="-1"
        data-field
        aria-label="Hide {titleOf(name)}"
        title="Hide the lane"
        onclick={() => model.lanes.away(name)}><Icon of={X} size={13} /></button
    >
</div>
<Surface
    hand={hands}
    testid="lane-{name}"
    {cursor}
    oncontextmenu={(e: MouseEvent) => e.preventDefault()}
    onpointerleave={() => model.onHover('')}
>
    <canvas bind:this={canvas} class="absolute inset-0 size-full"></canvas>
</Surface>
