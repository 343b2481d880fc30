import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';

/** Where texts stand that a person sees on screen; what goes over the wire only is not among them. */
const SHOWN = [
    ...['Edit', 'Command', 'Reading', 'Selection', 'Keymap', 'Recipe', 'Recording'].map((f) => `core/src/${f}`),
    'resources/js',
];

/** Words that docs/words.md replaces by those of the trade. */
const REPLACED =
    /\b(otherwise|chosen|choose|choices?|underneath|brought|unite|land|lands|landed|mends?|mended)\b|\b(goes round|make real|put away|puts away|bring back|brings back|in hand|take in|takes in|let go)\b/i;
const MISCOUNTED = /\b1 (notes|points|parts|tracks|keys|commands|steps|chords|lines|bars)\b/;

/** Each text with its file and line. */
function texts(): [string, string][] {
    const printed = execFileSync('node', ['bin/texts.mjs', ...SHOWN], { encoding: 'utf8', maxBuffer: 1 << 26 });
    let file = '';
    const found: [string, string][] = [];
    for (const line of printed.split('\n')) {
        const hit = /^ *(\d+) {2}(.*)$/.exec(line);
        if (hit) found.push([`${file}:${hit[1]}`, hit[2]!]);
        else if (line !== '') file = line;
    }
    return found;
}

const said = texts();

test('texts are collected from every house that shows some', () => {
    expect(said.length).toBeGreaterThan(3000);
    expect(said.map(([, text]) => text)).toContain('Renames a part.');
    expect(said.some(([, text]) => text.startsWith('The server has not answered yet.'))).toBe(true);
});

test('texts use the words of the trade', () => {
    expect(said.filter(([, text]) => REPLACED.test(text))).toEqual([]);
});

test('one of a thing is one', () => {
    expect(said.filter(([, text]) => MISCOUNTED.test(text))).toEqual([]);
});

test('no text says a sentence twice', () => {
    const twice = said.filter(([, text]) => {
        const sentences = text.split(/(?<=[.!?])\s+/).filter((s) => s.length > 8);
        return new Set(sentences).size < sentences.length;
    });
    expect(twice).toEqual([]);
});
