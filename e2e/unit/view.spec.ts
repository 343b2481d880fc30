import { expect, test } from '@playwright/test';
import { View } from '../../resources/js/stage/view';

const BAR = 3840;

function made(): View {
    const view = new View(960, () => {});
    view.end = 32 * BAR;
    view.resize(1200, 480);
    view.fit(0, 8 * BAR, 48, 72);
    return view;
}

test('a stretch that is fitted is whole on screen, in time and pitch', () => {
    const view = made();
    expect(view.x(0)).toBeGreaterThanOrEqual(0);
    expect(view.x(8 * BAR)).toBeLessThanOrEqual(1200);
    expect(view.y(72)).toBeGreaterThanOrEqual(0);
    expect(view.y(48) + view.row).toBeLessThanOrEqual(480);
    // The middle of the stretch stands in the middle of the screen.
    expect(Math.abs((view.y(72) + view.y(48) + view.row) / 2 - 240)).toBeLessThan(1);
});

test('ticks and pixels, pitches and rows, go there and back', () => {
    const view = made();
    for (const tick of [0, 1, 959, 5000.5, 30_000]) expect(view.tick(view.x(tick))).toBeCloseTo(tick, 6);
    for (const pitch of [50, 60, 71]) {
        expect(view.pitch(view.y(pitch) + 0.01)).toBe(pitch);
        expect(view.pitch(view.y(pitch) + view.row - 0.01)).toBe(pitch);
    }
    expect([view.pitch(-99_999), view.pitch(99_999)]).toEqual([127, 0]);
});

test('zooming keeps the place under the pointer where it is', () => {
    const view = made();
    view.scroll(600, 0);
    const tick = view.tick(400);
    const high = view.top - 200 / view.row;
    view.zoomTime(1.7, 400);
    view.zoomTime(0.9, 400);
    expect(view.tick(400)).toBeCloseTo(tick, 3);
    view.zoomPitch(1.3, 200);
    expect(view.top - 200 / view.row).toBeCloseTo(high, 3);
});

test('zoom and scroll stop where there is nothing more to see', () => {
    const view = made();
    for (let i = 0; i < 60; i++) view.zoomTime(0.5, 0);
    expect(view.x(view.end)).toBeGreaterThan(900);
    for (let i = 0; i < 200; i++) view.zoomTime(2, 0);
    expect(view.scale * 960).toBeCloseTo(4000, 6);
    view.scroll(-1e9, -1e9);
    expect(view.x(0)).toBeCloseTo(12, 6);
    expect(view.y(127)).toBeCloseTo(0, 6);
    view.scroll(1e9, 1e9);
    expect(view.left).toBeLessThanOrEqual(view.end);
    expect(view.y(0) + view.row).toBeCloseTo(480, 6);
    for (let i = 0; i < 60; i++) view.zoomPitch(0.8, 100);
    expect(view.row).toBe(4);
    for (let i = 0; i < 60; i++) view.zoomPitch(1.25, 100);
    expect(view.row).toBe(36);
});

test('what is revealed comes into view by the least movement, and what is in view stays', () => {
    const view = made();
    view.fit(0, 4 * BAR, 55, 65);
    const [left, top] = [view.left, view.top];
    view.reveal(BAR, BAR + 480, 60, 60);
    expect([view.left, view.top]).toEqual([left, top]);
    view.reveal(20 * BAR, 20 * BAR + 480, 100, 100);
    expect(view.x(20 * BAR)).toBeGreaterThan(0);
    expect(view.x(20 * BAR + 480)).toBeLessThan(1200);
    expect(view.y(100)).toBeGreaterThanOrEqual(0);
    view.reveal(0, 480, 20, 20);
    expect(view.x(0)).toBeGreaterThanOrEqual(0);
    expect(view.y(20) + view.row).toBeLessThanOrEqual(480.001);
});
