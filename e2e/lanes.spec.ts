import { expect, test, type Page } from './silent';
import { parseMidi, type MidiControllerEvent } from 'midi-file';
import { bring, caret, fetchSong, LOOSE, midi, notesOf, openRoll, press, said, type SongJson, spot } from './support';

async function open(page: Page): Promise<SongJson> {
    const song = await bring(page, midi(LOOSE, 'Strings', 48));
    await openRoll(page, song);
    await page.evaluate(() => localStorage.removeItem('jactonic.lanes'));
    await openRoll(page, song);
    return song;
}

/** Tick and value of a controller's points, as the server has them. */
async function points(page: Page, song: SongJson, number: number): Promise<[number, number][]> {
    const part = (await fetchSong(page, song.id)).tracks[0]!.parts[0]!;
    return part.points
        .filter((p) => (p[2]! & 0xf0) === 0xb0 && p[3] === number)
        .map((p): [number, number] => [p[1]!, p[4]!])
        .sort((a, b) => a[0] - b[0]);
}

/** What a saved file says of a controller, to a reader that is not ours: tick of 960 a quarter, and value. */
async function saved(page: Page, number: number): Promise<[number, number][]> {
    const waiting = page.waitForEvent('download');
    await page.keyboard.press('Control+s');
    const pieces: Buffer[] = [];
    for await (const piece of await (await waiting).createReadStream()) pieces.push(piece as Buffer);
    const file = parseMidi(Buffer.concat(pieces));
    const unit = 960 / file.header.ticksPerBeat!;
    return file.tracks.flatMap((track) => {
        let at = 0;
        return track.flatMap((event): [number, number][] => {
            at += event.deltaTime;
            const { controllerType, value } = event as MidiControllerEvent;
            return event.type === 'controller' && controllerType === number ? [[at * unit, value]] : [];
        });
    });
}

test('job 15 by key: a lane called, a swell over the span, its points walked, raised, moved, shaped; saved and undone', async ({
    page,
}) => {
    const song = await open(page);
    // A lane called in two keys; a swell over the span in two more.
    await press(page, 'Alt+v', 'e');
    await said(page, 'In the lane of Expression: 0 points');
    await press(page, 'Escape', 'Home', 'Control+Shift+ArrowRight', 'Alt+v', 'w');
    await said(page, /^Expression: swell from 40 to 110, \d+ points\.$/);
    const swell = await points(page, song, 11);
    expect([swell[0], Math.max(...swell.map((p) => p[1]))]).toEqual([[0, 40], 110]);
    expect(await saved(page, 11)).toEqual(swell);
    // Back into the lane, its first points taken and raised, wide with Shift.
    await press(page, 'v');
    await said(page, 'In the lane of Expression');
    await press(page, 'Home', 'd');
    await said(page, /^[A-Z].* \d+ at 1\.1\.1: point 1 of \d+\.$/);
    // The strip says what the keys do to a lane, and not what they would do to notes.
    await expect(page.getByTestId('key-strip')).toContainText('taller lane');
    await expect(page.getByTestId('key-strip')).not.toContainText('semitone');
    await press(page, 'Shift+d', 'Shift+ArrowUp', 'ArrowUp');
    await said(page, '2 points higher by 1.');
    await expect
        .poll(async () => (await points(page, song, 11)).slice(0, 2).map((p) => p[1]))
        .toEqual([51, swell[1]![1] + 11]);
    // What shapes velocities shapes them.
    await press(page, 'Control+a', 'Shift+v', 'l');
    await said(page, /^\d+ points at \d+\.$/);
    expect(new Set((await points(page, song, 11)).map((p) => p[1])).size).toBe(1);
    await press(page, 'Control+z');
    await said(page, /^Undone/);
    // In time by the nudge step; deleted; Esc lets go, then goes back to the notes.
    await press(page, 'Control+a', 'ArrowRight');
    await said(page, /^\d+ points moved/);
    await press(page, 'Delete');
    await said(page, /points deleted\.$/);
    expect(await points(page, song, 11)).toEqual([]);
    await press(page, 'Escape');
    await said(page, 'At the notes of Strings.');
    const button = page.getByRole('button', { name: 'Undo' });
    for (let i = 0; i < 20 && (await button.isEnabled()); i++) {
        await page.keyboard.press('Control+z');
        await said(page, /^Undone/);
        await page.waitForTimeout(40);
    }
    expect(await points(page, song, 11)).toEqual([]);
    expect(await notesOf(page, song)).toEqual(song.tracks[0]!.parts[0]!.notes);
});

test('with notes selected and a lane in hand the points under them are meant', async ({ page }) => {
    const song = await open(page);
    await press(page, 'Home', 'Control+Shift+ArrowRight', 'Alt+v', 'y');
    await said(page, /^Expression: rise/);
    const before = await points(page, song, 11);
    await press(page, 'd', 'Alt+v', 'e', 'Shift+ArrowUp');
    await said(page, /^\d+ points? higher by 10\.$/);
    const [first] = await notesOf(page, song);
    const after = await points(page, song, 11);
    const under = (tick: number): boolean => tick >= first![1]! && tick < first![1]! + first![2]!;
    expect(after.map(([tick, v]) => (under(tick) ? v - 10 : v))).toEqual(before.map((p) => p[1]));
});

