import { expect, test } from './silent';
import { bring, chosen, drawnAtRest, fetchSong, LOOSE, midi, notesOf, openRoll, said, spot } from './support';

test('a song is worked by mouse too: opened, muted, soloed, renamed, played from a bar', async ({ page }) => {
    const song = await bring(page, midi(LOOSE.concat([[96 * 12, 48, 60, 70]]), 'Left hand'), 'By mouse.mid');
    await page.goto('/');
    await page.getByRole('link', { name: 'By mouse' }).first().click();
    await page.getByRole('button', { name: 'Mute Left hand' }).click();
    await said(page, 'Left hand is muted.');
    await expect(page.getByRole('button', { name: 'Mute Left hand' })).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('button', { name: 'Mute Left hand' }).click();
    await said(page, 'Left hand is heard again.');
    await page.getByRole('button', { name: 'Solo Left hand' }).click();
    await said(page, 'Left hand is soloed.');
    expect((await fetchSong(page, song.id)).tracks[0]).toMatchObject({ muted: false, soloed: true });

    await page.getByRole('button', { name: 'Rename' }).click();
    await page.keyboard.type('By hand');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'By hand' })).toBeVisible();
    await said(page, 'By mouse is now By hand.');

    const ruler = page.getByTestId('song-ruler');
    const box = (await ruler.boundingBox())!;
    await ruler.click({ position: { x: box.width / 2, y: box.height - 6 } });
    await expect(page.getByTestId('position')).toHaveText(/^[2-5]\.\d\.\d+$/);
    await page.getByTestId('part').dblclick();
    await expect(page.getByTestId('part-name')).toHaveText('Left hand');
});

test('settings, undo and the steps by mouse', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    const settings = page.getByTestId('settings');
    await settings.getByLabel('Grid').selectOption('1/4');
    await said(page, 'Grid 1/4.');
    await settings.getByRole('button', { name: 'triplet' }).click();
    await said(page, 'Grid 1/4T.');
    await settings.getByLabel('Swing').fill('62.5');
    await settings.getByLabel('Swing').press('Enter');
    await said(page, 'Swing 62.5 %.');
    // The roll has the keys again.
    await page.keyboard.press('Control+a');
    await page.keyboard.press('ArrowUp');
    await said(page, '8 notes up a semitone.');
    await page.getByRole('button', { name: 'Undo' }).click();
    await said(page, 'Undone: 8 notes up a semitone.');
    await page.getByRole('button', { name: 'Redo' }).click();
    await said(page, 'Redone: 8 notes up a semitone.');
    await page.getByRole('button', { name: 'History' }).click();
    const panel = page.getByRole('dialog', { name: 'History' });
    await panel.getByRole('button', { name: 'As it was at the start' }).click();
    await said(page, 'Back to the start of the history.');
    expect((await notesOf(page, song))[0]![3]).toBe(60);
    await expect(panel.getByRole('button', { name: /up a semitone.*not done now/ })).toBeVisible();
    await panel.getByRole('button', { name: 'Close' }).click();
    await expect(panel).toBeHidden();
});

test('what is done by mouse flashes its key in the strip', async ({ page }) => {
    await openRoll(page, await bring(page, midi(LOOSE)));
    const from = await spot(page, 150, 60);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x, from.y - 40, { steps: 4 });
    await page.mouse.up();
    await expect(page.getByTestId('key-strip').locator('.bg-primary')).toContainText('semitone');
    await said(page, '1 note up');
});

test('muted notes are named when a file is saved without them', async ({ page }) => {
    await openRoll(page, await bring(page, midi(LOOSE)));
    await page.keyboard.press('d');
    await page.keyboard.press('m');
    await said(page, '1 note muted.');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as a MIDI file' }).click();
    await download;
    await said(page, 'take is saved as a MIDI file.');
    await said(page, '1 muted note is left out of it.');
});

