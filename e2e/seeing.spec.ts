import { expect, test, type Page } from './silent';
import { bring, chosen, drawnAtRest, fetchSong, openRoll, press, said, spot, type Row, type SongJson } from './support';

/** Bytes of a file of two tracks at 96 ticks a quarter: a loose bass, and drums on the beat. */
function twoTracks(): Buffer {
    const track = (name: string, channel: number, notes: number[][]): Buffer => {
        const events: [number, number[]][] = [[0, [0xff, 3, name.length, ...Buffer.from(name)]]];
        for (const [start, length, pitch, velocity] of notes as [number, number, number, number][])
            events.push([start, [0x90 | channel, pitch, velocity]], [start + length, [0x80 | channel, pitch, 64]]);
        events.sort((a, b) => a[0] - b[0]);
        let last = 0;
        const body: number[] = [];
        for (const [at, bytes] of events) {
            const delta = at - last;
            body.push(...(delta > 127 ? [(delta >> 7) | 0x80, delta & 0x7f] : [delta]), ...bytes);
            last = at;
        }
        body.push(0, 0xff, 0x2f, 0);
        const head = Buffer.from([0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, 0]);
        head.writeUInt32BE(body.length, 4);
        return Buffer.concat([head, Buffer.from(body)]);
    };
    const bass = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [i * 48 + 3, 30, 36 + (i % 3) * 5, 90]);
    const drums = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [i * 48, 12, [36, 42, 38, 42][i % 4]!, 60 + 8 * (i % 4)]);
    const head = Buffer.from([0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0, 2, 0, 96]);
    return Buffer.concat([head, track('Bass', 0, bass), track('Kit', 9, drums)]);
}

async function open(page: Page, track = 0): Promise<SongJson> {
    const song = await bring(page, twoTracks(), 'two.mid');
    await openRoll(page, song);
    await page.evaluate(() => ['jactonic.rows', 'jactonic.follow'].forEach((k) => localStorage.removeItem(k)));
    await page.goto(`/songs/${song.id}/parts/${song.tracks[track]!.parts[0]!.id}`);
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    return song;
}

const notes = async (page: Page, song: SongJson, track = 0): Promise<Row[]> =>
    (await fetchSong(page, song.id)).tracks[track]!.parts[0]!.notes;
const drawn = async (page: Page): Promise<number[]> =>
    (await page.getByTestId('roll').getAttribute('data-drawn'))!.split(' ').map(Number);

test('job 14: rows in use by one key and back; caret, arrows and a new pitch go by them; names and order are kept', async ({
    page,
}) => {
    const song = await open(page, 1);
    const before = await drawn(page);
    await press(page, 'Alt+Shift+d');
    await said(page, '3 rows are in use');
    // The hats up a row stay among the rows: to none above them.
    await press(page, 'Escape', 'Home', 'd', 'ArrowUp');
    await said(page, '1 note up a row.');
    await expect.poll(async () => (await notes(page, song, 1))[0]![3]).toBe(38);
    await press(page, 'Alt+ArrowUp');
    await said(page, '1 note up a semitone');
    await expect.poll(async () => (await notes(page, song, 1))[0]![3]).toBe(39);
    await press(page, 'Control+z', 'Control+z');
    // With nothing selected the caret goes by the rows as well.
    await press(page, 'Escape', 'Home');
    await press(page, 'ArrowUp');
    await said(page, /Caret at .*(Acoustic Snare|Closed Hi-Hat)/);
    // Named, put elsewhere, and still so after a reload.
    await press(page, 'Alt+v', 'r');
    const panel = page.getByRole('dialog');
    await page.keyboard.type('Tick');
    await press(page, 'Enter');
    await said(page, 'The rows of Kit are kept.');
    await panel.getByLabel('Name of the row 42').focus();
    await press(page, 'Alt+ArrowDown');
    await expect(panel.locator('[data-row]').first()).toHaveAttribute('data-row', '38');
    // The field goes with its row, so the same key moves it on, and no note.
    await press(page, 'Alt+ArrowDown');
    await expect(panel.locator('[data-row]').last()).toHaveAttribute('data-row', '42');
    await press(page, 'Alt+ArrowUp');
    await expect(panel.locator('[data-row]').last()).toHaveAttribute('data-row', '36');
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    const kept = (await (await page.request.get(`/api/songs/${song.id}`)).json()) as {
        tracks: { rows: { names: Record<string, string>; order: number[] } }[];
    };
    expect(kept.tracks[1]!.rows).toEqual({ names: { 42: 'Tick' }, order: [36, 42, 38] });
    // All rows again; a broken file of names changes nothing.
    await press(page, 'Alt+v', 'r');
    await page.locator('input[type=file]').setInputFiles({
        name: 'broken.rows.json',
        mimeType: 'application/json',
        buffer: Buffer.from('{"names": {"900": "x"}}'),
    });
    await said(page, 'rows.names');
    await press(page, 'Escape', 'Alt+Shift+d');
    await said(page, 'All rows are shown.');
    expect((await drawn(page))[4]).toBeCloseTo(before[4]!, 0);
});

