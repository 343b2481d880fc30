import { spawn } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { expect, test, type Page } from '@playwright/test';
import {
    bring,
    chosen,
    fetchSong,
    midi,
    notesOf,
    openRoll,
    peak,
    press,
    type Row,
    said,
    type SongJson,
} from './support';

interface Played {
    on: number;
    off: number;
    pitch: number;
    velocity: number;
}

const FAR = [[96 * 40, 24, 30, 80]];

/** A part with one note far on, at a tempo, and maybe another tempo from bar 2. */
async function song(page: Page, tempo = 120, from2?: number): Promise<SongJson> {
    const made = await bring(page, midi(FAR));
    const edits = [{ edit: 'tempo-set', params: { tempo } }];
    if (from2) edits.push({ edit: 'tempo-set', params: { tempo: from2, bar: 2 } as never });
    await page.request.post(`/api/songs/${made.id}/edits`, { data: { base: made.revision, do: edits } });
    return fetchSong(page, made.id);
}

/** How the player is set up in this browser, and recording. */
async function ready(page: Page, player: object, recording: object = {}): Promise<void> {
    await page.addInitScript(
        ([player, recording]) => {
            localStorage.setItem('jactonic.player', JSON.stringify(player));
            localStorage.setItem('jactonic.recording', JSON.stringify(recording));
        },
        [player, { countIn: 0, click: false, ...recording }],
    );
}

/** What was recorded: all but the note that was there. */
async function taken(page: Page, made: SongJson): Promise<Row[]> {
    return (await notesOf(page, made)).filter((n) => n[3] !== 30).sort((a, b) => a[1]! - b[1]! || a[3]! - b[3]!);
}

async function playedOf(page: Page, made: SongJson, player: object, from = 0): Promise<Played[]> {
    const answer = await page.request.post(`/api/songs/${made.id}/reading`, {
        data: { reading: 'passage-reading', params: { ...player, from } },
    });
    return ((await answer.json()) as { events: Played[] }).events.filter((e) => 'pitch' in e);
}

/** Seconds of a tick, through the song's tempos. */
async function clockOf(page: Page, made: SongJson): Promise<(tick: number) => number> {
    const { tempos, ppq } = (await (await page.request.get(`/api/songs/${made.id}`)).json()) as {
        tempos: [number, number, number][];
        ppq: number;
    };
    return (tick) => {
        const [at, seconds, micro] = tempos.findLast((t) => t[0] <= tick)!;
        return seconds + ((tick - at) * micro) / (ppq * 1e6);
    };
}

for (const [tempo, from2] of [
    [90, undefined],
    [140, undefined],
    [90, 140],
    [140, 90],
] as const)
    test(`at ${tempo}${from2 ? ` and then ${from2}` : ''} what is played is recorded where it was, to 5 ms`, async ({
        page,
    }) => {
        test.slow();
        const player = { passage: 'bell', loose: 20, seed: 7, tempo: null, times: 1 };
        await ready(page, player);
        const made = await song(page, tempo, from2);
        await openRoll(page, made);
        await press(page, 'Home', 'Shift+\\', 'Alt+k');
        await expect(page.getByTestId('said')).toContainText('Take', { timeout: 30_000 });
        await expect(page.getByTestId('said')).toContainText('Take: 9 notes', { timeout: 30_000 });
        await press(page, '\\');
        await said(page, '9 notes recorded into Take.');
        await chosen(page, 9);
        const played = await playedOf(page, made, player);
        const notes = await taken(page, made);
        const seconds = await clockOf(page, made);
        expect(notes.map((n) => n[3])).toEqual(played.map((e) => e.pitch));
        played.forEach((e, i) => {
            expect(Math.abs(seconds(notes[i]![1]!) - e.on)).toBeLessThan(0.005);
            expect(Math.abs(seconds(notes[i]![1]! + notes[i]![2]!) - e.off)).toBeLessThan(0.005);
            expect(notes[i]![4]).toBe(e.velocity);
        });
    });

