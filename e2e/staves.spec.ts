import { expect, test, type Page } from './silent';
import { parseMidi, type MidiNoteOnEvent } from 'midi-file';
import { bring, fetchSong, press, said, type SongJson } from './support';

/** Bytes of a file of three tracks at 96 ticks a quarter: a line of eight quarters, a pad of two bars, drums. */
function three(): Buffer {
    const track = (name: string, channel: number, program: number, notes: number[][]): Buffer => {
        const events: [number, number, number[]][] = [
            [0, 0, [0xff, 3, name.length, ...Buffer.from(name)]],
            [0, 1, [0xc0 | channel, program]],
        ];
        for (const [start, length, pitch] of notes as [number, number, number][])
            events.push([start, 3, [0x90 | channel, pitch, 80]], [start + length, 2, [0x80 | channel, pitch, 64]]);
        events.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
        let last = 0;
        const body: number[] = [];
        for (const [at, , bytes] of events) {
            const delta = at - last;
            body.push(...(delta > 127 ? [(delta >> 7) | 0x80, delta & 0x7f] : [delta]), ...bytes);
            last = at;
        }
        body.push(0, 0xff, 0x2f, 0);
        const head = Buffer.from([0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, 0]);
        head.writeUInt32BE(body.length, 4);
        return Buffer.concat([head, Buffer.from(body)]);
    };
    const line = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [i * 96, 90, 60 + i]);
    const head = Buffer.from([0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0, 3, 0, 96]);
    return Buffer.concat([
        head,
        track('Vibes', 0, 11, line),
        track('Pad', 1, 48, [
            [0, 380, 48],
            [384, 380, 50],
        ]),
        track('Kit', 9, 0, [
            [0, 40, 36],
            [192, 40, 38],
        ]),
    ]);
}

interface Head {
    id: number;
    name: string;
    from: number;
    to: number;
    muted: boolean;
    plays: { words: string; until: number } | null;
}

async function open(page: Page): Promise<SongJson> {
    const song = await bring(page, three(), 'three.mid');
    await page.goto(`/songs/${song.id}`);
    await expect(page.getByTestId('staves')).toHaveAttribute('data-drawn', /^\d/);
    return song;
}

const heads = async (page: Page, song: SongJson, track = 0): Promise<Head[]> =>
    (await fetchSong(page, song.id)).tracks[track]!.parts as unknown as Head[];
const all = async (page: Page, song: SongJson): Promise<unknown> =>
    (await fetchSong(page, song.id)).tracks.map((t) => [t.name, t.parts]);
const chosen = async (page: Page, count: number): Promise<void> =>
    expect(page.getByTestId('chosen')).toContainText(`${count} of`);

/** What a saved file says, to a reader that is not ours: tick of 96, channel, pitch, velocity. */
async function saved(page: Page): Promise<number[][]> {
    const waiting = page.waitForEvent('download');
    await page.keyboard.press('Control+s');
    const stream = await (await waiting).createReadStream();
    const pieces: Buffer[] = [];
    for await (const piece of stream) pieces.push(piece as Buffer);
    const bytes = Buffer.concat(pieces);
    const file = parseMidi(bytes);
    const unit = file.header.ticksPerBeat! / 96;
    return file.tracks
        .flatMap((track) => {
            let at = 0;
            return track.flatMap((event) => {
                at += event.deltaTime;
                const on = event as MidiNoteOnEvent;
                return event.type === 'noteOn' && on.velocity > 0
                    ? [[at / unit, on.channel, on.noteNumber, on.velocity]]
                    : [];
            });
        })
        .sort((a, b) => a[1]! - b[1]! || a[0]! - b[0]! || a[2]! - b[2]!);
}

async function undoAll(page: Page): Promise<void> {
    const button = page.getByRole('button', { name: 'Undo' });
    for (let i = 0; i < 40 && (await button.isEnabled()); i++) {
        await page.keyboard.press('Control+z');
        await said(page, /^Undone/);
        await page.waitForTimeout(40);
    }
    await expect(button).toBeDisabled();
}

