import { barAt } from '../api/time';
import type { Part } from '../api/part.svelte';
import { Clocks } from './clock';
import type { Song } from '../api/song.svelte';
import type { Time } from '../api/time';
import type { Note } from '../api/types';
import { Routing } from './routing';
import type { Synth } from './synth';

/** How far ahead of the audio clock notes are handed to the synthesizer, and how often, in seconds. */
const AHEAD = 0.1;
const EVERY = 0.025;
const START_IN = 0.05;
/**
 * An end that is wanted now is asked for this much later: one that came in the same block of samples as its beginning
 * would be acted on first, and the note would never end.
 */
const GUARD = 0.03;
/** A note that is only tried sounds no longer than this. */
const LONGEST_TRIAL = 0.6;
const MOST_TRIED = 12;
const PEAK_MS = 1200;

interface Sounding {
    part: Part;
    note: Note;
    channel: number;
    /** Audio times at which it begins and ends. */
    at: number;
    end: number;
    /** Set once its end was handed over. */
    ended: boolean;
}

/** A moment where audio time and song time are known to meet. */
interface Anchor {
    at: number;
    seconds: number;
}

/** The song's span, and whether it is looped. */
export interface Loop {
    from: number;
    to: number;
    on: boolean;
}

/** How playing begins. */
export interface Begin {
    /** Bars counted before it. */
    countIn?: number;
    /** The metronome is heard, whatever its switch says. */
    click?: boolean;
}

/** Plays a song. The audio clock is the only clock; the playhead is read off it. */
export class Transport {
    playing = $state(false);
    /** Where it stands while stopped, and where it was last shown while playing, in ticks. */
    tick = $state(0);
    loop = $state.raw<Loop | null>(null);
    hear = $state(localStorage.getItem('jactonic.hear') !== 'off');
    level = $state(0);
    /** The loudest of the last moment, long enough to be seen. */
    peak = $state(0);
    private peakUntil = 0;
    loading = $state(false);
    metronome = $state(localStorage.getItem('jactonic.metronome') === 'on');
    /** 0 to 1 */
    metronomeLevel = $state(Number(localStorage.getItem('jactonic.metronome.level') ?? 0.7));
    /** Beats left of the count-in; 0 while none is counted. */
    counting = $state(0);
    /** Whether the playhead goes back on stop to where it was started. */
    returns = $state(localStorage.getItem('jactonic.returns') === 'yes');
    /** Notes that are not played, though they are there: of what is being recorded over. */
    passes: (part: Part, note: Note) => boolean = () => false;
    /** Whether it plays on past the song's end, for a take. */
    goesOn = false;
    /** Called when playing ends, by whatever. */
    onStop: () => void = () => {};
    trouble = $state('');
    /** Called once a frame while playing. */
    onFrame: (tick: number) => void = () => {};

    private song: Song | null = null;
    private synth: Synth | null = null;
    private starting: Promise<Synth> | null = null;
    private routing: Routing | null = null;
    private anchors: Anchor[] = [];
    /** Song time up to which everything was handed over, and the audio time of that. */
    private scheduled: Anchor = { at: 0, seconds: 0 };
    private sounding: Sounding[] = [];
    private tried: { channel: number; pitch: number; timer: number }[] = [];
    private timer = 0;
    private frame = 0;
    private quiet = 0;
    /** Audio time at which nothing handed over before the last stop is left. */
    private settled = 0;
    private asked = 0;
    private readonly clocks = new Clocks();
    /** Where playing was begun, to go back to. */
    private begun = 0;
    private clicks = false;
    private countsIn = false;
    /** Length of a beat of the count-in, in seconds. */
    private beat = 0.5;
    /** What is played live: channel and pitch by who plays it. */
    private live = new Map<string, { channel: number; pitch: number }>();
    /** For which part and state of it the sound stands ready. */
    private ready = '';

    /** Takes a song to play; null takes it away. What sounded, stops. */
    attach(song: Song | null): void {
        this.stop();
        this.song = song;
        this.routing = null;
        this.tick = 0;
        this.ready = '';
        this.loop = song ? keptSpan(song.id) : null;
        if (song) song.span = this.loop;
    }

    /** Starts the synthesizer; browsers let sound begin only after a key or a click. */
    wake(): Promise<Synth> {
        this.starting ??= (async () => {
            this.loading = true;
            this.trouble = '';
            try {
                const { Synth } = await import('./synth');
                return (this.synth = await Synth.load(new AudioContext({ latencyHint: 'interactive' })));
            } catch (e) {
                this.starting = null;
                this.trouble = `There is no sound: ${e instanceof Error ? e.message : String(e)}`;
                throw e;
            } finally {
                this.loading = false;
            }
        })();
        return this.starting.then(async (synth) => {
            if (synth.context.state !== 'running') await synth.context.resume();
            return synth;
        });
    }

