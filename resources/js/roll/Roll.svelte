<script lang="ts">
    import { onMount, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { keys } from '../keys/keys.svelte';
    import { transport } from '../sound/transport.svelte';
    import { commandsOf, listen } from './commands';
    import { followed } from './followed.svelte';
    import { handsOf, insertAt, type Surface } from './gestures';
    import { layersOf } from './layers';
    import { tool } from './pen.svelte';
    import { Sheet, type LayerName } from './sheet.svelte';
    import { StepInput } from './steps.svelte';
    import { wheelOf } from './wheel';

    interface Props {
        song: Song;
        part: Part;
        drums: Record<string, string>;
        /** What is under the pointer, in numbers. */
        onHover: (numbers: string) => void;
    }
    let { song, part, drums, onHover }: Props = $props();

    const KEYBOARD = 104;
    const RULER = 40;
    // A low window (or one at twice the size) keeps its room for the notes.
    const LANE = window.innerHeight < 560 ? 44 : 96;

    let body: HTMLElement;
    let canvases: Record<LayerName, HTMLCanvasElement> = $state.raw({} as never);
    let playhead: HTMLElement;
    let caret: HTMLElement;
    let caretRow: HTMLElement;
    /** Whether something was chosen at each of the last two presses: a press that ends a choice draws nothing. */
    let hadChoice: [boolean, boolean] = [false, false];

    const sheet = untrack(() => new Sheet(song, part, drums, (text) => onHover(text)));
    sheet.steps = untrack(() => new StepInput(song, part));
    const surfaces = { notes: 'notes', ruler: 'ruler', keyboard: 'keyboard', lane: 'lane' } as const;
    const hands = handsOf(sheet, (s: Surface) => canvases[surfaces[s]].parentElement!);
    const turn = wheelOf(sheet);
    sheet.holding = () => Object.values(hands).some((h) => h.held !== null);
    sheet.place = place;
    followed(sheet);

    function place(): void {
        const { view } = sheet;
        const put = (line: HTMLElement, x: number): void => {
            line.style.transform = `translateX(${x}px)`;
            line.style.visibility = x < -1 || x > view.width ? 'hidden' : 'visible';
        };
        put(playhead, view.x(transport.tick));
        put(caret, Math.round(view.x(song.caret.tick)));
        caretRow.style.transform = `translateY(${Math.round(view.y(song.caret.pitch))}px)`;
        caretRow.style.height = `${view.row}px`;
        // What is on screen, for tests and measurements: revision, left tick, pixels per tick, top pitch, row height.
        body.dataset.drawn = [song.revision, view.left, view.scale, view.top, view.row].join(' ');
    }

    function resize(): void {
        const { width, height } = canvases.notes.parentElement!.getBoundingClientRect();
        const { stage, view } = sheet;
        const first = view.width === 0;
        for (const name of ['grid', 'notes', 'overlay'] as const) stage.resize(name, width, height);
        stage.resize('ruler', width, RULER);
        stage.resize('keyboard', KEYBOARD, height);
        stage.resize('lane', width, sheet.laneOpen ? LANE : 0);
        view.resize(width, height);
        if (first) sheet.begin();
        else sheet.touchAll();
    }

    function cancel(): boolean {
        const held = sheet.holding();
        for (const hand of Object.values(hands)) hand.cancel();
        return held;
    }

    function press(e: PointerEvent): void {
        body.focus({ preventScroll: true });
        hadChoice = [hadChoice[1], song.selected.size > 0];
        hands.notes.down(e);
    }

    function leave(): void {
        song.pointer = sheet.pointed = null;
        if (!sheet.holding()) onHover('');
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
        resize();
        body.focus({ preventScroll: true });
        const off = keys.handle(commandsOf(sheet, cancel));
        const deaf = listen(sheet);
        transport.onFrame = (tick) => sheet.onFrame(tick);
        song.onCaret = () => sheet.caretCame();
        return () => {
            song.onCaret = () => {};
            transport.onFrame = () => {};
            deaf();
            observer.disconnect();
            off();
            sheet.stage.close();
        };
    });
    $effect(() => {
        void sheet.laneOpen;
        if (sheet.view.width > 0) resize();
    });
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<section
    bind:this={body}
    class="roll grid min-h-0 flex-1 outline-none"
    style:grid-template-columns="{KEYBOARD}px 1fr"
    style:grid-template-rows="{RULER}px 1fr {sheet.laneOpen ? LANE : 0}px"
    aria-label="Piano roll of {part.name}, {part.version >= 0 ? part.notes.size : 0} notes, {song.selectionVersion >= 0
        ? song.selected.size
        : 0} chosen"
    role="application"
    tabindex="0"
    data-testid="roll"
    onwheel={wheel}
>
    <div class="corner border-b border-base-content/50 bg-base-200"></div>
    {#snippet surface(hand: (typeof hands)[Surface], canvas: LayerName, testid: string)}
        <!-- svelte-ignore a11y_no_static_element_interactions -->
        <div
            class="relative touch-none overflow-hidden"
            style:cursor={testid === 'velocity' ? sheet.cursor : undefined}
            onpointerdown={hand.down}
            onpointermove={hand.move}
            onpointerup={hand.up}
            onpointercancel={hand.cancel}
            data-testid={testid}
        >
            <canvas bind:this={canvases[canvas]} class="absolute inset-0 size-full"></canvas>
        </div>
    {/snippet}
    {@render surface(hands.ruler, 'ruler', 'ruler')}
    {@render surface(hands.keyboard, 'keyboard', 'keyboard')}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
        class="relative touch-none overflow-hidden"
        style:cursor={sheet.cursor}
        onpointerdown={press}
        onpointermove={hands.notes.move}
        onpointerup={hands.notes.up}
        onpointercancel={hands.notes.cancel}
        onpointerleave={leave}
        ondblclick={(e) => insertAt(sheet, hands.notes.at(e as unknown as PointerEvent), hadChoice[0])}
        oncontextmenu={(e) => tool.name !== 'hand' && e.preventDefault()}
        data-testid="notes"
    >
        <canvas bind:this={canvases.grid} class="absolute inset-0 size-full"></canvas>
        <!-- The notes step back while it is looked where they would land. -->
        <canvas
            bind:this={canvases.notes}
            class="absolute inset-0 size-full"
            class:opacity-40={song.looking.landing !== null}
        ></canvas>
        <canvas bind:this={canvases.overlay} class="absolute inset-0 size-full"></canvas>
        <div bind:this={caret} class="caret pointer-events-none absolute inset-y-0 left-0 w-px" data-testid="caret">
            <div bind:this={caretRow} class="caret-row absolute"></div>
        </div>
        <div bind:this={playhead} class="playhead pointer-events-none absolute inset-y-0 left-0 w-px"></div>
    </div>
    <div
        class="flex items-start overflow-hidden border-t border-base-content/50 bg-base-200 px-2 pt-1 text-xs text-base-content/80"
    >
        Velocity
    </div>
    {@render surface(hands.lane, 'lane', 'velocity')}
</section>
