import { expect, test, type Page } from './silent';
import {
    bring,
    chosen,
    fetchSong,
    LOOSE,
    midi,
    notesOf,
    openRoll,
    press,
    type Row,
    said,
    type SongJson,
} from './support';

const starts = (notes: Row[]): number[] => notes.map((n) => n[1]!);
const ends = (notes: Row[]): number[] => notes.map((n) => n[1]! + n[2]!);

async function fresh(page: Page, notes: number[][]): Promise<SongJson> {
    const song = await bring(page, midi(notes));
    await openRoll(page, song);
    return song;
}

/** The parts of a copy of the demo song, by name, so that the demo itself stays as it is. */
async function demo(page: Page, part: string): Promise<{ id: number; notes: () => Promise<Row[]> }> {
    const answer = await page.request.post('/api/songs/1/duplicate');
    const { id } = ((await answer.json()) as { song: { id: number } }).song;
    const song = await fetchSong(page, id);
    const found = song.tracks.flatMap((t) => t.parts).find((p) => p.name === part)!;
    await page.goto(`/songs/${id}/parts/${found.id}`);
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    const notes = async (): Promise<Row[]> =>
        (await fetchSong(page, id)).tracks.flatMap((t) => t.parts).find((p) => p.id === found.id)!.notes;
    return { id, notes };
}

