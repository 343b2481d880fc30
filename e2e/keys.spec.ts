import { expect, test } from './silent';
import { test as audible } from '@playwright/test';
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
    stroke,
    type SongJson,
} from './support';

let song: SongJson;
test.beforeEach(async ({ page }) => {
    song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
});

test('the strip follows the held modifiers and the first stroke of two', async ({ page }) => {
    const strip = page.getByTestId('key-strip');
    await page.keyboard.press('Control+a');
    await expect(strip).toContainText('semitone');
    await expect(strip).toContainText('quantize');
    // What leads on to a second stroke stands once, whatever it leads to.
    const leading = await strip.locator('.entry', { hasText: '…' }).locator('kbd').allTextContents();
    expect(leading).toContain('N');
    expect(new Set(leading).size).toBe(leading.length);
    await page.keyboard.down('Control');
    await expect(strip).toContainText('louder, softer by 5');
    await expect(strip).not.toContainText('quantize');
    await page.keyboard.down('Shift');
    await expect(strip).toContainText('louder, softer by 10');
    await page.keyboard.up('Shift');
    await page.keyboard.up('Control');
    await page.keyboard.press('n');
    await expect(strip).toContainText('then');
    await expect(strip).toContainText('muted ones');
    await page.keyboard.press('Escape');
    await expect(strip).toContainText('quantize');
    await page.keyboard.press('n');
    await page.keyboard.press('o');
    await said(page, 'Nothing is selected.');
});

test('the strip is for what one works on: points, the curve of a note, a panel, the pen', async ({ page }) => {
    const strip = page.getByTestId('key-strip');
    // What is done to the notes stands before what selects others, however often one selected.
    await press(page, 'd', 'd', 'd', 'd', 'd', 'd', 'Control+a');
    const heads = async (): Promise<string[]> => strip.locator('.font-serif').allTextContents();
    await expect.poll(async () => (await heads()).indexOf('selecting')).toBeGreaterThan(2);
    // What a first stroke leads to is seen whole, over what is above it.
    const line = await page.getByTestId('said').boundingBox();
    await press(page, 'n');
    await expect
        .poll(() => strip.evaluate((el) => [el.scrollHeight - el.clientHeight, el.clientHeight > 60]))
        .toEqual([0, true]);
    // What it leads to with a modifier held is told by its first, and seen while that is held.
    await expect(strip).toContainText('held: only muted ones');
    await expect(strip).not.toContainText('only top notes');
    await page.keyboard.down('Alt');
    await expect(strip).toContainText('only top notes');
    await page.keyboard.up('Alt');
    expect(await page.getByTestId('said').boundingBox()).toEqual(line);
    await press(page, 'Escape');
    // In a lane nothing stands there that is for notes only.
    await press(page, 'Alt+v', 'e');
    await said(page, 'In the lane of');
    await expect(strip).toContainText('a point at the caret');
    await expect(strip).toContainText('caret value');
    await expect(strip).not.toContainText('legato');
    await press(page, 'Escape', 'Escape');
    await page.keyboard.press('Control+a');
    await expect(strip).toContainText('legato');
    // A panel says what its keys are; none stands there that it does not let through.
    await press(page, 'Alt+q');
    await expect(strip).toContainText('apply, and stay here');
    await expect(strip).toContainText('next field');
    await expect(strip).not.toContainText('legato');
    await press(page, 'Escape');
    await expect(strip).toContainText('legato');
    await expect(strip).not.toContainText('next field');
    await press(page, "'");
    await expect(strip).toContainText('puts it down');
    await press(page, 'Escape');
    await expect(strip).not.toContainText('puts it down');
});

