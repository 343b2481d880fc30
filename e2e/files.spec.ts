import { expect, test, type Page } from './silent';
import { readFileSync } from 'node:fs';
import { parseMidi, type MidiEvent } from 'midi-file';
import { LOOSE, midi, said } from './support';

async function drop(page: Page, name: string, bytes: Buffer): Promise<void> {
    await page.evaluate(
        ({ name, base64 }) => {
            const data = new DataTransfer();
            data.items.add(new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], name));
            document.body.dispatchEvent(
                new DragEvent('dragover', { dataTransfer: data, bubbles: true, cancelable: true }),
            );
            document.body.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
        },
        { name, base64: bytes.toString('base64') },
    );
}

/** Events by track with their ticks; at one tick their order is the writer's own. */
function events(bytes: Buffer): string[][] {
    return parseMidi(bytes).tracks.map((track) => {
        let now = 0;
        return track
            .map((e: MidiEvent) => {
                now += e.deltaTime;
                const shown = Object.entries(e).filter(([key]) => key !== 'deltaTime' && key !== 'running');
                return `${String(now).padStart(8)} ${JSON.stringify(shown.sort())}`;
            })
            .sort();
    });
}

test('a dropped file comes back out with the same events', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
    const notes = LOOSE.concat(LOOSE.map(([s, l, p, v]) => [s! + 400, l! * 2, p! - 24, v! + 9]));
    for (const [name, bytes, title] of [
        ['Dropped.mid', midi(notes, 'Left hand', 33), 'Dropped'],
        // Its first track has a name and no notes: the song's own.
        ['Orchestra.mid', readFileSync('e2e/orchestra.mid'), 'Ferry'],
    ] as const) {
        await drop(page, name, bytes);
        await said(page, `${title} was imported`);
        await expect(page.locator('tr[aria-current]')).toContainText(title);
        const download = page.waitForEvent('download');
        await page.keyboard.press('Control+s');
        const out = readFileSync((await (await download).path())!);
        expect(events(out)).toEqual(events(bytes));
    }
});

test('a file dropped on the roll is imported too', async ({ page }) => {
    await page.goto('/songs/1');
    await expect(page.getByTestId('part').first()).toBeVisible();
    await drop(page, 'Elsewhere.mid', midi(LOOSE));
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
    await said(page, 'Elsewhere was imported');
});

const whole = midi(LOOSE);
const wrong = Buffer.from(whole);
wrong.writeUInt32BE(23, 18);
for (const [what, bytes, sentence] of [
    ['empty', Buffer.alloc(0), 'it is empty'],
    ['not MIDI', Buffer.from('Dear producer, this is a letter.'), 'not a Standard MIDI File'],
    ['cut off in its header', whole.subarray(0, 12), 'ends inside its header'],
    ['of wrong lengths', wrong, 'This file cannot be read'],
    ['a zip with another name', Buffer.from('504b0304140000000800', 'hex'), 'it is a zip archive'],
    ['of 20 MB', Buffer.alloc(20 * 1024 * 1024, 1), 'larger than 16 MB'],
] as const) {
    test(`a file ${what} gets a sentence, and nothing is stored`, async ({ page }) => {
        await page.goto('/');
        await expect(page.getByTestId('songs')).toBeVisible();
        await page.getByTestId('picker').setInputFiles({ name: 'Broken.mid', mimeType: 'audio/midi', buffer: bytes });
        await said(page, sentence);
        await said(page, 'Nothing was imported.');
        const list = (await (await page.request.get('/api/songs')).json()) as { songs: { name: string }[] };
        expect(list.songs.map((s) => s.name)).not.toContain('Broken');
    });
}

test('the server itself refuses 20 MB, and lives on', async ({ page }) => {
    const answer = await page.request.post('/api/imports', {
        multipart: { file: { name: 'Large.mid', mimeType: 'audio/midi', buffer: Buffer.alloc(20 * 1024 * 1024, 1) } },
    });
    expect(answer.status()).toBe(413);
    expect(((await answer.json()) as { detail: string }).detail).toBe(
        'The file is larger than 16 MB, the most that can be imported. Nothing was imported.',
    );
    expect((await page.request.get('/api/songs')).status()).toBe(200);
});

test('a cut-off file keeps what came before and says so', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByTestId('songs')).toBeVisible();
    await page
        .getByTestId('picker')
        .setInputFiles({ name: 'Half.mid', mimeType: 'audio/midi', buffer: whole.subarray(0, 60) });
    await said(page, 'Half was imported');
    await said(page, 'The file is cut off at byte 60');
});

test('names out of a file are shown, never run', async ({ page }) => {
    const name = '<img src=x onerror="document.title=1">';
    await page.goto('/');
    await expect(page.getByTestId('songs')).toBeVisible();
    await page
        .getByTestId('picker')
        .setInputFiles({ name: 'Evil.mid', mimeType: 'audio/midi', buffer: midi(LOOSE, name) });
    await said(page, 'Evil was imported');
    await page.keyboard.press('Enter');
    await expect(page.getByText(name).first()).toBeVisible();
    await expect(page).toHaveTitle(/^Evil/);
    expect(await page.locator('img').count()).toBe(0);
});
