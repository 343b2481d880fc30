import type { Part } from '../../api/part.svelte';
import { DRAG_FROM } from '../../roll/gestures/drag';
import { drawSpan } from '../../roll/gestures/span';
import { tool } from '../../roll/pen.svelte';
import { transport } from '../../sound/transport.svelte';
import { Hands, type Gesture, type Touch } from '../../stage/hands';
import { deleteParts, newPart } from '../commands/make';
import { tellCaret } from '../commands';
import { told, wordsOf } from '../commands/walk';
import type { ArrangeModel } from '../arrange-model.svelte';
import { grab } from './grab';
import { partAt } from './part-at';

/** The hands over the staves and over the ruler. */
export function handsOf(
    model: ArrangeModel,
    staves: () => Element,
    ruler: () => Element,
): { staves: Hands; ruler: Hands } {
    const { song, view } = model;
    const hover = ({ x, y, mod }: Touch): void => {
        const hit = partAt(model, x, y);
        model.cursor =
            tool.name === 'eraser'
                ? 'cell'
                : tool.name === 'pen' && !hit
                  ? 'crosshair'
                  : !hit
                    ? 'default'
                    : hit.grip !== 'move'
                      ? 'ew-resize'
                      : mod
                        ? 'copy'
                        : 'grab';
        const tick = Math.max(0, view.tick(x));
        song.pointer = { tick: model.snapped(tick), note: null };
        model.onHover(hit ? wordsOf(hit.part) : song.time.position(tick, model.lines));
    };
    return {
        staves: new Hands(staves, [erase(model), grab(model), write(model), box(model)], hover),
        ruler: new Hands(ruler, [drawSpan(model, () => tellCaret(model))], ({ x }) =>
            model.onHover(song.time.position(Math.max(0, view.tick(x)), model.lines)),
        ),
    };
}

/** With the eraser in hand a press deletes the part under it. */
function erase(model: ArrangeModel): Gesture {
    return {
        begin({ x, y, button }) {
            if (tool.name !== 'eraser' || button !== 0) return false;
            const hit = partAt(model, x, y);
            if (hit) model.song.do(deleteParts([hit.part.id]));
            return true;
        },
    };
}

/** With the pen in hand a stroke over empty paper is a new part, over whole bars unless Alt is held. */
function write(model: ArrangeModel): Gesture {
    let from = 0;
    let track = 0;
    const stretch = ({ x, alt }: Touch): { from: number; to: number; track: number } => {
        const [a, b] = [Math.max(0, Math.min(from, model.view.tick(x))), Math.max(from, model.view.tick(x))];
        const { lines } = model;
        return alt
            ? { from: model.snapped(a), to: Math.max(model.snapped(a) + 1, model.snapped(b)), track }
            : { from: lines.barAt(a).start, to: lines.barAt(Math.max(a, b - 1)).end, track };
    };
    return {
        begin(touch) {
            if (tool.name !== 'pen' || touch.button !== 0) return false;
            from = Math.max(0, model.view.tick(touch.x));
            track = model.trackAt(touch.y);
            model.shown = { sheets: [stretch(touch)], box: null };
            return true;
        },
        move(touch) {
            model.shown = { sheets: [stretch(touch)], box: null };
        },
        drop(touch) {
            const { song } = model;
            model.shown = { sheets: [], box: null };
            const id = song.tracks[track]?.id;
            if (!touch || id === undefined) return;
            const { from, to } = stretch(touch);
            song.do(newPart(id, from, to));
        },
        cancel() {
            model.shown = { sheets: [], box: null };
        },
    };
}

/** On empty paper: a click puts the caret there and ends the choice, a drag draws a box about parts. */
function box(model: ArrangeModel): Gesture {
    let start = { x: 0, y: 0 };
    let before: Part[] = [];
    const inside = (x: number, y: number): Part[] => {
        const { song, view, top } = model;
        const [x0, x1] = [Math.min(x, start.x), Math.max(x, start.x)];
        const [y0, y1] = [Math.min(y, start.y), Math.max(y, start.y)];
        return song.tracks.flatMap((t) =>
            t.parts.filter((p) => {
                const b = model.boxOf(p);
                return view.x(b.from) < x1 && view.x(b.to) > x0 && b.y - top < y1 && b.y - top + b.h > y0;
            }),
        );
    };
    return {
        begin({ x, y, button, shift }) {
            start = { x, y };
            before = shift ? model.chosen : [];
            return button === 0;
        },
        move({ x, y }) {
            if (Math.hypot(x - start.x, y - start.y) < DRAG_FROM) return;
            model.shown = { sheets: [], box: { x0: start.x, y0: start.y, x1: x, y1: y } };
        },
        drop(touch) {
            const { song } = model;
            const { box } = model.shown;
            model.shown = { sheets: [], box: null };
            if (touch && box) {
                const found = inside(touch.x, touch.y);
                model.choose([...before, ...found.filter((p) => !before.includes(p))], found[0]);
                return told(model);
            }
            model.choose([]);
            song.caretTrack = song.tracks[model.trackAt(start.y)]?.id ?? null;
            song.putCaret(model.snapped(model.view.tick(start.x)));
            if (!transport.playing) transport.locate(song.caret.tick);
            tellCaret(model);
        },
        cancel() {
            model.shown = { sheets: [], box: null };
        },
    };
}
