import { expect, test, type Page } from './silent';
import { SIGN_OF } from '../resources/js/keys/signs';
import { bring, chosen, LOOSE, midi, notesOf, openRoll, press, said, spot, type SongJson, stroke } from './support';

async function fresh(page: Page): Promise<SongJson> {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    return song;
}

/** Shortcuts are one person's: these tests change them one after another, and leave them as they ship. */
test.describe.configure({ mode: 'default' });
test.beforeEach(async ({ page }) => {
    await page.request.post('/api/key-sets/0/use');
});
test.afterAll(async ({ browser }) => {
    const page = await browser.newPage();
    await page.request.post('/api/key-sets/0/use');
    await page.close();
});

test('any command is found by a word, a misspelt one and another word for it, and run', async ({ page }) => {
    const song = await fresh(page);
    await press(page, 'Control+a', 'Slash');
    const panel = page.getByRole('dialog', { name: 'All commands' });
    const first = panel.getByRole('option').first();
    await page.keyboard.type('quantise');
    await expect(
        panel
            .getByRole('option')
            .filter({ hasText: /^Quantize/ })
            .first(),
    ).toBeVisible();
    for (const [word, title] of [
        ['glue', 'Join notes'],
        ['humanize with', 'Humanize with a new seed'],
        ['undo', 'Undo'],
        ['octave', 'Transpose'],
    ] as const) {
        await panel.getByRole('combobox').fill(word);
        await expect(panel.getByRole('option').filter({ hasText: title }).first()).toBeVisible();
    }
    // One that asks: seven semitones, and Enter.
    await panel.getByRole('combobox').fill('transpose');
    await expect(first).toContainText('Transpose…');
    await expect(first).toContainText('↑');
    await press(page, 'Enter');
    await page.keyboard.type('7');
    await press(page, 'Enter');
    await said(page, '8 notes up 7 semitones.');
    expect((await notesOf(page, song))[0]![3]).toBe(67);
    await expect(panel).toBeHidden();
    // The last one used stands first; what has to be said and was not is asked for.
    await press(page, 'Slash');
    await expect(first).toContainText('Transpose…');
    await press(page, 'Enter', 'Enter');
    await expect(panel).toContainText('Semitones, below 0 for down: a whole number from -127 to 127.');
    await press(page, 'Escape', 'Escape');
    await expect(panel).toBeHidden();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
});

test('what is held up by no key, since it was selected by mouse, a click ends', async ({ page }) => {
    await fresh(page);
    await press(page, 'Control+a', 'q');
    await said(page, /^8 notes quantized to 1\/16/);
    await page.getByRole('button', { name: 'All commands' }).click();
    const list = page.getByRole('dialog', { name: 'All commands' });
    await list.getByRole('combobox').fill('compare with before');
    await list.getByRole('option').first().click();
    await said(page, /^Compare\s+Before: 8 notes/);
    await page.getByTestId('velocity').click({ position: { x: 5, y: 5 } });
    await said(page, /^8 notes quantized to 1\/16/);
});

test('a key is given in the list there and then', async ({ page }) => {
    const song = await fresh(page);
    await press(page, 'Control+a', 'Slash');
    await page.keyboard.type('level velo');
    await press(page, 'Alt+Enter');
    await expect(page.getByTestId('give-key')).toContainText('Press the new key for “Even out velocities”');
    // It is for the page that one came from; Tab goes on to the others. What is free needs no Enter, and undo takes it back.
    const give = page.getByTestId('give-key');
    await expect(give).toContainText('in the roll');
    await press(page, 'Tab');
    await expect(give).not.toContainText('in the roll');
    await press(page, 'Tab');
    await expect(give).toContainText('in the roll');
    const list = page.getByRole('dialog');
    await press(page, 'Alt+Shift+F7');
    await expect(list).toContainText('Alt Shift F7 now runs “Even out velocities”.');
    await press(page, 'Control+z');
    await expect(list).toContainText('The last change of shortcuts is undone.');
    await press(page, 'Alt+Enter', 'Alt+Shift+F7');
    await expect(list).toContainText('Alt Shift F7 now runs “Even out velocities”.');
    await press(page, 'Escape', 'Alt+Shift+F7');
    await said(page, '8 notes at velocity 74.');
    expect(new Set((await notesOf(page, song)).map((n) => n[4]))).toEqual(new Set([74]));
});

