import { moveCaret } from '../../api/caret';
import type { Part } from '../../api/part.svelte';
import { harmony } from '../../harmony/commands';
import { asPressed } from '../../keys/as-pressed';
import type { Handler } from '../../keys/keys.svelte';
import { tool } from '../../roll/pen.svelte';
import { askSpan, spans } from '../../roll/commands/span';
import { router } from '../../router.svelte';
import { startPlaying } from '../../sound/announcement';
import { transport } from '../../sound/transport.svelte';
import { panels } from '../../panels.svelte';
import type { ArrangeModel } from '../arrange-model.svelte';
import { carried } from './carried';
import * as make from './make';
import { beside, chooseMany, wordsOf } from './walk';

const CELL = { unit: 'grid', amount: 1 };
const BAR = { unit: 'bar', amount: 1 };
const STEPS: Record<string, { steps: number; by: unknown }> = {
    'next-line': { steps: 1, by: CELL },
    'previous-line': { steps: -1, by: CELL },
    'next-bar': { steps: 1, by: BAR },
    'previous-bar': { steps: -1, by: BAR },
};

/** What the song page does when it is asked to; `cancel` drops what a press holds, and says whether it held anything. */
export function commandsOf(
    model: ArrangeModel,
    cancel: () => boolean,
    open: (part: Part) => void,
): Record<string, Handler> {
    return {
        ...moving(model),
        ...choosing(model, cancel, open),
        ...seeing(model),
        ...spans(model),
        ...carried(model),
        ...harmony(model.song, null),
        tool: (p) => {
            tool.turn(p.tool === 'eraser' ? 'eraser' : 'pen');
            model.song.tell(
                {
                    pen: 'Pen: a drag over empty space makes a new part.',
                    eraser: 'Eraser: a click deletes a part.',
                    hand: 'Pen and eraser are off.',
                }[tool.name],
            );
        },
        set: (p) => model.song.do({ set: p, on: model.song.onGrid() }),
        // On which track the caret stands may still change.
        track: (p) =>
            model.song.afterAll(() => {
                const { track } = model;
                if (track)
                    model.song.crossWindow.setTrack(track.id, (now) =>
                        p.what === 'muted' ? { muted: !now.muted } : { soloed: !now.soloed },
                    );
            }),
    };
}

/** What the arrows do: to the selected parts, or with none selected to the caret and the span. */
function moving(model: ArrangeModel): Record<string, Handler> {
    const { song } = model;
    const orElse =
        (edit: string, other: (p: Record<string, unknown>, times: number) => boolean | void): Handler =>
        (params, _, press) =>
            song.withSelection(() => {
                if (song.selection.parts.length > 0 || other(params, press.times) === false)
                    song.do({ edit, params, ...asPressed(press) });
            });
    const step = (p: Record<string, unknown>, times: number, by: unknown): boolean | void => {
        if (p.edge || p.to || p.tracks) return false;
        moveCaret(song, Number(p.steps ?? 1) * times, by);
    };
    const [inTime, byLine] = make.IN_TIME;
    return {
        [inTime]: orElse(inTime, (p, times) => step(p, times, p.by)),
        [byLine]: orElse(byLine, (p, times) => (p.steps ? step(p, times, CELL) : false)),
        [make.BY_TRACK]: orElse(make.BY_TRACK, (p, times) => {
            const by = Number(p.transposeBy ?? 0);
            if (by === 0) return false;
            const tracks = song.tracks;
            // Shift goes to the topmost or the lowest.
            const to = Math.abs(by) > 1 ? (by > 0 ? 0 : tracks.length - 1) : model.trackIndex - by * times;
            song.caretTrack = tracks[Math.max(0, Math.min(tracks.length - 1, to))]?.id ?? null;
            tellCaret(model);
        }),
        [make.SPAN]: orElse(make.SPAN, (p, times) => {
            if (p.edge || p.next) return false;
            askSpan(model, { what: 'steps', steps: Number(p.steps ?? 1) * times, by: p.by });
        }),
        go: (p) => {
            song.inTurn(() => {
                song.putCaret(Number(p.to ?? 0));
                model.revealTime(song.caret.tick, song.caret.tick + 1);
                tellCaret(model);
            });
        },
        locate: (p) => {
            // Where the song ends may still change.
            song.afterAll(() => {
                song.putCaret(
                    p.to === 'start' ? 0 : Math.max(0, ...[...song.parts.values()].map((q) => model.endOf(q))),
                );
                model.revealTime(song.caret.tick, song.caret.tick + 1);
            });
            return false;
        },
        caret: (p, _, press) => {
            const by = STEPS[String(p.to)];
            if (by) return song.withSelection(() => moveCaret(song, by.steps * press.times, by.by));
            song.afterAll(() => toMarker(model, p.to === 'previous-marker' ? -1 : 1));
        },
        'play-from': () =>
            song.afterAll(() => void startPlaying(song, model.lines, model.chosen[0]?.head.from ?? song.caret.tick)),
        'play-span': () => {
            if (!song.span) return song.tell('There is no span.');
            transport.setLoop({ ...song.span, on: true });
            void startPlaying(song, model.lines, song.span.from);
        },
    };
}

