<script lang="ts">
    import OtherCaret from '../stage/OtherCaret.svelte';
    import { onMount, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { keys } from '../keys/keys.svelte';
    import { reach } from '../keys/reach.svelte';
    import Surface from '../roll/Surface.svelte';
    import { takeKeys } from '../stage/keys';
    import { transport } from '../sound/transport.svelte';
    import { theme } from '../theme.svelte';
    import { panels } from '../panels.svelte';
    import { commandsOf } from './commands';
    import { ArrangeModel, type LayerName } from './arrange-model.svelte';
    import { handsOf } from './gestures';
    import { partAt } from './gestures/part-at';
    import Heads from './Heads.svelte';
    import { layersOf } from './layers';
    import PartSheet from './PartSheet.svelte';
    import { HEADS, RULER } from './sizes';

    interface Props {
        song: Song;
        onHover: (words: string) => void;
        /** Opens a part in the roll. */
        onOpen: (part: Part) => void;
        onModel: (model: ArrangeModel) => void;
        /** Something is asked for where the second button was pressed. */
        onMenu: (at: { x: number; y: number; on: 'part' | 'staff' | 'track' | 'ruler' }) => void;
    }
    let { song, onHover, onOpen, onModel, onMenu }: Props = $props();

    let body: HTMLElement;
    let canvases: Record<LayerName, HTMLCanvasElement> = $state.raw({} as never);
    let playhead: HTMLElement;
    let caret: HTMLElement;
    /** Where the staves begin on the page, in pixels. */
    let left = 0;
    const model = untrack(() => new ArrangeModel(song, (words) => onHover(words)));
    untrack(() => onModel(model));
    const hands = handsOf(
        model,
        () => canvases.notes.parentElement!,
        () => canvases.ruler.parentElement!,
    );
    const chosen = $derived(new Set(song.selection.parts));
    model.holding = () => hands.staves.held !== null || hands.ruler.held !== null;
    model.place = place;

    function place(): void {
        const { view } = model;
        const put = (line: HTMLElement, x: number): void => {
            line.style.transform = `translateX(${x}px)`;
            line.style.visibility = x < -1 || x > view.width ? 'hidden' : 'visible';
        };
        put(playhead, view.x(transport.tick));
        put(caret, Math.round(view.x(song.caret.tick)));
        body.dataset.drawn = [song.revision, view.left, view.scale, model.top, model.row].join(' ');
    }

    function resize(): void {
        const { width, height, ...box } = canvases.notes.parentElement!.getBoundingClientRect().toJSON() as DOMRect;
        left = box.left;
        const first = model.view.width === 0;
        model.height = height;
        model.view.resize(width, height);
        model.stage.fit();
        if (first) {
            if (song.seenSong) Object.assign(model.view, song.seenSong);
            else model.fit(0, Math.max(song.end / 8, ...[...song.parts.values()].map((p) => model.endOf(p))));
        }
        model.scroll(0, 0);
        model.touchAll();
    }

    function cancel(): boolean {
        const held = model.holding();
        hands.staves.cancel();
        hands.ruler.cancel();
        return held;
    }

    function press(e: PointerEvent): void {
        song.stage = 'song';
        body.focus({ preventScroll: true });
        hands.staves.down(e);
    }

    function wheel(e: WheelEvent): void {
        e.preventDefault();
        const unit = e.deltaMode === 1 ? 18 : 1;
        // Where it lies was measured when it was fitted: to ask again would lay everything out anew.
        const x = e.clientX - left;
        if (e.ctrlKey || e.metaKey) {
            if (e.shiftKey) model.setRow(model.row * Math.exp(-e.deltaY * unit * 0.002));
            else model.view.zoomTime(Math.exp(-e.deltaY * unit * 0.0022), x);
        } else if (e.shiftKey && e.deltaX === 0) model.scroll(e.deltaY * unit, 0);
        else model.scroll(e.deltaX * unit, e.deltaY * unit);
    }

    function twice(e: MouseEvent): void {
        const { x, y } = hands.staves.at(e);
        const hit = partAt(model, x, y);
        if (hit) onOpen(hit.part);
    }

    function menu(e: MouseEvent): void {
        e.preventDefault();
        const { x, y } = hands.staves.at(e);
        onMenu({ x: e.clientX, y: e.clientY, on: partAt(model, x, y) ? 'part' : 'staff' });
    }

    onMount(() => {
        for (const [name, spec] of Object.entries(layersOf(model)))
            model.stage.add(name as LayerName, canvases[name as LayerName], spec);
        const observer = new ResizeObserver(resize);
        observer.observe(canvases.notes.parentElement!);
        const opened = song.lastPart;
        song.caretTrack = song.tracks.find((t) => t.id === opened?.trackId)?.id ?? song.tracks[0]?.id ?? null;
        const last = song.parts.get(opened?.id ?? -1);
        model.at = last?.id ?? null;
        resize();
        const first = last ?? song.tracks.find((t) => t.parts.length > 0)?.parts[0];
        // Keys that wait are for what this page begins with.
        if (first && model.chosen.length === 0) song.queue.runInTurn(() => model.choose([first], first));
        takeKeys(body);
        transport.onFrame = (tick) => model.onFrame(tick);
        song.onCaret = () => {
            model.revealTime(song.caret.tick, song.caret.tick + 1);
            song.tell(`Caret at ${song.time.position(song.caret.tick, model.lines)}.`);
        };
        reach.things = () => [];
        return () => {
            song.onCaret = () => {};
            transport.onFrame = () => {};
            song.seenSong = { left: model.view.left, scale: model.view.scale };
            observer.disconnect();
            model.stage.close();
        };
    });
    // Keys mean parts while this is where one works; a roll underneath has its own.
    $effect(() => {
        if (song.stage !== 'song') return;
        return untrack(() => keys.handle(commandsOf(model, cancel, onOpen)));
    });
    $effect(() => {
        void song.revisionShown;
        void song.tracks;
        void song.selection.parts;
        void song.end;
        model.view.end = song.end;
        if (model.view.width > 0) model.touchAll();
    });
    // What a command left selected is walked on from, and the caret goes there.
    $effect(() => {
        const last = song.selection.parts.at(-1);
        if (last === undefined || song.selection.parts.includes(model.at ?? -1)) return;
        untrack(() => {
            model.at = last;
            const part = song.parts.get(last);
            if (part) song.caretTrack = part.trackId;
        });
    });
    $effect(() => {
        void song.caret;
        void song.caretTrack;
        void transport.loop;
        void model.shown;
        void model.row;
        void model.top;
        if (model.view.width > 0) untrack(() => model.touchAll());
    });
    $effect(() => {
        void theme.version;
        if (model.view.width > 0) untrack(() => model.recolour());
    });
    $effect(() => {
        model.view.covered = panels.open && panels.open.name !== 'commands' ? panels.comes : 0;
    });
    // The part walked to has the focus, for those who hear where they are.
    $effect(() => {
        if (song.stage === 'song' && !panels.open && song.selection.parts.includes(model.at ?? -1))
            body.querySelector<HTMLElement>(`[data-part="${model.at}"]`)?.focus({ preventScroll: true });
    });

    /** Where a tick stands, wherever the view has moved to. */
    function placeOf(tick: number): number {
        void model.moved;
        return model.view.x(tick);
    }
</script>

<section
    bind:this={body}
    class="grid min-h-0 flex-1 outline-none"
    style:grid-template-columns="{HEADS}px 1fr"
    style:grid-template-rows="{RULER}px 1fr"
    aria-label="Tracks and parts of {song.name}, {song.selection.parts.length} selected"
    role="application"
    tabindex="-1"
    data-testid="staves"
    onwheel={wheel}
>
    <div class="border-r border-b border-base-content/40"></div>
    <Surface
        hand={hands.ruler}
        testid="song-ruler"
        oncontextmenu={(e: MouseEvent) => {
            e.preventDefault();
            onMenu({ x: e.clientX, y: e.clientY, on: 'ruler' });
        }}
    >
        <canvas bind:this={canvases.ruler} class="absolute inset-0 size-full"></canvas>
    </Surface>
    <Heads {model} {onMenu} />
    <Surface
        hand={hands.staves}
        testid="sheets"
        cursor={model.cursor}
        onpointerdown={press}
        onpointerleave={() => onHover('')}
        ondblclick={twice}
        oncontextmenu={menu}
    >
        <canvas bind:this={canvases.grid} class="absolute inset-0 size-full"></canvas>
        <div
            class="absolute top-0 left-0"
            style:--scale={(model.scaled, model.view.scale)}
            style:transform="translate({-(model.moved, model.view.left) * model.view.scale}px, {-model.top}px)"
        >
            {#each model.inView as { track, t } (track.id)}
                {#each track.parts as part (part.id)}
                    <PartSheet {model} {part} tint={t % 6} chosen={chosen.has(part.id)} heard={song.audible(track)} />
                {/each}
            {/each}
        </div>
        <canvas bind:this={canvases.notes} class="pointer-events-none absolute inset-0 size-full"></canvas>
        <canvas bind:this={canvases.overlay} class="pointer-events-none absolute inset-0 size-full"></canvas>
        <div
            bind:this={caret}
            class="caret pointer-events-none absolute top-0 left-0 w-px"
            style:height="{song.tracks.length * model.row - model.top}px"
            data-testid="song-caret"
        >
            <span
                class="caret-row absolute w-1.5"
                style:top="{model.y(model.trackIndex)}px"
                style:height="{model.row}px"
            ></span>
        </div>
        {#each song.crossWindow.others as other (other.window)}
            <OtherCaret {other} x={placeOf(other.tick)} width={model.view.width} />
        {/each}
        <div
            bind:this={playhead}
            class="playhead pointer-events-none absolute inset-y-0 left-0 w-px"
            data-testid="song-playhead"
        ></div>
    </Surface>
</section>