test('a second stroke is waited for before a free key is taken; of a sequence that is free nothing is waited for', async ({
    page,
}) => {
    await fresh(page);
    await press(page, '/');
    await page.keyboard.type('level velo');
    await press(page, 'Alt+Enter', 'F7');
    const give = page.getByTestId('give-key');
    await expect(give).toContainText('a second stroke at once makes it two');
    await press(page, 'F10');
    await expect(page.getByRole('dialog')).toContainText('F7 then F10 now runs “Even out velocities”.');
    // What is taken waits for Enter, and can be another.
    await press(page, 'Alt+Enter', 'm');
    await expect(give).toContainText('Taken');
    await page.waitForTimeout(1500);
    await expect(give).toContainText('Taken');
    await press(page, 'Backspace', 'F10');
    await expect(page.getByRole('dialog')).toContainText('F10 now runs “Even out velocities”.');
    await press(page, 'Escape', 'Escape');
});

test('from an untouched demo: velocity +15 for notes under 60, made, bound, run and undone by keyboard alone', async ({
    page,
}) => {
    let count = 0;
    const type = async (...keys: string[]): Promise<void> => {
        for (const key of keys) {
            count++;
            await page.keyboard.press(key);
        }
    };
    const answer = await page.request.post('/api/songs/1/duplicate');
    const { id } = ((await answer.json()) as { song: { id: number } }).song;
    const part = await page.request.get(`/api/songs/${id}`).then((r) => r.json());
    await page.goto(`/songs/${id}/parts/${part.tracks[0].parts[0].id}`);
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    const before = part.tracks[0].parts[0].notes as number[][];
    const soft = before.filter((n) => n[4]! < 60).length;
    expect(soft).toBeGreaterThan(5);

    // A new recipe: its name, a condition (velocity, up to 59, as it comes), a step.
    await type('Period', 'n');
    await page.keyboard.type('Soft +15');
    count += 8;
    await type('Tab', 'Space');
    await expect(page.getByTestId('matching')).toHaveText(`${soft} notes meet it now.`);
    const add = page.getByLabel('Add a step');
    for (let i = 0; i < 12 && !(await add.evaluate((el) => el === document.activeElement)); i++) await type('Tab');
    await expect(add).toBeFocused();
    await page.keyboard.type('loud');
    count += 5;
    await page.keyboard.press('Enter');
    await expect(page.getByRole('spinbutton', { name: 'Amount' })).toBeFocused();
    await page.keyboard.type('15');
    count += 2;
    await type('Shift+Enter');
    await expect(page.getByTestId('give-key')).toBeVisible();
    await type('Alt+5');
    await said(page, 'Alt 5 now runs “Soft +15”.');
    await type('Escape');
    // With nothing selected, the condition selects in the whole part.
    await type('Alt+5');
    await said(page, `“Soft +15”: ${soft} notes louder by 15.`);
    await type('Control+z');
    await said(page, 'Undone: “Soft +15”');
    const after = await page.request.get(`/api/songs/${id}`).then((r) => r.json());
    expect(after.tracks[0].parts[0].notes).toEqual(before);
    expect(count).toBeLessThanOrEqual(30);
});

test('quantize is given a key that is taken, through the collision; taken back, and reset', async ({ page }) => {
    await fresh(page);
    await press(page, 'F2');
    await expect(page.getByRole('heading', { name: 'Shortcuts' })).toBeVisible();
    await page.keyboard.type('quantize');
    await press(page, 'Enter');
    const row = page.getByTestId('shortcuts').getByRole('row', { selected: true });
    await expect(row).toContainText('Q');
    await press(page, 'Enter', 'm');
    const give = page.getByTestId('give-key');
    await expect(give).toContainText('Taken: “mute notes” (M). Enter gives it to this command instead.');
    // What the browser keeps is refused, with the reason.
    await press(page, 'Backspace', 'Control+w');
    await expect(give).toContainText('Mod+W cannot be used: browsers or the system keep it for themselves.');
    await press(page, 'Backspace', 'm');
    await expect(give).toContainText('Taken');
    await press(page, 'Enter');
    await said(page, 'M now runs “quantize”. No longer: “mute notes”.');
    await press(page, 'Escape');
    await expect(page.getByTestId('roll')).toBeVisible();
    await press(page, 'Control+a', 'm');
    await said(page, /^8 notes quantized to 1\/16/);
    await press(page, 'F2');
    // Found by its key, and only what is mine.
    await expect(page.getByRole('heading', { name: 'Shortcuts' })).toBeVisible();
    await page.getByRole('button', { name: 'Find by its key' }).focus();
    await press(page, 'Space', 'm');
    // The song page has its own M, for parts.
    const found = page.getByTestId('shortcuts').getByRole('row');
    await expect(found).toHaveCount(2);
    await expect(found.filter({ hasText: 'mine' })).toContainText('Quantize');
    await press(page, 'Control+z');
    await said(page, 'The last change of shortcuts is undone.');
    await expect(found.filter({ hasText: 'the roll' })).toContainText('Mute notes');
});

