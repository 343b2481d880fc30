import type { Count, Did, FromSound, Message, Strike, ToSound } from '../protocol';
import { Click } from './click';
import { Load } from './load';
import { Sequence, type Due } from './sequence';
import { Voices } from './voices';

/** Seconds after which what was asked for begins, and of fading out. */
const START_IN = 0.015;
const FADE = 0.04;
const SHARP_FADE = 0.005;
/** Seconds after the last voice in which the room's echo is still worked out. */
const ECHO = 5;
const ON = 0x90;
const OFF = 0x80;

/**
 * The sound: all that is played, live or from the song, and the metronome, by one clock, in the thread that makes the
 * sound. What is due within a block begins at its own sample; the page only says what is to be played.
 */
class Sound extends AudioWorkletProcessor {
    private readonly sequence = new Sequence(sampleRate);
    private readonly click = new Click(sampleRate);
    private readonly load = new Load(sampleRate);
    private readonly voices = new Voices(sampleRate, (token) => this.tell({ kind: 'warmed', token }));
    private ready = false;
    /** Clicks counted by themselves, and ends of notes that are tried: by frame. */
    private counted: Due[] = [];
    private tried: { at: number; channel: number; pitch: number }[] = [];
    private gain = 1;
    /** Frames left of fading out; −1 where it does not. */
    private fading = -1;
    private fadeLength = 1;
    /** Whether sound is let out again after it. */
    private reopens = false;
    private frame = -1;
    private quietSince = 0;
    /** Whether the last block was worked out, and not left silent. */
    private made = false;
    private blocks = 0;
    private lost = 0;
    private watched: Did[] | null = null;
    private toldOff = false;

    constructor() {
        super();
        this.sequence.onRound = (at, seconds) => this.tell({ kind: 'round', at, seconds });
        this.sequence.onEnd = () => this.tell({ kind: 'ended' });
        this.port.onmessage = ({ data }: MessageEvent<ToSound>) => this.hear(data);
    }

    private tell(message: FromSound): void {
        this.port.postMessage(message);
    }

    private hear(asked: ToSound): void {
        switch (asked.kind) {
            case 'bank':
                this.voices.load(asked.bytes, asked.decoder).then(
                    () => {
                        this.ready = true;
                        this.tell({ kind: 'ready' });
                    },
                    (e: unknown) => this.tell({ kind: 'failed', why: e instanceof Error ? e.message : String(e) }),
                );
                return;
            case 'channels':
                return this.voices.channels(asked.count, asked.drums);
            case 'warm':
                return this.voices.warm(asked.token, asked.wanted);
            case 'plan':
                return this.sendAll(this.sequence.take(asked.plan, currentFrame));
            case 'play':
                return this.play(asked.from, asked.chase, asked.count);
            case 'stop':
                return this.stop();
            case 'metronome':
                this.sequence.clicks = asked.on;
                this.click.level = asked.level;
                return;
            case 'count':
                return this.tell({ kind: 'counts', at: this.count(asked.count, this.open()) / sampleRate });
            case 'send':
                this.openNow();
                return this.sendAll(asked.messages);
            case 'try':
                return this.try(asked.strikes);
            case 'watch':
                this.watched = [];
                return;
            case 'report':
                return this.report();
        }
    }

    private play(from: number, chase: Message[], count: Count | null): void {
        const start = this.open();
        this.counted = [];
        this.sendAll(chase);
        const at = count ? this.count(count, start) + Math.round(count.clicks * count.every * sampleRate) : start;
        this.toldOff = false;
        this.sequence.begin(from, at);
        this.tell({ kind: 'began', at: at / sampleRate, seconds: from });
    }

    /** Counts from a frame on; gives it. */
    private count({ clicks, every, bar }: Count, start: number): number {
        this.counted = Array.from({ length: clicks }, (_, i) => ({
            at: start + Math.round(i * every * sampleRate),
            rank: 0,
            message: i % bar === 0 ? 'accent' : 'click',
        }));
        return start;
    }

    /** Lets sound out, from the frame on that it gives: what still fades out is gone by then. */
    private open(): number {
        if (this.fading >= 0) {
            this.fadeOut(SHARP_FADE);
            this.reopens = true;
        } else this.gain = 1;
        return currentFrame + Math.round(START_IN * sampleRate);
    }

    /** Lets sound out at once. */
    private openNow(): void {
        if (this.fading >= 0) this.voices.cutAll();
        this.fading = -1;
        this.gain = 1;
    }

    /** Ends everything: notes, pedals that hold them, and after a moment the room's echo. */
    private stop(): void {
        this.sequence.stop();
        this.counted = [];
        this.tried = [];
        this.click.end();
        this.voices.endAll();
        this.reopens = false;
        if (this.gain > 0) this.fadeOut(FADE);
        this.watched?.push([currentFrame / sampleRate, [0, 0xb0, 123, 0]]);
    }

