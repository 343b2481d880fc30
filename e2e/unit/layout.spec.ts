import { expect, test } from '@playwright/test';
import type { Binding } from '../../resources/js/api/types';
import { signKeys, SIGNS } from '../../resources/js/keys/layout';
import { strokeOf } from '../../resources/js/keys/strokes';

const LETTERS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
const ROWS = [
    ['KeyQ', 'KeyW', 'KeyE', 'KeyR', 'KeyT', 'KeyY', 'KeyU', 'KeyI', 'KeyO', 'KeyP', 'BracketLeft', 'BracketRight'],
    ['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyH', 'KeyJ', 'KeyK', 'KeyL', 'Semicolon', 'Quote', 'Backslash'],
    ['IntlBackslash', 'KeyZ', 'KeyX', 'KeyC', 'KeyV', 'KeyB', 'KeyN', 'KeyM', 'Comma', 'Period', 'Slash'],
];

/** A layout out of what its rows type, from the key left of the 1 with those right of the 0, down. */
function layout(edge: string, ...rows: string[]): Map<string, string> {
    const typed = new Map([
        ['Backquote', edge[0]!],
        ['Minus', edge[1]!],
        ['Equal', edge[2]!],
    ]);
    rows.forEach((row, r) => [...row].forEach((sign, i) => typed.set(ROWS[r]![i]!, sign)));
    return typed;
}

const LAYOUTS: Record<string, Map<string, string>> = {
    US: layout('`-=', 'qwertyuiop[]', "asdfghjkl;'\\", '<zxcvbnm,./'),
    German: layout('^ß´', 'qwertzuiopü+', 'asdfghjklöä#', '<yxcvbnm,.-'),
    French: layout('²)=', 'azertyuiop^$', 'qsdfghjklmù*', '<wxcvbn,;:!'),
    Nordic: layout('§+´', 'qwertyuiopå¨', "asdfghjklöä'", '<zxcvbnm,.-'),
    Cyrillic: layout('ё-=', 'йцукенгшщзхъ', 'фывапролджэ\\', '/ячсмитьбю.'),
    Dvorak: layout('`[]', "',.pyfgcrl/=", 'aoeuidhtns-\\', '<;qjkxbmwvz'),
};

/** The stroke that a key at a place makes. */
function stroke(typed: Map<string, string>, code: string, more: Partial<KeyboardEvent> = {}): string | null {
    const keys = signKeys((c) => typed.get(c));
    const key = typed.get(code) ?? code.replace(/^Digit/, '');
    return strokeOf(
        { key, code, ctrlKey: false, altKey: false, shiftKey: false, metaKey: false, ...more } as KeyboardEvent,
        (c) => keys.get(c),
    );
}

for (const [name, typed] of Object.entries(LAYOUTS)) {
    test(`each key that ships is reached, each by one place: ${name}`, async ({ request }) => {
        const { defaults } = (await (await request.get('/api/setup')).json()) as { defaults: Binding[] };
        const wanted = new Set(
            defaults.flatMap((b) => b.keys.split(' ')).map((s) => s.replace(/^(Mod\+|Alt\+|Shift\+)*/, '')),
        );
        const made = new Map<string, string[]>();
        for (const code of [...typed.keys(), ...Array.from({ length: 10 }, (_, d) => `Digit${d}`)]) {
            const s = stroke(typed, code)!;
            made.set(s, [...(made.get(s) ?? []), code]);
        }
        const others = /^(Arrow|F\d|Page|Wheel)|^(Enter|Space|Escape|Delete|Backspace|Home|End|Insert)$/;
        const cyrillic = name === 'Cyrillic';
        for (const key of wanted) {
            if (others.test(key)) continue;
            // Letters of another script count by their place.
            const places = made.get(key) ?? (cyrillic && LETTERS.includes(key) ? [`Key${key}`] : []);
            expect(places, `${key} on ${name}`).toHaveLength(1);
        }
        for (const sign of SIGNS) expect(made.get(sign) ?? [], sign).toHaveLength(1);
    });

    test(`a sign is where the layout types it: ${name}`, () => {
        const signs: Record<string, string> = { Semicolon: ';', Comma: ',', Period: '.', Slash: '/', Minus: '-', Equal: '=', Quote: "'" }; // prettier-ignore
        for (const [sign, typedSign] of Object.entries(signs)) {
            const code = [...typed].find(([, t]) => t === typedSign)?.[0];
            if (code) expect(stroke(typed, code), `${typedSign} at ${code}`).toBe(sign);
        }
    });
}

test('keys of the system are no letters, and the number block without NumLock moves', () => {
    const us = LAYOUTS.US!;
    expect(stroke(us, 'KeyD', { metaKey: true })).toBeNull();
    expect(stroke(us, 'KeyD', { ctrlKey: true })).toBe('Mod+D');
    expect(stroke(us, 'Numpad4', { key: '4' })).toBe('4');
    expect(stroke(us, 'Numpad4', { key: 'ArrowLeft' })).toBe('ArrowLeft');
    expect(stroke(us, 'Numpad7', { key: 'Home' })).toBe('Home');
    expect(stroke(us, 'NumpadSubtract', { key: '-' })).toBe('Minus');
    expect(stroke(us, 'NumpadEnter', { key: 'Enter' })).toBe('Enter');
    // A key that waits for a letter to put its accent on is still that key.
    expect(stroke(LAYOUTS.French!, 'BracketLeft', { key: 'Dead' })).toBe('BracketLeft');
});
