import { expect, test } from '@playwright/test';
import type { Song } from '../../resources/js/api/song.svelte';
import { Routing } from '../../resources/js/sound/routing';

type Points = { status: number; data1: number; heard: number }[];

/** A song of tracks with one part each: points, and whether the part has notes. */
function song(...tracks: { points: Points; notes?: boolean; alone?: number[] }[]): Song {
    const made = tracks.map((t, i) => ({
        id: i + 1,
        parts: [
            {
                id: 10 + i,
                trackId: i + 1,
                points: t.points,
                notes: new Map(t.notes === false ? [] : [[1, {}]]),
                heard: { alone: (t.alone ?? []).map((channel) => ({ channel })) },
            },
        ],
    }));
    const parts = new Map(made.flatMap((t) => t.parts.map((p) => [p.id, p])));
    return { tracks: made, parts } as unknown as Song;
}

const program = (channel: number, number: number): Points[number] => ({
    status: 0xc0 | channel,
    data1: number,
    heard: 1,
});

test('tracks share the channels of the file', () => {
    const made = song({ points: [program(0, 0)] }, { points: [program(1, 32)] }, { points: [program(0, 0)] });
    const routing = new Routing(made);
    expect(routing.count).toBe(16);
    expect(made.tracks.map((t, i) => routing.of(t.parts[0]!, i === 1 ? 1 : 0))).toEqual([0, 1, 0]);
    expect([routing.isDrums(9), routing.isDrums(8)]).toEqual([true, false]);
});

test('a track that asks for another program on a taken channel gets a channel of its own', () => {
    const made = song(
        { points: [program(0, 0)] },
        { points: [program(0, 48)] },
        { points: [program(9, 0)] },
        { points: [program(9, 40)] },
    );
    const routing = new Routing(made);
    expect(routing.count).toBe(18);
    expect(made.tracks.map((t, i) => routing.of(t.parts[0]!, i < 2 ? 0 : 9))).toEqual([0, 16, 9, 17]);
    expect([16, 17].map((c) => routing.isDrums(c))).toEqual([false, true]);
    expect(routing.reach(made.tracks[1]!.parts[0]!, 0)).toEqual([16]);
    expect(routing.reach(made.tracks[0]!.parts[0]!, 0)).toEqual([0]);
});

test('controllers of a track without notes reach every track on their channel', () => {
    const made = song(
        { points: [program(0, 0)] },
        { points: [program(0, 48)] },
        { points: [{ status: 0xb0, data1: 7, heard: 1 }], notes: false },
    );
    expect(new Routing(made).reach(made.tracks[2]!.parts[0]!, 0)).toEqual([0, 16]);
});

test('notes with curves of their own have channels that no other part has', () => {
    const made = song({ points: [program(0, 0)], alone: [16, 17] }, { points: [program(1, 48)], alone: [16] });
    const routing = new Routing(made);
    const [one, two] = made.tracks.map((t) => t.parts[0]!) as [never, never];
    const own = [routing.of(one, 16), routing.of(one, 17), routing.of(two, 16)];
    expect(new Set(own).size).toBe(3);
    expect(Math.min(...own)).toBeGreaterThan(15);
    expect(routing.reach(one, 17)).toEqual([own[1]]);
    expect(routing.of(two, 1)).toBe(1);
});
