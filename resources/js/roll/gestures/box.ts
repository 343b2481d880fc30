import { transport } from '../../sound/transport.svelte';
import type { Gesture } from '../../stage/hands';
import type { RollModel } from '../roll-model.svelte';
import { DRAG_FROM } from './drag';

/** A press on empty paper: dragged it selects what the box touches, else it ends the choice or puts the caret. */
export function box(model: RollModel): Gesture {
    const { song, part, overlay, view } = model;
    let from = { tick: 0, y: 0 };
    let keep = new Set<number>();
    let keepBeside: ReadonlyMap<number, ReadonlySet<number>> = new Map();
    let take = false;

    function choose(): void {
        const { x0, y0, x1, y1 } = overlay.box!;
        const [first, last] = [view.tick(Math.min(x0, x1)), view.tick(Math.max(x0, x1))];
        const [above, below] = [Math.min(y0, y1), Math.max(y0, y1)];
        const ids = new Set(keep);
        part.between(first, last, (n) => {
            const y = view.y(n.pitch);
            if (y + view.row <= above || y >= below || !part.holds(n.start)) return;
            if (take && keep.has(n.id)) ids.delete(n.id);
            else ids.add(n.id);
        });
        song.select(take ? ids : part.grouped(ids), beside(first, last, above, below));
    }

    /** What the box touches in the parts that are worked on with this one. */
    function beside(first: number, last: number, above: number, below: number): Map<number, Set<number>> {
        const found = new Map<number, Set<number>>();
        for (const id of song.selection.beside.keys()) {
            const other = song.parts.get(id)!;
            const ids = new Set(keepBeside.get(id) ?? []);
            other.between(first, last, (n) => {
                const y = view.y(n.pitch);
                if (y + view.row > above && y < below && other.holds(n.start)) ids.add(n.id);
            });
            found.set(id, new Set(other.grouped(ids)));
        }
        return found;
    }

    /** A drag that leaves the roll takes the view along. */
    function scrollAtEdge(x: number, y: number): void {
        const by = (p: number, size: number): number =>
            p < 0 ? Math.max(-30, p / 2) : p > size ? Math.min(30, (p - size) / 2) : 0;
        const [dx, dy] = [by(x, view.width), by(y, view.height)];
        if (dx || dy) view.scroll(dx, dy);
    }

    function end(): void {
        overlay.box = null;
        model.touch('overlay');
    }

    return {
        begin({ x, y, button, mod, shift }) {
            if (button !== 0) return false;
            from = { tick: view.tick(x), y };
            take = mod;
            keep = mod || shift ? new Set(song.selection.notes) : new Set();
            keepBeside = mod || shift ? song.selection.beside : new Map();
            return true;
        },
        move({ x, y }) {
            const x0 = view.x(from.tick);
            if (Math.hypot(x - x0, y - from.y) < DRAG_FROM && !overlay.box) return;
            overlay.box = { x0, y0: from.y, x1: x, y1: y };
            choose();
            model.touch('overlay');
            scrollAtEdge(x, y);
        },
        drop(touch) {
            if (!overlay.box) {
                if (keep.size === 0) song.select([]);
                if (song.selection.notes.size === 0 && touch) {
                    song.putCaret(model.snapped(view.tick(touch.x), touch.alt), view.pitch(touch.y));
                    transport.locate(song.caret.tick);
                    model.sayCaret();
                }
            } else model.sayChosen();
            end();
        },
        cancel() {
            song.select(keep);
            end();
        },
    };
}
