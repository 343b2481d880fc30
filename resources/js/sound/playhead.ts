import type { Time } from '../rules/time';
import { Anchors } from './anchors';
import { Clocks } from './clock';
import { latency } from './latency.svelte';
import type { Loop } from './span';

/** Where it plays, off the audio clock: the only clock there is. */
export class Playhead {
    private readonly anchors = new Anchors();
    private readonly clocks = new Clocks();
    /** The loop lay behind when it was set: it is left behind. */
    private behind = false;

    begin(at: number, seconds: number): void {
        this.anchors.begin({ at, seconds });
        this.behind = false;
    }

    /** Song time and audio time meet otherwise: round a loop, or at another tempo. */
    met(at: number, seconds: number): void {
        this.anchors.add({ at, seconds });
        this.behind = false;
    }

    looped(time: Time, loop: Loop | null, now: number): void {
        this.behind = loop !== null && (this.seconds(time, null, now) ?? 0) >= time.seconds(loop.to);
    }

    clear(): void {
        this.anchors.clear();
    }

    /** The audio time at which the first tick sounds; 0 while nothing plays. */
    get starts(): number {
        return this.anchors.first?.at ?? 0;
    }

    /** Seconds of the song at an audio time; null while nothing plays. */
    seconds(time: Time, loop: Loop | null, at: number): number | null {
        const anchor = this.anchors.at(at);
        if (!anchor) return null;
        const seconds = anchor.seconds + Math.max(0, at - anchor.at);
        if (!loop?.on || this.behind) return seconds;
        // It may have gone round already, and that not be told yet.
        const [from, to] = [time.seconds(loop.from), time.seconds(loop.to)];
        return anchor.seconds < to && seconds >= to && to > from ? from + ((seconds - to) % (to - from)) : seconds;
    }

    /** Compares the clock of events with the audio clock. */
    look(context: AudioContext): void {
        this.clocks.look(context.currentTime, performance.now());
    }

    /** The audio clock at the moment of an event, in seconds. */
    audioAt(stamp: number): number {
        return this.clocks.audio(stamp);
    }

    /** The moment at which this machine lets an audio time be heard, in milliseconds of the clock of events. */
    stampOf(audio: number): number {
        return this.clocks.stamp(audio + latency.told / 1000);
    }
}
