// Measures what docs/architecture.md promises, in one run, and prints a table with the ratio to the target.
// Started by bin/bench, which starts the server: bench.mjs PORT [server] [keys] [resolving] [scrolling] [underlay] [arranging] [opening] [playing] [hidden] [reading] [size]
import { chromium } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { joined, midi, track } from './bench-files.mjs';
import { arranging } from './bench-arranging.mjs';
import { playing } from './bench-playing.mjs';

const base = `http://127.0.0.1:${process.argv[2]}`;
const rows = [];
const row = (what, got, unit, target, note = '') => {
    console.error(`${what}: ${Number(got).toFixed(2)} ${unit}`);
    rows.push({ what, got, unit, target, note });
};
const sorted = (all) => [...all].sort((a, b) => a - b);
const median = (all) => sorted(all)[Math.floor(all.length / 2)];
const p95 = (all) => sorted(all)[Math.min(all.length - 1, Math.ceil(all.length * 0.95) - 1)];

async function bring(bytes, name = 'bench.mid') {
    const form = new FormData();
    form.append('file', new Blob([bytes]), name);
    const { song } = await (await fetch(`${base}/api/imports`, { method: 'POST', body: form })).json();
    return (await fetch(`${base}/api/songs/${song.id}`)).json();
}

/** Ids as the interface tells them: of those that follow one another a pair. */
function inPairs(ids) {
    const pairs = [];
    for (const id of ids.toSorted((a, b) => a - b)) {
        if (pairs.length > 0 && pairs.at(-1)[1] === id - 1) pairs.at(-1)[1] = id;
        else pairs.push([id, id]);
    }
    return pairs;
}

/** Median milliseconds of edits of a song, asked for as the interface asks, and of an empty route asked in between. */
async function edits(song, runs, command) {
    let revision = song.revision;
    const empty = [], edit = [];
    for (let i = 0; i < runs; i++) {
        let begin = performance.now();
        await (await fetch(`${base}/api/alive`)).text();
        empty.push(performance.now() - begin);
        begin = performance.now();
        const answer = await fetch(`${base}/api/songs/${song.id}/edits`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ base: revision, brief: true, do: [command(i)] }) });
        const text = await answer.text();
        edit.push(performance.now() - begin);
        if (!answer.ok) throw new Error(text.slice(0, 300));
        revision = JSON.parse(text).revision;
    }
    return { empty: median(empty), edit: median(edit) };
}

async function server() {
    for (const [count, runs] of [[1000, 61], [20000, 15]]) {
        const song = await bring(midi(count));
        const part = song.tracks[0].parts[0];
        const on = { part: part.id, notes: inPairs(part.notes.map((note) => note[0])) };
        // Back and forth, so that every note moves every time.
        const { empty, edit } = await edits(song, runs, (i) => (i % 2 ? { edit: 'as-played', on } : { edit: 'quantize', on, params: { grid: '1/16' } }));
        if (count === 1000) {
            row('server: edit of 1,000 notes', edit / empty, '× empty route', 1.8, `${edit.toFixed(1)} ms against ${empty.toFixed(1)} ms`);
            continue;
        }
        const floor = Number(execFileSync('php', [...process.env.PHP_FAST.split(' '), 'bin/bench-floor.php', String(count)], { encoding: 'utf8' }));
        row('server: edit of 20,000 notes', edit / floor, '× plain PHP', 2, `${edit.toFixed(1)} ms against ${floor.toFixed(1)} ms`);
        const now = await (await fetch(`${base}/api/songs/${song.id}`)).json();
        const one = await edits(now, 41, (i) => ({ edit: 'transpose', on: { part: part.id, notes: [part.notes[9000][0]] }, params: { semitones: i % 2 ? -1 : 1 } }));
        row('server: edit of one note among 20,000', one.edit / one.empty, '× empty route', 2, `${one.edit.toFixed(1)} ms against ${one.empty.toFixed(1)} ms`);
    }
}

