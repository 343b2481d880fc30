import { expect, test, type Page } from './silent';
import { bring, chosen, midi, openRoll, press } from './support';

/** Three hundred notes, each a little off the grid. */
const MANY = Array.from({ length: 300 }, (_, i) => [
    i * 24 + ((i * 7) % 11),
    10 + ((i * 5) % 30),
    40 + ((i * 7) % 40),
    40 + ((i * 13) % 60),
]);

const KEYS = [
    'ArrowUp', 'ArrowRight', 'Alt+ArrowRight', 'Shift+ArrowDown', 'q', 'Control+ArrowUp', 'Control+Shift+ArrowUp', 'p', 'Control+ArrowRight',
    'm', 'Control+z', 'Control+Shift+z', 'ArrowLeft', 'f', '3', 'q', 'Control+Alt+ArrowRight', 'm', 'Control+z', 'Control+z', 'Control+Shift+z', 'Alt+ArrowLeft',
    'Control+Shift+ArrowDown', 'Control+d', 'ArrowUp', 'Control+z', 'Alt+ArrowUp', 'Control+ArrowLeft', 'p',
]; // prettier-ignore

/** All canvases of the roll but the ruler, which shows the caret, as they are drawn: the notes, the velocities, the lanes. */
function seen(page: Page): Promise<string[]> {
    return page.evaluate(async () => {
        const sums = [];
        for (const canvas of document.querySelectorAll<HTMLCanvasElement>(
            '[data-testid=roll] canvas:not([data-testid=ruler] *)',
        )) {
            const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
            const sum = new Uint8Array(await crypto.subtle.digest('SHA-256', data));
            sums.push([...sum.slice(0, 6)].map((b) => b.toString(16)).join(''));
        }
        return sums;
    });
}

async function rested(page: Page): Promise<void> {
    await expect(page.getByLabel('Everything is saved')).toHaveCount(1, { timeout: 20_000 });
    await page.waitForTimeout(150);
}

test('what many edits of many notes and points leave on screen is what is drawn when the part is opened anew', async ({
    page,
}) => {
    test.slow();
    const song = await bring(page, midi(MANY, 'Piano', 0), 'Many.mid');
    await openRoll(page, song);
    await press(page, 'Control+a');
    await chosen(page, 300);
    for (const [i, key] of KEYS.entries()) {
        await press(page, key);
        // Some travel together, some alone.
        if (i % 3 === 0) await rested(page);
    }
    // A lane with points under it all, raised, moved, brought back.
    await press(page, 'Escape', 'Home', ...Array.from({ length: 8 }, () => 'Control+Shift+ArrowRight'), 'Alt+v', 'w');
    await rested(page);
    await press(
        page,
        'v',
        'Control+a',
        'ArrowUp',
        'Shift+ArrowUp',
        'ArrowRight',
        'Control+z',
        'Control+Shift+z',
        'Shift+ArrowDown',
    );
    await rested(page);
    await press(page, 'Escape', 'Escape', 'e');
    await rested(page);
    const left = await seen(page);
    expect(new Set(left).size, 'there is something to compare').toBeGreaterThan(3);
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'e');
    await rested(page);
    expect(await seen(page)).toEqual(left);
});
