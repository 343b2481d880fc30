// What bench.mjs measures of the sound: by what the thread that makes it did, and by the sound itself.

/** Writes down what the sound does, and the sound, from the first block on. */
const LISTEN = () => {
    const heard = (window.heard = { did: [], told: [], pieces: [], node: null });
    const Real = window.AudioWorkletNode;
    window.AudioWorkletNode = class extends Real {
        constructor(...args) {
            super(...args);
            if (args[1] !== 'jactonic-sound') return;
            heard.node = this;
            this.port.addEventListener('message', ({ data }) => (data.kind === 'did' ? heard.did.push(...data.did) : heard.told.push(data)));
            this.port.postMessage({ kind: 'watch' });
        }
    };
    const connect = AudioNode.prototype.connect;
    AudioNode.prototype.connect = function (target, ...rest) {
        if (target instanceof AudioDestinationNode && !heard.context) {
            heard.context = this.context;
            void (async () => {
                const code = `registerProcessor('rec', class extends AudioWorkletProcessor { process([i]) { if (i[0]) this.port.postMessage([currentFrame, i[0].slice(0)]); return true; } })`;
                await this.context.audioWorklet.addModule(URL.createObjectURL(new Blob([code], { type: 'text/javascript' })));
                const node = new Real(this.context, 'rec');
                node.port.onmessage = (e) => heard.pieces.push(e.data);
                connect.call(this, node);
                connect.call(node, this.context.destination);
            })();
        }
        return connect.call(this, target, ...rest);
    };
    /** Beginnings of sounds at least so many seconds apart, by the audio clock. */
    heard.onsets = (apart) => {
        const rate = heard.context.sampleRate;
        const first = heard.pieces[0][0];
        const sound = new Float32Array(heard.pieces.at(-1)[0] - first + 128);
        for (const [at, piece] of heard.pieces) sound.set(piece, at - first);
        const peak = sound.reduce((a, b) => Math.max(a, Math.abs(b)), 0);
        const onsets = [];
        for (let i = 0; i < sound.length; i++) if (Math.abs(sound[i]) > peak * 0.2 && (onsets.length === 0 || i - onsets.at(-1) > rate * apart)) onsets.push(i);
        return onsets.map((i) => (i + first) / rate);
    };
    heard.report = async () => {
        const before = heard.told.length;
        heard.node.port.postMessage({ kind: 'report' });
        for (;;) {
            const found = heard.told.slice(before).find((t) => t.kind === 'report');
            if (found) return found.report;
            await new Promise((resolve) => setTimeout(resolve, 10));
        }
    };
};

const BLOCK_PAGE = () =>
    setInterval(() => {
        for (const until = performance.now() + 300; performance.now() < until; );
    }, 1000);

