import { expect, test } from './silent';
import { bring, caret, chosen, LOOSE, midi, notesOf, openRoll, press, said, spot } from './support';

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
    await expect(page.getByTestId('commands').getByRole('option').nth(1)).toContainText('Velocity up or down');
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
    await expect(page.getByRole('dialog')).toContainText('“Transpose” cannot use “banana”.');
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
    await expect(first).not.toContainText('needs notes selected');
    await expect(page.getByTestId('commands').getByRole('button', { name: 'settings' })).toBeVisible();
    await expect(page.getByTestId('commands').getByRole('button', { name: 'as last set' })).toBeVisible();
    await expect(
        page
            .getByTestId('commands')
            .getByRole('option')
            .filter({ hasText: /^\s*Humanize…/ }),
    ).toHaveCount(1);
    await field.fill('velocity +9');
    await expect(page.getByTestId('commands').getByRole('option').first()).toContainText(
        'Velocity up or down: amount 9',
    );
    await press(page, 'Shift+Enter');
    await expect(page.getByRole('dialog').getByRole('status').first()).toContainText(
        'step 1 of the recipe being recorded',
    );
    // Nothing was done to the notes.
    expect((await notesOf(page, song)).map((n) => n[4])).toEqual(LOOSE.map((n) => n[3]));
    await press(page, 'Escape');
});

test('the guide, by F1 and from the finder: each key in it is one that ships, and is shown as the person has set it', async ({
    page,
}) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    await press(page, 'F1');
    const guide = page.getByTestId('guide');
    await expect(guide.getByRole('heading', { name: 'On the grid' })).toBeVisible();
    await expect(guide.getByRole('row', { name: /read the grid out of the playing/ })).toContainText('Alt R');
    // What stands in a column of keys and is no typed text leads to a command.
    const lost = await guide.evaluate((el) =>
        [...el.querySelectorAll('td:last-child code:not(.key)')].map((c) => c.textContent),
    );
    expect(lost).toEqual([]);
    expect(await guide.locator('.key').count()).toBeGreaterThan(150);
    // Each mark and each job is drawn: none of its pictures is of one colour only, but for the empty part.
    const pictures = await guide.evaluate((el) =>
        [...el.querySelectorAll('canvas')].map(
            (c) => new Set(new Uint32Array(c.getContext('2d')!.getImageData(0, 0, c.width, c.height).data.buffer)).size,
        ),
    );
    expect(pictures).toHaveLength(13 + 2 * 12);
    expect(Math.min(...pictures)).toBeGreaterThan(3);
    await press(page, 'Escape');
    await expect(page.getByTestId('roll')).toBeVisible();
    await press(page, 'Shift+F1');
    await expect(guide.getByRole('heading', { name: 'Marks' })).toBeInViewport();
    await press(page, 'Escape', '/');
    await page.getByLabel('Find a command by any word').fill('help');
    await press(page, 'Enter');
    await expect(guide).toBeVisible();
});

test('getting started: its ten keys by keyboard, and the same by mouse', async ({ page }) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    await press(page, 'Control+F1');
    const start = page.getByTestId('guide');
    await expect(start.getByRole('heading', { name: 'Getting started' })).toBeVisible();
    expect(await start.evaluate((el) => [...el.querySelectorAll('code:not(.key)')].map((c) => c.textContent))).toEqual(
        [],
    );
    await start.getByRole('link', { name: 'guide' }).click();
    await expect(start.getByRole('heading', { name: 'On the grid' })).toBeVisible();
    await page.goto('/');
    await page.getByRole('link', { name: 'Getting started' }).click();
    await expect(start.getByRole('heading', { name: 'Getting started' })).toBeVisible();

    // By keyboard: the song that came last is the first of the list.
    await page.goto('/');
    await expect(page.getByRole('row').nth(1)).toContainText(song.name);
    await press(page, 'Enter');
    await expect(page.getByTestId('staves')).toBeVisible();
    await press(page, 'Enter');
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'Control+a', 'q');
    await said(page, '8 notes quantized');
    await press(page, 'p');
    await said(page, 'played');
    await press(page, 'd', 'ArrowUp');
    await said(page, '1 note up a semitone');
    await press(page, 'Control+ArrowUp');
    await said(page, '1 note louder by 5');
    await press(page, 'Control+z', 'Control+z');
    await press(page, '/');
    await expect(page.getByLabel('Find a command by any word')).toBeFocused();
    await press(page, 'Escape');
    expect(await notesOf(page, song)).toHaveLength(8);

    // By mouse.
    await page.goto('/');
    await page.getByRole('row').nth(1).getByRole('link', { name: song.name }).click();
    await page.getByTestId('part').first().dblclick();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    const [, left, scale, top, row] = (await page.getByTestId('roll').getAttribute('data-drawn'))!.split(' ').map(Number) as [number, number, number, number, number]; // prettier-ignore
    const box = (await page.getByTestId('notes').boundingBox())!;
    const [, at, length, pitch] = (await notesOf(page, song))[2]! as [number, number, number, number];
    const [x, y] = [box.x + (at + length / 2 - left) * scale, box.y + (top - pitch + 0.5) * row];
    await page.mouse.click(x, y, { button: 'right' });
    await page
        .getByRole('menuitem', { name: /^quantize Q$/i })
        .first()
        .click();
    await said(page, 'quantized');
    await page.getByRole('button', { name: 'Undo' }).click();
    await said(page, 'ndone');
    await page.mouse.click(x, y);
    await expect(page.getByTestId('chosen')).toContainText('1 of 8');
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y - row, { steps: 4 });
    await page.mouse.up();
    await said(page, 'semitone');
});