test('the arrows have a grammar: sixteen commands', async ({ page }) => {
    await page.keyboard.press('Control+a');
    await page.keyboard.press('q');
    const expected: [string, string][] = [
        ['ArrowUp', 'up a semitone.'],
        ['ArrowDown', 'down a semitone.'],
        ['Shift+ArrowUp', 'up an octave.'],
        ['Shift+ArrowDown', 'down an octave.'],
        ['ArrowRight', 'moved 1 grid cell later.'],
        ['ArrowLeft', 'moved 1 grid cell earlier.'],
        ['Shift+ArrowRight', 'moved 1 bar later.'],
        ['Shift+ArrowLeft', 'moved 1 bar earlier.'],
        ['Alt+ArrowRight', 'moved 5 ms later.'],
        ['Alt+ArrowLeft', 'moved 5 ms earlier.'],
        ['Control+ArrowUp', 'louder by 5.'],
        ['Control+ArrowDown', 'softer by 5.'],
        ['Control+Shift+ArrowUp', 'louder by 10.'],
        ['Control+Alt+ArrowDown', 'softer by 1.'],
        ['Control+ArrowRight', 'longer by 1 grid cell.'],
        ['Control+ArrowLeft', 'shorter by 1 grid cell.'],
        ['Control+Shift+ArrowRight', 'longer by 1/4.'],
        ['Control+Alt+ArrowRight', 'longer by 5 ms.'],
    ];
    for (const [key, sentence] of expected) {
        await page.keyboard.press(key);
        await said(page, `8 notes ${sentence}`);
    }
});

test('grid, triplet, dotted: by key, by the part, shown, kept', async ({ page }) => {
    const grid = page.getByTestId('settings').getByLabel('Grid');
    await page.keyboard.press('4');
    await said(page, 'Grid 1/8.');
    await expect(grid).toHaveValue('1/8');
    await page.keyboard.press('t');
    await said(page, 'Grid 1/8T.');
    await expect(page.getByRole('button', { name: 'triplet' })).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Control+a');
    await page.keyboard.press('q');
    await said(page, /8 notes quantized to 1\/8T/);
    expect((await notesOf(page, song)).every((n) => n[1]! % 320 === 0)).toBe(true);
    await page.keyboard.press('Shift+T');
    await said(page, 'Grid 1/8D.');
    await page.reload();
    await expect(grid).toHaveValue('1/8');
    await expect(page.getByRole('button', { name: 'dotted' })).toHaveAttribute('aria-pressed', 'true');
    // By hand: a number out of range is not taken and says why.
    const strength = page.getByTestId('settings').getByLabel('Strength');
    await strength.fill('50');
    await strength.press('Enter');
    await said(page, 'Strength 50 %.');
    await strength.fill('500');
    await strength.press('Enter');
    await said(page, 'Between 0 and 100: 500 was not taken.');
    await expect(strength).toHaveValue('50');
    expect((await fetchSong(page, song.id)).tracks[0]!.parts[0]!.settings.strength).toBe(50);
});

test('typing into a field runs no commands', async ({ page }) => {
    await page.keyboard.press('Control+a');
    const velocity = page.getByTestId('settings').getByLabel('Pen velocity');
    await velocity.focus();
    await page.keyboard.press('Delete');
    await page.keyboard.type('5');
    await page.keyboard.press('Escape');
    await page.waitForTimeout(150);
    expect(await notesOf(page, song)).toHaveLength(8);
    await expect(page.getByTestId('roll')).toBeFocused();
});

test('what cannot be done is refused whole and says why', async ({ page }) => {
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Shift+ArrowLeft');
    await said(page, 'would start before the song: nothing moved.');
    await expect(page.getByLabel('Error:')).toBeVisible();
    expect((await notesOf(page, song)).map((n) => n[1])).toEqual(song.tracks[0]!.parts[0]!.notes.map((n) => n[1]));
    await page.keyboard.press('Escape');
    await page.keyboard.press('q');
    await said(page, 'No notes are selected: nothing changed.');
});

test('warnings stand beside the sentence', async ({ page }) => {
    await page.keyboard.press('Control+a');
    await page.keyboard.press('1');
    await page.keyboard.press('q');
    await said(page, /^8 notes quantized to 1\/1/);
    for (let i = 0; i < 11; i++) await page.keyboard.press('Control+ArrowUp');
    await said(page, '5 notes clipped at 127, the rest carried.');
});

test('the steps are a list to walk by key', async ({ page }) => {
    await page.keyboard.press('Control+a');
    for (const key of ['q', 'ArrowUp', 'ArrowUp']) await page.keyboard.press(key);
    await said(page, '8 notes up a semitone.');
    await page.keyboard.press('j');
    const panel = page.getByRole('dialog', { name: 'History' });
    await expect(panel.getByRole('button', { name: /up a semitone/ })).toHaveCount(2);
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Enter');
    await said(page, '1 step taken, at: 8 notes up a semitone.');
    expect((await notesOf(page, song))[0]![3]).toBe(61);
    await page.keyboard.press('Escape');
    await expect(panel).toBeHidden();
    await expect(page.getByTestId('roll')).toBeFocused();
});

