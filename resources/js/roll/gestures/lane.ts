import { Lane } from '../../rules/lane';
import type { Point } from '../../api/tables';
import type { Gesture, Touch } from '../../stage/hands';
import * as make from '../commands/make';
import { valueAt, yOf } from '../layers/lane';
import { sayPoints } from '../commands/lanes';
import { valueWords } from '../lanes.svelte';
import { tool } from '../pen.svelte';
import type { RollModel } from '../roll-model.svelte';
import { DRAG_FROM } from './drag';

const REACH = 6;

/** What is under the pointer in a lane, in words. */
export function laneWords(model: RollModel, name: string, { x, y }: Touch, height: number): string {
    const lane = new Lane(name);
    const tick = Math.max(0, model.view.tick(x));
    const value = valueAt(lane, y, height);
    return `${valueWords(name, value)}  ${model.song.time.position(tick, model.part.lines)}`;
}

/**
 * In a lane: a press on a point takes it and those selected in hand, a stroke over paper draws, with Shift in a straight
 * line, which Alt bows, with Mod by the lines of the grid; the second button clears what it goes over.
 */
export function laneGestures(model: RollModel, name: string, height: () => number): Gesture[] {
    return [hold(model, name, height), draw(model, name, height)];
}

/** The point under the pointer, where one is. */
export function pointAt(model: RollModel, name: string, x: number, y: number, height: number): Point | null {
    const lane = new Lane(name);
    let best: Point | null = null;
    let least = REACH;
    for (const point of model.lanes.pointsOf(name)) {
        const away = Math.hypot(model.view.x(point.tick) - x, yOf(lane, lane.value(point), height) - y);
        if (away < least) [best, least] = [point, away];
    }
    return best;
}

function hold(model: RollModel, name: string, height: () => number): Gesture {
    const { song, view } = model;
    let start = { x: 0, y: 0 };
    let point: Point | null = null;
    let axis: 'time' | 'value' | null = null;

    function end(): void {
        model.lanes.held = null;
        axis = null;
        model.touch(`lane:${name}`);
    }

    return {
        begin({ x, y, button, shift }) {
            // With the pen in hand a stroke draws wherever it begins.
            point = button === 0 && tool.name !== 'pen' ? pointAt(model, name, x, y, height()) : null;
            if (!point) return false;
            if (song.selection.lane !== name) song.selection.focus(name);
            const chosen = song.selection.points;
            if (!chosen.has(point.id)) song.selection.points = new Set(shift ? [...chosen, point.id] : [point.id]);
            start = { x, y };
            model.touch(`lane:${name}`);
            return true;
        },
        move({ x, y, alt }) {
            const [dx, dy] = [x - start.x, y - start.y];
            if (!axis && Math.hypot(dx, dy) < DRAG_FROM) return;
            axis ??= Math.abs(dx) > Math.abs(dy) ? 'time' : 'value';
            const tick = point!.tick + dx / view.scale;
            model.lanes.held = {
                lane: name,
                ticks: axis === 'time' ? model.snapped(Math.max(0, tick), alt) - point!.tick : 0,
                by: axis === 'value' ? Math.round((-dy / (height() - 10)) * 127) : 0,
            };
            model.onHover(axis === 'value' ? `${model.lanes.held.by > 0 ? '+' : ''}${model.lanes.held.by}` : '');
            model.touch(`lane:${name}`);
        },
        drop() {
            const { held } = model.lanes;
            end();
            if (!held) sayPoints(model);
            if (held && held.ticks !== 0) song.do(make.moveBy(held.ticks));
            if (held && held.by !== 0) song.do(make.louderBy(held.by));
        },
        cancel: end,
    };
}

