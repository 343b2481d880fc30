import { runs, spread } from './ids';
import type { Part } from './part.svelte';
import type { On, SelectionItem } from './types';

/** What is selected of a song, whichever page shows it: notes, points of a lane, parts. The core has one likewise. */
export class Selection {
    /** Notes of the open part. It is changed in place: `version` says that it was. */
    notes = new Set<number>();
    /** Notes of other parts, by part, where those are worked on in place with the open one. */
    beside = $state.raw<ReadonlyMap<number, ReadonlySet<number>>>(new Map());
    inPlace = $state(false);
    /** The lane that is worked in; null where notes are worked on. */
    lane = $state<string | null>(null);
    /** Points of that lane. */
    points = $state.raw<ReadonlySet<number>>(new Set());
    /** Parts as wholes, on the song page. */
    parts = $state.raw<readonly number[]>([]);
    /** Goes up with each change. */
    version = $state(0);
    /** How often the hand has made one: older answers do not undo it. */
    byHand = 0;

    /** Whether any note is selected, here or in the parts worked on with this one. */
    get isAny(): boolean {
        return this.notes.size > 0 || [...this.beside.values()].some((ids) => ids.size > 0);
    }

    /** Whether there is anything for an edit to work on: a note, or a point of the lane that is worked in. */
    get hasAny(): boolean {
        return this.isAny || this.points.size > 0;
    }

    /** The hand made another. */
    changedByHand(): void {
        this.byHand++;
        this.version++;
    }

    /** Takes these notes instead; in the parts worked on with the open one those that are named. */
    takeNotes(ids: ReadonlySet<number>, beside: ReadonlyMap<number, ReadonlySet<number>>): void {
        this.notes = new Set(ids);
        this.beside = new Map([...this.beside.keys()].map((id) => [id, beside.get(id) ?? new Set()]));
    }

    /** Another part is open: nothing is selected in it. */
    clear(): void {
        this.notes = new Set();
        this.focus(null);
        this.workOn([]);
        this.byHand++;
        this.version++;
    }

    /** Works in a lane, or on notes again. */
    focus(lane: string | null): void {
        if (lane !== this.lane) this.points = new Set();
        this.lane = lane;
    }

    /** Parts to be worked on in place with the open one; none ends it. */
    workOn(parts: readonly number[]): void {
        this.beside = new Map(parts.map((id) => [id, this.beside.get(id) ?? new Set()]));
        this.inPlace = parts.length > 0;
    }

    /** What a command works on in a part. */
    on(part: Part): On[] {
        return (
            this.onLane(part) ?? [
                { part: part.id, notes: runs(this.notes) },
                ...[...this.beside].map(([id, notes]) => ({ part: id, notes: runs(notes) })),
            ]
        );
    }

    /** What a command works on on the song page. */
    onParts(): On[] {
        return this.parts.length > 0 ? [{ parts: [...this.parts] }] : [];
    }

    /** The points selected, else those under the notes selected; null where notes are meant. */
    private onLane({ id: part, notes }: Part): On[] | null {
        const { lane } = this;
        if (!lane) return null;
        const selected = [...this.notes].flatMap((id) => notes.get(id) ?? []);
        if (this.points.size > 0 || selected.length === 0) return [{ part, lane, points: runs(this.points) }];
        const from = Math.min(...selected.map((n) => n.start));
        const to = Math.max(...selected.map((n) => n.start + n.length));
        return [{ part, lane, pick: { span: { from, to } } }];
    }

    /** Takes over what an answer left selected of a part; says whether those are notes. */
    take(part: number, selection: readonly SelectionItem[]): boolean {
        const points = selection.find((s) => 'points' in s && s.part === part && s.lane === this.lane);
        if (this.lane && points && 'points' in points) {
            this.points = new Set(spread(points.points));
            return false;
        }
        const mine = selection.find((s) => 'notes' in s && s.part === part);
        if (!mine || !('notes' in mine)) return false;
        const of = (id: number): number[] =>
            selection.flatMap((s) => ('notes' in s && s.part === id ? spread(s.notes) : []));
        this.notes = new Set(spread(mine.notes));
        if (this.beside.size > 0) this.beside = new Map([...this.beside.keys()].map((id) => [id, new Set(of(id))]));
        this.version++;
        return true;
    }

    /** Deselects parts that are no more. */
    pruneParts(parts: ReadonlyMap<number, Part>): void {
        if (this.parts.some((id) => !parts.has(id))) this.parts = this.parts.filter((id) => parts.has(id));
    }

    /** Deselects what is no more. */
    prune(open: Part, parts: ReadonlyMap<number, Part>): void {
        const left = [...this.points].filter((id) => open.hasPoint(id));
        if (left.length !== this.points.size) this.points = new Set(left);
        for (const id of this.notes) if (!open.notes.has(id)) this.notes.delete(id);
        if ([...this.beside.keys()].some((id) => !parts.has(id)))
            this.workOn([...this.beside.keys()].filter((id) => parts.has(id)));
    }
}
