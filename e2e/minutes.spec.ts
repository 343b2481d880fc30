import { expect, test, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { chosen, drawnAtRest, fetchSong, press, said, spot } from './support';

/** A copy of the demo under a name of its own, as somebody new finds it in the list of songs. */
async function newcomer(page: Page, name: string): Promise<number> {
    const answer = await page.request.get('/api/songs');
    const json = (await answer.json()) as { songs?: { id: number; name: string }[] };
    const demo = (json.songs ?? (json as unknown as { id: number; name: string }[])).find(
        (s) => s.name === 'Lantern Ferry',
    )!;
    const copy = (await (await page.request.post(`/api/songs/${demo.id}/duplicate`)).json()) as {
        song: { id: number };
    };
    await page.request.patch(`/api/songs/${copy.song.id}`, { data: { name } });
    await page.goto('/');
    await expect(page.getByTestId('songs')).toContainText(name);
    return copy.song.id;
}

/** How many of the starts of a saved file's bass are on an eighth; of all. As another program reads the file. */
function onEighths(path: string): [number, number] {
    const rows = execFileSync('midicsv', [path], { encoding: 'utf8' })
        .trim()
        .split('\n')
        .map((row) => row.split(', '));
    const ppq = Number(rows.find((r) => r[2] === 'Header')![5]);
    const bass = rows.find((r) => r[2] === 'Title_t' && r[3] === '"Upright bass"')![0];
    // The first sixteen bars are the part that was worked on.
    const starts = rows
        .filter((r) => r[0] === bass && r[2] === 'Note_on_c' && Number(r[5]) > 0)
        .map((r) => Number(r[1]))
        .filter((start) => start < 16 * 4 * ppq - ppq / 4);
    return [starts.filter((start) => start % (ppq / 2) === 0).length, starts.length];
}

test('the first five minutes by mouse alone: open, hear, select, tighten, compare, undo, a note of one’s own, save', async ({
    page,
}) => {
    const id = await newcomer(page, 'First by mouse');
    const word = (name: string | RegExp): ReturnType<Page['getByRole']> => page.getByRole('button', { name });
    await page.getByRole('link', { name: 'First by mouse' }).click();
    await expect(page.getByTestId('staves')).toHaveAttribute('data-drawn', /^\d/);
    // The bass, heard and stopped.
    await page.getByTestId('part').filter({ hasText: 'Bass, quay' }).dblclick();
    await expect(page.getByTestId('part-name')).toHaveText('Bass, quay');
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await word('Play').click();
    await word('Stop').click();
    // A note says what it is; the strip's entry selects all.
    await drawnAtRest(page);
    await page.getByTestId('key-strip').getByText('guide').click();
    await expect(page.getByTestId('guide')).toBeVisible();
    await page.goBack();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await drawnAtRest(page);
    const notes = (await page.getByTestId('notes').boundingBox())!;
    await page.mouse.move(notes.x + 3, notes.y + 3);
    await page.mouse.down();
    await page.mouse.move(notes.x + notes.width - 3, notes.y + notes.height - 3, { steps: 5 });
    await page.mouse.up();
    await said(page, /^\d+ notes selected\.$/);
    const boxed = parseInt((await page.getByTestId('chosen').textContent())!);
    // The second button on one of them: what can be done, with its keys.
    const oneNote = async (): Promise<{ x: number; y: number; pitch: number }> => {
        const { tracks } = await fetchSong(page, id);
        const [, start, length, pitch] = tracks[1]!.parts[0]!.notes[5] as [number, number, number, number];
        return { ...(await spot(page, start + length / 2, pitch)), pitch };
    };
    const first = await oneNote();
    await page.mouse.click(first.x, first.y, { button: 'right' });
    const menu = page.getByTestId('menu');
    await expect(menu.getByRole('menuitem', { name: /^quantize Q$/ })).toBeVisible();
    await menu.getByRole('menuitem', { name: /^quantize Q$/ }).click();
    await said(page, /notes quantized to 1\/8/);
    await word('Undo').click();
    await said(page, /^Undone: /);
    await word('Redo').click();
    await said(page, /^Redone: /);
    // One note, clicked, says what it is.
    const now = await oneNote();
    await page.mouse.click(now.x, now.y);
    await said(page, /is selected: [^,]+, velocity \d+, on the line\.$/);
    // Two double clicks on empty paper, one after the other, write two notes.
    const before = (await fetchSong(page, id)).tracks[1]!.parts[0]!.notes.length;
    const empty = [await spot(page, 480 * 8 + 60, first.pitch + 9), await spot(page, 480 * 12 + 60, first.pitch + 9)];
    await page.mouse.click(empty[0]!.x, empty[0]!.y);
    await said(page, /^Caret at/);
    for (const { x, y } of empty) {
        await page.mouse.dblclick(x, y);
        await said(page, / inserted/);
    }
    await word('Undo').click();
    await said(page, /^Undone: /);
    await word('Undo').click();
    await expect.poll(async () => (await fetchSong(page, id)).tracks[1]!.parts[0]!.notes.length).toBe(before);
    // The history shows it all; all can be saved.
    await word('History').click();
    await expect(page.getByRole('dialog', { name: 'History' })).toContainText('to 1/8');
    await page.getByRole('dialog', { name: 'History' }).getByRole('button', { name: 'Close' }).click();
    const waiting = page.waitForEvent('download');
    await word('Save as a MIDI file').click();
    const [on, all] = onEighths(await (await waiting).path());
    expect(all).toBeGreaterThan(20);
    expect(boxed).toBeGreaterThan(10);
    expect(on).toBeGreaterThanOrEqual(boxed);
});

test('the first five minutes by keys alone: open, select, look, tighten, hear, undo, find, write, save', async ({
    page,
}) => {
    await newcomer(page, 'First by keys');
    // From the top of the list down to it.
    const row = page.locator('[data-chosen=true]');
    for (let i = 0; i < 60 && !(await row.textContent())?.includes('First by keys'); i++)
        await page.keyboard.press(i < 30 ? 'ArrowUp' : 'ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('staves')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 's', 'Enter');
    await expect(page.getByTestId('part-name')).toHaveText('Bass, quay');
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'Control+a');
    await said(page, /^\d+ notes selected\.$/);
    // Held, a key shows where quantize would put them; done, it says so.
    await page.keyboard.down('`');
    await expect(page.getByTestId('said')).toContainText('Preview');
    await page.keyboard.up('`');
    await press(page, 'q');
    await said(page, /notes quantized to 1\/8/);
    await press(page, 'Space');
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    await press(page, 'Space');
    await press(page, 'Control+z');
    await said(page, /^Undone: /);
    await press(page, 'Control+Shift+z');
    await said(page, /^Redone: /);
    // Found by a word, with a value, done by Enter.
    await press(page, '/');
    await page.keyboard.type('velocity +6');
    await press(page, 'Enter');
    await said(page, /louder|\+6/);
    await press(page, 'Escape', 'Escape');
    await chosen(page, 0);
    // A walk says each note; one is written at the caret.
    await press(page, 'd');
    await said(page, /is selected: [^,]+, velocity \d+, on the line\.$/);
    await press(page, 'Escape', 'Shift+ArrowUp');
    await said(page, /^Caret at/);
    await press(page, ';');
    await said(page, / inserted/);
    await press(page, 'Control+z');
    await said(page, /^Undone: /);
    // The guide, and back to where one was.
    await press(page, 'F1');
    await expect(page.getByTestId('guide')).toBeVisible();
    await press(page, 'Escape');
    await expect(page.getByTestId('part-name')).toHaveText('Bass, quay');
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    const waiting = page.waitForEvent('download');
    await press(page, 'Control+s');
    const [on, all] = onEighths(await (await waiting).path());
    expect(all).toBeGreaterThan(20);
    expect(on).toBe(all);
});