/** Where the caret is, and what part lies there. */
export function tellCaret(model: ArrangeModel): void {
    const { song, lines, track } = model;
    const { tick } = song.caret;
    const there = track?.parts.find((p) => p.head.from <= tick && tick < model.endOf(p));
    song.tell(
        `Caret at ${song.time.position(tick, lines)}${track ? `, ${track.name}` : ''}${there ? `: ${wordsOf(there)}` : '.'}`,
    );
}

/** The caret goes to the next marker, or the one before it. */
function toMarker(model: ArrangeModel, way: 1 | -1): void {
    const { song } = model;
    const places = song.time.markers.filter(([tick]) => way * (tick - song.caret.tick) > 0);
    const to = way > 0 ? places[0] : places.at(-1);
    if (!to) return song.tell(way > 0 ? 'No marker stands later.' : 'No marker stands earlier.');
    song.putCaret(to[0]);
    model.revealTime(to[0], to[0] + 1);
    song.tell(`${to[1]}: ${song.time.position(to[0], model.lines)}.`);
}

function choosing(model: ArrangeModel, cancel: () => boolean, open: (part: Part) => void): Record<string, Handler> {
    const { song } = model;
    return {
        choose: (p) => song.afterAll(() => beside(model, Number(p.x ?? 0), Number(p.y ?? 0), p.take === true)),
        'choose-parts': (p) => song.afterAll(() => chooseMany(model, String(p.which ?? 'all'))),
        'open-part': () =>
            song.afterAll(() => {
                const part = song.parts.get(model.at ?? -1) ?? model.chosen[0] ?? model.part;
                if (part) open(part);
            }),
        escape: () => {
            if (song.queue.going) return void (song.queue.going = false);
            if (cancel()) return;
            if (panels.open) return panels.close();
            song.withSelection(() => {
                if (song.selection.parts.length === 0) return router.go({ at: 'songs' });
                model.choose([]);
                song.tell('Nothing is selected; arrows move the caret.');
            });
        },
    };
}

function seeing(model: ArrangeModel): Record<string, Handler> {
    const { song, view } = model;
    return {
        zoom: (p) => {
            const by = Number(p.by);
            if (p.axis === 'pitch') return model.setRow(model.row * (by > 0 ? 1.25 : 0.8));
            const at = view.x(song.caret.tick);
            view.zoomTime(by > 0 ? 1.5 : 1 / 1.5, at >= 0 && at <= view.width ? at : view.width / 2);
        },
        fit: (p) =>
            song.afterAll(() => {
                const { chosen } = model;
                if (p.what === 'span' && song.span) model.fit(song.span.from, song.span.to);
                else if (p.what === 'selection' && chosen.length > 0)
                    model.fit(
                        Math.min(...chosen.map((q) => q.head.from)),
                        Math.max(...chosen.map((q) => model.endOf(q))),
                    );
                else model.fit(0, Math.max(0, ...[...song.parts.values()].map((q) => model.endOf(q))));
            }),
        'conductor-track': () =>
            song.afterAll(() => {
                const hidden = song.allTracks.filter((t) => t.conductor);
                if (hidden.length === 0) return song.tell('All tracks of this song are shown.');
                song.showsConductor = !song.showsConductor;
                song.setTracks();
                const names = hidden.map((t) => `“${t.name || 'without a name'}”`).join(', ');
                song.tell(
                    song.showsConductor
                        ? `Shown: ${names}. The saved file has ${hidden.length === 1 ? 'this track' : 'these tracks'} in any case.`
                        : `Hidden: ${names}.`,
                );
            }),
        scroll: (p) => model.scroll((Number(p.x ?? 0) * view.width) / 2, -Number(p.y ?? 0) * model.row),
    };
}