test('job 16 by key: four bars become two, looped under the song, three parts down a third, saved, and all undone', async ({
    page,
}) => {
    const song = await open(page);
    const before = await all(page, song);
    const first = await saved(page);
    // One bar out of a take, looped to the end of the song: split at the caret, the rest away, loop.
    await press(page, 'Control+Alt+Shift+PageDown', 'x');
    await said(page, '1 part split into 2.');
    await press(page, 'd', 'Delete');
    await expect(page.getByTestId('part')).toHaveCount(3);
    await press(page, 'a', 'Alt+w', 'e');
    await said(page, /loops up to 3\.1\.1, 2 times/);
    // Three parts down a third: two keys to select, three to move, of which two may be held.
    await press(page, 'Control+a', 'ArrowDown', 'ArrowDown', 'ArrowDown');
    await said(page, '3 parts play 3 semitones lower.');
    await expect(page.getByTestId('part').first()).toContainText('3 semitones lower');
    const line = [0, 1, 2, 3].map((i) => [i * 96, 0, 57 + i, 80]);
    expect(await saved(page)).toEqual([
        ...line,
        ...line.map(([at, ...rest]) => [at! + 384, ...rest]),
        [0, 1, 45, 80],
        [384, 1, 47, 80],
        // Drums keep their pitches.
        [0, 9, 36, 80],
        [192, 9, 38, 80],
    ]);
    // Made real, the file is the same.
    const asPlayed = await saved(page);
    await press(page, 'Alt+w', 'r');
    await said(page, /flattened/);
    expect(await saved(page)).toEqual(asPlayed);
    await undoAll(page);
    expect(await all(page, song)).toEqual(before);
    expect(await saved(page)).toEqual(first);
});

test('parts are walked, taken in, moved in time, to edges, to lines and to other tracks, longer, louder, muted', async ({
    page,
}) => {
    const song = await open(page);
    await chosen(page, 1);
    await press(page, 's', 's', 'w');
    await said(page, /^Pad: bar 1–2, 2 notes\.$/);
    await press(page, 'Shift+s');
    await chosen(page, 2);
    await press(page, 'r');
    await said(page, /^Kit: bar 1/);
    await press(page, 'i');
    await chosen(page, 2);
    await press(page, 'Escape');
    await chosen(page, 0);
    // With nothing selected the arrows are the caret's, with Ctrl the span's.
    await press(page, 'Home', 'Shift+ArrowRight');
    await expect(page.getByTestId('caret-place')).toHaveText('Caret 2.1.1, Kit');
    await press(page, 'ArrowUp');
    await said(page, 'Caret at 2.1.1, Pad');
    await press(page, 'Control+Shift+ArrowRight');
    await said(page, 'Span from 2.1.1 to 3.1.1');
    // The part at the caret is taken in hand by the walk.
    await press(page, 'd');
    await said(page, /^Pad:/);
    const pad = async (): Promise<Head> => (await heads(page, song, 1))[0]!;
    await press(page, 'Shift+ArrowRight');
    await said(page, '“Pad” moved 1 bar later.');
    await press(page, ']');
    await said(page, '“Pad” moved to 3.1.1.');
    expect(await pad()).toMatchObject({ from: 7680, to: 15_360 });
    await press(page, '[', '4', 'ArrowRight');
    await expect.poll(async () => (await pad()).from).toBe(4320);
    await press(page, 'Alt+Shift+ArrowRight');
    await expect.poll(async () => (await pad()).from).toBe(4800);
    await press(page, 'Control+Shift+ArrowLeft');
    await said(page, 'now ends at 3.2.1');
    await press(page, 'Control+ArrowUp', 'Control+Shift+ArrowUp');
    await said(page, '“Pad” plays at 125 % velocity.');
    await press(page, 'm');
    await expect.poll(async () => (await pad()).muted).toBe(true);
    await expect(page.getByTestId('part').nth(1)).toContainText('muted');
    // To the track above, where it plays with that sound.
    await press(page, 'm', 'Control+Alt+ArrowUp');
    await said(page, '“Pad” moved to “Vibes”.');
    expect((await saved(page)).filter(([, channel]) => channel === 1)).toEqual([]);
    // What cannot be is refused, and nothing moves.
    await press(page, 'Control+Alt+ArrowUp');
    await said(page, 'There is no track that far up: nothing moved.');
    await undoAll(page);
    expect((await heads(page, song, 1))[0]).toMatchObject({ from: 0, to: 7680, plays: null, muted: false });
});

