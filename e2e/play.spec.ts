import { expect, test, type Page } from '@playwright/test';
import { bring, chosen, midi, notesOf, openRoll, peak, press, said, type SongJson, spot, stroke } from './support';

async function fresh(page: Page): Promise<SongJson> {
    const song = await bring(page, midi([[384, 24, 72, 80]]));
    await openRoll(page, song);
    await press(page, 'Home', '4');
    await said(page, 'Grid 1/8.');
    return song;
}

/** Start, length, pitch, velocity of what was written, without the note that was there. */
async function written(page: Page, song: SongJson): Promise<number[][]> {
    return (await notesOf(page, song))
        .map((n) => n.slice(1, 5))
        .filter((n) => n[0] !== 3840)
        .sort((a, b) => a[0]! - b[0]! || a[2]! - b[2]!);
}

/** Web MIDI with keyboards that a test plays: `plug`, `pull` and `send`. */
async function keyboards(page: Page, allowed = true): Promise<void> {
    await page.addInitScript((allowed) => {
        type Port = { id: string; state: string; onmidimessage: ((e: object) => void) | null; onstatechange: unknown };
        const inputs = new Map<string, Port>();
        const access = { inputs, outputs: new Map(), onstatechange: null as ((e: object) => void) | null };
        const port = (id: string): Port => ({
            ...{ id, name: id, manufacturer: '', type: 'input', version: '' },
            ...{ state: 'connected', onmidimessage: null, onstatechange: null },
            ...{ connection: 'open', open: () => Promise.resolve(), close: () => Promise.resolve() },
            ...{ addEventListener() {}, removeEventListener() {} },
        });
        const tell = (p: Port): void => access.onstatechange?.({ port: p, timeStamp: performance.now() });
        Object.assign(window, {
            plug: (id: string) => {
                inputs.set(id, inputs.get(id) ?? port(id));
                Object.assign(inputs.get(id)!, { state: 'connected', connection: 'open' });
                tell(inputs.get(id)!);
            },
            pull: (id: string) => {
                const gone = inputs.get(id)!;
                Object.assign(gone, { state: 'disconnected', connection: 'pending' });
                inputs.delete(id);
                tell(gone);
            },
            send: (id: string, ...data: number[]) =>
                inputs.get(id)?.onmidimessage?.({ data: new Uint8Array(data), timeStamp: performance.now() }),
        });
        Object.defineProperty(navigator, 'requestMIDIAccess', {
            value: () =>
                allowed
                    ? Promise.resolve(access)
                    : Promise.reject(new DOMException('Permission denied', 'NotAllowedError')),
        });
    }, allowed);
}

const call = (page: Page, name: string, ...args: unknown[]): Promise<unknown> =>
    page.evaluate(
        ([name, args]) =>
            (window as never as Record<string, (...a: unknown[]) => void>)[name as string]!(...(args as unknown[])),
        [name, args],
    );

test('step input from the computer keys: chords, a rest, a tie, and back', async ({ page }) => {
    const song = await fresh(page);
    await press(page, 'Alt+i');
    await said(page, 'Step input is on');
    await press(page, 'F4');
    await said(page, 'The computer keys play');
    await expect(page.getByTestId('typing')).toContainText('gives the letters back');
    await press(page, 'a');
    await expect.poll(() => written(page, song)).toEqual([[0, 480, 60, 90]]);
    // A chord is as long as a key is held: D, G and the black key above D.
    for (const key of ['d', 'g', 'e']) await page.keyboard.down(key);
    for (const key of ['d', 'g', 'e']) await page.keyboard.up(key);
    await press(page, ']', '.', 'v');
    await said(page, 'Pen velocity 118.');
    await press(page, 'a', 'Shift+]');
    await expect
        .poll(() => written(page, song))
        .toEqual([
            [0, 480, 60, 90],
            [480, 480, 63, 90],
            [480, 480, 64, 90],
            [480, 480, 67, 90],
            [1440, 960, 72, 118],
        ]);
    await expect(page.getByTestId('position')).toHaveText('1.3.3');
    // Back over the long one, and over the chord, as one step each.
    await press(page, '[', '[');
    await expect.poll(() => written(page, song)).toEqual([[0, 480, 60, 90]]);
    await expect(page.getByTestId('position')).toHaveText('1.1.3');
    await press(page, 'Control+z', 'Control+z');
    await expect.poll(async () => (await written(page, song)).length).toBe(5);
    await press(page, 'Escape', 'F4', 'q');
    await said(page, 'No notes are selected');
});

