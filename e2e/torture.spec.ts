import { expect, test, type Page } from './silent';
import type { SongJson } from './support';
import { begun, note, rested, tellWhatWasDone, watch, type Mode } from './typing';

tellWhatWasDone();

/**
 * Every key that ships, typed with no pause, must end as it does typed slowly: the song, what is selected, the caret, the
 * panel that is open, and the last key's sentence. Left out is what leaves the page, plays, records, loads or saves, what
 * chance decides, and what has nothing to do with the song.
 */
const LEFT_OUT = [
    'play', 'play-from', 'play-span', 'record', 'player', 'tap', 'tune-latency', 'keyboard', 'step-input', 'arm', 'take-back',
    'record-set', 'open-song', 'open-songs', 'go-part', 'go-under', 'open-part', 'chord-sheet', 'copy-chords', 'export', 'reach',
    'commands', 'guide', 'shortcuts', 'strip', 'theme', 'record-recipe', 'rename', 'pace', 'sheet', 'metronome', 'count-in',
    'stop-returns', 'hear', 'loop', 'steps', 'roll-under', 'repeat-command', 'backups', 'backup', 'export-whole',
]; // prettier-ignore

interface Binding {
    context: string;
    keys: string;
    command: string;
    params: Record<string, unknown>;
}

type How = 'plain' | 'repeats' | 'slow' | 'cut off';

/** The same numbers for the same seed. */
function dice(seed: number): (below: number) => number {
    let state = seed * 7919 + 13;
    return (below) => {
        state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
        return Math.floor((state / 2_147_483_648) * below);
    };
}

/** Keys as Playwright presses them. */
const playwright = (stroke: string): string => stroke.replace('Mod+', 'Control+');

/** So many commands by their keys, each command as likely as another; panels with something typed into them. */
function typed(all: Binding[], mode: Mode, seed: number, count: number): string[][] {
    const roll = dice(seed);
    const page = mode === 'song' ? 'song' : 'roll';
    const mine = all.filter(
        (b) =>
            (b.context === page || b.context === 'any') &&
            !LEFT_OUT.includes(b.command) &&
            !b.keys.includes('Wheel') &&
            !b.params.reseed &&
            (mode === 'panels' || b.command !== 'panel'),
    );
    const commands = [...new Set(mine.map((b) => b.command))];
    const pick = <T>(of: T[]): T => of[roll(of.length)]!;
    const keys: string[][] = [];
    while (keys.flat().length < count) {
        const often = roll(3) === 0 ? ['select', 'choose', 'choose-parts', 'nudge', 'transpose', 'part-move'] : [];
        const from = often.filter((c) => commands.includes(c));
        const panel = mode === 'panels' && roll(4) === 0 ? ['panel'] : from;
        const command = pick(panel.length > 0 ? panel : commands);
        // Esc twice in a row, with nothing selected, leaves the page.
        if (command === 'escape' && keys.at(-1)?.[0] === 'Escape') continue;
        const binding = pick(mine.filter((b) => b.command === command));
        // A drill opens another song.
        if (binding.params.name === 'drills') continue;
        const strokes = binding.keys.split(' ').map(playwright);
        keys.push(strokes);
        if (command === 'panel') keys.push([pick(['3', '7', 'ArrowDown'])], [pick(['Enter', 'Escape', 'Enter'])]);
        if (command === 'count') keys.push([String(2 + roll(2))]);
    }
    return keys;
}

/** All that the person sees of it, whatever its numbers are in the data file. */
async function state(page: Page, id: number): Promise<unknown> {
    const song = (await (await page.request.get(`/api/songs/${id}`)).json()) as SongJson & Record<string, unknown>;
    const strange = new Set(['id', 'track', 'revision', 'sounds', 'letGo', 'lines', 'tables']);
    const ids = new Map<number, string>();
    song.tracks.forEach((t, i) => t.parts.forEach((p, j) => ids.set(p.id, `part ${i}.${j}`)));
    const bare = (value: unknown): unknown =>
        Array.isArray(value)
            ? value.map(bare)
            : value !== null && typeof value === 'object'
              ? Object.fromEntries(
                    Object.entries(value)
                        .filter(([k]) => !strange.has(k))
                        .map(([k, v]) => [k, bare(v)]),
                )
              : value;
    const seen = await page.evaluate(() => {
        const text = (id: string): string => {
            const el = document.querySelector(`[data-testid=${id}]`)?.cloneNode(true) as HTMLElement | undefined;
            // What was refused or warned of on the way, of commands that travelled together, is told beside the last sentence.
            el?.querySelectorAll('.text-error, .text-warning').forEach((e) => e.remove());
            return (el?.textContent ?? '').replaceAll('\u200b', '').replace(/\s+/g, ' ').trim();
        };
        const caret = document.querySelector('[data-testid=caret]');
        return {
            at: location.pathname.split('/').slice(3, 4).join(),
            part: Number(/parts\/(\d+)/.exec(location.pathname)?.[1] ?? 0),
            chosen: text('chosen'),
            said: text('said'),
            caret: caret ? caret.getAttribute('data-at') : text('caret-place'),
            parts: [...document.querySelectorAll('[data-testid=part]')].map((p) => p.getAttribute('data-chosen')),
            lane: document.querySelector('[data-lane-focus]')?.getAttribute('data-lane-focus') ?? '',
            panel: document.querySelector('[role=dialog]')?.getAttribute('aria-label') ?? '',
        };
    });
    return { song: bare(song), ...seen, part: ids.get(seen.part) ?? '' };
}