    private fadeOut(seconds: number): void {
        const frames = Math.round(seconds * sampleRate);
        if (this.fading >= 0 && this.fading < frames) return;
        this.fading = this.fadeLength = frames;
    }

    private try(strikes: readonly Strike[]): void {
        this.openNow();
        for (const { channel, pitch } of this.tried.splice(0)) this.send([channel, OFF, pitch, 64], currentFrame);
        for (const { channel, pitch, velocity, seconds } of strikes) {
            this.send([channel, ON, pitch, velocity], currentFrame);
            this.tried.push({ at: currentFrame + Math.round(seconds * sampleRate), channel, pitch });
        }
    }

    private sendAll(messages: readonly Message[]): void {
        for (const message of messages) this.send(message, currentFrame);
    }

    private send(message: Message, frame: number): void {
        this.voices.send(message);
        this.watched?.push([frame / sampleRate, message]);
    }

    private report(): void {
        const { apart } = this.voices;
        this.tell({
            kind: 'report',
            report: {
                ...{ voices: this.voices.count, blocks: this.blocks, lost: this.lost, apart },
                ...{ late: this.sequence.late, load: this.load.share },
            },
        });
    }

    /** Called for each block of samples. */
    process(_: Float32Array[][], outputs: Float32Array[][]): boolean {
        const [left, right] = outputs[0]!;
        if (!this.ready || !left || !right) return true;
        const first = currentFrame;
        const last = first + left.length;
        const begun = Date.now();
        const lost = this.frame >= 0 && first > this.frame ? first - this.frame : 0;
        this.frame = last;
        this.blocks++;
        this.lost += lost;
        this.voices.setClock(first / sampleRate, lost === 0 && this.made);
        this.fill(left, right, first, last);
        this.fade(left, right);
        this.mind(Date.now() - begun, left.length, lost);
        if (this.watched && this.watched.length > 0) this.tell({ kind: 'did', did: this.watched.splice(0) });
        return true;
    }

    private fill(left: Float32Array, right: Float32Array, first: number, last: number): void {
        const due = this.sequence.due(first, last);
        if (this.counted.length > 0) {
            due.push(...this.counted.filter((c) => c.at < last));
            this.counted = this.counted.filter((c) => c.at >= last);
        }
        if (this.tried.some((t) => t.at < last)) {
            for (const { at, channel, pitch } of this.tried.filter((t) => t.at < last))
                due.push({ at, rank: 0, message: [channel, OFF, pitch, 64] });
            this.tried = this.tried.filter((t) => t.at >= last);
        }
        // Sorting keeps the order of what is due at one frame.
        due.sort((a, b) => a.at - b.at || a.rank - b.rank);
        const sounds = this.voices.count > 0 || due.length > 0 || this.click.sounds;
        if (sounds) this.quietSince = last;
        this.made = sounds || last - this.quietSince <= ECHO * sampleRate;
        if (!this.made) return;
        let done = 0;
        for (const { at, message } of due) {
            const offset = Math.max(done, Math.min(last, at) - first);
            done = this.render(left, right, done, offset);
            if (typeof message === 'string') {
                this.click.strike(message === 'accent');
                this.watched?.push([(first + offset) / sampleRate, message]);
            } else this.send(message, first + offset);
        }
        this.render(left, right, done, left.length);
    }

    private render(left: Float32Array, right: Float32Array, from: number, to: number): number {
        if (to <= from) return from;
        this.voices.render(left, right, from, to - from);
        this.click.add(left, right, from, to - from);
        return to;
    }

    private fade(left: Float32Array, right: Float32Array): void {
        if (this.fading < 0 && this.gain === 1) return;
        for (let i = 0; i < left.length; i++) {
            if (this.fading > 0) this.gain = --this.fading / this.fadeLength;
            left[i]! *= this.gain;
            right[i]! *= this.gain;
        }
        if (this.fading !== 0) return;
        this.fading = -1;
        this.gain = this.reopens ? 1 : 0;
        this.voices.cutAll();
    }

    /** Where the machine cannot make so many voices in time, the quietest end softly, and it is said once each time it plays. */
    private mind(ms: number, frames: number, lost: number): void {
        this.load.add(ms, frames, lost, this.voices.count);
        if (this.voices.count <= this.load.most) return;
        const voices = this.voices.letGo(this.load.most);
        if (voices > 0 && !this.toldOff) this.tell({ kind: 'let-go', voices });
        this.toldOff = this.toldOff || voices > 0;
    }
}

registerProcessor('jactonic-sound', Sound);
