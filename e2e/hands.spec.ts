import { expect, test, type Page } from './silent';
import {
    bring,
    caret,
    chosen,
    fetchSong,
    LOOSE,
    midi,
    notesOf,
    openRoll,
    press,
    said,
    type Row,
    type SongJson,
} from './support';

/** Presses keys, of which there may be so many: what a move is allowed to cost. */
async function within(page: Page, most: number, ...keys: string[]): Promise<void> {
    expect(keys.length, keys.join(' ')).toBeLessThanOrEqual(most);
    await press(page, ...keys);
}

async function fresh(page: Page, notes: number[][] = LOOSE): Promise<SongJson> {
    const song = await bring(page, midi(notes));
    await openRoll(page, song);
    return song;
}

const column = (rows: Row[], i: number): number[] => rows.map((n) => n[i]!);

async function caretAt(page: Page, tick: number, pitch: number): Promise<void> {
    await expect
        .poll(async () => {
            const [at, row] = await caret(page);
            return [Math.abs(at - tick) < 12 ? tick : at, row];
        })
        .toEqual([tick, pitch]);
}

/** Chords in ticks of 96: strummed, each struck twice, changing on the third beat too. */
const CHORDS = [0, 48, 96, 144, 192, 240, 288, 336].flatMap((at, i) =>
    [60, 64, 67].map((p, k) => [at + k, 40, p + (i < 2 ? 0 : i < 6 ? 2 : 5), 80]),
);

test.describe('the key budget', () => {
    test('on the grid: all, one row, this bar; at another strength, once; back as played', async ({ page }) => {
        const song = await fresh(page);
        const take = await notesOf(page, song);
        await within(page, 2, 'Control+a', 'q');
        await said(page, /^8 notes quantized to 1\/16/);
        await within(page, 2, 'Control+a', 'p');
        await expect.poll(() => notesOf(page, song)).toEqual(take);
        // One row, by the caret's.
        await press(page, 'Escape', 'Home', 'ArrowUp', 'ArrowUp', 'ArrowUp');
        await within(page, 2, 'r', 'q');
        await said(page, /^1 note quantized to 1\/16/);
        await within(page, 2, 'r', 'p');
        await expect.poll(() => notesOf(page, song)).toEqual(take);
        await press(page, 'Escape');
        await within(page, 2, 'Shift+r', 'q');
        await said(page, /^8 notes quantized to 1\/16/);
        await press(page, 'Control+z');
        // The number takes the place of what the part says; the part's own stays.
        await within(page, 3, 'Control+a', 'Alt+q');
        await page.keyboard.type('50');
        await press(page, 'Enter');
        await said(page, /^8 notes quantized to 1\/16/);
        await expect(page.getByTestId('settings').getByLabel('Strength')).toHaveValue('100');
        expect((await notesOf(page, song)).some((n) => n[1]! % 240 !== 0)).toBe(true);
    });

    test('chords: a pad, lower voices, an end and a start, doubled', async ({ page }) => {
        const song = await fresh(page, CHORDS);
        await within(page, 3, 'Control+a', 'Shift+c', 'f');
        await expect.poll(async () => (await notesOf(page, song)).length).toBe(9);
        // The change on the second beat is kept, and fills to the next.
        expect(column(await notesOf(page, song), 1)).toEqual([0, 10, 20, 960, 970, 980, 2880, 2890, 2900]);
        await press(page, 'Escape');
        await within(page, 4, 'n', 'l', 'Shift+ArrowDown');
        await said(page, '6 notes down an octave.');
        expect(column(await notesOf(page, song), 3)).toEqual([48, 52, 67, 50, 54, 69, 53, 57, 72]);
        await press(page, 'Escape', 'Home');
        await within(page, 2, 'c', 'Control+ArrowRight');
        await said(page, /^3 notes/);
        const before = column(await notesOf(page, song), 1);
        await press(page, 'd', 'Escape');
        await within(page, 2, 'c', 'Control+[');
        await expect.poll(async () => column(await notesOf(page, song), 1)[3]).toBe(before[3]! - 240);
        await within(page, 2, 'Control+a', 'Alt+Shift+ArrowUp');
        await said(page, '9 notes doubled 12 semitones up.');
    });

    test('loudness: by steps, to a value, level, together, apart, to the end, reset to the pen’s velocity', async ({
        page,
    }) => {
        const song = await fresh(page);
        const take = column(await notesOf(page, song), 4);
        await press(page, 'Control+a');
        const velocities = async (): Promise<number[]> => column(await notesOf(page, song), 4);
        for (const [keys, text] of [
            [['Control+ArrowUp'], '8 notes louder by 5.'],
            [['Shift+v', 'l'], '8 notes at velocity 79.'],
            [['Shift+v', 'p'], /^8 notes compressed toward/],
            [['Shift+v', 'w'], /^8 notes expanded from/],
            [['Shift+v', 'd'], /^8 notes at the pen’s velocity, 90/],
            [['Shift+v', 'ArrowUp'], '8 notes rising from 60 to 100 %.'],
            [['Shift+v', 'ArrowDown'], '8 notes falling from 100 to 60 %.'],
        ] as const) {
            await within(page, 2, ...keys);
            await said(page, text);
        }
        await within(page, 3, 'Shift+v', 'v');
        await page.keyboard.type('64');
        await press(page, 'Enter');
        await said(page, '8 notes at velocity 64.');
        await press(page, ...Array<string>(8).fill('Control+z'));
        await expect.poll(velocities).toEqual(take);
        // Pushed past the limit and back, all are as they were.
        await press(page, ...Array<string>(7).fill('Control+Shift+ArrowUp'));
        await said(page, /clipped at 127, the rest carried/);
        await press(page, ...Array<string>(7).fill('Control+Shift+ArrowDown'));
        await expect.poll(velocities).toEqual(take);
    });

    test('grid and triplet; one into three; touches; a rhythm onto one drum of another part', async ({ page }) => {
        const song = await fresh(page);
        await within(page, 2, '4', 't');
        await said(page, 'Grid 1/8T.');
        await press(page, 'd');
        await within(page, 2, 'Alt+Shift+x', '3');
        await said(page, '1 note split into 3.');
        await press(page, 'Control+z', 'Escape', 'Home');
        await within(page, 1, 'Alt+Shift+4');
        await said(page, /inserted\.$/);
        await press(page, 'Control+z', 'Alt+Shift+n');
        await said(page, /is empty/);
        await press(page, 'Alt+o');
        await expect(page.getByTestId('part-name')).toHaveText('Take');
        const rhythm = column(await notesOf(page, song), 1);
        // Eight keys: four, two and Enter, and what is typed.
        await within(page, 5, 'Control+a', 'Control+c', 'Shift+o', 'Control+Shift+v');
        await said(page, '8 notes inserted.');
        await within(page, 2, 'Alt+s', 's');
        await page.keyboard.type('kick');
        await press(page, 'Enter');
        await said(page, '8 notes on C2.');
        const part = (await fetchSong(page, song.id)).tracks[0]!.parts[1]!;
        expect(column(part.notes, 1)).toEqual(rhythm);
        expect(new Set(column(part.notes, 3))).toEqual(new Set([36]));
    });
});

