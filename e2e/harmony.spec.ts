import { expect, test, type Page } from './silent';
import {
    bring,
    caret,
    chosen,
    fetchSong,
    LOOSE,
    midi,
    notesOf,
    openRoll,
    press,
    said,
    spot,
    type Row,
    type SongJson,
} from './support';

const column = (rows: Row[], i: number): number[] => rows.map((n) => n[i]!);
const pitches = async (page: Page, song: SongJson): Promise<number[]> => column(await notesOf(page, song), 3);
const names = (page: Page): Promise<string | null> => page.getByTestId('chords').getAttribute('data-names');

async function open(page: Page, notes: number[][]): Promise<SongJson> {
    const song = await bring(page, midi(notes));
    await openRoll(page, song);
    await page.evaluate(() => localStorage.removeItem('jactonic.chords'));
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    return song;
}

/** Dm7, G7 and C, a bar each, at 96 ticks a quarter. */
const CADENCE = [
    ...[50, 60, 65, 69].map((p, i) => [i, 370, p, 80]),
    ...[55, 59, 65, 69].map((p, i) => [384 + i, 370, p === 69 ? 62 : p, 80]),
    ...[48, 60, 64, 67].map((p, i) => [768 + i, 370, p, 80]),
];

test('job 17: a progression on one line, named by the chord line, its notes selected by it, copied as text', async ({
    page,
    context,
}) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']).catch(() => {});
    const song = await open(page, [[4 * 384, 96, 40, 80]]);
    // Two keys and its letters: heard and seen where it would land before it is put in.
    await press(page, 'Escape', 'Home', 'Alt+Shift+k');
    await page.keyboard.type('Dm7 | G7 | Cmaj7 | %');
    await expect(page.getByRole('dialog')).toContainText('4 chords from 1.1.1: Dm7 | G7 | Cmaj7 | %.');
    await page.keyboard.press('Enter');
    await said(page, '4 chords from 1.1.1: Dm7 | G7 | Cmaj7 | %.');
    await expect.poll(async () => (await notesOf(page, song)).length).toBe(17);
    // The chords are named by two keys.
    await press(page, 'Alt+h', 'l');
    await expect.poll(() => names(page)).toBe('Dm7 G7/D Cmaj7');
    // Those of the chord at the caret; the others besides; and by a click.
    await press(page, 'Escape', 'Home', 'n', 'n');
    await chosen(page, 4);
    await press(page, 'ArrowUp');
    await said(page, '4 notes up a semitone');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('e');
    // All of it is seen once what was typed before has been answered.
    await expect.poll(async () => (await spot(page, 3840 + 200, 60)).x).toBeLessThan(1200);
    const box = (await page.getByTestId('chords').boundingBox())!;
    const second = await spot(page, 3840 + 200, 60);
    await page.mouse.click(second.x, box.y + 12);
    await chosen(page, 4);
    await expect.poll(async () => Math.abs((await caret(page))[0] - 3840) < 12).toBe(true);
    await press(page, 'Alt+h', 'x');
    await said(page, 'Dm7 | G7/D | Cmaj7');
    // Into the file as text, undone in one step.
    await press(page, 'Alt+h', 'w');
    await said(page, '3 chords written into the track');
    const file = await page.request.get(`/api/songs/${song.id}/file`);
    expect((await file.body()).toString('latin1')).toContain('Dm7');
    await page.keyboard.press('Control+z');
    const withChords = async (): Promise<boolean> =>
        (await (await page.request.get(`/api/songs/${song.id}/file`)).body()).toString('latin1').includes('Dm7');
    await expect.poll(withChords).toBe(false);
    await said(page, 'Undone: 3 chords written');
    // By bar and none; on the song page of all parts; on a page to be printed, and back.
    await press(page, 'Alt+h', 'l', 'Alt+h', 'l');
    await said(page, 'a chord a bar');
    await page.keyboard.press('o');
    await expect(page.getByTestId('song-chords')).toHaveAttribute('data-names', 'Dm7 G7/D Cmaj7');
    await press(page, 'Alt+h', 'j');
    await expect(page.getByTestId('chord-sheet')).toContainText('Cmaj7');
    await page.keyboard.press('Escape');
    await expect(page.getByTestId('song-chords')).toBeVisible();
});

