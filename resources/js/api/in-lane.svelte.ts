import { runs, spread } from './ids';
import type { Note } from './tables';
import type { On, SelectionItem } from './types';

/** The lane that is worked in, if one is, and the points chosen in it. */
export class InLane {
    /** Null where notes are worked on. */
    lane = $state<string | null>(null);
    points = $state.raw<ReadonlySet<number>>(new Set());

    focus(lane: string | null): void {
        if (lane !== this.lane) this.points = new Set();
        this.lane = lane;
    }

    /** What a command works on: the points chosen, else those under the notes chosen; null where notes are meant. */
    on(part: number, chosen: readonly Note[]): On[] | null {
        const { lane } = this;
        if (!lane) return null;
        if (this.points.size > 0 || chosen.length === 0) return [{ part, lane, points: runs(this.points) }];
        const from = Math.min(...chosen.map((n) => n.start));
        const to = Math.max(...chosen.map((n) => n.start + n.length));
        return [{ part, lane, pick: { span: { from, to } } }];
    }

    /** Lets go of points that are no more. */
    prune(part: { hasPoint(id: number): boolean }): void {
        const left = [...this.points].filter((id) => part.hasPoint(id));
        if (left.length !== this.points.size) this.points = new Set(left);
    }

    /** Takes over what an answer left chosen of it; says whether it did. */
    take(part: number, selection: readonly SelectionItem[]): boolean {
        const mine = selection.find((s) => 'points' in s && s.part === part && s.lane === this.lane);
        if (!this.lane || !mine || !('points' in mine)) return false;
        this.points = new Set(spread(mine.points));
        return true;
    }
}
