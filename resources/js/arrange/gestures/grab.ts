import type { Part } from '../../api/part.svelte';
import { DRAG_FROM } from '../../roll/gestures/drag';
import type { Gesture, Touch } from '../../stage/hands';
import { moveParts, putIn, resizeParts } from '../commands/make';
import { told } from '../commands/walk';
import type { ArrangeModel } from '../arrange-model.svelte';
import { partAt, type Grip } from './part-at';

/**
 * Parts under the hand. A drag holds to the axis on which it began (Shift frees it); in time it goes to the grid's lines
 * (Alt suspends that), across it goes from track to track; with Mod the parts stay, and copies are put there.
 */
export function grab(model: ArrangeModel): Gesture {
    const { song, view } = model;
    let held: {
        part: Part;
        grip: Grip;
        x: number;
        y: number;
        wasChosen: boolean;
        shift: boolean;
        mod: boolean;
        /** What else was selected when it was pressed: the press gives it the keys, which selects it. */
        others: Part[];
    } | null = null;
    let axis: 'time' | 'track' | null = null;
    let by = { ticks: 0, tracks: 0 };

    function follow({ x, y, shift, alt }: Touch): void {
        const { part, grip } = held!;
        const [dx, dy] = [x - held!.x, y - held!.y];
        if (!axis && Math.hypot(dx, dy) < DRAG_FROM) return;
        if (!axis && held!.mod && !held!.wasChosen) model.choose([part], part);
        axis ??= grip !== 'move' || Math.abs(dx) >= Math.abs(dy) ? 'time' : 'track';
        const free = shift && grip === 'move';
        const edge = grip === 'end' ? model.endOf(part) : part.head.from;
        const chosen = model.chosen;
        by = {
            ticks: axis === 'time' || free ? model.snapped(edge + dx / view.scale, alt) - edge : 0,
            tracks: grip === 'move' && (axis === 'track' || free) ? Math.round(dy / model.row) : 0,
        };
        if (grip === 'move') by.ticks = Math.max(by.ticks, -Math.min(...chosen.map((p) => p.head.from)));
        const tracks = chosen.map((p) => model.indexOf(p));
        by.tracks = Math.max(-Math.min(...tracks), Math.min(song.tracks.length - 1 - Math.max(...tracks), by.tracks));
        model.shown = {
            box: null,
            sheets: chosen.map((p) => ({
                from: p.head.from + (grip === 'end' ? 0 : by.ticks),
                to: model.endOf(p) + (grip === 'start' ? 0 : by.ticks),
                track: model.indexOf(p) + by.tracks,
            })),
        };
        const words = by.tracks !== 0 ? `, ${song.tracks[model.indexOf(part) + by.tracks]?.name ?? ''}` : '';
        model.onHover(`${song.time.position(Math.max(0, edge + by.ticks), model.lines)}${words}`);
    }

    function end(): void {
        held = axis = null;
        by = { ticks: 0, tracks: 0 };
        model.shown = { sheets: [], box: null };
    }

    return {
        begin({ x, y, button, shift, mod }) {
            const hit = partAt(model, x, y);
            if (!hit || button === 1) return false;
            const { part, grip } = hit;
            const wasChosen = song.selection.parts.includes(part.id);
            const others = model.chosen.filter((p) => p !== part);
            // With Mod on a part not selected it is open yet whether this adds the part or drags it alone.
            if (!wasChosen && !mod) model.choose([...(shift ? model.chosen : []), part], part);
            model.at = part.id;
            if (button === 2) return false;
            held = { part, grip, x, y, wasChosen, shift, mod, others };
            return true;
        },
        move: follow,
        drop(touch) {
            const hand = held!;
            const { ticks, tracks } = by;
            const moved = axis !== null;
            end();
            if (!moved) {
                // As on notes: a click on one of several selects it alone; with Shift it stays, with Ctrl it is added or let go.
                if (hand.mod) model.choose(hand.wasChosen ? hand.others : [...hand.others, hand.part], hand.part);
                else if (hand.wasChosen && !hand.shift) model.choose([hand.part], hand.part);
                return told(model);
            }
            if (ticks === 0 && tracks === 0) return;
            if (hand.grip !== 'move') return song.do(resizeParts(ticks, hand.grip));
            if (touch?.mod) return copyTo(ticks, tracks);
            song.do(moveParts(ticks, tracks));
        },
        cancel: end,
    };

    function copyTo(ticks: number, tracks: number): void {
        const { chosen } = model;
        const at = Math.min(...chosen.map((p) => p.head.from)) + ticks;
        const track = song.tracks[Math.min(...chosen.map((p) => model.indexOf(p))) + tracks]?.id;
        song.queue.push({
            kind: 'ask',
            ask: async () => {
                const clip = await song.read('part-clip', {}, [{ parts: chosen.map((p) => p.id) }]);
                song.queue.runInTurn(() => song.do(putIn(clip, { at, ...(track ? { track } : {}) })));
            },
        });
    }
}
