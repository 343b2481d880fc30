import type { Lines } from '../rules/lines';
import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Track } from '../api/song-state';
import { transport } from '../sound/transport.svelte';
import { coloursOf, type Colours } from '../stage/colours';
import { Stage } from '../stage/stage';
import { View } from '../stage/view';
import { LOW_ROW, MARGIN, TALL_ROW } from './sizes';
import { Stacks } from './stacks';

export type LayerName = 'grid' | 'notes' | 'overlay' | 'ruler';

/** A stretch of time on some tracks, counted from 0. */
export interface Stretch {
    from: number;
    to: number;
    track: number;
}

/** What a hand shows before it is let go: sheets in outline, or a box. */
export interface Shown {
    sheets: Stretch[];
    box: { x0: number; y0: number; x1: number; y1: number } | null;
}

/**
 * The song page's surface: tracks as staves, parts as sheets on them. It holds together what its layers show, its gestures
 * change and its commands look at; rules are the server's.
 */
export class ArrangeModel {
    readonly view: View;
    readonly stage: Stage<LayerName>;
    readonly stacks: Stacks;
    colours: Colours;
    row = $state(Number(localStorage.getItem('jactonic.staves') ?? 76));
    /** Pixels that the staves are high. */
    height = $state(0);
    /** Tracks that are in view, and the places of those: what is far away is not laid out. */
    readonly inView = $derived.by(() => {
        const first = Math.max(0, Math.floor(this.top / this.row) - 1);
        const count = Math.ceil(this.height / this.row) + 3;
        return this.song.tracks.slice(first, first + count).map((track, i) => ({ track, t: first + i }));
    });
    /** Pixels scrolled down. */
    top = $state(0);
    /** Goes up whenever the stretch of time that is seen changed its scale; and whenever it moved. */
    scaled = $state(0);
    moved = $state(0);
    /** The part walked to last. */
    at: number | null = null;
    shown = $state.raw<Shown>({ sheets: [], box: null });
    cursor = $state('default');
    holding: () => boolean = () => false;
    place: () => void = () => {};
    /** Another stretch of time is seen. */
    onView: () => void = () => {};
    private scale = 0;
    /** Whether something was on the overlay. */
    private covered = false;

    constructor(
        readonly song: Song,
        /** What is under the pointer, in words. */
        readonly onHover: (words: string) => void,
    ) {
        this.view = new View(song.time.ppq, () => this.onMove());
        this.view.end = song.end;
        this.stage = new Stage(() => this.place());
        this.stacks = new Stacks(song);
        this.colours = coloursOf(0);
        this.recolour();
    }

    /** The part whose grid counts: the first selected, else one on the caret's track, else any. */
    get part(): Part | undefined {
        const { song } = this;
        const first = song.parts.get(song.selection.parts[0] ?? -1);
        return first ?? this.track?.parts[0] ?? song.parts.values().next().value;
    }

    get lines(): Lines {
        return this.part?.lines ?? this.song.time.plain!;
    }

    /** The track on which the caret stands. */
    get track(): Track | undefined {
        return this.song.tracks.find((t) => t.id === this.song.caretTrack) ?? this.song.tracks[0];
    }

    get trackIndex(): number {
        return Math.max(
            0,
            this.song.tracks.findIndex((t) => t.id === this.song.caretTrack),
        );
    }

    indexOf(part: Part): number {
        return this.stacks.track(part);
    }

    get chosen(): Part[] {
        return this.song.selection.parts.map((id) => this.song.parts.get(id)).filter((p) => p !== undefined);
    }

    /** Top edge of a track's row. */
    y(track: number): number {
        return track * this.row - this.top;
    }

    trackAt(y: number): number {
        return Math.max(0, Math.min(this.song.tracks.length - 1, Math.floor((y + this.top) / this.row)));
    }

    /** Where a part's sheet lies: ticks, and pixels from the top of the page. */
    boxOf(part: Part): { from: number; to: number; y: number; h: number } {
        const [place, of] = this.stacks.of(part);
        const h = (this.row - 2 * MARGIN) / of;
        return {
            from: part.head.from,
            to: this.endOf(part),
            y: this.indexOf(part) * this.row + MARGIN + place * h,
            h,
        };
    }

    /** Where the window of a part ends; of one without an end, with its bar. */
    endOf(part: Part): number {
        return part.head.to ?? part.lines.barAt(Math.max(part.head.from, part.lastEnd - 1)).end;
    }

    /** A place, on a line unless free. */
    snapped(tick: number, free = false): number {
        return free ? Math.max(0, Math.round(tick)) : this.lines.nearest(Math.max(0, tick));
    }

    /** Selects parts, and shows the one that is new among them. The caret stays where it was put. */
    choose(parts: readonly Part[], at: Part | undefined = parts.at(-1)): void {
        const { song } = this;
        song.byHand(() => {
            song.selection.parts = parts.map((p) => p.id);
            this.at = at?.id ?? this.at;
            if (!at) return;
            song.crossWindow.want(at.id);
            this.reveal(at);
        });
    }

    reveal(part: Part): void {
        const { from, to, y, h } = this.boxOf(part);
        this.revealTime(from, Math.min(to, from + this.view.width / this.view.scale / 2));
        if (y < this.top) this.top = Math.max(0, y - MARGIN);
        else if (y + h > this.top + this.view.height) this.top = y + h + MARGIN - this.view.height;
        this.touchAll();
    }

    /** Brings a stretch of time into view by the least movement. */
    revealTime(from: number, to: number): void {
        const { view } = this;
        const room = view.width / view.scale;
        if (from < view.left) view.scroll((from - view.left) * view.scale - 20, 0);
        else if (to > view.left + room) view.scroll((Math.min(to - room, from) - view.left) * view.scale + 20, 0);
    }

    setRow(height: number): void {
        this.row = Math.round(Math.max(LOW_ROW, Math.min(TALL_ROW, height)));
        localStorage.setItem('jactonic.staves', String(this.row));
        this.scroll(0, 0);
    }

    scroll(dx: number, dy: number): void {
        const most = Math.max(0, this.song.tracks.length * this.row + 40 - this.view.height);
        this.top = Math.max(0, Math.min(most, this.top + dy));
        this.view.scroll(dx, 0);
    }

    fit(from: number, to: number): void {
        this.view.fit(from, to, 0, 127);
    }

    recolour(): void {
        this.colours = coloursOf(0);
        this.touchAll();
    }

    touchAll(): void {
        this.stage.touch('grid', 'notes', 'ruler');
        // Mostly there is nothing on it.
        const covered = this.song.span !== null || this.shown.sheets.length > 0 || this.shown.box !== null;
        if (covered || this.covered) this.stage.touch('overlay');
        this.covered = covered;
    }

    /** The playing line has moved. */
    onFrame(tick: number): void {
        const { view } = this;
        if (transport.playing && !this.holding() && (tick > view.right || tick < view.left))
            view.scroll((tick - view.left) * view.scale - 24, 0);
        this.place();
    }

    private onMove(): void {
        if (this.view.scale !== this.scale) this.scaled++;
        this.scale = this.view.scale;
        this.moved++;
        this.touchAll();
        this.onView();
    }
}