test('job 9: a part underneath, told against, lined up with, its feel taken, gone over to and back', async ({
    page,
}) => {
    const song = await open(page);
    await press(page, 'Alt+Shift+u');
    await said(page, 'Other parts: Kit.');
    const [, start, , pitch] = (await notes(page, song))[0]!;
    const at = await spot(page, start! + 60, pitch!);
    await page.mouse.move(at.x, at.y);
    await expect(page.locator('main')).toContainText(/16 ms behind Kit/);
    // In time with it: by one family; played places are remembered.
    await press(page, 'Control+a', 'Alt+v', 'a');
    await said(page, '8 notes aligned: 8 moved.');
    await expect.poll(async () => (await notes(page, song)).map((n) => n[1]! % 480)).toEqual([0, 0, 0, 0, 0, 0, 0, 0]);
    await press(page, 'p');
    await said(page, '8 notes');
    await expect.poll(async () => (await notes(page, song))[1]![1]! % 480).toBe(30);
    await press(page, 'Alt+v', 'g');
    await said(page, '8 notes quantized to the groove “Kit”');
    await expect.poll(async () => (await notes(page, song)).map((n) => n[4])).toEqual([60, 68, 76, 84, 60, 68, 76, 84]);
    // Over to the one underneath at the same view, and back.
    const seen = (await drawn(page)).slice(1);
    await press(page, 'Escape', 'Home', 'Alt+Shift+o');
    await expect(page.getByRole('heading', { name: 'Kit' })).toBeAttached();
    expect((await drawn(page)).slice(1)).toEqual(seen);
    await press(page, 'Alt+Shift+u', 'Alt+Shift+o');
    await expect(page.getByRole('heading', { name: 'Bass' })).toBeAttached();
    expect((await drawn(page)).slice(1)).toEqual(seen);
    await press(page, 'Alt+Shift+u');
    await said(page, 'No other parts are shown.');
});

test('parts worked on in place: selected together by key, box and click, moved as one step', async ({ page }) => {
    const song = await open(page);
    await press(page, 'Alt+Shift+u', 'Alt+Shift+e');
    await said(page, 'The part and this one are edited together.');
    await press(page, 'Control+a');
    await chosen(page, 16);
    await press(page, 'Shift+ArrowRight');
    await said(page, '16 notes');
    await expect.poll(async () => (await notes(page, song, 1))[0]![1]).toBe(3840);
    expect((await notes(page, song))[0]![1]).toBe(3870);
    await page.keyboard.press('Control+z');
    await said(page, /^Undone/);
    await expect.poll(async () => (await notes(page, song, 1))[0]![1]).toBe(0);
    await press(page, 'Escape', 'e');
    await chosen(page, 0);
    await drawnAtRest(page);
    // A click on a note underneath selects it; keys work on it.
    const under = (await notes(page, song, 1))[2]!;
    const at = await spot(page, under[1]! + 40, under[3]!);
    await page.mouse.click(at.x, at.y);
    await chosen(page, 1);
    await press(page, 'ArrowUp');
    await expect.poll(async () => (await notes(page, song, 1))[2]![3]).toBe(under[3]! + 1);
    await press(page, 'Control+z');
    await said(page, /^Undone/);
    await press(page, 'Escape');
    await chosen(page, 0);
    // The pen writes into the part whose row it is; the eraser takes from it.
    await page.keyboard.press('Quote');
    const row = await spot(page, 4000, under[3]!);
    await page.mouse.click(row.x, row.y);
    await expect.poll(async () => (await notes(page, song, 1)).length).toBe(9);
    expect((await notes(page, song)).length).toBe(8);
    await press(page, 'Quote', 'Shift+Quote');
    await page.mouse.click(at.x, at.y);
    await expect.poll(async () => (await notes(page, song, 1)).length).toBe(8);
    await press(page, 'Shift+Quote', 'Escape', 'Alt+Shift+e');
    await said(page, 'Only this part is edited.');
    await press(page, 'Control+a');
    await chosen(page, 8);
});

