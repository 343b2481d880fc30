import { expect, test } from '@playwright/test';
import { Lines } from '../../resources/js/rules/lines';
import { clock, Time } from '../../resources/js/rules/time';
import type { LinesData } from '../../resources/js/api/types';

/** Two bars of 4/4 in eighths swung to 60 %, one that is cut short, then 3/4. */
const SWUNG: LinesData = {
    runs: [
        [0, 0, 3840, 2, [[0, 0]]],
        [7680, 2, 100, 1, [[0, 2]]],
        [7780, 3, 2880, 2 ** 30, [[0, 1]]],
    ],
    patterns: [[0, 576, 960, 1536, 1920, 2496, 2880, 3456], [0, 576, 960, 1536, 1920, 2496], [0]],
};

/** A line every second bar only. */
const SPARSE: LinesData = {
    runs: [
        [
            ...([0, 0, 7680, 2 ** 30] as const),
            [
                [0, 0],
                [3840, 1],
            ],
        ],
    ],
    patterns: [[0], []],
};

/** All lines of the first bars. */
function all(lines: Lines): number[] {
    return Array.from({ length: 12 }, (_, i) => lines.barNumber(i)).flatMap((b) => b.pattern.map((o) => b.start + o));
}

const time = new Time(
    960,
    [
        [0, 0, 500_000],
        [1920, 1, 1_000_000],
        [2880, 2, 250_000],
    ],
    [
        [0, 4, 4],
        [7780, 3, 4],
    ],
);
const swung = new Lines(SWUNG);

test('ticks become seconds piece by piece, and back', () => {
    expect([0, 960, 1920, 2400, 2880, 3840].map((t) => time.seconds(t))).toEqual([0, 0.5, 1, 1.5, 2, 2.25]);
    for (let tick = 0; tick < 9000; tick += 77) expect(time.tick(time.seconds(tick))).toBeCloseTo(tick, 6);
    expect([time.tempoAt(0), time.tempoAt(1920), time.tempoAt(99_999)]).toEqual([120, 60, 240]);
    expect([time.meterAt(7779), time.meterAt(7780)]).toEqual([
        [4, 4],
        [3, 4],
    ]);
});

test('places are said as bar, beat and tick from 1', () => {
    expect([0, 959, 960, 3839, 3840, 7680, 7780, 10_659, 10_660].map((t) => time.position(t, swung))).toEqual([
        '1.1.1',
        '1.1.4.99',
        '1.2.1',
        '1.4.4.99',
        '2.1.1',
        '3.1.1',
        '4.1.1',
        '4.3.4.99',
        '5.1.1',
    ]);
    expect([clock(0), clock(61.26)]).toEqual(['0:00.0', '1:01.3']);
});

test('the bar that holds a tick is found, and bars by their number, however far', () => {
    expect([-5, 0, 3839, 3840, 7700, 8000, 10_660].map((t) => swung.barAt(t).index)).toEqual([0, 0, 0, 1, 2, 3, 4]);
    for (const index of [0, 1, 2, 3, 4, 1000, 2 ** 30]) {
        const bar = swung.barNumber(index);
        expect(swung.barAt(bar.start)).toEqual(bar);
        expect(swung.barAt(bar.end - 1)).toEqual(bar);
        expect(swung.after(bar.start)).toBe(bar.end);
    }
    expect(new Lines(SPARSE).barNumber(1001)).toMatchObject({ start: 1001 * 3840, pattern: [] });
});

for (const [name, data] of [
    ['swung eighths', SWUNG],
    ['every second bar', SPARSE],
] as const) {
    test(`the lines about a tick are those that are drawn: ${name}`, () => {
        const lines = new Lines(data);
        const drawn = all(lines);
        for (let tick = 0; tick < drawn.at(-1)!; tick += 31) {
            const before = drawn.findLast((l) => l <= tick)!;
            const after = drawn.find((l) => l > tick)!;
            expect(lines.around(tick)).toEqual([before, after]);
            expect(lines.nearest(tick)).toBe(after - tick <= tick - before ? after : before);
        }
    });
}

test('a tie goes to the later line', () => {
    expect([287, 288, 289].map((t) => swung.nearest(t))).toEqual([0, 576, 576]);
});
