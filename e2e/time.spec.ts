import { expect, test } from '@playwright/test';
import { done, report, told, watchSound, type Did } from './listen';
import { bring, midi, openRoll, press, said } from './support';

test.describe.configure({ timeout: 120_000 });

/** Eight voices at every eighth for eight seconds. */
const CHORDS = Array.from({ length: 256 }, (_, i) => [(i >> 3) * 48, 40, 40 + (i % 8) * 5, 100]);

function beginnings(did: Did[]): number[] {
    return did.flatMap(([at, m]) => (typeof m !== 'string' && m[1] === 0x90 ? [at] : []));
}

test('the synthesizer’s clock is the audio clock at each block; a page that is held up makes nothing late, and nothing is missing', async ({
    page,
}) => {
    await watchSound(page);
    await page.addInitScript(() => localStorage.setItem('jactonic.hear', 'off'));
    await openRoll(page, await bring(page, midi(CHORDS, 'Organ', 19)));
    await press(page, 'Home', 'Space');
    await expect.poll(async () => (await told(page)).some((t) => t.kind === 'began')).toBe(true);
    // The page does nothing but wait, for 300 ms of each 400.
    for (let i = 0; i < 8; i++) {
        await page.evaluate(() => {
            for (const until = performance.now() + 300; performance.now() < until;);
        });
        await page.waitForTimeout(100);
    }
    await expect.poll(async () => (await told(page)).some((t) => t.kind === 'ended'), { timeout: 40_000 }).toBe(true);
    const begun = (await told(page)).find((t) => t.kind === 'began')!;
    const heard = beginnings(await done(page));
    expect(heard).toHaveLength(256);
    heard.forEach((at, i) => expect(Math.abs(at - begun.at! - (i >> 3) * 0.25)).toBeLessThan(0.0005));
    const { late, voices, apart, blocks } = await report(page);
    expect(late).toBe(0);
    expect(blocks).toBeGreaterThan(2000);
    expect(apart).toBeLessThan(1e-6);
    await expect.poll(async () => (await report(page)).voices).toBe(0);
    expect(voices).toBeLessThan(300);
});

test('64 voices are silent after a stop, a jump, and going away, and a seek leaves none hanging', async ({ page }) => {
    await watchSound(page);
    const held = Array.from({ length: 64 }, (_, i) => [0, 96 * 60, 30 + i, 90]);
    await openRoll(page, await bring(page, midi([...held, [96 * 64, 48, 60, 20]], 'Organ', 19)));
    await press(page, 'Home');
    const sounding = async (): Promise<number> => (await report(page)).voices;
    for (const stops of ['Space', 'End', 'o']) {
        await press(page, 'Home', 'Space');
        await expect.poll(sounding, { timeout: 20_000 }).toBeGreaterThanOrEqual(64);
        await press(page, stops);
        if (stops === 'o') await press(page, 'o');
        await expect.poll(sounding, { timeout: 20_000 }).toBeLessThan(8);
        if (stops === 'End') await press(page, 'Space');
    }
    await expect.poll(sounding).toBe(0);
});

test('click and note are struck at one moment, and the count-in leads into it', async ({ page }) => {
    await watchSound(page);
    await page.addInitScript(() => {
        localStorage.setItem('jactonic.recording', JSON.stringify({ countIn: 1, click: true }));
    });
    await openRoll(page, await bring(page, midi(Array.from({ length: 8 }, (_, i) => [i * 96, 48, 60, 90]))));
    await press(page, 'Home', '\\');
    await expect.poll(async () => beginnings(await done(page)).length, { timeout: 30_000 }).toBe(8);
    await press(page, '\\');
    const did = await done(page);
    const clicks = did.filter(([, m]) => typeof m === 'string');
    expect(clicks.slice(0, 12).map(([, m]) => m)).toEqual(
        [0, 1, 2].flatMap(() => ['accent', 'click', 'click', 'click']),
    );
    beginnings(did).forEach((at, i) => expect(Math.abs(clicks[4 + i]![0] - at)).toBeLessThan(0.0001));
    clicks.slice(0, 12).forEach(([at], i) => expect(Math.abs(at - clicks[0]![0] - i * 0.5)).toBeLessThan(0.0001));
});

test('voices that were let go are told of, and the last sentence stays', async ({ page }) => {
    await watchSound(page);
    await openRoll(page, await bring(page, midi(CHORDS, 'Organ', 19)));
    await press(page, 'Control+a', 'ArrowUp');
    await said(page, '256 notes up a semitone.');
    await report(page);
    await page.evaluate(() => {
        const { node } = (window as unknown as { heard: { node: AudioWorkletNode } }).heard;
        node.port.dispatchEvent(new MessageEvent('message', { data: { kind: 'let-go', voices: 12 } }));
    });
    await said(page, 'the quietest were stopped');
    await said(page, '256 notes up a semitone.');
});

test('the latency is found by tapping along: the median of sixteen taps, kept for the device', async ({ page }) => {
    await watchSound(page);
    await openRoll(page, await bring(page, midi([[0, 96, 60, 90]])));
    await press(page, 'Control+Alt+m');
    await said(page, 'Tap any key along with the click, 16 times; Esc stops.');
    // Taps 80 ms after each click as the page's clock has it, and a wild one now and then.
    await page.evaluate(async () => {
        const first = performance.now();
        for (let i = 1; i <= 20; i++) {
            // One too many; more where the first came before a click was heard.
            if (i > 17 && document.body.textContent.includes('Sound is heard')) break;
            const due = first + i * 600 + (i % 5 === 0 ? 150 : 0);
            while (performance.now() < due - 4) await new Promise((resolve) => setTimeout(resolve, 1));
            while (performance.now() < due);
            document.body.dispatchEvent(
                new KeyboardEvent('keydown', { key: 'x', code: 'KeyX', bubbles: true, cancelable: true }),
            );
        }
    });
    await said(page, /^Sound is heard -?\d+ ms after its time here: kept for this device\./);
    const kept = Number(await page.evaluate(() => localStorage.getItem('jactonic.latency')));
    expect(Math.abs(kept)).toBeLessThanOrEqual(300);
    // The tap too many did nothing.
    await expect(page.getByTestId('said')).toContainText('Sound is heard');
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'Alt+\\');
    const panel = page.getByRole('dialog', { name: 'Recording' });
    await expect(panel.getByLabel('Latency')).toHaveValue(String(kept));
    // Emptied, it is the machine's own again; Esc stops tapping and changes nothing.
    await panel.getByLabel('Latency').fill('');
    await panel.getByLabel('Latency').press('Tab');
    await panel.getByRole('button', { name: /Tune it/ }).click();
    await expect(panel.getByRole('status')).toContainText('0 of 16');
    await page.keyboard.press('Escape');
    await said(page, 'The latency stays as it is.');
    expect(await page.evaluate(() => localStorage.getItem('jactonic.latency'))).toBeNull();
});
