import type { Handler } from '../../keys/keys.svelte';
import type { RollModel } from '../roll-model.svelte';
import { CARET_MOVERS, DELETES, pointOnNote } from './make';

/** Cents by which a bend goes, and 127ths by which other curves go: by a plain arrow, a wide one, a fine one. */
const STEPS = { bend: [10, 100, 1], others: [1, 10, 1] };
/** Shares of the note by which a point goes in time. */
const SHORT = 1 / 16;
const WIDE = 1 / 4;

/** What keys do while a note is drawn on: to the points of its curve what they do elsewhere to notes. */
export function onOwn(model: RollModel): Record<string, Handler> {
    const { song, own } = model;
    const [inTime, byLine, inPitch] = CARET_MOVERS as [string, string, string];
    /** Only while one is drawn on, and when what was typed before has been answered: it looks at the curve. */
    const here =
        (does: (p: Record<string, unknown>, times: number) => void): Handler =>
        (p, _, press) => {
            if (!own.open) return false;
            song.afterAll(() => does(p, press.times));
        };
    return {
        select: (p, binding, press) => {
            const way = { next: 1, previous: -1 }[String(p.move)];
            return way === undefined ? false : here(() => walk(model, way))(p, binding, press);
        },
        [inPitch]: here((p, times) => {
            const by = Number(p.steps ?? p.semitones);
            const [plain, wide, fine] = own.lane === 'bend' ? STEPS.bend : STEPS.others;
            const size = Math.abs(by) > 1 ? wide! : p.semitones === undefined ? plain! : fine!;
            raise(model, Math.sign(by) * size * times);
        }),
        [inTime]: here((p, times) => {
            const { unit } = (p.by ?? {}) as { unit?: string };
            const share = unit === 'bar' ? WIDE : SHORT;
            const by = unit === 'ms' ? 1 : Math.max(1, Math.round(own.open!.length * share));
            move(model, (at) => at + Number(p.steps ?? 1) * by * times);
        }),
        [byLine]: here((p) => {
            const { start } = own.open!;
            move(model, (at) => {
                const [before, after] = model.part.lines.around(start + at + (Number(p.steps) > 0 ? 0 : -1));
                return (Number(p.steps) > 0 ? after : before) - start;
            });
        }),
        'insert-at': here(() => put(model)),
        [DELETES]: here(() => {
            const at = own.held;
            if (at === null) return song.tell('No point of the curve is selected.');
            change(
                model,
                { at, remove: true },
                own.points.findLast(([t]) => t < at)?.[0] ?? own.points.find(([t]) => t > at)?.[0] ?? null,
            );
        }),
    };
}

/** To the next point or the one before; from none, to the first or the last. */
function walk({ song, own }: RollModel, way: number): void {
    const { points, held: at } = own;
    const next =
        at === null
            ? points.at(way > 0 ? 0 : -1)
            : way > 0
              ? points.find(([t]) => t > at)
              : points.findLast(([t]) => t < at);
    if (next) return own.take(next[0]);
    song.tell(
        points.length === 0 ? 'The curve has no points yet.' : `There is no ${way > 0 ? 'later' : 'earlier'} point.`,
    );
}

function raise(model: RollModel, by: number): void {
    const { own, song } = model;
    if (own.held === null) return song.tell('No point of the curve is selected.');
    const value = Math.round(own.amount(own.valueAt(own.held)) + by);
    change(model, { at: own.held, value: own.lane === 'bend' ? value : Math.max(0, Math.min(127, value)) }, own.held);
}

/** Moves the point in hand, but not past its neighbours, nor off the note. */
function move(model: RollModel, to: (at: number) => number): void {
    const { own, song } = model;
    const { held: at, points, open } = own;
    if (at === null || !open) return song.tell('No point of the curve is selected.');
    const before = points.findLast(([t]) => t < at)?.[0] ?? -1;
    const after = points.find(([t]) => t > at)?.[0] ?? open.length + 1;
    const there = Math.max(before + 1, Math.min(after - 1, to(at)));
    if (there === at) return song.tell('The point goes no further that way.');
    change(model, { at, to: there }, there);
}

/** A new point: where the caret stands on the note, else between the point in hand and the next. */
function put(model: RollModel): void {
    const { own, song } = model;
    const note = own.open!;
    const caret = song.caret.tick - note.start;
    const free = (ticks: number): boolean => own.points.every(([t]) => t !== ticks);
    const after = own.points.find(([t]) => own.held !== null && t > own.held)?.[0] ?? note.length;
    const between = Math.round(((own.held ?? 0) + after) / 2);
    const at = own.held === null && caret >= 0 && caret < note.length && free(caret) ? caret : between;
    change(model, { at, value: own.amount(own.valueAt(at)) }, at);
}

/** Asks for it, and takes the point that it leaves in hand. */
function change(
    model: RollModel,
    point: { at: number; value?: number; to?: number; remove?: boolean },
    then: number | null,
): void {
    const { own, song, part } = model;
    song.do(pointOnNote(own.lane, { part: part.id, notes: [own.open!.id] }, point));
    song.afterAll(() => {
        const there = own.points.some(([t]) => t === then);
        // What was refused says why, and leaves the point in hand that was.
        if (there && !song.trouble) own.take(then);
        else if (!there) own.held = null;
    });
}