export function playing({ browser, base, bring, track, midi, row, median }) {
    const drums = (count, every) => track(Array.from({ length: count }, (_, i) => [[i * every, 0x99, 76, 120], [i * every + Math.min(10, every - 1), 0x89, 76, 64]]).flat(), []);

    /** A page as a person has it who comes for the first time: nothing is kept from before. */
    async function cold(song, prepare = {}) {
        const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, bypassCSP: true });
        const page = await context.newPage();
        await page.addInitScript((kept) => Object.entries(kept).forEach(([k, v]) => localStorage.setItem(k, v)), { 'jactonic.hear': 'off', ...prepare });
        await page.addInitScript(LISTEN);
        await page.goto(`${base}/songs/${song.id}/parts/${song.tracks.find((t) => t.parts.length > 0).parts[0].id}`);
        await page.waitForSelector('[data-testid=roll][data-drawn]');
        return page;
    }

    const until = (page, kind, timeout = 60_000) => page.waitForFunction((kind) => window.heard.told.some((t) => t.kind === kind), kind, { timeout });
    const begun = (page) => page.evaluate(() => window.heard.told.find((t) => t.kind === 'began').at);
    const ons = (page) => page.evaluate(() => window.heard.did.filter(([, m]) => typeof m !== 'string' && m[1] === 0x90).map(([at]) => at));
    const report = (page) => page.evaluate(() => window.heard.report());

    async function play(page) {
        await page.keyboard.press('Home');
        await page.keyboard.press('Space');
        await until(page, 'ended');
        await page.waitForTimeout(300);
    }

    async function strokes() {
        // The drum's own attack: struck alone.
        const alone = await cold(await bring(drums(1, 24)));
        await play(alone);
        const attack = (await alone.evaluate(() => window.heard.onsets(0.09)))[0] - (await ons(alone))[0];
        await alone.context().close();
        const song = await bring(drums(48, 24));
        let worst = 0, missing = 0, apart = 0, lost = 0, clock = 0;
        for (let load = 0; load < 10; load++) {
            const page = await cold(song);
            // Space at once, as an impatient person does, in half of them.
            if (load % 2) await page.waitForTimeout(2500);
            await play(page);
            const at = await begun(page);
            const heard = await page.evaluate(() => window.heard.onsets(0.09));
            missing += Math.max(0, 48 - heard.length);
            heard.slice(0, 48).forEach((t, i) => (worst = Math.max(worst, Math.abs(t - attack - (at + i * 0.125)) * 1000)));
            (await ons(page)).forEach((t, i) => (apart = Math.max(apart, Math.abs(t - (at + i * 0.125)) * 1000)));
            const now = await report(page);
            lost += now.lost;
            clock = Math.max(clock, now.apart * 1000);
            await page.context().close();
        }
        row('strokes in the sound against their time, worst of ten cold loads', worst, 'ms', 3, `the drum's attack, struck alone: ${(attack * 1000).toFixed(2)} ms; frames not asked for: ${lost}`);
        row('strokes missing in ten cold loads', missing, '', 0);
        row('the synthesizer’s clock against the audio clock, at any block', clock, 'ms', 0.001);
        row('messages done against their time, worst', apart, 'ms', 0.02, 'a frame is 0.023 ms');
    }

    async function together() {
        const page = await cold(await bring(drums(16, 96)), { 'jactonic.metronome': 'on' });
        await play(page);
        const worst = await page.evaluate(() => {
            const clicks = window.heard.did.filter(([, m]) => typeof m === 'string').map(([at]) => at);
            return Math.max(...window.heard.did.filter(([, m]) => m[1] === 0x90).map(([at]) => Math.min(...clicks.map((c) => Math.abs(c - at)))));
        });
        row('click and note struck together', worst * 1000, 'ms', 1);
        await page.context().close();
    }

    /** How long after a press the sound begins, by the audio clock. */
    async function answering() {
        const page = await cold(await bring(drums(400, 24)));
        await page.waitForTimeout(3000);
        const starts = [], strikes = [];
        const press = (key) =>
            page.evaluate(async (key) => {
                const before = window.heard.did.length;
                const at = window.heard.context.currentTime;
                window.dispatchEvent(new KeyboardEvent('keydown', { key, code: key === ' ' ? 'Space' : 'KeyA', bubbles: true, cancelable: true }));
                for (;;) {
                    const on = window.heard.did.slice(before).find(([, m]) => typeof m !== 'string' && m[1] === 0x90);
                    if (on) return (on[0] - at) * 1000;
                    await new Promise((resolve) => setTimeout(resolve, 2));
                }
            }, key);
        for (let i = 0; i < 15; i++) {
            await page.keyboard.press('Home');
            starts.push(await press(' '));
            await page.keyboard.press('Space');
            await page.waitForTimeout(150);
        }
        await page.keyboard.press('F4');
        for (let i = 0; i < 15; i++) {
            strikes.push(await press('a'));
            await page.evaluate(() => window.dispatchEvent(new KeyboardEvent('keyup', { key: 'a', code: 'KeyA', bubbles: true })));
            await page.waitForTimeout(120);
        }
        row('Space → the first note, by the audio clock', median(starts), 'ms', 50, `worst ${Math.max(...starts).toFixed(1)} ms`);
        row('a key struck → its note, besides the machine’s latency', median(strikes), 'ms', 20, `worst ${Math.max(...strikes).toFixed(1)} ms`);
        await page.context().close();
    }

    async function heldUp() {
        const page = await cold(await bring(drums(160, 24)));
        await page.evaluate(BLOCK_PAGE);
        await page.keyboard.press('Home');
        await page.keyboard.press('Space');
        await until(page, 'ended', 120_000);
        const at = await begun(page);
        const heard = await ons(page);
        row('the page held up 300 ms every second: strokes missing or late', 160 - heard.filter((t, i) => Math.abs(t - at - i * 0.125) < 0.001).length, 'of 160', 0);
        await page.context().close();
    }

    async function take() {
        const player = { passage: 'bell', loose: 20, seed: 7, tempo: null, times: 1 };
        const song = await bring(midi(1));
        const page = await cold(song, { 'jactonic.player': JSON.stringify(player), 'jactonic.recording': JSON.stringify({ countIn: 0, click: false }) });
        await page.waitForTimeout(2500);
        await page.keyboard.press('Home');
        await page.keyboard.press('Shift+\\');
        await page.keyboard.press('Alt+k');
        await page.waitForFunction(() => document.querySelector('[data-testid=said]')?.textContent.includes(': 9 notes'), null, { timeout: 40_000 });
        await page.keyboard.press('\\');
        await page.waitForTimeout(800);
        const now = await (await fetch(`${base}/api/songs/${song.id}`)).json();
        const given = (await (await fetch(`${base}/api/songs/${song.id}/reading`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ reading: 'passage-reading', params: { ...player, from: 0 } }) })).json()).events;
        const there = new Set(song.tracks[0].parts[0].notes.map((n) => n[0]));
        const taken = now.tracks[0].parts[0].notes.filter((n) => !there.has(n[0])).map((n) => (n[1] / now.ppq) * 0.5).sort((a, b) => a - b);
        row('a take of the simulated player against what it was given, worst', Math.max(...given.filter((e) => 'pitch' in e).map((e, i) => Math.abs((taken[i] ?? Infinity) - e.on) * 1000)), 'ms', 2);
        await page.context().close();
    }

    /** From a key press to the first note that is heard otherwise, while it plays. */
    async function toTheEar() {
        const page = await cold(await bring(drums(1600, 6)));
        await page.waitForTimeout(2500);
        await page.keyboard.press('Home');
        await page.keyboard.press('Control+a');
        await page.keyboard.press('Space');
        await until(page, 'began');
        const times = [];
        for (let i = 0; i < 15; i++) {
            const key = i % 2 ? 'ArrowDown' : 'ArrowUp';
            times.push(
                await page.evaluate(
                    async ([key, pitch]) => {
                        const before = window.heard.did.length;
                        const at = window.heard.context.currentTime;
                        window.dispatchEvent(new KeyboardEvent('keydown', { key, code: key, bubbles: true, cancelable: true }));
                        for (;;) {
                            const on = window.heard.did.slice(before).find(([, m]) => m[1] === 0x90 && m[2] === pitch);
                            if (on) return (on[0] - at) * 1000;
                            await new Promise((resolve) => setTimeout(resolve, 2));
                        }
                    },
                    [key, i % 2 ? 76 : 77],
                ),
            );
            await page.waitForTimeout(150);
        }
        row('an edit of 1,600 notes → the ear, while it plays', median(times), 'ms', 150, `worst ${Math.max(...times).toFixed(0)} ms; a note every 31 ms`);
        await page.context().close();
    }

    /** 64 voices on 16 channels while the roll scrolls. */
    async function load() {
        const events = [];
        for (let c = 0; c < 16; c++) for (let v = 0; v < 4; v++) events.push([v * 2, 0x90 | (c === 9 ? 8 : c), 36 + v * 5 + c, 90], [96 * 40, 0x80 | (c === 9 ? 8 : c), 36 + v * 5 + c, 64]);
        for (let i = 0; i < 160; i++) events.push([i * 24, 0x90, 90, 60], [i * 24 + 12, 0x80, 90, 64]);
        const programs = Array.from({ length: 16 }, (_, c) => [0, 0xc0 | c, 48]).flat();
        const page = await cold(await bring(track(events.sort((a, b) => a[0] - b[0]), programs)));
        await page.waitForTimeout(3000);
        await page.keyboard.press('Home');
        const stats = () => page.evaluate(() => window.heard.context.playbackStats?.underrunDuration ?? NaN);
        const before = await stats();
        await page.keyboard.press('Space');
        await until(page, 'began');
        const box = await page.locator('[data-testid=notes]').boundingBox();
        await page.mouse.move(box.x + 300, box.y + 200);
        for (let i = 0; i < 150; i++) {
            await page.mouse.wheel(i % 40 < 20 ? 60 : -60, 10);
            await page.waitForTimeout(50);
        }
        const now = await report(page);
        row('64 voices, the roll scrolls: share of the time that makes sound', now.load * 100, '%', 80, `${now.voices} voices, ${now.lost} frames not asked for, late ${now.late}; underruns of the device ${((await stats()) - before).toFixed(3)} s`);
        await page.context().close();
    }

    /** Ten minutes behind another page. */
    async function hidden() {
        const page = await cold(await bring(drums(4800, 24)));
        await page.waitForTimeout(2500);
        await page.keyboard.press('Home');
        await page.keyboard.press('Space');
        await until(page, 'began');
        const cdp = await page.context().newCDPSession(page);
        const other = await page.context().newPage();
        await other.goto('about:blank');
        await other.bringToFront();
        await cdp.send('Page.setWebLifecycleState', { state: 'frozen' }).catch(() => {});
        await other.waitForTimeout(600_000);
        await cdp.send('Page.setWebLifecycleState', { state: 'active' }).catch(() => {});
        await page.bringToFront();
        await page.waitForTimeout(2000);
        const at = await begun(page);
        // By the audio clock: a machine that is busy lets that go slower than the other.
        const due = Math.floor(((await page.evaluate(() => window.heard.context.currentTime)) - 0.5 - at) / 0.125);
        const heard = await ons(page);
        row('ten minutes hidden and frozen: strokes missing or late', heard.filter((t, i) => Math.abs(t - at - i * 0.125) >= 0.001).length + Math.max(0, due - heard.length), `of ${due}`, 0, `${heard.length} strokes`);
        await page.context().close();
    }

    return {
        async playing() {
            for (const one of [strokes, together, answering, heldUp, take, toTheEar, load]) await one();
        },
        hidden,
    };
}
