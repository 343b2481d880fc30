import { expect, test } from '@playwright/test';
import { Clocks } from '../../resources/js/sound/clock';

test('of looks at an audio clock that is told in blocks the one farthest ahead counts', () => {
    const clocks = new Clocks();
    // The true audio clock is 2 seconds ahead of events; it is told in blocks of 10 ms, so it seems up to 10 ms behind.
    for (let now = 0; now < 900; now += 7) clocks.look(Math.floor((now / 1000 + 2) * 100) / 100, now);
    expect(Math.abs(clocks.audio(500) - 2.5)).toBeLessThan(0.0011);
    expect(clocks.stamp(clocks.audio(123.4))).toBeCloseTo(123.4, 6);
});

test('there and back at one moment is the same, though the audio clock leaps just then', () => {
    const clocks = new Clocks();
    clocks.look(1, 0);
    clocks.look(1.1, 100);
    const stamp = clocks.stamp(1.09);
    clocks.look(1.12, 100.5);
    expect(clocks.audio(stamp)).toBeCloseTo(1.09, 9);
});

test('an audio clock that was held up is believed after a moment', () => {
    const clocks = new Clocks();
    clocks.look(2, 0);
    for (let now = 100; now <= 3000; now += 20) clocks.look(now / 1000 + 1.9, now);
    expect(clocks.audio(3000)).toBeCloseTo(4.9, 6);
});