test('what can be done with velocities and in a lane is on their menus; a stroke there still clears', async ({
    page,
}) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    await page.keyboard.press('Alt+v');
    await page.keyboard.press('e');
    await said(page, 'In the lane of Expression');
    const menu = page.getByTestId('menu');
    const at = async (surface: string, x: number): Promise<[number, number]> => {
        const box = (await page.getByTestId(surface).boundingBox())!;
        return [box.x + x, box.y + box.height / 2];
    };
    const lane = await at('lane-cc:11', 200);
    await page.mouse.click(...lane, { button: 'right' });
    await expect(menu.getByRole('menuitem', { name: /^rise over the span Alt V Y$/i })).toBeVisible();
    await expect(menu.getByRole('menuitem', { name: /^articulation/i })).toHaveCount(0);
    await page.keyboard.press('Escape');
    await page.mouse.click(...(await at('velocity', 200)), { button: 'right' });
    await menu.getByRole('menuitem', { name: /^level /i }).click();
    await expect(menu).toBeHidden();

    // A point is put in and clicked: it says its value and place.
    await page.mouse.click(...lane);
    await said(page, /Expression/);
    await expect(page.getByRole('group', { name: /^Lane of Expression, 1 point/ })).toBeVisible();
    await page.mouse.click(...lane);
    // The shape of the pointer says that it can be taken in hand.
    await page.mouse.move(lane[0] + 1, lane[1]);
    await expect(page.getByTestId('lane-cc:11')).toHaveCSS('cursor', 'grab');
    await said(page, /^Expression \d+ at [\d.]+: point 1 of 1\.$/);
    // Dragged with the second button the hand clears what it goes over.
    await page.mouse.move(lane[0] - 60, lane[1]);
    await page.mouse.down({ button: 'right' });
    await page.mouse.move(lane[0] + 60, lane[1], { steps: 4 });
    await page.mouse.up({ button: 'right' });
    await said(page, '1 point of Expression deleted.');
    // What comes after the stroke sounds as it did: the value that held there is given back.
    const { points } = (await fetchSong(page, song.id)).tracks[0]!.parts[0]!;
    const expression = points.filter((p) => p[2] === 0xb0 && p[3] === 11);
    expect(expression).toHaveLength(1);
    await expect(menu).toBeHidden();
});

test('lanes and panels are as large as they are drawn, also after a reload; the lane by key', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    const height = async (id: string): Promise<number> => (await page.getByTestId(id).boundingBox())!.height;
    const was = await height('velocity');
    const edge = (await page.getByTestId('edge-velocity').boundingBox())!;
    await page.mouse.move(edge.x + 20, edge.y + 2);
    await page.mouse.down();
    await page.mouse.move(edge.x + 20, edge.y - 48, { steps: 3 });
    await page.mouse.up();
    await expect.poll(() => height('velocity')).toBeCloseTo(was + 50, -1);
    await page.keyboard.press('Alt+v');
    await page.keyboard.press('e');
    const low = await height('lane-cc:11');
    await page.keyboard.press('h');
    await said(page, 'The lane is 100 high.');
    expect(await height('lane-cc:11')).toBeGreaterThan(low);
    await page.keyboard.press('Alt+q');
    const panel = page.getByRole('dialog');
    const wide = (await panel.boundingBox())!.width;
    const side = (await page.getByTestId('panel-edge').boundingBox())!;
    await page.mouse.move(side.x + 2, side.y + 200);
    await page.mouse.down();
    await page.mouse.move(side.x - 1000, side.y + 200, { steps: 3 });
    await page.mouse.up();
    // The roll keeps three fifths.
    await expect.poll(async () => (await panel.boundingBox())!.width).toBe(512);
    expect(wide).toBeLessThan(512);
    await page.getByTestId('panel-edge').press('ArrowRight');
    await expect.poll(async () => (await panel.boundingBox())!.width).toBe(496);
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    expect(await height('velocity')).toBeCloseTo(was + 50, -1);
    await page.keyboard.press('Alt+q');
    await expect.poll(async () => (await panel.boundingBox())!.width).toBe(496);
});

test('a drag over the keys selects the rows between, with Shift besides what is selected', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    const box = (await page.getByTestId('keyboard').boundingBox())!;
    const heightOf = async (pitch: number): Promise<number> => (await spot(page, 0, pitch)).y;
    const x = box.x + box.width - 12;
    await page.mouse.move(x, await heightOf(60));
    await page.mouse.down();
    await chosen(page, 1);
    await page.mouse.move(x, await heightOf(62), { steps: 4 });
    await chosen(page, 3);
    await said(page, '3 notes from C4 to D4 selected.');
    await page.mouse.move(x, await heightOf(61), { steps: 2 });
    await chosen(page, 2);
    await page.mouse.up();
    await page.keyboard.down('Shift');
    await page.mouse.move(x, await heightOf(66));
    await page.mouse.down();
    await page.mouse.move(x, await heightOf(65));
    await page.mouse.up();
    await page.keyboard.up('Shift');
    await chosen(page, 4);
});

test('the end of a note too short for edges is taken from behind it', async ({ page }) => {
    const song = await bring(page, midi([[0, 6, 60, 80]]));
    await openRoll(page, song);
    for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+z');
    await drawnAtRest(page);
    const [, start, length] = (await notesOf(page, song))[0] as [number, number, number];
    const end = await spot(page, start + length, 60);
    expect(end.x - (await spot(page, start, 60)).x).toBeLessThan(18);
    await page.mouse.move(end.x + 3, end.y);
    await page.mouse.down();
    await page.mouse.move(end.x + 60, end.y, { steps: 4 });
    await page.mouse.up();
    await expect.poll(async () => (await notesOf(page, song))[0]![2]).toBeGreaterThan(length);
    expect((await notesOf(page, song))[0]![1]).toBe(start);
});
