import { Lane } from '../../rules/lane';
import type { Point } from '../../api/tables';
import { commands } from '../../keys/commands.svelte';
import type { RollModel } from '../roll-model.svelte';

/** Room above the highest value and below the lowest, in pixels. */
const PAD = 5;
/** Points closer than this to one another are a line: they get no mark. */
const APART = 5;

export const yOf = (lane: Lane, value: number, height: number): number =>
    height - PAD - lane.share(value) * (height - 2 * PAD);

export const valueAt = (lane: Lane, y: number, height: number): number =>
    lane.at((height - PAD - y) / (height - 2 * PAD));

/** A lane's points: between them the value holds. What is drawn or in hand is dashed. */
export function paintLane(model: RollModel, name: string, ctx: CanvasRenderingContext2D, height: number): void {
    const { view, colours: c, song, lanes } = model;
    const lane = new Lane(name);
    ctx.fillStyle = song.selection.lane === name ? c.paper : c.margin;
    ctx.fillRect(0, 0, view.width, height);
    ctx.fillStyle = c.beat;
    for (const share of [0.25, 0.5, 0.75])
        ctx.fillRect(0, Math.round(yOf(lane, lane.at(share), height)), view.width, 0.5);
    ctx.fillStyle = c.bar;
    ctx.fillRect(0, 0, view.width, 1);
    const points = lanes.all(name);
    const base = yOf(lane, lane.least < 0 ? 0 : lane.least, height);
    const isChosen = (p: Point): boolean => song.selection.lane === name && song.selection.points.has(p.id);
    let taken = -Infinity;
    let before: number | null = null;
    for (let i = Math.max(0, firstFrom(points, view.left) - 1); i < points.length; i++) {
        const point = points[i]!;
        const x = view.x(point.tick);
        if (x > view.width) break;
        const [first, column] = [yOf(lane, lane.value(point), height), Math.floor(x) + 1];
        let [y, top, bottom, chosen] = [first, first, first, isChosen(point)];
        // Those that share a column of pixels are drawn as one: from the highest to the lowest.
        for (; i + 1 < points.length && view.x(points[i + 1]!.tick) < column; i++) {
            y = yOf(lane, lane.value(points[i + 1]!), height);
            [top, bottom, chosen] = [Math.min(top, y), Math.max(bottom, y), chosen || isChosen(points[i + 1]!)];
        }
        const end = i + 1 < points.length ? view.x(points[i + 1]!.tick) : view.width;
        ctx.fillStyle = point.heard ? c.tint : c.faint;
        ctx.globalAlpha = 0.22;
        ctx.fillRect(x, Math.min(y, base), end - x, Math.max(1, Math.abs(base - y)));
        ctx.globalAlpha = 1;
        // A selected point is a ring, the others are squares; where they crowd, a line in the colour of what is selected.
        if (chosen) ctx.fillStyle = c.selected;
        ctx.fillRect(x, y - 0.75, Math.max(1, end - x), 1.5);
        const [from, to] = [Math.min(top, before ?? top), Math.max(bottom, before ?? bottom)];
        if (to > from) ctx.fillRect(x - 0.5, from, 1, to - from);
        before = y;
        if (x - taken < APART) continue;
        taken = x;
        if (!chosen) {
            ctx.fillRect(x - 2, y - 2, 4, 4);
            continue;
        }
        ctx.strokeStyle = c.selected;
        ctx.lineWidth = 2;
        ctx.beginPath();
        ctx.arc(x, y, 4.5, 0, 7);
        ctx.fillStyle = c.paper;
        ctx.fill();
        ctx.stroke();
    }
    if (name === 'program') paintPrograms(model, ctx, height);
    paintHand(model, lane, ctx, height);
    if (lanes.stroke?.lane === name) {
        ctx.strokeStyle = lanes.stroke.clears ? c.trouble : c.selected;
        ctx.lineWidth = 1.5;
        ctx.setLineDash([4, 3]);
        ctx.beginPath();
        for (const [tick, value] of lanes.stroke.points) ctx.lineTo(view.x(tick), yOf(lane, value, height));
        ctx.stroke();
        ctx.setLineDash([]);
    }
}

/** Place of the first point at or after a tick. */
function firstFrom(points: readonly Point[], tick: number): number {
    let [low, high] = [0, points.length];
    while (low < high) {
        const middle = (low + high) >> 1;
        if (points[middle]!.tick < tick) low = middle + 1;
        else high = middle;
    }
    return low;
}

/** Programs by their names. */
function paintPrograms({ view, part, colours: c }: RollModel, ctx: CanvasRenderingContext2D, height: number): void {
    const lane = new Lane('program');
    ctx.fillStyle = c.ink;
    ctx.font = `11px ${c.font}`;
    ctx.textBaseline = 'bottom';
    for (const point of part.points) {
        if (!lane.holds(point) || point.tick > view.right) continue;
        const y = yOf(lane, lane.value(point), height);
        ctx.fillText(commands.programs[lane.value(point)] ?? '', view.x(point.tick) + 5, y < 16 ? y + 15 : y - 2);
    }
}

/** Where selected points would come to while they are in hand. */
function paintHand(model: RollModel, lane: Lane, ctx: CanvasRenderingContext2D, height: number): void {
    const { held } = model.lanes;
    if (held?.lane !== lane.name) return;
    ctx.strokeStyle = model.colours.selected;
    ctx.lineWidth = 1.5;
    for (const point of model.lanes.pointsOf(lane.name)) {
        if (!model.song.selection.points.has(point.id)) continue;
        const value = lane.at(lane.share(lane.value(point)) + held.by / 127);
        ctx.strokeRect(model.view.x(point.tick + held.ticks) - 3, yOf(lane, value, height) - 3, 6, 6);
    }
}