test('a chord that is none, an empty line and a degree without a scale say what is wrong, and put nothing in', async ({
    page,
}) => {
    const song = await open(page, LOOSE);
    for (const [typed, words] of [
        ['Dm7 | Gxyz', 'xyz'],
        ['%', 'no chord before it'],
        ['ii V I', 'There is no scale'],
        ['C | | G', 'Bar 2'],
    ] as const) {
        await press(page, 'Alt+Shift+k');
        await page.keyboard.type(typed);
        await expect(page.getByRole('dialog')).toContainText(words);
        await page.keyboard.press('Enter');
        await said(page, words);
        await page.keyboard.press('Escape');
    }
    expect((await notesOf(page, song)).length).toBe(8);
});

test('job 17: a scale for the song, taken from the reading; degrees in it; held to it, thirds stay in it', async ({
    page,
}) => {
    const song = await open(page, CADENCE);
    await press(page, 'Alt+h', 's');
    const panel = page.getByRole('dialog', { name: 'Scale' });
    await expect(panel.getByTestId('key-said')).toContainText('C major is likeliest');
    // The first of the list, for the song.
    await press(page, 'Tab', 'Tab', 'Tab', 'ArrowDown', 'Enter');
    await said(page, 'Scale of the song: C major.');
    await expect(page.locator('.corner')).toContainText('C major');
    // By the field: another root.
    await panel.getByLabel('Scale of the song: root').selectOption('A♭');
    await said(page, 'Scale of the song: A♭ major.');
    // A letter is the tone without a sign.
    await panel.getByLabel('Scale of the song: root').press('g');
    await said(page, 'Scale of the song: G major.');
    await page.keyboard.press('Escape');
    await press(page, 'Control+z', 'Control+z');
    await expect(page.locator('.corner')).toContainText('C major');
    // Held to it a chord moved up one step changes its kind: G7 becomes Am7(b5)… here Dm7 becomes Em7.
    await press(page, 'Alt+h', 'k');
    await said(page, 'Scale lock on: the song’s scale.');
    await press(page, 'Escape', 'Home', 'c', 'ArrowUp');
    await said(page, '4 notes up a step of C major.');
    expect((await pitches(page, song)).slice(0, 4)).toEqual([52, 62, 67, 71]);
    await press(page, 'Alt+ArrowUp');
    await said(page, '4 notes up a semitone');
    await press(page, 'n', 's');
    await chosen(page, 2);
    await press(page, 'Control+z', 'Control+z');
    await press(page, 'Alt+Shift+k');
    await page.keyboard.type('ii7 V7 I');
    await page.keyboard.press('Enter');
    await said(page, '3 chords from');
    // A line mirrored in the scale, and back.
    const before = await pitches(page, song);
    await press(page, 'Control+a', 'Alt+h', 'Shift+m');
    await said(page, 'mirrored in C major.');
    await press(page, 'Alt+h', 'Shift+m');
    await expect.poll(() => pitches(page, song)).toEqual(before);
});