test.describe('job 1: a take is tightened', () => {
    test('all in two keys, a row in two after selecting it, a bar in two, back as played at any time', async ({
        page,
    }) => {
        const song = await fresh(page, LOOSE);
        const take = await notesOf(page, song);
        // The grid is set once.
        await press(page, '4');
        await said(page, 'Grid 1/8.');
        await press(page, 'Control+a', 'q');
        await said(page, /^8 notes quantized to 1\/8: 8 moved/);
        expect(starts(await notesOf(page, song))).toEqual([0, 1, 2, 3, 4, 5, 6, 7].map((i) => i * 480));
        // Whatever comes between, and for a few notes only.
        await press(page, 'Shift+ArrowRight');
        await said(page, '8 notes moved 1 bar later.');
        await press(page, 'Escape', 'Home', 'd', 'Shift+d');
        await chosen(page, 2);
        await press(page, 'p');
        await said(page, '2 notes: 2 moved back to the played timing.');
        const after = starts(await notesOf(page, song));
        expect(after.slice(0, 2)).toEqual(
            starts(take)
                .slice(0, 2)
                .map((t) => t + 3840),
        );
        expect(after[2]).toBe(960 + 3840);
        // The bar of what is selected.
        await press(page, 'Shift+r', 'q');
        await said(page, /^8 notes quantized to 1\/8: 2 moved/);
    });

    test('the start alone goes back, or the length alone', async ({ page }) => {
        const song = await fresh(page, LOOSE);
        const take = await notesOf(page, song);
        await press(page, 'Control+a', 'q', 'Control+ArrowRight');
        await said(page, 'longer by 1 grid cell.');
        await press(page, 'Shift+p');
        await said(page, '8 notes: 8 moved back to the played timing.');
        expect(starts(await notesOf(page, song))).toEqual(starts(take));
        expect((await notesOf(page, song))[0]![2]).toBe(take[0]![2]! + 240);
        // Its sentence is the one before: the notes themselves are waited for.
        await press(page, 'Alt+p');
        await expect.poll(() => notesOf(page, song)).toEqual(take);
    });

    test('where notes would land is shown while a key is held, follows the grid, and changes nothing', async ({
        page,
    }) => {
        const song = await fresh(page, LOOSE);
        const take = await notesOf(page, song);
        await press(page, 'Control+a', '3');
        await said(page, 'Grid 1/4.');
        await page.keyboard.down('Backquote');
        await said(page, /^Preview\s+8 notes quantized to 1\/4: 8 moved/);
        await press(page, '1');
        await said(page, /^Preview\s+8 notes quantized to 1\/1/);
        await page.keyboard.up('Backquote');
        await said(page, /^Grid 1\/1\./);
        expect(await notesOf(page, song)).toEqual(take);
        await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
        // With nothing selected it looks at all.
        await press(page, 'Escape');
        await page.keyboard.down('Backquote');
        await said(page, /^Preview\s+8 notes quantized to 1\/1/);
        await page.keyboard.up('Backquote');
    });

    test('the panel sets ends, window and strength, shows the landing live, and one key does it again', async ({
        page,
    }) => {
        const song = await fresh(page, LOOSE);
        await press(page, 'Control+a', 'Alt+q');
        const panel = page.getByRole('dialog', { name: 'Quantize' });
        const landing = panel.getByTestId('landing');
        await expect(landing).toContainText('8 notes quantized to 1/16: 8 moved');
        const strength = panel.getByRole('spinbutton', { name: 'Strength' });
        await strength.fill('50');
        await expect(landing).toContainText('8.1 ms on average');
        await panel.getByRole('radio', { name: 'both' }).check();
        await strength.press('Enter');
        await expect(panel).toBeHidden();
        await said(page, /^8 notes quantized to 1\/16: 8 moved/);
        await expect(page.getByTestId('roll')).toBeFocused();
        // Half the way from 20 and from −30 of 480: 10 and 465.
        expect(starts(await notesOf(page, song)).slice(0, 2)).toEqual([10, 465]);
        // The part's own strength is what it was, and the bare key uses it.
        expect((await fetchSong(page, song.id)).tracks[0]!.parts[0]!.settings.strength).toBe(100);
        await press(page, 'Shift+q');
        await expect.poll(async () => starts(await notesOf(page, song)).slice(0, 2)).toEqual([5, 473]);
        await press(page, 'q');
        await expect.poll(async () => starts(await notesOf(page, song)).slice(0, 2)).toEqual([0, 480]);
    });

    test('a panel asks for what is not filled in, and a place is a bar and a beat', async ({ page }) => {
        const song = await fresh(page, LOOSE);
        await press(page, 'Control+a', 'Alt+s', 'v');
        const panel = page.getByRole('dialog', { name: 'Move to a place' });
        const landing = panel.getByTestId('landing');
        await expect(landing).toHaveText('Place: a bar and beat, such as 17.3, or a place of the list.');
        await expect(panel.locator('.text-error')).toHaveCount(0);
        await panel.getByRole('combobox', { name: 'Place' }).selectOption('bar and beat');
        const place = panel.getByLabel('Place, bar and beat');
        await place.fill('3.2');
        await expect(landing).toContainText('8 notes moved to 3.2.1');
        await place.press('Enter');
        await expect.poll(async () => starts(await notesOf(page, song))[0]).toBe(2 * 3840 + 960);
        await press(page, 'Alt+s', 'v');
        await expect(panel).toBeVisible();
        await press(page, 'Escape', 'Alt+Shift+k');
        await expect(page.getByRole('group', { name: 'Lowest note' }).getByRole('textbox')).toHaveValue('C3');
        // What is typed into a field that gets the keys takes the place of what stood there.
        await press(page, 'Escape', 'Alt+n', '7');
        await expect(page.getByLabel('Nudge step: amount')).toHaveValue('7');
        await press(page, 'Tab', 'Shift+Tab', '5');
        await expect(page.getByLabel('Nudge step: amount')).toHaveValue('5');
    });

    test('a panel lists tracks and parts by their names', async ({ page }) => {
        const bass = await demo(page, 'Bass, quay');
        const before = (await bass.notes()).length;
        await press(page, 'Control+a', 'Alt+w', 'c');
        const panel = page.getByRole('dialog', { name: 'Move to another track' });
        await panel.getByRole('combobox', { name: 'To the track' }).selectOption('Vibraphone');
        await expect(panel.getByTestId('landing')).toContainText(`${before} notes moved to “Vibes`);
        await panel.getByRole('combobox', { name: 'To the track' }).selectOption('none');
        await panel.getByRole('combobox', { name: 'To the part' }).selectOption({ label: 'Vibes, quay, bar 1' });
        await expect(panel.getByTestId('landing')).toContainText(`${before} notes moved to “Vibes, quay”`);
    });

    test('what is out of range in a panel is said there, and Esc leaves everything as it was', async ({ page }) => {
        const song = await fresh(page, LOOSE);
        const take = await notesOf(page, song);
        const panel = page.getByRole('dialog', { name: 'Quantize' });
        await press(page, 'Alt+q');
        await expect(panel.getByTestId('landing')).toHaveText(
            'No notes are selected: nothing changed. Ctrl A selects all, D the next note.',
        );
        await press(page, 'Escape', 'Control+a', 'Alt+q');
        await panel.getByRole('spinbutton', { name: 'Window' }).fill('400');
        await expect(panel.getByTestId('landing')).toContainText('Window: a whole number from 0 to 100 %.');
        await press(page, 'Escape');
        await expect(panel).toBeHidden();
        expect(await notesOf(page, song)).toEqual(take);
    });

    test('the grid is read out of the playing and set by one more key', async ({ page }) => {
        await fresh(
            page,
            [...Array(24).keys()].map((i) => [
                i * 32 + [1, -1, 2, 0][i % 4]! + (i === 1 ? 1 : 0),
                20,
                60 + (i % 5),
                80,
            ]),
        );
        await press(page, 'Alt+r');
        await expect(page.getByTestId('reading')).toContainText('The playing fits 1/8T: 24 of 24 notes');
        await expect(page.getByRole('dialog', { name: 'Grid reading' })).toContainText('It does not swing.');
        await press(page, 'Enter');
        await said(page, 'Grid 1/8T.');
        await expect(page.getByRole('dialog')).toBeHidden();
        await expect(page.getByRole('button', { name: 'triplet' })).toHaveAttribute('aria-pressed', 'true');
    });

    test('while a key is held the part is as before the last step, or as it was played', async ({ page }) => {
        const song = await fresh(page, LOOSE);
        await press(page, 'Control+a', 'q', 'Shift+ArrowUp');
        await said(page, '8 notes up an octave.');
        const now = await notesOf(page, song);
        const shown = (): Promise<string> => page.getByTestId('numbers').innerText();
        await press(page, 'Escape', 'Home', 'd');
        await expect.poll(shown).toContain('C5');
        await page.keyboard.down('y');
        await said(page, /^Compare\s+Before: 8 notes up an octave\./);
        await expect.poll(shown).toContain('C4');
        await page.keyboard.up('y');
        await expect.poll(shown).toContain('C5');
        await expect.poll(shown).toContain('on the line');
        await page.keyboard.down('Shift');
        await page.keyboard.down('Y');
        await said(page, /^Compare\s+Played timing/);
        await expect.poll(shown).toContain('ms late');
        await page.keyboard.up('Y');
        await page.keyboard.up('Shift');
        await expect.poll(shown).toContain('on the line');
        expect(await notesOf(page, song)).toEqual(now);
    });
});

