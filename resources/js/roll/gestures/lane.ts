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
import { within } from './stem';
import { Stroke } from './stroke';

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
                by: axis === 'value' ? within(Math.round((-dy / (height() - 10)) * 127)) : 0,
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
    const { song, part } = model;
    const lane = new Lane(name);
    const stroke = new Stroke(model, name, height);

    /** What the stroke does to the lane. */
    function write(touch: Touch): void {
        const { points, clears, bow } = stroke;
        const [first, last] = [points[0]!, points.at(-1)!];
        if (clears) return song.do(make.clearLane(part.id, name, first[0], last[0] + 1));
        if (touch.shift && points.length > 1) {
            const [low, high] = [first, last].map(([, v]) => Math.round(lane.share(v) * 127)) as [number, number];
            return song.do(make.lineInLane(part.id, name, first[0], last[0], low, high, bow));
        }
        song.do(make.drawLane(part.id, name, touch.mod ? byLines(points) : fewest(points)));
    }

    /** At each line of the grid that the stroke passed, the value there. */
    function byLines(points: [number, number][]): [number, number][] {
        const at = new Map<number, number>();
        for (const [tick, value] of points) at.set(part.lines.around(tick)[0], value);
        return fewest([...at].sort(([a], [b]) => a - b));
    }

    return {
        begin({ x, y, button }) {
            if (button === 1) return false;
            if (song.selection.lane !== name) song.selection.focus(name);
            stroke.begin(x, y, button === 2);
            return true;
        },
        move(touch) {
            if (touch.shift && touch.alt && stroke.isDrawn) {
                stroke.bend(touch.y);
                return model.onHover(`bow ${stroke.bow}`);
            }
            if (touch.shift) stroke.straighten(touch.x, touch.y);
            else stroke.follow(touch.x, touch.y);
            model.onHover(laneWords(model, name, touch, height()));
        },
        drop(touch) {
            stroke.end();
            if (!touch) return;
            // Without a stroke the second button asks what can be done here.
            if (stroke.clears && stroke.away(touch.x, touch.y) < DRAG_FROM)
                return model.onMenu({ ...touch.page, on: 'lane' });
            write(touch);
        },
        cancel: () => stroke.end(),
    };
}

/** Of points that follow one another at one value only the first. */
export function fewest(points: [number, number][]): [number, number][] {
    return points.filter(([, value], i) => i === 0 || value !== points[i - 1]![1]);
}
