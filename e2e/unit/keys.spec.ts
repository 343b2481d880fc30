import { expect, test } from '@playwright/test';
import type { Binding } from '../../resources/js/api/types';
import { chips } from '../../resources/js/keys/chips';
import { labels, Resolver, strokeOf } from '../../resources/js/keys/strokes';

const none = { mod: false, alt: false, shift: false };

function bind(
    context: string,
    keys: string,
    command: string,
    label: string,
    params: Record<string, unknown> = {},
): Binding {
    return { context, keys, command, label, params };
}

const KEYMAP = [
    bind('roll', 'ArrowUp', 'transpose', 'semitone up', { semitones: 1 }),
    bind('roll', 'ArrowDown', 'transpose', 'semitone down', { semitones: -1 }),
    bind('roll', 'Mod+ArrowUp', 'velocity-add', 'louder by 5', { amount: 5 }),
    bind('roll', 'Mod+ArrowDown', 'velocity-add', 'softer by 5', { amount: -5 }),
    bind('roll', 'Delete', 'delete', 'delete'),
    bind('roll', 'Backspace', 'delete', 'delete'),
    bind('roll', 'X M', 'select', 'muted ones', { move: 'muted' }),
    bind('roll', 'X O', 'select', 'overlapping ones', { move: 'overlapping' }),
    bind('roll', '1', 'set', 'grid 1/1', { grid: '1/1' }),
    bind('roll', '2', 'set', 'grid 1/2', { grid: '1/2' }),
    bind('roll', '3', 'set', 'grid 1/4', { grid: '1/4' }),
    bind('roll', 'O', 'open-song', 'back to the song'),
    bind('any', 'O', 'nothing', 'hidden by the roll'),
    bind('any', 'Mod+Z', 'undo', 'undo'),
];

function press(key: string, code: string, more: Partial<KeyboardEvent> = {}): string | null {
    return strokeOf({
        key,
        code,
        ctrlKey: false,
        altKey: false,
        shiftKey: false,
        metaKey: false,
        ...more,
    } as KeyboardEvent);
}

test('a press has one form, on any layout', () => {
    expect(press('q', 'KeyQ')).toBe('Q');
    expect(press('Q', 'KeyQ', { shiftKey: true })).toBe('Shift+Q');
    expect(press('a', 'KeyQ', { ctrlKey: true })).toBe('Mod+A');
    expect(press('&', 'Digit1')).toBe('1');
    expect(press('1', 'Numpad1')).toBe('1');
    expect(press('й', 'KeyQ')).toBe('Q');
    expect(press('π', 'KeyP', { altKey: true })).toBe('Alt+P');
    expect(press(' ', 'Space')).toBe('Space');
    expect(press('ArrowUp', 'ArrowUp', { ctrlKey: true, altKey: true, shiftKey: true })).toBe('Mod+Alt+Shift+ArrowUp');
    for (const key of ['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'CapsLock']) expect(press(key, key)).toBeNull();
});

test('keys are shown by their names', () => {
    expect(labels('Mod+Shift+ArrowUp')).toEqual(['Ctrl Shift ↑']);
    expect(labels('X M')).toEqual(['X', 'M']);
    expect(labels('Delete')).toEqual(['Del']);
});

test('the context goes before what holds everywhere', () => {
    const resolver = new Resolver(KEYMAP);
    expect(resolver.press('O', 'roll')).toMatchObject({ command: 'open-song' });
    expect(resolver.press('O', 'song')).toMatchObject({ command: 'nothing' });
    expect(resolver.press('Mod+Z', 'roll')).toMatchObject({ command: 'undo' });
    expect(resolver.press('Q', 'roll')).toBeNull();
});

test('the first stroke of two waits for its second, and a wrong second does nothing', () => {
    const resolver = new Resolver(KEYMAP);
    expect(resolver.press('X', 'roll')).toBe('wait');
    expect(resolver.prefix).toBe('X');
    expect(resolver.press('M', 'roll')).toMatchObject({ params: { move: 'muted' } });
    expect(resolver.prefix).toBe('');
    expect(resolver.press('X', 'roll')).toBe('wait');
    expect(resolver.press('ArrowUp', 'roll')).toBeNull();
    expect(resolver.press('ArrowUp', 'roll')).toMatchObject({ command: 'transpose' });
    expect(resolver.press('X', 'roll')).toBe('wait');
    resolver.cancel();
    expect(resolver.press('O', 'roll')).toMatchObject({ command: 'open-song' });
    expect(resolver.press('X', 'song')).toBeNull();
});

test('what can be pressed follows the held modifiers and the first stroke', () => {
    const resolver = new Resolver(KEYMAP);
    const keys = (held = none): string[] => resolver.available('roll', held).map((b) => b.keys);
    expect(keys()).toEqual(['ArrowUp', 'ArrowDown', 'Delete', 'Backspace', 'X M', 'X O', '1', '2', '3', 'O']);
    expect(keys({ ...none, mod: true })).toEqual(['Mod+ArrowUp', 'Mod+ArrowDown', 'Mod+Z']);
    expect(keys({ ...none, alt: true })).toEqual([]);
    resolver.press('X', 'roll');
    expect(keys()).toEqual(['X M', 'X O']);
});

test('keys that belong together stand together in the strip', () => {
    const resolver = new Resolver(KEYMAP);
    const shown = (held = none, inside = false): [string, string][] =>
        chips(resolver.available('roll', held), inside).map((c) => [c.shown.join(' '), c.label]);
    expect(shown()).toEqual([
        ['↑ ↓', 'semitone'],
        ['Del ⌫', 'delete'],
        ['X', 'select…'],
        ['1–3', 'grid'],
        ['O', 'back to the song'],
    ]);
    expect(shown({ ...none, mod: true })).toEqual([
        ['Ctrl ↑ ↓', 'louder, softer by 5'],
        ['Ctrl Z', 'undo'],
    ]);
    resolver.press('X', 'roll');
    expect(shown(none, true)).toEqual([
        ['M', 'muted ones'],
        ['O', 'overlapping ones'],
    ]);
});

test('keys that do not tell a direction say it', () => {
    const two = (...keys: [string, string]): string[] =>
        chips(
            ['part below', 'part above'].map((label, i) => ({
                ...KEYMAP[0]!,
                command: 'choose',
                keys: keys[i]!,
                label,
            })),
            false,
        ).map((c) => c.label);
    expect(two('S', 'W')).toEqual(['part below, above']);
    expect(two('ArrowDown', 'ArrowUp')).toEqual(['part']);
});