test.describe('job 2: triplets and swing', () => {
    test('triplet, dotted, tuplets and swing are a key each, and everything obeys them', async ({ page }) => {
        const song = await fresh(page, LOOSE);
        await press(page, '4', 't');
        await said(page, 'Grid 1/8T.');
        await press(page, 't', 'Alt+t');
        await said(page, 'Grid 1/8:5.');
        await expect(page.getByRole('button', { name: '5 in 4' })).toHaveAttribute('aria-pressed', 'true');
        await press(page, '4', '0');
        await said(page, 'Swing 60 %.');
        await press(page, 'Alt+g', 'Alt+g', 'Alt+Shift+g');
        await said(page, 'Swing 61 %.');
        await expect(page.getByTestId('settings').getByLabel('Swing', { exact: true })).toHaveValue('61');
        await press(page, 'Control+a', 'q');
        await said(page, /^8 notes quantized to 1\/8/);
        // The second of each pair at 61 % of 960.
        expect(starts(await notesOf(page, song))).toEqual([0, 586, 960, 1546, 1920, 2506, 2880, 3466]);
        // What snaps goes by the same lines, and so does the caret.
        await press(page, 'Alt+Shift+ArrowRight');
        await said(page, '8 notes moved later to the grid line at 1.1.3.44.');
        await press(page, 'Escape', 'Home', 'ArrowRight');
        await said(page, 'Caret at 1.1.3.44');
        await press(page, '0');
        await said(page, 'Swing off: the grid is straight.');
        await press(page, '0');
        await said(page, 'Swing 61 %.');
    });
});