const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--autoplay-policy=no-user-gesture-required'],
});

async function roll(song, prepare) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, bypassCSP: true });
    await page.addInitScript(() => localStorage.setItem('jactonic.hear', 'off'));
    if (prepare) await page.addInitScript(prepare);
    await page.goto(`${base}/songs/${song.id}/parts/${song.tracks[0].parts[0].id}`);
    await page.waitForSelector('[data-testid=roll][data-drawn]');
    return page;
}

/** Milliseconds from a key press until what it did is on screen. */
function untilSeen(page, surface, key) {
    return page.evaluate(
        ([surface, key]) =>
            new Promise((resolve) => {
                const el = document.querySelector(`[data-testid=${surface}]`);
                const before = el.dataset.drawn.split(' ')[0];
                const begin = performance.now();
                const observer = new MutationObserver(() => {
                    if (el.dataset.drawn.split(' ')[0] === before) return;
                    observer.disconnect();
                    resolve(performance.now() - begin);
                });
                observer.observe(el, { attributes: true, attributeFilter: ['data-drawn'] });
                window.dispatchEvent(new KeyboardEvent('keydown', { key, code: key, bubbles: true, cancelable: true }));
            }),
        [surface, key],
    );
}

/** Milliseconds of a command that changes nothing, asked for and answered in the same page, and the frame after it. */
function floorOf(page, song) {
    return page.evaluate(
        async ([id, part]) => {
            const begin = performance.now();
            const answer = await fetch(`/api/songs/${id}/landing`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ brief: true, do: [{ select: 'none', on: { part, notes: [] } }] }) });
            await answer.json();
            await new Promise((resolve) => requestAnimationFrame(resolve));
            return performance.now() - begin;
        },
        [song.id, song.tracks[0].parts[0].id],
    );
}

/** Presses two keys in turn, each between two floors, and tells the ratio of the 95th percentiles. */
async function againstFloor(page, song, surface, [there, back], runs, what, target) {
    const times = [], floors = [];
    for (let i = 0; i < runs; i++) {
        floors.push(await floorOf(page, song));
        times.push(await untilSeen(page, surface, i % 2 ? back : there));
        await page.waitForTimeout(30);
    }
    const [got, floor] = [p95(times.slice(2)), p95(floors.slice(2))];
    row(`${what}, key press → on screen, 95th percentile`, got / floor, '× a command that changes nothing', target, `${got.toFixed(1)} ms against ${floor.toFixed(1)} ms; medians ${median(times).toFixed(1)} and ${median(floors).toFixed(1)} ms`);
}

async function keys() {
    for (const [count, runs, target] of [[1000, 60, 1.5], [20000, 24, 4]]) {
        const song = await bring(midi(count));
        const page = await roll(song);
        await page.keyboard.press('Control+a');
        await page.waitForTimeout(500);
        await page.keyboard.press('e');
        await againstFloor(page, song, 'roll', ['ArrowRight', 'ArrowLeft'], runs, `${count.toLocaleString('en')} notes`, target);
        await page.close();
    }
}

/** Two lanes of 25,000 points each, scrolled and zoomed. */
async function lanesScrolled() {
    const events = [[0, 0x90, 60, 80], [90, 0x80, 60, 64]];
    for (let i = 0; i < 25000; i++) events.push([i * 6, 0xb0, 11, 20 + (i % 90)], [i * 6, 0xb0, 1, 20 + ((i * 7) % 90)]);
    const page = await roll(await bring(track(events.sort((a, b) => a[0] - b[0]), [])), countFrames);
    for (const lane of ['e', 'm']) {
        await page.keyboard.press('Alt+v');
        await page.keyboard.press(lane);
    }
    await page.waitForTimeout(400);
    const busy = await frames(page);
    smooth('scroll and zoom, two lanes of 25,000 points', busy);
    await page.close();
}