test('job 4: a chord voiced by hand: doubled to the next bar, one tone moved, turned, opened, its group as one', async ({
    page,
}) => {
    const song = await open(page, CADENCE.slice(0, 4));
    await press(page, 'Escape', 'Home', 'c', 'Control+Alt+d');
    await said(page, '4 notes repeated, every bar.');
    // The one above the lowest, a semitone up; then all of it turned and opened.
    await press(page, 's', 's', 's', 's', 'w', 'ArrowUp');
    await said(page, '1 note up a semitone');
    await press(page, 'c', 'Alt+h', 'ArrowUp');
    await said(page, '1 chord inverted up.');
    await press(page, 'Alt+h', 'ArrowRight');
    await said(page, '1 chord opened.');
    // Grouped, a walk to one of it brings all; alone by a key, and by a click with Alt.
    await press(page, 'Alt+z', 'g');
    await said(page, '4 notes are a group now.');
    await press(page, 'Escape', 'Home', 'd');
    await chosen(page, 1);
    await press(page, 'd');
    await chosen(page, 4);
    await press(page, 'n', 'a');
    await chosen(page, 1);
    const [, start, , pitch] = (await notesOf(page, song)).find((n) => n[9] !== 0 || n[1]! >= 3700)!;
    await page.keyboard.press('Escape');
    const at = await spot(page, start! + 500, pitch!);
    await page.mouse.click(at.x, at.y);
    await chosen(page, 4);
    await page.keyboard.press('Escape');
    await page.keyboard.down('Alt');
    await page.mouse.click(at.x, at.y);
    await page.keyboard.up('Alt');
    await chosen(page, 1);
    await press(page, 'n', 'g', 'Alt+z', 'u');
    await said(page, 'are no longer grouped');
});

test('job 18: reversed, mirrored, half and double time, another meter and back, each in two keys and one step', async ({
    page,
}) => {
    const song = await open(page, LOOSE);
    const take = await notesOf(page, song);
    for (const [keys, words] of [
        [['Alt+z', 'r'], /reversed/],
        [['Alt+h', 'm'], /mirrored/],
        [['Alt+z', 'h'], /200 %/],
        [['Alt+z', 'd'], /50 %/],
        [['Alt+z', '3'], /fitted to 3\/4/],
    ] as const) {
        await press(page, 'Control+a', ...keys);
        await said(page, words);
        await page.keyboard.press('Control+z');
        await expect.poll(() => notesOf(page, song)).toEqual(take);
    }
    await press(page, 'Control+a', 'Alt+z', '3');
    await expect.poll(async () => (await notesOf(page, song))[7]![1]! / take[7]![1]!).toBeLessThan(0.78);
    await said(page, '8 notes, 1 bar, fitted to 3/4.');
    const squeezed = await notesOf(page, song);
    // The panel shows where it would land; filled, the notes stay and the bar gets longer.
    await press(page, 'Alt+z', 'm');
    const panel = page.getByRole('dialog');
    await panel.getByLabel('Beats').getByRole('spinbutton').fill('5');
    await panel.getByLabel('fill').check();
    await expect(panel).toContainText('fitted to 5/4, with silence where a bar is longer');
    await page.keyboard.press('Enter');
    await said(page, 'fitted to 5/4');
    await expect.poll(async () => column(await notesOf(page, song), 1)).toEqual(column(squeezed, 1));
});

test('selecting by what notes are, added, narrowed and taken away; kept, and got again after a reload', async ({
    page,
}) => {
    const song = await open(page, CADENCE);
    await press(page, 'n', 't');
    await chosen(page, 3);
    await press(page, 'n', 'Shift+b');
    await chosen(page, 6);
    await press(page, 'n', 'Alt+t');
    await chosen(page, 3);
    await press(page, 'n', 'Alt+Shift+t');
    await chosen(page, 0);
    // Also where the choice is answered only after all of it was typed.
    await page.route(/\/edits$/, async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 1000));
        await route.continue().catch(() => {});
    });
    await press(page, 'n', '2', 'n', 'k');
    await page.keyboard.type('Inner');
    await page.keyboard.press('Enter');
    await said(page, 'Selection “Inner” saved: 3 notes.');
    await page.unroute(/\/edits$/);
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'Control+a', 'n', 'k', '1');
    await chosen(page, 3);
    // Narrowed by it, and forgotten.
    await press(page, 'Control+a', 'n', 'k', 'ArrowDown', 'Alt+Shift+Enter');
    await chosen(page, 9);
    await press(page, 'n', 'k', 'ArrowDown', 'Delete');
    await said(page, 'Saved selection deleted: Inner.');
    expect((await fetchSong(page, song.id)).tracks[0]!.parts[0]!.settings.choices).toEqual({});
});