    /** Plays from a tick; gives the audio time at which that tick sounds, or null where it came to nothing. */
    async play(from = this.tick, begin: Begin = {}): Promise<number | null> {
        if (!this.song) return null;
        this.stop();
        this.tick = this.begun = from;
        this.playing = true;
        const asked = ++this.asked;
        const synth = await this.wake().catch(() => null);
        if (!synth || asked !== this.asked || !this.playing) {
            if (asked === this.asked) this.playing = false;
            return null;
        }
        this.hush();
        this.prepare(synth);
        this.clicks = begin.click === true || this.metronome;
        this.countsIn = (begin.countIn ?? 0) > 0;
        const first = Math.max(synth.context.currentTime + START_IN, this.settled);
        synth.open(first - START_IN / 5);
        const [beats, unit] = this.song.time.meterAt(from);
        this.beat = 240 / unit / this.song.time.tempoAt(from);
        const at = first + (begin.countIn ?? 0) * beats * this.beat;
        for (let i = 0; i < (begin.countIn ?? 0) * beats; i++)
            synth.click(first + i * this.beat, i % beats === 0, this.metronomeLevel);
        const seconds = this.song.time.seconds(from);
        this.anchors = [{ at, seconds }];
        this.scheduled = { at, seconds };
        this.chase(from, at - START_IN / 5);
        this.timer = window.setInterval(() => this.pump(), EVERY * 1000);
        this.pump();
        this.draw();
        return at;
    }

    stop(): void {
        this.asked++;
        if (!this.playing) return;
        this.tick = this.returns ? this.begun : this.position();
        this.playing = false;
        this.counting = 0;
        this.onStop();
        clearInterval(this.timer);
        cancelAnimationFrame(this.frame);
        this.anchors = [];
        this.hush();
        this.watch();
    }

    toggle(): void {
        if (this.playing) this.stop();
        else void this.play();
    }

    locate(tick: number): void {
        if (this.playing) void this.play(Math.max(0, tick));
        else this.tick = Math.max(0, tick);
    }

    setHear(on: boolean): void {
        this.hear = on;
        localStorage.setItem('jactonic.hear', on ? 'on' : 'off');
    }

    /** Makes the span, which is looped or not; null takes it away. */
    setLoop(loop: Loop | null): void {
        this.loop = loop && loop.to > loop.from ? loop : null;
        if (!this.song) return;
        this.song.span = this.loop;
        if (this.loop) localStorage.setItem(spanKey(this.song.id), JSON.stringify(this.loop));
        else localStorage.removeItem(spanKey(this.song.id));
    }

    setMetronome(on: boolean): void {
        this.metronome = this.clicks = on;
        localStorage.setItem('jactonic.metronome', on ? 'on' : 'off');
    }

    setMetronomeLevel(level: number): void {
        this.metronomeLevel = Math.max(0, Math.min(1, level));
        localStorage.setItem('jactonic.metronome.level', String(this.metronomeLevel));
    }

    setReturns(on: boolean): void {
        this.returns = on;
        localStorage.setItem('jactonic.returns', on ? 'yes' : 'no');
    }

    /** The song's tempos or meters changed: goes on from the same tick. */
    retimed(before: Time): void {
        if (!this.playing || !this.synth || this.anchors.length === 0) return;
        const now = this.synth.context.currentTime;
        const { at, seconds } = this.anchors[0]!;
        const tick = before.tick(seconds + Math.max(0, now - at));
        void this.play(tick);
    }

    /** The audio clock at the moment of an event, in seconds. */
    audioAt(stamp: number): number {
        this.look();
        return this.clocks.audio(stamp);
    }

    /** The moment of an event for a time of the audio clock, in milliseconds. */
    stampAt(audio: number): number {
        this.look();
        return this.clocks.stamp(audio);
    }

    get now(): number {
        return this.synth?.context.currentTime ?? 0;
    }

    /** How late this machine says that sound comes out, in milliseconds; null while nothing has sounded. */
    get outputLatency(): number | null {
        const context = this.synth?.context;
        return context ? Math.round(((context.outputLatency || 0) + context.baseLatency) * 1000) : null;
    }

    private look(): void {
        if (this.synth) this.clocks.look(this.synth.context.currentTime, performance.now());
    }

