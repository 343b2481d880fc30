import { expect, test, type Page } from '@playwright/test';
import { bring, chosen, fetchSong, level, midi, openRoll, peak, said } from './support';

/** A bar of loud eighths over and over, so that something sounds at any moment. */
const LOUD = Array.from({ length: 64 }, (_, i) => [i * 48, 46, 60 + (i % 5), 120]);

const HEARD = 25;

test.describe.configure({ timeout: 120_000 });

async function sounds(page: Page): Promise<void> {
    await expect.poll(() => peak(page), { timeout: 30_000 }).toBeGreaterThan(HEARD);
}

/** Plays a loud part, and mutes all its notes meanwhile. */
async function muteWhilePlaying(page: Page): Promise<void> {
    await openRoll(page, await bring(page, midi(LOUD, 'Organ', 19)));
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Space');
    await sounds(page);
    await page.keyboard.press('m');
    await said(page, '64 notes muted.');
}

async function silent(page: Page): Promise<void> {
    await expect.poll(async () => [await level(page), await peak(page)], { timeout: 25_000 }).toEqual([0, 0]);
}

/** The loudest within some time. */
async function loudest(page: Page, ms: number): Promise<number> {
    let most = 0;
    for (const until = Date.now() + ms; Date.now() < until; await page.waitForTimeout(200))
        most = Math.max(most, await peak(page));
    return most;
}

test('playing sounds, stopping is silent, and the playhead goes on from there', async ({ page }) => {
    await openRoll(page, await bring(page, midi(LOUD, 'Organ', 19)));
    await page.keyboard.press('Space');
    await sounds(page);
    // It may sound before its first sixteenth is over.
    await expect(page.getByTestId('position')).not.toHaveText('1.1.1');
    await page.keyboard.press('Space');
    await silent(page);
    const stood = await page.getByTestId('position').textContent();
    expect(stood).not.toBe('1.1.1');
    await page.waitForTimeout(300);
    await expect(page.getByTestId('position')).toHaveText(stood!);
    await page.keyboard.press('Home');
    await expect(page.getByTestId('position')).toHaveText('1.1.1');
});

test('edits are heard at once: what is muted while it plays falls silent, and comes back by undo', async ({ page }) => {
    await muteWhilePlaying(page);
    await expect.poll(() => level(page), { timeout: 10_000 }).toBeLessThan(HEARD);
    await page.keyboard.press('Control+z');
    await sounds(page);
    await page.keyboard.press('Delete');
    await said(page, '64 notes deleted.');
    await silent(page);
});

test('what is compared with is heard while the key is held, and no longer', async ({ page }) => {
    await muteWhilePlaying(page);
    await silent(page);
    await page.keyboard.down('y');
    await said(page, /^Compare\s+Before: 64 notes muted\./);
    await sounds(page);
    await page.keyboard.up('y');
    await silent(page);
    await page.keyboard.press('Space');
});

test('a seek and a change of page leave no note hanging', async ({ page }) => {
    const held = Array.from({ length: 6 }, (_, i) => [0, 96 * 16, 50 + i * 4, 110]);
    const song = await bring(page, midi([...held, [96 * 20, 48, 60, 20]], 'Organ', 19));
    await openRoll(page, song);
    await page.keyboard.press('Space');
    await sounds(page);
    await page.keyboard.press('End');
    await silent(page);
    // It plays on: back at the start the chord is heard again.
    await page.keyboard.press('Home');
    await sounds(page);
    await page.keyboard.press('o');
    await page.keyboard.press('o');
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
    await page.goBack();
    await silent(page);
});

test('a muted track is not heard, a soloed one is', async ({ page }) => {
    const song = await bring(page, midi(LOUD, 'Organ', 19));
    await openRoll(page, song);
    await page.keyboard.press('Space');
    await sounds(page);
    await page.keyboard.press('Shift+M');
    await said(page, 'Organ is muted.');
    await silent(page);
    expect((await fetchSong(page, song.id)).tracks[0]!.muted).toBe(true);
    await page.keyboard.press('Shift+M');
    await said(page, 'Organ is heard again.');
    await sounds(page);
});

test('the loop goes round and keeps sounding', async ({ page }) => {
    await openRoll(page, await bring(page, midi([...LOUD, [96 * 60, 48, 60, 1]], 'Organ', 19)));
    // One bar: from the first to the eighth note.
    await page.keyboard.press('d');
    for (let i = 0; i < 7; i++) await page.keyboard.press('Shift+D');
    await chosen(page, 8);
    await page.keyboard.press('Shift+Enter');
    await expect(page.getByRole('button', { name: 'Loop' })).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Enter');
    await sounds(page);
    const bars = new Set<string>();
    // Two seconds are a bar: it has gone round at least once.
    for (const until = Date.now() + 4500; Date.now() < until; await page.waitForTimeout(60)) {
        bars.add((await page.getByTestId('position').textContent())!.split('.')[0]!);
    }
    expect([...bars]).toEqual(['1']);
    expect(await level(page)).toBeGreaterThan(HEARD);
    await page.keyboard.press('Space');
    await silent(page);
});

test('notes are heard when they are selected and moved, unless that is switched off', async ({ page }) => {
    await openRoll(page, await bring(page, midi(LOUD, 'Organ', 19)));
    // On a starved machine so short a note may begin and end between two looks of the audio clock: it is tried again.
    const heardAfter = (key: string): Promise<void> =>
        expect(async () => {
            await page.keyboard.press(key);
            await expect.poll(() => peak(page), { timeout: 4000 }).toBeGreaterThan(HEARD);
        }).toPass({ timeout: 60_000 });
    await heardAfter('d');
    await silent(page);
    await heardAfter('ArrowUp');
    await silent(page);
    await page.keyboard.press('b');
    await page.keyboard.press('ArrowUp');
    await said(page, '1 note up a semitone.');
    expect(await loudest(page, 800)).toBe(0);
});

test('the volume that the file sets is obeyed', async ({ page }) => {
    const file = (volume: number): Buffer => {
        const bytes = midi(LOUD, 'Organ', 19);
        // After the track's name: a volume in front of everything.
        const at = bytes.indexOf(Buffer.from([0x00, 0xc0, 19]));
        const out = Buffer.concat([bytes.subarray(0, at), Buffer.from([0, 0xb0, 7, volume]), bytes.subarray(at)]);
        out.writeUInt32BE(bytes.readUInt32BE(18) + 4, 18);
        return out;
    };
    const heard: number[] = [];
    for (const volume of [127, 20]) {
        await openRoll(page, await bring(page, file(volume)));
        await page.keyboard.press('Space');
        await expect.poll(() => level(page), { timeout: 30_000, intervals: [40] }).toBeGreaterThan(5);
        heard.push(await loudest(page, 1500));
        await page.keyboard.press('Space');
    }
    expect(heard[1]!).toBeLessThan(heard[0]! - 15);
});

test('where the sound bank cannot be had, the line says so', async ({ page }) => {
    await page.route('**/sound/bank.sf3', (route) => route.fulfill({ status: 404 }));
    await openRoll(page, await bring(page, midi(LOUD, 'Organ', 19)));
    await page.keyboard.press('Space');
    await said(page, 'There is no sound: The sound bank is missing');
    await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
});
