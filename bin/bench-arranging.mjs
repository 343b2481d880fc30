// The song page: many parts moved together, a song of many parts opened and scrolled.
export function arranging({ browser, base, bring, row, median, p95, againstFloor, frames, countFrames, smooth }) {
    /** A file of so many tracks, each of so many notes, sixteenths, 96 ticks a quarter. */
    function file(tracks, notes) {
        const chunks = Array.from({ length: tracks }, (_, t) => {
            const body = [0, 0xc0 | t % 9, (t * 7) % 128];
            let wait = 0;
            for (let i = 0; i < notes; i++) {
                const pitch = 40 + ((i * 7 + t) % 40);
                body.push(wait, 0x90 | t % 9, pitch, 80, 20, 0x80 | t % 9, pitch, 64);
                wait = 4;
            }
            body.push(0, 255, 47, 0);
            const head = Buffer.from('4d54726b00000000', 'hex');
            head.writeUInt32BE(body.length, 4);
            return Buffer.concat([head, Buffer.from(body)]);
        });
        const head = Buffer.from('4d54686400000006000100000060', 'hex');
        head.writeUInt16BE(tracks, 10);
        return Buffer.concat([head, ...chunks]);
    }

    async function edit(song, command) {
        const now = await (await fetch(`${base}/api/songs/${song.id}`)).json();
        const answer = await fetch(`${base}/api/songs/${song.id}/edits`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ base: now.revision, do: [command] }) });
        if (!answer.ok) throw new Error((await answer.text()).slice(0, 300));
    }

    async function open(song, prepare) {
        const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, bypassCSP: true });
        if (prepare) await page.addInitScript(prepare);
        await page.goto(`${base}/songs/${song.id}`);
        await page.waitForSelector('[data-testid=staves][data-drawn]');
        return page;
    }

    return async () => {
        const hundred = await bring(file(100, 500), 'hundred.mid');
        const page = await open(hundred);
        await page.keyboard.press('Control+a');
        await page.waitForTimeout(800);
        await againstFloor(page, hundred, 'staves', ['ArrowRight', 'ArrowLeft'], 30, '100 parts of 500 notes moved', 4);
        await page.close();

        // 20 tracks, each cut into ten parts: 200 of 250 notes.
        const many = await bring(file(20, 2500), 'many.mid');
        const parts = many.tracks.map((t) => t.parts[0].id);
        const bars = Math.ceil((2500 * 24) / 384 / 10);
        await edit(many, { edit: 'part-split', on: { parts }, params: { every: 'bars', bars, at: 1 } });
        const there = (await (await fetch(`${base}/api/songs/${many.id}`)).json()).tracks.flatMap((t) => t.parts).length;
        if (there !== 200) throw new Error(`There are ${there} parts, and not 200.`);
        const one = await bring(file(1, 50_000), 'one.mid');
        const seconds = async (song) => {
            const fresh = await browser.newPage({ viewport: { width: 1280, height: 800 } });
            const begin = performance.now();
            await fresh.goto(`${base}/songs/${song.id}`);
            await fresh.waitForSelector('[data-testid=staves][data-drawn]');
            const took = (performance.now() - begin) / 1000;
            await fresh.close();
            return took;
        };
        const [opened, floors] = [[], []];
        for (let i = 0; i < 7; i++) {
            floors.push(await seconds(one));
            opened.push(await seconds(many));
        }
        const [got, floor] = [median(opened.slice(1)), median(floors.slice(1))];
        row('open a song of 200 parts, 50,000 notes', got / floor, '× one part of as many', 1.5, `${got.toFixed(2)} s against ${floor.toFixed(2)} s`);
        // Half a second after it is on screen, while the page still makes itself ready; and once it has.
        for (const [after, when] of [[500, 'just opened'], [3000, 'opened before']]) {
            const scrolled = await open(many, countFrames);
            await scrolled.waitForTimeout(after);
            const busy = await frames(scrolled, 'sheets');
            smooth(`scroll and zoom 200 parts ${when}`, busy);
            await scrolled.close();
        }
    };
}