test('the caret goes with the work, belongs to the song, and undo gives back the choice', async ({ page }) => {
    const song = await fresh(page, [...LOOSE, [384 + 3, 40, 71, 80], [768, 40, 60, 80]]);
    await press(page, 'Control+a', 'Escape', 'Home', 'd', 'd', 'd');
    const third = (await notesOf(page, song))[2]!;
    await caretAt(page, third[1]!, third[3]!);
    // What went leaves its place, and walking goes on from there.
    await press(page, 'Delete', 'd');
    await expect(page.getByTestId('chosen')).toContainText('1 of 9');
    const fourth = (await notesOf(page, song))[2]!;
    await caretAt(page, fourth[1]!, fourth[3]!);
    await press(page, 'ArrowUp');
    await caretAt(page, fourth[1]!, fourth[3]!);
    // Written where the caret stands on another row; put on a note that is there it sets that one.
    await press(page, 'Escape', 'ArrowUp', 'ArrowUp', ';');
    await said(page, /inserted\.$/);
    expect((await notesOf(page, song)).at(-1)!.slice(1, 2)).toEqual([fourth[1]]);
    // Undone, what was selected is selected again.
    await press(page, 'Control+a', 'Control+d');
    await said(page, /repeated/);
    await chosen(page, 10);
    await press(page, 'Escape', 'Control+z');
    await said(page, /^Undone/);
    await chosen(page, 10);
    await press(page, 'Escape', 'Control+Shift+z');
    await chosen(page, 10);
    await expect(page.getByTestId('chosen')).toContainText('10 of 20');
    await press(page, 'Control+z', 'Escape');
    // A phrase of bar 2 goes to bar 2 of a new part, at its own places.
    await press(page, 'Home', 'Shift+ArrowRight', 'Escape', 'd');
    await said(page, /^B4 at 2\.1\.1\.12/);
    await press(page, 'Control+c', 'Alt+Shift+n');
    await said(page, /is empty/);
    await press(page, 'Control+v');
    await said(page, 'B4 at 2.1.1.12 inserted.');
});

