import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Note } from '../api/tables';
import type { Time } from '../rules/time';
import { chased } from './chase';
import { latency } from './latency.svelte';
import { Live } from './live';
import { Loudness } from './loudness.svelte';
import { metronome } from './metronome.svelte';
import { strikesOf, wantedOf } from './plan';
import { Playhead } from './playhead';
import type { Count, LoopPlan } from './protocol';
import { Routing } from './routing';
import { PlayerSync } from './player-sync';
import { keepSpan, keptSpan, type Loop } from './span';
import type { Synth } from './synth';
import { Trial, type ClipParts } from './trial';

/** How playing begins. */
export interface Begin {
    /** Bars counted before it. */
    countIn?: number;
    /** The metronome is heard, whatever its switch says. */
    click?: boolean;
}

const plays = (): boolean => false;

/** How long what is told beforehand may hold up the page at a time, in milliseconds. */
const PATIENCE = 6;

/** Plays a song. The sound keeps the time, in a thread of its own; the page tells it what is to be played, and shows where. */
export class Transport {
    playing = $state(false);
    /** Where it stands while stopped, and where it was last shown while playing, in ticks. */
    tick = $state(0);
    loop = $state.raw<Loop | null>(null);
    hear = $state(localStorage.getItem('jactonic.hear') !== 'off');
    /** Somebody waits for the sound. */
    loading = $state(false);
    /** The share of the sound that was fetched, while it is, 0 to 1; null before and after. */
    fetched = $state<number | null>(null);
    /** Beats left of the count-in; 0 while none is counted. */
    counting = $state(0);
    /** Whether the playhead goes back on stop to where it was started. */
    returns = $state(localStorage.getItem('jactonic.returns') === 'yes');
    /** Called when playing ends, by whatever. */
    onStop: () => void = () => {};
    trouble = $state('');
    /** Something that is worth saying, and no trouble. */
    warning = $state('');
    /** Called once a frame while playing. */
    onFrame: (tick: number) => void = () => {};

    private song: Song | null = null;
    private synth: Synth | null = null;
    private starting: Promise<Synth> | null = null;
    private routing: Routing | null = null;
    private readonly sent = new PlayerSync();
    private readonly playhead = new Playhead();
    /** Notes that are not played, though they are there: of what is being recorded over. */
    private passes: (part: Part, note: Note) => boolean = plays;
    /** Whether it plays on past the song's end, for a take. */
    private goesOn = false;
    private frame = 0;
    private asked = 0;
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

    constructor() {
        metronome.onChange = () => {
            this.clicks = metronome.on;
            this.click();
        };
    }

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

    /** Has the sound ready before it is asked for: the bank, and what the song is played with. */
    async ready(): Promise<void> {
        const synth = await this.load().catch(() => null);
        const { song } = this;
        if (!synth || !song) return;
        // A little at a time, so that the page does not stop for it.
        while (!this.playing && this.song === song && !this.sync(synth, null, PATIENCE))
            await new Promise((resolve) => setTimeout(resolve));
        if (this.song !== song) return;
        this.prepare(synth);
        await synth.have(wantedOf(song, this.routing!));
    }

    private load(): Promise<Synth> {
        this.starting ??= (async () => {
            this.trouble = '';
            try {
                const { Synth } = await import('./synth');
                const context = new AudioContext({ latencyHint: 'interactive' });
                this.fetched = 0;
                const listener = {
                    met: (at: number, seconds: number) => this.playing && this.playhead.met(at, seconds),
                    ended: () => this.playing && this.stop(),
                    letGo: () =>
                        (this.warning =
                            'This machine cannot sound so many notes at once in time: the quietest were stopped.'),
                };
                this.synth = await Synth.load(context, listener, (share) => (this.fetched = share));
                latency.hear(context);
                return this.synth;
            } catch (e) {
                this.starting = null;
                this.trouble = `There is no sound: ${e instanceof Error ? e.message : String(e)}`;
                throw e;
            } finally {
                this.fetched = null;
            }
        })();
        return this.starting;
    }

