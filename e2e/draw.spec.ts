import { expect, test, type Page } from './silent';
import { bring, chosen, midi, notesOf, openRoll, said, spot, type SongJson } from './support';

/** The part's own notes, about the empty paper between them. */
const FRAME = [
    [0, 10, 60, 80],
    [560, 24, 84, 80],
];

/** A part with a note at either end, the grid of eighths, and the pen in hand. 960 ticks are a quarter. */
async function withPen(page: Page, notes = FRAME): Promise<SongJson> {
    const song = await bring(page, midi(notes));
    await openRoll(page, song);
    await page.keyboard.press('4');
    await said(page, 'Grid 1/8.');
    await page.keyboard.press("'");
    await said(page, 'Pen: a click writes a note');
    return song;
}

/** Start, length, pitch, in order of time and pitch. */
async function written(page: Page, song: SongJson): Promise<number[][]> {
    return (await notesOf(page, song))
        .map((n) => n.slice(1, 4))
        .filter((n) => n[0] !== 5600 && !(n[0] === 0 && n[1] === 100))
        .sort((a, b) => a[0]! - b[0]! || a[2]! - b[2]!);
}

async function drag(page: Page, from: [number, number], to: [number, number], button: 'left' | 'right' = 'left') {
    const [a, b] = [await spot(page, ...from), await spot(page, ...to)];
    await page.mouse.move(a.x, a.y);
    await page.mouse.down({ button });
    for (let i = 1; i <= 8; i++) await page.mouse.move(a.x + ((b.x - a.x) * i) / 8, a.y + ((b.y - a.y) * i) / 8);
    await page.mouse.up({ button });
}

test('a press writes a cell, a stroke as long as it is drawn, with Alt off the grid', async ({ page }) => {
    const song = await withPen(page);
    const place = await spot(page, 500, 70);
    await page.mouse.click(place.x, place.y);
    await expect.poll(() => written(page, song)).toContainEqual([480, 480, 70]);
    await drag(page, [1000, 67], [2380, 67]);
    await expect.poll(() => written(page, song)).toContainEqual([960, 1440, 67]);
    await page.keyboard.down('Alt');
    const free = await spot(page, 3030, 74);
    await page.mouse.click(free.x, free.y);
    await page.keyboard.up('Alt');
    await expect.poll(async () => (await written(page, song)).length).toBe(3);
    const [start] = (await written(page, song)).find((n) => n[2] === 74)!;
    expect(Math.abs(start! - 3030)).toBeLessThan(20);
    expect(start! % 480).not.toBe(0);
    // What was written last is selected.
    await chosen(page, 1);
});

test('with Shift a stroke is a run along a row, or a line across rows', async ({ page }) => {
    const song = await withPen(page);
    await page.keyboard.down('Shift');
    await drag(page, [100, 70], [1500, 70]);
    await expect
        .poll(async () => (await written(page, song)).filter((n) => n[2] === 70))
        .toEqual([
            [0, 480, 70],
            [480, 480, 70],
            [960, 480, 70],
            [1440, 480, 70],
        ]);
    await drag(page, [2000, 68], [3460, 65]);
    await page.keyboard.up('Shift');
    await expect
        .poll(async () => (await written(page, song)).filter((n) => n[2]! < 70))
        .toEqual([
            [1920, 480, 68],
            [2400, 480, 67],
            [2880, 480, 66],
            [3360, 480, 65],
        ]);
    // A run is one step.
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await written(page, song)).length).toBe(4);
});

test('swung lines are where notes are drawn', async ({ page }) => {
    const song = await withPen(page);
    await page.keyboard.press('0');
    await said(page, 'Swing 60 %.');
    const place = await spot(page, 700, 70);
    await page.mouse.click(place.x, place.y);
    await expect.poll(async () => (await written(page, song)).find((n) => n[2] === 70)?.[0]).toBe(576);
});

test('erased by the second button, by a sweep, and by key under the pointer', async ({ page }) => {
    const song = await withPen(
        page,
        [0, 1, 2, 3, 4, 5].map((i) => [i * 48, 40, 60 + i, 80]),
    );
    const first = await spot(page, 100, 60);
    await page.mouse.click(first.x, first.y, { button: 'right' });
    await expect.poll(async () => (await written(page, song)).length).toBe(5);
    // A sweep through the next three, fast.
    const [a, b] = [await spot(page, 560, 61), await spot(page, 1620, 63)];
    await page.mouse.move(a.x, a.y);
    await page.mouse.down({ button: 'right' });
    await page.mouse.move(b.x, b.y);
    await page.mouse.up({ button: 'right' });
    await said(page, '3 notes deleted.');
    const left = await spot(page, 2000, 64);
    await page.mouse.move(left.x, left.y);
    await page.keyboard.press('Shift+-');
    await said(page, '1 note deleted.');
    // The eraser itself, for those who have one button or a finger.
    await page.keyboard.press("Shift+'");
    await said(page, 'Eraser: it deletes');
    const last = await spot(page, 2500, 65);
    await page.mouse.click(last.x, last.y);
    await expect.poll(async () => (await written(page, song)).length).toBe(0);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await written(page, song)).length).toBe(1);
});

