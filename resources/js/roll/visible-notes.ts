import type { Reachable } from '../keys/reach.svelte';
import type { RollModel } from './roll-model.svelte';

/** The notes that are seen, as a person reads them: by time, then from above. */
export function visibleNotes(model: RollModel, box: DOMRect): Reachable[] {
    const { view, part, song } = model;
    const seen: { at: number; pitch: number; note: Reachable }[] = [];
    part.between(Math.floor(view.left), Math.ceil(view.right), (n) => {
        const [x, y] = [Math.max(0, view.x(n.start)), view.y(n.pitch) + view.row / 2];
        if (!part.holds(n.start) || y < 0 || y > box.height || x > box.width) return;
        const go = (add: boolean): void => {
            song.select(add ? [...song.selection.notes, n.id] : [n.id]);
            song.tell(`${model.rowName(n.pitch)} at ${song.time.position(n.start, part.lines)} is selected.`);
        };
        seen.push({ at: n.start, pitch: n.pitch, note: { x: box.left + x, y: box.top + y, go } });
    });
    return seen.sort((a, b) => a.at - b.at || b.pitch - a.pitch).map((s) => s.note);
}
