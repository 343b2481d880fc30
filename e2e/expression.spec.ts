import { expect, test, type Page } from './silent';
import { test as audible } from '@playwright/test';
import { parseMidi } from 'midi-file';
import { bring, chosen, fetchSong, midi, openRoll, press, said, spot, type SongJson } from './support';

/** Two notes together for two bars, C4 and G4, on a church organ, which holds its tone. */
const CHORD = [
    [0, 768, 60, 100],
    [0, 768, 67, 100],
];
/** Four quarters for strings. */
const LINE = [0, 1, 2, 3].map((i) => [i * 96, 90, 60 + i, 80]);
const [ARTICULATION, OWN] = [11, 12];

async function open(page: Page, notes: number[][], name: string, program: number): Promise<SongJson> {
    const song = await bring(page, midi(notes, name, program));
    await openRoll(page, song);
    return song;
}

const column = async (page: Page, song: SongJson, at: number): Promise<unknown[]> =>
    (await fetchSong(page, song.id)).tracks[0]!.parts[0]!.notes.map((n) => n[at]);

/** What a saved file says, to a reader that is not ours, and its bytes. */
async function saved(page: Page): Promise<{ bytes: Buffer; events: { at: number; type: string; channel?: number }[] }> {
    const waiting = page.waitForEvent('download');
    await page.keyboard.press('Control+s');
    const pieces: Buffer[] = [];
    for await (const piece of await (await waiting).createReadStream()) pieces.push(piece as Buffer);
    const bytes = Buffer.concat(pieces);
    const file = parseMidi(bytes);
    const events = file.tracks.flatMap((track) => {
        let at = 0;
        return track.map((e) => ({ ...e, at: ((at += e.deltaTime) * 960) / file.header.ticksPerBeat! }));
    });
    return { bytes, events };
}

test('articulations by key: a set given, one given to notes by two keys, selected by, saved and opened again', async ({
    page,
}) => {
    const song = await open(page, LINE, 'Strings', 48);
    await press(page, 'Control+a', 'Alt+a', '2');
    await said(page, '“Strings” has no set of articulations yet');
    await press(page, 'Alt+a', 't', 'Enter');
    await said(page, 'the articulations of “Strings”: Long, Plucked, Tremolo');
    await expect(page.getByTestId('articulations').getByRole('listitem')).toHaveCount(5);
    await press(page, 'Escape');
    // The strip says what the numbers are; those that the set has not are not there.
    await press(page, 'Escape', 'Escape', 'Home', 'd', 'Shift+d', 'Alt+a');
    await expect(page.getByTestId('key-strip')).toContainText('plucked');
    await expect(page.getByTestId('key-strip')).not.toContainText('articulation 6');
    await press(page, '2');
    await said(page, '2 notes: “Plucked”.');
    expect(await column(page, song, ARTICULATION)).toEqual([2, 2, 0, 0]);
    await press(page, 'Escape', 'd', 'n', 'v');
    await chosen(page, 2);
    const { bytes, events } = await saved(page);
    const programs = events.filter((e) => e.type === 'programChange') as unknown as {
        at: number;
        programNumber: number;
    }[];
    expect(programs.map((e) => [e.at, e.programNumber])).toEqual([
        [0, 48],
        [0, 45],
        [1920, 48],
    ]);
    const again = await bring(page, bytes);
    expect(again.tracks[0]!.parts[0]!.notes.map((n) => n[ARTICULATION])).toEqual([2, 2, 0, 0]);
    expect(again.tracks[0]!.parts[0]!.points.map((p) => [p[1], p[3]])).toEqual([[0, 48]]);
    // Undone: the articulations, then the set.
    await press(page, 'Control+z', 'Control+z');
    await said(page, /^Undone/);
    expect((await saved(page)).bytes.equals(bytes)).toBe(false);
    expect((await fetchSong(page, song.id)).tracks[0]).toMatchObject({ articulations: null });
});