test('a page that comes while one types does not take the keys from the finder', async ({ page }) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    // The roll’s own script is late.
    await page.route(/RollPage-.*\.js/, async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 1500));
        await route.continue();
    });
    await page.goto(`/songs/${song.id}/parts/${song.tracks[0]!.parts[0]!.id}`);
    await expect(page.getByTestId('part-name')).toBeVisible();
    await press(page, '/');
    const field = page.getByLabel('Find a command by any word');
    await expect(field).toBeFocused();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await expect(field).toBeFocused();
});

test('what can be done with a note, a place or the ruler is on the second button, with its keys, walked by arrows and letters', async ({
    page,
}) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    const note = await spot(page, 150, 60);
    await page.mouse.click(note.x, note.y, { button: 'right' });
    const menu = page.getByTestId('menu');
    await chosen(page, 1);
    await expect(menu.getByRole('menuitem', { name: /^Quantize Q/i })).toBeVisible();
    await page.keyboard.press('m');
    await expect(page.locator(':focus')).toContainText(/^m/i);
    await page.keyboard.press('Enter');
    await expect(menu).toBeHidden();
    await said(page, '1 note');
    const empty = await spot(page, 3000, 62);
    await page.mouse.click(empty.x, empty.y, { button: 'right' });
    await expect(menu.getByRole('menuitem', { name: /paste at the caret/i })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByTestId('ruler').click({ button: 'right', position: { x: 200, y: 12 } });
    await expect(menu.getByRole('menuitem', { name: /span/i }).first()).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(menu).toBeHidden();
});

test('the strip keeps what is always at hand in sight at 1024, 1280 and 1920 wide; panels end above the lines', async ({
    page,
}) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    await press(page, 'Control+a');
    for (const width of [1024, 1280, 1920]) {
        await page.setViewportSize({ width, height: 800 });
        const always = (await page.getByTestId('always').boundingBox())!;
        expect(always.x + always.width).toBeLessThanOrEqual(width);
        for (const words of ['play, stop', 'loop', 'history', 'all commands', 'guide', 'shortcuts'])
            await expect(page.getByTestId('always')).toContainText(words);
        // Nothing in it is cut off at its side: an entry is seen whole, or not at all.
        const cut = await page.getByTestId('key-strip').evaluate((el) => {
            const box = el.firstElementChild!.getBoundingClientRect();
            return [...el.querySelectorAll('.entry')]
                .map((b) => b.getBoundingClientRect())
                .filter(
                    (b) => b.top < box.bottom - 2 && (b.bottom > el.getBoundingClientRect().bottom + 1 || b.left < 0),
                );
        });
        expect(cut).toEqual([]);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    await press(page, 'Alt+q');
    const panel = (await page.getByRole('dialog').boundingBox())!;
    const line = (await page.getByTestId('said').boundingBox())!;
    expect(panel.y + panel.height).toBeLessThanOrEqual(line.y + 1);
    // An entry of the strip is a button too.
    await press(page, 'Escape');
    await page.getByTestId('always').getByText('guide').click();
    await expect(page.getByTestId('guide')).toBeVisible();
});

test('a drill: what is wrong is said, keys are counted, and what is reached is marked', async ({ page }) => {
    const songs = (await (await page.request.get('/api/songs')).json()) as { songs?: { id: number; name: string }[] };
    const all = (songs.songs ?? (songs as unknown as { id: number; name: string }[])).filter(
        (s) => s.name === 'Lantern Ferry',
    );
    const copy = (await (await page.request.post(`/api/songs/${all[0]!.id}/duplicate`)).json()) as {
        song: { id: number };
    };
    // Under a name of its own: other tests look for the demo by its name.
    await page.request.patch(`/api/songs/${copy.song.id}`, { data: { name: 'Drill ground' } });
    await page.goto(`/songs/${copy.song.id}`);
    await expect(page.getByTestId('staves')).toHaveAttribute('data-drawn', /^\d/);
    await press(page, 'Alt+F1');
    const list = page.getByTestId('drills');
    await expect(list.getByRole('listitem')).toHaveCount(6);
    await list.getByRole('button', { name: 'Begin' }).first().click();
    await said(page, 'The bass lies behind the beat.');
    await expect(page.getByRole('heading', { name: 'Bass, quay' })).toBeAttached();
    await press(page, 'Control+a', 'q');
    await said(page, 'Done in 2 keys, as few as there are. Hold Y for how it was.');
    await press(page, 'Alt+F1');
    await expect(list.getByTestId('done')).toHaveText('✓ in 2 keys');
    await list.getByRole('button', { name: /^How/ }).first().click();
    await expect(list).toContainText('Ctrl A, Q');
});

test('notes above, below and at a pitch are selected by a line', async ({ page }) => {
    const song = await bring(page, midi(LOOSE, 'Piano', 0));
    await openRoll(page, song);
    for (const [line, count] of [
        ['select above C4', 7],
        ['select notes below E4', 4],
        ['select at F4', 1],
        ['select below D4 add', 3],
    ] as const) {
        await press(page, '/');
        await page.keyboard.type(line);
        await press(page, 'Enter');
        await chosen(page, count);
    }
});
