import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './silent';
import { bring, LOOSE, midi, notesOf, openRoll, said, type SongJson } from './support';

const file = (name: string, data: unknown): { name: string; mimeType: string; buffer: Buffer } => ({
    name,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(data)),
});

const songs = async (page: Page): Promise<{ id: number; name: string }[]> =>
    ((await (await page.request.get('/api/songs')).json()) as { songs: { id: number; name: string }[] }).songs;

test('by key: a backup is made, and where it is is said', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByTestId('songs')).toBeVisible();
    await page.keyboard.press('Alt+Shift+B');
    await expect(page.getByTestId('where')).toContainText('storage/backups');
    await page.keyboard.press('Control+Alt+B');
    await said(page, /^Everything is copied to .+\.sqlite; the copy was checked and is complete\.$/);
    const made = /to (\S+\.sqlite)/.exec((await page.getByTestId('said').textContent())!)![1]!;
    await expect(page.getByTestId('copies')).toContainText(made);
    const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: `Save ${made}` }).click(),
    ]);
    expect(
        readFileSync(await download.path())
            .subarray(0, 15)
            .toString(),
    ).toBe('SQLite format 3');
    // Restoring asks twice: it takes the place of everything.
    await page.getByRole('button', { name: `Restore ${made}` }).click();
    await expect(page.getByRole('button', { name: `Restore ${made}` })).toContainText('press again');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: `Restore ${made}` })).toHaveText('Restore');
    await page.keyboard.press('Escape');
    await expect(page.getByTestId('songs')).toBeVisible();
});

test('a deleted song is listed, brought back, and removed for good', async ({ page }) => {
    const name = `Gone ${Date.now()}`;
    const song = await bring(page, midi(LOOSE, name), `${name}.mid`);
    await page.request.delete(`/api/songs/${song.id}`);
    await page.goto('/backups');
    await page.getByRole('button', { name: `Restore ${name}` }).click();
    await said(page, `${name} is restored.`);
    expect((await songs(page)).some((s) => s.id === song.id)).toBe(true);
    await page.request.delete(`/api/songs/${song.id}`);
    await page.reload();
    const remove = page.getByRole('button', { name: `Remove ${name} for good` });
    await remove.click();
    await expect(remove).toContainText('press again');
    await remove.click();
    await said(page, new RegExp(`^${name} and its history are removed`));
    await expect(remove).toHaveCount(0);
    expect((await page.request.post(`/api/songs/${song.id}/restore`)).status()).toBe(404);
});

test('a song is saved with its history and imported again', async ({ page }) => {
    const song = await bring(page, midi(LOOSE, 'Carried'), 'carried.mid');
    await openRoll(page, song);
    await page.keyboard.press('Control+a');
    await page.keyboard.press('ArrowUp');
    await said(page, '8 notes up a semitone.');
    const [download] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('Control+Shift+S')]);
    expect(download.suggestedFilename()).toBe('carried.jactonic');
    await said(page, /^carried is saved with its history/);
    await page.goto('/');
    await page.getByTestId('picker').setInputFiles(await download.path().then((path) => ({ name: 'carried.jactonic', mimeType: 'application/gzip', buffer: readFileSync(path) }))); // prettier-ignore
    await said(page, /^carried was imported: 1 part/);
    const newest = (await songs(page)).filter((s) => s.name === 'carried').sort((a, b) => b.id - a.id)[0]!;
    expect(newest.id).not.toBe(song.id);
    const there = (await (await page.request.get(`/api/songs/${newest.id}`)).json()) as SongJson;
    await openRoll(page, there);
    await page.keyboard.press('Control+z');
    await said(page, 'Undone: 8 notes up a semitone.');
    expect((await notesOf(page, there)).map((n) => n[3])).toEqual(LOOSE.map((n) => n[2]));
});

test('a recipe of a name that is there asks: both are kept, or it is replaced and put back', async ({ page }) => {
    const key = `lamp-${Date.now()}`;
    const recipe = (semitones: number): unknown => ({ kind: 'recipe', key, name: key, pick: null, steps: [{ edit: 'transpose', params: { semitones } }] }); // prettier-ignore
    const kept = async (): Promise<[string, number][]> =>
        (
            (await (await page.request.get('/api/recipes')).json()) as {
                recipes: { name: string; steps: { params: { semitones: number } }[] }[];
            }
        ).recipes // prettier-ignore
            .filter((r) => r.name.startsWith(key))
            .map((r) => [r.name, r.steps[0]!.params.semitones]);
    expect((await page.request.post('/api/recipes/import', { data: { file: recipe(1) } })).status()).toBe(201);
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    await page.keyboard.press('Period');
    const picker = page.getByLabel('A file of recipes');
    const question = page.getByRole('alertdialog');
    await picker.setInputFiles(file('lamp.json', recipe(5)));
    await expect(question).toContainText(`“${key}” is there already. Keep both, or replace it?`);
    await page.keyboard.press('Escape');
    await expect(question).toHaveCount(0);
    expect(await kept()).toEqual([[key, 1]]);
    await picker.setInputFiles(file('lamp.json', recipe(5)));
    await expect(question).toBeVisible();
    await page.keyboard.press('r');
    await expect.poll(kept).toEqual([[key, 5]]);
    await page.keyboard.press('u');
    await expect.poll(kept).toEqual([[key, 1]]);
    await picker.setInputFiles(file('lamp.json', recipe(7)));
    await question.getByRole('button', { name: 'Keep both' }).click();
    await expect.poll(kept).toEqual([
        [key, 1],
        [`${key} (2)`, 7],
    ]);
    for (const r of [key, `${key}-2`]) await page.request.delete(`/api/recipes/${r}`);
});

test('new songs, names and imports are not sent again, and it is said so', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByTestId('songs')).toBeVisible();
    await page.route('**/api/songs', (route) =>
        route.request().method() === 'POST' ? route.abort() : route.continue(),
    );
    await page.keyboard.press('n');
    await said(page, 'The server does not answer. Is it still running? Do it again when it answers.');
});
