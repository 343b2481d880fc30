import type { Part } from '../api/part.svelte';
import { channelOf } from '../api/heard';
import type { Song } from '../api/song.svelte';
import type { Note } from '../api/tables';
import type { Time } from '../rules/time';
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
    const way = ways(part, routing);
    const count = heard.length;
    const notes = {
        ids: new Float64Array(count),
        starts: new Float64Array(count),
        ends: new Float64Array(count),
        channels: new Uint16Array(count),
        pitches: new Uint8Array(count),
        velocities: new Uint8Array(count),
    };
    // In one go: `from` with a function takes several times as long, and there may be tens of thousands.
    for (let i = 0; i < count; i++) {
        const note = heard[i]!;
        notes.ids[i] = note.id;
        notes.starts[i] = time.seconds(note.start);
        notes.ends[i] = time.seconds(note.until);
        notes.channels[i] = way(note.channel);
        notes.pitches[i] = note.pitch;
        notes.velocities[i] = note.velocity;
    }
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

/** The channels that a part's notes go to, each worked out once: it is asked of every note. */
function ways(part: Part, routing: Routing): (channel: number) => number {
    const known = new Map<number, number>();
    return (channel) => {
        let to = known.get(channel);
        if (to === undefined) known.set(channel, (to = routing.of(part, channel)));
        return to;
    };
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
    const struck = new Map<number, Set<number>>();
    for (const part of song.parts.values()) {
        const way = ways(part, routing);
        for (const note of part.heard.notes) {
            const channel = way(note.channel);
            let strikes = struck.get(channel);
            if (!strikes) struck.set(channel, (strikes = new Set()));
            strikes.add((note.pitch << 7) | note.velocity);
        }
    }
    for (const [channel, strikes] of struck) {
        const drums = routing.isDrums(channel);
        for (const program of programs.get(channel) ?? [0]) {
            const key = `${program} ${drums}`;
            const one = wanted.get(key) ?? { program, drums, strikes: new Set() };
            wanted.set(key, one);
            for (const strike of strikes) one.strikes.add(strike);
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
