import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from './silent';
import { bring, LOOSE, midi, openRoll, press } from './support';

/** What is wrong with a page for those who do not see it or use no mouse: rule, and where. */
async function wrong(page: Page, ...rules: string[]): Promise<string[]> {
    const axe = new AxeBuilder({ page })
        // Of nine hundred rows that are alike, the first are enough.
        .exclude('[data-testid=shortcuts] [role=row]:nth-child(n + 25)')
        // There are no frames: what looks into them takes most of the time.
        .setLegacyMode(true);
    const { violations } = await (rules.length > 0 ? axe.withRules(rules) : axe).analyze();
    return violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}`));
}

test('axe finds nothing on any view, nor in the contrasts of the other theme', async ({ page }) => {
    test.slow();
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await page.addInitScript(() => localStorage.setItem('jactonic.theme', 'paper'));
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    const found: string[] = [];
    // What changes its colour by and by has changed it a frame later.
    const wear = (name: string): Promise<void> =>
        page.evaluate(async (name) => {
            document.documentElement.dataset.theme = name;
            for (let i = 0; i < 2; i++) await new Promise((done) => requestAnimationFrame(done));
        }, name);
    const look = async (name: string): Promise<void> => {
        found.push(...(await wrong(page)).map((w) => `${name}: ${w}`));
        // The theme changes colours alone.
        await wear('night');
        found.push(...(await wrong(page, 'color-contrast')).map((w) => `${name} at night: ${w}`));
        await wear('paper');
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

test('at twice the size nothing is lost: all of the line above, names of songs and shortcuts, notes; panels take the page', async ({
    page,
}) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0), 'Twice the size.mid');
    await page.setViewportSize({ width: 640, height: 400 });
    await openRoll(page, song);
    const banner = page.getByRole('banner');
    for (const name of ['Play', 'Loop', 'Record', 'Metronome', 'Recording settings', 'Inputs', 'Undo', 'History'])
        await expect(banner.getByRole('button', { name, exact: true })).toBeInViewport({ ratio: 1 });
    await expect(banner.getByLabel('Tempo, BPM')).toBeInViewport({ ratio: 1 });
    await expect(banner.getByTestId('part-name')).toBeInViewport({ ratio: 1 });
    const cut = (testid: string): Promise<boolean> =>
        page.getByTestId(testid).evaluate((e) => e.scrollWidth > e.clientWidth + 1);
    expect(await cut('part-name')).toBe(false);
    // With three lanes, half of the room is still the notes'.
    await press(page, 'Alt+v', '5');
    const room = (await page.getByTestId('roll').boundingBox())!;
    const notes = (await page.getByTestId('notes').boundingBox())!;
    expect(notes.height).toBeGreaterThan(room.height / 4);
    await press(page, 'Escape', 'Alt+q');
    expect((await page.getByRole('dialog').boundingBox())!.width).toBe(640);
    await page.goto('/keys');
    const row = page.getByTestId('shortcuts').getByRole('row').first();
    await expect(row.getByRole('gridcell').nth(1)).toHaveText(/semitone up/);
    expect(
        await row
            .getByRole('gridcell')
            .nth(1)
            .evaluate((e) => e.clientWidth),
    ).toBeGreaterThan(150);
    await page.goto('/');
    const name = page.getByRole('link', { name: 'Twice the size' }).first();
    expect(await name.evaluate((e) => e.scrollWidth <= e.clientWidth + 1)).toBe(true);
});

test('at 1024 wide the settings are all in sight', async ({ page }) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    for (const width of [1024, 1280, 1920]) {
        await page.setViewportSize({ width, height: 768 });
        expect(
            await page
                .getByTestId('settings')
                .evaluate((e) => [e.scrollWidth > e.clientWidth, e.scrollHeight > e.clientHeight]),
        ).toEqual([false, false]);
    }
});

test('where the line is short what was done is cut before what is to be minded', async ({ page }) => {
    // Two notes of a pitch in one quarter: on that grid they come to lie on one another.
    const close = Array.from({ length: 16 }, (_, i) => [(i >> 1) * 96 + (i & 1) * 20, 10, 60, 80]);
    const song = await bring(page, midi(close, 'Piano', 0), 'Close.mid');
    await page.setViewportSize({ width: 900, height: 700 });
    await openRoll(page, song);
    await press(page, '3', 'Control+a', 'q');
    const said = page.getByTestId('said').locator('> span');
    await expect(said).toContainText([
        /^16 notes quantized to 1\/4: /,
        '8 notes now double others (same pitch, same start); all are kept.',
    ]);
    const cut = (e: Element): boolean => e.scrollWidth > e.clientWidth;
    expect([await said.nth(0).evaluate(cut), await said.nth(1).evaluate(cut)]).toEqual([true, false]);
});

test('in forced colours the paper is theirs, notes can be told from it, and what is on is marked', async ({ page }) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await page.emulateMedia({ forcedColors: 'active' });
    await openRoll(page, song);
    await press(page, 'Control+a');
    const seen = await page.evaluate(() => {
        const canvas = (part: string): CanvasRenderingContext2D =>
            [...document.querySelectorAll<HTMLCanvasElement>(`[data-testid=${part}] canvas`)][0]!.getContext('2d')!;
        const probe = document.createElement('i');
        probe.style.cssText = 'forced-color-adjust: none; background: Canvas';
        document.body.append(probe);
        const theirs = getComputedStyle(probe).backgroundColor.match(/\d+/g)!.slice(0, 3).map(Number);
        const grid = canvas('notes');
        const pixels = grid.getImageData(0, 0, grid.canvas.width, grid.canvas.height).data;
        let paper = 0;
        for (let i = 0; i < pixels.length; i += 4) if (theirs.every((c, k) => pixels[i + k] === c)) paper++;
        const notes = [...document.querySelectorAll<HTMLCanvasElement>('[data-testid=notes] canvas')][2]!;
        const drawn = notes.getContext('2d')!.getImageData(0, 0, notes.width, notes.height).data;
        let dark = 0;
        for (let i = 0; i < drawn.length; i += 4)
            if (drawn[i + 3]! > 200 && theirs.some((c, k) => Math.abs(drawn[i + k]! - c) > 60)) dark++;
        return { paper: (paper * 4) / pixels.length, dark };
    });
    expect(seen.paper).toBeGreaterThan(0.3);
    expect(seen.dark).toBeGreaterThan(300);
    const pressed = page.getByTestId('settings').locator('[aria-pressed=true]').first();
    expect(await pressed.evaluate((e) => getComputedStyle(e).outlineStyle)).toBe('solid');
});

test('an icon that the keys come to says what it means', async ({ page }) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    const words = (name: string): Promise<string> =>
        page.getByRole('button', { name, exact: true }).evaluate((e) => getComputedStyle(e, '::after').content);
    expect(await words('Loop')).toBe('none');
    await page.getByRole('button', { name: 'Play', exact: true }).focus();
    await press(page, 'Tab');
    await expect(page.getByRole('button', { name: 'Loop', exact: true })).toBeFocused();
    expect(await words('Loop')).toBe('"Loop (L)"');
});
