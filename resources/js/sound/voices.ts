import type { Part } from '../api/part.svelte';
import type { Note } from '../api/tables';
import { GUARD } from './live';
import type { Synth } from './synth';

interface Voice {
    part: Part;
    note: Note;
    channel: number;
    /** Audio times at which it begins and ends. */
    at: number;
    end: number;
    /** Set once its end was handed over. */
    ended: boolean;
}

/** What was handed to the synthesizer and sounds, or will in a moment: the end of each is handed over only when it is near. */
export class Voices {
    private all: Voice[] = [];

    constructor(private readonly synth: () => Synth | null) {}

    begin(part: Part, note: Note, channel: number, at: number, end: number): void {
        // The same key struck again: the note before ends here, so that its end does not cut this one short.
        for (const v of this.all)
            if (v.channel === channel && v.note.pitch === note.pitch && v.end > at) this.end(v, at);
        this.synth()?.on(channel, note.pitch, note.velocity, at);
        this.all.push({ part, note, channel, at, end, ended: false });
    }

    /** Ends those whose end is near. */
    endTill(until: number, now: number): void {
        for (const v of this.all) if (v.end <= until) this.end(v, v.end);
        this.all = this.all.filter((v) => !v.ended || v.end > now);
    }

    /** Ends all at a time, or before it where they end themselves. */
    endAll(at: number): void {
        for (const v of this.all) this.end(v, Math.min(v.end, at));
        this.all = [];
    }

    /** Cuts all off; says whether some had yet to begin. */
    cut(now: number): boolean {
        const ahead = this.all.some((v) => v.at > now);
        for (const v of this.all) this.end(v, Math.max(now, v.at) + GUARD);
        this.all = [];
        return ahead;
    }

    /**
     * The song changed.
     *
     * @param now of the audio clock
     * @param stands the note as it is now and when it ends; null where it is no more
     */
    follow(now: number, stands: (part: Part, note: Note) => { note: Note; end: number } | null): void {
        for (const v of this.all) {
            const still = stands(v.part, v.note);
            if (still) [v.note, v.end] = [still.note, still.end];
            else this.end(v, Math.max(now, v.at) + GUARD);
        }
        this.all = this.all.filter((v) => !v.ended);
    }

    /** The notes of a part that sound at a time of the audio clock. */
    of(part: Part, now: number): Note[] {
        return this.all.filter((v) => v.part === part && v.at <= now && v.end > now).map((v) => v.note);
    }

    private end(v: Voice, at: number): void {
        if (v.ended) return;
        v.ended = true;
        v.end = at;
        this.synth()?.off(v.channel, v.note.pitch, at);
    }
}
