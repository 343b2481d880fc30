<script lang="ts">
    import { onMount, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { keys } from '../keys/keys.svelte';
    import { takeKeys } from '../stage/keys';
    import { transport } from '../sound/transport.svelte';
    import { commandsOf, listen } from './commands';
    import { reach } from '../keys/reach.svelte';
    import { followed } from './followed.svelte';
    import { handsOf, insertAt, justWritten } from './gestures';
    import { noteAt } from './gestures/drag';
    import { layersOf } from './layers';
    import MovingLines from './MovingLines.svelte';
    import { tool } from './pen.svelte';
    import { notesSeen } from './seen';
    import { Sheet, type LayerName, type MenuOf } from './sheet.svelte';
    import { chordLine } from '../harmony/chord-line.svelte';
    import ChordRow from './ChordRow.svelte';
    import Corner from './Corner.svelte';
    import { inLanes } from './commands/lanes';
    import { VELOCITIES } from './lanes.svelte';
    import LaneHead from './LaneHead.svelte';
    import LaneStrip from './LaneStrip.svelte';
    import { CHORDS, fit, KEYBOARD, RULER } from './sizes';
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
        onSheet: (sheet: Sheet) => void;
    }
    let { song, part, drums, wide = 0, onHover, onSheet }: Props = $props();

    let body: HTMLElement;
    let canvases: Record<LayerName, HTMLCanvasElement> = $state.raw({} as never);
    let lines: ReturnType<typeof MovingLines>;
    /** Whether something was chosen at each of the last two presses: a press that ends a choice draws nothing. */
    let hadChoice: [boolean, boolean] = [false, false];

    const sheet = untrack(() => new Sheet(song, part, drums, (text) => onHover(text)));
    untrack(() => onSheet(sheet));
    sheet.steps = untrack(() => new StepInput(song, part));
    const hands = handsOf(sheet, (s) => canvases[s].parentElement!);
    const turn = wheelOf(sheet);
    sheet.holding = () => Object.values(hands).some((h) => h.held !== null);
    sheet.place = place;
    followed(sheet);

    function place(): void {
        const { view } = sheet;
        lines.place();
        // What is on screen, for tests and measurements: revision, left tick, pixels per tick, top pitch, row height.
        body.dataset.drawn = [song.revision, view.left, view.scale, view.top, view.row].join(' ');
    }

    const resize = (): void => fit(sheet, canvases.notes.parentElement!);
    const room = (): void => void (sheet.lanes.room = body.clientHeight);

    function cancel(): boolean {
        const held = sheet.holding();
        for (const hand of Object.values(hands)) hand.cancel();
        return held;
    }

    function press(e: PointerEvent): void {
        body.focus({ preventScroll: true });
        hadChoice = [hadChoice[1], song.selected.size > 0 && !justWritten(sheet)];
        hands.notes.down(e);
    }

    function leave(): void {
        song.pointer = sheet.pointed = null;
        if (!sheet.holding()) onHover('');
    }

    /** With something in hand the second button has its own work. */
    function menu(e: MouseEvent): void {
        e.preventDefault();
        e.stopPropagation();
        if (tool.name !== 'hand' || sheet.own.open) return;
        const { x, y } = hands.notes.at(e);
        const hit = noteAt(sheet.view, part, song.selected, x, y);
        if (hit && !song.selected.has(hit.note.id)) song.select([hit.note.id]);
        sheet.onMenu({ x: e.clientX, y: e.clientY, on: hit ? 'note' : 'empty' });
    }

    const menuOf =
        (on: MenuOf) =>
        (e: MouseEvent): void => {
            e.preventDefault();
            e.stopPropagation();
            sheet.onMenu({ x: e.clientX, y: e.clientY, on });
        };

    /** The menu key: for what is chosen, at the caret. */
    function menuByKey(e: MouseEvent): void {
        if (e.target !== body) return;
        e.preventDefault();
        const box = canvases.notes.getBoundingClientRect();
        const { tick, pitch } = song.caret;
        sheet.onMenu({
            x: box.left + sheet.view.x(tick),
            y: box.top + sheet.view.y(pitch),
            on: song.inLane.lane ? 'lane' : song.selected.size > 0 ? 'note' : 'empty',
        });
    }

    function wheel(e: WheelEvent): void {
        turn(e, hands.notes.at(e));
        if (hands.notes.held && sheet.overlay.box) hands.notes.move(e);
    }

    onMount(() => {
        for (const [name, spec] of Object.entries(layersOf(sheet)))
            sheet.stage.add(name as LayerName, canvases[name as LayerName], spec);
        const observer = new ResizeObserver(resize);
        observer.observe(canvases.notes.parentElement!);
        const around = new ResizeObserver(room);
        around.observe(body);
        room();
        resize();
        takeKeys(body);
        const off = keys.handle(commandsOf(sheet, cancel));
        const offLanes = keys.handle(inLanes(sheet));
        const deaf = listen(sheet);
        transport.onFrame = (tick) => sheet.onFrame(tick);
        song.onCaret = () => sheet.caretCame();
        reach.things = () => notesSeen(sheet, canvases.notes.getBoundingClientRect());
        return () => {
            song.onCaret = () => {};
            reach.things = () => [];
            transport.onFrame = () => {};
            song.seen = { left: sheet.view.left, scale: sheet.view.scale, row: sheet.view.row };
            deaf();
            offLanes();
            observer.disconnect();
            around.disconnect();
            off();
            sheet.stage.close();
        };
    });
    $effect(() => {
        void sheet.laneOpen;
        void sheet.lanes.shown;
        void sheet.lanes.heights;
        void sheet.lanes.room;
        void chordLine.shown;
        if (sheet.view.width > 0) resize();
    });
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<section
    bind:this={body}
    class="roll grid min-h-0 flex-1 outline-none"
    style:grid-template-columns="{wide || KEYBOARD}px 1fr"
    style:grid-template-rows="{RULER}px {chordLine.shown ? CHORDS : 0}px 1fr {sheet.laneOpen
        ? sheet.lanes.height(VELOCITIES)
        : 0}px {sheet.lanes.shown.map((l) => `${sheet.lanes.height(l)}px`).join(' ')}"
    aria-label="Piano roll of {part.name}, {part.version >= 0 ? part.notes.size : 0} notes, {song.selectionVersion >= 0
        ? song.selected.size
        : 0} chosen"
    role="application"
    tabindex="0"
    data-testid="roll"
    onwheel={wheel}
    oncontextmenu={menuByKey}