    /** Makes sound ready for what will be played live, so that the first note comes at once. */
    async standBy(part: Part): Promise<void> {
        const synth = await this.wake().catch(() => null);
        if (!synth || !this.song) return;
        const state = `${part.id} ${part.version} ${this.song.revision}`;
        if (this.ready === state) return;
        this.ready = state;
        this.prepare(synth);
        if (this.playing) return;
        synth.open(Math.max(synth.context.currentTime, this.settled));
        this.chase(this.tick, synth.context.currentTime, part);
    }

    /** Sounds what is played into a part, until `liveOff` of the same `who`. */
    liveOn(part: Part, who: string, pitch: number, velocity: number): void {
        void this.standBy(part);
        if (!this.synth || !this.routing) {
            // The first note of all comes when sound is there, if it is still held.
            this.live.set(who, { channel: -1, pitch });
            void this.wake()
                .then(() => this.live.get(who)?.channel === -1 && this.liveOn(part, who, pitch, velocity))
                .catch(() => this.live.delete(who));
            return;
        }
        this.liveOff(who);
        const channel = this.routing.of(part, part.channel);
        if (!this.playing) this.synth.open(Math.max(this.synth.context.currentTime, this.settled));
        this.synth.on(channel, pitch, velocity);
        this.live.set(who, { channel, pitch });
        this.watch();
    }

    liveOff(who: string): void {
        const sounding = this.live.get(who);
        this.live.delete(who);
        if (sounding && sounding.channel >= 0)
            this.synth?.off(sounding.channel, sounding.pitch, this.synth.context.currentTime + GUARD);
    }

    /** A controller, a bend or pressure, as it is played. */
    liveMessage(part: Part, status: number, data: number[]): void {
        if (this.synth && this.routing) this.synth.send(this.routing.of(part, part.channel), status, data);
    }

    /** The song changed: what sounds and is no more, ends; what changed its end, ends there. */
    changed(): void {
        this.routing = null;
        if (!this.playing || !this.song || !this.synth) return;
        const now = this.synth.context.currentTime;
        const position = this.position();
        for (const s of this.sounding) {
            const note = s.part.notes.get(s.note.id);
            const stands =
                note &&
                !note.muted &&
                note.pitch === s.note.pitch &&
                note.channel === s.note.channel &&
                this.audible(s.part);
            if (!stands || position >= note.start + note.length || position < note.start - this.song.time.ppq / 4) {
                this.end(s, Math.max(now, s.at) + GUARD);
            } else {
                s.note = note;
                s.end = now + this.song.time.seconds(note.start + note.length) - this.song.time.seconds(position);
            }
        }
        this.sounding = this.sounding.filter((s) => !s.ended);
    }

    /** Sounds notes for a moment, as they are touched. */
    try(part: Part, notes: readonly Note[]): void {
        if (!this.hear || this.playing || notes.length === 0 || notes.length > MOST_TRIED * 2) return;
        void this.wake()
            .then((synth) => {
                this.endTried();
                this.prepare(synth);
                synth.open(Math.max(synth.context.currentTime, this.settled));
                this.chase(notes[0]!.start, synth.context.currentTime, part);
                for (const note of notes.slice(0, MOST_TRIED)) {
                    const channel = this.routing!.of(part, note.channel);
                    synth.on(channel, note.pitch, note.velocity);
                    const seconds = Math.min(
                        LONGEST_TRIAL,
                        this.song!.time.seconds(note.start + note.length) - this.song!.time.seconds(note.start),
                    );
                    const timer = window.setTimeout(
                        () => synth.off(channel, note.pitch),
                        Math.max(0.08, seconds) * 1000,
                    );
                    this.tried.push({ channel, pitch: note.pitch, timer });
                }
                this.watch();
            })
            .catch(() => {});
    }

    /** The song's position now, in ticks, off the audio clock. */
    position(): number {
        if (!this.playing || !this.synth || !this.song || this.anchors.length === 0) return this.tick;
        const now = this.synth.context.currentTime;
        while (this.anchors.length > 1 && this.anchors[1]!.at <= now) this.anchors.shift();
        const { at, seconds } = this.anchors[0]!;
        return this.song.time.tick(seconds + Math.max(0, now - at));
    }

    /** The notes of a part that sound now. */
    soundingIn(part: Part): Note[] {
        const now = this.synth?.context.currentTime ?? 0;
        const out: Note[] = [];
        if (this.playing)
            for (const s of this.sounding) if (s.part === part && s.at <= now && s.end > now) out.push(s.note);
        return out;
    }