test('by mouse: drawn freehand, in a line, cleared, a point dragged, the lane made higher and put away; velocities swept', async ({
    page,
}) => {
    const song = await open(page);
    await press(page, 'Alt+v', 'm');
    const lane = page.getByTestId('lane-cc:1');
    const box = (await lane.boundingBox())!;
    const stroke = async (
        from: [number, number],
        to: [number, number],
        button: 'left' | 'right' = 'left',
    ): Promise<void> => {
        await page.mouse.move(box.x + from[0], box.y + from[1]);
        await page.mouse.down({ button });
        for (let i = 1; i <= 8; i++)
            await page.mouse.move(
                box.x + from[0] + ((to[0] - from[0]) * i) / 8,
                box.y + from[1] + ((to[1] - from[1]) * i) / 8,
            );
        await page.mouse.up({ button });
    };
    await stroke([40, box.height - 6], [300, 6]);
    await said(page, /points drawn in Modulation\./);
    const drawn = await points(page, song, 1);
    expect(drawn.length).toBeGreaterThan(20);
    expect(drawn.map((p) => p[1])).toEqual([...drawn.map((p) => p[1])].sort((a, b) => a - b));
    // A straight line leaves as few points as show it.
    await page.keyboard.down('Shift');
    await stroke([36, 12], [300, box.height / 2]);
    await page.keyboard.up('Shift');
    await said(page, /^Modulation from \d+ to \d+: \d+ points\.$/);
    expect((await points(page, song, 1)).length).toBeLessThan(80);
    await stroke([20, 20], [320, 20], 'right');
    await said(page, /points of Modulation deleted/);
    // One point, and dragged up.
    await stroke([100, box.height - 10], [100, box.height - 10]);
    await said(page, '1 point drawn');
    const [[, was]] = (await points(page, song, 1)) as [[number, number]];
    await stroke([100, box.height - 10], [101, box.height / 2]);
    await said(page, /1 point higher by/);
    expect((await points(page, song, 1))[0]![1]).toBeGreaterThan(was);
    // With the pen the velocities are swept; where notes are selected, theirs alone.
    await press(page, 'Escape', 'Escape', "'");
    const at = await spot(page, (await notesOf(page, song))[0]![1]!, 60);
    const stems = (await page.getByTestId('velocity').boundingBox())!;
    await page.mouse.move(at.x - 3, stems.y + 20);
    await page.mouse.down();
    await page.mouse.move(at.x + 60, stems.y + 20);
    await page.mouse.move(stems.x + stems.width - 10, stems.y + 20);
    await page.mouse.up();
    await said(page, '8 notes at the velocities drawn.');
    expect(new Set((await notesOf(page, song)).map((n) => n[4])).size).toBe(1);
    await press(page, "'", 'Control+z');
    await said(page, /^Undone/);
    await page.getByRole('button', { name: 'Hide Modulation' }).click();
    await expect(lane).toHaveCount(0);
});

test('lanes are found by typing, and kept; a lane with no points and a point that is none say so', async ({ page }) => {
    await open(page);
    await press(page, 'Alt+v', 'v');
    await page.keyboard.type('brightness');
    await press(page, 'Enter');
    await said(page, 'In the lane of Brightness: 0 points');
    await press(page, 'Escape');
    await expect(page.getByTestId('lane-cc:74')).toBeVisible();
    await press(page, 'v', 'v');
    await said(page, 'In the lane of Brightness');
    await press(page, 'd');
    await said(page, 'There are no points to walk to.');
    // With no point selected arrows move the caret.
    await press(page, 'ArrowUp');
    await said(page, 'Caret at 1.1.1, C♯4.');
    await press(page, 'ArrowDown');
    await page.reload();
    await expect(page.getByTestId('lane-cc:74')).toBeVisible();
    await press(page, 'Alt+v', 'x');
    await said(page, 'Only the velocities are shown.');
    await expect(page.getByTestId('lane-cc:74')).toHaveCount(0);
    expect((await caret(page))[0]).toBe(0);
});

test('the pedal is written from the chords by two keys, and heard and saved', async ({ page }) => {
    const song = await open(page);
    await press(page, 'Control+a', 'Alt+v', 'q');
    await said(page, 'The pedal follows 8 chords.');
    const pedal = await points(page, song, 64);
    expect(pedal.filter((p) => p[1] === 127).length).toBeGreaterThanOrEqual(7);
    expect(await saved(page, 64)).toEqual(pedal);
});

