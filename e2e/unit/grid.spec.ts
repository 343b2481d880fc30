import { expect, test } from '@playwright/test';
import { Time } from '../../resources/js/rules/time';
import { Lines } from '../../resources/js/rules/lines';
import { eachLine } from '../../resources/js/roll/layers/grid';
import { View } from '../../resources/js/stage/view';

const PPQ = 960;
const BAR = 4 * PPQ;
const time = new Time(PPQ, [[0, 0, 500_000]], [[0, 4, 4]]);

/** Bars of one pattern. */
function grid(pattern: number[]): Lines {
    return new Lines({ runs: [[0, 0, BAR, 2 ** 30, [[0, 0]]]], patterns: [pattern] });
}

const GRIDS: Record<string, number[]> = {
    sixteenths: Array.from({ length: 16 }, (_, i) => i * 240),
    'swung eighths': [0, 576, 960, 1536, 1920, 2496, 2880, 3456],
    triplets: Array.from({ length: 12 }, (_, i) => i * 320),
    quintuplets: Array.from({ length: 20 }, (_, i) => i * 192),
    'dotted quarters': [0, 1440, 2880],
};

for (const [name, pattern] of Object.entries(GRIDS)) {
    test(`at any zoom a line that is shown is a line of the grid, and none crowd: ${name}`, () => {
        const lines = grid(pattern);
        const all = new Set(Array.from({ length: 17 }, (_, b) => pattern.map((p) => b * BAR + p)).flat());
        const view = new View(PPQ, () => {});
        view.end = 16 * BAR;
        view.resize(1000, 400);
        let before = Infinity;
        for (let scale = 0.5; scale > 0.004; scale /= 1.3) {
            view.scale = scale;
            view.left = 0;
            const shown: number[] = [];
            eachLine(view, lines, time, 7, (x) => shown.push(x));
            for (const x of shown)
                expect(
                    [...all].some((tick) => Math.round(view.x(tick)) === x),
                    `${x} at ${scale}`,
                ).toBe(true);
            for (let i = 1; i < shown.length; i++) expect(shown[i]! - shown[i - 1]!).toBeGreaterThanOrEqual(6);
            // Within one screen, fewer lines for each bar the farther away it is.
            const perBar = shown.filter((x) => x < Math.round(view.x(BAR))).length;
            expect(perBar).toBeLessThanOrEqual(before);
            before = perBar;
            expect(perBar).toBeGreaterThan(0);
        }
    });
}

test('bars, beats and other lines each weigh their own', () => {
    const view = new View(PPQ, () => {});
    view.end = 16 * BAR;
    view.resize(1000, 400);
    view.scale = 0.2;
    const ranks = new Map<number, string>();
    eachLine(view, grid(GRIDS.sixteenths!), time, 7, (x, rank) => ranks.set(x, rank));
    expect(ranks.get(0)).toBe('bar');
    expect(ranks.get(192)).toBe('beat');
    expect(ranks.get(48)).toBe('line');
    expect(ranks.get(768)).toBe('bar');
});

test('a song of a hundred million bars is drawn by looking at those that are seen', () => {
    const view = new View(PPQ, () => {});
    view.end = 2 ** 38;
    view.resize(1000, 400);
    view.scale = 1000 / 2 ** 38;
    view.left = 0;
    const shown: number[] = [];
    eachLine(view, grid(GRIDS.sixteenths!), time, 7, (x) => shown.push(x));
    expect(shown.length).toBeGreaterThan(100);
    expect(shown.length).toBeLessThan(200);
});