    /** Nothing sounds after this: for stop, for another song, for closing the page. */
    hush(): void {
        const synth = this.synth;
        if (!synth) return;
        const now = synth.context.currentTime;
        const ahead = this.sounding.filter((s) => s.at > now);
        for (const s of this.sounding) this.end(s, Math.max(now, s.at) + GUARD);
        this.sounding = [];
        this.live.clear();
        this.ready = '';
        this.endTried();
        synth.silence(ahead.length > 0);
        if (this.scheduled.at > now) this.settled = this.scheduled.at;
    }

    private endTried(): void {
        for (const { channel, pitch, timer } of this.tried.splice(0)) {
            clearTimeout(timer);
            this.synth?.off(channel, pitch);
        }
    }

    private prepare(synth: Synth): void {
        this.routing ??= new Routing(this.song!);
        synth.channels(this.routing.count, (channel) => this.routing!.isDrums(channel));
    }

    private audible(part: Part): boolean {
        const track = this.song?.tracks.find((t) => t.id === part.trackId);
        return !!track && !!this.song?.audible(track);
    }

    /** Puts programs, controllers and bends where they stand at a tick, so that playing from the middle sounds as from the start. */
    private chase(tick: number, at: number, only?: Part): void {
        const routing = this.routing!;
        const wanted = only
            ? new Set([only.channel, ...[...only.notes.values()].map((n) => n.channel)].map((c) => routing.of(only, c)))
            : null;
        const last = new Map<string, { channel: number; status: number; data: number[] }>();
        const reset = new Set<number>();
        for (const part of this.song!.parts.values()) {
            for (const [at, status, data1, data2] of part.points) {
                if (at > tick) break;
                const kind = status & 0xf0;
                for (const channel of routing.reach(part, status & 0x0f)) {
                    if (wanted && !wanted.has(channel)) continue;
                    reset.add(channel);
                    const which = kind === 0xb0 || kind === 0xa0 ? `${channel}:${kind}:${data1}` : `${channel}:${kind}`;
                    // Put in again, so that a bank is chosen before its program as in the file.
                    last.delete(which);
                    last.set(which, { channel, status, data: dataOf(kind, data1, data2) });
                }
            }
        }
        for (const channel of reset) this.synth!.send(channel, 0xb0, [121, 0], at);
        for (const { channel, status, data } of last.values()) this.synth!.send(channel, status, data, at);
    }

    /** Hands over everything up to a moment ahead of the audio clock. */
    private pump(): void {
        const synth = this.synth!;
        const song = this.song!;
        this.look();
        const until = synth.context.currentTime + AHEAD;
        while (this.scheduled.at < until) {
            const loop = this.loop;
            const loopEnd = loop?.on ? song.time.seconds(loop.to) : Infinity;
            const { at, seconds } = this.scheduled;
            // A loop that lies behind is left behind.
            const wraps = loop?.on === true && seconds < loopEnd - 1e-9 && seconds + (until - at) >= loopEnd - 1e-9;
            const to = wraps ? loopEnd : seconds + (until - at);
            this.handOver(seconds, to, at - seconds, loop?.on === true && seconds < loopEnd);
            // Not by adding up: a sum that falls a hair short of the goal would be gone for again and again.
            this.scheduled = { at: wraps ? at + (to - seconds) : until, seconds: to };
            if (wraps) {
                const wrap = this.scheduled.at;
                for (const s of this.sounding) this.end(s, Math.min(s.end, wrap));
                this.sounding = [];
                this.scheduled = { at: wrap, seconds: song.time.seconds(loop.from) };
                this.anchors.push(this.scheduled);
                this.chase(loop.from, wrap);
            }
        }
        for (const s of this.sounding) if (s.end <= until) this.end(s, s.end);
        this.sounding = this.sounding.filter((s) => !s.ended || s.end > synth.context.currentTime);
        if (this.position() >= song.end && !this.loop?.on && !this.goesOn) this.stop();
    }

