import { expect, test } from './silent';
import { bring, fetchSong, LOOSE, midi, said } from './support';

test('a song is renamed, duplicated, deleted and brought back by key', async ({ page }) => {
    const name = `Harbour ${Date.now()}`;
    const song = await bring(page, midi(LOOSE), `${name}.mid`);
    await page.goto('/');
    const current = page.locator('tr[aria-current]');
    const go = async (to: string): Promise<void> => {
        await expect(page.getByTestId('songs')).toContainText(to);
        await page.keyboard.press('ArrowUp');
        for (let i = 0; i < 60 && !(await current.textContent())!.includes(to); i++)
            await page.keyboard.press('ArrowDown');
        await expect(current).toContainText(to);
    };
    await go(name);
    await page.keyboard.press('Shift+F2');
    await page.keyboard.type(`${name} at night`);
    await page.keyboard.press('Enter');
    await said(page, `${name} is now ${name} at night.`);
    await go(`${name} at night`);
    await page.keyboard.press('d');
    await said(page, `was duplicated as ${name} at night (copy).`);
    await expect(current).toContainText('(copy)');
    await page.keyboard.press('Delete');
    await said(page, `${name} at night (copy) was deleted. Ctrl Z restores it.`);
    await expect(page.getByTestId('songs')).not.toContainText(`${name} at night (copy)`);
    await page.keyboard.press('Control+z');
    await said(page, `${name} at night (copy) is restored.`);
    await expect(page.getByTestId('songs')).toContainText(`${name} at night (copy)`);
    expect((await fetchSong(page, song.id)).name).toBe(`${name} at night`);
});

test('the tracks and parts of a song are walked by key and a part opens', async ({ page }) => {
    await page.goto('/songs/1');
    const focused = page.locator('[data-chosen=true]');
    await expect(focused).toBeFocused();
    await expect(focused).toHaveAttribute('aria-label', /^Piano, quay/);
    await page.keyboard.press('d');
    await expect(focused).toHaveAttribute('aria-label', /^Piano, water/);
    await page.keyboard.press('s');
    await expect(focused).toHaveAttribute('aria-label', /^Bass, water/);
    for (let i = 0; i < 5; i++) await page.keyboard.press('s');
    await expect(focused).toHaveAttribute('aria-label', /^Pad, water/);
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('part-name')).toHaveText('Pad, water');
    await page.keyboard.press('o');
    await expect(focused).toHaveAttribute('aria-label', /^Pad, water/);
    // Esc lets go of what is selected before it leaves.
    await page.keyboard.press('Escape');
    await said(page, 'Nothing is selected');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
});

test('an address that leads nowhere says so and shows the way', async ({ page }) => {
    await page.goto('/songs/999999');
    await expect(page.getByText('it may have been deleted')).toBeVisible();
    await page.getByRole('link', { name: 'All songs', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
    expect((await page.goto('/no/such/page'))?.status()).toBe(404);
    await said(page, 'There is no page “/no/such/page”. These are all songs.');
    await expect(page.getByRole('heading', { name: 'Songs' })).toBeVisible();
    await page.goto('/songs/1/parts/999999');
    await page.getByRole('link', { name: /The parts of/ }).click();
    await expect(page.getByTestId('part').first()).toBeVisible();
});

test('nothing is asked of any other host, and the policy lets the page work', async ({ page }) => {
    const foreign: string[] = [];
    const refused: string[] = [];
    page.on(
        'request',
        (r) =>
            !r.url().startsWith(new URL(page.url() === 'about:blank' ? r.url() : page.url()).origin) &&
            !/^(data|blob):/.test(r.url()) &&
            foreign.push(r.url()),
    );
    page.on('console', (m) => m.type() === 'error' && refused.push(m.text()));
    await page.goto('/songs/1');
    await expect(page.locator('[data-chosen=true]')).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await page.keyboard.press('d');
    await page.waitForTimeout(1500);
    expect([foreign, refused]).toEqual([[], []]);
});