test('sixteen rounds of overdub lose nothing; the last round alone is taken back', async ({ page }) => {
    test.slow();
    // Two bars of 4/4 at 480 a minute are one round of a second, as the passage is.
    const player = { passage: 'bell', loose: 6, seed: 3, tempo: null, times: 16 };
    await ready(page, player);
    const made = await song(page, 480);
    await openRoll(page, made);
    await press(page, 'Home');
    // The span of two bars, by key: from the caret, a bar at a time.
    await press(page, 'Shift+9', 'Control+ArrowRight', 'Control+ArrowRight');
    await said(page, 'Span from 1.1.1 to 3.1.1.');
    await press(page, 'l', 'Shift+\\', 'Alt+k');
    await expect(page.getByTestId('said')).toContainText(/round 1[67]: 144 notes/, { timeout: 40_000 });
    await press(page, '\\');
    await said(page, '144 notes recorded into Take.');
    const played = await playedOf(page, made, player);
    expect(played).toHaveLength(144);
    const count = (list: number[]): Record<number, number> =>
        list.reduce<Record<number, number>>((all, n) => ({ ...all, [n]: (all[n] ?? 0) + 1 }), {});
    expect(count((await taken(page, made)).map((n) => n[3]!))).toEqual(count(played.map((e) => e.pitch)));
    const steps = (await (await page.request.get(`/api/songs/${made.id}/steps`)).json()) as { steps: unknown[] };
    await press(page, 'Control+\\');
    await said(page, /Undone: Round 1[67]: /);
    const left = (await taken(page, made)).length;
    expect(left).toBeLessThan(144);
    expect(left).toBeGreaterThanOrEqual(144 - 10);
    // A round is a step, and the tempo was one; a note struck at the very end may open a seventeenth round.
    expect(steps.steps.length).toBeGreaterThanOrEqual(17);
    expect(steps.steps.length).toBeLessThanOrEqual(18);
});

test('job 11: computer keys, count-in, metronome, quantized as it comes in, and the playing is still known', async ({
    page,
}) => {
    await ready(page, {}, { countIn: 1 });
    const made = await song(page, 60);
    await openRoll(page, made);
    await press(page, 'Home', '3');
    await said(page, 'Grid 1/4.');
    await press(page, 'F4', 'Alt+m');
    await said(page, 'The metronome is on.');
    await press(page, 'Control+Shift+\\');
    await said(page, 'Recordings are quantized to the part’s grid');
    await press(page, '\\');
    await expect(page.getByTestId('counting')).toContainText('in ', { timeout: 25_000 });
    await expect(page.getByTestId('position')).toBeVisible({ timeout: 25_000 });
    await page.keyboard.down('d');
    await page.waitForTimeout(150);
    await page.keyboard.up('d');
    await expect(page.getByTestId('said')).toContainText('Take: 1 note');
    await press(page, '\\');
    await said(page, '1 note recorded into Take.');
    const [note] = await taken(page, made);
    expect(note![3]).toBe(64);
    expect(note![1]! % 960).toBe(0);
    await press(page, 'F4', 'p');
    await expect.poll(async () => (await taken(page, made))[0]![8]).toBe(0);
});

test('each round is heard in the next, and the last is taken back while the take goes on', async ({ page }) => {
    await ready(page, {});
    const made = await song(page, 120);
    await openRoll(page, made);
    // One bar of two seconds, round and round.
    await press(page, 'Home', 'Alt+Shift+]', 'l', 'F4', '\\');
    await expect(page.getByTestId('said')).toContainText('Take, round 1: 0 notes', { timeout: 25_000 });
    await page.keyboard.down('d');
    await page.waitForTimeout(400);
    await page.keyboard.up('d');
    await expect(page.getByTestId('said')).toContainText('1 note ');
    // Nobody plays now: what sounds is what was recorded.
    await expect.poll(() => peak(page), { timeout: 25_000 }).toBe(0);
    await expect.poll(() => peak(page), { timeout: 25_000 }).toBeGreaterThan(5);
    await press(page, 'Control+\\');
    await said(page, /Undone: Round \d+: 1 note recorded\./);
    await expect(page.getByTestId('said')).toContainText(/round \d+: 0 notes/);
    expect(await taken(page, made)).toHaveLength(0);
    await press(page, 'f');
    await expect(page.getByTestId('said')).toContainText(': 1 note');
    await press(page, '\\');
    await said(page, '1 note recorded into Take.');
});