test('a set of one’s own: made in the form, saved as a file, opened again; a broken one says why', async ({ page }) => {
    const song = await open(page, LINE, 'Strings', 48);
    await press(page, 'Alt+a', 't');
    await page.getByRole('button', { name: 'Guitar' }).click();
    await page.getByLabel('Name of articulation 2').fill('Damped');
    await page.getByLabel('What is sent for Damped').selectOption('key');
    await page.getByLabel('key of Damped').fill('26');
    await page.getByRole('button', { name: 'Give it to the track' }).click();
    await said(page, 'Open, Damped, Harmonics');
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as a file' }).click();
    const path = await (await waiting).path();
    await page.getByRole('button', { name: 'None' }).click();
    await said(page, 'no articulations');
    const field = page.locator('input[type=file]').last();
    await field.setInputFiles({
        name: 'x.json',
        mimeType: 'application/json',
        buffer: Buffer.from('{"name": "X", "articulations": [{"name": "A", "do": [{"key": 300}]}]}'),
    });
    await expect(page.getByRole('alert').last()).toContainText('a key is a whole number from 0 to 127, and not 300');
    expect((await fetchSong(page, song.id)).tracks[0]).toMatchObject({ articulations: null });
    await field.setInputFiles(path);
    await expect(page.getByLabel('Name of articulation 2')).toHaveValue('Damped');
    await press(page, 'Escape', 'Home', 'd', 'Alt+a', '2');
    await said(page, '1 note: “Damped”.');
    // The key that switches is in the file, and no note of the part.
    const on = (await saved(page)).events.filter((e) => e.type === 'noteOn') as unknown as { noteNumber: number }[];
    expect(on.map((e) => e.noteNumber)).toContain(26);
    expect((await fetchSong(page, song.id)).tracks[0]!.parts[0]!.notes).toHaveLength(4);
});

test('drawn on the note by mouse and by key: bend and vibrato, saved on a channel of its own, one note when opened again', async ({
    page,
}) => {
    const song = await open(page, CHORD, 'Organ', 19);
    await press(page, 'Home', 'd', 's');
    await press(page, 'Alt+d');
    await said(page, /^Drawing on [CG]4 at 1\.1\.1: pitch bend/);
    const { x, y } = await spot(page, 1000, 60);
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 60, y - 30, { steps: 6 });
    await page.mouse.move(x + 120, y - 30, { steps: 4 });
    await page.mouse.up();
    await said(page, 'Pitch bend drawn on 1 note.');
    await press(page, 'v');
    await said(page, 'Drawing pressure on the note.');
    await press(page, 'Escape', 'Alt+a', 'v');
    await said(page, 'Pitch bend: vibrato on 1 note.');
    const curves = (await column(page, song, OWN)).filter(Boolean) as string[];
    expect(curves).toHaveLength(1);
    expect(Object.keys(JSON.parse(curves[0]!) as object)).toEqual(['bend']);
    const { bytes, events } = await saved(page);
    const bends = events.filter((e) => e.type === 'pitchBend');
    expect(new Set(bends.map((e) => e.channel))).toEqual(new Set([1]));
    const on = events.filter((e) => e.type === 'noteOn') as unknown as { noteNumber: number; channel: number }[];
    expect(on.map((e) => [e.noteNumber, e.channel]).sort()).toHaveLength(2);
    expect(new Set(on.map((e) => e.channel)).size).toBe(2);
    const again = await bring(page, bytes);
    const back = again.tracks[0]!.parts[0]!;
    expect((back.notes.map((n) => n[OWN]) as unknown as string[]).filter(Boolean)).toEqual(curves);
    expect(back.points).toHaveLength(1);
    await press(page, 'Alt+a', 'x');
    await said(page, 'are cleared');
    await press(page, 'Control+z', 'Control+z', 'Control+z');
    await expect.poll(async () => (await column(page, song, OWN)).filter(Boolean)).toEqual([]);
});

test('a curve on a note by keys alone: points put in, raised in cents, moved, walked, deleted; beyond the range it is refused', async ({
    page,
}) => {
    const song = await open(page, CHORD, 'Organ', 19);
    await press(page, 'Home', 'd', 'Alt+d');
    await said(page, 'pitch bend, 0 points.');
    await press(page, 'd');
    await said(page, 'The curve has no points yet.');
    await press(page, 'Semicolon');
    await said(page, 'Pitch bend 0 cents, where the note starts: point 1 of 1.');
    await press(page, 'Semicolon', 'Shift+ArrowUp', 'ArrowUp');
    await said(page, /^Pitch bend \+1 semitone 10 cents, .* into the note: point 2 of 2\.$/);
    await press(page, 'Alt+ArrowDown', 'Shift+ArrowLeft');
    await said(page, /^Pitch bend \+1 semitone 9 cents, .*: point 2 of 2\.$/);
    const curve = async (): Promise<unknown> => {
        const [own] = (await column(page, song, OWN)).filter(Boolean) as string[];
        return own ? (JSON.parse(own) as { bend: unknown }).bend : null;
    };
    // A cent and 8192 units for two semitones: 109 of 200.
    expect(await curve()).toEqual([
        [0, 0],
        [1920, 4465],
    ]);
    await press(page, 'Shift+ArrowUp');
    await said(page, 'A bend of +2 semitones 9 cents does not fit: the bend range of “Organ” is 2 semitones.');
    await press(page, 'Alt+a', 'r');
    await said(page, 'The bend range of “Organ” is 12 semitones.');
    await press(page, 'Shift+ArrowUp');
    await said(page, /^Pitch bend \+2 semitones 9 cents/);
    await press(page, 'a');
    await said(page, 'point 1 of 2');
    await press(page, 'Delete');
    await said(page, 'point 1 of 1.');
    expect(await curve()).toEqual([[1920, 1427]]);
    await press(page, 'Escape');
    await said(page, 'The curves of the note are closed.');
});