test('a second key, two strokes, parameters of its own, none, and back reset', async ({ page }) => {
    const song = await fresh(page);
    await press(page, 'F2');
    await page.keyboard.type('octave up');
    await press(page, 'Enter');
    await press(page, 'p');
    const semitones = page.getByRole('spinbutton', { name: 'Semitones' });
    await semitones.fill('7');
    await press(page, 'Enter');
    await said(page, 'Shift ↑ now runs “A fifth up”.');
    await press(page, 'a');
    await press(page, 'n', 'w');
    await said(page, 'N then W now runs');
    await press(page, 'Escape');
    await press(page, 'Escape');
    await expect(page.getByTestId('roll')).toBeVisible();
    await press(page, 'Control+a', 'n', 'w', 'Shift+ArrowUp');
    await said(page, '8 notes up 7 semitones.');
    await expect.poll(async () => (await notesOf(page, song))[0]![3]).toBe(74);
    await page.goto('/keys');
    await expect(page.getByRole('heading', { name: 'Shortcuts' })).toBeVisible();
    await page.keyboard.type('a fifth up');
    await press(page, 'Enter', 'r');
    await said(page, 'Transpose: its shortcuts are reset.');
    await page.goto('/keys');
    await expect(page.getByRole('heading', { name: 'Shortcuts' })).toBeVisible();
    await page.keyboard.type('octave up');
    await press(page, 'Enter', 'Delete');
    await said(page, 'no longer runs');
});

test('a set goes out as a file, is reset, comes back the same; bad files get a sentence and change nothing', async ({
    page,
}) => {
    await page.goto('/keys');
    await page.getByRole('button', { name: 'Copy' }).click();
    await page.getByLabel('Name of the set').fill('On the road');
    await page.keyboard.press('Enter');
    await said(page, '“On the road” is a copy, and in use.');
    await page.request.post('/api/keys', {
        data: {
            binding: { context: 'roll', keys: 'Alt+Q', command: 'mute', params: {}, label: 'mute' },
            replace: true,
        },
    });
    await page.reload();
    const before = (await page.request.get('/api/key-sets').then((r) => r.json())).keymap;
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Save as a file' }).click();
    const file = (await (await download).path())!;
    await page.getByRole('button', { name: 'Reset all' }).click();
    await said(page, 'All shortcuts of this set are reset; undo restores them.');
    // A set of its name is there: it takes its place.
    await page.getByLabel('A file of shortcuts').setInputFiles(file);
    await expect(page.getByRole('alertdialog')).toContainText('“On the road” is there already.');
    await page.keyboard.press('r');
    await said(page, '“On the road” was imported, and is in use');
    expect((await page.request.get('/api/key-sets').then((r) => r.json())).keymap).toEqual(before);

    const key = { context: 'roll', keys: 'Q', command: 'quantize', params: {}, label: 'q' };
    for (const [bad, words] of [
        [{ kind: 'keys', name: 'x', keys: [{ ...key, command: 'explode' }] }, 'There is no command'],
        [{ kind: 'keys', name: 'x', keys: [{ ...key, params: { strength: 900 } }] }, '“strength” was 900'],
        [{ kind: 'keys', name: 'x', keys: [key, { ...key, command: 'delete', label: 'd' }] }, 'already'],
    ] as const) {
        await page.getByLabel('A file of shortcuts').setInputFiles({
            name: 'bad.json',
            mimeType: 'application/json',
            buffer: Buffer.from(JSON.stringify(bad)),
        });
        await said(page, words);
        expect((await page.request.get('/api/key-sets').then((r) => r.json())).keymap).toEqual(before);
    }
    await page
        .getByLabel('A file of shortcuts')
        .setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from('{') });
    await said(page, 'bad.json is no set of shortcuts: it is not JSON. Nothing was changed.');
});

