import { counted } from '../rules/counted';
import { moveCaret } from '../api/caret';
import type { Note } from '../api/tables';
import type { RollState } from './roll-state';

/**
 * Selecting what the caret passes: from where it stood with nothing selected up to where it stands. It goes on until
 * something else is selected or done.
 */
export class CaretSelection {
    private from = { tick: 0, pitch: 60 };
    /** The selection that it made itself, by its number; what is selected otherwise ends it. */
    private mine = -1;

    constructor(private readonly model: RollState) {}

    /** Whether the next step passes notes, and moves none. */
    get goesOn(): boolean {
        const { song } = this.model;
        return song.selection.notes.size === 0 || song.selection.made === this.mine;
    }

    inTime(steps: number, by: unknown): void {
        this.begin();
        moveCaret(this.model.song, steps, by, () => this.choose());
    }

    inPitch(rows: number): void {
        this.begin();
        const { song } = this.model;
        song.putCaret(song.caret.tick, song.caret.pitch + rows);
        this.choose();
    }

    /** Passes all up to a place. */
    to(tick: number): void {
        this.begin();
        this.model.song.putCaret(tick);
        this.choose();
    }

    private begin(): void {
        const { song } = this.model;
        if (song.selection.made !== this.mine) this.from = { ...song.caret };
    }

    /** All between the two times; where only the row is another, what sounds at that time between the two rows. */
    private choose(): void {
        const { model, from } = this;
        const { song, part } = model;
        const to = song.caret;
        const [first, last] = [Math.min(from.tick, to.tick), Math.max(from.tick, to.tick)];
        const [low, high] = [Math.min(from.pitch, to.pitch), Math.max(from.pitch, to.pitch)];
        const inRows = (n: Note): boolean => from.pitch === to.pitch || (n.pitch >= low && n.pitch <= high);
        const ids: number[] = [];
        const still = from.pitch === to.pitch && first === last;
        part.between(first, Math.max(last, first + 1), (n) => {
            const passed = !still && (first === last || (n.start >= first && n.start < last));
            if (passed && inRows(n) && part.holds(n.start)) ids.push(n.id);
        });
        song.select(ids);
        song.putCaret(to.tick, to.pitch);
        this.mine = song.selection.made;
        model.caretWent();
        const notes = counted(ids.length, 'note');
        song.tell(`${notes} passed up to ${song.time.position(to.tick, part.lines)}, ${model.rowName(to.pitch)}.`);
    }
}
