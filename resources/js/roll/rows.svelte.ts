import type { RollState } from './roll-state';

const KEPT = 'jactonic.rows';

/** Showing only the rows in use: those of the part's notes, in the track's own order, and what lies under it where that is edited too. */
export class UsedRows {
    on = $state(localStorage.getItem(KEPT) === 'used');
    /** How all rows were seen before. */
    private before: { top: number; row: number } | null = null;

    constructor(private readonly model: RollState) {}

    /** The rows in use, from below: as they were put by hand, the others by pitch above. */
    get rows(): number[] {
        const { part, song, underlay } = this.model;
        const used = new Set<number>();
        for (const p of [part, ...(underlay.inPlace ? underlay.parts : [])])
            for (const n of p.ordered) if (p.holds(n.start)) used.add(n.pitch);
        const { order } = song.trackOf(part).rows;
        return [...order.filter((p) => used.delete(p)), ...[...used].sort((a, b) => a - b)];
    }

    /** The names that a person gave to rows. */
    get names(): Record<string, string> {
        const { part, song } = this.model;
        return song.trackOf(part).rows.names;
    }

    /** Shows what is in use now; with nothing in use there is nothing to leave out. */
    settle(): void {
        const rows = this.on ? this.rows : [];
        const { view } = this.model;
        const next = rows.length > 0 ? rows : null;
        if (next?.join() === view.rows?.join()) return;
        view.showRows(next);
    }

    turn(): void {
        const { view, song } = this.model;
        if (!this.on && this.rows.length === 0) return song.tell('No row has notes yet.');
        this.on = !this.on;
        localStorage.setItem(KEPT, this.on ? 'used' : 'all');
        if (this.on) {
            this.before = { top: view.top, row: view.row };
            this.settle();
            // As tall as they may be and still be read, all of them where they have room.
            view.row = Math.max(view.row, Math.min(22, view.height / view.count));
            view.top = view.count - 1;
            view.scroll(0, 0);
            song.tell(
                `${view.count === 1 ? '1 row is' : `${view.count} rows are`} in use; the same key shows all again.`,
            );
        } else {
            this.settle();
            Object.assign(view, this.before ?? {});
            view.scroll(0, 0);
            if (!this.before) this.model.showCaret();
            song.tell('All rows are shown.');
        }
    }
}