test('the pedal is recorded with the notes, and everything is put earlier by the latency that is set', async ({
    page,
}) => {
    const player = { passage: 'wake', loose: 0, seed: 1, tempo: null, times: 1 };
    await ready(page, player);
    const made = await song(page, 240);
    await openRoll(page, made);
    await press(page, 'Home', 'Alt+\\');
    const panel = page.getByRole('dialog', { name: 'Recording' });
    await panel.getByLabel('Latency').fill('900');
    await panel.getByLabel('Latency').press('Tab');
    await said(page, '900 was not taken');
    await panel.getByLabel('Latency').fill('150');
    await panel.getByLabel('Latency').press('Tab');
    await page.keyboard.press('Escape');
    await page.getByTestId('roll').focus();
    await press(page, 'Shift+ArrowRight', 'Shift+\\', 'Alt+k');
    await expect(page.getByTestId('said')).toContainText('Take: 12 notes', { timeout: 30_000 });
    await press(page, '\\');
    await said(page, '12 notes recorded into Take.');
    const part = (await fetchSong(page, made.id)).tracks[0]!.parts[0]!;
    const pedal = part.points.filter((p) => p[2] === 0xb0 && p[3] === 64);
    expect(pedal.map((p) => p[4])).toEqual([127, 0, 127, 0, 127, 0, 127, 0]);
    // The player heard as late as this machine says, and 150 ms were set: the rest is too early. 5 ms are 19 ticks here,
    // and the passage began at bar 2.
    await press(page, 'Alt+\\');
    const early = 150 - Number(await panel.getByTestId('told-latency').textContent());
    expect(Math.abs((await taken(page, made))[0]![1]! - (3840 - early * 3.84))).toBeLessThanOrEqual(19);
});

test('replace gives way to what is played, only in the span where it is bound to it', async ({ page }) => {
    test.slow();
    const player = { passage: 'engine', loose: 0, seed: 1, tempo: null, times: 1 };
    await ready(page, player, { mode: 'replace', punch: true });
    // Notes on every quarter of two bars.
    const made = await bring(
        page,
        midi([...FAR, ...[0, 1, 2, 3, 4, 5, 6, 7].map((i) => [i * 96, 40, 90, 60] as number[])]),
    );
    await page.request.post(`/api/songs/${made.id}/edits`, {
        data: { base: made.revision, do: [{ edit: 'tempo-set', params: { tempo: 240 } }] },
    });
    await openRoll(page, made);
    await press(page, 'Home', 'Shift+ArrowRight', 'Alt+[');
    await said(page, 'Span from 2.1.1 to 3.1.1.');
    await press(page, 'Home', 'Shift+\\', 'Alt+k');
    await expect(page.getByTestId('position')).toHaveText(/^3\./, { timeout: 30_000 });
    await press(page, '\\');
    await expect
        .poll(async () => (await taken(page, made)).filter((n) => n[3] === 90).map((n) => n[1]))
        .toEqual([0, 960, 1920, 2880]);
    const inside = (await taken(page, made)).filter((n) => n[3] !== 90);
    expect(inside).toHaveLength(8);
    for (const n of inside) expect(n[1]).toBeGreaterThan(3700);
    await press(page, 'Control+z');
    await expect.poll(async () => (await taken(page, made)).length).toBe(8);
});

test('a take goes into a new part where that is set, and the part is opened', async ({ page }) => {
    await ready(page, {}, { into: 'new' });
    const made = await song(page);
    await openRoll(page, made);
    await press(page, 'F4', '\\');
    await expect(page.getByTestId('part-name')).toHaveText('Take 2');
    await expect(page.getByTestId('said')).toContainText('Take: 0 notes', { timeout: 25_000 });
    await press(page, 'a');
    await expect(page.getByTestId('said')).toContainText('Take: 1 note');
    await press(page, '\\');
    await said(page, '1 note recorded into Take 2.');
    const parts = (await fetchSong(page, made.id)).tracks[0]!.parts;
    expect(parts.map((p) => p.notes.length)).toEqual([1, 1]);
});