test('repairs: walked by arrows, seen and selected, mended one by one and all of a kind, dismissed for good', async ({
    page,
}) => {
    // A line with a doubled note, two slivers, and one that lies an octave high.
    const line = Array.from({ length: 24 }, (_, i) => [i * 48, 40, [60, 62, 64, 65][i % 4]! + (i === 13 ? 12 : 0), 80]);
    const song = await open(page, [...line, [242, 38, 62, 70], [250, 1, 67, 80], [350, 1, 69, 80]]);
    await press(page, 'Shift+n');
    const panel = page.getByRole('dialog', { name: 'Check' });
    await expect(panel.getByTestId('repairs-said')).toHaveText('4 possible problems.');
    await expect(panel.locator('[data-fault]').first()).toBeFocused();
    await chosen(page, 2);
    // What another command leaves selected stays so when the check is done again; an arrow shows an entry.
    await press(page, 'Control+x');
    await expect(panel.getByTestId('repairs-said')).toHaveText('3 possible problems.');
    await expect(panel.locator('[data-fault]').first()).toBeFocused();
    await chosen(page, 0);
    await press(page, 'Control+z');
    await expect(panel.getByTestId('repairs-said')).toHaveText('4 possible problems.');
    await chosen(page, 2);
    await press(page, 'ArrowDown', 'ArrowUp');
    await chosen(page, 2);
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await notesOf(page, song)).length).toBe(26);
    await expect(panel.getByTestId('repairs-said')).toHaveText('3 possible problems.');
    // Both slivers at once, each its own step.
    await press(page, 'Shift+Enter');
    await expect(panel.getByTestId('repairs-said')).toHaveText('1 possible problem.');
    expect((await notesOf(page, song)).length).toBe(24);
    await expect(panel.locator('[data-fault]')).toContainText('an octave high');
    await page.keyboard.press('Delete');
    await said(page, 'It stays as it is');
    await expect(panel).toContainText('1 dismissed');
    await press(page, 'Escape', 'Control+z', 'Control+z', 'Control+z');
    await expect.poll(async () => (await notesOf(page, song)).length).toBe(27);
    // What was dismissed is not told again, also after a reload.
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'Shift+n');
    await expect(panel.locator('[data-fault]')).toHaveCount(3);
    await expect(panel).toContainText('1 dismissed');
});

test('a run with the pen: sixteenths, then triplets, then thirty-seconds in one bar', async ({ page }) => {
    const song = await open(page, [[4 * 384, 96, 60, 80]]);
    await press(page, 'Escape', 'Home', '5', 'Quote');
    const from = await spot(page, 5, 62);
    const to = async (tick: number): Promise<void> => {
        const at = await spot(page, tick, 62);
        await page.mouse.move(at.x, at.y, { steps: 4 });
    };
    await page.mouse.move(from.x, from.y);
    await page.keyboard.down('Shift');
    await page.mouse.down();
    await to(900);
    await page.keyboard.up('Shift');
    await page.keyboard.press('t');
    await expect(page.getByTestId('said')).toContainText('1/16T');
    await to(1900);
    await press(page, 't', '6');
    await expect(page.getByTestId('said')).toContainText('1/32');
    await to(2800);
    await page.mouse.up();
    await expect.poll(async () => (await notesOf(page, song)).length).toBeGreaterThan(12);
    const lengths = column(await notesOf(page, song), 2).slice(1);
    expect([...new Set(lengths)].sort((a, b) => a - b)).toEqual([120, 160, 240]);
    // One step takes all of it back.
    await press(page, 'Quote', 'Control+z');
    await expect.poll(async () => (await notesOf(page, song)).length).toBe(1);
});
