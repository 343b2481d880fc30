import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import { linesAround } from '../api/time';
import { keys, type Handler } from '../keys/keys.svelte';
import { devices } from '../sound/inputs/devices.svelte';
import { inputs } from '../sound/inputs/inputs.svelte';
import { player } from '../sound/inputs/player.svelte';
import { typing } from '../sound/inputs/typing.svelte';
import { recorder } from '../sound/recorder.svelte';
import { transport } from '../sound/transport.svelte';
import { StepInput } from './steps.svelte';

interface Context {
    song: () => Song;
    part: () => Part;
    showCaret: () => void;
    sayCaret: () => void;
    /** First start, last end, and the pitches of what is chosen. */
    bounds: () => [number, number, number, number] | null;
}

/** A note played so little before a bar is meant for it: a share of a quarter. */
const EARLY = 1 / 4;

/** What the roll does to get notes in without a mouse: caret, span, copies, step input, takes. */
export function writing(at: Context): {
    handlers: Record<string, Handler>;
    steps: StepInput;
    setSpan: (from: number, to: number, on?: boolean) => void;
    spanBy: (steps: number, by: unknown) => void;
    start: () => () => void;
} {
    const song = at.song();
    const part = at.part();
    const steps = new StepInput(song, part);

    /** Makes the span; whether it is looped stays as it was, unless that is said. */
    function setSpan(from: number, to: number, on = transport.loop?.on ?? false): void {
        if (recorder.on) return song.tell('The span stays as it is while a take is recorded.');
        if (to <= from) return song.tell('A span ends after it begins: nothing changed.');
        transport.setLoop({ from, to, on });
        song.tell(
            `Span from ${song.time.position(from, part.lines)} to ${song.time.position(to, part.lines)}${on ? ', looped' : ''}.`,
        );
    }

    /** Where the span begins that the keys lengthen: it begins at the caret, or grows from there. */
    function spanBy(by: number, unit: unknown): void {
        const { tick } = song.caret;
        const old = song.span?.from === tick ? song.span : { from: tick, to: tick };
        song.caretFrom(old.to, by, unit, (to) => {
            if (to > old.from) setSpan(old.from, to);
            else song.tell('The span is no shorter than that.');
        });
    }

    function span(what: string): void {
        const { tick } = song.caret;
        const { bars } = part.lines;
        const old = song.span;
        if (what === 'clear') {
            if (recorder.on) return song.tell('The span stays as it is while a take is recorded.');
            transport.setLoop(null);
            return song.tell('There is no span.');
        }
        if (what === 'start') return setSpan(tick, old && old.to > tick ? old.to : barAfter(tick));
        if (what === 'end') return setSpan(old && old.from < tick ? old.from : barBefore(tick), tick);
        const found = at.bounds();
        if (what === 'selection') {
            if (!found) return song.tell('Nothing is chosen to make a span of.');
            const from = linesAround(part.lines, found[0])[0];
            const [before, after] = linesAround(part.lines, found[1]);
            return setSpan(from, before === found[1] ? before : after);
        }
        const slack = song.time.ppq * EARLY;
        const [first, last] = found ?? [tick, tick + 1];
        const from = bars.findLast((b) => b <= first + (found ? slack : 0)) ?? 0;
        setSpan(from, bars.find((b) => b > from && b >= last - (found ? slack : 0)) ?? barAfter(last));
    }

    function barAfter(tick: number): number {
        return part.lines.bars.find((b) => b > tick) ?? tick + 4 * song.time.ppq;
    }

    function barBefore(tick: number): number {
        return part.lines.bars.findLast((b) => b < tick) ?? 0;
    }

    function caretTo(to: string): void {
        const { tick, pitch } = song.caret;
        const pitches = [...new Set(part.ordered.map((n) => n.pitch))].sort((a, b) => a - b);
        const place = ((): [number, number] | null => {
            switch (to) {
                case 'first-note':
                    return part.ordered[0] ? [part.ordered[0].start, part.ordered[0].pitch] : null;
                case 'part-end':
                    return [part.lastEnd, pitch];
                case 'next-note': {
                    // Of notes that start together each is come to, from below.
                    const next = part.ordered.find((n) => n.start > tick || (n.start === tick && n.pitch > pitch));
                    return next ? [next.start, next.pitch] : null;
                }
                case 'previous-note': {
                    const last = part.ordered.findLast((n) => n.start < tick || (n.start === tick && n.pitch < pitch));
                    return last ? [last.start, last.pitch] : null;
                }
                default: {
                    const next =
                        to === 'pitch-up' ? pitches.find((p) => p > pitch) : pitches.findLast((p) => p < pitch);
                    return next === undefined ? null : [tick, next];
                }
            }
        })();
        if (!place) return song.tell('There is nothing more to go to that way.');
        song.putCaret(...place);
        at.showCaret();
        if (!transport.playing) transport.locate(song.caret.tick);
        at.sayCaret();
    }

    /** Keeps what is chosen, or what lies in the span; then does what follows, in its turn. */
    function copy(then: (words: string, inSpan: boolean) => void): void {
        song.carry(({ notes: { length: n } }, inSpan) =>
            then(`${n === 1 ? '1 note' : `${n} notes`}${inSpan ? ' of the span' : ''}`, inSpan),
        );
    }

    function paste(): void {
        song.afterAll(() => {
            const clip = song.carried;
            if (!clip) return song.tell('Nothing was copied yet.');
            const { tick } = song.caret;
            song.do({
                edit: 'insert',
                on: { part: part.id, notes: [] },
                params: { notes: clip.notes, at: tick, anchor: clip.anchor },
            });
            // Pasted once more it follows on.
            song.afterAll(() => {
                song.putCaret(tick + clip.length);
                at.showCaret();
            });
        });
    }

    /** Where a take begins: where it plays from, or at the span that it goes round in or is bound to. */
    function takeFrom(): number {
        const { loop } = transport;
        if (loop?.on) return loop.from;
        if (recorder.settings.punch && song.span && transport.tick >= song.span.to) return barBefore(song.span.from);
        return transport.tick;
    }

    async function record(from = takeFrom()): Promise<number | null> {
        if (recorder.on) {
            recorder.stop();
            return null;
        }
        if (recorder.settings.punch && !song.span) {
            song.tell(
                '',
                [],
                'Recording is bound to the span, and there is none: make one, or let it take everything.',
            );
            return null;
        }
        if (recorder.settings.into === 'new' && part.notes.size > 0) {
            recorder.next = true;
            keys.run('new-part');
            return null;
        }
        return recorder.start(song, part, from);
    }

    /** Plays, and records where it is armed. */
    async function begin(from: number): Promise<number | null> {
        return recorder.armed && !recorder.on ? record(from) : transport.play(from);
    }

    async function play(): Promise<void> {
        if (player.playing) return player.stop();
        const running = transport.playing;
        // While it plays, the player comes in at the next bar.
        const from = running ? barAfter(transport.position()) : recorder.armed ? takeFrom() : song.caret.tick;
        try {
            const name = await player.learn(song, from);
            const due = running
                ? transport.now + song.time.seconds(from) - song.time.seconds(transport.position())
                : await begin(from);
            if (due === null) return;
            player.play(due);
            if (!recorder.on) song.tell(`The simulated player plays “${name}”.`);
        } catch (e) {
            song.tell('', [], e instanceof Error ? e.message : String(e));
        }
    }

    const handlers: Record<string, Handler> = {
        caret: (p) => song.inTurn(() => caretTo(String(p.to))),
        span: (p) => song.inTurn(() => span(String(p.what))),
        copy: () => copy((words) => song.tell(`${words} copied.`)),
        cut: () =>
            copy((words, inSpan) => {
                if (inSpan)
                    song.do({
                        edit: 'cut-span',
                        on: { part: part.id, notes: [] },
                        params: { from: 'span-start', to: 'span-end' },
                    });
                else song.do({ edit: 'delete' });
                song.afterAll(() => song.tell(`${words} cut.`));
            }),
        paste: () => paste(),
        'step-input': () => {
            steps.turn();
            if (steps.on) void transport.standBy(part);
        },
        step: (p) => {
            if (!steps.on) return song.tell('Step input is off.');
            if (p.what === 'tie') steps.tie();
            else if (p.what === 'back') steps.back();
            else steps.rest();
        },
        keyboard: () => {
            typing.turn();
            if (typing.on) void transport.standBy(part);
            song.tell(
                typing.on
                    ? 'The computer keys play: white keys in the middle row of letters, black ones above.'
                    : 'The computer keys do commands again.',
            );
        },
        'keyboard-set': (p) => {
            if (typeof p.touch === 'number') return song.do({ set: { touch: p.touch }, part: part.id });
            typing.shift(Number(p.octave ?? 0));
            song.tell(`The computer keys begin at C${typing.octave}.`);
        },
        player: () => song.inTurn(() => void play()),
        record: () => song.inTurn(() => void record()),
        arm: () => {
            recorder.armed = !recorder.armed;
            if (recorder.armed) void transport.standBy(part);
            song.tell(recorder.armed ? `${part.name} is armed: playing records.` : 'Nothing is armed.');
        },
        'take-back': () => recorder.takeBack(song),
        'record-set': (p) => {
            if (recorder.on) return song.tell('How it records stays as it is while a take is recorded.');
            const { settings } = recorder;
            switch (p.what) {
                case 'timing':
                    recorder.set({ timing: settings.timing === 'raw' ? 'quantized' : 'raw' });
                    return song.tell(
                        recorder.settings.timing === 'raw'
                            ? 'Takes are kept as they were played.'
                            : 'Takes are quantized as they come in, to the part’s grid; as played gives the playing back.',
                    );
                case 'punch':
                    recorder.set({ punch: !settings.punch });
                    return song.tell(
                        recorder.settings.punch
                            ? 'Only what is played within the span is taken.'
                            : 'All that is played is taken.',
                    );
                case 'into':
                    recorder.set({ into: settings.into === 'part' ? 'new' : 'part' });
                    return song.tell(
                        recorder.settings.into === 'part'
                            ? 'Takes go into the open part.'
                            : 'Each take goes into a new part on this track.',
                    );
                default:
                    recorder.set({ mode: settings.mode === 'overdub' ? 'replace' : 'overdub' });
                    return song.tell(
                        recorder.settings.mode === 'overdub'
                            ? 'Overdub: takes are put to what is there.'
                            : 'Replace: what is there gives way to what is played over it.',
                    );
            }
        },
        play: () => {
            if (transport.playing) return transport.stop();
            // From where the caret comes to, where it is still on its way.
            song.inTurn(() => void begin(transport.loop?.on && recorder.armed ? takeFrom() : transport.tick));
        },
        'play-from': () => song.inTurn(() => void begin(at.bounds()?.[0] ?? song.caret.tick)),
        'play-span': () => {
            const { span } = song;
            if (!span) return song.tell('There is no span to play: make one first.');
            transport.setLoop({ ...span, on: true });
            void begin(span.from);
        },
        'ask-inputs': () => void devices.ask(),
    };

    return {
        handlers,
        steps,
        setSpan,
        spanBy,
        start: () => {
            inputs.part = part;
            const off = steps.start();
            keys.typist = {
                role: (code) => (typing.on ? typing.role(code) : null),
                down: (code, stamp) => typing.press(code, part.settings.penVelocity, stamp),
                up: (code, stamp) => typing.release(code, stamp),
                letGo: () => typing.letGo(),
            };
            if (typing.on || recorder.armed) void transport.standBy(part);
            void devices.recall();
            if (recorder.next) {
                recorder.next = false;
                void recorder.start(song, part, takeFrom());
            }
            return () => {
                off();
                player.stop();
                recorder.stop();
                inputs.letAllGo();
                inputs.part = null;
                keys.typist = null;
            };
        },
    };
}