test.describe('job 3: chords into a pad', () => {
    test('first chords kept, filled to the next, lower voices down, overlaps cleared', async ({ page }) => {
        const { notes } = await demo(page, 'Piano, quay');
        expect(await notes()).toHaveLength(258);
        await press(page, 'Control+a', 'q');
        await said(page, /^258 notes quantized to 1\/8/);
        // Keep the first chord of each bar, and fill each to the next: two keys.
        await press(page, 'Shift+c', 'f');
        await said(page, /^6\d notes in 16 chords: \d+ now reach the next/);
        const pad = await notes();
        expect(pad.length).toBe(66);
        expect(new Set(starts(pad))).toEqual(new Set([...Array(16).keys()].map((i) => i * 3840)));
        expect(ends(pad).every((e) => e % 3840 === 0)).toBe(true);
        // The lowest voice of the first chord, and of all by its row.
        await press(page, 'Escape', 'Home', 'd', 's', 's', 's');
        await chosen(page, 1);
        await press(page, 'r', 'Shift+ArrowDown');
        await said(page, /notes down an octave\.$/);
        // Nothing rings into the next chord any more.
        await press(page, 'Control+a', 'Shift+f');
        await said(page, /^66 notes/);
        for (let i = 0; i < 4; i++) await press(page, 'Control+z');
        await said(page, /^Undone: 258 notes quantized to 1\/8/);
        expect(await notes()).toHaveLength(258);
    });

    test('lengths: one for all, scaled, ended at the caret; notes split and joined', async ({ page }) => {
        const song = await fresh(page, [
            [0, 96, 60, 80],
            [96, 48, 62, 80],
        ]);
        await press(page, 'Control+a', 'Shift+l');
        await said(page, '2 notes: length 1/16.');
        await press(page, 'Control+Alt+Shift+ArrowRight');
        await said(page, '2 notes: lengths at 200 %.');
        expect((await notesOf(page, song)).map((n) => n[2])).toEqual([480, 480]);
        // The caret to the second quarter's end: what is selected stays selected.
        await press(page, '3', 'Control+Alt+PageDown', 'Control+Alt+PageDown');
        await said(page, 'Caret at 1.3.1');
        await press(page, 'Alt+b');
        await said(page, '2 notes end at 1.3.1.');
        expect(ends(await notesOf(page, song))).toEqual([1920, 1920]);
        await press(page, '4', 'x');
        await said(page, '2 notes split into 6.');
        expect(starts(await notesOf(page, song)).sort((a, b) => a - b)).toEqual([0, 480, 960, 960, 1440, 1440]);
        await press(page, 'Shift+j');
        await said(page, '6 notes joined to 2.');
        // Into three, by the panel: its first field is the number of pieces.
        await press(page, 'Alt+x', '3', 'Enter');
        await said(page, '2 notes split into 6.');
        expect(starts(await notesOf(page, song)).sort((a, b) => a - b)).toEqual([0, 640, 960, 1280, 1280, 1600]);
        await press(page, 'Control+z');
        await said(page, 'Undone: 2 notes split into 6.');
        await press(page, 'Control+a', 'Home', 'Control+Alt+PageDown', 'Shift+x');
        await said(page, '1 note split into 2; 1 stayed whole.');
        // At the pointer, the note under it alone.
        await press(page, 'Escape', '5');
        const box = (await page.getByTestId('notes').boundingBox())!;
        const [, left, scale, top, row] = (await page.getByTestId('roll').getAttribute('data-drawn'))!
            .split(' ')
            .map(Number) as [number, number, number, number, number];
        await page.mouse.move(box.x + (1200 - left) * scale, box.y + (top - 60 + 0.5) * row);
        await press(page, 'Control+Shift+x');
        await said(page, '1 note split into 2.');
        expect((await notesOf(page, song)).some((n) => n[1] === 1200 && n[3] === 60)).toBe(true);
    });
});

