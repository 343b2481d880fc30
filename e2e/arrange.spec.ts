import { expect, test } from './silent';
import { bring, fetchSong, LOOSE, midi, press, said } from './support';

interface Head {
    id: number;
    name: string;
    from: number;
    to: number | null;
}

/** Eight quarters over two bars, at 96 ticks a quarter. */
const TAKE = Array.from({ length: 8 }, (_, i) => [i * 96, 90, 60 + i, 80]);

test('parts by key: repeated, split at bars, joined, their edges and contents moved, tidied; each one step', async ({
    page,
}) => {
    const song = await bring(page, midi(TAKE));
    const parts = async (): Promise<Head[]> =>
        ((await fetchSong(page, song.id)).tracks[0]!.parts as unknown as Head[]).map(({ id, name, from, to }) => ({
            id,
            name,
            from,
            to,
        }));
    await page.goto(`/songs/${song.id}`);
    await expect(page.getByTestId('part')).toHaveCount(1);
    const before = await parts();
    await press(page, 'Control+d');
    await said(page, 'repeated.');
    await expect(page.getByTestId('part')).toHaveCount(2);
    expect((await parts())[1]).toMatchObject({ from: 7680, to: 15360 });
    await press(page, 'a', 'Shift+j');
    await said(page, '2 parts joined into one.');
    await expect(page.getByTestId('part')).toHaveCount(1);
    await press(page, 'Shift+x');
    await said(page, '1 part split into 4.');
    await expect(page.getByTestId('part')).toHaveCount(4);
    await press(page, 'a', 'a', 'a', 'Control+Shift+ArrowRight');
    await said(page, 'now ends at');
    expect((await parts())[0]).toMatchObject({ from: 0, to: 7680 });
    await press(page, 'Control+Shift+ArrowLeft', 'Control+Alt+ArrowRight');
    await said(page, 'The contents of');
    await press(page, 'Alt+Delete');
    await said(page, /outside deleted|Nothing lies outside/);
    // A part of no length is refused, and nothing is lost.
    await press(page, 'Control+Shift+ArrowLeft');
    await said(page, 'would have no length: nothing changed.');
    // All of it undone gives back what there was.
    for (let i = 0; i < 12 && (await page.getByRole('button', { name: 'Undo' }).isEnabled()); i++) {
        await press(page, 'Control+z');
        await said(page, /Undone|nothing/i);
        await page.waitForTimeout(60);
    }
    await expect.poll(parts).toEqual(before);
});

test('the grid, swing, strength and nudge step of the page, by the keys and controls of the roll', async ({ page }) => {
    const song = await bring(page, midi(TAKE));
    const settings = async (): Promise<Record<string, unknown>> =>
        (await fetchSong(page, song.id)).tracks[0]!.parts[0]!.settings;
    await page.goto(`/songs/${song.id}`);
    await expect(page.getByTestId('part')).toHaveCount(1);
    await press(page, 'Shift+3');
    await said(page, 'Nudge step 10 ms.');
    await press(page, 'Control+g');
    await said(page, 'Nudge step 5 ms.');
    await press(page, 'Control+Shift+g', 'Control+Shift+g');
    await said(page, 'Nudge step 20 ms.');
    await press(page, 'Alt+ArrowRight');
    await said(page, 'moved 20 ms later.');
    await press(page, 'Shift+0', '4', '0', 'Alt+g');
    await expect.poll(settings).toMatchObject({ tied: true, grid: '1/8', swing: 61 });
    const line = page.getByTestId('song-line');
    await line.getByLabel('Strength').fill('70');
    await line.getByLabel('Strength').press('Enter');
    await line.getByLabel('Unit of the nudge step').selectOption('ticks');
    await line.getByRole('button', { name: 'dotted' }).click();
    await expect.poll(settings).toMatchObject({ strength: 70, tied: false, nudge: { unit: 'ticks' }, grid: '1/8D' });
    // The keys are the page's again, also after what was not taken.
    await line.getByLabel('Swing').fill('90');
    await line.getByLabel('Swing').press('Enter');
    await said(page, 'Between 50 and 75: 90 was not taken.');
    await press(page, 'm');
    await said(page, 'muted');
    await press(page, 'Alt+n');
    await page.getByRole('dialog', { name: 'Nudge settings' }).getByLabel('Nudge step').first().fill('7');
    await press(page, 'Escape');
    await expect.poll(settings).toMatchObject({ nudge: { unit: 'ticks', amount: 7 } });
});

test('all parts deleted: the caret and the page go on, with no fault', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    const faults: string[] = [];
    page.on('pageerror', (e) => faults.push(e.message));
    page.on('response', (r) => r.status() >= 500 && faults.push(`${r.status()} ${r.url()}`));
    await page.goto(`/songs/${song.id}`);
    await expect(page.getByTestId('part')).toHaveCount(1);
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Delete');
    await expect(page.getByTestId('part')).toHaveCount(0);
    for (const key of [
        'ArrowRight',
        'ArrowDown',
        'Alt+PageDown',
        'Control+ArrowRight',
        'Home',
        'End',
        'e',
        'd',
        'Enter',
        'Control+c',
        'Control+v',
        'Alt+BracketLeft',
        '5',
        'z',
    ])
        // prettier-ignore
        await page.keyboard.press(key);
    await expect(page.getByLabel('Everything is saved')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.goto(`/songs/${song.id}`);
    await expect(page.getByLabel('Everything is saved')).toBeVisible();
    await press(page, 'Control+z');
    await expect(page.getByTestId('part')).toHaveCount(1);
    expect(faults).toEqual([]);
});

/** The file with another track before its own: of a name and a tempo, without music. */
function withConductor(file: Buffer): Buffer {
    const body = Buffer.from([
        0,
        0xff,
        3,
        5,
        ...Buffer.from('Slips'),
        0,
        0xff,
        0x51,
        3,
        7,
        0xa1,
        0x20,
        0,
        0xff,
        0x2f,
        0,
    ]);
    const head = Buffer.from([0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, body.length]);
    const all = Buffer.concat([file.subarray(0, 14), head, body, file.subarray(14)]);
    all[9] = 1;
    all[11] = 2;
    return all;
}

test('a track of a file without music is shown on wish, and lies in the way of nothing', async ({ page }) => {
    const song = await bring(page, withConductor(midi(TAKE)));
    await page.goto(`/songs/${song.id}`);
    await expect(page.getByTestId('part')).toHaveCount(1);
    await expect(page.getByTestId('track-head')).toHaveCount(1);
    await press(page, 'Alt+w', 'h');
    await said(page, 'Shown: “Slips”.');
    await expect(page.getByTestId('track-head')).toHaveCount(2);
    await press(page, 'Alt+w', 'h');
    await said(page, 'Hidden: “Slips”.');
    await expect(page.getByTestId('track-head')).toHaveText(/Take/);
    const button = page.getByRole('button', { name: 'Tracks without music' });
    await button.click();
    await expect(page.getByTestId('track-head')).toHaveCount(2);
    await button.click();
    await expect(page.getByTestId('track-head')).toHaveCount(1);
    // A new track is called by its sound, a second of it has a number, and another sound is another name.
    await press(page, 'Shift+n');
    await said(page, 'is a new track');
    await press(page, 'Shift+n');
    await expect(page.getByTestId('track-head')).toHaveCount(3);
    await expect(page.getByTestId('track-head').last()).toContainText('Acoustic Grand Piano 2');
    const { tracks } = await fetchSong(page, song.id);
    expect(tracks.map((t) => t.name)).toEqual(['Take', 'Acoustic Grand Piano', 'Acoustic Grand Piano 2', 'Slips']);
});