test('a recipe of five edits is recorded, kept, and run on another part', async ({ page }) => {
    const song = await fresh(page);
    await press(page, 'Control+a', 'Shift+Period');
    await said(page, /^Recording: 0/);
    await press(page, 'q', 'ArrowUp', 'ArrowUp', 'ArrowUp', 'Control+ArrowUp', 'Control+ArrowRight', 'm');
    await said(page, '8 notes muted.');
    await expect(page.getByTestId('said')).toContainText('Recording: 7');
    await press(page, 'Shift+Period');
    const panel = page.getByRole('dialog', { name: 'New recipe' });
    await expect(panel.getByRole('listitem')).toHaveCount(5);
    await expect(panel).toContainText('2. Transpose: steps 3');
    await page.keyboard.type('Five things');
    await press(page, 'Enter');
    await said(page, '“Five things” is kept.');
    await press(page, 'Escape');

    const other = await bring(page, midi(LOOSE.map(([s, l, p, v]) => [s! + 7, l!, p! - 12, v!])));
    await openRoll(page, other);
    await press(page, 'Control+a', 'Slash');
    await page.keyboard.type('five things');
    await press(page, 'Enter');
    await said(page, '“Five things”: 8 notes, 5 steps. Last: 8 notes muted.');
    const notes = await notesOf(page, other);
    expect(notes.every((n) => n[1]! % 240 === 0 && n[5] === 1)).toBe(true);
    expect(notes[0]!.slice(2, 5)).toEqual([540, 51, 75]);
    await press(page, 'Control+z');
    await said(page, /^Undone: “Five things”/);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    expect(await notesOf(page, song)).toHaveLength(8);
});

test('a click among recorded steps is none of them, whatever the pen takes from it', async ({ page }) => {
    const song = await fresh(page);
    const part = song.tracks[0]!.parts[0]!;
    const set = { set: { lengthFrom: 'touched', velocityFrom: 'touched' }, part: part.id };
    await page.request.post(`/api/songs/${song.id}/edits`, { data: { base: song.revision, do: [set] } });
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'Shift+Period');
    await said(page, /^Recording: 0/);
    const [, start, , pitch] = part.notes[3]!;
    const note = await spot(page, start! + 60, pitch!);
    await page.mouse.click(note.x, note.y);
    await expect(page.getByTestId('settings').getByLabel('Pen velocity')).toHaveValue('73');
    await press(page, 'ArrowUp', 'Shift+Period');
    const panel = page.getByRole('dialog', { name: 'New recipe' });
    await expect(panel.getByRole('listitem')).toHaveCount(1);
    await page.keyboard.type('One up');
    await press(page, 'Enter');
    await said(page, '“One up” is kept.');
    await press(page, 'Escape', 'Control+a', 'Slash');
    await page.keyboard.type('one up');
    await press(page, 'Enter');
    await said(page, '“One up”: 8 notes up a semitone.');
    await page.request.delete('/api/recipes/one-up');
});

test('a recipe that is refused says at which step, and a file with a cycle is not taken', async ({ page }) => {
    const song = await fresh(page);
    const steps = [
        { edit: 'velocity-set', params: { value: 1 } },
        { edit: 'transpose', params: { semitones: 127 } },
    ];
    await page.request.post('/api/recipes', { data: { recipe: { name: 'Too high', steps } } });
    await openRoll(page, song);
    await press(page, 'Control+a', 'Slash');
    await page.keyboard.type('too high');
    await press(page, 'Enter');
    await said(page, '“Too high” was refused at step 2, Transpose:');
    expect((await notesOf(page, song))[0]![4]).toBe(70);
    await press(page, 'Period');
    await page.getByLabel('A file of recipes').setInputFiles({
        name: 'round.json',
        mimeType: 'application/json',
        buffer: Buffer.from(
            JSON.stringify({
                kind: 'recipes',
                recipes: [
                    { name: 'A', steps: [{ recipe: 'b' }] },
                    { name: 'B', steps: [{ recipe: 'a' }] },
                ],
            }),
        ),
    });
    await expect(page.getByRole('alert')).toContainText('A recipe cannot run itself: “A” → “B” → “A”.');
    await page.request.delete('/api/recipes/too-high');
});