/** A lane: all of 20,000 points shaped by a key; and a stroke over 64 bars, with how many points the server keeps of it. */
async function lanes() {
    const events = [[0, 0x90, 60, 80], [90, 0x80, 60, 64]];
    for (let i = 0; i < 20000; i++) events.push([i * 6, 0xb0, 11, 20 + (i % 90)]);
    const shaped = await bring(track(events.sort((a, b) => a[0] - b[0]), []));
    const page = await roll(shaped);
    await page.keyboard.press('Alt+v');
    await page.keyboard.press('e');
    await page.waitForTimeout(300);
    await page.keyboard.press('Control+a');
    await page.waitForTimeout(500);
    await againstFloor(page, shaped, 'roll', ['ArrowUp', 'ArrowDown'], 20, '20,000 points shaped', 3);
    await page.close();
    await lanesScrolled();
    // A rise over 64 bars: what half a unit needs is one point a unit.
    const song = await bring(midi(4));
    const part = song.tracks[0].parts[0].id;
    const drawn = await fetch(`${base}/api/songs/${song.id}/edits`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ base: song.revision, do: [{ edit: 'lane-line', on: { part, notes: [] }, params: { lane: 'cc:11', from: 0, to: 64 * 3840, low: 0, high: 127 } }] }) });
    const { parts } = await drawn.json();
    row('a line over 64 bars: points kept, to those that it needs', parts[part].putPoints.length / 128, '×', 2);
}

/** From the event of a key press to its command having been called, with 500 shortcuts more than ship. */
async function resolving() {
    const own = (await (await fetch(`${base}/api/key-sets`)).json()).keymap;
    const more = [];
    for (const mod of ['', 'Shift+', 'Alt+', 'Mod+'])
        for (const first of ['F6', 'F7', 'F10', 'Insert', 'IntlBackslash'])
            for (const second of 'ABCDEFGHIJKLMNOPQRSTUVWXYZ') if (more.length < 500) more.push({ context: 'roll', keys: `${mod}${first} ${second}`, command: 'escape', params: {}, label: 'x' });
    const answer = await fetch(`${base}/api/key-sets/import`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ file: { kind: 'keys', name: 'Many', keys: [...own, ...more] } }) });
    if (!answer.ok) throw new Error(await answer.text());
    const page = await roll(await bring(midi(100)));
    const times = await page.evaluate(() => {
        const press = (key) => window.dispatchEvent(new KeyboardEvent('keydown', { key, code: key, bubbles: true, cancelable: true }));
        const all = [];
        for (let i = 0; i < 400; i++) {
            const begin = performance.now();
            for (let k = 0; k < 10; k++) {
                press('Insert');
                press('b');
            }
            all.push((performance.now() - begin) / 20);
        }
        return all;
    });
    row('key press → its command called, 500 shortcuts more than ship', median(times), 'ms', 0.2, `95th percentile ${p95(times).toFixed(3)} ms`);
    await page.close();
    await fetch(`${base}/api/key-sets/0/use`, { method: 'POST' });
}

/** Counts the milliseconds of script in each frame. */
function countFrames() {
    window.frames_ = [];
    const real = window.requestAnimationFrame.bind(window);
    let spent = 0;
    window.requestAnimationFrame = (work) =>
        real((now) => {
            const begin = performance.now();
            work(now);
            spent += performance.now() - begin;
        });
    const tick = () => {
        window.frames_.push(spent);
        spent = 0;
        real(tick);
    };
    real(tick);
    window.addEventListener('wheel', () => (window.wheelBegan = performance.now()), { capture: true });
    window.addEventListener('wheel', () => (spent += performance.now() - window.wheelBegan));
}

