import { expect, test, type Page } from './silent';
import { bring, chosen, midi, notesOf, openRoll, said, spot, type SongJson } from './support';

/** Four quarters, a row of two, one off its line by 10 of 960 ticks. */
const NOTES = [
    [0, 90, 60, 80],
    [96, 90, 64, 90],
    [193, 90, 60, 100],
    [288, 90, 67, 110],
];

async function clickWith(page: Page, key: string, at: { x: number; y: number }): Promise<void> {
    await page.keyboard.down(key);
    await page.mouse.click(at.x, at.y);
    await page.keyboard.up(key);
}

let song: SongJson;
test.beforeEach(async ({ page }) => {
    song = await bring(page, midi(NOTES));
    await openRoll(page, song);
});

test('notes are selected by click, added, taken away, by box, by row and all', async ({ page }) => {
    const [a, b, c, d] = await Promise.all([
        spot(page, 300, 60),
        spot(page, 1260, 64),
        spot(page, 2230, 60),
        spot(page, 3180, 67),
    ]);
    await page.mouse.click(a.x, a.y);
    await chosen(page, 1);
    await clickWith(page, 'Shift', b);
    await clickWith(page, 'Control', c);
    await chosen(page, 3);
    await clickWith(page, 'Control', b);
    await chosen(page, 2);
    await page.mouse.click(d.x, d.y);
    await chosen(page, 1);
    await page.mouse.move(a.x - 40, b.y - 30);
    await page.mouse.down();
    await page.mouse.move(c.x, a.y + 6, { steps: 4 });
    await page.mouse.up();
    await chosen(page, 3);
    await page.mouse.move(c.x, d.y - 20);
    await page.mouse.down();
    await page.mouse.move(d.x, d.y, { steps: 4 });
    await page.keyboard.press('Escape');
    await page.mouse.up();
    await chosen(page, 0);
    // The key of middle C stands left of the roll.
    const box = (await page.getByTestId('notes').boundingBox())!;
    await page.mouse.click(box.x - 30, a.y);
    await chosen(page, 2);
    await said(page, '2 notes on C4 selected.');
    await page.keyboard.press('i');
    await said(page, '2 notes selected.');
    await page.keyboard.press('Control+a');
    await chosen(page, 4);
    await page.keyboard.press('Escape');
    await chosen(page, 0);
});

test('a drag holds to the axis on which it began, and goes by the grid', async ({ page }) => {
    const from = await spot(page, 300, 60);
    const to = await spot(page, 300 + 500, 63);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    // Begun upward: it changes the pitch, and not the time.
    await page.mouse.move(from.x, from.y - 12);
    await page.mouse.move(to.x, to.y, { steps: 5 });
    await expect(page.getByTestId('numbers')).toHaveText('+3 semitones');
    await page.mouse.up();
    await said(page, '1 note up 3 semitones.');
    expect((await notesOf(page, song))[0]!.slice(1, 4)).toEqual([0, 900, 63]);

    // Sideways, of the note that stands 10 ticks late: to a line, whatever it stood on.
    const late = await spot(page, 2230, 60);
    const later = await spot(page, 2230 + 450, 62);
    await page.mouse.move(late.x, late.y);
    await page.mouse.down();
    await page.mouse.move(late.x + 12, late.y);
    await page.mouse.move(later.x, later.y, { steps: 5 });
    await page.mouse.up();
    await said(page, '1 note moved 0.49 beats later.');
    expect((await notesOf(page, song))[2]!.slice(1, 4)).toEqual([2400, 900, 60]);
});

test('Shift frees a drag, Alt suspends the grid, Esc drops it', async ({ page }) => {
    const from = await spot(page, 300, 60);
    const to = await spot(page, 300 + 333, 62);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.keyboard.down('Shift');
    await page.keyboard.down('Alt');
    await page.mouse.move(to.x, to.y, { steps: 5 });
    await page.mouse.up();
    await page.keyboard.up('Alt');
    await page.keyboard.up('Shift');
    await said(page, /moved [^,]+ later.*up 2 semitones/);
    const [note] = await notesOf(page, song);
    expect(Math.abs(note![1]! - 333)).toBeLessThan(12);
    expect(note![3]).toBe(62);
    expect((await page.request.get(`/api/songs/${song.id}/steps`).then((r) => r.json())).steps).toHaveLength(1);

    const other = await spot(page, 1260, 64);
    await page.mouse.move(other.x, other.y);
    await page.mouse.down();
    await page.mouse.move(other.x + 120, other.y, { steps: 4 });
    await page.keyboard.press('Escape');
    await page.mouse.up();
    await page.waitForTimeout(200);
    expect((await notesOf(page, song))[1]!.slice(1, 4)).toEqual([960, 900, 64]);
});

