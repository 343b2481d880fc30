import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Note } from '../api/tables';

type Which = 'none' | 'beside' | 'all' | 'picked';

const WHICH: Which[] = ['none', 'beside', 'all', 'picked'];
/** Ticks per semitone, in what lies nearest: a note on the same row and a little off is nearer than one beside it. */
const ROW_WEIGHT = 0.25;

/** The other parts behind the one being edited: which they are, for each song, and whether they are edited in place. */
export class Underlay {
    which = $state<Which>('none');
    picked = $state.raw<readonly number[]>([]);

    constructor(
        private readonly song: Song,
        private readonly part: Part,
    ) {
        try {
            const kept = JSON.parse(localStorage.getItem(this.name) ?? '{}') as { which?: Which; picked?: number[] };
            this.which = WHICH.includes(kept.which!) ? kept.which! : 'none';
            this.picked = Array.isArray(kept.picked) ? kept.picked : [];
        } catch {
            // What cannot be read is nothing.
        }
    }

    private get name(): string {
        return `jactonic.underlay.${this.song.id}`;
    }

    /** The parts that lie under this one, in the order of their tracks. */
    get parts(): Part[] {
        const { song, part } = this;
        if (this.which === 'none') return [];
        const tracks = song.tracks;
        const at = tracks.findIndex((t) => t.id === part.trackId);
        const near = (t: number): boolean => this.which !== 'beside' || Math.abs(t - at) <= 1;
        return tracks
            .flatMap((t, i) => (near(i) ? t.parts : []))
            .filter((p) => p !== part && (this.which !== 'picked' || this.picked.includes(p.id)));
    }

    get inPlace(): boolean {
        return this.song.selection.inPlace;
    }

    set(which: Which, picked: readonly number[] = this.picked): void {
        this.which = which;
        this.picked = picked;
        localStorage.setItem(this.name, JSON.stringify({ which, picked }));
        if (this.song.selection.inPlace)
            this.song.selection.workOn(which === 'none' ? [] : this.parts.map((p) => p.id));
    }

    /** None, those of the tracks beside, all, those picked, and none again. */
    turn(): string {
        const order = WHICH.filter((w) => w !== 'picked' || this.picked.some((id) => this.song.parts.has(id)));
        this.set(order[(order.indexOf(this.which) + 1) % order.length]!);
        return this.words;
    }

    get words(): string {
        const names = this.parts.map((p) => p.name);
        if (this.which === 'none') return 'No other parts are shown.';
        if (names.length === 0) return 'The song has no other part.';
        return `Other parts: ${names.slice(0, 5).join('; ')}${names.length > 5 ? ' …' : ''}.`;
    }

    /** The next of all other parts alone, in the order of the tracks. */
    walk(by: number): string {
        const others = this.song.tracks.flatMap((t) => t.parts).filter((p) => p !== this.part);
        if (others.length === 0) return 'The song has no other part.';
        const at = others.findIndex((p) => this.which === 'picked' && p.id === this.picked[0]);
        const next = others[(at + by + others.length + (at < 0 && by < 0 ? 1 : 0)) % others.length]!;
        this.set('picked', [next.id]);
        return this.words;
    }

    /** The note under it at a place on paper. */
    noteAt(tick: number, pitch: number, room: number): { part: Part; note: Note } | null {
        for (const part of this.parts) {
            let hit: Note | null = null;
            part.between(Math.floor(tick - room), Math.ceil(tick + 1), (n) => {
                if (n.pitch === pitch && part.holds(n.start)) hit = n;
            });
            if (hit) return { part, note: hit };
        }
        return null;
    }

    /** The part that the pen writes into: in place, the one whose row it is, if it is not the open part’s as well. */
    writesInto(pitch: number): number {
        const has = (p: Part): boolean => p.ordered.some((n) => n.pitch === pitch && p.holds(n.start));
        if (!this.song.selection.inPlace || has(this.part)) return this.part.id;
        return (this.parts.find(has) ?? this.part).id;
    }

    /** The part with the note that lies nearest to a place. */
    nearest(tick: number, pitch: number): Part | null {
        let best: { part: Part; away: number } | null = null;
        const { ppq } = this.song.time;
        for (const part of this.parts) {
            part.between(tick - 16 * ppq, tick + 16 * ppq, (n) => {
                const inside = tick >= n.start && tick < n.start + n.length;
                const away =
                    (inside ? 0 : Math.min(Math.abs(n.start - tick), Math.abs(n.start + n.length - tick)) / ppq) +
                    Math.abs(n.pitch - pitch) * ROW_WEIGHT;
                if (!best || away < best.away) best = { part, away };
            });
        }
        return (best as { part: Part } | null)?.part ?? this.parts[0] ?? null;
    }

    /** How far a note stands off the nearest start under it, in words; empty where nothing starts near it. */
    against(note: Note): string {
        const { time } = this.song;
        const here = time.seconds(note.start);
        let best: { ms: number; part: Part } | null = null;
        for (const part of this.parts)
            part.between(note.start - time.ppq, note.start + time.ppq, (n) => {
                const ms = (here - time.seconds(n.start)) * 1000;
                if (Math.abs(ms) <= NEAR && (!best || Math.abs(ms) < Math.abs(best.ms))) best = { ms, part };
            });
        if (!best) return '';
        const { ms, part } = best as { ms: number; part: Part };
        const round = Math.round(Math.abs(ms));
        return round === 0 ? `with ${part.name}` : `${round} ms ${ms > 0 ? 'behind' : 'ahead of'} ${part.name}`;
    }
}

/** Milliseconds within which a start is told against another. */
const NEAR = 150;
