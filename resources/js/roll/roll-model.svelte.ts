import type { Lines } from '../rules/lines';
import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import { provisional, type Note } from '../api/tables';
import type { Command } from '../api/types';
import { inputs } from '../sound/inputs/inputs.svelte';
import { recorder } from '../sound/recorder.svelte';
import { transport } from '../sound/transport.svelte';
import { coloursOf, type Colours } from '../stage/colours';
import { Stage } from '../stage/stage';
import { View } from '../stage/view';
import { Lanes } from './lanes.svelte';
import type { Drawn, Overlay } from './layers/overlay';
import { pitchName } from './names';
import { toldOf } from './numbers';
import { OwnCurves } from './own.svelte';
import { UsedRows } from './rows.svelte';
import type { StepInput } from './steps.svelte';
import { Underlay } from './underlay.svelte';
import type { LaneLayer, LayerName, RollState } from './roll-state';
import { Views } from './views.svelte';

const DRUM_CHANNEL = 9;
const OPENING_BARS = 6;

/** First start, last end, and the pitches of some notes. */
export type Bounds = [from: number, to: number, low: number, high: number];

/**
 * The roll of one part: what its layers show, its gestures change and its commands look at. Drawing is the stage's,
 * rules are the server's.
 */
/** What a menu in the roll can be of. */
export type MenuOf = 'note' | 'empty' | 'ruler' | 'lane' | 'velocity';

export class RollModel implements RollState {
    readonly view: View;
    readonly stage: Stage<LayerName | LaneLayer>;
    readonly lanes: Lanes;
    readonly own: OwnCurves;
    colours: Colours;
    overlay: Overlay = {
        box: null,
        outlines: null,
        sounding: [],
        landing: null,
        marked: null,
        drawn: [],
        erased: new Set(),
        held: [],
    };
    /** Rows that sound or are held: lit on the keyboard. */
    readonly lit = new Set<number>();
    /** What the pointer is over, while it is over the notes. */
    pointed: { tick: number; pitch: number } | null = null;
    /** Notes drawn that the server has not told of yet. */
    pending: Drawn[] = [];
    /** By how much a drag in the velocity lane raises what is selected. */
    raised = 0;
    /** Whether a press is held. */
    holding: () => boolean = () => false;
    laneOpen = $state(localStorage.getItem('jactonic.lane') !== 'closed');
    playedPlaces = $state(localStorage.getItem('jactonic.played') !== 'hidden');
    pedalTails = $state(localStorage.getItem('jactonic.tails') === 'shown');
    cursor = $state('default');
    /** The edit whose landing is looked at while its key is held. */
    looked = $state.raw<Command | null>(null);
    steps!: StepInput;
    readonly usedRows = new UsedRows(this);
    readonly underlay: Underlay;
    readonly views: Views;
    /** Another stretch of time is seen. */
    onView: () => void = () => {};
    /** Places the playhead and the caret, which stand above the canvases. */
    place: () => void = () => {};

    constructor(
        readonly song: Song,
        readonly part: Part,
        private readonly drums: Record<string, string>,
        /** What is under the pointer, in numbers. */
        readonly onHover: (numbers: string) => void,
    ) {
        this.view = new View(song.time.ppq, () => {
            this.touchAll();
            this.onView();
        });
        this.view.end = song.end;
        this.underlay = new Underlay(song, part);
        this.lanes = new Lanes(this);
        this.own = new OwnCurves(this);
        this.views = new Views(this);
        this.stage = new Stage(() => this.place());
        this.colours = coloursOf(this.trackIndex);
    }

    get lines(): Lines {
        return this.part.lines;
    }

    get isDrums(): boolean {
        if (this.part.version >= 0 && !this.part.isBare) return this.part.channel === DRUM_CHANNEL;
        // A part with nothing in it yet is what the others of its track are.
        return this.song.trackOf(this.part).parts.some((p) => !p.isBare && p.channel === DRUM_CHANNEL);
    }

    get drumNames(): Record<string, string> | null {
        return this.isDrums ? this.drums : null;
    }

    private get trackIndex(): number {
        return this.song.tracks.findIndex((t) => t.id === this.part.trackId);
    }

