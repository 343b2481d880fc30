import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { parseMidi } from 'midi-file';
import { fetchSong, level, LOOSE, midi, said, type SongJson } from './support';

/** The whole way of a person, from the list of songs to a saved file, with no mouse. */
test('a take is tightened, heard and saved by keyboard alone', async ({ page }) => {
    await page.goto('/');
    const rows = page.getByTestId('songs').locator('tbody tr');
    await expect(rows.first()).toBeVisible();
    for (let i = 0; i < 300 && !(await page.locator('tr[aria-current]').textContent())!.includes('Lantern Ferry'); i++)
        await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Lantern Ferry' })).toBeVisible();
    const id = Number(/songs\/(\d+)/.exec(page.url())![1]);
    const piano = (song: SongJson): number[][] => song.tracks[0]!.parts[0]!.notes;
    const before = piano(await fetchSong(page, id));

    await page.keyboard.press('Enter');
    await expect(page.getByTestId('part-name')).toHaveText('Piano, quay');

    // Select all and quantize: two keys.
    await page.keyboard.press('Control+a');
    await page.keyboard.press('q');
    await said(page, /^258 notes quantized to 1\/8: \d+ moved/);
    expect(piano(await fetchSong(page, id)).every((n) => n[1]! % 480 === 0)).toBe(true);

    const quantized = piano(await fetchSong(page, id));
    const after = async (key: string, sentence: string | RegExp): Promise<number[][]> => {
        await page.keyboard.press(key);
        await said(page, sentence);
        return piano(await fetchSong(page, id));
    };
    expect((await after('ArrowRight', '258 notes moved 1 grid cell later.')).map((n) => n[1])).toEqual(
        quantized.map((n) => n[1]! + 480),
    );
    expect((await after('Shift+ArrowUp', '258 notes up an octave.')).map((n) => n[3])).toEqual(
        quantized.map((n) => n[3]! + 12),
    );
    expect((await after('Control+ArrowRight', '258 notes longer by 1 grid cell.')).map((n) => n[2])).toEqual(
        quantized.map((n) => n[2]! + 480),
    );
    expect((await after('Control+ArrowUp', '258 notes louder by 5.')).map((n) => n[4])).toEqual(
        quantized.map((n) => Math.min(127, n[4]! + 5)),
    );
    expect((await after('m', '258 notes muted.')).every((n) => n[5] === 1)).toBe(true);
    expect(await after('Delete', '258 notes deleted.')).toHaveLength(0);

    for (let i = 0; i < 7; i++) await page.keyboard.press('Control+z');
    await said(page, /^Undone: 258 notes quantized to 1\/8/);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    expect(piano(await fetchSong(page, id))).toEqual(before);

    await page.keyboard.press('Space');
    await expect.poll(() => level(page), { timeout: 30_000 }).toBeGreaterThan(20);
    await expect(page.getByTestId('position')).not.toHaveText('1.1.1');
    await page.keyboard.press('Space');
    await expect(page.getByTestId('position')).not.toHaveText('1.1.1');

    // Their own file: out to the songs, in by the file chooser.
    await page.keyboard.press('o');
    await expect(page.getByRole('heading', { name: 'Lantern Ferry' })).toBeVisible();
    await page.keyboard.press('o');
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
    // On a busy machine the test's own interception of the chooser may come too late: it is opened again then.
    await expect(async () => {
        const chooser = page.waitForEvent('filechooser', { timeout: 4000 });
        await page.keyboard.press('i');
        await (await chooser).setFiles({ name: 'Mine.mid', mimeType: 'audio/midi', buffer: midi(LOOSE) });
    }).toPass();
    await said(page, 'Mine was imported: 1 part, 1 bar. Enter opens it.');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('part')).toBeFocused();
    await page.keyboard.press('Enter');
    await page.keyboard.press('4');
    await said(page, 'Grid 1/8.');
    await page.keyboard.press('Control+a');
    await page.keyboard.press('q');
    await said(page, /^8 notes quantized to 1\/8/);
    const download = page.waitForEvent('download');
    await page.keyboard.press('Control+s');
    const file = await download;
    expect(file.suggestedFilename()).toBe('Mine.mid');
    const saved = parseMidi(readFileSync((await file.path())!));
    let now = 0;
    const starts = saved.tracks[0]!.flatMap((e) => {
        now += e.deltaTime;
        return e.type === 'noteOn' ? [now] : [];
    });
    expect(saved.header.ticksPerBeat).toBe(96);
    expect(starts).toEqual([0, 48, 96, 144, 192, 240, 288, 336]);
});