test('a take interrupted by a lost server and a closed page is offered again and restored, each note once', async ({
    page,
}) => {
    await ready(page, {});
    const made = await song(page);
    await openRoll(page, made);
    await press(page, 'F4', '\\');
    await expect(page.getByTestId('said')).toContainText('Take: 0 notes', { timeout: 25_000 });
    // The first reaches the server, but its answer is lost; from then on nothing gets through.
    let arrived = 0;
    await page.route('**/edits', async (route) => {
        if (arrived++ === 0) await route.fetch();
        await route.abort();
    });
    await press(page, 'a');
    await expect.poll(async () => (await taken(page, made)).length).toBe(1);
    await press(page, 's', 'd');
    await page.keyboard.down('f');
    await said(page, 'The server does not answer.');
    await page.reload();
    await page.unroute('**/edits');
    const offer = page.getByTestId('take-offer');
    await expect(offer).toContainText('4 notes of it are kept in this browser only');
    expect(await taken(page, made)).toHaveLength(1);
    await offer.getByRole('button', { name: 'Keep it' }).click();
    await said(page, 'The take of Take is kept.');
    await expect(offer).toBeHidden();
    expect((await taken(page, made)).map((n) => n[3]).sort()).toEqual([60, 62, 64, 65]);
    await page.reload();
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await expect(offer).toBeHidden();
});

/** A server of its own on the same data, to be killed. */
async function server(port: number): Promise<() => void> {
    const run = spawn('php', ['-S', `127.0.0.1:${port}`, '-t', 'public', 'bin/router.php'], {
        detached: true,
        stdio: 'ignore',
        env: { ...process.env, PHP_CLI_SERVER_WORKERS: '3' },
    });
    await expect
        .poll(
            () =>
                fetch(`http://127.0.0.1:${port}/api/alive`).then(
                    (r) => r.status,
                    () => 0,
                ),
            { timeout: 30_000 },
        )
        .toBe(204);
    return () => process.kill(-run.pid!, 'SIGKILL');
}

function freePort(): Promise<number> {
    return new Promise((resolve) => {
        const probe = createServer().listen(0, '127.0.0.1', () => {
            const { port } = probe.address() as AddressInfo;
            probe.close(() => resolve(port));
        });
    });
}

test('a take outlives a server that is killed and a page that is loaded again', async ({ page }) => {
    test.slow();
    await ready(page, {});
    const made = await song(page);
    const port = await freePort();
    let kill = await server(port);
    try {
        await page.goto(`http://127.0.0.1:${port}/songs/${made.id}/parts/${made.tracks[0]!.parts[0]!.id}`);
        await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
        await press(page, 'F4', '\\');
        await expect(page.getByTestId('said')).toContainText('Take: 0 notes', { timeout: 25_000 });
        await press(page, 'a');
        await expect.poll(async () => (await taken(page, made)).length).toBe(1);
        kill();
        await press(page, 's', 'd', 'f');
        await said(page, 'The server does not answer.');
        await press(page, '\\');
        kill = await server(port);
        // It comes back by itself: what waited is sent. Killed once more, with a take under way, and the page closed.
        await said(page, '4 notes recorded into Take.');
        await press(page, '\\');
        await expect(page.getByTestId('said')).toContainText('Take: 0 notes', { timeout: 25_000 });
        kill();
        await press(page, 'g', 'h');
        await said(page, 'The server does not answer.');
        const address = page.url();
        await page.goto('about:blank');
        kill = await server(port);
        await page.goto(address);
        const offer = page.getByTestId('take-offer');
        await expect(offer).toContainText('2 notes of it are kept in this browser only');
        await offer.getByRole('button', { name: 'Keep it' }).click();
        await said(page, 'The take of Take is kept.');
        expect((await taken(page, made)).map((n) => n[3]).sort()).toEqual([60, 62, 64, 65, 67, 69]);
    } finally {
        kill();
    }
});

test('an interrupted take can be thrown away', async ({ page }) => {
    await ready(page, {});
    const made = await song(page);
    await openRoll(page, made);
    await press(page, 'F4', '\\');
    await expect(page.getByTestId('said')).toContainText('Take: 0 notes', { timeout: 25_000 });
    await page.route('**/edits', (route) => route.abort());
    await press(page, 'a');
    await said(page, 'The server does not answer.');
    await page.reload();
    await page.unroute('**/edits');
    await page.getByTestId('take-offer').getByRole('button', { name: 'Discard' }).click();
    await said(page, 'The interrupted take is discarded.');
    await expect(page.getByTestId('take-offer')).toBeHidden();
    expect(await taken(page, made)).toHaveLength(0);
    expect(await page.evaluate(() => Object.keys(localStorage).filter((k) => k.startsWith('jactonic.take')))).toEqual(
        [],
    );
});