test('a recipe is built: conditions joined, steps put in order, switched off, once more; and changed later', async ({
    page,
}) => {
    const song = await fresh(page);
    await press(page, 'Period', 'n');
    const panel = page.getByRole('dialog');
    await page.keyboard.type('Ends up');
    await panel.getByRole('button', { name: 'Only notes' }).click();
    const first = panel.getByRole('group', { name: 'Condition 1' });
    await first.getByLabel('What').selectOption('pitch');
    await first.getByLabel('From').fill('66');
    await expect(panel.getByTestId('matching')).toHaveText('2 notes meet it now.');
    await panel.getByRole('button', { name: 'Another condition' }).click();
    const second = panel.getByRole('group', { name: 'Condition 2' });
    await expect(panel.getByTestId('matching')).toHaveText('0 notes meet it now.');
    await second.getByLabel('Joined by').selectOption('or');
    await second.getByLabel('To').fill('71');
    await expect(panel.getByTestId('matching')).toHaveText('4 notes meet it now.');

    const add = panel.getByLabel('Add a step');
    for (const step of ['delete', 'transp', 'quantize']) {
        await add.fill(step);
        await page.keyboard.press('Enter');
    }
    await panel.getByRole('spinbutton', { name: 'Strength' }).fill('50');
    await panel.getByRole('button', { name: 'Step 3 earlier' }).click();
    await panel.getByRole('button', { name: 'Duplicate step 2' }).click();
    await panel.getByRole('button', { name: 'Remove step 3' }).click();
    // The keys stay in the list of steps.
    await expect(panel.getByRole('button', { name: 'Remove step 3' })).toBeFocused();
    await panel.getByRole('listitem').first().getByTitle('Switch the step off or on').click();
    await expect(panel.getByTestId('landing')).toContainText('“Ends up”: 4 notes quantized to 1/16');
    await add.focus();
    await page.keyboard.press('Enter');
    await said(page, '“Ends up” is kept.');
    const kept = await page.request.get('/api/recipes').then((r) => r.json());
    expect((kept.recipes as unknown[]).at(-1)).toMatchObject({
        name: 'Ends up',
        pick: { or: [{ pitch: { min: 66 } }, { velocity: { max: 71 } }] },
        steps: [
            { edit: 'delete', off: true },
            { edit: 'quantize', params: { strength: 50 } },
            { edit: 'transpose', params: { semitones: 1 } },
        ],
    });
    await press(page, 'Enter');
    await said(page, '“Ends up”: 4 notes quantized to 1/16');
    expect(await notesOf(page, song)).toHaveLength(8);
    expect((await notesOf(page, song)).map((n) => n[3])).toEqual([61, 62, 62, 63, 64, 65, 67, 68]);
    // Changed and deleted, by key.
    await press(page, 'Period');
    await page.getByTestId('recipes').getByRole('row').last().click();
    await press(page, 'e');
    await page.keyboard.type('All ends up');
    await press(page, 'Enter');
    await said(page, '“All ends up” is kept.');
    await press(page, 'Delete');
    const status = page.getByRole('dialog').getByRole('status').first();
    await expect(status).toContainText('“All ends up” is deleted, and its keys are free.');
    await press(page, 'u');
    await expect(status).toContainText('“All ends up” is restored.');
    await press(page, 'Delete');
    await expect(status).toContainText('“All ends up” is deleted');
});

test('the keyboard shows what is free, taken and kept, for the modifiers held', async ({ page }) => {
    await page.goto('/keys');
    const keyboard = page.getByTestId('keyboard');
    const key = (name: string): ReturnType<Page['getByTitle']> => keyboard.getByTitle(name, { exact: true });
    await expect(key('Q: quantize')).toHaveClass(/taken/);
    await expect(key('F7: free')).not.toHaveClass(/taken/);
    await page.keyboard.down('Control');
    await expect(key('Ctrl W: the browser keeps it')).toHaveClass(/kept/);
    await expect(key('Ctrl A: everything')).toHaveClass(/taken/);
    await page.keyboard.up('Control');
    await keyboard.getByRole('button', { name: 'Shift', exact: true }).click();
    await expect(key('Shift Q: quantize as in the panel')).toBeVisible();
    await keyboard.getByRole('button', { name: 'Shift', exact: true }).click();
    await page.getByLabel('Keyboard of').selectOption('songs');
    await expect(key('D: duplicate')).toBeVisible();
    // A click finds what stands on the key.
    await key('D: duplicate').click();
    await expect(page.getByTestId('shortcuts').getByRole('row').first()).toContainText('D');
});

