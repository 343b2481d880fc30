import { expect, test, type Page } from '@playwright/test';
import { bring, chosen, midi, notesOf, openRoll, said, spot, type SongJson } from './support';

async function press(page: Page, ...keys: string[]): Promise<void> {
    for (const key of keys) await page.keyboard.press(key);
}

async function fresh(page: Page): Promise<SongJson> {
    const song = await bring(page, midi([[384, 24, 72, 80]]));
    await openRoll(page, song);
    await press(page, 'Home', '4');
    await said(page, 'Grid 1/8.');
    return song;
}

/** Start, length, pitch, velocity, in order of time. */
async function written(page: Page, song: SongJson): Promise<number[][]> {
    return (await notesOf(page, song)).map((n) => n.slice(1, 5)).sort((a, b) => a[0]! - b[0]! || a[2]! - b[2]!);
}

test('a bar is written with no mouse: a key a note, the caret goes on, a rest is a step', async ({ page }) => {
    const song = await fresh(page);
    // A note, a fifth higher with the loudest touch, a rest, an octave lower with the softest.
    await press(page, ';', 'ArrowUp', 'ArrowUp', 'Alt+Shift+4', 'ArrowRight', 'Shift+ArrowDown', 'Alt+Shift+1');
    await expect
        .poll(() => written(page, song))
        .toEqual([
            [0, 480, 72, 90],
            [480, 480, 74, 118],
            [1440, 480, 62, 45],
            [3840, 240, 72, 80],
        ]);
    await chosen(page, 0);
    // Back, and the note there is taken out; the one before is chosen and goes.
    await press(page, 'ArrowLeft', '-');
    await said(page, '1 note deleted.');
    await press(page, '-');
    await said(page, 'There is no note at the caret.');
    await press(page, 'Home', 'Shift+ArrowUp', 'ArrowDown', 'ArrowDown', '=');
    await chosen(page, 1);
    await press(page, 'Control+z', 'Escape');
    await expect.poll(async () => (await written(page, song)).length).toBe(4);
});

test('the pen has a velocity, a length and four touches, by key and in its panel, kept with the part', async ({
    page,
}) => {
    const song = await fresh(page);
    await press(page, 'Control+Alt+3');
    await said(page, 'Pen velocity 95.');
    await expect(page.getByTestId('settings').getByRole('button', { name: '95' })).toHaveAttribute(
        'aria-pressed',
        'true',
    );
    await press(page, 'Alt+;');
    const panel = page.getByRole('dialog', { name: 'Pen settings' });
    await panel.getByLabel('Touch 2').fill('64');
    await panel.getByLabel('Touch 2').press('Tab');
    await said(page, 'Touches 45, 64, 95, 118.');
    await panel.getByRole('checkbox').uncheck();
    await said(page, 'Pen length 1/8.');
    await panel.getByLabel('Pen length', { exact: true }).selectOption('1/4');
    await said(page, 'Pen length 1/4.');
    await panel.getByLabel('Touch 1').fill('200');
    await panel.getByLabel('Touch 1').press('Tab');
    await said(page, '200 was not taken');
    await press(page, 'Escape', ';', 'Alt+Shift+2');
    await expect
        .poll(async () => (await written(page, song)).slice(0, 2))
        .toEqual([
            [0, 960, 72, 95],
            [960, 960, 72, 64],
        ]);
    await page.reload();
    await expect(page.getByTestId('settings').getByLabel('Pen velocity')).toHaveValue('95');
});

test('a note is put under the pointer by key', async ({ page }) => {
    const song = await fresh(page);
    const at = await spot(page, 1100, 70);
    await page.mouse.move(at.x, at.y);
    await press(page, 'Shift+;');
    await expect.poll(async () => (await written(page, song))[0]).toEqual([960, 480, 70, 90]);
});
