import { expect, type Locator, type Page } from '@playwright/test';

/** id, start, length, pitch, velocity, muted, drift of start and length, group, channel: as the server says it. */
export type Row = number[];

interface Part {
    id: number;
    name: string;
    settings: Record<string, unknown>;
    notes: Row[];
    /** tick, status and its data */
    points: number[][];
}

export interface SongJson {
    id: number;
    name: string;
    revision: number;
    tracks: { id: number; name: string; muted: boolean; soloed: boolean; parts: Part[] }[];
}

/** Bytes of a MIDI file of one track and channel: notes as start, length, pitch, velocity at 96 ticks a quarter. */
export function midi(notes: number[][], name = 'Take', program = 0): Buffer {
    const events: { at: number; bytes: number[] }[] = [
        { at: 0, bytes: [0xff, 3, name.length, ...Buffer.from(name)] },
        { at: 0, bytes: [0xc0, program] },
    ];
    for (const [start, length, pitch, velocity] of notes as [number, number, number, number][]) {
        events.push({ at: start, bytes: [0x90, pitch, velocity] }, { at: start + length, bytes: [0x80, pitch, 64] });
    }
    events.sort((a, b) => a.at - b.at);
    let last = 0;
    const body: number[] = [];
    for (const { at, bytes } of events) {
        body.push(...quantity(at - last), ...bytes);
        last = at;
    }
    body.push(0, 0xff, 0x2f, 0);
    const head = Buffer.from([
        0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0, 1, 0, 96, 0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, 0,
    ]);
    head.writeUInt32BE(body.length, 18);
    return Buffer.concat([head, Buffer.from(body)]);
}

function quantity(n: number): number[] {
    const bytes = [n & 0x7f];
    while ((n >>= 7)) bytes.unshift((n & 0x7f) | 0x80);
    return bytes;
}

/** Eight eighths around middle C, each a little off its line. */
export const LOOSE = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [
    Math.max(0, i * 48 + [2, -3, 4, 1, -5, 3, -2, 5][i]!),
    30,
    60 + i,
    70 + i,
]);

/** Brings a file in through the server, apart from the page. */
export async function bring(page: Page, file: Buffer, name = 'take.mid'): Promise<SongJson> {
    const answer = await page.request.post('/api/imports', {
        multipart: { file: { name, mimeType: 'audio/midi', buffer: file } },
    });
    expect(answer.status()).toBe(201);
    return fetchSong(page, ((await answer.json()) as { song: { id: number } }).song.id);
}

export async function fetchSong(page: Page, id: number): Promise<SongJson> {
    return (await (await page.request.get(`/api/songs/${id}`)).json()) as SongJson;
}

/** The notes of a song's first part as the server has them now. */
export async function notesOf(page: Page, song: { id: number }): Promise<Row[]> {
    return (await fetchSong(page, song.id)).tracks[0]!.parts[0]!.notes;
}

/** Opens a song's first part in the roll and waits until it is drawn. */
export async function openRoll(page: Page, song: SongJson): Promise<Locator> {
    await page.goto(`/songs/${song.id}/parts/${song.tracks[0]!.parts[0]!.id}`);
    const roll = page.getByTestId('roll');
    await expect(roll).toHaveAttribute('data-drawn', /^\d/);
    return roll;
}

/** Waits until the person's last command has been answered: its sentence stands on the line. */
export async function said(page: Page, text: string | RegExp): Promise<void> {
    const line = page.getByTestId('said');
    await expect(line).toContainText(
        typeof text === 'string'
            ? text
            : new RegExp(text.source.replace(/^\^/, '^\\s*').replace(/\$$/, '[\\s\\u200b]*$')),
    );
}

export async function level(page: Page): Promise<number> {
    return Number(await page.getByRole('meter').getAttribute('aria-valuenow'));
}

/** Where a tick and a pitch stand on the page now. */
export async function spot(page: Page, tick: number, pitch: number): Promise<{ x: number; y: number }> {
    const [, left, scale, top, row] = (await page.getByTestId('roll').getAttribute('data-drawn'))!
        .split(' ')
        .map(Number) as [number, number, number, number, number];
    const box = (await page.getByTestId('notes').boundingBox())!;
    return { x: box.x + (tick - left) * scale, y: box.y + (top - pitch + 0.5) * row };
}

/** Waits until the roll has stayed where it is for a while, so that places on it can be pressed. */
export async function drawnAtRest(page: Page): Promise<void> {
    let [last, same] = ['', 0];
    await expect
        .poll(async () => {
            const now = (await page.getByTestId('roll').getAttribute('data-drawn'))!;
            same = now === last ? same + 1 : 0;
            last = now;
            return same;
        })
        .toBeGreaterThan(2);
}

export async function chosen(page: Page, count: number): Promise<void> {
    await expect(page.getByTestId('chosen')).toContainText(new RegExp(`^${count} of `));
}

/** The loudest of the last moment: short sounds are not missed between two looks. */
export async function peak(page: Page): Promise<number> {
    return Number(await page.getByRole('meter').getAttribute('data-peak'));
}

/** Presses keys one after another. */
export async function press(page: Page, ...keys: string[]): Promise<void> {
    for (const key of keys) await page.keyboard.press(key);
}

/** A press as another keyboard layout sends it: what the key writes, and where it stands. */
export function stroke(page: Page, key: string, code: string, more: object = {}): Promise<boolean> {
    return page.evaluate(
        ([key, code, more]) =>
            window.dispatchEvent(
                new KeyboardEvent('keydown', {
                    key: key as string,
                    code: code as string,
                    bubbles: true,
                    cancelable: true,
                    ...(more as object),
                }),
            ),
        [key, code, more],
    );
}

/** Where the caret stands: tick and pitch. */
export async function caret(page: Page): Promise<[number, number]> {
    const [, left, scale, top, row] = (await page.getByTestId('roll').getAttribute('data-drawn'))!
        .split(' ')
        .map(Number);
    const [x, y] = await page
        .getByTestId('caret')
        .evaluate((el) => [
            new DOMMatrix(getComputedStyle(el).transform).m41,
            new DOMMatrix(getComputedStyle(el.firstElementChild!).transform).m42,
        ]);
    return [Math.round(left! + x! / scale!), Math.round(top! - y! / row!)];
}

/** Waits until a route that cuts edits off holds: on a busy machine the browser lets what comes at once through. */
export async function cutOff(page: Page): Promise<void> {
    const isAnswered = (): Promise<boolean> => page.evaluate(() => fetch('/x/edits').then(() => true, () => false)); // prettier-ignore
    await expect.poll(isAnswered).toBe(false);
}