test('copied, cut and pasted at the caret’s time and track, also in another song; quantized each by its own settings', async ({
    page,
}) => {
    const song = await open(page);
    await press(page, 'Control+c');
    await said(page, '1 part copied.');
    await press(page, 'Escape', 'Home', 'Shift+ArrowRight', 'Shift+ArrowRight', 'ArrowDown', 'Control+v');
    await said(page, '“Vibes” inserted at 3.1.1.');
    const parts = await heads(page, song, 1);
    expect(parts.map(({ name, from, to }) => [name, from, to])).toEqual([
        ['Pad', 0, 7680],
        ['Vibes', 7680, 15_360],
    ]);
    // It plays with the sound of the track that it came to, and the caret went on.
    expect((await saved(page)).filter(([at, channel]) => at! >= 768 && channel === 1)).toHaveLength(8);
    await expect(page.getByTestId('caret-place')).toHaveText('Caret 5.1.1, Pad');
    await press(page, 'Control+x');
    await said(page, '1 part cut.');
    await expect(page.getByTestId('part')).toHaveCount(3);
    const other = await open(page);
    await press(page, 'Escape', 'Home', 'Control+v');
    await said(page, 'inserted at 1.1.1');
    expect((await heads(page, other)).map((p) => p.name)).toEqual(['Vibes', 'Vibes']);
    // Copied from the second track and put back where it was, with the caret elsewhere.
    await press(page, 'a', 'Control+c');
    await said(page, '1 part copied.');
    await press(page, 'Escape', 'Home', 'Control+Shift+v');
    await said(page, /inserted at 1\.1\.1/);
    await press(page, 'Control+z');
    // Off the line, and back on it by one key for both.
    await press(page, 'Control+a', 'Alt+ArrowRight', 'q');
    await said(page, /notes/);
    await press(page, 'Control+z');
    await said(page, /^Undone/);
});

test('by mouse: selected, dragged with the axis held, copied, resized, boxed, drawn with the pen, erased, its menu', async ({
    page,
}) => {
    const song = await open(page);
    const part = page.getByTestId('part');
    const at = async (i: number, share = 0.5): Promise<{ x: number; y: number }> => {
        const box = (await part.nth(i).boundingBox())!;
        return { x: box.x + box.width * share, y: box.y + box.height / 2 };
    };
    const drag = async (from: { x: number; y: number }, dx: number, dy: number): Promise<void> => {
        await page.mouse.move(from.x, from.y);
        await page.mouse.down();
        await page.mouse.move(from.x + dx / 2, from.y + dy / 2);
        await page.mouse.move(from.x + dx, from.y + dy);
        await page.mouse.up();
    };
    await press(page, 'Shift+z');
    await page.waitForTimeout(200);
    const width = (await part.first().boundingBox())!.width;
    await drag(await at(1), width / 2, 9);
    await said(page, /^“Pad” moved/);
    expect((await heads(page, song, 1))[0]!.from).toBe(3840);
    // Up and down it goes to another track.
    await drag(await at(1), 3, 80);
    await said(page, '“Pad” moved to “Kit”.');
    await press(page, 'Control+z');
    await said(page, /^Undone/);
    // With Ctrl a copy is put there.
    await page.keyboard.down('Control');
    await drag(await at(0), width, 0);
    await page.keyboard.up('Control');
    await expect(part).toHaveCount(4);
    expect((await heads(page, song)).map((p) => p.from)).toEqual([0, 7680]);
    // An edge.
    const edge = (await part.first().boundingBox())!;
    await drag({ x: edge.x + edge.width - 3, y: edge.y + 40 }, -width / 2, 0);
    await said(page, 'now ends at 2.1.1');
    // A box about all, a click on none.
    const staves = (await page.getByTestId('sheets').boundingBox())!;
    await drag({ x: staves.x + 4, y: staves.y + staves.height - 30 }, staves.width - 30, -(staves.height - 60));
    await chosen(page, 4);
    await page.mouse.click(staves.x + 300, staves.y + staves.height - 20);
    await chosen(page, 0);
    // The pen draws a part over whole bars, the eraser takes one away.
    await page.getByRole('button', { name: 'Pen' }).click();
    const kit = await at(3);
    await drag({ x: staves.x + width * 1.2, y: kit.y }, width * 0.1, 0);
    await said(page, /is a new part at bar 3/);
    await page.getByRole('button', { name: 'Eraser' }).click();
    await page.mouse.click(kit.x, kit.y);
    await said(page, /deleted/);
    await page.getByRole('button', { name: 'Eraser' }).click();
    // The second button: what can be done with it, walked by letters.
    await page.mouse.click((await at(0)).x, (await at(0)).y, { button: 'right' });
    const menu = page.getByTestId('menu');
    await expect(menu.getByRole('menuitem', { name: /^mute the part/ })).toBeVisible();
    await page.keyboard.type('mute');
    await expect(menu.getByRole('menuitem', { name: /^mute the part/ })).toBeFocused();
    await press(page, 'Enter');
    await expect(menu).toHaveCount(0);
    await expect.poll(async () => (await heads(page, song))[0]!.muted).toBe(true);
    // The same over the ruler, for a stretch of time.
    await page.getByTestId('song-ruler').click({ button: 'right' });
    await expect(page.getByRole('menu', { name: 'Menu of the time' })).toBeVisible();
    await expect(menu.getByRole('menuitem', { name: /insert .*time|time .*span/i }).first()).toBeVisible();
    await press(page, 'Escape');
    // A double click opens it; Esc with nothing selected, and once more, comes back to it, and so does O.
    await part.first().dblclick();
    await expect(page.getByTestId('roll')).toBeVisible();
    await press(page, 'Escape');
    await said(page, 'Esc again goes to the song.');
    await press(page, 'Escape');
    await expect(part.first()).toHaveAttribute('data-chosen', 'true');
    await press(page, 'Enter');
    await expect(page.getByTestId('roll')).toBeVisible();
    await press(page, 'o');
    await expect(part.first()).toHaveAttribute('data-chosen', 'true');
});

