import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Note } from '../api/tables';
import type { Time } from '../api/time';
import { Anchors, type Anchor } from './anchors';
import { beatsBetween } from './beats';
import { chased, dataOf } from './chase';
import { Clocks } from './clock';
import { heardBetween } from './heard';
import { Live } from './live';
import { Loudness } from './loudness.svelte';
import { Routing } from './routing';
import { keepSpan, keptSpan, type Loop } from './span';
import type { Synth } from './synth';
import { Trial } from './trial';
import { Voices } from './voices';

/** How far ahead of the audio clock notes are handed to the synthesizer, and how often, in seconds. */
const AHEAD = 0.1;
const EVERY = 0.025;
const START_IN = 0.05;

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
    private readonly anchors = new Anchors();
    /** Song time up to which everything was handed over, and the audio time of that. */
    private scheduled: Anchor = { at: 0, seconds: 0 };
    private readonly voices = new Voices(() => this.synth);
    private timer = 0;
    private frame = 0;
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
    readonly live = new Live(this);
    private readonly trial = new Trial(this);
    readonly loudness: Loudness = new Loudness(
        () => this.synth?.level() ?? 0,
        () => this.playing,
    );
    /** For which part and state of it the sound stands ready. */
    private stands = '';

    /** Takes a song to play; null takes it away. What sounded, stops. */
    attach(song: Song | null): void {
        this.stop();
        this.song = song;
        this.routing = null;
        this.tick = 0;
        this.stands = '';
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
        this.anchors.begin({ at, seconds });
        this.scheduled = { at, seconds };
        this.chase(synth, from, at - START_IN / 5);
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
        this.anchors.clear();
        this.hush();
        this.loudness.watch();
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
        keepSpan(this.song.id, this.loop);
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
        const anchor = this.anchors.at(this.now);
        if (this.playing && anchor) void this.play(before.tick(anchor.seconds + Math.max(0, this.now - anchor.at)));
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
        if (this.stands === state) return;
        this.stands = state;
        this.prepare(synth);
        if (!this.playing) this.prepared(synth, this.tick, part);
    }

    /** The song changed: what sounds and is no more, ends; what changed its end, ends there. */
    changed(): void {
        this.routing = null;
        if (!this.playing || !this.song || !this.synth) return;
        const now = this.synth.context.currentTime;
        const position = this.position();
        this.voices.follow(now, (part, was) => {
            const note = part.notes.get(was.id);
            const stands =
                note &&
                note.until > 0 &&
                note.pitch === was.pitch &&
                note.channel === was.channel &&
                this.song!.tracks.some((t) => t.id === part.trackId && this.song!.audible(t)) &&
                position < note.until &&
                position >= note.start - this.song!.time.ppq / 4;
            const left = stands ? this.song!.time.seconds(note.until) - this.song!.time.seconds(position) : 0;
            return stands ? { note, end: now + left } : null;
        });
    }

    /** The song's position now, in ticks, off the audio clock. */
    position(): number {
        if (!this.playing || !this.synth || !this.song) return this.tick;
        const now = this.synth.context.currentTime;
        const anchor = this.anchors.at(now);
        return anchor ? this.song.time.tick(anchor.seconds + Math.max(0, now - anchor.at)) : this.tick;
    }

    /** The notes of a part that sound now. */
    soundingIn(part: Part): Note[] {
        return this.playing ? this.voices.of(part, this.now) : [];
    }

    /** Nothing sounds after this: for stop, for another song, for closing the page. */
    hush(): void {
        const synth = this.synth;
        if (!synth) return;
        const now = synth.context.currentTime;
        const ahead = this.voices.cut(now);
        this.live.forget();
        this.stands = '';
        this.trial.end(synth);
        synth.silence(ahead);
        if (this.scheduled.at > now) this.settled = this.scheduled.at;
    }

    /** Sounds notes for a moment, as they are touched. */
    try(part: Part, notes: readonly Note[]): void {
        if (this.hear && !this.playing) this.trial.play(part, notes);
    }

    /** The synthesizer and what leads to its channels; null while sound is not there. */
    get ready(): { synth: Synth; routing: Routing } | null {
        return this.synth && this.routing ? { synth: this.synth, routing: this.routing } : null;
    }

    /** Lets sound through, where nothing plays. */
    open(): void {
        if (!this.playing && this.synth) this.synth.open(Math.max(this.synth.context.currentTime, this.settled));
    }

    /** Makes all stand as at a tick, for the channels of one part. */
    prepared(synth: Synth, tick: number, part: Part): { routing: Routing; time: Time } {
        this.prepare(synth);
        this.open();
        this.chase(synth, tick, synth.context.currentTime, part);
        return { routing: this.routing!, time: this.song!.time };
    }

    private chase(synth: Synth, tick: number, at: number, only?: Part): void {
        for (const { channel, status, data } of chased(this.song!, this.routing!, tick, only))
            synth.send(channel, status, data, at);
    }

    private prepare(synth: Synth): void {
        this.routing ??= new Routing(this.song!);
        synth.channels(this.routing.count, (channel) => this.routing!.isDrums(channel));
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
                this.voices.endAll(wrap);
                this.scheduled = { at: wrap, seconds: song.time.seconds(loop.from) };
                this.anchors.add(this.scheduled);
                this.chase(synth, loop.from, wrap);
            }
        }
        this.voices.endTill(until, synth.context.currentTime);
        if (this.position() >= song.end && !this.loop?.on && !this.goesOn) this.stop();
    }

    /** Hands over what lies between two moments of song time; `shift` makes audio time of it. */
    private handOver(from: number, to: number, shift: number, looped: boolean): void {
        const song = this.song!;
        const [first, last] = [song.time.tick(from), song.time.tick(to)];
        this.routing ??= new Routing(song);
        const loopEnd = looped ? song.time.seconds(this.loop!.to) : Infinity;
        if (this.clicks)
            beatsBetween(song, first, last, (tick, bar) =>
                this.synth!.click(song.time.seconds(tick) + shift, bar, this.metronomeLevel),
            );
        heardBetween(song, first, last, {
            point: (part, point) => {
                for (const channel of this.routing!.reach(part, point.status & 0x0f))
                    this.synth!.send(channel, point.status, dataOf(point), song.time.seconds(point.tick) + shift);
            },
            note: (part, note) => {
                if (this.passes(part, note)) return;
                const end = Math.min(song.time.seconds(note.until), loopEnd) + shift;
                this.voices.begin(
                    part,
                    note,
                    this.routing!.of(part, note.channel),
                    song.time.seconds(note.start) + shift,
                    end,
                );
            },
        });
    }

    private draw(): void {
        this.frame = requestAnimationFrame(() => {
            if (!this.playing) return;
            this.tick = this.position();
            const left = (this.anchors.at(0)?.at ?? 0) - this.synth!.context.currentTime;
            this.counting = this.countsIn && left > 0 ? Math.ceil(left / this.beat - 1e-6) : 0;
            this.loudness.measure();
            this.onFrame(this.tick);
            this.draw();
        });
    }
}

export const transport = new Transport();