test('selecting by hand: notes apart, what the caret passes, the next chord’s nearest voice', async ({ page }) => {
    const song = await fresh(page, CHORDS);
    // By letters: the top of the first chord, that of the second too, and of the third, two keys each.
    await page.keyboard.down('F6');
    const labels = await page.getByTestId('reach').allTextContents();
    expect(labels.length).toBeGreaterThan(24);
    await press(page, ...labels[0]!);
    await chosen(page, 1);
    await press(page, labels[3]![0]!, `Shift+${labels[3]![1]!}`, labels[6]![0]!, `Shift+${labels[6]![1]!}`);
    await page.keyboard.up('F6');
    await chosen(page, 3);
    await expect(page.getByTestId('reach')).toHaveCount(0);
    // At the caret: one taken in, and let go again.
    await press(page, 'Escape', 'Control+Home', '=');
    await said(page, /is selected: /);
    await press(page, '=');
    await said(page, 'The note at the caret is selected already.');
    await press(page, 'Alt+PageDown', 'Shift+=');
    await chosen(page, 2);
    await press(page, 'Shift+=');
    await chosen(page, 1);
    // With nothing selected Shift takes the caret by bars and octaves, and selects nothing.
    await press(page, 'Escape', 'Home', 'Shift+ArrowRight');
    await said(page, 'Caret at 2.1.1');
    await press(page, 'Shift+ArrowLeft', 'Shift+ArrowUp');
    await said(page, /^Caret at 1\.1\.1, [A-G]♯?5/);
    await chosen(page, 0);
    // From the caret on; what is pressed then is done to that, and the caret stays.
    await press(page, 'Shift+End');
    await said(page, '24 notes selected from 1.1.1 on.');
    await press(page, 'Shift+ArrowDown');
    await said(page, '24 notes down an octave.');
    await press(page, 'Control+z', 'Escape', 'Shift+Home');
    await said(page, '0 notes selected before 1.1.1.');
    // A click on the ruler says where the caret is.
    const ruler = page.getByTestId('ruler');
    const { width, height } = (await ruler.boundingBox())!;
    await ruler.click({ position: { x: width / 2, y: height - 6 } });
    await said(page, /^Caret at \d/);
    await expect(page.getByTestId('said')).not.toContainText('Caret at 1.1.1,');
    // Of a chord the note above, then the one below that.
    await press(page, 'Control+Home', 'd', 'w', 'Shift+w');
    await chosen(page, 2);
    await press(page, 'Escape', 'Control+Home', 'd', 'w', 'Shift+s');
    await chosen(page, 2);
    // From the middle voice of a strummed chord to that of the next.
    await press(page, 'Escape', 'Control+Home', 'd', 'w', 'd');
    await said(page, 'E4 at 1.1.3.04');
    expect(await notesOf(page, song)).toHaveLength(24);
});

test('drums go by their names, also in a part with nothing in it yet; others as the key spells them', async ({
    page,
}) => {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
    await press(page, 'n');
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, '/');
    await page.keyboard.type('new track drums');
    await press(page, 'Enter');
    await said(page, 'Drum kit is empty');
    await press(page, 'Shift+ArrowDown', 'Shift+ArrowDown');
    await said(page, /, Bass Drum 1\.$/);
    await press(page, ';');
    await said(page, 'Bass Drum 1 at 1.1.1 inserted.');
    await press(page, 'Escape', 'a');
    await expect(page.getByTestId('numbers')).toContainText('Bass Drum 1');
    // A key of three flats: what was B flat in the sentence is so in the numbers too.
    const flats = Buffer.from(
        midi([[0, 40, 70, 80]])
            .toString('latin1')
            .replace('\x00\xc0\x00', '\x00\xff\x59\x02\xfd\x00\x00\xc0\x00'),
        'latin1',
    );
    flats.writeUInt32BE(flats.readUInt32BE(18) + 6, 18);
    await openRoll(page, await bring(page, flats));
    await press(page, 'd');
    await said(page, 'B♭4 at 1.1.1');
    await expect(page.getByTestId('numbers')).toContainText('B♭4');
});