    /** The parts under this one, each with the tint of its track. */
    under(): { part: Part; tint: string }[] {
        const index = (p: Part): number => this.song.tracks.findIndex((t) => t.id === p.trackId);
        return this.underlay.parts.map((p) => ({ part: p, tint: coloursOf(index(p)).tint }));
    }

    /** The theme changed. */
    recolour(): void {
        this.colours = coloursOf(this.trackIndex);
        this.touchAll();
    }

    touch(...names: (LayerName | LaneLayer)[]): void {
        this.stage.touch(...names);
    }

    touchAll(): void {
        this.touch('grid', 'notes', 'ruler', 'keyboard', 'lane', 'chords', 'underlay');
        this.touch(...this.lanes.shown.map((l): LaneLayer => `lane:${l}`));
        const o = this.overlay;
        // Mostly there is nothing on it.
        if (
            o.box ||
            o.outlines ||
            o.landing ||
            o.marked ||
            this.own.note !== null ||
            o.sounding.length + o.drawn.length + o.held.length + o.erased.size > 0
        )
            this.touch('overlay');
    }

    bounds(notes: Iterable<Note> = this.song.selectedNotes): Bounds | null {
        let [from, to, low, high] = [Infinity, 0, 127, 0];
        for (const n of notes) {
            from = Math.min(from, n.start);
            to = Math.max(to, n.start + n.length);
            low = Math.min(low, n.pitch);
            high = Math.max(high, n.pitch);
        }
        return from === Infinity ? null : [from, to, low, high];
    }

    /** Length of the bar at a tick, for how much is shown. */
    private barLength(tick: number): number {
        const [beats, unit] = this.song.time.meterAt(tick);
        return (4 * this.song.time.ppq * beats) / unit;
    }

    show(what: 'all' | 'selection' | 'span' | 'last'): void {
        const { song, part, view } = this;
        if (what === 'last') return this.views.back();
        this.views.remember();
        if (what === 'span') {
            const { span } = song;
            if (!span) return song.tell('There is no span to see: make one first.');
            const [, , low, high] = this.bounds(part.ordered) ?? [0, 0, 55, 79];
            return view.fit(span.from, span.to, low, high);
        }
        const found = this.bounds(
            what === 'selection' && song.selection.notes.size > 0 ? song.selectedNotes : part.ordered,
        );
        const bar = this.barLength(found?.[0] ?? part.head.from);
        if (found && what === 'all') view.fit(Math.max(0, found[0] - bar / 4), found[1] + bar / 4, found[2], found[3]);
        else if (found) view.fit(...found);
        else view.fit(part.head.from, Math.max(part.head.from + bar * 4, part.head.to ?? 0), 55, 79);
    }

    /** A part opens on its first bars, near enough to be read. */
    begin(): void {
        const { view, part, song } = this;
        this.usedRows.settle();
        this.show('all');
        if (this.views.exact() || this.goOn()) return;
        const first = part.lines.barAt(part.firstStart + song.early).start;
        const barsShown = view.width / view.scale / this.barLength(first);
        if (barsShown <= OPENING_BARS) return;
        view.zoomTime(barsShown / OPENING_BARS, 0);
        view.left = first - 12 / view.scale;
        view.scroll(0, 0);
    }

    /** Where another part was seen before and this one has something at that time, the view goes on there. */
    private goOn(): boolean {
        const { view, part, song } = this;
        if (!song.seen) return false;
        const { left, scale, row } = song.seen;
        const right = left + view.width / scale;
        if (part.notes.size > 0 && (part.firstStart >= right || part.lastEnd <= left)) return false;
        view.scale = scale;
        view.left = left;
        const top = view.top - view.height / view.row / 2;
        view.row = Math.min(row, view.row);
        view.top = top + view.height / view.row / 2;
        view.scroll(0, 0);
        this.showCaret();
        return true;
    }

    revealSelection(): void {
        if (this.song.selection.notes.size > 2000) return;
        const found = this.bounds();
        // Only what fits is followed: a whole part is looked at as the person has it.
        if (found && (found[1] - found[0]) * this.view.scale <= this.view.width - this.view.covered)
            this.view.reveal(...found);
    }