test('edges change the length, Ctrl drags length and velocity, stems the velocity', async ({ page }) => {
    const end = await spot(page, 897, 60);
    const there = await spot(page, 1430, 60);
    await page.mouse.move(end.x, end.y);
    await page.mouse.down();
    await page.mouse.move(there.x, there.y, { steps: 5 });
    await page.mouse.up();
    await said(page, '1 note longer by 0.56 beats.');
    expect((await notesOf(page, song))[0]!.slice(1, 3)).toEqual([0, 1440]);

    const body = await spot(page, 3200, 67);
    await page.mouse.move(body.x, body.y);
    await page.keyboard.down('Control');
    await page.mouse.down();
    await page.mouse.move(body.x, body.y + 40, { steps: 5 });
    await page.mouse.up();
    await page.keyboard.up('Control');
    await said(page, '1 note softer by 20.');
    expect((await notesOf(page, song))[3]![4]).toBe(90);

    const lane = (await page.getByTestId('velocity').boundingBox())!;
    const stem = await spot(page, 960, 64);
    await page.mouse.move(stem.x, lane.y + 60);
    await page.mouse.down();
    await page.mouse.move(stem.x, lane.y + 38, { steps: 4 });
    await page.mouse.up();
    await said(page, '1 note louder by');
    expect((await notesOf(page, song))[1]![4]).toBeGreaterThan(110);
});

test('a double click puts a note into its cell with the pen, and only there', async ({ page }) => {
    const free = await spot(page, 500, 62);
    await page.mouse.click(free.x, free.y);
    await page.waitForTimeout(100);
    expect(await notesOf(page, song)).toHaveLength(4);
    await page.mouse.dblclick(free.x, free.y);
    await said(page, 'D4 at 1.1.3 inserted.');
    expect((await notesOf(page, song))[4]!.slice(1, 5)).toEqual([480, 240, 62, 90]);
    await chosen(page, 1);
    const on = await spot(page, 600, 62);
    await page.mouse.dblclick(on.x, on.y);
    await page.waitForTimeout(200);
    expect(await notesOf(page, song)).toHaveLength(5);
});

test('the pointer and the one selected note say their numbers', async ({ page }) => {
    const late = await spot(page, 2230, 60);
    await page.mouse.move(late.x, late.y);
    await expect(page.getByTestId('numbers')).toHaveText('C4  1.3.1.04  0.94 beats  velocity 100  5 ms late');
    await page.mouse.move(5, 5);
    await expect(page.getByTestId('numbers')).toHaveText('');
    await page.keyboard.press('d');
    await expect(page.getByTestId('numbers')).toHaveText('C4  1.1.1  0.94 beats  velocity 80  on the line');
});

test('a note pushed past the loudest has an arrow over its stem, and taken back none', async ({ page }) => {
    /** Pixels of the lane, above where stems reach, that are not its ground. */
    const above = (): Promise<number> =>
        page
            .getByTestId('velocity')
            .locator('canvas')
            .evaluate((canvas: HTMLCanvasElement) => {
                const pixels = new Uint32Array(
                    canvas.getContext('2d')!.getImageData(0, 1, canvas.width, 4).data.buffer,
                );
                return pixels.filter((pixel) => pixel !== pixels[0]).length;
            });
    expect(await above()).toBe(0);
    await page.keyboard.press('Control+a');
    await chosen(page, 4);
    for (let i = 0; i < 5; i++) await page.keyboard.press('Control+Shift+ArrowUp');
    await expect.poll(above).toBeGreaterThan(40);
    for (let i = 0; i < 5; i++) await page.keyboard.press('Control+z');
    await expect.poll(above).toBe(0);
});

test('the view is scrolled and zoomed by wheel and by key about the place that counts', async ({ page }) => {
    const roll = page.getByTestId('roll');
    const drawn = async (): Promise<number[]> => (await roll.getAttribute('data-drawn'))!.split(' ').map(Number);
    const at = await spot(page, 960, 64);
    await page.mouse.move(at.x, at.y);
    const [, , scale] = await drawn();
    await page.keyboard.down('Control');
    await page.mouse.wheel(0, -300);
    await page.keyboard.up('Control');
    await expect.poll(async () => (await drawn())[2]).toBeGreaterThan(scale! * 1.5);
    expect(Math.abs((await spot(page, 960, 64)).x - at.x)).toBeLessThan(2);
    const [, left] = await drawn();
    await page.keyboard.down('Shift');
    await page.mouse.wheel(0, 200);
    await page.keyboard.up('Shift');
    await expect.poll(async () => (await drawn())[1]).toBeGreaterThan(left!);
    const [, , , top, row] = await drawn();
    await page.mouse.wheel(0, 100);
    await expect.poll(async () => (await drawn())[3]).toBeLessThan(top!);
    await page.keyboard.press('h');
    await expect.poll(async () => (await drawn())[4]).toBeGreaterThan(row!);
    await page.keyboard.press('e');
    await expect.poll(async () => (await drawn())[2]).toBeLessThan(scale! * 1.5);
    // A selected note that is moved out of sight is followed.
    await page.keyboard.press('d');
    for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowUp');
    await said(page, '1 note up an octave.');
    const box = (await page.getByTestId('notes').boundingBox())!;
    await expect.poll(async () => (await spot(page, 0, 120)).y).toBeGreaterThan(box.y);
});

test.describe('on a screen of high density', () => {
    test.use({ deviceScaleFactor: 2 });
    test('canvases have a pixel for every pixel', async ({ page }) => {
        const sizes = await page
            .locator('[data-testid=roll] canvas')
            .evaluateAll((all) => all.map((c) => [(c as HTMLCanvasElement).width, c.clientWidth]));
        expect(sizes).toHaveLength(8);
        for (const [pixels, width] of sizes) expect(pixels).toBe(Math.round(width! * 2));
    });
});
