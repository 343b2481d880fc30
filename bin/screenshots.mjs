// Drives the real interface and takes a picture of each main view. Started by bin/screenshots: screenshots.mjs PORT
import { chromium } from '@playwright/test';

const base = `http://127.0.0.1:${process.argv[2]}`;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', timezoneId: 'UTC' });
await page.addInitScript(() => localStorage.setItem('jactonic.hear', 'off'));

const shot = async (name) => {
    await page.waitForTimeout(name === 'roll-night' ? 20 : 350);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
};
const press = async (...keys) => {
    for (const key of keys) {
        await page.keyboard.press(key);
        await page.waitForTimeout(140);
    }
};
const part = async (track, index) => {
    const song = await (await page.request.get(`${base}/api/songs/1`)).json();
    await page.goto(`${base}/songs/1/parts/${song.tracks[track].parts[index].id}`);
    await page.waitForSelector('[data-testid=roll][data-drawn]');
    await page.waitForTimeout(400);
};

await page.request.post(`${base}/api/songs/1/duplicate`);
await page.goto(`${base}/`);
await page.waitForSelector('[data-testid=songs]');
await shot('songs');
await page.goto(`${base}/songs/1`);
await page.waitForSelector('[data-testid=part]');
await shot('song');

// The vibraphone's triplets as they were played, near enough to read names and timing.
await part(2, 0);
await press('z', 'z', 'd', 'Shift+D', 'Shift+D');
await shot('roll');

// The piano's chords on the grid: what moved, and from where.
await part(0, 0);
await press('z', 'Control+a', 'q', 'd', 'c', 'm', 'a', 'c');
await shot('roll-quantized');
await page.keyboard.down('Control');
await shot('roll-keys-held');
await page.keyboard.up('Control');

// Where quarters would put these chords: too coarse, and it shows.
await part(0, 0);
await press('Escape', '3', 'Control+a', 'p');
await page.keyboard.down('Backquote');
await shot('landing');
await page.keyboard.up('Backquote');
await press('4', 'Alt+q');
await page.getByRole('dialog').getByRole('spinbutton', { name: 'Strength' }).fill('60');
await shot('quantize-settings');
await press('Escape');

// The bass plays behind the beat: what the reading says of it, and the same bass as it was played while a key is held.
await part(1, 0);
await press('Alt+r');
await shot('grid-reading');
await press('Escape', 'z', 'Control+a', 'q', 'Shift+ArrowUp');
await page.keyboard.down('y');
await shot('compare');
await page.keyboard.up('y');
await press('Control+z', 'Control+z', 'Alt+n');
await shot('nudge-settings');
await press('Escape', 'Alt+Shift+q');
await page.getByLabel('Name of the new groove').fill('Behind the beat');
await press('Enter');
await shot('grooves');
await press('Escape');

// The vibraphone, loosened by chance, before it is done; and the caret on its swung lines.
await part(2, 1);
await press('Control+a', 'Alt+u');
await page.getByRole('spinbutton', { name: 'Timing, at most' }).fill('35');
await shot('humanize');
await press('Escape', 'Escape');

// The kit by its drums, at night, playing in a loop.
await part(3, 0);
await press('F9', 'd', 'c', 'Shift+D', 'Shift+D', 'Shift+D', 'Shift+D', 'Shift+Enter', 'z', 'Enter');
await page.waitForFunction(() => document.querySelector('[data-testid=position]').textContent.startsWith('5.3'), null, { timeout: 20000 });
await shot('roll-night');
await press('Space', 'F9');

await part(0, 0);
await press('j');
await shot('steps');
await press('Escape');

// Commands by a word; a recipe in the making, with the notes that meet its condition; the shortcuts, a collision, the sheet.
await press('Control+a', 'Slash');
await page.keyboard.type('louder');
await shot('commands');
await press('Escape', 'Period');
await page.waitForSelector('[data-testid=recipes] [aria-selected=true]:focus');
await press('n');
await page.keyboard.type('Soft notes up');
await page.getByRole('button', { name: 'Only notes' }).click();
await page.getByLabel('Add a step').fill('louder');
await press('Enter');
await page.keyboard.type('15');
await shot('recipe');
await press('Escape', 'Escape', 'F2');
await shot('shortcuts');
await page.keyboard.type('quantize');
await press('Enter', 'Enter', 'm');
await shot('collision');
await press('Escape');
await page.goto(`${base}/keys/sheet`);
await page.emulateMedia({ media: 'print' });
await page.setViewportSize({ width: 794, height: 1123 });
await shot('sheet');
await browser.close();