test('views: kept and called by number, the one before, and a sentence where one is not there', async ({ page }) => {
    await open(page);
    await press(page, 'Alt+v', 'Shift+2');
    await said(page, 'View 2 is kept.');
    const seen = (await drawn(page)).slice(1);
    await press(page, 'z', 'z', 'h', 'PageDown');
    await expect.poll(async () => (await drawn(page)).slice(1)).not.toEqual(seen);
    await press(page, 'Alt+v', '2');
    await said(page, 'View 2.');
    await expect.poll(async () => (await drawn(page)).slice(1)).toEqual(seen);
    await press(page, 'Alt+v', '3');
    await said(page, 'No view 3 is kept yet.');
    await press(page, 'Shift+e', 'Alt+v', 'l');
    await expect.poll(async () => (await drawn(page)).slice(1)).toEqual(seen);
    await press(page, 'Alt+v', 'f');
    await said(page, 'keeps the playing line in its middle');
    await press(page, 'Alt+v', 'f', 'Alt+v', 'f');
    await said(page, 'page by page');
});

test('the playing as a picture: dots walked and selected, and where a quantize would put them', async ({ page }) => {
    const song = await open(page);
    await press(page, 'Alt+v', 'd');
    const panel = page.getByRole('dialog', { name: 'The playing' });
    await expect(panel.getByTestId('playing-said')).toContainText('8 notes: 16 ms late on average');
    await expect(panel.getByTestId('dot')).toHaveCount(8);
    await press(page, '2');
    await expect(panel.getByTestId('dot-after')).toHaveCount(8);
    await press(page, 'ArrowRight');
    await said(page, '16 ms late, velocity 90.');
    await chosen(page, 1);
    await press(page, 'Shift+ArrowRight');
    await chosen(page, 2);
    expect((await notes(page, song)).length).toBe(8);
});

test('two windows of a song stay together: the caret is seen, and a part selected there is gone over to', async ({
    page,
    context,
}) => {
    const song = await open(page);
    const other = await context.newPage();
    await other.goto(`/songs/${song.id}`);
    await expect(other.getByTestId('part')).toHaveCount(2);
    await press(page, 'Escape', 'Home', 'd', 'd', 'd');
    await expect(other.getByTestId('other-caret')).toBeAttached();
    await expect(other.getByTitle('Open in another window')).toContainText('Bass');
    await other.bringToFront();
    await other.keyboard.press('s');
    await expect(page.getByRole('heading', { name: 'Kit' })).toBeAttached();
    await expect(other.getByTitle('Open in another window')).toContainText('Kit');
    await other.close();
});

test('a part that is deleted while it lies underneath, and a view past the end, cost nothing but a sentence', async ({
    page,
}) => {
    const song = await open(page);
    await press(page, 'Alt+Shift+u', 'Alt+Shift+e', 'Control+a');
    await chosen(page, 16);
    const kit = song.tracks[1]!.parts[0]!.id;
    const { revision } = await fetchSong(page, song.id);
    await page.request.post(`/api/songs/${song.id}/edits`, {
        data: { base: revision, do: [{ edit: 'part-delete', on: { parts: [kit] } }] },
    });
    // The command that meets it is sent again for what is left.
    await press(page, 'Escape', 'd', 'ArrowUp');
    await said(page, '1 note up a semitone');
    await press(page, 'Alt+v', 'a');
    await said(page, 'No other parts are shown');
    await page.evaluate(
        (id) =>
            localStorage.setItem(
                `jactonic.views.${id}`,
                JSON.stringify({ 1: { left: 9e6, scale: 0.1, top: 80, row: 14 } }),
            ),
        song.id,
    );
    await press(page, 'Alt+v', '1');
    await said(page, 'View 1 lies past the song’s end');
});

test('by mouse: rows in use, other parts, over to one by a double click, a dot of the picture', async ({ page }) => {
    const song = await open(page);
    await page.getByRole('button', { name: 'other parts' }).click();
    await said(page, 'Other parts: Kit.');
    await page.getByRole('button', { name: 'used rows' }).click();
    await said(page, '3 rows are in use');
    await page.getByRole('button', { name: 'used rows' }).click();
    await press(page, 'Escape', 'e');
    await drawnAtRest(page);
    const under = (await notes(page, song, 1))[2]!;
    const at = await spot(page, under[1]! + 40, under[3]!);
    await page.mouse.dblclick(at.x, at.y);
    await expect(page.getByRole('heading', { name: 'Kit' })).toBeAttached();
    expect((await notes(page, song)).length).toBe(8);
    await press(page, 'Alt+v', 'd');
    await page.getByTestId('dot').nth(2).click();
    await chosen(page, 1);
});