test('tracks: a sound found by typing, level and side by key and by mouse, duplicated, new, in order, deleted', async ({
    page,
}) => {
    const song = await open(page);
    const track = async (i: number): Promise<Record<string, unknown>> =>
        (await fetchSong(page, song.id)).tracks[i] as unknown as Record<string, unknown>;
    await press(page, 'Alt+w', 't');
    await page.keyboard.type('flute');
    const sounds = page.getByTestId('sounds');
    await expect(sounds.getByRole('option', { selected: true })).toContainText('Flute');
    await press(page, 'Enter');
    await said(page, '“Vibes” plays: Flute.');
    await expect(page.getByTestId('track-head').first()).toContainText('Flute');
    // By its family; with Shift on a track of its own.
    await press(page, 'Alt+w', 't');
    await page.keyboard.type('drums brush');
    await press(page, 'Shift+Enter');
    await said(page, 'is a new track');
    await expect(page.getByTestId('track-head')).toHaveCount(4);
    await press(page, 'Escape', 'Home', 'Shift+ArrowUp', 'Alt+ArrowDown', 'Alt+ArrowDown');
    await said(page, '“Vibes”: volume 92, pan in the middle.');
    await page.getByLabel('Pan of Vibes').fill('30');
    await said(page, 'pan 34 to the left');
    expect(await track(0)).toMatchObject({ volume: 92, pan: 30, instrument: 'Flute' });
    await press(page, 'Alt+w', 'd');
    await said(page, '“Vibes” duplicated.');
    expect(await track(1)).toMatchObject({ name: 'Vibes 2', instrument: 'Flute', volume: 92 });
    await press(page, 'Alt+Shift+ArrowDown');
    await said(page, /now track 3 of 5/);
    // By its head: Esc drops what is in hand.
    const third = (await page.getByTestId('track-head').nth(2).boundingBox())!;
    await page.mouse.move(third.x + 40, third.y + third.height - 8);
    await page.mouse.down();
    await page.mouse.move(third.x + 40, third.y - third.height, { steps: 4 });
    await expect(page.getByTestId('lands')).toBeVisible();
    await press(page, 'Escape');
    await expect(page.getByTestId('lands')).toBeHidden();
    await page.mouse.up();
    expect((await track(2)).name).toBe('Vibes 2');
    // Dragged two places up, and back by undo.
    const head = (await page.getByTestId('track-head').nth(2).boundingBox())!;
    await page.mouse.move(head.x + 40, head.y + head.height - 8);
    await page.mouse.down();
    await page.mouse.move(head.x + 40, head.y - head.height, { steps: 4 });
    await expect(page.getByTestId('lands')).toBeVisible();
    await page.mouse.up();
    await said(page, /“Vibes 2” is now track 1 of 5/);
    await press(page, 'Control+z');
    await said(page, /^Undone/);
    // The same by mouse: the second button on a track.
    await page
        .getByTestId('track-head')
        .nth(2)
        .click({ button: 'right', position: { x: 30, y: 8 } });
    await page
        .getByTestId('menu')
        .getByRole('menuitem', { name: /^track up/ })
        .click();
    await said(page, /now track 2 of 5/);
    await press(page, 'Shift+Delete');
    await said(page, /deleted/);
    await undoAll(page);
    expect((await fetchSong(page, song.id)).tracks.map((t) => t.name)).toEqual(['Vibes', 'Pad', 'Kit']);
});

