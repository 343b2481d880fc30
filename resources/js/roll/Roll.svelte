<script lang="ts">
    import { counted } from '../rules/counted';
    import { onMount, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { redrawEffects } from './redraw-effects.svelte';
    import { handsOf, insertAt, justWritten } from './gestures';
    import { menusOf } from './menus';
    import MovingLines from './MovingLines.svelte';
    import { RollModel } from './roll-model.svelte';
    import type { LayerName } from './roll-state';
    import { chordLine } from '../harmony/chord-line.svelte';
    import ChordRow from './ChordRow.svelte';
    import Corner from './Corner.svelte';
    import { VELOCITIES } from './lanes.svelte';
    import LaneHead from './LaneHead.svelte';
    import LaneStrip from './LaneStrip.svelte';
    import { CHORDS, fit, KEYBOARD, RULER } from './sizes';
    import { mountRoll } from './mount-roll';
    import { StepInput } from './steps.svelte';
    import Surface from './Surface.svelte';
    import { wheelOf } from './wheel';

    interface Props {
        song: Song;
        part: Part;
        drums: Record<string, string>;
        /** Pixels beside the notes, where not as many as the keys take. */
        wide?: number;
        /** What is under the pointer, in numbers. */
        onHover: (numbers: string) => void;
        /** The roll as panels look at it. */
        onModel: (model: RollModel) => void;
    }
    let { song, part, drums, wide = 0, onHover, onModel }: Props = $props();

    let body: HTMLElement;
    let canvases: Record<LayerName, HTMLCanvasElement> = $state.raw({} as never);
    let lines: ReturnType<typeof MovingLines>;
    /** Whether something was selected at each of the last two presses: a press that ends a choice draws nothing. */
    let hadChoice: [boolean, boolean] = [false, false];

    const model = untrack(() => new RollModel(song, part, drums, (text) => onHover(text)));
    untrack(() => onModel(model));
    model.steps = untrack(() => new StepInput(song, part));
    const hands = handsOf(model, (s) => canvases[s].parentElement!);
    const turn = wheelOf(model);
    const menus = menusOf(model, (e) => hands.notes.at(e));
    model.holding = () => Object.values(hands).some((h) => h.held !== null);
    model.place = place;
    redrawEffects(model);

    function place(): void {
        const { view } = model;
        lines.place();
        // What is on screen, for tests and measurements: revision, left tick, pixels per tick, top pitch, row height.
        body.dataset.drawn = [song.revision, view.left, view.scale, view.top, view.row].join(' ');
    }

    function cancel(): boolean {
        const held = model.holding();
        for (const hand of Object.values(hands)) hand.cancel();
        return held;
    }

    function press(e: PointerEvent): void {
        body.focus({ preventScroll: true });
        hadChoice = [hadChoice[1], song.selection.notes.size > 0 && !justWritten(model)];
        hands.notes.down(e);
    }

    function leave(): void {
        song.pointer = model.pointed = null;
        if (!model.holding()) onHover('');
    }

    function wheel(e: WheelEvent): void {
        turn(e, hands.notes.at(e));
        if (hands.notes.held && model.overlay.box) hands.notes.move(e);
    }

    onMount(() => mountRoll(model, canvases, body, cancel));
    $effect(() => {
        void model.laneOpen;
        void model.lanes.shown;
        void model.lanes.heights;
        void model.lanes.room;
        void chordLine.shown;
        if (model.view.width > 0) fit(model, canvases.notes.parentElement!);
    });
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<section
    bind:this={body}
    class="roll grid min-h-0 flex-1 outline-none"
    style:grid-template-columns="{wide || KEYBOARD}px 1fr"
    style:grid-template-rows="{RULER}px {chordLine.shown ? CHORDS : 0}px 1fr {model.laneOpen
        ? model.lanes.height(VELOCITIES)
        : 0}px {model.lanes.shown.map((l) => `${model.lanes.height(l)}px`).join(' ')}"
    aria-label="Piano roll of {part.name}, {counted(part.version >= 0 ? part.notes.size : 0, 'note')}, {song.selection
        .version >= 0
        ? song.selection.notes.size
        : 0} selected"
    role="application"
    tabindex="0"
    data-testid="roll"
    onwheel={wheel}
    oncontextmenu={(e) => menus.byKey(e, body, canvases.notes)}
>
    <Corner {part} />
    <Surface hand={hands.ruler} testid="ruler" oncontextmenu={menus.of('ruler')}>
        <canvas bind:this={canvases.ruler} class="absolute inset-0 size-full"></canvas>
    </Surface>
    <ChordRow {model} hold={(canvas) => void (canvases.chords = canvas)} />
    <Surface hand={hands.keyboard} testid="keyboard">
        <canvas bind:this={canvases.keyboard} class="absolute inset-0 size-full"></canvas>
    </Surface>
    <Surface
        hand={hands.notes}
        testid="notes"
        cursor={model.cursor}
        onpointerdown={press}
        onpointerleave={leave}
        ondblclick={(e: MouseEvent) => insertAt(model, hands.notes.at(e), hadChoice[0])}
        oncontextmenu={menus.ofNotes}
    >
        <canvas bind:this={canvases.grid} class="absolute inset-0 size-full"></canvas>
        <canvas bind:this={canvases.underlay} class="absolute inset-0 size-full"></canvas>
        <!-- The notes step back while it is looked where they would land. -->
        <canvas
            bind:this={canvases.notes}
            class="absolute inset-0 size-full"
            class:opacity-40={song.preview.landing !== null}
        ></canvas>
        <canvas bind:this={canvases.overlay} class="absolute inset-0 size-full"></canvas>
        <MovingLines bind:this={lines} {model} />
    </Surface>
    <LaneHead {model} />
    <Surface hand={hands.lane} testid="velocity" cursor={model.cursor} oncontextmenu={menus.of('velocity')}>
        <canvas bind:this={canvases.lane} class="absolute inset-0 size-full"></canvas>
    </Surface>
    {#each model.lanes.shown as lane (lane)}
        <LaneStrip {model} {lane} />
    {/each}
</section>
