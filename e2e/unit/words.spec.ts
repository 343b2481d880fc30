import { expect, test } from '@playwright/test';
import type { Setup } from '../../resources/js/api/types';
import { entriesOf, type Entry } from '../../resources/js/keys/entries';
import { Search } from '../../resources/js/keys/search';

/** The words of producers, and the commands of which one has to be among the first three. */
const TABLE: [words: string[], commands: string[]][] = [
    [['louder', 'softer', 'quieter', 'velocity'], ['velocity-add']],
    [['crescendo', 'diminuendo', 'fade', 'ramp', 'swell'], ['velocity-ramp']],
    [['even out', 'compress', 'tame', 'compress'], ['velocity-compress']],
    [['tighten', 'on the grid', 'align'], ['quantize']],
    [['late', 'lazy', 'behind', 'lay back', 'drag'], ['nudge {"steps":1}']],
    [['early', 'rush', 'push', 'ahead'], ['nudge {"steps":-1}']],
    [
        ['feel', 'groove'],
        ['groove-quantize', 'panel {"name":"groove"}'],
    ],
    [['loosen', 'human'], ['humanize']],
    [['octave', 'fifth', 'semitone', 'third', 'up', 'down'], ['transpose']],
    [['same pitch', 'one pitch'], ['set-pitch']],
    [['row'], ['select {"move":"row"}']],
    [['fill gaps', 'connect', 'legato', 'sustain notes'], ['legato']],
    [['overlaps', 'clash'], ['clear-overlaps']],
    [['glue', 'merge', 'tie'], ['join']],
    [['chop', 'slice', 'roll', 'pieces'], ['split']],
    [['shorten', 'longer'], ['resize']],
    [
        ['staccato', 'halve', 'double'],
        ['scale-length', 'set-length'],
    ],
    [['half time', 'double time'], ['stretch']],
    [['reverse', 'backwards'], ['reverse']],
    [['mirror', 'upside down'], ['mirror']],
    [['invert selection', 'invert'], ['select {"move":"inverse"}']],
    [['top note', 'melody'], ['select {"move":"top-voices"}']],
    [['bass note'], ['select {"move":"bottom-voices"}']],
    [['every other'], ['select {"move":"every-second"}']],
    [['duplicates'], ['panel {"name":"repairs"}']],
    [['again'], ['repeat-command', 'repeat']],
    [['duplicate'], ['repeat']],
    [['copy'], ['copy']],
    [['cut'], ['cut']],
    [['paste'], ['paste']],
    [['draw', 'pencil'], ['tool {"tool":"pen"}']],
    [['erase'], ['tool {"tool":"eraser"}']],
    [['silence', 'mute'], ['mute']],
    [['delete'], ['delete']],
    [['original', 'as recorded', 'undo quantize'], ['as-played']],
    [['before', 'compare'], ['compare']],
    [['history'], ['steps']],
    [['bpm', 'tempo'], ['tempo-set']],
    [['tap'], ['tap']],
    [['click', 'metronome'], ['metronome']],
    [['loop', 'cycle', 'round'], ['loop']],
    [['punch'], ['record-set {"what":"punch"}']],
    [['chord'], ['insert-chord']],
    [['progression'], ['insert-progression']],
    [
        ['key', 'scale'],
        ['song-scale', 'set', 'panel {"name":"scale"}'],
    ],
    [
        ['pedal', 'sustain'],
        ['lane-show {"lane":"cc:64"}', 'pedal'],
    ],
    [['mod'], ['lane-show {"lane":"cc:1"}']],
    [
        ['pan', 'volume'],
        ['track-level', 'lane-show {"lane":"cc:10"}'],
    ],
    [['bend'], ['lane-show {"lane":"bend"}', 'expression']],
    [['vibrato'], ['note-shape']],
    [['pizzicato', 'articulation'], ['articulate']],
    [['drum names'], ['panel {"name":"rows"}']],
    [['used rows'], ['used-rows']],
    [['other parts'], ['underlay']],
    [['follow'], ['follow']],
    [['zoom'], ['zoom']],
    [['fit', 'whole song'], ['fit']],
    [['save', 'midi file', 'export'], ['export']],
    [['print'], ['sheet']],
    [['keys'], ['shortcuts']],
    [['help'], ['guide', 'commands']],
    [['dark'], ['theme']],
];

let entries: Entry[];
test.beforeAll(async ({ playwright, baseURL }) => {
    const request = await playwright.request.newContext({ baseURL });
    const setup = (await (await request.get('/api/setup')).json()) as Setup;
    // As the finder lists them: settings, and as last set, are ways to run an edit.
    entries = entriesOf(setup.commands, setup.recipes, new Set(setup.edits)).filter(
        (e) =>
            !(e.command === 'panel' && e.params.edit) && !(e.command === 'again' && Object.keys(e.params).length === 1),
    );
});

function first(typed: string): string[] {
    const here = (e: Entry): boolean => e.contexts.includes('roll') || e.contexts.includes('any');
    return new Search(entries)
        .find(typed)
        .filter(here)
        .slice(0, 3)
        .flatMap((e) => [e.command, `${e.command} ${JSON.stringify(e.params)}`]);
}

test('each word of the trade finds its command among the first three', () => {
    const lost = TABLE.flatMap(([words, commands]) =>
        words.filter((w) => !first(w).some((c) => commands.includes(c))).map((w) => `${w}: ${first(w).join(', ')}`),
    );
    expect(lost).toEqual([]);
});

test('a letter wrong or missing finds it too, words go in either order, and what fits nothing finds nothing', () => {
    for (const [typed, command] of [
        ['quantze', 'quantize'],
        ['tranpose', 'transpose'],
        ['metronme', 'metronome'],
        ['humanice', 'humanize'],
    ] as const)
        expect(first(typed), typed).toContain(command);
    expect(first('up octave')).toContain('transpose');
    expect(first('octave up')).toContain('transpose');
    expect(first('xyzzyplugh')).toEqual([]);
    expect(first('louder zzzz')).toEqual([]);
});