/** Requests of a song's page that are held up. */
const WAYS = /\/(edits|reading|undo|redo|steps|shelf|tracks\/\d+)$/;

const LONG = Number(process.env.JACTONIC_SOAK_KEYS ?? 0);
const FROM = Number(process.env.JACTONIC_SOAK_SEED ?? 1000);
const COUNT = Number(process.env.JACTONIC_SOAK_LENGTH ?? 60);
const MODES: Mode[] = ['roll', 'song', 'panels'];
const HOWS: How[] = ['plain', 'slow', 'repeats', 'cut off'];
const ROUNDS: [number, Mode, How][] = LONG
    ? Array.from({ length: LONG }, (_, i) => [FROM + i, MODES[i % 3]!, HOWS[Math.floor(i / 3) % 4]!])
    : [
          [5, 'roll', 'plain'],
          [6, 'roll', 'cut off'],
          [7, 'song', 'slow'],
          [8, 'song', 'plain'],
          [9, 'panels', 'repeats'],
      ];

for (const [seed, mode, how] of ROUNDS) {
    test(`keys typed with no pause end as slow typing does: ${mode}, seed ${seed}, ${how}`, async ({ page }) => {
        test.setTimeout(240_000);
        const setup = (await (await page.request.get('/api/setup')).json()) as { defaults: Binding[] };
        const keys = typed(setup.defaults, mode, seed, LONG ? COUNT : 40);
        const [slowly, fast] = await ends(page, keys, mode, how);
        if (JSON.stringify(slowly) === JSON.stringify(fast) || !process.env.JACTONIC_SOAK_SHORTEST) {
            expect(fast, words(keys)).toEqual(slowly);
            return;
        }
        test.setTimeout(3_600_000);
        const few = await shortest(keys, async (some) => {
            const [a, b] = await ends(page, some, mode, how);
            return JSON.stringify(a) !== JSON.stringify(b);
        });
        const [a, b] = await ends(page, few, mode, how);
        expect(b, `shortest: ${words(few)}`).toEqual(a);
    });
}

/** Whether another page than that of a song is on the screen. */
const hasLeft = (page: Page): boolean => !new URL(page.url()).pathname.startsWith('/songs/');

