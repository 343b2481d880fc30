import { moveCaret } from '../api/caret';
import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import * as make from './commands/make';
import { inputs, type Played } from '../sound/inputs/inputs.svelte';

interface Step {
    tick: number;
    pitches: number[];
}

/** Whether step input is on: it stays so from part to part. */
class StepState {
    on = $state(false);
}

export const stepState = new StepState();

/**
 * Step input: what is played is written at the caret, which goes on by a cell (or by the pen's length). Keys that are
 * held together are a chord, which is written when the last is let go.
 */
export class StepInput {
    private chord: { pitch: number; velocity: number }[] = [];
    private held = new Set<string>();
    private done: Step[] = [];

    constructor(
        private readonly song: Song,
        private readonly part: Part,
    ) {}

    get on(): boolean {
        return stepState.on;
    }

    turn(): void {
        stepState.on = !stepState.on;
        this.chord = [];
        this.held.clear();
        this.done = [];
        this.song.tell(this.on ? 'Step input is on: what is played is written at the caret.' : 'Step input is off.');
    }

    hear(played: Played): void {
        if (!this.on || (played.kind !== 'on' && played.kind !== 'off')) return;
        const key = `${played.who}:${played.pitch}`;
        if (played.kind === 'on') {
            this.held.add(key);
            if (!this.chord.some((n) => n.pitch === played.pitch))
                this.chord.push({ pitch: played.pitch, velocity: played.velocity });
            return;
        }
        this.held.delete(key);
        if (this.held.size === 0 && this.chord.length > 0) this.write(this.chord.splice(0));
    }

    private write(chord: { pitch: number; velocity: number }[]): void {
        const { song, part } = this;
        song.inTurn(() => {
            const { tick } = song.caret;
            song.doQuietly(
                make.insert(
                    part.id,
                    chord.map((n) => ({ start: tick, ...n })),
                ),
            );
            this.done.push({ tick, pitches: chord.map((n) => n.pitch) });
            song.putCaret(tick, chord[0]!.pitch);
            // Writing goes on where the answer says.
            song.afterAll(() => {
                if (song.goesOn !== null) song.putCaret(song.goesOn);
                song.onCaret();
            });
        });
    }

    /** A step of the pen's: of its own length where it has one, else a cell. */
    private get step(): unknown {
        const { penLength, lengthFrom, touchedLength } = this.part.settings;
        if (lengthFrom === 'touched' && touchedLength !== null) return { unit: 'ticks', amount: touchedLength };
        return penLength ? { unit: 'value', amount: penLength } : { unit: 'grid', amount: 1 };
    }

    rest(): void {
        this.song.afterAll(() => moveCaret(this.song, 1, this.step));
    }

    /** The notes of the last step are held on for another step. */
    tie(): void {
        const { song, part } = this;
        song.afterAll(() => {
            const ids = this.lastIds();
            if (ids.length === 0) return song.tell('There is no step yet to tie on.');
            song.doQuietly(make.longerByCell({ part: part.id, notes: ids }, this.step));
            moveCaret(song, 1, this.step);
        });
    }

    /** Takes the last step away, and the caret goes back to it; with none left the caret goes back a cell. */
    back(): void {
        const { song, part } = this;
        song.afterAll(() => {
            const ids = this.lastIds();
            const step = this.done.pop();
            if (!step) return moveCaret(song, -1, { unit: 'grid', amount: 1 });
            if (ids.length > 0) song.doQuietly(make.remove({ part: part.id, notes: ids }));
            song.putCaret(step.tick, step.pitches[0]);
            song.onCaret();
        });
    }

    private lastIds(): number[] {
        const last = this.done.at(-1);
        if (!last) return [];
        const found: number[] = [];
        for (const pitch of last.pitches) {
            const here = this.part.ordered.filter((n) => n.start === last.tick && n.pitch === pitch);
            if (here.length > 0) found.push(Math.max(...here.map((n) => n.id)));
        }
        return found;
    }

    start(): () => void {
        return inputs.listen((played) => this.hear(played));
    }
}