test('time is put in and removed, in all with the markers; the caret goes from marker to marker', async ({ page }) => {
    const song = await open(page);
    await press(page, 'Escape', 'Home', 'Shift+ArrowRight', 'Alt+w', 'k');
    await page.keyboard.type('Jetty');
    await press(page, 'Enter');
    await said(page, /Jetty/);
    await press(page, 'Escape', 'Home', 'Alt+PageDown');
    await said(page, 'Jetty: 2.1.1.');
    // The span's bar goes in before it.
    await press(page, 'Home', 'Control+Shift+ArrowRight', 'Alt+w', 'i');
    await said(page, '1 bar inserted at 1.1.1.');
    expect((await heads(page, song)).map((p) => p.from)).toEqual([3840]);
    await press(page, 'Alt+PageDown');
    await said(page, 'Jetty: 3.1.1.');
    await press(page, 'Alt+w', 'x');
    await said(page, /1\.1\.1 to 2\.1\.1 removed/);
    expect((await heads(page, song)).map((p) => p.from)).toEqual([0]);
    // Split at the marker.
    await press(page, 'd', 'Alt+x');
    await said(page, '1 part split into 2.');
});

test('the shelf: a part kept under a name, found by typing, put in with its own sound; the file is a MIDI file', async ({
    page,
}) => {
    const song = await open(page);
    const name = `Lamp ${Date.now()}`;
    await press(page, 'Alt+w', 'Shift+f', 'Control+a');
    await page.keyboard.type(name);
    await press(page, 'Enter');
    await said(page, `“${name}” is on the shelf: 8 notes.`);
    await press(page, 'Escape', 'Home', 'Shift+ArrowRight', 'Shift+ArrowRight', 'Alt+w', 'f');
    await page.keyboard.type(name.slice(5));
    const phrases = page.getByTestId('phrases').getByRole('option');
    await expect(phrases).toHaveCount(1);
    await expect(phrases).toContainText('Vibraphone · 2 bars · ♩ 120');
    const link = await page.getByRole('link', { name: 'Save as .mid' }).getAttribute('href');
    expect(parseMidi(await (await page.request.get(link!)).body()).tracks.length).toBeGreaterThan(0);
    await press(page, 'Shift+Enter');
    await said(page, 'inserted at 3.1.1');
    await expect(page.getByTestId('track-head')).toHaveCount(4);
    expect((await fetchSong(page, song.id)).tracks[3]).toMatchObject({ instrument: 'Vibraphone' });
    // Put away, it can be brought back.
    await press(page, 'Alt+w', 'f');
    await page.keyboard.type(name);
    await page.getByRole('button', { name: 'Delete' }).click();
    await expect(phrases).toHaveCount(0);
    await page.getByRole('button', { name: /^Restore/ }).click();
    await expect(phrases).toHaveCount(1);
    await press(page, 'Escape');
});

