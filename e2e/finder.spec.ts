import { expect, test } from '@playwright/test';
import { bring, caret, chosen, LOOSE, midi, notesOf, openRoll, press, said } from './support';

test('a command typed with its value: its landing while typing, Enter does it; examples where nothing is typed', async ({
    page,
}) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    await press(page, 'Control+a', '/');
    const field = page.getByLabel('Find a command by any word');
    await expect(page.getByTestId('examples')).toContainText('transpose -7');
    await field.fill('transpose -7');
    await expect(page.getByTestId('commands').getByRole('option').first()).toContainText('A fifth down');
    await expect(page.getByTestId('landing')).toContainText('8 notes');
    const before = await notesOf(page, song);
    await press(page, 'Enter');
    await said(page, '8 notes');
    await expect.poll(async () => (await notesOf(page, song)).map((n) => n[3])).toEqual(before.map((n) => n[3]! - 7));
    // What can be read in two ways gives both.
    await press(page, '/');
    await field.fill('velocity 72');
    await expect(page.getByTestId('commands').getByRole('option').nth(0)).toContainText('Set velocity');
    await expect(page.getByTestId('commands').getByRole('option').nth(1)).toContainText('Louder or softer');
    await press(page, 'Enter');
    await expect.poll(async () => new Set((await notesOf(page, song)).map((n) => n[4]))).toEqual(new Set([72]));
    // A place.
    await press(page, '/');
    await field.fill('go 2.3');
    await press(page, 'Enter');
    await said(page, /^Caret at 2\.3\.1/);
    expect(Math.abs((await caret(page))[0] - 3840 - 1920)).toBeLessThan(3);
    // What means nothing says where it stopped.
    await press(page, '/');
    await field.fill('transpose banana');
    await expect(page.getByRole('dialog')).toContainText('“banana” is nothing that “Transpose” takes.');
    await press(page, 'Escape');
});

test('an edit stands once in the list, with its settings and as last set as ways to run it; Shift Enter notes a step', async ({
    page,
}) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    await press(page, 'Control+a');
    await chosen(page, 8);
    await press(page, '/');
    const field = page.getByLabel('Find a command by any word');
    await field.fill('humanize');
    const first = page.getByTestId('commands').getByRole('option').first();
    await expect(first).toContainText('Humanize');
    await expect(first).not.toContainText('needs notes chosen');
    await expect(first.getByRole('button', { name: 'settings' })).toBeVisible();
    await expect(first.getByRole('button', { name: 'as last set' })).toBeVisible();
    await expect(page.getByTestId('commands').getByRole('option').filter({ hasText: 'Humanize' })).toHaveCount(1);
    await field.fill('velocity +9');
    await expect(page.getByTestId('commands').getByRole('option').first()).toContainText('Louder or softer: amount 9');
    await press(page, 'Shift+Enter');
    await expect(page.getByRole('dialog').getByRole('status').first()).toContainText(
        'step 1 of the recipe being recorded',
    );
    // Nothing was done to the notes.
    expect((await notesOf(page, song)).map((n) => n[4])).toEqual(LOOSE.map((n) => n[3]));
    await press(page, 'Escape');
});
