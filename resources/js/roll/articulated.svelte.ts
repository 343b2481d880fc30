import type { Part } from '../api/part.svelte';
import type { ArticulationSet } from '../api/tracks';
import type { Colours } from '../stage/colours';
import type { View } from '../stage/view';

/** The set of the track whose part is open: for the marks on its notes, and the names on the strip of keys. */
class Articulated {
    set = $state.raw<ArticulationSet | null>(null);

    /** What a number of it is called; null where there is none. */
    name(number: number): string | null {
        if (number === 0) return this.set ? `none: ${this.set.articulations[0]!.name.toLowerCase()}` : null;
        return this.set?.articulations[number - 1]?.name.toLowerCase() ?? null;
    }

    mark(number: number): string {
        return this.set?.articulations[number - 1]?.mark ?? '';
    }
}

export const articulated = new Articulated();

const BAND = 15;

/** A line of stretches at the foot of the notes: which articulation holds from where to where. */
export function paintStretches(ctx: CanvasRenderingContext2D, view: View, part: Part, c: Colours): void {
    const { set } = articulated;
    if (!set || !part.ordered.some((n) => n.articulation > 0)) return;
    const y = view.height - BAND;
    ctx.fillStyle = c.paper;
    ctx.globalAlpha = 0.92;
    ctx.fillRect(0, y, view.width, BAND);
    ctx.globalAlpha = 1;
    ctx.fillStyle = c.faint;
    ctx.fillRect(0, y, view.width, 1);
    ctx.font = `11px ${c.font}`;
    ctx.textBaseline = 'middle';
    let [from, until, number] = [0, 0, -1];
    const draw = (): void => {
        const [x, end] = [Math.max(0, view.x(from)), view.x(until)];
        if (number < 0 || end < 0 || x > view.width) return;
        ctx.fillStyle = c.ink;
        ctx.fillRect(view.x(from), y + 2, 1.5, BAND - 4);
        ctx.fillRect(x, y + BAND - 3, Math.max(1, end - x - 2), 1);
        const { name } = set.articulations[Math.max(1, number) - 1] ?? set.articulations[0]!;
        if (end - x > name.length * 6 + 8) ctx.fillText(name, x + 5, y + BAND / 2 - 0.5);
    };
    for (const note of part.ordered) {
        if (!part.holds(note.start)) continue;
        if (note.articulation !== number) {
            draw();
            [from, number] = [note.start, note.articulation];
        }
        until = Math.max(note.articulation === number ? until : 0, note.start + note.length);
        if (note.start > view.right) break;
    }
    draw();
}
