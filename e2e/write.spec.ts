import { expect, test, type Page } from './silent';
import { bring, chosen, midi, notesOf, openRoll, press, said, type SongJson, spot } from './support';

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
    // Back, and the note there is taken out; the one before is selected and goes.
    await press(page, 'ArrowLeft', '-');
    await said(page, '1 note deleted.');
    await press(page, '-');
    await said(page, 'There is no note at the caret.');
    await press(page, 'Home', 'Shift+ArrowUp', 'Escape', 'ArrowDown', 'ArrowDown', '=');
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
    await panel.getByRole('checkbox', { name: 'One cell of the grid' }).uncheck();
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
    const other = await spot(page, 1700, 69);
    await page.mouse.move(other.x, other.y);
    await press(page, 'Control+Alt+Shift+4');
    await expect.poll(async () => (await written(page, song))[1]).toEqual([1440, 480, 69, 118]);
});

test('job 10: written, halved, copied, cut and carried by key alone', async ({ page }) => {
    const song = await fresh(page);
    // Two notes with touches, the grid halved, a third: 3 keys and 1 for the grid.
    await press(page, 'Alt+Shift+2', 'Alt+Shift+3', '5', ';');
    await expect
        .poll(async () => (await written(page, song)).map((n) => n.slice(0, 2)))
        .toEqual([
            [0, 480],
            [480, 480],
            [960, 240],
            [3840, 240],
        ]);
    // A span over the second half of the first note, from the caret: 3 keys; copied with nothing selected, cut at its
    // edges, and pasted at the caret, twice.
    await press(page, 'Home', 'ArrowRight', 'Control+ArrowRight', 'Control+ArrowRight');
    await said(page, 'Span from 1.1.2 to 1.1.4.');
    await press(page, 'Control+c');
    await said(page, '2 notes of the span copied.');
    await press(page, 'Shift+ArrowRight');
    await said(page, 'Caret at 2.1.2');
    await press(page, 'Control+v', 'Control+v');
    await expect
        .poll(async () => (await written(page, song)).slice(3).map((n) => n.slice(0, 2)))
        .toEqual([
            [3840, 240],
            [4080, 240],
            [4320, 240],
            [4560, 240],
            [4800, 240],
        ]);
    // Cut out of the span: what lies outside stays.
    await press(page, 'Escape', 'Alt+Delete');
    await said(page, 'The span is cut out of 2 notes.');
    expect((await written(page, song)).slice(0, 3).map((n) => n.slice(0, 2))).toEqual([
        [0, 240],
        [720, 240],
        [960, 240],
    ]);
    await press(page, 'Control+z');
    await said(page, /^Undone: The span is cut out/);
    // Repeated with the silence of the span, and without it.
    await press(page, 'Escape', 'Home', 'Control+Home');
    await said(page, 'Caret at 1.1.1');
    await press(page, '=');
    await chosen(page, 1);
    await press(page, 'Control+Shift+d');
    await said(page, '1 note repeated, every span.');
    await press(page, 'Control+z', '=', 'Control+d');
    await expect.poll(async () => (await written(page, song)).filter((n) => n[0] === 480).length).toBe(2);
    // Sent to the caret, all that is selected.
    await press(page, 'Control+z', 'Escape', 'Control+End');
    await said(page, 'Caret at 2.2.2');
    await press(page, 'Home', 'a');
    await chosen(page, 1);
    await press(page, 'Escape', 'Control+End', 'Alt+PageUp', '=');
    await chosen(page, 1);
    await press(page, 'ArrowUp');
    await said(page, '1 note up a semitone.');
    // What is selected goes to the caret.
    await press(page, 'Control+End', 'Shift+b');
    await said(page, '1 note moved to 2.2.2.');
});

test('the caret goes to notes, to rows in use and to the ends; the span to what is selected and to bars', async ({
    page,
}) => {
    const song = await bring(
        page,
        midi([
            [0, 40, 60, 80],
            [0, 40, 67, 80],
            [150, 40, 62, 80],
        ]),
    );
    await openRoll(page, song);
    await press(page, 'Home', 'Control+Home');
    await said(page, 'Caret at 1.1.1, C4: a note of 0.42 beats, velocity 80, on the line.');
    await press(page, 'Alt+PageDown');
    await said(page, 'Caret at 1.1.1, G4');
    await press(page, 'Alt+PageDown');
    await said(page, 'Caret at 1.2.3.25, D4');
    await press(page, 'Alt+PageDown');
    await said(page, 'There is nothing more to go to that way.');
    await press(page, 'Alt+PageUp', 'Alt+Shift+PageDown');
    await said(page, 'Caret at 1.1.1, D4');
    await press(page, 'Control+End');
    await said(page, 'Caret at 1.2.4.91, D4');
    await press(page, 'Control+a', 'Alt+Shift+[');
    await said(page, 'Span from 1.1.1 to 1.3.1.');
    await press(page, 'Alt+Shift+]');
    await said(page, 'Span from 1.1.1 to 2.1.1.');
    await press(page, 'Escape', 'Control+Home', 'ArrowRight', 'ArrowRight', 'Alt+]');
    await said(page, 'Span from 1.1.1 to 1.1.3.');
    await press(page, 'Shift+i');
    await chosen(page, 2);
    await press(page, 'Alt+e');
    await expect
        .poll(async () => Number((await page.getByTestId('roll').getAttribute('data-drawn'))!.split(' ')[2]) * 480)
        .toBeGreaterThan(500);
    // It is kept over a reload, and played round.
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'Control+Enter');
    await expect(page.getByRole('button', { name: 'Loop' })).toHaveAttribute('aria-pressed', 'true');
    await press(page, 'Space', 'Alt+Shift+\\');
    await said(page, 'There is no span.');
});

test('an empty song is begun, written in, and a track of drums put to it', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
    await page.keyboard.press('n');
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await page.keyboard.press(';');
    await expect(page.getByTestId('chosen')).toContainText('0 of 1');
    await page.keyboard.press('/');
    await page.keyboard.type('new track drums');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('part-name')).toHaveText('Drum kit');
    await expect(page.getByTestId('said')).toContainText('Drum kit is empty');
    await page.keyboard.press(';');
    await expect(page.getByTestId('chosen')).toContainText('0 of 1');
    await page.keyboard.press('o');
    await expect(page.getByTestId('part')).toHaveCount(2);
});