audible('a note’s own bend is heard on it alone: the other note of the chord stays where it is', async ({ page }) => {
    await page.addInitScript(() => {
        const Real = window.AudioWorkletNode;
        window.AudioWorkletNode = class extends Real {
            constructor(...args: ConstructorParameters<typeof Real>) {
                super(...args);
                if (args[1] !== 'jactonic-sound') return;
                const ear = new AnalyserNode(args[0], { fftSize: 32768, smoothingTimeConstant: 0 });
                this.connect(ear);
                (window as unknown as { ear: AnalyserNode }).ear = ear;
            }
        };
    });
    const song = await bring(page, midi(CHORD, 'Organ', 19));
    const part = song.tracks[0]!.parts[0]!;
    const low = part.notes.find((n) => n[3] === 60)!;
    const answer = await page.request.post(`/api/songs/${song.id}/edits`, {
        data: {
            base: song.revision,
            do: [{ edit: 'note-draw', on: { part: part.id, notes: [low[0]] }, params: { points: [[0, 8191]] } }],
        },
    });
    expect(answer.ok()).toBe(true);
    await openRoll(page, song);
    await press(page, 'Home', 'Space');
    /** How loud a pitch is, within a quarter of a semitone. */
    const loud = (hertz: number): Promise<number> =>
        page.evaluate((hertz) => {
            const { ear } = window as unknown as { ear?: AnalyserNode };
            if (!ear) return -Infinity;
            const bins = new Float32Array(ear.frequencyBinCount);
            ear.getFloatFrequencyData(bins);
            const wide = ear.context.sampleRate / ear.fftSize;
            const [from, to] = [hertz * 2 ** (-0.25 / 12), hertz * 2 ** (0.25 / 12)].map((f) => Math.round(f / wide));
            return Math.max(...bins.slice(from, to! + 1));
        }, hertz);
    // C4 sounds as D4, and G4 is no A4. Decibels.
    await expect.poll(async () => (await loud(293.66)) - (await loud(261.63)), { timeout: 20_000 }).toBeGreaterThan(12);
    await expect.poll(async () => (await loud(392)) - (await loud(440))).toBeGreaterThan(12);
    await press(page, 'Space');
});

test('sets of lanes by key, kept under a name; the pedal as stretches, a program in the middle of a part by name', async ({
    page,
}) => {
    const song = await open(page, LINE, 'Strings', 48);
    await press(page, 'Alt+v', '5');
    await said(page, 'Lanes of “Strings”: Expression, Modulation.');
    await expect(page.getByTestId('lane-cc:11')).toBeVisible();
    await expect(page.getByTestId('lane-cc:1')).toBeVisible();
    await press(page, 'Alt+v', 'x', 'Alt+v', 'b', 'Escape', 'Alt+v', 'Shift+7');
    await said(page, 'The lanes shown are kept as “Winds”.');
    await press(page, 'Alt+v', 'v');
    await page.getByLabel('Name of set 3').fill('Bends');
    await page.getByLabel('Name of set 3').press('Enter');
    await press(page, 'Escape', 'Alt+v', '6', 'Alt+v', '7');
    await said(page, 'Lanes of “Bends”: Pitch bend.');
    await press(page, 'Alt+v', 'Shift+s');
    await said(page, 'as long as the pedal holds them');
    // From the third note on plucked, by the name of the sound.
    await press(page, 'Escape', 'Home', 'Control+Alt+PageDown', 'Alt+w', 't');
    await page.keyboard.type('pizz');
    await press(page, 'Control+Enter');
    await said(page, '1 point drawn in Program.');
    const programs = (await fetchSong(page, song.id)).tracks[0]!.parts[0]!.points.filter(
        (p) => (p[2]! & 0xf0) === 0xc0,
    );
    expect(programs.map((p) => p[3])).toEqual([48, 45]);
    expect(programs[1]![1]).toBeGreaterThan(0);
});

test('a new track begins with the lanes of its kind: a piano with its pedal; put away, they stay away', async ({
    page,
}) => {
    const answer = await page.request.post('/api/songs', { data: { name: 'New', program: 0 } });
    const { song, part } = (await answer.json()) as { song: { id: number }; part: number };
    await page.goto(`/songs/${song.id}/parts/${part}`);
    await expect(page.getByTestId('lane-cc:64')).toBeVisible();
    await press(page, 'Alt+v', 'x');
    await said(page, 'Only the velocities are shown.');
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await expect(page.getByTestId('lane-cc:64')).toHaveCount(0);
});