/** Fields of a panel that is opened while the keys before it wait, and what is said then. */
const FIELDS: [string, string, string?][] = [
    ['a list takes a letter', 'Alt+L, 3, Enter', 'length 3 bars'],
    ['a list takes letters', 'Alt+L, 1, /, 8, Enter', 'length 1/8'],
    ['a list goes to its end', 'Alt+L, End, ArrowUp, Enter', 'length 8 bars'],
    ['a list takes letters with Shift, and nothing else', 'Alt+H S, Shift+F, Shift+End, Shift+ArrowDown', 'F major'],
    ['a list is not opened by Enter', 'Alt+H S, Enter, ArrowDown'],
    ['a setting behind Esc selects nothing again', 'P, Escape, G, ArrowDown', '"chosen":"0 of 8 selected"'],
    ['a number that was told stays at Enter', 'Alt+Shift+T, ArrowDown, Enter, ArrowDown', 'Tempo 118'],
    ['a number goes down and the panel away', 'Alt+Shift+T, ArrowDown, Escape, Shift+ArrowDown'],
    ['a button is not pressed by an arrow', 'Alt+A T, ArrowDown'],
    ['what a panel made elsewhere is not worked on', 'Alt+W Shift+D, Enter, Q'],
    ['what was typed is kept when Esc closes the panel', 'Alt+Semicolon, 3, Enter, 7, Escape', 'Pen velocity 37'],
    ['what an Enter set is there before the next digit', 'Alt+Semicolon, 3, Enter, 4, Alt+S U', '"penVelocity":34'],
    ['a phrase is kept on the shelf before the next key', 'Alt+W Shift+F, Enter, ArrowUp', 'up a semitone'],
    ['a phrase that is heard holds no key', 'Alt+W Shift+F, Enter, Alt+W F, ArrowDown, Escape, ArrowUp', 'up a semitone'],
    ['used rows go with what is not answered', 'D, Alt+Shift+D, Shift+ArrowUp, ArrowDown, Shift+ArrowDown'],
    ['a sound that a panel gives to the track selects nothing else', 'D, Alt+W T, 7, Enter, ArrowUp', '1 note up a semitone'],
    ['a panel opens on what the keys before it leave', 'N Shift+B, ArrowDown, Alt+V R, 7'],
    ['a new part is undone, and keys are for the page of the song then', 'Alt+Shift+N, Control+Z, Shift+ArrowDown, ArrowRight', 'moved'],
    ['the caret goes there and back from the start', 'Escape, Control+Home, Alt+ArrowLeft, Alt+ArrowLeft, Alt+ArrowLeft, Alt+ArrowRight', '"caret":"10 '],
    ['Esc deselects between what is not answered', 'Alt+Shift+W, Control+Z, ArrowDown, Escape, 7', '0 of 1 parts selected'],
    ['a key is not taken by a panel that goes', 'Alt+W F, Alt+L, Alt+ArrowDown', '8 notes down a semitone'],
    ['a row is moved twice', 'Alt+V R, Alt+ArrowDown, Alt+ArrowDown, Escape, ArrowDown'],
    ['a sequence goes on in the field of a panel', 'Alt+L, Alt+S T', '"panel":"Rename the track'],
    ['a sequence is ended by Esc, and the panel keeps the keys', 'Alt+L, Alt+S, Escape, ArrowDown, Escape, ArrowDown'],
    ['a space is typed, and does not play', 'Alt+Shift+K, G, m, Space, C, Enter', 'Gm'],
    ['a button that cannot be pressed for a while keeps no key', 'Shift+B, Alt+Shift+I, ArrowDown, Enter, Shift+ArrowUp, N Shift+3, ArrowDown'],
    ['what the check finds next is selected for the next key', 'Alt+H S, f, Escape, Shift+N, ArrowDown, Enter, Alt+ArrowDown', 'Check'],
    ['notes of the playing are walked as they are after a cut', 'Alt+V D, ArrowRight, Control+X, ArrowRight, ArrowRight, Alt+ArrowDown', 'down a semitone'],
    ['a text is corrected', 'Alt+H C, D, m, 7, ArrowLeft, Backspace, Home, Shift+ArrowRight, G, End, 9, s, Backspace, Enter'],
]; // prettier-ignore

for (const [what, keys, words] of FIELDS)
    test(`keys that waited do to a field what they do at once: ${what}`, async ({ page }) => {
        const all = `Shift+Q, Shift+End, ${keys}`.split(', ').map((k) => k.split(' '));
        const [slowly, fast] = await ends(page, all, 'panels', 'slow');
        expect(fast).toEqual(slowly);
        if (words) expect(JSON.stringify(slowly)).toContain(words);
    });

const words = (keys: string[][]): string => keys.map((k) => k.join(' ')).join(', ');

/** What typing ends in, slowly and fast. */
async function ends(page: Page, keys: string[][], mode: Mode, how: How): Promise<[unknown, unknown]> {
    watch(page);
    const found: unknown[] = [];
    for (const fast of [false, true]) {
        const song = await begun(page, mode);
        let held = how === 'cut off';
        if (fast && (how === 'slow' || how === 'cut off'))
            await page.route(WAYS, async (route) => {
                if (held) return route.abort();
                await new Promise((resolve) => setTimeout(resolve, 300));
                await route.continue().catch(() => {});
            });
        let before: unknown;
        for (const [i, strokes] of keys.entries()) {
            if (!fast && strokes.includes('Escape')) before = await state(page, song.id);
            for (const stroke of strokes) {
                note(`${fast ? 'fast' : 'slow'} ${stroke}`);
                await page.keyboard.press(stroke);
                if (fast) await page.waitForTimeout(how === 'repeats' ? 33 : 5);
            }
            if (fast) continue;
            await rested(page);
            // Esc, with nothing to put away, leaves the page: what was typed before it is compared. Where a panel took the
            // first of two strokes, the second alone may leave it too.
            if (!hasLeft(page)) continue;
            keys = keys.slice(0, i);
            if (!strokes.includes('Escape')) return ends(page, keys, mode, how);
            found.push(before);
            break;
        }
        if (hasLeft(page)) continue;
        if (held && fast) {
            await page.waitForTimeout(5000);
            held = false;
        }
        await rested(page);
        found.push(await state(page, song.id));
        await page.unroute(WAYS);
    }
    return [found[0], found[1]];
}

/** The fewest keys that still differ, found by leaving out more and more. */
async function shortest(keys: string[][], differ: (some: string[][]) => Promise<boolean>): Promise<string[][]> {
    for (let size = Math.ceil(keys.length / 2); size >= 1; size = size === 1 ? 0 : Math.ceil(size / 2))
        for (let at = 0; at < keys.length;) {
            const some = [...keys.slice(0, at), ...keys.slice(at + size)];
            if (some.length > 0 && (await differ(some))) keys = some;
            else at += size;
        }
    return keys;
}
