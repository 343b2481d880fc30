import { expect, test } from './silent';
import { bring, LOOSE, midi, notesOf, openRoll, said } from './support';

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