test('the grid of all parts at once, by key from the roll and on the song’s page; parts beside', async ({ page }) => {
    const song = await fresh(page);
    const grids = async (): Promise<unknown[]> =>
        (await fetchSong(page, song.id)).tracks.flatMap((t) => t.parts.map((p) => p.settings.grid));
    await press(page, 'Alt+Shift+n');
    await said(page, /is empty/);
    await press(page, '3', 'Alt+Shift+a');
    await said(page, '2 parts: grid 1/4');
    expect(await grids()).toEqual(['1/4', '1/4']);
    await press(page, 'Shift+o');
    await said(page, 'This is the last part of the song.');
    const [left, scale] = (await page.getByTestId('roll').getAttribute('data-drawn'))!.split(' ').slice(1, 3);
    await press(page, 'Alt+o');
    await expect(page.getByTestId('part-name')).toHaveText('Take');
    await expect
        .poll(async () => (await page.getByTestId('roll').getAttribute('data-drawn'))!.split(' ').slice(1, 3))
        .toEqual([left, scale]);
    await press(page, 'o');
    await expect(page.getByTestId('part')).toHaveCount(2);
    await press(page, 'Control+a');
    await within(page, 2, '4', 't');
    await said(page, 'Grid 1/8T.');
    await expect.poll(grids).toEqual(['1/8T', '1/8T']);
    // Esc lets go of several before it leaves.
    await press(page, 'Escape');
    await said(page, 'Nothing is selected');
    await press(page, 'd', '5');
    await expect.poll(grids).toEqual(['1/16', '1/8T']);
});

test('a phrase goes into another song, to the same place in the measure of that song', async ({ page }) => {
    const song = await fresh(page, [[384 + 3, 40, 71, 80]]);
    await press(page, 'd', 'Control+c');
    await said(page, '1 note copied.');
    expect(song.id).toBeGreaterThan(0);
    const other = await bring(
        page,
        Buffer.from(
            midi([[0, 40, 60, 80]])
                .toString('latin1')
                .replace('\x00\x60MTrk', '\x01\x00MTrk'),
            'latin1',
        ),
    );
    await openRoll(page, other);
    await press(page, 'Control+Shift+v');
    await said(page, 'B4 at 2.1.1.12 inserted.');
});

test('panels open with what the part says; what was set last is one key away', async ({ page }) => {
    const song = await fresh(page);
    await press(page, 'Control+a', 'Alt+q');
    const panel = page.getByRole('dialog', { name: 'Quantize' });
    await page.keyboard.type('50');
    await press(page, 'Enter');
    await said(page, /^8 notes quantized to/);
    await press(page, 'Control+z');
    await said(page, /^Undone/);
    await press(page, 'Alt+q');
    await expect(panel.getByRole('spinbutton', { name: 'Strength' })).toHaveValue('100');
    await expect(panel).toContainText('strength 50');
    await press(page, 'l');
    await expect(panel.getByRole('spinbutton', { name: 'Strength' })).toHaveValue('50');
    await said(page, 'Quantize, with the last settings: strength 50.');
    await press(page, 'Enter');
    await expect.poll(async () => (await notesOf(page, song)).some((n) => n[1]! % 240 !== 0)).toBe(true);
});

test('no key is silent; what is not for here says so; values typed behind a word are taken', async ({ page }) => {
    await fresh(page);
    await press(page, 'Control+a', '/');
    await page.keyboard.type('diminuendo');
    await press(page, 'Enter');
    await said(page, '8 notes falling from 100 to 60 %.');
    await press(page, '/');
    await page.keyboard.type('softer');
    await press(page, 'Enter');
    await said(page, '8 notes softer by 5.');
    await press(page, '/');
    await page.keyboard.type('half');
    await press(page, 'Enter');
    await said(page, '8 notes: lengths at 50 %.');
    await press(page, '/');
    await page.keyboard.type('swing 62');
    await press(page, 'Enter');
    await said(page, 'Swing 62 %.');
    await press(page, 'o');
    await expect(page.getByTestId('part')).toHaveCount(1);
    await press(page, 'f');
    await said(page, 'F does nothing here: “legato” works only in a part; Enter opens the part.');
    await press(page, '4', 't');
    await said(page, 'Grid 1/8T.');
    await press(page, '/');
    await page.keyboard.type('step input');
    const panel = page.getByRole('dialog', { name: 'All commands' });
    await expect(panel.getByRole('option').filter({ hasText: 'Step input' }).first()).toContainText(
        'not here: in a part',
    );
    await press(page, 'Enter', 'Enter');
    await expect(panel.getByRole('status')).toContainText('works in a part.');
});