    showCaret(): void {
        const { tick, pitch } = this.song.caret;
        this.view.reveal(tick, tick + 1, pitch, pitch);
    }

    /** The caret has come to where it was sent. */
    caretCame(): void {
        this.caretWent();
        this.sayCaret();
    }

    /** The caret went on with something that has its own sentence. */
    caretWent(): void {
        this.showCaret();
        if (!transport.playing) transport.locate(this.song.caret.tick);
    }

    /** Where the caret is, and what sounds there. */
    sayCaret(): void {
        const { song, part } = this;
        const { tick, pitch } = song.caret;
        let told = '';
        part.between(tick, tick + 1, (n) => {
            if (n.pitch === pitch && part.holds(n.start)) told = `: a note of ${toldOf(n, part, song.time)}`;
        });
        song.tell(`Caret at ${song.time.position(tick, part.lines)}, ${this.rowName(pitch)}${told}.`);
    }

    /** What was just selected by hand. */
    sayChosen(): void {
        const { song, part } = this;
        const [only, more] = song.selectedNotes;
        const { size } = song.selection.notes;
        song.tell(
            only && !more
                ? `${this.rowName(only.pitch)} at ${song.time.position(only.start, part.lines)} is selected: ${toldOf(only, part, song.time)}.`
                : size === 0
                  ? 'Nothing is selected.'
                  : `${size} notes selected.`,
        );
    }

    rowName(pitch: number): string {
        const given = this.usedRows.names[String(pitch)];
        return given ?? (this.isDrums ? this.drums[String(pitch)] : undefined) ?? pitchName(pitch);
    }

    /** A tick as the grid has it, unless that is suspended. */
    snapped(tick: number, free: boolean): number {
        return free ? Math.max(0, Math.round(tick)) : this.part.lines.nearest(Math.max(0, tick));
    }

    /** The menu of something is asked for; the page shows it. */
    onMenu: (at: { x: number; y: number; on: MenuOf }) => void = () => {};

    /** Where a double click wrote last. */
    written: { start: number; pitch: number } | null = null;

    /** Sounds a pitch as the pen would write it. */
    sound(pitch: number): void {
        const { song, part } = this;
        transport.try(part, [
            provisional({
                start: song.caret.tick,
                length: song.time.ppq / 2,
                pitch,
                velocity: part.settings.penVelocity,
                channel: part.channel,
            }),
        ]);
    }

    /** A frame went by while it plays. */
    onFrame(tick: number): void {
        const { overlay, view } = this;
        const sounding = transport.soundingIn(this.part);
        const same = sounding.length === overlay.sounding.length && sounding.every((n, i) => n === overlay.sounding[i]);
        if (!same) {
            overlay.sounding = sounding;
            this.light();
            this.touch('overlay', 'keyboard');
        }
        if (overlay.held.length > 0) this.showHeld();
        if (recorder.on && tick > view.end - this.song.time.ppq * 8) view.end = tick + this.song.time.ppq * 16;
        if (!this.holding()) this.views.follow(tick);
        this.place();
    }

    /** It plays no longer. */
    darken(): void {
        this.overlay.sounding = [];
        this.lit.clear();
        this.touch('overlay', 'keyboard');
    }

    private light(): void {
        this.lit.clear();
        for (const n of this.overlay.sounding) this.lit.add(n.pitch);
        for (const pitch of inputs.held.values()) this.lit.add(pitch);
    }

    /** What is held: at the caret for step input, from where it was struck while a take is recorded. */
    showHeld(): void {
        this.light();
        const { song, part, overlay } = this;
        const now = transport.position();
        overlay.held = recorder.on
            ? recorder.held.map((n) => ({ start: n.tick, length: Math.max(0, now - n.tick), pitch: n.pitch }))
            : this.steps.on
              ? [...inputs.held.values()].map((pitch) => ({
                    start: song.caret.tick,
                    length: part.penTicks(song.caret.tick),
                    pitch,
                }))
              : [];
        this.touch('overlay', 'keyboard');
    }
}
