import { moveCaret } from '../../api/caret';
import type { Part } from '../../api/part.svelte';
import { harmony } from '../../harmony/commands';
import type { Handler, Press } from '../../keys/keys.svelte';
import { tool } from '../../roll/pen.svelte';
import { askSpan, spans } from '../../roll/commands/span';
import { router } from '../../router.svelte';
import { startPlaying } from '../../sound/said';
import { transport } from '../../sound/transport.svelte';
import { panels } from '../../views/panels.svelte';
import type { Desk } from '../desk.svelte';
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
export function commandsOf(desk: Desk, cancel: () => boolean, open: (part: Part) => void): Record<string, Handler> {
    return {
        ...moving(desk),
        ...choosing(desk, cancel, open),
        ...seeing(desk),
        ...spans(desk),
        ...carried(desk),
        ...harmony(desk.song, null),
        tool: (p) => {
            tool.turn(p.tool === 'eraser' ? 'eraser' : 'pen');
            desk.song.tell(
                {
                    pen: 'The pen is in hand: a stroke over empty paper is a new part.',
                    eraser: 'The eraser is in hand: a press deletes a part.',
                    hand: 'Nothing is in hand.',
                }[tool.name],
            );
        },
        set: (p) => desk.song.do({ set: p, on: desk.song.onGrid() }),
        track: (p) => {
            const { track } = desk;
            if (track)
                desk.song.elsewhere.setTrack(
                    track,
                    p.what === 'muted' ? { muted: !track.muted } : { soloed: !track.soloed },
                );
        },
    };
}

/** What the arrows do: to the parts chosen, or with none chosen to the caret and the span. */
function moving(desk: Desk): Record<string, Handler> {
    const { song } = desk;
    const orElse =
        (edit: string, other: (p: Record<string, unknown>, times: number) => boolean | void): Handler =>
        (params, _, press) =>
            song.withSelection(() => {
                if (song.chosenParts.length > 0 || other(params, press.times) === false)
                    song.do({ edit, params, ...pressed(press) });
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
            const to = Math.abs(by) > 1 ? (by > 0 ? 0 : tracks.length - 1) : desk.trackIndex - by * times;
            song.caretTrack = tracks[Math.max(0, Math.min(tracks.length - 1, to))]?.id ?? null;
            tellCaret(desk);
        }),
        [make.SPAN]: orElse(make.SPAN, (p, times) => {
            if (p.edge || p.next) return false;
            askSpan(desk, { what: 'steps', steps: Number(p.steps ?? 1) * times, by: p.by });
        }),
        go: (p) => {
            song.inTurn(() => {
                song.putCaret(Number(p.to ?? 0));
                desk.revealTime(song.caret.tick, song.caret.tick + 1);
                tellCaret(desk);
            });
        },
        locate: (p) => {
            // Where the song ends may still change.
            song.afterAll(() => {
                song.putCaret(
                    p.to === 'start' ? 0 : Math.max(0, ...[...song.parts.values()].map((q) => desk.endOf(q))),
                );
                desk.revealTime(song.caret.tick, song.caret.tick + 1);
            });
            return false;
        },
        caret: (p, _, press) => {
            const by = STEPS[String(p.to)];
            if (by) return song.withSelection(() => moveCaret(song, by.steps * press.times, by.by));
            song.afterAll(() => toMarker(desk, p.to === 'previous-marker' ? -1 : 1));
        },
        'play-from': () =>
            song.afterAll(() => void startPlaying(song, desk.lines, desk.chosen[0]?.head.from ?? song.caret.tick)),
        'play-span': () => {
            if (!song.span) return song.tell('There is no span.');
            transport.setLoop({ ...song.span, on: true });
            void startPlaying(song, desk.lines, song.span.from);
        },
    };
}

function pressed(press: Press): { more?: boolean; times?: number } {
    return { ...(press.more ? { more: true } : {}), ...(press.times > 1 ? { times: press.times } : {}) };
}

/** Where the caret is, and what part lies there. */
export function tellCaret(desk: Desk): void {
    const { song, lines, track } = desk;
    const { tick } = song.caret;
    const there = track?.parts.find((p) => p.head.from <= tick && tick < desk.endOf(p));
    song.tell(
        `Caret at ${song.time.position(tick, lines)}${track ? `, ${track.name}` : ''}${there ? `: ${wordsOf(there)}` : '.'}`,
    );
}

/** The caret goes to the next marker, or the one before it. */
function toMarker(desk: Desk, way: 1 | -1): void {
    const { song } = desk;
    const places = song.time.markers.filter(([tick]) => way * (tick - song.caret.tick) > 0);
    const to = way > 0 ? places[0] : places.at(-1);
    if (!to) return song.tell(way > 0 ? 'No marker stands later.' : 'No marker stands earlier.');
    song.putCaret(to[0]);
    desk.revealTime(to[0], to[0] + 1);
    song.tell(`${to[1]}: ${song.time.position(to[0], desk.lines)}.`);
}

function choosing(desk: Desk, cancel: () => boolean, open: (part: Part) => void): Record<string, Handler> {
    const { song } = desk;
    return {
        choose: (p) => song.afterAll(() => beside(desk, Number(p.x ?? 0), Number(p.y ?? 0), p.take === true)),
        'choose-parts': (p) => song.afterAll(() => chooseMany(desk, String(p.which ?? 'all'))),
        'open-part': () =>
            song.afterAll(() => {
                const part = song.parts.get(desk.at ?? -1) ?? desk.chosen[0] ?? desk.part;
                if (part) open(part);
            }),
        escape: () => {
            if (song.queue.going) return void (song.queue.going = false);
            if (cancel()) return;
            if (panels.open) return panels.close();
            song.withSelection(() => {
                if (song.chosenParts.length === 0) return router.go({ at: 'songs' });
                desk.choose([]);
                song.tell('Nothing is chosen; arrows move the caret.');
            });
        },
    };
}

function seeing(desk: Desk): Record<string, Handler> {
    const { song, view } = desk;
    return {
        zoom: (p) => {
            const by = Number(p.by);
            if (p.axis === 'pitch') return desk.setRow(desk.row * (by > 0 ? 1.25 : 0.8));
            const at = view.x(song.caret.tick);
            view.zoomTime(by > 0 ? 1.5 : 1 / 1.5, at >= 0 && at <= view.width ? at : view.width / 2);
        },
        fit: (p) =>
            song.afterAll(() => {
                const { chosen } = desk;
                if (p.what === 'span' && song.span) desk.fit(song.span.from, song.span.to);
                else if (p.what === 'selection' && chosen.length > 0)
                    desk.fit(
                        Math.min(...chosen.map((q) => q.head.from)),
                        Math.max(...chosen.map((q) => desk.endOf(q))),
                    );
                else desk.fit(0, Math.max(0, ...[...song.parts.values()].map((q) => desk.endOf(q))));
            }),
        scroll: (p) => desk.scroll((Number(p.x ?? 0) * view.width) / 2, -Number(p.y ?? 0) * desk.row),
    };
}
