import { expect, test } from './silent';
import { bring, chosen, fetchSong, LOOSE, midi, notesOf, openRoll, press, said } from './support';

test('a window of another browser shows a change within a second, and where this one is', async ({ page, browser }) => {
    const song = await bring(page, midi(LOOSE));
    const context = await browser.newContext({ baseURL: new URL(page.url() === 'about:blank' ? test.info().project.use.baseURL! : page.url()).origin }); // prettier-ignore
    const other = await context.newPage();
    await openRoll(page, song);
    await openRoll(other, song);
    await page.keyboard.press('Control+a');
    await page.keyboard.press('ArrowUp');
    await said(page, '8 notes up a semitone.');
    // The other has done nothing: it sees it all the same.
    await other.keyboard.press('Home');
    await other.keyboard.press('d');
    await expect(other.getByTestId('numbers')).toContainText('C♯4');
    await expect(page.getByTestId('other-caret')).toContainText(/Window [12]/);
    await expect(other.getByTestId('other-caret')).toContainText(/Window [12]/);
    const names = await Promise.all([page, other].map((w) => w.getByTestId('other-caret').textContent()));
    expect(new Set(names).size).toBe(2);
    await context.close();
    await expect(page.getByTestId('other-caret')).toHaveCount(0, { timeout: 15_000 });
    expect((await notesOf(page, song))[0]![3]).toBe(61);
});

test('copied into an empty track: what was copied is selected there, it is said, and the next edit finds it', async ({
    page,
}) => {
    const song = await bring(page, midi(LOOSE));
    await page.goto(`/songs/${song.id}`);
    await expect(page.getByTestId('part')).toHaveCount(1);
    await press(page, 'Shift+n');
    await expect.poll(async () => (await fetchSong(page, song.id)).tracks.length).toBe(2);
    const made = (await fetchSong(page, song.id)).tracks[1]!;
    // Its part away, the track is empty.
    for (const part of made.parts)
        await page.request.post(`/api/songs/${song.id}/edits`, {
            data: { base: (await fetchSong(page, song.id)).revision, do: [{ edit: 'part-delete', on: { parts: [part.id] } }] }, // prettier-ignore
        });
    await openRoll(page, song);
    await press(page, 'Control+a', 'Alt+w', 'Control+ArrowDown');
    await said(page, /^8 notes copied to “/);
    await chosen(page, 8);
    await press(page, 'ArrowUp');
    await said(page, '8 notes up a semitone.');
    await expect.poll(async () => (await fetchSong(page, song.id)).tracks[1]!.parts[0]!.notes.map((n) => n[3])).toEqual([61, 62, 63, 64, 65, 66, 67, 68]); // prettier-ignore
});
