import { expect, test } from '@playwright/test';
import { Sequence, type Due } from '../../resources/js/sound/worklet/sequence';
import type { PartPlan, Plan } from '../../resources/js/sound/protocol';
import { Load } from '../../resources/js/sound/worklet/load';

/** Frames a second and in a block. */
const RATE = 44100;
const BLOCK = 128;

/** A part of notes: id, start, end in seconds, pitch. */
function part(notes: [number, number, number, number][], id = 1): PartPlan {
    const sorted = [...notes].sort((a, b) => a[1] - b[1]);
    return {
        part: id,
        notes: {
            ids: Float64Array.from(sorted, (n) => n[0]),
            starts: Float64Array.from(sorted, (n) => n[1]),
            ends: Float64Array.from(sorted, (n) => n[2]),
            channels: new Uint16Array(sorted.length),
            pitches: Uint8Array.from(sorted, (n) => n[3]),
            velocities: new Uint8Array(sorted.length).fill(90),
        },
        points: { times: new Float64Array(0), messages: [] },
    };
}

/** Asks a sequence block by block; `at` is done before the block that holds a second. */
function run(sequence: Sequence, seconds: number, at: Record<number, () => void> = {}): Due[] {
    const all: Due[] = [];
    const left = Object.entries(at).map(([s, todo]) => [Number(s) * RATE, todo] as const);
    for (let frame = 0; frame < seconds * RATE; frame += BLOCK) {
        for (const one of left.splice(0))
            if (one[0] < frame + BLOCK) one[1]();
            else left.push(one);
        all.push(...sequence.due(frame, frame + BLOCK));
    }
    return all;
}

function ons(all: Due[]): [number, number][] {
    return all.flatMap(({ at, message: m }) => (typeof m !== 'string' && m[1] === 0x90 ? [[at, m[2]!]] : []));
}

/** Every note that began ended, and none ended twice or before it began. */
function balanced(all: Due[]): void {
    const open = new Map<number, number>();
    for (const { message: m } of all) {
        if (typeof m === 'string') continue;
        if (m[1] === 0x90) open.set(m[2]!, (open.get(m[2]!) ?? 0) + 1);
        if (m[1] === 0x80) {
            expect(open.get(m[2]!) ?? 0).toBeGreaterThan(0);
            open.set(m[2]!, open.get(m[2]!)! - 1);
        }
    }
    expect([...open.values()].every((n) => n === 0)).toBe(true);
}

for (const tempo of [20, 300])
    test(`a loop goes round 200 times at ${tempo} with no gap and no note twice, also where notes cross its end`, () => {
        const beat = 60 / tempo;
        const sequence = new Sequence(RATE);
        const plan: Plan = {
            parts: [
                part([
                    [1, 0, beat * 0.4, 60],
                    [2, beat * (1 / 3), beat * 0.5, 61],
                    // Crosses the end of the loop, and so does one that began before its start.
                    [3, beat * 0.9, beat * 1.6, 62],
                    [4, beat * 0.25, beat * 9, 63],
                ]),
            ],
            loop: { from: beat * 0.3, to: beat * 1.1, chase: [[0, 0xc0, 5]] },
        };
        sequence.take(plan, 0);
        sequence.begin(0, 0);
        const all = run(sequence, beat * 0.8 * 201 + beat * 0.3);
        for (const message of sequence.stop()) all.push({ at: Infinity, rank: 0, message });
        balanced(all);
        expect(sequence.rounds).toBeGreaterThanOrEqual(200);
        expect(sequence.late).toBe(0);
        const heard = ons(all);
        // Before the loop, once; within it, once a round, to the nearest frame.
        expect(heard.filter(([, p]) => p === 60)).toHaveLength(1);
        expect(heard.filter(([, p]) => p === 63)).toHaveLength(1);
        for (const [pitch, start] of [
            [61, 1 / 3],
            [62, 0.9],
        ] as const) {
            const mine = heard.filter(([, p]) => p === pitch).slice(0, 200);
            expect(mine).toHaveLength(200);
            mine.forEach(([at], round) =>
                expect(Math.abs(at - (start + round * 0.8) * beat * RATE)).toBeLessThanOrEqual(0.5 + 1e-3),
            );
        }
        // Ends come before what puts things in place, and that before notes.
        const turns = all.filter(({ message: m }) => typeof m !== 'string' && m[1] === 0xc0);
        expect(turns).toHaveLength(sequence.rounds);
    });

