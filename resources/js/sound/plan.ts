import type { Part } from '../api/part.svelte';
import { channelOf } from '../api/heard';
import type { Song } from '../api/song.svelte';
import type { Note } from '../api/tables';
import type { Time } from '../api/time';
import { dataOf } from './chase';
import type { Message, PartPlan, Wanted } from './protocol';
import type { Routing } from './routing';

/** How hard a key may be struck live, for having it ready. */
const TOUCHES = [24, 56, 84, 104, 124];
const PROGRAM = 0xc0;

/**
 * A part as it is played. What sounds, and how long, the server said with each note and point.
 *
 * @param listened whether its notes are listened to, which is the person's choice
 * @param passes notes that are not played, though they are there
 */
export function planOf(
    part: Part,
    time: Time,
    routing: Routing,
    listened: boolean,
    passes: (part: Part, note: Note) => boolean,
): PartPlan {
    const heard = listened ? part.heard.notes.filter((n) => n.until > 0 && !passes(part, n)) : [];
    const notes = {
        ids: Float64Array.from(heard, (n) => n.id),
        starts: Float64Array.from(heard, (n) => time.seconds(n.start)),
        ends: Float64Array.from(heard, (n) => time.seconds(n.until)),
        channels: Uint16Array.from(heard, (n) => routing.of(part, n.channel)),
        pitches: Uint8Array.from(heard, (n) => n.pitch),
        velocities: Uint8Array.from(heard, (n) => n.velocity),
    };
    const times: number[] = [];
    const messages: Message[] = [];
    for (const point of part.heard.points) {
        if (!point.heard) continue;
        for (const channel of routing.reach(part, channelOf(point))) {
            times.push(time.seconds(point.tick));
            messages.push([channel, point.status, ...dataOf(point)]);
        }
    }
    return { part: part.id, notes, points: { times: Float64Array.from(times), messages } };
}

/** The notes of a song, with the programs that may play them: to be had ready. */
export function wantedOf(song: Song, routing: Routing): Wanted[] {
    const wanted = new Map<string, { program: number; drums: boolean; strikes: Set<number> }>();
    const programs = new Map<number, Set<number>>();
    for (const part of song.parts.values())
        for (const point of part.heard.points)
            if ((point.status & 0xf0) === PROGRAM)
                for (const channel of routing.reach(part, channelOf(point)))
                    programs.set(channel, (programs.get(channel) ?? new Set()).add(point.data1));
    for (const part of song.parts.values())
        for (const note of part.heard.notes) {
            const channel = routing.of(part, note.channel);
            const drums = routing.isDrums(channel);
            for (const program of programs.get(channel) ?? [0]) {
                const key = `${program} ${drums}`;
                const one = wanted.get(key) ?? { program, drums, strikes: new Set() };
                wanted.set(key, one);
                one.strikes.add((note.pitch << 7) | note.velocity);
            }
        }
    return [...wanted.values()].map((w) => ({ ...w, strikes: [...w.strikes] }));
}

/** All that may be struck live in a part. */
export function strikesOf(part: Part, routing: Routing): Wanted[] {
    const channel = routing.of(part, part.channel);
    const drums = routing.isDrums(channel);
    const programs = new Set(part.points.filter((p) => (p.status & 0xf0) === PROGRAM).map((p) => p.data1));
    const strikes = Array.from({ length: 128 }, (_, pitch) => TOUCHES.map((v) => (pitch << 7) | v)).flat();
    return [...(programs.size > 0 ? programs : [0])].map((program) => ({ program, drums, strikes }));
}