    /** Starts the sound; browsers let it begin only after a key or a click. */
    async wake(): Promise<Synth> {
        this.loading = this.synth === null;
        try {
            const synth = await this.load();
            if (synth.context.state !== 'running') await synth.context.resume();
            latency.hear(synth.context);
            return synth;
        } finally {
            this.loading = false;
        }
    }

    /** Plays from a tick; gives the audio time at which that tick sounds, or null where it came to nothing. */
    async play(from = this.tick, begin: Begin = {}): Promise<number | null> {
        if (!this.song) return null;
        this.stop();
        this.tick = this.begun = from;
        this.playing = true;
        const asked = ++this.asked;
        const synth = await this.wake().catch(() => null);
        // What it is played with is there at once, where the page has been open for a moment.
        if (synth && asked === this.asked) await this.ready();
        if (!synth || asked !== this.asked || !this.playing || !this.song) {
            if (asked === this.asked) this.playing = false;
            return null;
        }
        this.hush();
        this.clicks = begin.click === true;
        this.countsIn = (begin.countIn ?? 0) > 0;
        this.click();
        this.sync(synth, null);
        const { time } = this.song;
        const [beats, unit] = time.meterAt(from);
        this.beat = 240 / unit / time.tempoAt(from);
        const count = this.countsIn ? { clicks: begin.countIn! * beats, every: this.beat, bar: beats } : null;
        const at = await synth.play(time.seconds(from), chased(this.song, this.routing!, from), count);
        if (asked !== this.asked || !this.playing) return null;
        this.playhead.begin(at, time.seconds(from));
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
        cancelAnimationFrame(this.frame);
        this.playhead.clear();
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
        this.playhead.looped(this.song.time, this.loop, this.now);
        if (this.playing && this.synth) this.synth.plan({ loop: this.loopPlan() });
    }

    setReturns(on: boolean): void {
        this.returns = on;
        localStorage.setItem('jactonic.returns', on ? 'yes' : 'no');
    }

    /** For a take: what is not played though it is there, and whether it goes on past the song's end. */
    forTake(goesOn: boolean, passes: (part: Part, note: Note) => boolean = plays): void {
        this.goesOn = goesOn;
        this.passes = passes;
        this.changed();
    }

    private click(): void {
        this.synth?.metronome(this.clicks || metronome.on, metronome.level);
    }

    /** Clicks by themselves; gives the audio time of the first, or null where there is no sound. */
    async count(count: Count): Promise<number | null> {
        const synth = await this.wake().catch(() => null);
        return synth ? synth.count(count) : null;
    }

    /** The audio clock at the moment of an event, in seconds. */
    audioAt(stamp: number): number {
        this.look();
        return this.playhead.audioAt(stamp);
    }

    /** The moment at which an audio time is heard, in milliseconds of the clock of events. */
    stampOf(audio: number): number {
        this.look();
        return this.playhead.stampOf(audio);
    }

    get now(): number {
        return this.synth?.context.currentTime ?? 0;
    }

    private look(): void {
        if (this.synth) this.playhead.look(this.synth.context);
    }

    /** Makes sound ready for what will be played live, so that the first note comes at once. */
    async standBy(part: Part): Promise<void> {
        const synth = await this.wake().catch(() => null);
        if (!synth || !this.song) return;
        const state = `${part.id} ${part.version} ${this.song.revision}`;
        if (this.stands === state) return;
        this.stands = state;
        this.prepare(synth);
        void synth.have(strikesOf(part, this.routing!));
        if (!this.playing) this.prepared(synth, this.tick, part);
    }

    /** The song changed: what is still ahead is heard as it is now, what sounds and is no more ends. */
    changed(): void {
        this.routing = null;
        if (!this.playing || !this.song || !this.synth) return;
        this.sync(this.synth, this.position(this.now));
        void this.synth.have(wantedOf(this.song, this.routing!));
    }