    /** Hands over what lies between two moments of song time; `shift` makes audio time of it. */
    private handOver(from: number, to: number, shift: number, looped: boolean): void {
        const song = this.song!;
        const [first, last] = [song.time.tick(from), song.time.tick(to)];
        this.routing ??= new Routing(song);
        const loopEnd = looped ? song.time.seconds(this.loop!.to) : Infinity;
        if (this.clicks) this.beats(first, last, shift);
        for (const track of song.tracks) {
            const heard = song.audible(track);
            for (const part of track.parts) {
                for (let i = firstPoint(part, first); i < part.points.length && part.points[i]![0] < last; i++) {
                    const [tick, status, data1, data2] = part.points[i]!;
                    for (const channel of this.routing.reach(part, status & 0x0f)) {
                        this.synth!.send(
                            channel,
                            status,
                            dataOf(status & 0xf0, data1, data2),
                            song.time.seconds(tick) + shift,
                        );
                    }
                }
                if (!heard) continue;
                for (
                    let i = part.firstFrom(first - 1e-6);
                    i < part.ordered.length && part.ordered[i]!.start < last - 1e-6;
                    i++
                ) {
                    const note = part.ordered[i]!;
                    if (note.muted || this.passes(part, note)) continue;
                    const begin = song.time.seconds(note.start) + shift;
                    const end = Math.min(song.time.seconds(note.start + note.length), loopEnd) + shift;
                    this.begin(part, note, begin, end);
                }
            }
        }
    }

    /** Hands over the beats of the metronome between two ticks. */
    private beats(first: number, last: number, shift: number): void {
        const { time, parts } = this.song!;
        const lines = parts.values().next().value?.lines;
        if (!lines) return;
        let end = 0;
        for (let bar = barAt(lines, Math.max(0, first)); ; bar++) {
            // A take may go on past the bars that are known.
            const start = lines.bars[bar] ?? end;
            if (start >= last) return;
            const [beats, unit] = time.meterAt(start);
            const beat = (4 * time.ppq) / unit;
            end = lines.bars[bar + 1] ?? start + beats * beat;
            for (let tick = start; tick < Math.min(end, last) - 1e-6; tick += beat)
                if (tick >= first - 1e-6)
                    this.synth!.click(time.seconds(tick) + shift, tick === start, this.metronomeLevel);
        }
    }

    private begin(part: Part, note: Note, at: number, end: number): void {
        const channel = this.routing!.of(part, note.channel);
        // The same key struck again: the note before ends here, so that its end does not cut this one short.
        for (const s of this.sounding)
            if (s.channel === channel && s.note.pitch === note.pitch && s.end > at) this.end(s, at);
        this.synth!.on(channel, note.pitch, note.velocity, at);
        this.sounding.push({ part, note, channel, at, end, ended: false });
    }

    private end(s: Sounding, at: number): void {
        if (s.ended) return;
        s.ended = true;
        s.end = at;
        this.synth!.off(s.channel, s.note.pitch, at);
    }

    private draw(): void {
        this.frame = requestAnimationFrame(() => {
            if (!this.playing) return;
            this.tick = this.position();
            const left = this.anchors[0]!.at - this.synth!.context.currentTime;
            this.counting = this.countsIn && left > 0 ? Math.ceil(left / this.beat - 1e-6) : 0;
            this.measure();
            this.onFrame(this.tick);
            this.draw();
        });
    }

    private measure(): void {
        this.level = this.synth?.level() ?? 0;
        const now = performance.now();
        if (this.level >= this.peak || now > this.peakUntil) {
            this.peak = this.level;
            this.peakUntil = now + PEAK_MS;
        }
    }

    /** Shows the level until nothing sounds any more. */
    private watch(): void {
        clearInterval(this.quiet);
        let silent = 0;
        this.quiet = window.setInterval(() => {
            if (this.playing) return clearInterval(this.quiet);
            this.measure();
            silent = this.level < 1e-4 ? silent + 1 : 0;
            if (silent > 20 && this.peak < 1e-4) clearInterval(this.quiet);
        }, 50);
    }
}

function spanKey(song: number): string {
    return `jactonic.span.${song}`;
}

function keptSpan(song: number): Loop | null {
    try {
        const kept = JSON.parse(localStorage.getItem(spanKey(song)) ?? 'null') as Loop | null;
        return kept && kept.to > kept.from && kept.from >= 0 ? { from: kept.from, to: kept.to, on: kept.on } : null;
    } catch {
        return null;
    }
}

function firstPoint(part: Part, tick: number): number {
    let low = 0;
    let high = part.points.length;
    while (low < high) {
        const mid = (low + high) >> 1;
        if (part.points[mid]![0] < tick - 1e-6) low = mid + 1;
        else high = mid;
    }
    return low;
}

/** Programs and channel pressure have one byte of data. */
function dataOf(kind: number, data1: number, data2: number): number[] {
    return kind === 0xc0 || kind === 0xd0 ? [data1] : [data1, data2];
}

export const transport = new Transport();
