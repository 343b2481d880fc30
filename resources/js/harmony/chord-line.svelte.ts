import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { On } from '../api/types';

/** From, to, name and pitch classes of a chord. */
export type Named = [from: number, to: number, name: string, classes: number[]];

interface Kept {
    every: 'none' | 'change' | 'beat' | 'bar';
    over: 'part' | 'song';
    arpeggios: boolean;
    pedal: boolean;
}

const KEPT = 'jactonic.chords';
const EVERY = ['none', 'change', 'beat', 'bar'] as const;
const WORDS = {
    none: 'There is no chord line.',
    change: 'The chord line names chords as they change.',
    beat: 'The chord line names a chord a beat.',
    bar: 'The chord line names a chord a bar.',
};
/** Milliseconds after a change before it is asked again: a held key asks once. */
const AFTER = 150;

/** The names of the chords over the notes: what of is shown, and what was read last. It stays so from song to song. */
class ChordLine {
    kept = $state.raw<Kept>(recalled());
    chords = $state.raw<Named[]>([]);
    private asked = 0;
    private timer = 0;

    get shown(): boolean {
        return this.kept.every !== 'none';
    }

    /** What it is of, in few words. */
    get words(): string {
        const { every, over, arpeggios } = this.kept;
        return `${{ none: '', change: 'by change', beat: 'by beat', bar: 'by bar' }[every]}${over === 'song' ? ', all parts' : ''}${arpeggios ? ', gathered' : ''}`;
    }

    /** Turns one of its settings, and says how it is then. */
    turn(what: string, to: string): string {
        const { every, over, arpeggios, pedal } = this.kept;
        if (what === 'over') this.keep({ over: over === 'song' ? 'part' : 'song' });
        else if (what === 'arpeggios') this.keep({ arpeggios: !arpeggios });
        else if (what === 'pedal') this.keep({ pedal: !pedal });
        else {
            const next = EVERY.find((e) => e === to) ?? EVERY[(EVERY.indexOf(every) + 1) % EVERY.length]!;
            this.keep({ every: next });
            return WORDS[next];
        }
        if (!this.shown) this.keep({ every: 'change' });
        if (what === 'over')
            return this.kept.over === 'song'
                ? 'The chord line names the chords of all parts.'
                : 'The chord line names the chords of this part.';
        if (what === 'arpeggios')
            return this.kept.arpeggios ? 'Arpeggios count as chords.' : 'Arpeggios do not count as chords.';
        return this.kept.pedal
            ? 'Notes count as long as the pedal holds them.'
            : 'Notes count as long as they are held.';
    }

    private keep(change: Partial<Kept>): void {
        this.kept = { ...this.kept, ...change };
        localStorage.setItem(KEPT, JSON.stringify(this.kept));
    }

    /** The parts that it is of; without a part that is open, all. */
    on(song: Song, part: Part | null): On[] {
        return part && this.kept.over === 'part' ? [{ part: part.id, notes: [] }] : [{ parts: [...song.parts.keys()] }];
    }

    /** What it is read with; while it is not shown, as chords change. */
    params(): Record<string, unknown> {
        const { every, arpeggios, pedal } = this.kept;
        return { every: every === 'none' ? 'change' : every, arpeggios, pedal };
    }

    /** Reads it anew, when the hand rests. */
    follow(song: Song, part: Part | null): () => void {
        const mine = ++this.asked;
        if (!this.shown) this.chords = [];
        else
            this.timer = window.setTimeout(() => {
                song.read('chords', this.params(), this.on(song, part))
                    .then(({ chords }) => mine === this.asked && (this.chords = chords))
                    .catch(() => {});
            }, AFTER);
        return () => clearTimeout(this.timer);
    }

    /** The chord at a tick. */
    at(tick: number, chords: readonly Named[] = this.chords): Named | undefined {
        return chords.find(([from, to]) => tick >= from && tick < to);
    }
}

function recalled(): Kept {
    const fresh: Kept = { every: 'none', over: 'part', arpeggios: false, pedal: false };
    try {
        return { ...fresh, ...(JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Kept>) };
    } catch {
        return fresh;
    }
}

export const chordLine = new ChordLine();
