// Drives the real interface and takes a picture of each main view. Started by bin/screenshots: screenshots.mjs PORT
import { chromium } from '@playwright/test';

const base = `http://127.0.0.1:${process.argv[2]}`;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', timezoneId: 'UTC' });
await page.addInitScript(() => {
    localStorage.setItem('jactonic.hear', 'off');
    localStorage.setItem('jactonic.player', JSON.stringify({ passage: 'bell', loose: 8, seed: 2, tempo: null, times: 4 }));
    localStorage.setItem('jactonic.recording', JSON.stringify({ countIn: 1, click: false }));
    // A stand-in for a keyboard that is plugged in; where the address asks for it, one that is not allowed.
    const keyboard = { id: 'a', name: 'Deck piano', type: 'input', state: 'connected', connection: 'open', open: async () => {}, close: async () => {} };
    Object.defineProperty(navigator, 'requestMIDIAccess', {
        value: async () => {
            if (location.hash === '#refused') throw new Error('permission was not granted');
            return { inputs: new Map([['a', keyboard]]), outputs: new Map() };
        },
    });
});

const shot = async (name) => {
    await page.waitForTimeout(name === 'recording' ? 20 : 350);
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
await press('d', 's', 'Shift+A');
await shot('song');

// What was kept for another day; and the vibraphone's notes in a roll under the tracks.
const whole = await (await page.request.get(`${base}/api/songs/1`)).json();
for (const [track, index, name] of [[4, 0, 'Slow pad, four bars'], [3, 1, 'Brushes in three'], [2, 0, 'Triplets over the quay']])
    await page.request.post(`${base}/api/songs/1/shelf`, { data: { on: { parts: [whole.tracks[track].parts[index].id] }, name } });
await press('Alt+w', 'f');
await page.waitForSelector('[data-testid=phrases] [role=option]');
await page.waitForTimeout(400);
await press('ArrowDown');
await shot('shelf');
await press('Escape', 's', 'Alt+Shift+y');
await page.waitForSelector('[data-testid=roll][data-drawn]');
await press('Control+a');
await page.waitForTimeout(500);
await shot('roll-under');
await press('Escape', 'Escape', 'Alt+Shift+y');

// The vibraphone's triplets as they were played, near enough to read names and timing.
await part(2, 0);
await press('z', 'z', 'd', 'Shift+D', 'Shift+D');
await shot('roll');

// Where quarters would put these chords: too coarse, and it shows.
await part(0, 0);
await press('Escape', '3', 'Control+a', 'p');
await page.keyboard.down('Backquote');
await shot('landing');
await page.keyboard.up('Backquote');
await press('4', 'Escape');

// Plucked notes of the strings, with the keys of their set; a bend on a note of the vibraphone; what can be done with it.
await part(4, 1);
await press('d', 'Shift+D', 'Alt+a');
await shot('articulations');
await press('Escape');
await part(2, 1);
for (let i = 0; i < 40; i++) {
    await page.keyboard.press('d');
    await page.waitForTimeout(60);
    if (/ at 21\.1/.test(await page.textContent('[data-testid=said]'))) break;
}
await press('z', 'z', 'Alt+d');
await shot('expression');
await press('Escape');
await page.keyboard.press('ContextMenu');
await page.evaluate(() => {
    const roll = document.querySelector('[data-testid=roll]');
    roll.dispatchEvent(new MouseEvent('contextmenu', { bubbles: true, cancelable: true }));
});
await page.waitForSelector('[data-testid=menu]');
await shot('menu');
await press('Escape');

// A drill that was done, one under way and those to come.
await part(1, 0);
await press('Alt+F1');
await page.getByTestId('drills').getByRole('button', { name: 'Begin' }).first().click();
await page.waitForTimeout(600);
await press('Control+a', 'q');
await page.waitForTimeout(400);
await press('Alt+F1');
await page.getByTestId('drills').getByRole('button', { name: /^How/ }).nth(1).click();
await shot('drill');
await press('Escape', 'Control+z');

// The simulated player goes round in two bars of the quay, at night, and what it plays is recorded.
await part(0, 0);
await press('F9', 'Home', 'Alt+Shift+]', 'Alt+]', 'Home', 'Shift+ArrowRight', 'Shift+ArrowRight', 'Alt+]', 'l', 'Home', 'Shift+\\', 'Alt+k');
await page.waitForFunction(() => /round 2: 1\d notes/.test(document.querySelector('[data-testid=said]').textContent), null, { timeout: 40000 });
await shot('recording');
await press('\\', 'Shift+\\');
await page.waitForTimeout(800);
await press('Control+z', 'Control+z', 'Alt+Shift+\\', 'F9');
await press('Escape');
await part(0, 0);

// The kit by its rows in use; parts underneath, worked on in place.
await part(3, 0);
await press('Alt+Shift+D');
await shot('rows');
await press('Alt+Shift+D');
await part(0, 1);
await press('Alt+Shift+U', 'Alt+Shift+E', 'Shift+r');
await shot('underlay');
await press('Escape', 'Alt+Shift+E', 'Alt+Shift+U', 'Alt+Shift+U');

// The chord line with the scale and what the reading says of it.
await part(0, 1);
await press('Alt+h', 'l', 'Alt+h', 's');
await page.waitForTimeout(900);
await shot('scale');
await press('Escape');
await part(0, 1);
await press('Alt+h', 'l', 'Alt+h', 'l', 'Alt+h', 'l');

// The pad's swell in its lane, some of its points selected.
await part(4, 2);
await press('e', 'Alt+v', 'e', 'Home', 'd', 'Shift+D', 'Shift+D', 'Shift+D', 'Shift+D', 'Shift+ArrowUp', 'e');
await page.waitForTimeout(500);
await shot('lanes');
await press('Control+z', 'Escape', 'Escape', 'Alt+v', 'x');

// A command with its value; a recipe in the making, with the notes that meet its condition; the shortcuts, the sheet.
await press('Control+a', 'Slash');
await page.keyboard.type('transpose -7');
await page.waitForSelector('[data-testid=landing]');
await shot('commands');
await press('Escape');
await part(3, 0);
await press('Control+a', 'Period');
await page.waitForSelector('[data-testid=recipes] [aria-selected=true]:focus');
await press('n');
await page.keyboard.type('Hats under the brushes');
await page.getByRole('button', { name: 'Only notes' }).click();
await page.getByLabel('What', { exact: true }).selectOption('pitch');
await page.getByLabel('From', { exact: true }).fill('F♯2');
await page.getByLabel('To', { exact: true }).fill('F♯2');
await page.getByLabel('Add a step').fill('softer');
await press('Enter');
await page.keyboard.type('-12');
await shot('recipe');
await press('Escape', 'Escape', 'F2');
await shot('shortcuts');
await page.goto(`${base}/guide`);
await page.waitForSelector('[data-testid=guide] .key');
await page.evaluate(() => document.getElementById('on the grid').scrollIntoView());
await shot('guide');
await browser.close();
