import { moveCaret } from '../../api/caret';
import type { Command } from '../../api/types';
import { asPressed } from '../../keys/as-pressed';
import type { Handler, Press } from '../../keys/keys.svelte';
import { recorder } from '../../sound/recorder.svelte';
import { transport } from '../../sound/transport.svelte';
import type { RollModel } from '../roll-model.svelte';
import * as make from './make';
import { SPAN_MOVERS } from './make';
import { selectToEdge } from '../caret-selection';
import { askSpan } from './span';

export function asked(edit: string, params: Record<string, unknown>, press: Press): Command {
    return { edit, params, ...asPressed(press) };
}

/** What the arrows do: to the selected notes, or with none selected to the caret and the span; and the ways of the caret. */
export function moving(model: RollModel): Record<string, Handler> {
    return { ...arrows(model), ...caretWays(model) };
}

type Moves = (p: Record<string, unknown>, times: number) => void;

/** An edit of the selected notes; with none selected the same keys do something else. */
function orElse(model: RollModel, edit: string, other: Moves): Handler {
    const { song } = model;
    return (params, _, press) =>
        song.withSelection(() => {
            if (!song.selection.hasAny) other(params, press.times);
            else if (song.selection.lane && edit === make.CARET_MOVERS[2]) song.do(higher(params, press));
            else if (!make.inRows(edit, params, model.view.rows)) song.do(asked(edit, params, press));
            // Which rows are used is known when all that was typed before has been answered.
            else song.afterAll(() => byRows(model, edit, params, press));
        });
}

/** In a lane up and down is the value: by one, and wide by ten. */
function higher(params: Record<string, unknown>, press: Press): Command {
    const by = Number(params.steps ?? params.semitones);
    const { edit, params: more } = make.louderBy(Math.abs(by) === 1 ? by : Math.sign(by) * 10);
    return asked(edit!, more!, press);
}

function byRows(model: RollModel, edit: string, params: Record<string, unknown>, press: Press): void {
    const step = make.inRows(edit, params, model.view.rows);
    model.song.do(asked(step?.edit ?? edit, step?.params ?? params, press));
}

function arrows(model: RollModel): Record<string, Handler> {
    const { song } = model;
    const [inTime, byLine, inPitch] = make.CARET_MOVERS as [string, string, string];
    const cell = { unit: 'grid', amount: 1 };
    return {
        [inTime]: orElse(model, inTime, (p, times) => moveCaret(song, Number(p.steps ?? 1) * times, p.by)),
        [byLine]: orElse(model, byLine, (p, times) => moveCaret(song, Number(p.steps ?? 1) * times, cell)),
        [inPitch]: orElse(model, inPitch, (p, times) => song.inTurn(() => caretInPitch(model, p, times))),
        [SPAN_MOVERS[0]!]: orElse(model, SPAN_MOVERS[0]!, (p, times) =>
            askSpan(model, { what: 'steps', steps: Number(p.steps ?? 1) * times, by: p.by }),
        ),
    };
}

/** Takes the caret up or down by rows: of the scale, of those in use, or of all. */
function caretInPitch(model: RollModel, p: Record<string, unknown>, times: number): void {
    const { song } = model;
    const by = Number(p.steps ?? p.semitones);
    // A semitone that is asked for as one is always one.
    const always = Math.abs(by) === 1 && p.semitones !== undefined;
    let { pitch } = song.caret;
    if (model.view.rows && !always)
        pitch = model.view.rowOn(pitch, (Math.abs(by) === 1 ? by : Math.sign(by) * 4) * times);
    else if (Math.abs(by) === 1) for (let i = 0; i < times; i++) pitch = model.part.rowBeside(pitch, by, always);
    else pitch += by * times;
    song.putCaret(song.caret.tick, pitch);
    model.caretCame();
}

/** Places that the caret goes to, and what goes with that. */
function caretWays(model: RollModel): Record<string, Handler> {
    const { song } = model;
    return {
        pass: (p) => song.afterAll(() => selectToEdge(model, p.to === 'start' ? 'start' : 'end')),
        go: (p) => {
            song.inTurn(() => {
                song.putCaret(Number(p.to ?? 0));
                model.showCaret();
                model.sayCaret();
            });
        },
        locate: (p) => {
            // Where the part ends may still change.
            song.afterAll(() => {
                song.putCaret(p.to === 'start' ? 0 : model.part.lastEnd);
                model.showCaret();
            });
            return false;
        },
        caret: (p, _, press) => {
            const by = STEPS[String(p.to)];
            if (!by) return song.afterAll(() => caretTo(model, String(p.to)));
            song.withSelection(() => moveCaret(song, by.steps * press.times, by.by));
        },
        'loop-selection': () =>
            song.inTurn(() => {
                if (song.selection.notes.size > 0) askSpan(model, { what: 'bars' }, true);
                else if (!recorder.on) transport.setLoop(null);
            }),
    };
}

/** Ways of so many steps, which leave the choice as it is. */
const STEPS: Record<string, { steps: number; by: unknown }> = {
    'next-line': { steps: 1, by: { unit: 'grid', amount: 1 } },
    'previous-line': { steps: -1, by: { unit: 'grid', amount: 1 } },
    'next-bar': { steps: 1, by: { unit: 'bar', amount: 1 } },
    'previous-bar': { steps: -1, by: { unit: 'bar', amount: 1 } },
};

/** Where each way leads the caret; null where there is nothing more. */
const WAYS: Record<string, (model: RollModel) => [tick: number, pitch: number] | null> = {
    'first-note': ({ part }) => (part.ordered[0] ? [part.ordered[0].start, part.ordered[0].pitch] : null),
    'part-end': ({ part, song }) => [part.lastEnd, song.caret.pitch],
    // Of notes that start together each is come to, from below.
    'next-note': ({ part, song: { caret } }) => {
        const next = part.ordered.find(
            (n) => n.start > caret.tick || (n.start === caret.tick && n.pitch > caret.pitch),
        );
        return next ? [next.start, next.pitch] : null;
    },
    'previous-note': ({ part, song: { caret } }) => {
        const last = part.ordered.findLast(
            (n) => n.start < caret.tick || (n.start === caret.tick && n.pitch < caret.pitch),
        );
        return last ? [last.start, last.pitch] : null;
    },
    'pitch-up': (model) => row(model, 1),
    'pitch-down': (model) => row(model, -1),
};

/** The next row in use, up or down. */
function row({ part, song: { caret } }: RollModel, way: 1 | -1): [number, number] | null {
    const pitches = [...new Set(part.ordered.map((n) => n.pitch))].sort((a, b) => way * (a - b));
    const next = pitches.find((p) => way * (p - caret.pitch) > 0);
    return next === undefined ? null : [caret.tick, next];
}

function caretTo(model: RollModel, to: string): void {
    const place = WAYS[to]?.(model) ?? null;
    if (!place) return model.song.tell('There is nothing more to go to that way.');
    if (to.endsWith('-note')) model.song.followTo(...place);
    else model.song.putCaret(...place);
    model.caretCame();
}