/** Scrolls and zooms near, far, and with the whole part at once, which is the worst; frames in which something was done. */
async function frames(page, surface = 'notes') {
    const all = [];
    for (const prepare of ['', 'Shift+Z', 'e']) {
        for (let i = 0; i < (prepare === 'Shift+Z' ? 5 : 1); i++) if (prepare) await page.keyboard.press(prepare);
        await page.waitForTimeout(300);
        await page.evaluate(() => (window.frames_ = []));
        await page.evaluate(async (surface) => {
            const el = document.querySelector(`[data-testid=${surface}]`);
            for (let i = 0; i < 90; i++) {
                el.dispatchEvent(new WheelEvent('wheel', { deltaX: i % 3 ? 40 : 0, deltaY: i % 3 ? 10 : -20, ctrlKey: i % 3 === 0, clientX: 600, clientY: 300, bubbles: true, cancelable: true }));
                await new Promise((resolve) => requestAnimationFrame(resolve));
            }
        }, surface);
        all.push(...(await page.evaluate(() => window.frames_)));
    }
    return all.filter((t) => t > 0.2);
}

/** At most one frame may take longer than a screen takes: the first, in which all is drawn anew. */
function smooth(what, busy) {
    const over = busy.filter((t) => t > 16).length;
    row(`${what}, frames of script over 16 ms`, over, 'frames', 1, `95th percentile ${p95(busy).toFixed(1)} ms, the worst ${sorted(busy).reverse().slice(0, 3).map((t) => t.toFixed(0)).join(', ')}, ${busy.length} frames`);
}

async function scrolling() {
    const page = await roll(await bring(midi(50000)), countFrames);
    const busy = await frames(page);
    smooth('scroll and zoom, 50,000 notes', busy);
    await page.close();
}

/** A part of 5,000 notes over one of 45,000: scrolled, and gone over from one to the other. */
async function underlay() {
    const song = await bring(joined(midi(5000), midi(45000, 32)));
    const page = await roll(song, countFrames);
    await page.keyboard.press('Alt+Shift+U');
    await page.waitForTimeout(400);
    const busy = await frames(page);
    smooth('scroll and zoom, 5,000 notes over 45,000', busy);
    const times = [], floors = [];
    for (let i = 0; i < 12; i++) {
        floors.push(await floorOf(page, song));
        times.push(
            await page.evaluate(async () => {
                const begin = performance.now();
                const from = document.querySelector('[data-testid=roll]');
                window.dispatchEvent(new KeyboardEvent('keydown', { key: 'O', code: 'KeyO', altKey: true, shiftKey: true, bubbles: true, cancelable: true }));
                for (;;) {
                    const el = document.querySelector('[data-testid=roll]');
                    if (el && el !== from && el.dataset.drawn) return performance.now() - begin;
                    await new Promise((resolve) => requestAnimationFrame(resolve));
                    if (performance.now() - begin > 5000) return NaN;
                }
            }),
        );
        await page.waitForTimeout(300);
    }
    const [got, floor] = [median(times.slice(2)), median(floors.slice(2))];
    row('going over to the part underneath', got / floor, '× a command that changes nothing', 2, `${got.toFixed(1)} ms against ${floor.toFixed(1)} ms, 95th percentile ${p95(times.slice(2)).toFixed(0)} ms`);
    await page.close();
}

/** In the page: when the frame after the first drawing of the roll begins, so when it is on screen. */
function watchDrawn() {
    new MutationObserver((_, observer) => {
        if (!document.querySelector('[data-testid=roll][data-drawn]')) return;
        observer.disconnect();
        requestAnimationFrame(() => (window.drawnAt = performance.timeOrigin + performance.now()));
    }).observe(document, { subtree: true, childList: true, attributeFilter: ['data-drawn'] });
}

