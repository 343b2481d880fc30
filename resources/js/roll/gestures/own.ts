import { lengthWords } from '../../rules/note-value';
import type { Gesture } from '../../stage/hands';
import * as make from '../commands/make';
import type { RollModel } from '../roll-model.svelte';
import { fewest } from './lane';

/** Steps of a straight stroke, in pixels. */
const STEP = 4;

/**
 * On the note that is opened a stroke draws, with Shift in a straight line; the second button clears the stretch that it
 * goes over. A press beside it closes it.
 */
export function onNote(model: RollModel): Gesture {
    const { own, song, part } = model;
    let begun = { x: 0, y: 0 };
    const end = (): void => {
        own.stroke = null;
        model.touch('overlay');
    };
    return {
        begin({ x, y, button }) {
            const { box } = own;
            if (!box) return false;
            if (x < box.x - 4 || x > box.x + box.w + 4 || y < box.y || y > box.y + box.h) {
                own.away();
                return false;
            }
            begun = { x, y };
            own.stroke = { points: [own.at(x, y)], clears: button === 2 };
            model.touch('overlay');
            return true;
        },
        move({ x, y, shift }) {
            const { stroke } = own;
            if (!stroke) return;
            if (shift) {
                const steps = Math.max(1, Math.round(Math.abs(x - begun.x) / STEP));
                stroke.points = Array.from({ length: steps + 1 }, (_, i) =>
                    own.at(begun.x + ((x - begun.x) * i) / steps, begun.y + ((y - begun.y) * i) / steps),
                );
            } else stroke.points = [...stroke.points, own.at(x, y)];
            const [ticks, value] = stroke.points.at(-1)!;
            model.onHover(`${lengthWords(ticks, model.song.time.ppq)} into the note, ${own.words(value)}`);
            model.touch('overlay');
        },
        drop() {
            const { stroke, note, lane } = own;
            end();
            if (!stroke || note === null) return;
            const on = { part: part.id, notes: [note] };
            if (stroke.clears) return song.do(make.clearOnNote(lane, on));
            const sorted = [...new Map(stroke.points).entries()].sort(([a], [b]) => a - b);
            song.do(make.drawOnNote(lane, fewest(sorted), on));
        },
        cancel: end,
    };
}
