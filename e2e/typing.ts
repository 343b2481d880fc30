import { writeFile } from 'node:fs/promises';
import type { Request } from '@playwright/test';
import { expect, test, type Page } from './silent';
import { bring, LOOSE, midi, openRoll, type SongJson } from './support';

/** Which keys are typed: of the roll, of the song page, of the roll with its panels. */
export type Mode = 'roll' | 'song' | 'panels';

/** Requests of a page under way, without those that it makes by itself again and again. */
const underWay = new WeakMap<Page, Set<Request>>();

/** What the last test typed, asked and was refused, to be read where it fails. */
const done: string[] = [];
export const note = (what: string): void => void done.push(what);

/** Forgets it before each test of a file, and tells it with one that failed. */
export function tellWhatWasDone(): void {
    test.beforeEach(() => void done.splice(0));
    test.afterEach(async ({ page }, info) => {
        if (info.status === info.expectedStatus) return;
        await writeFile(info.outputPath('what-was-done.txt'), [...done, page.url()].join('\n'));
    });
}

export function watch(page: Page): void {
    if (underWay.has(page)) return;
    const all = new Set<Request>();
    underWay.set(page, all);
    page.on('request', (r) => {
        if (r.url().includes('/presence') || r.resourceType() !== 'fetch') return;
        all.add(r);
        if (r.method() !== 'GET') done.push(`${r.method()} ${new URL(r.url()).pathname} ${r.postData() ?? ''}`);
    });
    page.on('response', (r) => {
        if (!r.ok()) done.push(`${r.status()} ${new URL(r.url()).pathname}`);
    });
    page.on('requestfinished', (r) => all.delete(r));
    page.on('requestfailed', (r) => all.delete(r));
    page.on('domcontentloaded', () => all.clear());
}

/** Waits until nothing waits any more, for some frames; a panel has got what it asks for. */
export async function rested(page: Page): Promise<void> {
    do await still(page);
    while ((underWay.get(page)?.size ?? 0) > 0);
}

async function still(page: Page): Promise<void> {
    await page.waitForFunction(
        () =>
            new Promise((resolve) => {
                let frames = 0;
                const look = (): void => {
                    const saved = document.querySelector('[aria-label="Everything is saved"]') !== null;
                    frames = saved || !location.pathname.startsWith('/songs/') ? frames + 1 : 0;
                    if (frames > 3) resolve(true);
                    else requestAnimationFrame(look);
                };
                look();
            }),
        null,
        { timeout: 90_000 },
    );
}

/** A song of its own, with what a page remembers of others forgotten. */
export async function begun(page: Page, mode: Mode): Promise<SongJson> {
    const song = await bring(page, midi(LOOSE));
    // What was copied, and how panels were set, goes from song to song: the second begins with as little as the first.
    await page.goto('/api/setup');
    await page.evaluate(() => localStorage.clear());
    if (mode === 'song') {
        await page.goto(`/songs/${song.id}`);
        await expect(page.getByTestId('staves')).toBeVisible();
        await expect(page.getByTestId('part').first()).toBeAttached();
    } else await openRoll(page, song);
    await rested(page);
    return song;
}