test.describe('job 7: in the pocket', () => {
    test('a row selected by key is nudged in every unit, a key a nudge', async ({ page }) => {
        const song = await fresh(page, [
            [0, 20, 36, 90],
            [96, 20, 42, 90],
            [192, 20, 42, 90],
        ]);
        await press(page, 'd', 'd', 'r');
        await chosen(page, 2);
        const presets: [string, string, string, number][] = [
            ['Shift+1', 'Nudge step 1 ms.', '2 notes moved 1 ms later.', 1.92],
            ['Shift+3', 'Nudge step 10 ms.', '2 notes moved 10 ms later.', 19.2],
            ['Shift+6', 'Nudge step 1/32.', '2 notes moved 1/32 later.', 120],
            ['Shift+7', 'Nudge step 1 tick.', '2 notes moved 1 tick later.', 1],
            ['Shift+8', 'Nudge step 1 sample.', '2 notes moved 1 sample later.', 0.04],
            ['Shift+9', 'Nudge step 1 bar.', '2 notes moved 1 bar later.', 3840],
        ];
        let place = 960;
        for (const [preset, set, moved, ticks] of presets) {
            await press(page, preset);
            await said(page, set);
            await press(page, 'ArrowRight');
            await said(page, moved);
            place += ticks;
            expect(starts(await notesOf(page, song))[1]).toBe(Math.floor(place + 0.5));
        }
        expect(starts(await notesOf(page, song))[0]).toBe(0);
        // Lengths by the same step, and tied to the grid again.
        await press(page, 'Shift+3', 'Control+ArrowRight');
        await said(page, '2 notes longer by 10 ms.');
        await press(page, 'Shift+0');
        await said(page, 'Nudge step 1 grid cell (= grid).');
        // An amount of one's own, typed.
        const nudge = page.getByTestId('settings').getByLabel('Nudge step', { exact: true });
        await press(page, 'Shift+3');
        await said(page, 'Nudge step 10 ms.');
        await nudge.fill('7.5');
        await nudge.press('Enter');
        await said(page, 'Nudge step 7.5 ms.');
        await expect(page.getByTestId('roll')).toBeFocused();
        await press(page, 'ArrowLeft');
        await said(page, '2 notes moved 7.5 ms earlier.');
    });

    test('a key that is held moves on and is one step of the history', async ({ page }) => {
        const song = await fresh(page, LOOSE);
        const take = await notesOf(page, song);
        await press(page, 'Control+a');
        // A key that is down repeats.
        await page.keyboard.down('Alt');
        for (let i = 0; i < 40; i++) await page.keyboard.down('ArrowRight');
        await page.keyboard.up('ArrowRight');
        await page.keyboard.up('Alt');
        await said(page, '8 notes moved 5 ms later, 40 times.');
        expect(starts(await notesOf(page, song))[0]).toBe(take[0]![1]! + 384);
        await press(page, 'ArrowRight');
        await said(page, '8 notes moved 1 grid cell later.');
        await press(page, 'Control+z', 'Control+z');
        await said(page, 'Undone: 8 notes moved 5 ms later, 40 times.');
        expect(await notesOf(page, song)).toEqual(take);
        await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    });

    test('with nothing selected the same keys move the caret; notes are put there and it goes on', async ({ page }) => {
        const song = await fresh(page, LOOSE);
        await press(page, 'ArrowRight', 'ArrowRight', 'ArrowUp');
        await said(page, 'Caret at 1.1.3, C♯4');
        // Shift goes wide.
        await press(page, 'Shift+ArrowRight', 'Shift+ArrowUp');
        await said(page, 'Caret at 2.1.3, C♯5');
        await expect(page.getByTestId('position')).toHaveText('2.1.3');
        await press(page, 'Control+a', 'Escape', 'Home', 'd', 'Escape', 'ArrowRight', 'ArrowRight');
        await said(page, 'Caret at 1.1.3');
        await press(page, 'a');
        await chosen(page, 1);
        await press(page, 'Control+Alt+PageDown', 'Shift+b');
        await said(page, '1 note moved to 1.1.3.');
        // It stands at the next note now: that is where a second one would go.
        await press(page, 'Escape', 'ArrowLeft');
        await said(page, 'Caret at 1.2.1');
        expect(starts(await notesOf(page, song)).filter((t) => t === 480)).toHaveLength(1);
    });

    test('the wheel with Alt nudges, lengthens and changes velocity, and is one step while it turns', async ({
        page,
    }) => {
        const song = await fresh(page, LOOSE);
        const take = await notesOf(page, song);
        await press(page, 'Control+a');
        // All at one moment, as fast as a hand turns: the pace of the machine is not what is tried.
        const turn = (notches: number, by: number, held: object): Promise<void> =>
            page.getByTestId('notes').evaluate(
                (canvas, [notches, by, held]) => {
                    const box = canvas.getBoundingClientRect();
                    const at = { clientX: box.x + box.width - 40, clientY: box.y + 20, deltaY: by as number };
                    for (let i = 0; i < (notches as number); i++)
                        canvas.dispatchEvent(
                            new WheelEvent('wheel', { bubbles: true, cancelable: true, ...at, ...(held as object) }),
                        );
                },
                [notches, by, held] as const,
            );
        await turn(3, 60, { altKey: true });
        await said(page, '8 notes moved 1 grid cell later, 3 times. “Take” now reaches to the end of bar 2.');
        await turn(1, -60, { altKey: true, shiftKey: true });
        await said(page, '8 notes longer by 1 grid cell.');
        await turn(1, -60, { altKey: true, ctrlKey: true });
        await said(page, '8 notes louder by 1.');
        expect((await notesOf(page, song))[0]).toEqual([
            take[0]![0],
            take[0]![1]! + 720,
            take[0]![2]! + 240,
            60,
            take[0]![4]! + 1,
            0,
            ...(await notesOf(page, song))[0]!.slice(6),
        ]);
        for (let i = 0; i < 3; i++) await press(page, 'Control+z');
        await said(page, /^Undone: 8 notes moved 1 grid cell later, 3 times\. /);
        expect(await notesOf(page, song)).toEqual(take);
    });

    test('whole parts are nudged on the song page, controllers and all', async ({ page }) => {
        const { id } = await demo(page, 'Piano, water');
        await press(page, 'o');
        await expect(page.getByRole('heading', { level: 1 })).toContainText('Lantern Ferry');
        const part = async (): Promise<{ notes: Row[]; points: number[][] }> =>
            (await fetchSong(page, id)).tracks[0]!.parts[1]! as never;
        const before = await part();
        await press(page, 'Shift+ArrowRight');
        await said(page, '“Piano, water” moved 1 bar later.');
        const after = await part();
        expect(starts(after.notes)).toEqual(starts(before.notes).map((t) => t + 2880));
        expect(after.points.map((p) => p[1])).toEqual(before.points.map((p) => p[1]! + 2880));
        await press(page, 'Control+z');
        await said(page, /^Undone/);
        expect(await part()).toEqual(before);
    });

    test('humanize loosens by chance, again with another seed, or another instead of the last', async ({ page }) => {
        const song = await fresh(page, LOOSE);
        await press(page, 'Control+a', 'q', 'Alt+u');
        const panel = page.getByRole('dialog', { name: 'Humanize' });
        await panel.getByRole('spinbutton', { name: 'Timing, at most' }).fill('20');
        await panel.getByRole('spinbutton', { name: 'Bias' }).fill('100');
        await expect(panel.getByTestId('landing')).toContainText('8 notes humanized');
        await press(page, 'Enter');
        await said(page, /^8 notes humanized: 8 changed, up to \d+ ms, seed 1\.$/);
        const first = starts(await notesOf(page, song));
        // All the way late: none is early.
        expect(first.every((t, i) => t >= i * 240 * 2)).toBe(true);
        await press(page, 'Shift+u');
        await said(page, /seed \d{2,}\.$/);
        const second = starts(await notesOf(page, song));
        expect(second).not.toEqual(first);
        // It took the place of the first: one undo and the notes are on the grid.
        await press(page, 'Control+z');
        await said(page, /^Undone: 8 notes humanized/);
        expect(starts(await notesOf(page, song))).toEqual([0, 1, 2, 3, 4, 5, 6, 7].map((i) => i * 480));
        await press(page, 'u', 'u');
        await said(page, /^8 notes humanized/);
        await page.keyboard.press('Control+z');
        await said(page, /^Undone: 8 notes humanized/);
        expect(starts(await notesOf(page, song))).not.toEqual([0, 1, 2, 3, 4, 5, 6, 7].map((i) => i * 480));
    });
});