test('a straight stroke is bowed while it is drawn: with Alt its ends stay, and up and down bend it', async ({
    page,
}) => {
    const song = await open(page);
    await press(page, 'Alt+v', 'e', 'Escape');
    const lane = (await page.getByTestId('lane-cc:11').boundingBox())!;
    const from = (await spot(page, 0, 60)).x;
    await page.keyboard.down('Shift');
    await page.mouse.move(from + 2, lane.y + lane.height - 8);
    await page.mouse.down();
    await page.mouse.move(from + 400, lane.y + 8, { steps: 4 });
    await page.keyboard.down('Alt');
    await page.mouse.move(from + 400, lane.y + 68, { steps: 4 });
    await page.mouse.up();
    await page.keyboard.up('Alt');
    await page.keyboard.up('Shift');
    await said(page, /^Expression from \d+ to 1\d\d: \d+ points\.$/);
    const drawn = await points(page, song, 11);
    const [low, high] = [drawn[0]!, drawn.at(-1)!];
    expect(high[1] - low[1]).toBeGreaterThan(90);
    // Bowed late: half way along it has not risen by half.
    const half = drawn.findLast(([tick]) => tick <= (low[0] + high[0]) / 2)!;
    expect(half[1]).toBeLessThan(low[1] + (high[1] - low[1]) * 0.4);
});

test('in a lane the keys are for points: put in at the caret, set, walked, copied, pasted, repeated, selected by value', async ({
    page,
}) => {
    const song = await open(page);
    const before = await notesOf(page, song);
    await press(page, 'Alt+v', 'm');
    await said(page, 'In the lane of Modulation: 0 points');
    // With no point selected arrows move the caret; semicolon puts a point there, selected, and goes on to the next line.
    await press(page, 'Home', 'ArrowRight', 'Semicolon');
    await said(page, 'Modulation 0 at 1.1.2.');
    await press(page, 'Shift+ArrowUp', 'Shift+ArrowUp', 'Semicolon');
    await said(page, 'Modulation 20 at 1.1.3.');
    await press(page, 'ArrowUp', 'Semicolon');
    await said(page, 'Modulation 21 at 1.1.4.');
    const three: [number, number][] = [
        [240, 20],
        [480, 21],
        [720, 21],
    ];
    expect(await points(page, song, 1)).toEqual(three);
    // Of one value, the others, all: copied, and pasted in the lane that has the keys.
    await press(page, 'r');
    await said(page, '2 points selected.');
    await press(page, 'i');
    await said(page, 'Modulation 20 at 1.1.2: point 1 of 3.');
    await press(page, 'n', 'ArrowUp');
    await said(page, '2 points selected.');
    await press(page, 'Control+c');
    await said(page, '2 points copied.');
    await press(page, 'Alt+v', 'e', 'Home', 'Control+v');
    await said(page, '2 points pasted in Expression.');
    expect(await points(page, song, 11)).toEqual([
        [0, 21],
        [240, 21],
    ]);
    await press(page, 'Control+d');
    await said(page, '2 points repeated, every 2 × 1/16.');
    await press(page, 'Control+x');
    await said(page, '2 points cut.');
    await press(page, 'Control+a', 'Alt+Shift+BracketLeft');
    await said(page, 'Span from 1.1.1 to 1.1.3.');
    // What is for notes only says so.
    await press(page, 'f');
    await said(page, 'Points are selected, and this works on notes: nothing changed.');
    await press(page, 'c');
    await said(page, '“Select the whole chord” is for notes');
    await press(page, 'Equal', 'Delete');
    await press(page, 'Escape', 'Escape');
    expect(await notesOf(page, song)).toEqual(before);
});

test('shapes are drawn in the lane that is worked in, their panel has it, and a typed value puts a point', async ({
    page,
}) => {
    const song = await open(page);
    await press(page, 'Alt+v', 'm', 'Home', 'Control+Shift+ArrowRight', 'Alt+v', 'w');
    await said(page, /^Modulation: swell from 40 to 110/);
    await press(page, 'Alt+v', 'Shift+w');
    await expect(page.getByRole('dialog').getByLabel('Lane').last()).toHaveValue('cc:1');
    await press(page, 'Escape', 'Escape', 'Escape');
    // Where no lane has the keys it is expression, which is shown.
    await press(page, 'Alt+v', 'x', 'Alt+v', 'y');
    await said(page, /^Expression: rise/);
    await expect(page.getByTestId('lane-cc:11')).toBeVisible();
    await press(page, 'Slash');
    await page.keyboard.type('modulation 64');
    await page.keyboard.press('Enter');
    await said(page, /^Modulation 64 at /);
    expect((await points(page, song, 1)).some(([, value]) => value === 64)).toBe(true);
});

test('lanes belong to the song and the track: another song has its own', async ({ page }) => {
    const song = await open(page);
    await press(page, 'Alt+v', 'm');
    await said(page, 'In the lane of Modulation');
    const other = await bring(page, midi(LOOSE, 'Strings', 48));
    await openRoll(page, other);
    await expect(page.getByTestId('lane-cc:1')).toHaveCount(0);
    await openRoll(page, song);
    await expect(page.getByTestId('lane-cc:1')).toBeVisible();
});
