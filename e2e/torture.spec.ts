import { expect, test, type Page } from './silent';
import { bring, caret, fetchSong, LOOSE, midi, openRoll, type SongJson } from './support';

/** Keys that change the music, the choice or the caret; what opens a panel or plays is not among them. */
const KEYS = [
    'd', 'd', 'a', 'w', 's', 'c', 'i', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowRight',
    'Shift+ArrowUp', 'Shift+ArrowLeft', 'Alt+ArrowRight', 'Control+ArrowUp', 'Control+ArrowRight', 'q', 'p', 'm', 'f',
    'Semicolon', 'Minus', 'Equal', 'Comma', 'Shift+Comma', 'Control+a', 'Escape', 'Control+z', 'Control+Shift+z', 'Control+c',
    'Control+v', 'Control+d', 'Delete', 'Shift+Home', 'Shift+End', 'Alt+PageDown', 'Alt+PageUp', 'x', '4', '5', 't',
]; // prettier-ignore

/** The same numbers for the same seed. */
function dice(seed: number): (below: number) => number {
    let state = seed;
    return (below) => {
        state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
        return Math.floor((state / 2_147_483_648) * below);
    };
}

/** Everything that the person sees of it: the notes, what is chosen, the sentence, the caret. */
async function state(page: Page, song: SongJson): Promise<unknown> {
    const { tracks } = await fetchSong(page, song.id);
    return {
        notes: tracks[0]!.parts[0]!.notes,
        chosen: await page.getByTestId('chosen').textContent(),
        // What was refused or warned of on the way, of commands that travelled together, is told beside the last sentence.
        said: await page.getByTestId('said').evaluate((el) => {
            const copy = el.cloneNode(true) as HTMLElement;
            copy.querySelectorAll('.text-error, .text-warning').forEach((e) => e.remove());
            return copy.textContent!.replaceAll('\u200b', '').trim();
        }),
        // To 20 ticks: it is read off the screen.
        caret: [Math.round((await caret(page))[0] / 20), (await caret(page))[1]],
    };
}

async function rested(page: Page): Promise<void> {
    const mark = page.getByLabel('Everything is saved');
    await expect(mark).toHaveCount(1, { timeout: 40_000 });
    await page.waitForTimeout(120);
    await expect(mark).toHaveCount(1, { timeout: 40_000 });
}

const FEW: [number, string][] = [
    [23, 'cut off'],
    [37, 'slow'],
    [41, 'plain'],
];
const LONG = Number(process.env.JACTONIC_SOAK_KEYS ?? 0);
const ROUNDS = LONG ? Array.from({ length: LONG }, (_, i): [number, string] => [1000 + i, FEW[i % 3]![1]]) : FEW;

for (const [seed, how] of ROUNDS) {
    test(`sixty keys typed with no pause end as slow typing does: seed ${seed}, ${how}`, async ({ page }) => {
        test.setTimeout(180_000);
        const roll = dice(seed);
        // Esc twice in a row, with nothing chosen, leaves the page.
        const keys = Array.from({ length: 60 }, () => KEYS[roll(KEYS.length)]!).filter(
            (k, i, all) => k !== 'Escape' || all[i - 1] !== 'Escape',
        );
        const ends: unknown[] = [];
        for (const fast of [false, true]) {
            const song = await bring(page, midi(LOOSE));
            await openRoll(page, song);
            // What was copied goes from song to song: the second begins with as little as the first.
            await page.evaluate(() => localStorage.clear());
            await page.reload();
            await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
            let held = how === 'cut off';
            if (fast && how !== 'plain')
                await page.route(/\/(edits|reading|undo|redo)$/, async (route) => {
                    if (held) return route.abort();
                    await new Promise((resolve) => setTimeout(resolve, 300));
                    await route.continue().catch(() => {});
                });
            for (const key of keys) {
                await page.keyboard.press(key);
                if (!fast) await rested(page);
            }
            if (held && fast) {
                await page.waitForTimeout(5000);
                held = false;
            }
            await rested(page);
            ends.push(await state(page, song));
        }
        expect(ends[1], keys.join(' ')).toEqual(ends[0]);
    });
}