test('the first press of the pen writes, whatever was selected, and louder acts on that; a double click draws one', async ({
    page,
}) => {
    const song = await withPen(page);
    await page.keyboard.press('Control+a');
    await chosen(page, 2);
    const place = await spot(page, 500, 70);
    await page.mouse.click(place.x, place.y);
    await page.keyboard.press('Control+ArrowUp');
    await said(page, '1 note louder by 5');
    await chosen(page, 1);
    expect(await written(page, song)).toHaveLength(1);
    const second = await spot(page, 1000, 74);
    await page.mouse.dblclick(second.x, second.y);
    await expect.poll(async () => (await written(page, song)).length).toBe(2);
    // Esc puts the pen down before it does anything else.
    await page.keyboard.press('Escape');
    await said(page, 'The pen is put down.');
    await chosen(page, 1);
    // With nothing in hand a double click that ends a choice writes nothing, the next one does.
    await page.keyboard.press('Control+a');
    await chosen(page, 4);
    const other = await spot(page, 2000, 66);
    await page.mouse.dblclick(other.x, other.y);
    await chosen(page, 0);
    await page.keyboard.press('ArrowRight');
    await said(page, /^Caret at/);
    expect(await written(page, song)).toHaveLength(2);
    await page.mouse.dblclick(other.x, other.y);
    await expect.poll(async () => (await written(page, song)).length).toBe(3);
});

test('two hundred notes drawn one after another are all there', async ({ page }) => {
    test.slow();
    const song = await withPen(page);
    await page.keyboard.press('5');
    await said(page, 'Grid 1/16.');
    const origin = await spot(page, 0, 80);
    const right = await spot(page, 240, 79);
    const [dx, dy] = [right.x - origin.x, right.y - origin.y];
    for (let row = 0; row < 10; row++)
        for (let column = 0; column < 20; column++)
            await page.mouse.click(origin.x + (column + 0.5) * dx, origin.y + row * dy);
    await expect.poll(async () => (await written(page, song)).length, { timeout: 30_000 }).toBe(200);
    const places = new Set((await written(page, song)).map(([start, , pitch]) => `${start} ${pitch}`));
    expect(places.size).toBe(200);
});

test('an edge takes all selected along by the same, or with Shift to the same end', async ({ page }) => {
    const song = await bring(
        page,
        midi([
            [0, 96, 60, 80],
            [48, 24, 64, 80],
        ]),
    );
    await openRoll(page, song);
    await page.keyboard.press('4');
    await said(page, 'Grid 1/8.');
    await page.keyboard.press('Control+a');
    await chosen(page, 2);
    const grab = async (to: number): Promise<void> => {
        const edge = await spot(page, 960, 60);
        const end = await spot(page, to, 60);
        await page.mouse.move(edge.x - 2, edge.y);
        await page.mouse.down();
        await page.mouse.move(edge.x + 10, edge.y);
        await page.mouse.move(end.x, end.y);
        await page.mouse.up();
    };
    await grab(1440);
    await expect
        .poll(() => written(page, song))
        .toEqual([
            [0, 1440, 60],
            [480, 720, 64],
        ]);
    await page.keyboard.press('Control+z');
    await said(page, /^Undone/);
    await page.keyboard.down('Shift');
    await grab(1440);
    await page.keyboard.up('Shift');
    await expect
        .poll(() => written(page, song))
        .toEqual([
            [0, 1440, 60],
            [480, 960, 64],
        ]);
});

test('the pen takes after the note last touched, where it is told to', async ({ page }) => {
    const song = await withPen(page, [
        [0, 30, 60, 33],
        [192, 77, 64, 101],
    ]);
    await page.keyboard.press("'");
    await page.keyboard.press('Alt+;');
    const panel = page.getByRole('dialog', { name: 'Pen settings' });
    await panel.getByLabel('As the note last touched').first().check();
    await panel.getByLabel('As the note last touched').last().check();
    await said(page, 'Pen length as the note last touched.');
    await page.keyboard.press('Escape');
    const note = await spot(page, 2100, 64);
    await page.mouse.click(note.x, note.y);
    await expect(page.getByTestId('settings').getByLabel('Pen velocity')).toHaveValue('101');
    await page.keyboard.press('Escape');
    await chosen(page, 0);
    await page.keyboard.press('Control+Home');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press(';');
    await expect
        .poll(async () => (await notesOf(page, song)).find((n) => n[3] === 61)?.slice(1, 5))
        .toEqual([0, 770, 61, 101]);
    await expect(page.getByTestId('settings').getByLabel('Length of new notes')).toHaveValue('touched');
    // The caret goes on by what was written.
    await page.keyboard.press(';');
    await expect
        .poll(async () => (await notesOf(page, song)).filter((n) => n[3] === 61).map((n) => n.slice(1, 3)))
        .toEqual([
            [0, 770],
            [770, 770],
        ]);
});

test.describe('by touch', () => {
    test.use({ hasTouch: true });

    test('a tap writes with the pen, and the eraser takes away', async ({ page }) => {
        const song = await bring(page, midi(FRAME));
        await openRoll(page, song);
        await page.keyboard.press('4');
        await said(page, 'Grid 1/8.');
        await page.getByRole('button', { name: 'Pen' }).tap();
        await said(page, 'Pen: a click writes a note');
        const place = await spot(page, 500, 70);
        await page.touchscreen.tap(place.x, place.y);
        await expect.poll(() => written(page, song)).toEqual([[480, 480, 70]]);
        await page.getByRole('button', { name: 'Eraser' }).tap();
        await said(page, 'Eraser: it deletes');
        await page.touchscreen.tap(place.x + 4, place.y);
        await said(page, '1 note deleted.');
        expect(await written(page, song)).toEqual([]);
    });
});
