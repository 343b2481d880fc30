import type { SongData } from '../api/types';

/** A channel message: the synthesizer's channel (from 16 on those of its own), status without channel, data. */
export type Message = [channel: number, status: number, ...data: number[]];

/** The notes of a part that are heard, in order of start; times are seconds of the song. */
export interface NotesPlan {
    ids: Float64Array;
    starts: Float64Array;
    ends: Float64Array;
    channels: Uint16Array;
    pitches: Uint8Array;
    velocities: Uint8Array;
}

/** What a part's lanes send, in order of time. */
export interface PointsPlan {
    times: Float64Array;
    messages: Message[];
}

export interface PartPlan {
    part: number;
    notes: NotesPlan;
    points: PointsPlan;
}

/** Where the song goes round, in its seconds, and what puts programs and controllers where they stand at its start. */
export interface LoopPlan {
    from: number;
    to: number;
    chase: Message[];
}

export type TimePlan = Pick<SongData, 'ppq' | 'tempos' | 'meters'>;

/** What changed of what is to be played. Left out, it stays. */
export interface Plan {
    parts?: PartPlan[];
    gone?: number[];
    time?: TimePlan;
    loop?: LoopPlan | null;
    /** Seconds at which the song is over; Infinity for a take, which goes on. */
    end?: number;
    /** What puts right, at once, what points that are no more left standing. */
    now?: Message[];
}

/** A note to be had ready: program (drum kits by number too), and the strikes wanted of it. */
export interface Wanted {
    program: number;
    drums: boolean;
    /** pitch · 128 + velocity */
    strikes: number[];
}

/** What the page asks of the sound. */
export type ToSound =
    | { kind: 'bank'; bytes: ArrayBuffer; decoder: MessagePort }
    | { kind: 'channels'; count: number; drums: number[] }
    | { kind: 'warm'; token: number; wanted: Wanted[] }
    | { kind: 'plan'; plan: Plan }
    | { kind: 'play'; from: number; chase: Message[]; count: Count | null }
    | { kind: 'stop' }
    | { kind: 'metronome'; on: boolean; level: number }
    | { kind: 'count'; count: Count }
    | { kind: 'send'; messages: Message[] }
    | { kind: 'try'; strikes: Strike[] }
    | { kind: 'watch' }
    | { kind: 'report' };

/** Clicks counted before it plays, or by themselves: so many, every so many seconds, with so many to a bar. */
export interface Count {
    clicks: number;
    every: number;
    bar: number;
}

/** A note tried for some seconds. */
export interface Strike {
    channel: number;
    pitch: number;
    velocity: number;
    seconds: number;
}

/** How the sound is doing. */
export interface Report {
    voices: number;
    blocks: number;
    /** Frames that the machine did not ask for: gaps that were heard. */
    lost: number;
    /** The farthest that the synthesizer's clock came to stand from the audio clock over a block, in seconds. */
    apart: number;
    /** Notes and clicks that came to be due only after their time. */
    late: number;
    /** Share of the time that goes into making sound, 0 to 1. */
    load: number;
}

/** What the sound tells the page. Times are of the audio clock, in seconds. */
export type FromSound =
    | { kind: 'ready' }
    | { kind: 'failed'; why: string }
    | { kind: 'warmed'; token: number }
    | { kind: 'began' | 'round'; at: number; seconds: number }
    | { kind: 'counts'; at: number }
    | { kind: 'ended' }
    | { kind: 'let-go'; voices: number }
    | { kind: 'report'; report: Report }
    | { kind: 'did'; did: Did[] };

/** What was done, while it is watched: when, and the message; a click is of no channel. */
export type Did = [at: number, message: Message | 'click' | 'accent'];