    /** The song's position at an audio time, in ticks; what is heard now where none is given. */
    position(at = this.now - latency.seconds): number {
        if (!this.playing || !this.song) return this.tick;
        const seconds = this.playhead.seconds(this.song.time, this.loop, at);
        return seconds === null ? this.tick : this.song.time.tick(seconds);
    }

    /** The notes of a part that are heard now. */
    soundingIn(part: Part): Note[] {
        const { song } = this;
        if (!this.playing || !song || this.counting > 0 || !song.audible(song.trackOf(part))) return [];
        const tick = this.position();
        const since = this.loop?.on && tick >= this.loop.from ? Math.min(this.begun, this.loop.from) : this.begun;
        const notes: Note[] = [];
        part.between(tick, tick + 1e-6, (n) => {
            if (n.start >= since && n.start <= tick && n.until > tick) notes.push(n);
        });
        return notes;
    }

    /** Nothing sounds after this: for stop, for another song, for closing the page. */
    hush(): void {
        this.live.forget();
        this.stands = '';
        this.synth?.stop();
    }

    /** Sounds notes for a moment, as they are touched. */
    try(part: Part, notes: readonly Note[]): void {
        if (this.hear && !this.playing) this.trial.play(part, notes);
    }

    /** A sound of the bank, and the beginning of a phrase that is not in the song. */
    trySound(program: number, drums: boolean): void {
        if (!this.playing) void this.trial.sound(program, drums).catch(() => {});
    }

    async tryClip(clip: ClipParts, tempo: number): Promise<void> {
        if (!this.playing) await this.trial.phrase(clip, tempo);
    }

    /** The first of eight channels that nothing in the song plays on. */
    spare(synth: Synth): number {
        this.prepare(synth);
        synth.channels(this.routing!.count + 8, this.routing!.ownDrums);
        return this.routing!.count;
    }

    /** The synthesizer and what leads to its channels; null while sound is not there. */
    get there(): { synth: Synth; routing: Routing } | null {
        return this.synth && this.routing ? { synth: this.synth, routing: this.routing } : null;
    }

    /** Makes all stand as at a tick, for the channels of one part. */
    prepared(synth: Synth, tick: number, part: Part): { routing: Routing; time: Time } {
        this.prepare(synth);
        synth.send(...chased(this.song!, this.routing!, tick, part));
        return { routing: this.routing!, time: this.song!.time };
    }

    private prepare(synth: Synth): void {
        if (this.routing) return;
        this.routing = new Routing(this.song!);
        synth.channels(this.routing.count, this.routing.ownDrums);
    }

    /**
     * Tells the sound what it does not know yet.
     *
     * @param tick where it plays; null while it does not
     * @param patience milliseconds after which the rest is left
     * @returns whether it knows all now
     */
    private sync(synth: Synth, tick: number | null, patience = Infinity): boolean {
        const song = this.song!;
        this.prepare(synth);
        synth.plan({
            ...this.sent.difference(song, this.routing!, this.passes, tick, patience),
            loop: this.loopPlan(),
            end: this.goesOn ? Infinity : song.time.seconds(song.end),
        });
        return this.sent.all;
    }

    private loopPlan(): LoopPlan | null {
        const { loop, song } = this;
        if (!loop?.on || !song || !this.routing) return null;
        const { time } = song;
        return {
            from: time.seconds(loop.from),
            to: time.seconds(loop.to),
            chase: chased(song, this.routing, loop.from),
        };
    }

    private draw(): void {
        this.frame = requestAnimationFrame(() => {
            if (!this.playing || !this.synth) return;
            this.look();
            this.tick = this.position();
            const left = this.playhead.starts - (this.now - latency.seconds);
            this.counting = this.countsIn && left > 0 ? Math.ceil(left / this.beat - 1e-6) : 0;
            this.loudness.measure();
            this.onFrame(this.tick);
            this.draw();
        });
    }
}

export const transport = new Transport();
