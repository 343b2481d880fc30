import type { Handler } from '../../keys/keys.svelte';
import { Lane } from '../../rules/lane';
import { valueWords } from '../lanes.svelte';
import type { RollModel } from '../roll-model.svelte';
import * as make from './make';
import { IN_LANES, POINT, UNNAMED_LANE } from './make';

/** What is selected in the lane that is worked in; of one point its value and place. */
export function sayPoints({ song, lanes, part }: RollModel): void {
    const name = song.selection.lane;
    if (!name) return;
    const all = lanes.pointsOf(name);
    const { size } = song.selection.points;
    const only = size === 1 ? all.find((p) => song.selection.points.has(p.id)) : undefined;
    song.tell(
        only
            ? `${valueWords(name, new Lane(name).value(only))} at ${song.time.position(only.tick, part.lines)}: point ${all.indexOf(only) + 1} of ${all.length}.`
            : size === 0
              ? 'No points are selected.'
              : `${size} points selected.`,
    );
}

/** What keys do while a lane is worked in, and what brings lanes and takes them away. */
export function inLanes(model: RollModel): Record<string, Handler> {
    return { ...views(model), ...drawing(model), ...atCaret(model), ...leaving(model) };
}

/** Lanes and curves that come and go. */
function views(model: RollModel): Record<string, Handler> {
    const { song, lanes } = model;
    return {
        expression: () => song.afterAll(() => model.own.turn()),
        lane: () => {
            if (model.own.open) return model.own.next();
            return lanes.next() ? undefined : false;
        },
        'lane-set': (p) => (p.keep ? lanes.store(Number(p.number ?? 1)) : lanes.call(Number(p.number ?? 1))),
        'pedal-tails': () => {
            model.pedalTails = !model.pedalTails;
            localStorage.setItem('jactonic.tails', model.pedalTails ? 'shown' : 'hidden');
            model.touch('notes');
            song.tell(
                model.pedalTails ? 'Notes are drawn as long as the pedal holds them.' : 'Notes are drawn as written.',
            );
        },
        'lane-show': (p) => lanes.turn(String(p.lane)),
    };
}

/** Edits that draw in a lane: the lane is shown, and a value typed is kept for the next point. */
function drawing(model: RollModel): Record<string, Handler> {
    const { song, lanes } = model;
    const show: Handler = (p) => {
        lanes.reveal(typeof p.lane === 'string' ? p.lane : (song.selection.lane ?? UNNAMED_LANE));
        return false;
    };
    const point: Handler = (p, binding, press) => {
        const lane = typeof p.lane === 'string' ? p.lane : (song.selection.lane ?? UNNAMED_LANE);
        if (typeof p.value === 'number') lanes.typed.set(lane, p.value);
        return show(p, binding, press);
    };
    return { ...Object.fromEntries(IN_LANES.map((edit) => [edit, show])), [POINT]: point };
}

/** What is put at the caret, found there and taken away there, where a lane has the keys. */
function atCaret(model: RollModel): Record<string, Handler> {
    const { song, lanes } = model;
    return {
        'insert-at': (p) => {
            const { lane } = song.selection;
            if (!lane || model.own.open) return false;
            song.afterAll(() => {
                const at = p.at === 'pointer' ? (song.pointer?.tick ?? song.caret.tick) : song.caret.tick;
                song.do(
                    make.pointAt(lane, p.at === 'pointer' ? 'pointer' : 'caret', newValue(model, lane, at, p.touch)),
                );
                if (p.at !== 'pointer') song.inTurn(() => goOn(model));
            });
        },
        pass: (p) => {
            const { lane } = song.selection;
            if (!lane) return false;
            song.afterAll(() => toEdge(model, lane, p.to === 'start' ? 'start' : 'end'));
        },
        'note-here': (p) => {
            const { lane } = song.selection;
            if (!lane || model.own.open) return false;
            song.afterAll(() => {
                const at = p.at === 'pointer' ? (song.pointer?.tick ?? -1) : song.caret.tick;
                const there = lanes
                    .pointsOf(lane)
                    .filter((q) => q.tick === at)
                    .map((q) => q.id);
                if (there.length === 0)
                    return song.tell(`There is no point ${p.at === 'pointer' ? 'under the pointer' : 'at the caret'}.`);
                if (p.what === 'delete') return song.do(make.remove({ part: model.part.id, lane, points: there }));
                const kept = p.what === 'add' ? [...song.selection.points] : [];
                choose(model, [...new Set([...kept, ...there])]);
            });
        },
    };
}

/** Selects what lies in the lane before the caret, or from it on. The caret stays. */
function toEdge(model: RollModel, lane: string, edge: 'start' | 'end'): void {
    const { tick } = model.song.caret;
    const all = model.lanes.pointsOf(lane).filter((p) => (edge === 'start' ? p.tick < tick : p.tick >= tick));
    choose(
        model,
        all.map((p) => p.id),
    );
}

/** The value of a new point where the lane holds none: the one typed last. */
function newValue(model: RollModel, name: string, at: number, touch: unknown): number | undefined {
    const { lanes, part } = model;
    const lane = new Lane(name);
    if (touch !== undefined) return lane.at((part.settings.touches[Number(touch) - 1] ?? 0) / 127);
    return lanes.all(name).some((p) => p.tick <= at) ? undefined : lanes.typed.get(name);
}

/** Writing goes on at the next line; the point just put in stays selected, to be set. */
function goOn(model: RollModel): void {
    if (model.song.goesOn === null) return;
    model.song.putCaret(model.song.goesOn);
    model.caretWent();
}

/** Esc: from the points to the lane, from the lane to the notes. */
function leaving(model: RollModel): Record<string, Handler> {
    const { song, lanes } = model;
    return {
        escape: () => {
            if (model.own.open) return model.own.away();
            if (!song.selection.lane) return false;
            song.inTurn(() => {
                if (song.selection.points.size > 0) choose(model, []);
                else lanes.focus(null);
            });
        },
    };
}

function choose(model: RollModel, ids: readonly number[]): void {
    const { song } = model;
    song.byHand(() => (song.selection.points = new Set(ids)));
    sayPoints(model);
}