function draw(model: RollModel, name: string, height: () => number): Gesture {
    const { song, view, part } = model;
    const lane = new Lane(name);
    let drawn = new Map<number, number>();
    let last = { x: 0, y: 0 };
    let from = { x: 0, y: 0 };
    let clears = false;
    /** The bow of a straight stroke, −100 early to 100 late, and where the hand was when it began to be set. */
    let bow = 0;
    let bowed: { y: number; bow: number } | null = null;

    /** The stroke as it would be drawn, from its first place to its last. */
    function curved(): void {
        const points = [...drawn].sort(([a], [b]) => a - b);
        const [[from, low], [to, high]] = [points[0]!, points.at(-1)!];
        const power = 4 ** (Math.abs(bow) / 100);
        const bent = (x: number): number => (bow < 0 ? 1 - (1 - x) ** power : x ** power);
        const shown = Array.from({ length: 33 }, (_, i): [number, number] => [
            from + ((to - from) * i) / 32,
            low + (high - low) * bent(i / 32),
        ]);
        model.lanes.stroke = { lane: name, clears, points: shown };
        model.touch(`lane:${name}`);
    }

    function show(): void {
        model.lanes.stroke = { lane: name, clears, points: [...drawn].sort(([a], [b]) => a - b) };
        model.touch(`lane:${name}`);
    }

    /** Every pixel between two places of the hand. */
    function follow(x: number, y: number): void {
        const steps = Math.max(1, Math.ceil(Math.abs(x - last.x)));
        for (let i = 1; i <= steps; i++) {
            const at = last.x + ((x - last.x) * i) / steps;
            const to = last.y + ((y - last.y) * i) / steps;
            drawn.set(Math.max(0, Math.round(view.tick(Math.round(at)))), valueAt(lane, to, height()));
        }
        last = { x, y };
    }

    function end(): void {
        model.lanes.stroke = null;
        model.touch(`lane:${name}`);
    }

    return {
        begin({ x, y, button }) {
            if (button === 1) return false;
            clears = button === 2;
            if (song.selection.lane !== name) song.selection.focus(name);
            drawn = new Map([[Math.max(0, Math.round(view.tick(x))), valueAt(lane, y, height())]]);
            from = last = { x, y };
            bow = 0;
            bowed = null;
            show();
            return true;
        },
        move(touch) {
            if (touch.shift && touch.alt && drawn.size > 1) {
                // The ends stay, and up and down bows the line.
                bowed ??= { y: touch.y, bow };
                bow = Math.max(-100, Math.min(100, Math.round(bowed.bow + (touch.y - bowed.y))));
                model.onHover(`bow ${bow}`);
                return curved();
            }
            bowed = null;
            if (touch.shift) {
                const [first] = drawn;
                drawn = new Map([
                    first!,
                    [Math.max(0, Math.round(view.tick(touch.x))), valueAt(lane, touch.y, height())],
                ]);
                last = { x: touch.x, y: touch.y };
            } else follow(touch.x, touch.y);
            model.onHover(laneWords(model, name, touch, height()));
            if (touch.shift && bow !== 0) curved();
            else show();
        },
        drop(touch) {
            const points = [...drawn].sort(([a], [b]) => a - b);
            end();
            if (!touch) return;
            const [first, end_] = [points[0]!, points.at(-1)!];
            // Without a stroke the second button asks what can be done here.
            if (clears && Math.hypot(touch.x - from.x, touch.y - from.y) < DRAG_FROM)
                return model.onMenu({ ...touch.page, on: 'lane' });
            if (clears) return song.do(make.clearLane(part.id, name, first[0], end_[0] + 1));
            if (touch.shift && points.length > 1) {
                const [low, high] = [first, end_].map(([, v]) => Math.round(lane.share(v) * 127)) as [number, number];
                return song.do(make.lineInLane(part.id, name, first[0], end_[0], low, high, bow));
            }
            song.do(make.drawLane(part.id, name, touch.mod ? byLines(points) : fewest(points)));
        },
        cancel: end,
    };

    /** At each line of the grid that the stroke passed, the value there. */
    function byLines(points: [number, number][]): [number, number][] {
        const at = new Map<number, number>();
        for (const [tick, value] of points) at.set(part.lines.around(tick)[0], value);
        return fewest([...at].sort(([a], [b]) => a - b));
    }
}

/** Of points that follow one another at one value only the first. */
export function fewest(points: [number, number][]): [number, number][] {
    return points.filter(([, value], i) => i === 0 || value !== points[i - 1]![1]);
}
