import { expect, test } from '@playwright/test';
import type { Entry } from '../../resources/js/keys/commands.svelte';
import { Search } from '../../resources/js/keys/search';

function entry(title: string, words: string[] = [], about = '', group = 'timing'): Entry {
    return {
        id: title,
        command: title,
        params: {},
        title,
        group,
        about,
        words,
        needs: 'notes',
        contexts: ['roll'],
        ask: [],
    };
}

const search = new Search([
    entry('Quantize', ['grid', 'tighten', 'snap'], 'Moves starts, ends or both toward the lines of the grid.'),
    entry('Quantize to a groove', ['feel', 'template']),
    entry('Humanize', ['random', 'loosen'], 'Varies timing, velocity and length at random.'),
    entry('Join notes', ['glue', 'merge', 'tie'], '', 'structure'),
    entry('Velocity up or down', ['velocity', 'dynamics', 'louder'], 'Adds an amount to every velocity.', 'velocity'),
    entry('Even out velocities', ['even', 'flatten'], '', 'velocity'),
]);

function titles(text: string, recent: string[] = []): string[] {
    return search.find(text, recent).map((e) => e.title);
}

test('a command is found by its title, the one that begins with it first', () => {
    expect(titles('quantize').slice(0, 2)).toEqual(['Quantize', 'Quantize to a groove']);
    expect(titles('groove')[0]).toBe('Quantize to a groove');
    expect(titles('LOUDER')[0]).toBe('Velocity up or down');
});

test('and by another word for it, by its group, and by what it does', () => {
    expect(titles('glue')[0]).toBe('Join notes');
    expect(titles('tighten')[0]).toBe('Quantize');
    expect(titles('random')).toContain('Humanize');
    expect(titles('structure')).toEqual(expect.arrayContaining(['Join notes']));
});

test('several words all have to fit, in any order', () => {
    expect(titles('velocity every')[0]).toBe('Velocity up or down');
    expect(titles('velocities even')[0]).toBe('Even out velocities');
});

test('misspelt words find it too', () => {
    for (const [typed, title] of [
        ['quantise', 'Quantize'],
        ['qantize', 'Quantize'],
        ['humanise', 'Humanize'],
        ['velocties', 'Even out velocities'],
        ['gluee', 'Join notes'],
        ['quatnize', 'Quantize'],
        ['quantzie groov', 'Quantize to a groove'],
        ['hummani', 'Humanize'],
        ['velocityy', 'Velocity up or down'],
        ['tmiing', 'Quantize'],
    ] as const)
        expect(titles(typed), typed).toContain(title);
});

test('with nothing typed all are there, those used of late first; a word that fits nothing finds nothing', () => {
    expect(titles('')).toHaveLength(6);
    expect(titles('', ['Join notes', 'Humanize']).slice(0, 2)).toEqual(['Join notes', 'Humanize']);
    for (const none of ['xyzzyplugh', 'quantize xyzzyplugh', 'tei']) expect(titles(none), none).toEqual([]);
});
