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
    import { panels } from '../views/panels.svelte';
    import { commandsOf } from './commands';
    import { Desk, type LayerName } from './desk.svelte';
    import { handsOf, partAt } from './gestures';
    import Heads from './Heads.svelte';
    import { layersOf } from './layers';
    import PartSheet from './PartSheet.svelte';
    import { HEADS, RULER } from './sizes';

    interface Props {
        song: Song;
        onHover: (words: string) => void;
        /** Opens a part in the roll. */
        onOpen: (part: Part) => void;
        onDesk: (desk: Desk) => void;
        /** Something is asked for where the second button was pressed. */
        onMenu: (at: { x: number; y: number; on: 'part' | 'staff' | 'track' | 'ruler' }) => void;
    }
    let { song, onHover, onOpen, onDesk, onMenu }: Props = $props();

    let body: HTMLElement;
    let canvases: Record<LayerName, HTMLCanvasElement> = $state.raw({} as never);
    let playhead: HTMLElement;
    let caret: HTMLElement;
    /** Where the staves begin on the page, in pixels. */
    let left = 0;
    const desk = untrack(() => new Desk(song, (words) => onHover(words)));
    untrack(() => onDesk(desk));
    const hands = handsOf(
        desk,
        () => canvases.notes.parentElement!,
        () => canvases.ruler.parentElement!,
    );
    const chosen = $derived(new Set(song.chosenParts));
    desk.holding = () => hands.staves.held !== null || hands.ruler.held !== null;
    desk.place = place;

    function place(): void {
        const { view } = desk;
        const put = (line: HTMLElement, x: number): void => {
            line.style.transform = `translateX(${x}px)`;
            line.style.visibility = x < -1 || x > view.width ? 'hidden' : 'visible';
        };
        put(playhead, view.x(transport.tick));
        put(caret, Math.round(view.x(song.caret.tick)));
        body.dataset.drawn = [song.revision, view.left, view.scale, desk.top, desk.row].join(' ');
    }

    function resize(): void {
        const { width, height, ...box } = canvases.notes.parentElement!.getBoundingClientRect().toJSON() as DOMRect;
        left = box.left;
        const first = desk.view.width === 0;
        desk.height = height;
        desk.view.resize(width, height);
        desk.stage.fit();
        if (first) {
            if (song.seenSong) Object.assign(desk.view, song.seenSong);
            else desk.fit(0, Math.max(song.end / 8, ...[...song.parts.values()].map((p) => desk.endOf(p))));
        }
        desk.scroll(0, 0);
        desk.touchAll();
    }

    function cancel(): boolean {
        const held = desk.holding();
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
            if (e.shiftKey) desk.setRow(desk.row * Math.exp(-e.deltaY * unit * 0.002));
            else desk.view.zoomTime(Math.exp(-e.deltaY * unit * 0.0022), x);
        } else if (e.shiftKey && e.deltaX === 0) desk.scroll(e.deltaY * unit, 0);
        else desk.scroll(e.deltaX * unit, e.deltaY * unit);
    }

    function twice(e: MouseEvent): void {
        const { x, y } = hands.staves.at(e);
        const hit = partAt(desk, x, y);
        if (hit) onOpen(hit.part);
    }

    function menu(e: MouseEvent): void {
        e.preventDefault();
        const { x, y } = hands.staves.at(e);
        onMenu({ x: e.clientX, y: e.clientY, on: partAt(desk, x, y) ? 'part' : 'staff' });
    }

    onMount(() => {
        for (const [name, spec] of Object.entries(layersOf(desk)))
            desk.stage.add(name as LayerName, canvases[name as LayerName], spec);
        const observer = new ResizeObserver(resize);
        observer.observe(canvases.notes.parentElement!);
        const last = song.lastPart;
        song.caretTrack = last?.trackId ?? song.tracks[0]?.id ?? null;
        desk.at = last?.id ?? null;
        resize();
        const first = last ?? song.tracks.find((t) => t.parts.length > 0)?.parts[0];
        if (first && desk.chosen.length === 0) desk.choose([first], first);
        takeKeys(body);
        transport.onFrame = (tick) => desk.onFrame(tick);
        song.onCaret = () => {
            desk.revealTime(song.caret.tick, song.caret.tick + 1);
            song.tell(`Caret at ${song.time.position(song.caret.tick, desk.lines)}.`);
        };
        reach.things = () => [];
        return () => {
            song.onCaret = () => {};
            transport.onFrame = () => {};
            song.seenSong = { left: desk.view.left, scale: desk.view.scale };
            observer.disconnect();
            desk.stage.close();
        };
    });
    // Keys mean parts while this is where one works; a roll underneath has its own.
    $effect(() => {
        if (song.stage !== 'song') return;
        return untrack(() => keys.handle(commandsOf(desk, cancel, onOpen)));
    });
    $effect(() => {
        void song.revisionShown;
        void song.tracks;
        void song.chosenParts;
        void song.end;
        desk.view.end = song.end;
        if (desk.view.width > 0) desk.touchAll();
    });
    // What a command left chosen is walked on from, and the caret goes there.
    $effect(() => {
        const last = song.chosenParts.at(-1);
        if (last === undefined || song.chosenParts.includes(desk.at ?? -1)) return;
        untrack(() => {
            desk.at = last;
            const part = song.parts.get(last);
            if (part) song.caretTrack = part.trackId;
        });
    });
    $effect(() => {
        void song.caret;
        void song.caretTrack;
        void transport.loop;
        void desk.shown;
        void desk.row;
        void desk.top;
        if (desk.view.width > 0) untrack(() => desk.touchAll());
    });
    $effect(() => {
        void theme.version;
        if (desk.view.width > 0) untrack(() => desk.recolour());
    });
    $effect(() => {
        desk.view.covered = panels.open && panels.open.name !== 'commands' ? panels.comes : 0;
    });
    // The part walked to has the focus, for those who hear where they are.
    $effect(() => {
        if (song.stage === 'song' && !panels.open && song.chosenParts.includes(desk.at ?? -1))
            body.querySelector<HTMLElement>(`[data-part="${desk.at}"]`)?.focus({ preventScroll: true });
    });

    /** Where a tick stands, wherever the view has moved to. */
    function placeOf(tick: number): number {
        void desk.moved;
        return desk.view.x(tick);
    }