test.describe('grooves', () => {
    test('a feel is taken from one part, named, kept, and another is quantized to it', async ({ page }) => {
        const { id } = await demo(page, 'Bass, quay');
        await press(page, 'Alt+Shift+q');
        const panel = page.getByRole('dialog', { name: 'Grooves' });
        await expect(panel).toContainText('Take the groove of the whole part');
        await panel.getByLabel('Name of the new groove').fill('Behind');
        await page.keyboard.press('Enter');
        await said(page, 'The groove is kept: “Behind”, with the song.');
        await press(page, 'Escape');
        const song = await fetchSong(page, id);
        const piano = song.tracks[0]!.parts[0]!;
        await page.goto(`/songs/${id}/parts/${piano.id}`);
        await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
        await press(page, 'Control+a', 'q');
        await said(page, /^258 notes quantized to 1\/8/);
        await press(page, 'Alt+Shift+q');
        await expect(panel.getByRole('radio', { name: 'Behind' })).toBeChecked();
        await expect(panel.getByTestId('landing')).toContainText('258 notes quantized to the groove “Behind”');
        await press(page, 'Enter');
        await said(page, /^258 notes quantized to the groove “Behind”: \d+ changed/);
        // The bass lags 28 ms, about 41 ticks at 92: so does the piano now.
        const now = (await fetchSong(page, id)).tracks[0]!.parts[0]!.notes;
        const late = now.map((n) => ((n[1]! + 240) % 480) - 240);
        const mean = late.reduce((a, b) => a + b, 0) / late.length;
        expect(mean).toBeGreaterThan(25);
        expect(mean).toBeLessThan(60);
    });

    test('a groove is saved as a file and brought back on the shelf; what is none is refused', async ({ page }) => {
        await fresh(page, LOOSE);
        await press(page, 'Alt+Shift+q');
        const panel = page.getByRole('dialog', { name: 'Grooves' });
        await panel.getByLabel('Name of the new groove').fill('Loose');
        await page.keyboard.press('Enter');
        await said(page, 'The groove is kept: “Loose”');
        const download = page.waitForEvent('download');
        await panel.getByRole('link', { name: 'Save Loose as a file' }).click();
        const file = (await (await download).path())!;
        await panel.getByLabel('On the shelf').check();
        await panel.locator('input[type=file]').setInputFiles(file);
        await said(page, 'The groove was imported: “Loose”, on the shelf.');
        await panel
            .locator('input[type=file]')
            .setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from('{"name": "x"') });
        await expect(panel.getByRole('alert')).toContainText(
            'bad.json is no groove: it is not JSON. Nothing was kept.',
        );
        await panel.locator('input[type=file]').setInputFiles({
            name: 'odd.json',
            mimeType: 'application/json',
            buffer: Buffer.from('{"name": "x", "grid": "1/8", "time": [9], "velocity": [1]}'),
        });
        await expect(panel.getByRole('alert')).toContainText('groove.time');
        const shelved = panel.getByTestId('grooves').locator('li').filter({ hasText: 'shelf' });
        await expect(shelved).toHaveCount(1);
        await shelved.getByRole('button').click();
        await expect(shelved).toHaveCount(0);
    });
});
