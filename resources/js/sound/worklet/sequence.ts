import { Time } from '../../rules/time';
import type { LoopPlan, Message, Plan, PartPlan } from '../protocol';
import { Beats } from './beats';

/** Something that is due at a frame of the audio clock: a message, or a click of the metronome. */
export interface Due {
    at: number;
    rank: number;
    message: Message | 'click' | 'accent';
}

interface Sounding {
    part: number;
    id: number;
    channel: number;
    pitch: number;
    /** Seconds of the song. */
    end: number;
}

interface Playing {
    plan: PartPlan;
    note: number;
    point: number;
}

const ON = 0x90;
const OFF = 0x80;
/** What is due at the same frame: ends first, then what sets the sound, then clicks, then notes. */
const RANK = { end: 0, set: 1, click: 2, begin: 3 };
/** A loop shorter than this, in seconds, is none. */
const SHORTEST = 0.005;
const EPS = 1e-9;

/**
 * What is to be played, and which of it is due: it is asked block by block and hands out each thing once, at its frame.
 * Song time and audio time meet at the anchor; the way round a loop moves it by an exact amount, so that no round is a
 * frame off. It knows nothing of sound.
 */
export class Sequence {
    clicks = false;
    /** How often it went round. */
    rounds = 0;
    /** Things that were due before the block they were found in. */
    late = 0;
    /** Told when song time and audio time meet otherwise. */
    onRound: (at: number, seconds: number) => void = () => {};
    onEnd: () => void = () => {};
    private readonly parts = new Map<number, Playing>();
    private sounding: Sounding[] = [];
    private anchor: { frame: number; seconds: number } | null = null;
    private loop: LoopPlan | null = null;
    private time = new Time(960, [[0, 0, 500_000]], [[0, 4, 4]]);
    private beats = new Beats(this.time);
    private end = Infinity;
    /** Seconds of the song before which everything was handed out. */
    private taken = 0;

    constructor(private readonly rate: number) {}

    get playing(): boolean {
        return this.anchor !== null;
    }

    /** Plays from a moment of the song, which is heard at a frame. */
    begin(seconds: number, frame: number): void {
        this.anchor = { frame, seconds };
        this.seek(seconds);
    }

    /** Stops; gives what ends. */
    stop(): Message[] {
        this.anchor = null;
        return this.sounding.splice(0).map((s) => off(s));
    }

    /** Takes over what changed; gives what has to be sent at once. `frame` is the first not handed out yet. */
    take(plan: Plan, frame: number): Message[] {
        const now: Message[] = [];
        if (plan.time) this.retime(new Time(plan.time.ppq, plan.time.tempos, plan.time.meters), frame);
        for (const id of plan.gone ?? []) {
            this.parts.delete(id);
            this.follow(id, null, now);
        }
        for (const part of plan.parts ?? []) {
            this.parts.set(part.part, {
                plan: part,
                note: firstFrom(part.notes.starts, this.taken),
                point: firstFrom(part.points.times, this.taken),
            });
            this.follow(part.part, part, now);
        }
        if (plan.loop !== undefined)
            this.loop = plan.loop && plan.loop.to - plan.loop.from > SHORTEST ? plan.loop : null;
        if (plan.end !== undefined) this.end = plan.end;
        return [...now, ...(plan.now ?? [])];
    }

    /** All that is due from one frame up to another. */
    due(first: number, last: number): Due[] {
        const all: Due[] = [];
        while (this.anchor) {
            const wrap = this.wrap();
            const turn = Math.max(first, Math.round(wrap));
            const until = Math.min(last, turn);
            this.collect(first, until, all);
            if (turn >= last) {
                if (this.taken >= this.end && wrap === Infinity) this.finish(until, all);
                break;
            }
            this.goRound(wrap, turn, all);
        }
        return all.sort((a, b) => a.at - b.at || a.rank - b.rank);
    }

    /** The frame at which it goes back to the loop's start. A loop that lies behind is left behind. */
    private wrap(): number {
        return this.ahead() ? this.frameOf(this.loop!.to) : Infinity;
    }

    private ahead(): boolean {
        return this.loop !== null && this.taken < this.loop.to - EPS / 2;
    }

    private frameOf(seconds: number): number {
        return this.anchor!.frame + (seconds - this.anchor!.seconds) * this.rate;
    }