async function opening() {
    const bytes = midi(27000);
    const times = [];
    for (let i = 0; i < 4; i++) {
        const begin = performance.timeOrigin + performance.now();
        const form = new FormData();
        form.append('file', new Blob([bytes]), 'large.mid');
        const { song } = await (await fetch(`${base}/api/imports`, { method: 'POST', body: form })).json();
        const part = i === 0 ? (await (await fetch(`${base}/api/songs/${song.id}`)).json()).tracks[0].parts[0].id : times.part + i;
        if (i === 0) times.part = part;
        const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
        await page.addInitScript(watchDrawn);
        await page.goto(`${base}/songs/${song.id}/parts/${part}`);
        // Told by the page itself: who waits for it from outside has to get a word in while it is busiest.
        await page.waitForFunction(() => window.drawnAt);
        // The first round warms the server up.
        if (i > 0) times.push(((await page.evaluate(() => window.drawnAt)) - begin) / 1000);
        await page.close();
    }
    const cold = [];
    for (let i = 0; i < 5; i++) {
        const fresh = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
        const page = await fresh.newPage({ viewport: { width: 1280, height: 800 } });
        const begin = performance.now();
        await page.goto(`${base}/`);
        await page.waitForSelector('[data-testid=songs]');
        cold.push((performance.now() - begin) / 1000);
        await fresh.close();
    }
    row('first screen in a browser that knows nothing', median(cold), 's', 1);
    row(`open a file of 27,000 notes (${Math.round(bytes.length / 1024)} KB) to the roll`, median(times), 's', 1.5);
}

function reading() {
    const takes = 200;
    const [all, worst, name] = execFileSync('php', [...process.env.PHP_FAST.split(' '), 'bin/bench-reading.php', String(takes)], { encoding: 'utf8' }).trim().split('\t');
    row(`grid reading, ${(takes * 12).toLocaleString('en')} simulated takes, named wrong`, Number(all), '%', 5, `the worst grid, ${name}: ${worst} %`);
}

function size() {
    const gzip = (file) => statSync(`public/build/${file}.gz`).size / 1024;
    const manifest = JSON.parse(readFileSync('public/build/manifest.json', 'utf8'));
    /** What is fetched with a chunk: it, what it imports, their styles. */
    const withAll = (name, all = new Set()) => {
        const { file, imports = [], css = [] } = manifest[name];
        [file, ...css].forEach((f) => all.add(f));
        imports.forEach((i) => manifest[i] && !all.has(manifest[i].file) && withAll(i, all));
        return all;
    };
    const sum = (files) => [...files].reduce((total, f) => total + gzip(f), 0);
    const first = new Set([...withAll('resources/js/main.ts'), ...withAll('resources/css/app.css')]);
    const code = readdirSync('public/build/assets').filter((f) => /\.(js|css)$/.test(f)).map((f) => `assets/${f}`);
    const page = sum(code.filter((f) => !/\/(synth|processor|decoder)-/.test(f)));
    row('front end, gzip as it is served: the interface', page, 'KB', 180, `the synthesizer, at the first sound, ${(sum(code) - page).toFixed(0)} KB besides`);
    row('the same, what the first screen needs', sum(first), 'KB', 100);
}

const sound = playing({ browser, base, bring, track, midi, row, median, roll });
const staves = arranging({ browser, base, bring, row, median, p95, againstFloor, frames, countFrames, smooth });
const parts = { server, keys, lanes, resolving, scrolling, underlay, arranging: staves, opening, playing: sound.playing, hidden: sound.hidden, reading, size };
const wanted = process.argv.slice(3);
// Ten minutes of silence on the screen are only measured where they are asked for.
for (const [name, measure] of Object.entries(parts)) if (wanted.includes(name) || (wanted.length === 0 && name !== 'hidden')) await measure();
await browser.close();

const cells = rows.map((r) => [r.what, `${r.got.toFixed(r.got < 10 ? 2 : 1)} ${r.unit}`, `≤ ${r.target}`, (r.got / r.target).toFixed(2), Number.isFinite(r.got) && r.got <= r.target ? 'met' : 'MISSED', r.note]);
const table = [['what', 'measured', 'target', 'ratio', '', ''], ...cells];
const widths = table[0].map((_, i) => Math.max(...table.map((r) => r[i].length)));
for (const r of table) console.log(r.map((c, i) => c.padEnd(widths[i])).join('  ').trimEnd());
