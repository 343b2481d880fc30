import type { Part } from '../../api/part.svelte';
import { DRAG_FROM } from '../../roll/gestures/drag';
import { drawSpan } from '../../roll/gestures/span';
import { tool } from '../../roll/pen.svelte';
import { transport } from '../../sound/transport.svelte';
import { Hands, type Gesture, type Touch } from '../../stage/hands';
import { deleteParts, newPart } from '../commands/make';
import { tellCaret } from '../commands';
import { told, wordsOf } from '../commands/walk';
import type { Desk } from '../desk.svelte';
import { grab } from './grab';

const EDGE = 7;
const EDGED_WIDTH = 24;

export type Grip = 'move' | 'start' | 'end';

/** The sheet at a place, the chosen ones first, and which of its edges is there. */
export function partAt(desk: Desk, x: number, y: number): { part: Part; grip: Grip } | null {
    const { song, view } = desk;
    const track = song.tracks[Math.floor((y + desk.top) / desk.row)];
    const tick = view.tick(x);
    const hits = (track?.parts ?? []).filter((part) => {
        const box = desk.boxOf(part);
        const top = box.y - desk.top;
        return tick >= box.from && tick < box.to && y >= top && y < top + box.h;
    });
    const part = hits.find((p) => song.chosenParts.includes(p.id)) ?? hits.at(-1);
    if (!part) return null;
    const { from, to } = desk.boxOf(part);
    const [left, right] = [view.x(from), view.x(to)];
    const wide = right - left >= EDGED_WIDTH;
    return { part, grip: wide && x > right - EDGE ? 'end' : wide && x < left + EDGE ? 'start' : 'move' };
}

/** The hands over the staves and over the ruler. */
export function handsOf(desk: Desk, staves: () => Element, ruler: () => Element): { staves: Hands; ruler: Hands } {
    const { song, view } = desk;
    const hover = ({ x, y, mod }: Touch): void => {
        const hit = partAt(desk, x, y);
        desk.cursor =
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
        song.pointer = { tick: desk.snapped(tick), note: null };
        desk.onHover(hit ? wordsOf(hit.part) : song.time.position(tick, desk.lines));
    };
    return {
        staves: new Hands(staves, [erase(desk), grab(desk), write(desk), box(desk)], hover),
        ruler: new Hands(ruler, [drawSpan(desk)], ({ x }) =>
            desk.onHover(song.time.position(Math.max(0, view.tick(x)), desk.lines)),
        ),
    };
}

/** With the eraser in hand a press deletes the part under it. */
function erase(desk: Desk): Gesture {
    return {
        begin({ x, y, button }) {
            if (tool.name !== 'eraser' || button !== 0) return false;
            const hit = partAt(desk, x, y);
            if (hit) desk.song.do(deleteParts([hit.part.id]));
            return true;
        },
    };
}

/** With the pen in hand a stroke over empty paper is a new part, over whole bars unless Alt is held. */
function write(desk: Desk): Gesture {
    let from = 0;
    let track = 0;
    const stretch = ({ x, alt }: Touch): { from: number; to: number; track: number } => {
        const [a, b] = [Math.max(0, Math.min(from, desk.view.tick(x))), Math.max(from, desk.view.tick(x))];
        const { lines } = desk;
        return alt
            ? { from: desk.snapped(a), to: Math.max(desk.snapped(a) + 1, desk.snapped(b)), track }
            : { from: lines.barAt(a).start, to: lines.barAt(Math.max(a, b - 1)).end, track };
    };
    return {
        begin(touch) {
            if (tool.name !== 'pen' || touch.button !== 0) return false;
            from = Math.max(0, desk.view.tick(touch.x));
            track = desk.trackAt(touch.y);
            desk.shown = { sheets: [stretch(touch)], box: null };
            return true;
        },
        move(touch) {
            desk.shown = { sheets: [stretch(touch)], box: null };
        },
        drop(touch) {
            const { song } = desk;
            desk.shown = { sheets: [], box: null };
            const id = song.tracks[track]?.id;
            if (!touch || id === undefined) return;
            const { from, to } = stretch(touch);
            song.do(newPart(id, from, to));
        },
        cancel() {
            desk.shown = { sheets: [], box: null };
        },
    };
}

/** On empty paper: a click puts the caret there and ends the choice, a drag draws a box about parts. */
function box(desk: Desk): Gesture {
    let start = { x: 0, y: 0 };
    let before: Part[] = [];
    const inside = (x: number, y: number): Part[] => {
        const { song, view, top } = desk;
        const [x0, x1] = [Math.min(x, start.x), Math.max(x, start.x)];
        const [y0, y1] = [Math.min(y, start.y), Math.max(y, start.y)];
        return song.tracks.flatMap((t) =>
            t.parts.filter((p) => {
                const b = desk.boxOf(p);
                return view.x(b.from) < x1 && view.x(b.to) > x0 && b.y - top < y1 && b.y - top + b.h > y0;
            }),
        );
    };
    return {
        begin({ x, y, button, shift }) {
            start = { x, y };
            before = shift ? desk.chosen : [];
            return button === 0;
        },
        move({ x, y }) {
            if (Math.hypot(x - start.x, y - start.y) < DRAG_FROM) return;
            desk.shown = { sheets: [], box: { x0: start.x, y0: start.y, x1: x, y1: y } };
        },
        drop(touch) {
            const { song } = desk;
            const { box } = desk.shown;
            desk.shown = { sheets: [], box: null };
            if (touch && box) {
                const found = inside(touch.x, touch.y);
                desk.choose([...before, ...found.filter((p) => !before.includes(p))], found[0]);
                return told(desk);
            }
            desk.choose([]);
            song.caretTrack = song.tracks[desk.trackAt(start.y)]?.id ?? null;
            song.putCaret(desk.snapped(desk.view.tick(start.x)));
            if (!transport.playing) transport.locate(song.caret.tick);
            tellCaret(desk);
        },
        cancel() {
            desk.shown = { sheets: [], box: null };
        },
    };
}