>
    <Corner {part} />
    <Surface hand={hands.ruler} testid="ruler" oncontextmenu={menuOf('ruler')}>
        <canvas bind:this={canvases.ruler} class="absolute inset-0 size-full"></canvas>
    </Surface>
    <ChordRow {sheet} bind:canvas={canvases.chords} />
    <Surface hand={hands.keyboard} testid="keyboard">
        <canvas bind:this={canvases.keyboard} class="absolute inset-0 size-full"></canvas>
    </Surface>
    <Surface
        hand={hands.notes}
        testid="notes"
        cursor={sheet.cursor}
        onpointerdown={press}
        onpointerleave={leave}
        ondblclick={(e: MouseEvent) => insertAt(sheet, hands.notes.at(e), hadChoice[0])}
        oncontextmenu={menu}
    >
        <canvas bind:this={canvases.grid} class="absolute inset-0 size-full"></canvas>
        <canvas bind:this={canvases.underlay} class="absolute inset-0 size-full"></canvas>
        <!-- The notes step back while it is looked where they would land. -->
        <canvas
            bind:this={canvases.notes}
            class="absolute inset-0 size-full"
            class:opacity-40={song.looking.landing !== null}
        ></canvas>
        <canvas bind:this={canvases.overlay} class="absolute inset-0 size-full"></canvas>
        <MovingLines bind:this={lines} {sheet} />
    </Surface>
    <LaneHead {sheet} />
    <Surface hand={hands.lane} testid="velocity" cursor={sheet.cursor} oncontextmenu={menuOf('velocity')}>
        <canvas bind:this={canvases.lane} class="absolute inset-0 size-full"></canvas>
    </Surface>
    {#each sheet.lanes.shown as lane (lane)}
        <LaneStrip {sheet} {lane} />
    {/each}
</section>