test('the last commands are repeated, and a count goes before a command', async ({ page }) => {
    const song = await fresh(page);
    await press(page, 'Control+a', 'Shift+ArrowUp', 'Control+ArrowUp');
    await said(page, '8 notes louder by 5.');
    await expect(page.getByTestId('key-strip')).toContainText('repeat: Louder by 5');
    await press(page, 'Escape', 'Home', 'd', 'Comma');
    await said(page, '1 note louder by 5.');
    await page.keyboard.down('Shift');
    await expect(page.getByTestId('key-strip')).toContainText('repeat: An octave up');
    await page.keyboard.up('Shift');
    await press(page, 'Shift+Comma');
    await said(page, '1 note up an octave.');
    const [first] = await notesOf(page, song);
    expect(first!.slice(3, 5)).toEqual([84, 80]);

    await press(page, 'k', '1', '2');
    await expect(page.getByTestId('count')).toContainText('12 × the next command');
    await press(page, 'ArrowRight');
    await said(page, '1 note moved 1 grid cell later, 12 times.');
    await expect(page.getByTestId('count')).toBeHidden();
    await expect.poll(async () => (await notesOf(page, song))[0]![1]).toBe(first![1]! + 12 * 240);
    await press(page, 'Control+z');
    await said(page, 'Undone: 1 note moved 1 grid cell later, 12 times.');
    // Esc drops a count; selecting counts too.
    await press(page, 'k', '5', 'Escape');
    await expect(page.getByTestId('count')).toBeHidden();
    await press(page, 'Escape', 'Home', 'd', 'k', '3', 'd');
    await chosen(page, 1);
    await expect(page.getByTestId('numbers')).toContainText('E♭5');
});

test('the strip is for this place and choice, in two sizes or none', async ({ page }) => {
    await fresh(page);
    const strip = page.getByTestId('key-strip');
    await expect(strip).toContainText('caret semitone');
    await expect(strip).not.toContainText('quantize');
    await press(page, 'Control+a');
    await expect(strip).toContainText('quantize');
    await expect(strip).not.toContainText('caret semitone');
    const height = async (): Promise<number> => (await strip.boundingBox())?.height ?? 0;
    const three = await height();
    await press(page, 'F8');
    await expect.poll(height).toBeLessThan(three);
    await press(page, 'F8');
    await expect(strip).toBeHidden();
    await press(page, 'F8');
    await expect.poll(height).toBe(three);
});

test('the pace page tells what was reached by mouse and which key does it, and forgets when asked', async ({
    page,
}) => {
    await fresh(page);
    await page.getByRole('button', { name: 'triplet' }).click();
    await said(page, 'Grid 1/16T.');
    await page.getByRole('button', { name: 'triplet' }).click();
    await press(page, 'Control+a', 'q', 'Slash');
    await page.keyboard.type('key tips');
    await press(page, 'Enter');
    const pace = page.getByTestId('pace');
    await expect(pace).toContainText('3 of 6 commands by key');
    await expect(pace.getByRole('row').filter({ hasText: 'Triplet on, off' })).toContainText('2');
    await expect(pace.getByRole('row').filter({ hasText: 'Triplet on, off' })).toContainText('T');
    await pace.getByRole('button', { name: 'Clear the counts' }).click();
    await expect(pace).toContainText('Nothing has been counted yet.');
    await press(page, 'Escape');
    await expect(page.getByTestId('roll')).toBeVisible();
});

