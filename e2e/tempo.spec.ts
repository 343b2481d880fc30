import { expect, test, type Locator, type Page } from '@playwright/test';
import { bring, LOOSE, midi, openRoll, press, said, type SongJson } from './support';

/** Tick and quarters a minute; tick, beats and unit. */
async function time(page: Page, song: SongJson): Promise<[number[][], number[][]]> {
    const { tempos, meters } = (await (await page.request.get(`/api/songs/${song.id}`)).json()) as {
        tempos: [number, number, number][];
        meters: number[][];
    };
    return [tempos.map(([tick, , micro]) => [tick, Math.round(6e7 / micro)]), meters];
}

test('the tempo is typed, dragged and tapped, each a step that is undone', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    const field = page.getByLabel('Tempo, BPM');
    await field.fill('96');
    await field.press('Enter');
    await said(page, 'Tempo 96 from 1.1.1.');
    await expect(page.getByTestId('roll')).toBeFocused();
    await field.fill('2');
    await field.press('Enter');
    await said(page, 'A tempo is from 4 to 1000: 2 was not taken.');
    await expect(field).toHaveValue('96');
    const box = (await field.boundingBox())!;
    await page.mouse.move(box.x + 10, box.y + 10);
    await page.mouse.down();
    await page.mouse.move(box.x + 10, box.y - 5);
    await page.mouse.move(box.x + 10, box.y - 20);
    await page.mouse.up();
    await said(page, 'Tempo 106 from 1.1.1.');
    // Taps half a second apart, in the clock that the page sees.
    await page.evaluate(() => {
        let now = performance.now();
        performance.now = () => now;
        for (let i = 0; i < 4; i++) {
            window.dispatchEvent(
                new KeyboardEvent('keydown', {
                    key: 'K',
                    code: 'KeyK',
                    shiftKey: true,
                    bubbles: true,
                    cancelable: true,
                }),
            );
            now += 750;
        }
    });
    await said(page, 'Tempo 80, tapped.');
    expect((await time(page, song))[0]).toEqual([[0, 80]]);
    await press(page, 'Control+z');
    await said(page, 'Undone: Tempo 80, tapped.');
    await expect(field).toHaveValue('106');
    await press(page, 'Control+z', 'Control+z');
    await expect(field).toHaveValue('120');
});

/** The panel of tempo and meter, with the caret at bar 3. */
async function atBar3(page: Page): Promise<[SongJson, Locator]> {
    const song = await bring(page, midi([...LOOSE, [96 * 16, 48, 60, 80]]));
    await openRoll(page, song);
    await press(page, 'Home', 'Shift+ArrowRight', 'Shift+ArrowRight');
    await said(page, 'Caret at 3.1.1');
    await press(page, 'Alt+Shift+t');
    return [song, page.getByRole('dialog', { name: 'Tempo and meter' })];
}

test('changes of tempo and meter are begun, moved and removed at bars, by keyboard', async ({ page }) => {
    const [song, panel] = await atBar3(page);
    await panel.getByRole('button', { name: 'Add tempo from bar 3' }).press('Enter');
    await said(page, 'Tempo 120 from 3.1.1.');
    await panel.getByRole('button', { name: 'Add meter from bar 3' }).press('Enter');
    const beats = panel.getByLabel('Beats from bar 3');
    await beats.fill('3');
    await beats.press('Tab');
    await said(page, 'Meter 3/4 from 3.1.1.');
    await expect
        .poll(() => time(page, song))
        .toEqual([
            [
                [0, 120],
                [7680, 120],
            ],
            [
                [0, 4, 4],
                [7680, 3, 4],
            ],
        ]);
    const bar = panel.getByLabel('Meter 3/4 begins at bar');
    await bar.fill('2');
    await bar.press('Tab');
    await said(page, 'Meter 3/4 moved to bar 2.');
    await expect.poll(async () => (await time(page, song))[1]).toContainEqual([3840, 3, 4]);
    await panel.getByRole('button', { name: /^Remove meter/ }).press('Enter');
    await said(page, /^Meter 3\/4 at 2\.1\.1 is removed\./);
    await panel.getByRole('button', { name: /^Remove tempo/ }).press('Enter');
    await expect.poll(() => time(page, song)).toEqual([[[0, 120]], [[0, 4, 4]]]);
    await page.keyboard.press('Escape');
    await expect(page.getByTestId('roll')).toBeFocused();
});

test('a meter that cuts a bar of a later one says so, and the later one moves to the bar line', async ({ page }) => {
    const [song, panel] = await atBar3(page);
    await expect(panel.getByRole('button', { name: 'Meters to bar lines' })).toHaveCount(0);
    await panel.getByRole('button', { name: 'Add meter from bar 3' }).press('Enter');
    await expect(panel.getByLabel('Beats from bar 3')).toBeVisible();
    await panel.getByLabel('Beats from bar 1').fill('5');
    await panel.getByLabel('Beats from bar 1').press('Tab');
    await said(page, 'Meter 5/4 from 1.1.1. Bar 2 is cut short by the meter change that follows.');
    await panel.getByRole('button', { name: 'Meters to bar lines' }).press('Enter');
    await said(page, 'Meter 5/4 from 1.1.1. 1 later change moved to the next bar line.');
    await expect.poll(async () => (await time(page, song))[1]).toEqual([[0, 5, 4], [9600, 4, 4]]); // prettier-ignore
});

test('a number that goes down while older answers come goes on down', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    await page.route('**/edits', async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 250));
        await route.continue();
    });
    await press(page, 'Alt+Shift+t');
    const tempo = page.getByRole('dialog', { name: 'Tempo and meter' }).getByLabel('Tempo from bar 1');
    await expect(tempo).toBeFocused();
    for (let i = 0; i < 10; i++) {
        await page.keyboard.press('ArrowDown');
        await page.waitForTimeout(100);
    }
    await expect(tempo).toHaveValue('110');
    await said(page, 'Tempo 110 from 1.1.1.');
    await press(page, 'Escape', 'Control+z');
    await said(page, /^Undone: Tempo 11\d from 1\.1\.1\./);
});

test('on stop the playhead stays or goes back, as one chose', async ({ page }) => {
    const song = await bring(page, midi([...LOOSE, [96 * 40, 48, 60, 80]]));
    await openRoll(page, song);
    await press(page, 'Home', 'Shift+ArrowRight', 'Escape', 'Enter');
    await expect(page.getByTestId('position')).toHaveText(/^2\.[234]/, { timeout: 25_000 });
    await press(page, 'Space');
    await expect(page.getByTestId('position')).not.toHaveText('2.1.1');
    await press(page, 'Alt+Enter');
    await said(page, 'Stop returns the playhead to where it was started.');
    await press(page, 'Enter');
    await expect(page.getByTestId('position')).toHaveText(/^2\.[234]/, { timeout: 25_000 });
    await press(page, 'Space');
    await expect(page.getByTestId('position')).toHaveText('2.1.1');
});
