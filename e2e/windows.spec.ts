import { expect, test } from './silent';
import { bring, chosen, cutOff, LOOSE, midi, notesOf, openRoll, said } from './support';

test('undo works after a reload', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    const before = await notesOf(page, song);
    await openRoll(page, song);
    await page.keyboard.press('Control+a');
    await page.keyboard.press('q');
    await said(page, /^8 notes quantized to 1\/16/);
    await page.keyboard.press('ArrowUp');
    await said(page, '8 notes up a semitone.');
    await page.reload();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
    await page.keyboard.press('Control+z');
    await said(page, 'Undone: 8 notes up a semitone.');
    await page.keyboard.press('Control+z');
    await said(page, /^Undone: 8 notes quantized to 1\/16/);
    expect(await notesOf(page, song)).toEqual(before);
    await page.keyboard.press('Control+Shift+Z');
    await said(page, /^Redone: 8 notes quantized to 1\/16/);
});

test('two windows on one song lose nothing and catch up with one another', async ({ page, context }) => {
    const song = await bring(page, midi(LOOSE));
    const other = await context.newPage();
    await openRoll(page, song);
    await openRoll(other, song);
    await page.keyboard.press('Control+a');
    await other.keyboard.press('Control+a');
    await chosen(page, 8);
    await chosen(other, 8);
    // Both at once, many times: the one whose base is stale catches up and sends again.
    for (let i = 0; i < 6; i++)
        await Promise.all([page.keyboard.press('ArrowUp'), other.keyboard.press('Control+ArrowUp')]);
    await expect
        .poll(async () => (await notesOf(page, song)).map((n) => [n[3], n[4]]))
        .toEqual(LOOSE.map((n) => [n[2]! + 6, n[3]! + 30]));
    // Each window shows the same: its numbers for the first note.
    for (const window of [page, other]) {
        await window.keyboard.press('Escape');
        await window.keyboard.press('Home');
        await window.keyboard.press('d');
        await expect(window.getByTestId('numbers')).toContainText('velocity 100');
        await expect(window.getByTestId('numbers')).toContainText('F♯4');
    }
});

test('a held key piles nothing up and every press counts', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    let requests = 0;
    let inFlight = 0;
    let most = 0;
    page.on('request', (r) => {
        if (r.url().endsWith('/edits')) {
            requests++;
            most = Math.max(most, ++inFlight);
        }
    });
    page.on('requestfinished', (r) => r.url().endsWith('/edits') && inFlight--);
    await page.keyboard.press('Control+a');
    await page.evaluate(() => {
        for (let i = 0; i < 60; i++)
            window.dispatchEvent(
                new KeyboardEvent('keydown', {
                    key: 'ArrowRight',
                    code: 'ArrowRight',
                    repeat: i > 0,
                    bubbles: true,
                    cancelable: true,
                }),
            );
    });
    await expect.poll(async () => (await notesOf(page, song))[0]![1]).toBe(20 + 60 * 240);
    expect(most).toBe(1);
    expect(requests).toBeLessThan(20);
});

test('what is done while the server is away is kept and sent when it is back', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    await page.keyboard.press('Control+a');
    await chosen(page, 8);
    await page.route('**/edits', (route) => route.abort());
    await cutOff(page);
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('q');
    await said(page, 'The server does not answer.');
    await expect(page.getByLabel('Saving')).toBeVisible();
    expect((await notesOf(page, song))[0]![3]).toBe(60);
    await page.unroute('**/edits');
    await said(page, /^8 notes quantized to 1\/16/);
    expect((await notesOf(page, song))[0]![3]).toBe(61);
    await expect(page.getByLabel('Everything is saved')).toBeVisible();
});