    private collect(first: number, until: number, all: Due[]): void {
        const { anchor, rate } = this;
        // What lies nearer to a later frame than the last of these is that one's.
        let limit = anchor!.seconds + (until - 0.5 - anchor!.frame) / rate;
        if (this.ahead()) limit = Math.min(limit, this.loop!.to - EPS);
        const at = (seconds: number): number => {
            const frame = Math.round(this.frameOf(seconds));
            if (frame < first) this.late++;
            return Math.max(first, Math.min(until - 1, frame));
        };
        const begins: { at: number; note: Sounding; velocity: number }[] = [];
        for (const playing of this.parts.values()) {
            const { notes, points, part } = playing.plan;
            for (; playing.point < points.times.length && points.times[playing.point]! < limit; playing.point++)
                all.push({
                    at: at(points.times[playing.point]!),
                    rank: RANK.set,
                    message: points.messages[playing.point]!,
                });
            for (; playing.note < notes.starts.length && notes.starts[playing.note]! < limit; playing.note++) {
                const i = playing.note;
                begins.push({
                    at: at(notes.starts[i]!),
                    velocity: notes.velocities[i]!,
                    note: {
                        ...{ part, id: notes.ids[i]!, channel: notes.channels[i]!, pitch: notes.pitches[i]! },
                        end: notes.ends[i]!,
                    },
                });
            }
        }
        for (; this.beats.next < limit; this.beats.go())
            if (this.clicks)
                all.push({
                    at: at(this.beats.next),
                    rank: RANK.click,
                    message: this.beats.accent ? 'accent' : 'click',
                });
        begins.sort((a, b) => a.at - b.at);
        for (const begin of begins) {
            // The same key struck again: the note before ends here, so that its end does not cut this one short.
            this.let((s) => s.channel === begin.note.channel && s.pitch === begin.note.pitch, begin.at, all);
            this.sounding.push(begin.note);
            all.push({
                at: begin.at,
                rank: RANK.begin,
                message: [begin.note.channel, ON, begin.note.pitch, begin.velocity],
            });
        }
        this.sounding = this.sounding.filter((s) => {
            const end = Math.round(this.frameOf(s.end));
            if (end >= until) return true;
            all.push({ at: Math.max(first, end), rank: RANK.end, message: off(s) });
            return false;
        });
        this.taken = Math.max(this.taken, limit);
    }

    /** Ends those that sound and are meant, at a frame or before it where they end themselves. */
    private let(meant: (s: Sounding) => boolean, at: number, all: Due[]): void {
        this.sounding = this.sounding.filter((s) => {
            if (!meant(s)) return true;
            all.push({ at: Math.min(at, Math.round(this.frameOf(s.end))), rank: RANK.end, message: off(s) });
            return false;
        });
    }

    private goRound(wrap: number, turn: number, all: Due[]): void {
        const { from, chase } = this.loop!;
        this.let(() => true, turn, all);
        this.anchor = { frame: wrap, seconds: from };
        this.seek(from);
        this.rounds++;
        for (const message of chase) all.push({ at: turn, rank: RANK.set, message });
        this.onRound(wrap / this.rate, from);
    }

    private finish(at: number, all: Due[]): void {
        this.let(() => true, at - 1, all);
        this.anchor = null;
        this.onEnd();
    }

    private seek(seconds: number): void {
        this.taken = seconds - EPS;
        for (const playing of this.parts.values()) {
            playing.note = firstFrom(playing.plan.notes.starts, this.taken);
            playing.point = firstFrom(playing.plan.points.times, this.taken);
        }
        this.beats.seek(this.taken);
    }

    /** Other tempos or meters: it goes on from the same tick. */
    private retime(time: Time, frame: number): void {
        const tick = this.time.tick(this.taken);
        this.time = time;
        this.beats = new Beats(time);
        if (!this.anchor) return;
        this.taken = time.seconds(tick);
        this.anchor = { frame: Math.max(frame, this.anchor.frame), seconds: this.taken };
        this.beats.seek(this.taken);
        this.onRound(this.anchor.frame / this.rate, this.taken);
    }

    /** A part changed: what sounds and is no more, ends; what changed its end, ends there. */
    private follow(id: number, part: PartPlan | null, now: Message[]): void {
        if (!this.sounding.some((s) => s.part === id)) return;
        const places = new Map<number, number>();
        if (part) for (let i = 0; i < part.notes.ids.length; i++) places.set(part.notes.ids[i]!, i);
        this.sounding = this.sounding.filter((s) => {
            if (s.part !== id) return true;
            const i = places.get(s.id);
            const notes = part?.notes;
            if (
                notes &&
                i !== undefined &&
                notes.pitches[i] === s.pitch &&
                notes.channels[i] === s.channel &&
                notes.starts[i]! < this.taken &&
                notes.ends[i]! > this.taken
            ) {
                s.end = notes.ends[i]!;
                return true;
            }
            now.push(off(s));
            return false;
        });
    }
}

function off(s: Sounding): Message {
    return [s.channel, OFF, s.pitch, 64];
}

/** Index of the first time that is not before a moment. */
function firstFrom(times: Float64Array, seconds: number): number {
    let low = 0;
    let high = times.length;
    while (low < high) {
        const mid = (low + high) >> 1;
        if (times[mid]! < seconds) low = mid + 1;
        else high = mid;
    }
    return low;
}
