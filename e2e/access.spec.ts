import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { bring, LOOSE, midi, openRoll, press } from './support';

/** What is wrong with a page for those who do not see it or use no mouse: rule, and where. */
async function wrong(page: Page): Promise<string[]> {
    const { violations } = await new AxeBuilder({ page })
        // Of nine hundred rows that are alike, the first are enough.
        .exclude('[data-testid=shortcuts] [role=row]:nth-child(n + 25)')
        .analyze();
    return violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}`));
}

for (const theme of ['light', 'dark'])
    test(`axe finds nothing on any view, in the ${theme} theme`, async ({ page }) => {
        test.slow();
        await page.addInitScript((t) => localStorage.setItem('jactonic.theme', t), theme);
        const song = await bring(page, midi(LOOSE, 'Piano', 0));
        const found: string[] = [];
        const look = async (name: string): Promise<void> => {
            found.push(...(await wrong(page)).map((w) => `${name}: ${w}`));
        };
        await page.goto('/');
        await expect(page.getByTestId('songs')).toBeVisible();
        await look('songs');
        await page.goto(`/songs/${song.id}`);
        await expect(page.getByTestId('staves')).toHaveAttribute('data-drawn', /^\d/);
        await look('song');
        await openRoll(page, song);
        await press(page, 'Control+a');
        await look('roll');
        for (const [name, keys] of [
            ['finder', ['/']],
            ['quantize', ['Alt+q']],
            ['recipes', ['.']],
            ['steps', ['j']],
            ['lanes', ['Alt+v', 'v']],
            ['sound', ['Alt+w', 't']],
            ['articulations', ['Alt+a', 't']],
            ['shelf', ['Alt+w', 'f']],
        ] as const) {
            await press(page, ...keys);
            await expect(page.getByRole('dialog').or(page.getByTestId('steps'))).toBeVisible();
            await look(name);
            await press(page, 'Escape');
        }
        for (const place of ['/keys', '/keys/sheet', '/pace', '/guide']) {
            await page.goto(place);
            await expect(page.locator('main')).toBeVisible();
            await page.waitForTimeout(300);
            await look(place);
        }
        expect(found).toEqual([]);
    });