</script>

<section
    bind:this={body}
    class="grid min-h-0 flex-1 outline-none"
    style:grid-template-columns="{HEADS}px 1fr"
    style:grid-template-rows="{RULER}px 1fr"
    aria-label="Tracks and parts of {song.name}, {song.chosenParts.length} chosen"
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
    <Heads {desk} {onMenu} />
    <Surface
        hand={hands.staves}
        testid="sheets"
        cursor={desk.cursor}
        onpointerdown={press}
        onpointerleave={() => onHover('')}
        ondblclick={twice}
        oncontextmenu={menu}
    >
        <canvas bind:this={canvases.grid} class="absolute inset-0 size-full"></canvas>
        <div
            class="absolute top-0 left-0"
            style:--scale={(desk.scaled, desk.view.scale)}
            style:transform="translate({-(desk.moved, desk.view.left) * desk.view.scale}px, {-desk.top}px)"
        >
            {#each desk.inView as { track, t } (track.id)}
                {#each track.parts as part (part.id)}
                    <PartSheet {desk} {part} tint={t % 6} chosen={chosen.has(part.id)} heard={song.audible(track)} />
                {/each}
            {/each}
        </div>
        <canvas bind:this={canvases.notes} class="pointer-events-none absolute inset-0 size-full"></canvas>
        <canvas bind:this={canvases.overlay} class="pointer-events-none absolute inset-0 size-full"></canvas>
        <div
            bind:this={caret}
            class="caret pointer-events-none absolute top-0 left-0 w-px"
            style:height="{song.tracks.length * desk.row - desk.top}px"
            data-testid="song-caret"
        >
            <span class="caret-row absolute w-1.5" style:top="{desk.y(desk.trackIndex)}px" style:height="{desk.row}px"
            ></span>
        </div>
        {#each song.elsewhere.others as other (other.window)}
            <OtherCaret {other} x={placeOf(other.tick)} width={desk.view.width} />
        {/each}
        <div
            bind:this={playhead}
            class="playhead pointer-events-none absolute inset-y-0 left-0 w-px"
            data-testid="song-playhead"
        ></div>
    </Surface>
</section>
