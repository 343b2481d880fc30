import { expect, test } from './silent';
import { bring, caret, chosen, fetchSong, LOOSE, midi, notesOf, openRoll, press, said, spot } from './support';

/** Four bars of quarters at 96 ticks each: the song counts 960. */
const QUARTERS = Array.from({ length: 16 }, (_, i) => [i * 96, 90, 60 + (i % 4), 80]);

test('put the caret, select, act at the caret: by key, in that order', async ({ page }) => {
    const song = await bring(page, midi(QUARTERS));
    await openRoll(page, song);
    await press(page, 'Escape', 'Home', 'Shift+ArrowRight', 'ArrowRight', 'ArrowRight');
    await said(page, 'Caret at 2.1.3');
    const [at] = await caret(page);
    for (const select of [['Control+a'], ['r'], ['n', 'm'], ['Escape', 'Control+a']]) {
        await press(page, ...select);
        expect((await caret(page))[0], select.join(' ')).toBe(at);
    }
    const before = await notesOf(page, song);
    await press(page, 'Control+a', 'Alt+b');
    await said(page, /end at|ended|longer|shorter/);
    await expect.poll(async () => (await notesOf(page, song)).filter((n) => n[1]! + n[2]! === 4320).length).toBeGreaterThan(0); // prettier-ignore
    expect((await caret(page))[0]).toBe(at);
    await press(page, 'Control+z');
    await said(page, 'Undone');
    expect(await notesOf(page, song)).toEqual(before);
});

test('by mouse: the ruler, a note, then the note ends at the caret; a box and a click with Shift leave it too', async ({
    page,
}) => {
    const song = await bring(page, midi(QUARTERS));
    await openRoll(page, song);
    const [first] = await notesOf(page, song);
    const { x: left } = await spot(page, 1440, 60);
    const ruler = (await page.getByTestId('ruler').boundingBox())!;
    await page.mouse.click(left, ruler.y + ruler.height / 2);
    await said(page, 'Caret at');
    const [at] = await caret(page);
    const note = await spot(page, 300, 60);
    await page.mouse.click(note.x, note.y);
    await chosen(page, 1);
    expect((await caret(page))[0]).toBe(at);
    const other = await spot(page, 1100, 61);
    await page.keyboard.down('Shift');
    await page.mouse.click(other.x, other.y);
    await page.keyboard.up('Shift');
    await chosen(page, 2);
    expect((await caret(page))[0]).toBe(at);
    await page.mouse.click(note.x, note.y);
    await chosen(page, 1);
    await press(page, 'Alt+b');
    await expect
        .poll(async () => (await notesOf(page, song)).find((n) => n[0] === first![0]))
        .toMatchObject({ 2: 1440 });
});

test('it goes along with walking, writing and deleting, and undo puts it back', async ({ page }) => {
    const song = await bring(page, midi(QUARTERS));
    await openRoll(page, song);
    await press(page, 'd', 'd', 'd');
    await chosen(page, 1);
    const walked = await caret(page);
    expect(walked[0]).toBeGreaterThan(0);
    await press(page, 'Shift+d');
    await chosen(page, 2);
    expect((await caret(page))[0]).toBeGreaterThan(walked[0]);
    await press(page, 'Escape', 'Home', ';');
    await said(page, 'inserted');
    const [written] = await caret(page);
    expect(written).toBeGreaterThan(0);
    await press(page, 'Control+z');
    await said(page, 'Undone');
    await expect.poll(async () => (await caret(page))[0]).toBe(0);
    await press(page, 'Control+Shift+z');
    await said(page, 'Redone');
    await expect.poll(async () => (await caret(page))[0]).toBe(written);
    await press(page, 'Control+z', 'End', 'Control+a', 'Delete');
    await said(page, '16 notes deleted.');
    await expect.poll(async () => (await caret(page))[0]).toBe(0);
    await press(page, 'Control+z');
    await said(page, 'Undone');
    await expect.poll(async () => (await caret(page))[0]).toBeGreaterThan(14_000);
});

test('on the page of the song: all selected, split at the caret; a click on a part leaves it; undo puts it back', async ({
    page,
}) => {
    const song = await bring(page, midi(QUARTERS));
    const heads = async (): Promise<{ from: number; to: number }[]> =>
        ((await fetchSong(page, song.id)).tracks[0]!.parts as unknown as { from: number; to: number }[]).map((p) => ({ from: p.from, to: p.to })); // prettier-ignore
    await page.goto(`/songs/${song.id}`);
    await expect(page.getByTestId('part')).toHaveCount(1);
    await press(page, 'Escape', 'Home', 'Shift+ArrowRight', 'Shift+ArrowRight');
    await said(page, 'Caret at 3.1.1');
    await press(page, 'Control+a', 'x');
    await said(page, '1 part split into 2.');
    expect(await heads()).toEqual([{ from: 0, to: 7680 }, { from: 7680, to: 15360 }]); // prettier-ignore
    // Clicked, and the caret is where it was: it splits nothing more.
    await page
        .getByTestId('part')
        .nth(1)
        .click({ position: { x: 40, y: 10 } });
    await press(page, 'x');
    await said(page, 'There is nowhere to split.');
    await press(page, 'Control+c', 'Escape', 'End', 'Control+v');
    await expect(page.getByTestId('part')).toHaveCount(3);
    await press(page, 'Control+z');
    await said(page, 'Undone');
    await expect(page.getByTestId('part')).toHaveCount(2);
    // Pasting took it on; undo takes it back to the end of the song.
    await press(page, 'Control+v');
    await expect(page.getByTestId('part')).toHaveCount(3);
    expect((await heads())[2]).toEqual({ from: 15360, to: 23040 });
});

test('a command that is undone as fast as it is typed leaves the caret where it was', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    await press(page, 'Escape', 'Home', 'Control+a', 'Control+c', 'Escape', 'Shift+ArrowRight', 'Shift+ArrowRight');
    await said(page, 'Caret at 3.1.1');
    const before = await caret(page);
    await press(page, 'Control+v', 'Control+z');
    await said(page, 'Undone');
    await expect.poll(() => caret(page)).toEqual(before);
});