test('the roll comes up under the staves, in time with them; job 5: notes moved to another track, by register', async ({
    page,
}) => {
    const song = await open(page);
    await press(page, 'Alt+Shift+y');
    const roll = page.getByTestId('roll');
    await expect(roll).toHaveAttribute('data-drawn', /^\d/);
    const seen = async (id: string): Promise<string[]> =>
        (await page.getByTestId(id).getAttribute('data-drawn'))!.split(' ').slice(1, 3);
    await expect.poll(async () => seen('roll')).toEqual(await seen('staves'));
    const [staves, notes] = [
        (await page.getByTestId('sheets').boundingBox())!,
        (await page.getByTestId('notes').boundingBox())!,
    ];
    expect(Math.abs(staves.x - notes.x)).toBeLessThan(1.5);
    await press(page, 'z');
    await expect.poll(async () => seen('staves')).toEqual(await seen('roll'));
    // Keys are the roll's; what is done is seen above.
    await press(page, 'Control+a', 'Alt+w', 'ArrowDown');
    await said(page, '8 notes moved to “Pad”.');
    expect((await heads(page, song, 1))[0]).toMatchObject({ from: 0 });
    await press(page, 'Control+z');
    await said(page, /^Undone/);
    await press(page, 'Control+a', 'Alt+w', 'Control+ArrowDown');
    await said(page, '8 notes copied to “Pad”.');
    expect((await saved(page)).filter(([, channel]) => channel === 1)).toHaveLength(10);
    await press(page, 'Control+z', 'Escape');
    // With an octave: five keys; and refused where there is no track.
    await press(page, 'Control+a', 'Alt+w', 'Shift+ArrowDown');
    await said(page, '8 notes moved to “Pad”, −12.');
    await press(page, 'Control+z');
    await said(page, /^Undone/);
    await press(page, 'Control+a', 'Alt+w', 'ArrowUp');
    await said(page, 'There is no track that far up: nothing moved.');
    // Esc with nothing selected comes back to the staves, the same key sends the roll away.
    await press(page, 'Escape', 'Escape');
    await said(page, 'Back on the tracks.');
    await press(page, 's');
    await said(page, /^Pad:/);
    await press(page, 'Alt+Shift+y');
    await expect(roll).toHaveCount(0);
    // From the roll too: what opened it closes it.
    await press(page, 'Alt+Shift+y');
    await expect(roll).toBeVisible();
    await press(page, 'Control+a', 'Alt+Shift+y');
    await expect(roll).toHaveCount(0);
});

test('what is wrong is said, and nothing is half done: no span, no length, 201 parts, names of 10,000 letters', async ({
    page,
}) => {
    const song = await open(page);
    const before = await all(page, song);
    await press(page, 'Alt+w', 'i');
    await said(page, 'There is no span.');
    await press(page, 'Control+Alt+Shift+PageDown', 'Alt+w', 'l');
    await said(page, 'it can loop only up to a later place. Nothing changed.');
    await press(page, 'Shift+ArrowLeft');
    await said(page, 'would begin before the song: nothing moved.');
    await press(page, 'Control+Shift+ArrowLeft', 'Control+Shift+ArrowLeft');
    await said(page, 'would have no length: nothing changed.');
    await undoAll(page);
    const [{ id }] = (await heads(page, song)) as [Head];
    for (const [edit, params, words] of [
        ['part-rename', { name: 'x'.repeat(10_000) }, 'name'],
        ['part-repeat', { times: 201 }, 'times'],
        ['part-move', { track: 99_999_999 }, 'track'],
        ['part-loop', { until: 'marker:<b>' }, 'There is no marker'],
    ] as const) {
        const answer = await page.request.post(`/api/songs/${song.id}/edits`, {
            headers: { Origin: new URL(page.url()).origin },
            data: {
                base: (await fetchSong(page, song.id)).revision,
                as: 'one',
                do: [{ edit, params, on: { parts: [id] } }],
            },
        });
        expect(answer.status()).toBe(422);
        expect(((await answer.json()) as { detail: string }).detail).toContain(words);
    }
    // Markup in a name is a name.
    await press(page, 'Alt+w', 'n');
    await page.keyboard.type('<b>Lamp</b>');
    await press(page, 'Enter');
    await said(page, '<b>Lamp</b>');
    await expect(page.getByTestId('part').first()).toContainText('<b>Lamp</b>');
    await press(page, 'Control+z');
    await expect.poll(() => all(page, song)).toEqual(before);
});