test('the sheet prints on one page or two, and a wheel is a key like others', async ({ page }) => {
    const song = await fresh(page);
    await page.goto('/keys/sheet');
    await expect(page.getByTestId('sheet')).toContainText('In the roll');
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    const pages = pdf.match(/\/Type\s*\/Page\b/g)!.length;
    expect(pages).toBeGreaterThan(0);
    expect(pages).toBeLessThanOrEqual(2);

    await page.goto('/keys');
    await expect(page.getByRole('heading', { name: 'Shortcuts' })).toBeVisible();
    await page.keyboard.type('mute notes');
    await press(page, 'Enter', 'a');
    await page.getByTestId('give-key').hover();
    await page.keyboard.down('Control');
    await page.keyboard.down('Shift');
    await page.mouse.wheel(0, -100);
    await page.keyboard.up('Shift');
    await page.keyboard.up('Control');
    await expect(page.getByTestId('give-key')).toContainText('Ctrl Shift wheel ↑');
    await said(page, 'Ctrl Shift wheel ↑ now runs “mute notes”.');
    await openRoll(page, song);
    await press(page, 'Control+a');
    await page.getByTestId('notes').hover();
    await page.keyboard.down('Control');
    await page.keyboard.down('Shift');
    await page.mouse.wheel(0, -60);
    await page.keyboard.up('Shift');
    await page.keyboard.up('Control');
    await said(page, '8 notes muted.');
});

test('every button does a command, or is part of a form', async ({ page }) => {
    const song = await fresh(page);
    const setup = await page.request.get('/api/setup').then((r) => r.json());
    const known = new Set((setup.commands as { id: string }[]).map((c) => c.id));
    const look = async (): Promise<void> => {
        const buttons = await page.evaluate(() =>
            [...document.querySelectorAll('button')].map((b) => ({
                name: b.getAttribute('aria-label') ?? b.textContent,
                command: b.dataset.command,
                field: b.dataset.field !== undefined,
            })),
        );
        expect(buttons.length).toBeGreaterThan(0);
        for (const b of buttons)
            expect(b.field || known.has(b.command ?? ''), `“${b.name}” does ${b.command}`).toBe(true);
    };
    await look();
    for (const panel of ['Alt+q', 'Alt+r', 'Alt+n', 'Alt+Shift+q', 'Period', 'j', 'Slash']) {
        await press(page, panel);
        await expect(page.getByRole('dialog')).toBeVisible();
        await look();
        await press(page, 'Escape');
        await expect(page.getByRole('dialog')).toBeHidden();
    }
    for (const place of ['/', `/songs/${song.id}`, '/keys', '/keys/sheet', '/pace']) {
        await page.goto(place);
        await expect(page.getByRole('heading').first()).toBeVisible();
        await look();
    }
});

test('digits and signs are reached on French, German and Nordic keyboards', async ({ page }) => {
    // The browser was told of the layout that is printed on the keys, not of the one in use: places decide.
    await page.addInitScript((signs) => {
        const letters = [...'abcdefghijklmnopqrstuvwxyz'].map((l) => [`Key${l.toUpperCase()}`, l]);
        const printed = new Map([...Object.entries(signs), ...letters] as [string, string][]);
        Object.defineProperty(navigator, 'keyboard', { value: { getLayoutMap: () => Promise.resolve(printed) } });
    }, SIGN_OF);
    await fresh(page);
    // AZERTY: the 4 is an apostrophe, the letters stand elsewhere, and M is where the semicolon was.
    await stroke(page, "'", 'Digit4');
    await said(page, 'Grid 1/8.');
    await stroke(page, 'a', 'KeyQ', { ctrlKey: true });
    await chosen(page, 8);
    await stroke(page, 'q', 'KeyA');
    await said(page, /^8 notes quantized to 1\/8/);
    await stroke(page, 'm', 'Semicolon');
    await said(page, '8 notes muted.');
    // QWERTZ: Z and Y have changed places; the comma is where it was.
    await stroke(page, 'ArrowUp', 'ArrowUp');
    await said(page, '8 notes up a semitone.');
    await stroke(page, 'z', 'KeyY', { ctrlKey: true });
    await said(page, 'Undone: 8 notes up a semitone.');
    await stroke(page, ',', 'Comma');
    await said(page, '8 notes up a semitone.');
    // Nordic: the slash is a hyphen, the key left of the 1 a section sign.
    await stroke(page, '-', 'Slash');
    await expect(page.getByRole('dialog', { name: 'All commands' })).toBeVisible();
    await page.keyboard.press('Escape');
    await stroke(page, '§', 'Backquote');
    await said(page, /^Preview/);
});
