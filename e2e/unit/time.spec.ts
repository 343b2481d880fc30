import { expect, test } from '@playwright/test';
import { barAt, clock, linesAround, nearestLine, Time } from '../../resources/js/api/time';
import type { Lines } from '../../resources/js/api/types';

/** Two bars of 4/4 in eighths swung to 60 %, then three of 3/4. */
const SWUNG: Lines = {
    bars: [0, 3840, 7680, 10_560, 13_440],
    of: [0, 0, 1, 1, 1],
    patterns: [
        [0, 576, 960, 1536, 1920, 2496, 2880, 3456],
        [0, 576, 960, 1536, 1920, 2496],
    ],
};

/** A line every second bar only. */
const SPARSE: Lines = { bars: [0, 3840, 7680, 11_520, 15_360], of: [0, 1, 0, 1, 0], patterns: [[0], []] };

function all(lines: Lines): number[] {
    return lines.bars.flatMap((bar, i) => lines.patterns[lines.of[i]!]!.map((o) => bar + o));
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
        [7680, 3, 4],
    ],
);

test('ticks become seconds piece by piece, and back', () => {
    expect([0, 960, 1920, 2400, 2880, 3840].map((t) => time.seconds(t))).toEqual([0, 0.5, 1, 1.5, 2, 2.25]);
    for (let tick = 0; tick < 9000; tick += 77) expect(time.tick(time.seconds(tick))).toBeCloseTo(tick, 6);
    expect([time.tempoAt(0), time.tempoAt(1920), time.tempoAt(99_999)]).toEqual([120, 60, 240]);
    expect([time.meterAt(7679), time.meterAt(7680)]).toEqual([
        [4, 4],
        [3, 4],
    ]);
});

test('places are said as bar, beat and tick from 1', () => {
    expect([0, 959, 960, 3839, 3840, 7680, 10_559, 10_560].map((t) => time.position(t, SWUNG))).toEqual([
        '1.1.1',
        '1.1.960',
        '1.2.1',
        '1.4.960',
        '2.1.1',
        '3.1.1',
        '3.3.960',
        '4.1.1',
    ]);
    expect([clock(0), clock(61.26)]).toEqual(['0:00.0', '1:01.3']);
});

test('the bar that holds a tick is found', () => {
    expect([0, 3839, 3840, 8000, 99_999].map((t) => barAt(SWUNG, t))).toEqual([0, 0, 1, 2, 4]);
});

for (const [name, lines] of [
    ['swung eighths', SWUNG],
    ['every second bar', SPARSE],
] as const) {
    test(`the lines about a tick are those that are drawn: ${name}`, () => {
        const drawn = all(lines);
        for (let tick = 0; tick < drawn.at(-1)!; tick += 31) {
            const before = drawn.findLast((l) => l <= tick)!;
            const after = drawn.find((l) => l > tick)!;
            expect(linesAround(lines, tick)).toEqual([before, after]);
            expect(nearestLine(lines, tick)).toBe(after - tick <= tick - before ? after : before);
        }
        expect(linesAround(lines, drawn.at(-1)! + 5)[0]).toBe(drawn.at(-1)!);
        expect(nearestLine(lines, drawn.at(-1)! + 5)).toBe(drawn.at(-1)!);
    });
}

test('a tie goes to the later line', () => {
    expect([287, 288, 289].map((t) => nearestLine(SWUNG, t))).toEqual([0, 576, 576]);
});
