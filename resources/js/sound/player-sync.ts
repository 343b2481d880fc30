import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Note, Point } from '../api/tables';
import type { Time } from '../rules/time';
import { mended } from './chase';
import { planOf } from './plan';
import type { Message, Plan } from './protocol';
import type { Routing } from './routing';

type Passes = (part: Part, note: Note) => boolean;

interface Known {
    time: Time;
    ordered: readonly Note[];
    points: readonly Point[];
    heard: number;
    state: string;
    passes: Passes;
}

/** What the sound was told of a song: the rest is told when it changes. */
export class PlayerSync {
    private readonly parts = new Map<number, Known>();
    private time: Time | null = null;
    /** Whether it was told all that there was when it was told something last. */
    all = true;

    /**
     * What it has to be told now.
     *
     * @param tick where it plays, for what points that are no more left standing there; null while it does not
     * @param patience milliseconds after which the rest is left for the next time
     */
    difference(song: Song, routing: Routing, passes: Passes, tick: number | null, patience = Infinity): Plan {
        const until = performance.now() + patience;
        this.all = true;
        const { time } = song;
        const plan: Plan = { parts: [], gone: [], now: [] };
        if (this.time !== time) plan.time = { ppq: time.ppq, tempos: time.tempos, meters: time.meters };
        this.time = time;
        const { key } = routing;
        for (const track of song.tracks) {
            const listened = song.audible(track);
            for (const part of track.parts) {
                const known = this.parts.get(part.id);
                const { points, version: heard } = part.heard;
                const state = `${listened} ${track.id} ${key}`;
                if (
                    known?.time === time &&
                    known.ordered === part.ordered &&
                    known.points === points &&
                    known.heard === heard &&
                    known.state === state &&
                    known.passes === passes
                )
                    continue;
                if (performance.now() > until) {
                    this.all = false;
                    break;
                }
                plan.parts!.push(planOf(part, time, routing, listened, passes));
                if (known && known.points !== points && tick !== null)
                    (plan.now as Message[]).push(...mended(part, known.points, routing, tick));
                this.parts.set(part.id, { time, ordered: part.ordered, points, heard, state, passes });
            }
        }
        for (const id of this.parts.keys())
            if (!song.parts.has(id)) {
                plan.gone!.push(id);
                this.parts.delete(id);
            }
        return plan;
    }
}