test('keys follow the layout: letters by letter, digits by place', async ({ page }) => {
    // A French keyboard: A where Q is, and digits under Shift.
    await stroke(page, 'a', 'KeyQ', { ctrlKey: true });
    await chosen(page, 8);
    await stroke(page, 'è', 'Digit7');
    await said(page, 'Grid 1/64.');
    // A Russian one: the letter is none of ours, so its place counts.
    await stroke(page, 'й', 'KeyQ');
    await said(page, /^8 notes quantized to 1\/64/);
});

test('light and dark are one key apart, and kept', async ({ page }) => {
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'paper');
    await page.keyboard.press('F9');
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
    await page.reload();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
});

audible('the line says each time what was done, also the same again, and nothing overwrites it', async ({ page }) => {
    await openRoll(page, await bring(page, midi(LOOSE)));
    await press(page, 'Control+a');
    await said(page, '8 notes selected.');
    await press(page, 'Escape');
    await said(page, 'Nothing is selected.');
    // The same sentence again is another change to whoever listens.
    const line = page.getByTestId('said');
    const before = await line.textContent();
    await press(page, 'Escape');
    await expect.poll(() => line.textContent()).not.toBe(before);
    await said(page, 'Nothing is selected.');
    await press(page, 'b');
    await said(page, 'Notes are not heard when touched.');
    await press(page, 'l');
    await said(page, 'The span loops.');
    await press(page, 'v');
    await said(page, 'The velocity lane is hidden.');
    await press(page, ';');
    await said(page, /^C4 at 1\.1\.1 inserted\.$/);
    await press(page, 'Space');
    await said(page, /^Playing from \d+\.\d+\.\d+(\.\d+)?\.$/);
    await press(page, 'Space');
    await said(page, /^Stopped at \d+\.\d+\.\d+(\.\d+)?\.$/);
});

test('what a key opened it closes: panels, the list of commands, the guide; the guide leaves what is selected', async ({
    page,
}) => {
    await press(page, 'Control+a', 'Shift+ArrowUp');
    const panels = [
        'j',
        '.',
        'Shift+n',
        'Alt+q',
        'Alt+l',
        'Alt+;',
        'Alt+r',
        'Alt+h s',
        'Alt+s c',
        'Shift+v s',
        'Alt+Shift+t',
    ];
    for (const keys of panels) {
        for (const shown of [1, 0]) {
            await press(page, ...keys.split(' '));
            await expect(page.getByRole('dialog'), keys).toHaveCount(shown);
        }
    }
    await press(page, 'Control+a');
    const kept = await caret(page);
    await press(page, 'F1');
    await expect(page.getByTestId('guide')).toBeVisible();
    await press(page, 'F1');
    await expect(page.getByTestId('roll')).toBeVisible();
    await chosen(page, 8);
    expect(await caret(page)).toEqual(kept);
    await press(page, 'F2', 'F2');
    await chosen(page, 8);
});

test('a field that gets the keys has its old value selected: what is typed takes its place', async ({ page }) => {
    const whole = (): Promise<boolean> =>
        page.evaluate(() => window.getSelection()?.toString() === (document.activeElement as HTMLInputElement).value);
    // Numbers and names in panels, and the fields below and above the roll.
    for (const keys of ['Alt+n', 'Alt+;', 'Alt+Shift+t', 'Alt+Shift+l', 'Alt+s t', 'Alt+Backslash']) {
        await press(page, ...keys.split(' '));
        const fields = page.getByRole('dialog').locator('input[type=number], input[type=text]');
        await expect(fields.first(), keys).toBeVisible();
        for (const field of await fields.all()) {
            if (!(await field.isVisible()) || !(await field.isEnabled())) continue;
            await field.focus();
            expect(await whole(), keys).toBe(true);
        }
        await press(page, 'Escape');
    }
    for (const name of ['Strength', 'Swing', 'Tempo']) {
        await page
            .getByLabel(new RegExp(`^${name}`))
            .first()
            .focus();
        expect(await whole(), name).toBe(true);
    }
});