test('keys play by their place, on any layout, and are heard', async ({ page }) => {
    const song = await fresh(page);
    await press(page, 'Alt+i', 'F4');
    await said(page, 'The computer keys play');
    await page.waitForTimeout(300);
    // Where a French keyboard writes q, an English one writes a: the place is what counts.
    await stroke(page, 'q', 'KeyA');
    await expect.poll(() => peak(page), { timeout: 25_000 }).toBeGreaterThan(5);
    await page.evaluate(() => window.dispatchEvent(new KeyboardEvent('keyup', { key: 'q', code: 'KeyA' })));
    await expect.poll(() => written(page, song)).toEqual([[0, 480, 60, 90]]);
    // What is out of reach says how it is reached.
    await press(page, '/');
    await page.keyboard.type('split notes');
    await expect(page.getByRole('option', { name: /^Split notes/ }).first()).toContainText('F4 X');
    await press(page, 'Escape');
    // Leaving lets go of what is held.
    await page.keyboard.down('d');
    await page.evaluate(() => window.dispatchEvent(new Event('blur')));
    await page.keyboard.up('d');
    await expect.poll(async () => (await written(page, song)).length).toBe(2);
});

test('a key on screen sounds, and writes in step input', async ({ page }) => {
    const song = await fresh(page);
    const key = page.getByTestId('keyboard');
    const row = await spot(page, 0, 72);
    const box = (await key.boundingBox())!;
    await page.mouse.move(box.x + 90, row.y);
    await page.mouse.down();
    await expect.poll(() => peak(page), { timeout: 25_000 }).toBeGreaterThan(5);
    await page.mouse.up();
    await chosen(page, 1);
    await press(page, 'Escape', 'Home', 'Alt+i');
    await said(page, 'Step input is on');
    await page.mouse.down();
    await page.mouse.up();
    await expect.poll(() => written(page, song)).toEqual([[0, 480, 72, 90]]);
});

test('a MIDI keyboard is selected and played; pulled out it leaves nothing sounding, put in again it plays', async ({
    page,
}) => {
    await keyboards(page);
    const song = await fresh(page);
    await press(page, 'Alt+Shift+i');
    const panel = page.getByRole('dialog', { name: 'Inputs' });
    await page.keyboard.press('Enter');
    await expect(panel).toContainText('No MIDI keyboard is plugged in.');
    await call(page, 'plug', 'Deck piano');
    await call(page, 'plug', 'Bow pads');
    await expect(panel.getByLabel('Listen to')).toContainText('Deck piano');
    await call(page, 'send', 'Deck piano', 0x90, 64, 77);
    await expect(page.getByTestId('held')).toHaveText('E4');
    await call(page, 'pull', 'Deck piano');
    await expect(page.getByTestId('held')).toHaveText('nothing');
    await call(page, 'plug', 'Deck piano');
    await panel.getByLabel('Listen to').selectOption('Deck piano');
    await call(page, 'send', 'Bow pads', 0x90, 40, 77);
    await call(page, 'send', 'Deck piano', 0x91, 65, 31);
    await expect(page.getByTestId('held')).toHaveText('F4');
    await call(page, 'send', 'Deck piano', 0x81, 65, 20);
    await expect(page.getByTestId('held')).toHaveText('nothing');
    await page.keyboard.press('Escape');
    // Written at the velocity at which it was struck; note-ons of velocity 0 are ends.
    await press(page, 'Alt+i');
    await said(page, 'Step input is on');
    await call(page, 'send', 'Deck piano', 0x90, 60, 31);
    await call(page, 'send', 'Deck piano', 0x90, 60, 0);
    await expect.poll(() => written(page, song)).toEqual([[0, 480, 60, 31]]);
});

test('where MIDI keyboards are refused, or cannot be had, it says why and what to do', async ({ page }) => {
    await keyboards(page, false);
    await fresh(page);
    await press(page, 'Alt+Shift+i', 'Enter');
    const panel = page.getByRole('dialog', { name: 'Inputs' });
    await expect(panel.getByRole('alert')).toContainText('MIDI keyboards were not allowed');
    await expect(panel.getByRole('alert')).toContainText('the computer keys or the simulated player');
    await expect(panel.getByRole('button', { name: 'Ask again' })).toBeVisible();
});

test('where the browser has no Web MIDI it says so, and who can play instead', async ({ page }) => {
    await page.addInitScript(() => {
        delete (Navigator.prototype as { requestMIDIAccess?: unknown }).requestMIDIAccess;
    });
    await fresh(page);
    await press(page, 'Alt+Shift+i');
    const panel = page.getByRole('dialog', { name: 'Inputs' });
    await panel.getByRole('button', { name: 'Look for them' }).press('Enter');
    await expect(panel.getByRole('alert')).toContainText('This browser has no Web MIDI');
    await expect(panel.getByRole('alert')).toContainText('the computer keys or the simulated player');
    // The button that had the keys is gone: the panel has them.
    await expect(panel).toBeFocused();
});
