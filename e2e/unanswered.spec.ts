import { expect, test, type Page } from './silent';
import { cutOff, said, type SongJson } from './support';
import { begun, rested } from './typing';

async function pitchesOf(page: Page, song: number): Promise<number[]> {
    const { tracks } = (await (await page.request.get(`/api/songs/${song}`)).json()) as SongJson;
    return tracks[0]!.parts[0]!.notes.map((n) => n[3]!);
}

/** All selected, then five times up while the server does not answer, until it is told to. */
async function fiveUpUnanswered(page: Page): Promise<[SongJson, () => void]> {
    const song = await begun(page, 'roll');
    await page.keyboard.press('Control+a');
    await rested(page);
    let down = true;
    await page.route(/\/edits$/, (route) => (down ? route.abort() : route.continue()));
    await cutOff(page);
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowUp');
    return [song, () => void (down = false)];
}

test('the server does not answer: five times up, then a click, and the five are done to what was selected', async ({
    page,
}) => {
    const [song, answerAgain] = await fiveUpUnanswered(page);
    const before = song.tracks[0]!.parts[0]!.notes;
    const [, left, scale, top, row] = (await page.getByTestId('roll').getAttribute('data-drawn'))!.split(' ').map(Number) as [number, number, number, number, number]; // prettier-ignore
    const box = (await page.getByTestId('notes').boundingBox())!;
    const [, start, length, pitch] = before[3]! as [number, number, number, number];
    await page.mouse.click(box.x + (start + length / 2 - left) * scale, box.y + (top - pitch + 0.5) * row);
    await expect(page.getByTestId('chosen')).toContainText('1 of 8');
    answerAgain();
    await rested(page);
    const after = ((await (await page.request.get(`/api/songs/${song.id}`)).json()) as SongJson).tracks[0]!.parts[0]!
        .notes;
    expect(after.map((n) => n[3])).toEqual(before.map((n) => n[3]! + 5));
    await expect(page.getByTestId('chosen')).toContainText('1 of 8');
});

test('leaving for the list of songs sends what waits, to what was selected', async ({ page }) => {
    const [song, answerAgain] = await fiveUpUnanswered(page);
    await page.evaluate(() => history.pushState(null, '', '/'));
    await page.evaluate(() => window.dispatchEvent(new PopStateEvent('popstate')));
    await expect(page.getByTestId('songs')).toBeVisible();
    answerAgain();
    const pitches = (): Promise<number[]> => pitchesOf(page, song.id);
    await expect.poll(pitches).toEqual(song.tracks[0]!.parts[0]!.notes.map((n) => n[3]! + 5));
});

test('what waits is kept when the window is reloaded, sent when it is there again, and told', async ({ page }) => {
    const song = await begun(page, 'roll');
    await page.keyboard.press('Control+a');
    await rested(page);
    let down = true;
    await page.route(/\/edits$/, (route) => (down ? route.abort() : route.continue()));
    await cutOff(page);
    for (const key of ['ArrowUp', 'ArrowUp', 'Control+ArrowUp']) await page.keyboard.press(key);
    await said(page, 'What you did is kept and will be sent again.');
    await page.waitForTimeout(1200);
    // The window asks before it closes.
    const asked = page.waitForEvent('dialog');
    const reloaded = page.reload();
    const dialog = await asked;
    expect(dialog.type()).toBe('beforeunload');
    await dialog.accept();
    await reloaded;
    down = false;
    await said(page, /3 commands that a closed window had not sent were sent now/);
    const after = ((await (await page.request.get(`/api/songs/${song.id}`)).json()) as SongJson).tracks[0]!.parts[0]!
        .notes;
    const before = song.tracks[0]!.parts[0]!.notes;
    expect(after.map((n) => [n[3], n[4]])).toEqual(before.map((n) => [n[3]! + 2, n[4]! + 5]));
});

test('what was done though its answer was lost is not done again by the next window, busy as that is', async ({
    page,
}) => {
    const song = await begun(page, 'roll');
    const pitches = (): Promise<number[]> => pitchesOf(page, song.id);
    const before = await pitches();
    await page.keyboard.press('Control+a');
    await rested(page);
    await page.route(/\/edits$/, async (route) => {
        await route.fetch().catch(() => null);
        await route.abort();
    });
    await cutOff(page);
    await page.keyboard.press('ArrowUp');
    await expect.poll(pitches).toEqual(before.map((p) => p + 1));
    await said(page, 'What you did is kept and will be sent again.');
    page.on('dialog', (dialog) => void dialog.accept());
    // The next window has something under way when it finds what was left.
    await page.addInitScript(() => {
        const { locks } = navigator;
        const request = locks.request.bind(locks) as (...a: unknown[]) => Promise<unknown>;
        Object.assign(locks, {
            request: async (name: string, how: unknown, ...more: unknown[]) => {
                if (typeof how === 'object') await new Promise((resolve) => setTimeout(resolve, 1500));
                return request(name, how, ...more);
            },
        });
    });
    await page.reload();
    await page.unroute(/\/edits$/);
    await page.route(/\/undo$/, async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 3000));
        await route.continue();
    });
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
    await page.keyboard.press('Control+z');
    await said(page, 'Undone: 8 notes up a semitone.');
    await rested(page);
    expect(await pitches()).toEqual(before);
    await expect(page.getByTestId('said')).not.toContainText('closed window');
});

test('a server that hangs is told of after two seconds, and what happens next', async ({ page }) => {
    await begun(page, 'roll');
    let go = (): void => {};
    const hang = new Promise<void>((resolve) => (go = resolve));
    await page.route(/\/edits$/, async (route) => {
        await hang;
        await route.continue();
    });
    await page.keyboard.press('Control+a');
    await said(page, 'The server has not answered yet. What you do is kept, and done when it answers.');
    go();
    await expect(page.getByTestId('said')).not.toContainText('has not answered yet');
    await said(page, '8 notes selected.');
});

test('keys typed behind the undo that brings back the only track are for its parts', async ({ page }) => {
    await begun(page, 'song');
    for (const key of ['Control+d', 'Control+a', 'Shift+Delete']) {
        await page.keyboard.press(key);
        await rested(page);
    }
    await expect(page.getByText('This song has no tracks.')).toBeVisible();
    await page.route(/\/undo$/, async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 300));
        await route.continue();
    });
    for (const key of ['Control+z', 'Alt+ArrowRight', 'a', 'Control+ArrowRight']) await page.keyboard.press(key);
    await rested(page);
    await expect(page.getByTestId('part')).toHaveCount(2);
    await expect(page.locator('[data-testid=part][data-chosen=true]')).toHaveCount(1);
    await said(page, /longer|now ends|later/);
});