test('an edit is heard in the same round where it is still ahead; what sounds and is no more ends, what changed its end ends there', () => {
    const sequence = new Sequence(RATE);
    sequence.take({ parts: [part([[1, 0.1, 1, 60], [2, 0.2, 0.9, 61], [3, 0.6, 0.8, 62], [4, 0.7, 0.8, 63]])] }, 0); // prettier-ignore
    sequence.begin(0, 0);
    const ended: Due[] = [];
    const all = run(sequence, 2, {
        0.4: () => {
            const frame = Math.floor((0.4 * RATE) / BLOCK) * BLOCK;
            const now = sequence.take(
                { parts: [part([[2, 0.2, 0.5, 61], [3, 0.3, 0.8, 62], [4, 0.65, 0.8, 63], [5, 0.75, 0.8, 64]])] }, // prettier-ignore
                frame,
            );
            ended.push(...now.map((message) => ({ at: frame, rank: 0, message })));
        },
    });
    // The first is gone, and ends; the second ends sooner; the third came to lie behind; the others are as they are now.
    expect(ended.map((d) => (d.message as number[])[2])).toEqual([60]);
    balanced([...all, ...ended].sort((a, b) => a.at - b.at || a.rank - b.rank));
    expect(ons(all).map(([at, pitch]) => [Math.round((at / RATE) * 100) / 100, pitch])).toEqual([[0.1, 60], [0.2, 61], [0.65, 63], [0.75, 64]]); // prettier-ignore
    const end = all.find(({ message: m }) => typeof m !== 'string' && m[1] === 0x80 && m[2] === 61)!;
    expect(Math.abs(end.at - 0.5 * RATE)).toBeLessThanOrEqual(0.5);
});

test('another tempo while it plays goes on from the same tick; the metronome follows meters and goes on past the end', () => {
    const sequence = new Sequence(RATE);
    const meters: [number, number, number][] = [[0, 2, 4], [1920, 3, 8]]; // prettier-ignore
    sequence.clicks = true;
    sequence.take({ time: { ppq: 960, tempos: [[0, 0, 500_000]], meters }, parts: [part([[1, 0, 10, 60]])] }, 0);
    sequence.begin(0, 0);
    const all = run(sequence, 3.9, {
        // At one second, tick 1,920, it goes on at half the speed.
        1: () =>
            void sequence.take(
                { time: { ppq: 960, tempos: [[0, 0, 1_000_000]], meters }, parts: [part([[1, 0, 20, 60]])] },
                Math.floor(RATE / BLOCK) * BLOCK,
            ),
    });
    const clicks = all.flatMap(({ at, message: m }) => (typeof m === 'string' ? [[m, at / RATE] as const] : []));
    expect(clicks.map(([m]) => m)).toEqual(['accent', 'click', 'accent', 'click', 'click', 'accent', 'click', 'click']);
    const times = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5];
    clicks.forEach(([, at], i) => expect(Math.abs(at - times[i]!)).toBeLessThan(0.004));
    // The note that sounded goes on sounding.
    expect(ons(all)).toHaveLength(1);
    expect(sequence.late).toBe(0);
});

test('a loop with a change of tempo in it keeps its beats and notes in each round', () => {
    const sequence = new Sequence(RATE);
    sequence.clicks = true;
    sequence.take(
        {
            // The second beat is twice as slow: the loop of two beats lasts a second and a half.
            time: { ppq: 960, tempos: [[0, 0, 500_000], [960, 0.5, 1_000_000]], meters: [[0, 2, 4]] }, // prettier-ignore
            parts: [part([[1, 0, 0.25, 60], [2, 1, 1.25, 61]])], // prettier-ignore
            loop: { from: 0, to: 1.5, chase: [] },
        },
        0,
    );
    sequence.begin(0, 0);
    const all = run(sequence, 1.5 * 50 - 0.01);
    const clicks = all.flatMap(({ at, message: m }) => (typeof m === 'string' ? [[m, at] as const] : []));
    expect(clicks).toHaveLength(100);
    clicks.forEach(([m, at], i) => {
        expect(m).toBe(i % 2 ? 'click' : 'accent');
        expect(Math.abs(at - ((i >> 1) * 1.5 + (i % 2) * 0.5) * RATE)).toBeLessThanOrEqual(0.5);
    });
    const heard = ons(all);
    expect(heard).toHaveLength(100);
    heard.forEach(([at], i) => expect(Math.abs(at - ((i >> 1) * 1.5 + (i % 2)) * RATE)).toBeLessThanOrEqual(0.5));
    expect(sequence.late).toBe(0);
});

test('where sound takes too much of the time fewer voices are let sound, and more again when there is room', () => {
    const load = new Load(RATE);
    const seconds = (n: number, ms: number, lost = 0): void => {
        for (let i = 0; i < (n * RATE) / BLOCK; i++) load.add(ms, BLOCK, lost, 100);
    };
    // A block lasts 2.9 ms.
    seconds(3, 1);
    expect(load.most).toBe(Infinity);
    seconds(0.6, 2.8);
    expect(load.most).toBe(75);
    // What the machine did not ask for in time counts as well.
    seconds(0.6, 1, BLOCK);
    expect(load.most).toBe(56);
    seconds(60, 2.8);
    expect(load.most).toBe(8);
    seconds(120, 0.5);
    expect(load.most).toBe(Infinity);
    expect(load.share).toBeLessThan(0.3);
});
