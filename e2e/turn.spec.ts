import { expect, test, type Page } from './silent';
import { bring, chosen, LOOSE, midi, notesOf, openRoll, press, said, type SongJson, spot } from './support';

/** A server that takes its time: what is typed meanwhile has to mean the same. */
async function slow(page: Page): Promise<SongJson> {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    await page.route(/\/(edits|reading|undo|redo)$/, async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 250));
        await route.continue();
    });
    return song;
}

test('arrows typed before a choice is known move what will be selected', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    // Next note, up, next note, up twice: nothing of it has been answered when the last key is pressed.
    await press(page, 'd', 'ArrowUp', 'd', 'ArrowUp', 'ArrowUp');
    await expect
        .poll(async () => (await notesOf(page, song)).map((n) => n[3]))
        .toEqual(take.map((n, i) => n[3]! + ([1, 2][i] ?? 0)));
    await chosen(page, 1);
});

test('Esc typed before a choice is known selects nothing, and the arrows after it move the caret', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    await press(page, 'd', 'Escape', 'ArrowRight', 'ArrowRight', 'ArrowUp');
    await said(page, 'Caret at 1.1.3, C♯4');
    await chosen(page, 0);
    expect(await notesOf(page, song)).toEqual(take);
});

test('what is typed between a choice and Esc is done to what was selected', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    await press(page, 'd', 'ArrowUp', 'Escape', 'ArrowRight');
    await expect.poll(async () => (await notesOf(page, song))[0]![3]).toBe(take[0]![3]! + 1);
    await said(page, /^Caret at/);
    await chosen(page, 0);
    expect((await notesOf(page, song)).slice(1)).toEqual(take.slice(1));
});

test('cut and paste typed at once carry the notes, and paste no other', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    await page.route('**/reading', async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 250));
        await route.continue();
    });
    await press(page, 'd', 'Control+x', 'Control+End', 'Control+v');
    await said(page, /inserted\./);
    const end = Math.max(...take.map((n) => n[1]! + n[2]!));
    const now = await notesOf(page, song);
    expect(now).toHaveLength(take.length);
    // It lies as far off the line as it did.
    expect(now.filter((n) => n[3] === take[0]![3]).map((n) => n[1])).toEqual([end + take[0]![1]!]);
});

test('what names the caret waits until the caret is there', async ({ page }) => {
    const song = await slow(page);
    const line = 'Control+Alt+PageDown';
    await press(page, 'Control+a', line, line, line, line, 'Alt+b');
    // The first two begin before 1.2.1, where the caret comes to.
    await expect.poll(async () => (await notesOf(page, song)).filter((n) => n[1]! + n[2]! === 960).length).toBe(2);
});

test('a click on another note while keys wait takes nothing away from those selected before', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    await press(page, 'd');
    await chosen(page, 1);
    const other = await spot(page, take[4]![1]! + 100, take[4]![3]!);
    await press(page, 'Shift+ArrowUp', 'Shift+ArrowUp');
    await page.mouse.click(other.x, other.y);
    await expect.poll(async () => (await notesOf(page, song))[0]![3]).toBe(take[0]![3]! + 24);
    await chosen(page, 1);
    await expect(page.getByTestId('numbers')).toContainText('E4');
    expect((await notesOf(page, song)).slice(1)).toEqual(take.slice(1));
});

test('undo typed in between undoes what was typed before it, and nothing else', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    await press(page, 'Control+a', 'q', 'ArrowUp', 'Control+z', 'Control+ArrowUp');
    await said(page, '8 notes louder by 5.');
    const now = await notesOf(page, song);
    expect(now.map((n) => n[3])).toEqual(take.map((n) => n[3]));
    expect(now.map((n) => n[4])).toEqual(take.map((n) => n[4]! + 5));
    expect(now.every((n) => n[1]! % 240 === 0)).toBe(true);
});

test('the mark at the top right rests after everything that was typed, whatever that was', async ({ page }) => {
    await slow(page);
    const mark = page.getByLabel('Everything is saved');
    for (const keys of [
        ['Control+a', 'Control+c'],
        ['Escape', 'ArrowRight'],
        [';'],
        ['Control+End', 'Control+v'],
        ['Alt+PageUp'],
        ['Control+z'],
        ['Shift+ArrowRight', 'Control+c'],
    ]) {
        await press(page, ...keys);
        await expect(mark, keys.join(' ')).toHaveCount(1);
        await page.waitForTimeout(400);
        await expect(mark, keys.join(' ')).toHaveCount(1);
    }
});

test('a refused command takes nothing with it of what was typed behind it', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    // A bar earlier would be before the song.
    await press(page, 'Control+a', 'Shift+ArrowLeft', 'ArrowUp');
    await expect.poll(async () => (await notesOf(page, song)).map((n) => n[3])).toEqual(take.map((n) => n[3]! + 1));
    await said(page, '8 notes up a semitone.');
});

test('a repeat typed at once repeats what was typed before it, and places are those of then', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    await press(page, 'd', 'ArrowUp', 'Comma', 'Comma');
    await expect.poll(async () => (await notesOf(page, song))[0]![3]).toBe(take[0]![3]! + 3);
    // The note goes two cells on, and the caret to where it is then.
    await press(page, 'ArrowRight', 'ArrowRight', 'Escape', 'Control+Home', 'Alt+PageDown');
    await said(page, 'Caret at 1.1.3.08, E♭4');
});

test('what is typed behind Esc works on nothing, also where an edit before it travels along', async ({ page }) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    await press(page, 'd');
    await chosen(page, 1);
    await press(page, 'ArrowUp', 'ArrowDown', 'Escape', 'Control+d');
    await said(page, 'No notes are selected: nothing changed.');
    expect(await notesOf(page, song)).toEqual(take);
});

test('a note clicked after Esc stays selected, though Esc still waits; what was typed between is for what Esc left', async ({
    page,
}) => {
    const song = await slow(page);
    const take = await notesOf(page, song);
    const note = take[3]!;
    // It is clicked where it stands until the answer comes.
    const at = await spot(page, note[1]! + 40, note[3]! + 1);
    await press(page, 'Control+a', 'ArrowUp');
    await said(page, 'up a semitone');
    await press(page, 'Control+z', 'Escape', 'ArrowUp');
    await page.mouse.click(at.x, at.y);
    await chosen(page, 1);
    await expect.poll(async () => (await notesOf(page, song)).map((n) => n[3])).toEqual(take.map((n) => n[3]));
    await page.waitForTimeout(700);
    await chosen(page, 1);
    await press(page, 'ArrowUp');
    await expect
        .poll(async () => (await notesOf(page, song)).map((n) => n[3]))
        .toEqual(take.map((n, i) => n[3]! + (i === 3 ? 1 : 0)));
});
