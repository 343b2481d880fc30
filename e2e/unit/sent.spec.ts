import { expect, test } from '@playwright/test';
import type { Part } from '../../resources/js/api/part.svelte';
import type { Song } from '../../resources/js/api/song.svelte';
import { Time } from '../../resources/js/rules/time';
import type { Routing } from '../../resources/js/sound/routing';
import { PlayerSync } from '../../resources/js/sound/player-sync';

const time = (tempo: number): Time => new Time(960, [[0, 0, tempo]], []);
const note = (id: number) => ({ id, start: 0, until: 960, channel: 0, pitch: 60, velocity: 80 });
const part = (id: number): Part =>
    ({ id, ordered: [], heard: { notes: [note(id)], points: [], version: 0 } }) as unknown as Part;
const routing = { key: '', of: (_: Part, channel: number) => channel, reach: () => [] } as unknown as Routing;
const plays = (): boolean => false;

function song(parts: Part[], tempo = 500_000): Song {
    return {
        time: time(tempo),
        parts: new Map(parts.map((p) => [p.id, p])),
        tracks: [{ id: 1, parts }],
        audible: () => true,
    } as unknown as Song;
}

/** The parts that a sound is told of, asked again until it knows all, each time with so much patience. */
function told(sent: PlayerSync, of: Song, patience: number): number[][] {
    const real = performance.now;
    let now = 0;
    // Each look at the clock is a millisecond later than the one before.
    performance.now = () => now++;
    try {
        const all: number[][] = [];
        do all.push(sent.difference(of, routing, plays, null, patience).parts!.map((p) => p.part));
        while (!sent.all);
        return all;
    } finally {
        performance.now = real;
    }
}

test('with little patience it is told a few parts at a time, each once, and then all of it', () => {
    const of = song([1, 2, 3, 4, 5].map(part));
    const sent = new PlayerSync();
    expect(told(sent, of, 2)).toEqual([[1, 2], [3, 4], [5]]);
    expect(told(sent, of, 2)).toEqual([[]]);
});

test('what was told in the old tempo is told anew, however little at a time', () => {
    const parts = [1, 2, 3].map(part);
    const sent = new PlayerSync();
    expect(told(sent, song(parts), Infinity)).toEqual([[1, 2, 3]]);
    const slower = song(parts, 750_000);
    expect(told(sent, slower, 1)).toEqual([[1], [2], [3]]);
    expect(told(sent, slower, 1)).toEqual([[]]);
});
