import { expect, test } from './silent';
import { bring, LOOSE, midi, notesOf, openRoll, press, said } from './support';

for (const [what, cut] of [
    ['empty', () => ''],
    ['cut off', (body: string) => body.slice(0, body.length >> 1)],
] as const)
    test(`an answer that is ${what} is none: what was done is done once, and goes on`, async ({ page }) => {
        const song = await bring(page, midi(LOOSE));
        await openRoll(page, song);
        let times = 0;
        await page.route('**/edits', async (route) => {
            const answer = await route.fetch();
            times++;
            if (times > 1) return route.fulfill({ response: answer });
            await route.fulfill({ status: 200, contentType: 'application/json', body: cut(await answer.text()) });
        });
        await press(page, 'Control+a', 'ArrowUp', 'ArrowUp');
        await expect.poll(async () => (await notesOf(page, song)).map((n) => n[3])).toEqual([62, 63, 64, 65, 66, 67, 68, 69]); // prettier-ignore
        await expect(page.getByLabel('Saving')).toBeHidden();
        expect(times).toBeGreaterThan(1);
        await press(page, 'ArrowDown');
        await said(page, '8 notes down a semitone.');
    });

test('a server that is busy is asked again, and the sentence says so meanwhile', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    let busy = true;
    await page.route('**/edits', (route) =>
        busy
            ? route.fulfill({
                  status: 507,
                  contentType: 'application/problem+json',
                  body: JSON.stringify({ detail: 'There is no room left on the disk. Make room.' }),
              })
            : route.continue(),
    );
    await press(page, 'Control+a', 'ArrowUp');
    await said(page, 'There is no room left on the disk. Make room. What you did is kept and will be sent again.');
    busy = false;
    await said(page, '8 notes up a semitone.');
    expect((await notesOf(page, song))[0]![3]).toBe(61);
});

test('scripts are small, kept for ever, and sent with the headers of pages', async ({ page }) => {
    const html = await (await page.request.get('/')).text();
    const script = /src="([^"]*\/build\/assets\/[^"]+\.js)"/.exec(html)![1]!;
    const answer = await page.request.get(new URL(script).pathname);
    const headers = answer.headers();
    expect(headers['content-encoding']).toBe('gzip');
    expect(headers['cache-control']).toContain('immutable');
    expect(headers['content-security-policy']).toContain("default-src 'none'");
    expect(headers['cross-origin-resource-policy']).toBe('same-origin');
    expect(headers['x-powered-by']).toBeUndefined();
    expect((await page.request.get('/')).headers()['x-powered-by']).toBeUndefined();
    // The bank is asked for again, and not sent again.
    const bank = await page.request.head('/sound/bank.sf3');
    const again = await page.request.get('/sound/bank.sf3', { headers: { 'If-None-Match': bank.headers().etag! } });
    expect(again.status()).toBe(304);
});

test('what a page asks for first is asked for once, beside its script, and is used', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    const asked: string[] = [];
    const begun: string[] = [];
    const warned: string[] = [];
    page.on('request', (r) => {
        const path = new URL(r.url()).pathname;
        if (r.resourceType() === 'script') begun.push(path);
        if (/^\/api\/(setup|songs\/\d+)$/.test(path)) asked.push(path);
    });
    page.on('console', (m) => /preload/.test(m.text()) && warned.push(m.text()));
    for (const place of ['', `/parts/${song.tracks[0]!.parts[0]!.id}`]) {
        asked.length = begun.length = 0;
        const html = await (await page.request.get(`/songs/${song.id}${place}`)).text();
        expect(html).toContain(`<link rel="preload" as="fetch" href="/api/songs/${song.id}?brief=1" crossorigin>`);
        await page.goto(`/songs/${song.id}${place}`);
        await expect(page.getByTestId(place ? 'roll' : 'staves')).toHaveAttribute('data-drawn', /^\d/);
        expect(asked.sort()).toEqual(['/api/setup', `/api/songs/${song.id}`]);
        expect(begun.some((b) => b.includes(place ? '/RollPage-' : '/SongPage-'))).toBe(true);
    }
    // Chromium says of what was fetched and is not used that it was, some seconds after the page.
    await page.waitForTimeout(4000);
    expect(warned).toEqual([]);
});

test('a long way through the history is gone in pieces, and Esc stops it on the way', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await openRoll(page, song);
    await press(page, 'Control+a', 'ArrowUp', 'ArrowUp', 'Control+ArrowUp');
    await expect.poll(async () => (await notesOf(page, song))[0]![3]).toBe(62);
    let asked = 0;
    // As a server answers that has 40 more pieces to go.
    await page.route('**/steps', async (route) => {
        if (route.request().method() !== 'POST') return route.continue();
        const answer = await route.fetch();
        const body = (await answer.json()) as { said: string[]; left?: number };
        asked++;
        if (asked < 40) Object.assign(body, { left: 40 - asked, said: [`${40 - asked} to go; Esc stops.`] });
        await new Promise((resolve) => setTimeout(resolve, 100));
        await route.fulfill({ response: answer, json: body });
    });
    await press(page, 'j');
    await page.getByRole('dialog', { name: 'History' }).getByRole('button', { name: 'As it was at the start' }).click();
    await said(page, /^3\d to go; Esc stops\.$/);
    await expect.poll(() => asked).toBeGreaterThan(3);
    await press(page, 'Escape', 'Escape');
    await said(page, /^Stopped \d+ steps before it\.$/);
    const stopped = asked;
    await page.waitForTimeout(500);
    expect(asked).toBe(stopped);
    expect((await notesOf(page, song))[0]![3]).toBe(60);
});

test('what takes long says how far it is, and Esc or the button stops it with nothing changed', async ({ page }) => {
    const many = Array.from({ length: 12_000 }, (_, i) => [i * 24, 24 * 16, 40 + (i % 40), 80]);
    const song = await bring(page, midi(many));
    await openRoll(page, song);
    for (const stop of [
        () => press(page, 'Escape'),
        () => page.getByRole('button', { name: 'Stop' }).first().click(),
    ]) {
        await press(page, 'Control+a', 'x');
        await expect(page.getByTestId('long')).toHaveText(/^Working: [\d,]+ notes so far$/);
        await stop();
        await said(page, 'Stopped. Nothing was changed.');
        await expect(page.getByTestId('long')).toBeHidden();
        expect((await notesOf(page, song)).length).toBe(12_000);
    }
    await press(page, 'Escape', 'd', 'ArrowUp');
    await said(page, /up a semitone/);
});

test('what is pressed while a page is still fetched is meant for it', async ({ page }) => {
    const song = await bring(page, midi(LOOSE));
    await page.route('**/SongPage*.js', async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 800));
        await route.continue();
    });
    await openRoll(page, song);
    await press(page, 'Alt+Shift+w');
    await said(page, 'Acoustic Grand Piano is empty.');
    // With the part its page goes. In the roll this key is an edit of notes; on the page of the song it is the track's level.
    await press(page, 'Control+z');
    await expect(page).toHaveURL(/songs\/\d+$/);
    await press(page, 'Alt+ArrowDown');
    await said(page, '“Take”: volume 96, pan in the middle.');
});