test('the keys that arranging takes: four bars looped under the song in five, parts repeated, joined, down a third in one', async ({
    page,
}) => {
    const song = await open(page);
    /** One key is one stroke with its modifiers. */
    const within = async (most: number, ...keys: string[]): Promise<void> => {
        expect(keys.length).toBeLessThanOrEqual(most);
        await press(page, ...keys);
    };
    // One bar of the two, by a count, looped under all.
    await within(5, 'k', '1', 'Control+Alt+Shift+PageDown', 'Alt+b', 'Alt+l');
    await said(page, /loops up to 3\.1\.1, 2 times/);
    expect((await heads(page, song))[0]).toMatchObject({ from: 0, to: 3840, plays: { until: 7680 } });
    await press(page, 'Control+z', 'Control+z');
    await said(page, /^Undone/);
    await within(1, 'Control+d');
    await said(page, 'repeated');
    await press(page, 'a');
    await within(2, 'Shift+j');
    await said(page, '2 parts joined into one.');
    await within(3, 'Control+a', '-');
    await said(page, '3 parts play 3 semitones lower.');
    await press(page, 'Escape', 'Home', 'Control+Shift+ArrowRight', 'd');
    await within(2, 'Control+b');
    await said(page, 'cropped to 1.1.1–2.1.1');
    // The vibraphone’s line to the pad, an octave up: copied, the track below, put in, up.
    await within(5, 'Control+c', 's', 'Control+v', 'Shift+ArrowUp');
    await said(page, /plays 9 semitones higher\.$/);
    // The same line copied to the pad by one command, an octave up, then its last bar lower still.
    await press(page, 'Control+z', 'Control+z');
    await expect(page.getByTestId('part')).toHaveCount(3);
    // The crop goes too: a copy has what its original shows.
    await press(page, 'Control+z');
    await said(page, /^Undone: .*cropped/);
    await press(page, 'Home', 'Control+Alt+Shift+PageDown');
    await expect(page.getByTestId('caret-place')).toContainText('2.1.1, Vibes');
    await expect(page.getByTestId('chosen')).toContainText('1 of 3');
    await within(5, 'Control+Alt+Shift+ArrowDown', 'Shift+ArrowUp', 'x', 'd', 'Shift+ArrowDown');
    // The copy plays −3 as well, so the sentence alone may be that of an earlier key.
    await expect
        .poll(async () => (await heads(page, song, 1)).map((p) => [p.name, p.from, p.plays?.words ?? '']))
        .toEqual([
            ['Pad', 0, '3 semitones lower'],
            ['Vibes', 0, '9 semitones higher'],
            ['Vibes 2', 3840, '3 semitones lower'],
        ]);
    await said(page, /plays? 3 semitones lower\.$/);
});

test('the roll says what its part plays as, and how far it loops', async ({ page }) => {
    await open(page);
    await press(page, 'ArrowDown', 'k', '1', 'Control+Alt+Shift+PageDown', 'Alt+b', 'Alt+l');
    await said(page, /loops up to /);
    await press(page, 'Enter');
    await said(page, /^Vibes: \d+ notes, plays a semitone lower, loops to bar \d+\.$/);
    await expect(page.getByTestId('numbers')).toHaveText(/^plays a semitone lower, loops to bar \d+$/);
    // One note that is selected says its own numbers.
    await press(page, 'd');
    await expect(page.getByTestId('numbers')).toContainText('velocity');
});

test('Shift and Ctrl click on parts as on notes: Shift adds, Ctrl adds or lets go, a plain click selects one', async ({
    page,
}) => {
    await open(page);
    const click = async (i: number, held?: string): Promise<void> => {
        const box = (await page.getByTestId('part').nth(i).boundingBox())!;
        if (held) await page.keyboard.down(held);
        await page.mouse.click(box.x + Math.min(30, box.width / 2), box.y + box.height / 2);
        if (held) await page.keyboard.up(held);
    };
    await click(0);
    await chosen(page, 1);
    await click(1, 'Control');
    await click(2, 'Shift');
    await chosen(page, 3);
    await click(1, 'Control');
    await chosen(page, 2);
    await click(0, 'Shift');
    await chosen(page, 2);
    await click(2);
    await chosen(page, 1);
    await click(2, 'Control');
    await chosen(page, 0);
});
