import type { Handler } from '../../keys/keys.svelte';
import type { Point } from '../../api/tables';
import { Lane } from '../../rules/lane';
import { valueWords } from '../lanes.svelte';
import type { RollModel } from '../roll-model.svelte';
import { asked } from './moving';
import { CARET_MOVERS, louderBy } from './make';

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

/** What keys do while a lane is worked in: to its points what they do to notes, and what is no business of a lane to notes. */
export function inLanes(model: RollModel): Record<string, Handler> {
    return { ...views(model), ...choosing(model), ...moving(model) };
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

/** What is selected among the points of the lane that has the keys. */
function choosing(model: RollModel): Record<string, Handler> {
    const { song, lanes } = model;
    const moves = movesOf(model);
    return {
        select: (p) => {
            const move = song.selection.lane ? moves[String(p.move)] : undefined;
            if (!move) return false;
            song.afterAll(move);
        },
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

function moving({ song }: RollModel): Record<string, Handler> {
    const [inTime, byLine, inPitch] = CARET_MOVERS as [string, string, string];
    const inTimeOf =
        (edit: string): Handler =>
        (p, _, press) => {
            if (!song.selection.lane || song.selection.points.size === 0) return false;
            song.do(asked(edit, p, press));
        };
    return {
        // Up and down is the value: by one, and with Shift by ten.
        [inPitch]: (p, _, press) => {
            if (!song.selection.lane) return false;
            const by = Number(p.steps ?? p.semitones);
            const { edit, params } = louderBy(Math.abs(by) === 1 ? by : Math.sign(by) * 10);
            song.do(asked(edit!, params!, press));
        },
        [inTime]: inTimeOf(inTime),
        [byLine]: inTimeOf(byLine),
    };
}

function choose(model: RollModel, ids: readonly number[], at = ids.length === 1 ? ids[0] : undefined): void {
    const { song, lanes } = model;
    const lane = song.selection.lane!;
    song.byHand(() => (song.selection.points = new Set(ids)));
    model.touch(`lane:${lane}`);
    const all = lanes.pointsOf(lane);
    // The caret goes with the walk.
    const last = all.find((p) => p.id === at);
    if (last) {
        song.putCaret(last.tick);
        model.view.reveal(last.tick, last.tick + 1, song.caret.pitch, song.caret.pitch);
    }
    sayPoints(model);
}

function walk(model: RollModel, way: 1 | -1, grows: boolean): void {
    const { song, lanes } = model;
    const all = lanes.pointsOf(song.selection.lane!);
    const chosen = all.filter((p) => song.selection.points.has(p.id));
    const edge = way > 0 ? chosen.at(-1) : chosen[0];
    const at = edge
        ? all.indexOf(edge) + way
        : way > 0
          ? all.findIndex((p) => p.tick >= song.caret.tick)
          : all.findLastIndex((p) => p.tick <= song.caret.tick);
    const next = all[at];
    if (!next) return song.tell('There is no point that way.');
    choose(model, grows ? [...chosen.map((p) => p.id), next.id] : [next.id], next.id);
}

/** Ways of selecting points, by their names. */
function movesOf(model: RollModel): Record<string, () => void> {
    const { song, lanes } = model;
    const points = (): readonly Point[] => lanes.pointsOf(song.selection.lane!);
    return {
        next: () => walk(model, 1, false),
        previous: () => walk(model, -1, false),
        'grow-next': () => walk(model, 1, true),
        'grow-previous': () => walk(model, -1, true),
        all: () =>
            choose(
                model,
                points().map((p) => p.id),
            ),
        none: () => choose(model, []),
        inverse: () =>
            choose(
                model,
                points()
                    .filter((p) => !song.selection.points.has(p.id))
                    .map((p) => p.id),
            ),
        span: () => {
            const { span } = song;
            if (!span) return song.tell('There is no span.');
            choose(
                model,
                points()
                    .filter((p) => p.tick >= span.from && p.tick < span.to)
                    .map((p) => p.id),
            );
        },
    };
}