test('a scale: set by typing, seen, and held to; chords turned and opened, a phrase turned round', async ({ page }) => {
    const song = await fresh(page, CHORDS.slice(0, 3));
    const pitches = async (): Promise<number[]> => column(await notesOf(page, song), 3);
    await press(page, '/');
    await page.keyboard.type('scale');
    const panel = page.getByRole('dialog', { name: 'All commands' });
    await panel
        .getByRole('option')
        .filter({ hasText: /^\s*Scale…/ })
        .click();
    await panel.getByLabel('Scale: root').selectOption('C');
    await panel.getByLabel('Scale: kind').selectOption('dorian');
    await press(page, 'Enter');
    await said(page, 'Scale C dorian.');
    await press(page, 'Control+a');
    await within(page, 2, 'Alt+h', 'k');
    await said(page, 'Scale lock on: C dorian.');
    await within(page, 1, 'ArrowUp');
    await said(page, '3 notes up a step of C dorian.');
    await expect.poll(pitches).toEqual([62, 65, 69]);
    await press(page, 'Alt+ArrowUp');
    await said(page, '3 notes up a semitone.');
    await press(page, 'Shift+ArrowDown');
    await said(page, '3 notes down an octave.');
    await within(page, 2, 'Alt+h', 'f');
    await said(page, /^3 notes in C dorian/);
    await expect.poll(pitches).toEqual([51, 53, 58]);
    // The caret goes by its rows.
    await press(page, 'Escape', 'ArrowUp');
    await said(page, /^Caret at .*, D4\.$/);
    await press(page, 'Control+a');
    for (const [keys, text] of [
        [['Alt+h', 'ArrowUp'], '1 chord inverted up.'],
        [['Alt+h', 'ArrowRight'], '1 chord opened.'],
        [['Alt+h', 'ArrowLeft'], /^1 chord/],
        [['Alt+h', 'm'], /^3 notes mirrored about/],
        [['Alt+h', '3'], '3 notes doubled 2 steps of the scale up.'],
        [['Alt+z', 'r'], '3 notes reversed.'],
        [['Alt+z', 'h'], '3 notes stretched to 200 % of their time.'],
        [['Alt+z', 'd'], '3 notes stretched to 50 % of their time.'],
    ] as const) {
        await within(page, 2, ...keys);
        await said(page, text);
    }
    // A bar of notes on the caret's row, in one key; the chord at the caret turned with nothing selected.
    await press(page, 'Escape', 'Control+End', 'ArrowUp');
    await within(page, 1, 'Alt+Shift+r');
    await said(page, /^16 notes of/);
    await press(page, 'Escape', 'Control+Home');
    await within(page, 2, 'Alt+h', 'ArrowUp');
    await said(page, '1 chord inverted up.');
});

test('a chord by its name, from its panel and typed behind the word, at the caret', async ({ page }) => {
    const song = await fresh(page, [[0, 24, 36, 80]]);
    const pitches = async (): Promise<number[]> => column(await notesOf(page, song), 3).sort((a, b) => a - b);
    await press(page, 'Home');
    await within(page, 2, 'Alt+h', 'c');
    await page.keyboard.type('Gm9/C');
    await expect(page.getByRole('dialog', { name: 'Chord by name' })).toContainText('Gm9/C at 1.1.1');
    await press(page, 'Enter');
    await said(page, 'Gm9/C at 1.1.1: C3 G3 B♭3 D4 F4 A4.');
    await expect.poll(pitches).toEqual([36, 48, 55, 58, 62, 65, 69]);
    await press(page, '/');
    await page.keyboard.type('chord F#m7b5');
    await press(page, 'Enter');
    await said(page, /^F#m7b5 at 1\.1\.1/);
    await press(page, 'Control+z', 'Alt+h', 'c');
    await page.keyboard.type('Cm7x');
    await press(page, 'Enter');
    await said(page, '“x” is not understood from letter 4 on');
    await press(page, 'Escape', '/');
    await page.keyboard.type('scale D dorian');
    await press(page, 'Enter');
    await said(page, 'Scale of the song: D dorian.');
});
