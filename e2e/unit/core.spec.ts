import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { Lane } from '../../resources/js/rules/lane';
import { Lines } from '../../resources/js/rules/lines';
import { Time } from '../../resources/js/rules/time';
import { lengthWords } from '../../resources/js/rules/note-value';
import { pitchOf, toneOf } from '../../resources/js/rules/pitch';
import { nearest, stepped, stepsTo } from '../../resources/js/rules/scale';
import type { LinesData, SongData } from '../../resources/js/api/types';

// What moves with the pointer cannot be asked of the server: the interface works it out of the server's tables. Here both
// are held against each other.

interface Told {
    ppq: number;
    tempos: SongData['tempos'];
    meters: SongData['meters'];
    lines: LinesData;
    places: [tick: number, words: string, seconds: number, nearest: number, before: number, after: number][];
}

/** A song in odd meters and tempos, as the core tells of it, and what it says of places all over it. */
function told(ppq: number, meters: string, grid: string, swing: number): Told {
    const script = `
        require 'vendor/autoload.php';
        $time = Jactonic\\Core\\Time\\Timeline::of(${ppq}, [[0, 500000], [7000, 333333], [20011, 810000]], ${meters});
        $lines = $time->lines(Jactonic\\Core\\Time\\Grid::parse('${grid}'), ${swing});
        $places = [];
        for ($tick = 0; $tick < 60 * ${ppq}; $tick += 37) {
            $places[] = [$tick, $time->position($tick), $time->tempos->milliseconds(0, $tick) / 1000, $lines->nearest($tick), ...$lines->around($tick)];
        }
        echo json_encode(['ppq' => $time->ppq, 'tempos' => $time->tempos->toTable(), 'meters' => $time->meters->toArray(), 'lines' => $lines->table(), 'places' => $places]);`;
    return JSON.parse(execFileSync('php', ['-r', script], { encoding: 'utf8' })) as Told;
}

for (const [ppq, meters, grid, swing] of [
    [960, '[[0, 4, 4]]', '1/16', 50],
    [960, '[[0, 4, 4], [7680, 7, 8], [14400, 3, 4], [18000, 5, 16]]', '1/8', 61],
    [960, '[[0, 3, 4], [2000, 4, 4], [9000, 6, 8]]', '2bar', 50],
    [480, '[[0, 5, 32], [4001, 11, 64]]', '1/16:5', 50],
    [97, '[[0, 5, 32], [401, 11, 64], [2000, 7, 8]]', '1/8T', 50],
] as const)
    test(`the interface reads places as the core does: ${grid} at ${ppq}, ${meters}`, () => {
        const core = told(ppq, meters, grid, swing);
        const time = new Time(core.ppq, core.tempos, core.meters);
        const lines = new Lines(core.lines);
        expect(core.places.length).toBeGreaterThan(150);
        // Once for all: each expectation takes its time.
        const read = core.places.map(([tick]) => [
            tick,
            time.position(tick, lines),
            Math.round(time.seconds(tick) * 1e6),
            lines.nearest(tick),
            ...lines.around(tick),
        ]);
        expect(read).toEqual(core.places.map(([t, words, s, ...near]) => [t, words, Math.round(s * 1e6), ...near]));
    });

test('the interface steps through scales as the core does', () => {
    const script = `
        require 'vendor/autoload.php';
        mt_srand(${Date.now() % 100_000});
        $told = [];
        foreach (Jactonic\\Core\\Harmony\\Scale::names() as $name) {
            $scale = Jactonic\\Core\\Harmony\\Scale::parse(["root" => ["C", "D", "F#", "Bb"][mt_rand(0, 3)], "kind" => $name]);
            for ($i = 0; $i < 40; $i++) {
                [$pitch, $steps] = [mt_rand(24, 100), mt_rand(-9, 9)];
                $told[] = [$scale->classes(), $pitch, $steps, $scale->stepped($pitch, $steps), $scale->nearest($pitch)];
            }
        }
        echo json_encode($told);`;
    const told = JSON.parse(execFileSync('php', ['-r', script], { encoding: 'utf8' })) as [number[], number, number, number, number][]; // prettier-ignore
    expect(told.length).toBeGreaterThan(400);
    for (const [list, pitch, steps, to, near] of told) {
        const classes = new Set(list);
        expect([stepped(classes, pitch, steps), nearest(classes, pitch)], JSON.stringify([list, pitch, steps])).toEqual([to, near]); // prettier-ignore
        // As many steps lead there.
        expect(stepsTo(classes, pitch, to)).toBe(steps);
    }
});

test('the interface reads points of lanes as the core does', () => {
    const script = `
        require 'vendor/autoload.php';
        $told = [];
        foreach (['bend', 'pressure', 'poly-pressure', 'program', 'cc:0', 'cc:1', 'cc:64', 'cc:119'] as $name) {
            $lane = Jactonic\\Core\\Score\\Lane::parse($name);
            foreach ([0xA2, 0xB0, 0xBF, 0xC3, 0xD0, 0xE0, 0xEF] as $status) foreach ([0, 1, 64, 119, 127] as $data1) foreach ([0, 64, 127] as $data2) {
                $point = new Jactonic\\Core\\Score\\Point(1, 0, $status, $data1, $data2);
                $told[] = [$name, $lane->range(), $status, $data1, $data2, $lane->holds($point), $lane->value($point)];
            }
        }
        echo json_encode($told);`;
    type Told = [string, [number, number], number, number, number, boolean, number];
    const told = JSON.parse(execFileSync('php', ['-r', script], { encoding: 'utf8' })) as Told[];
    expect(told.filter(([, , , , , holds]) => holds).length).toBeGreaterThan(90);
    const read = told.map(([name, , status, data1, data2]): Told => {
        const [lane, point] = [new Lane(name), { status, data1, data2 }];
        return [name, [lane.least, lane.most], status, data1, data2, lane.holds(point), lane.value(point)];
    });
    expect(read).toEqual(told);
    // A height in the lane is the value there, and the other way round.
    for (const name of ['bend', 'cc:1']) {
        const lane = new Lane(name);
        for (let v = lane.least; v <= lane.most; v += 97) expect(lane.at(lane.share(v))).toBe(v);
    }
});

test('the interface says lengths as the core does', () => {
    const script = `
        require 'vendor/autoload.php';
        $told = [];
        foreach ([97, 480, 960, 1920] as $ppq) for ($ticks = 0; $ticks < 6 * $ppq; $ticks += 1 + intdiv($ticks, 60))
            $told[] = [$ticks, $ppq, Jactonic\\Core\\Time\\NoteValue::words($ticks, $ppq)];
        foreach ([1, 2, 4, 8, 16, 32, 64, 128] as $value) foreach ([[1, 1], [2, 3], [3, 2]] as [$n, $d])
            if (3840 * $n % ($value * $d) === 0) $told[] = [intdiv(3840 * $n, $value * $d), 960, Jactonic\\Core\\Time\\NoteValue::words(intdiv(3840 * $n, $value * $d), 960)];
        echo json_encode($told);`;
    const told = JSON.parse(execFileSync('php', ['-r', script], { encoding: 'utf8' })) as [number, number, string][];
    expect(told.filter(([, , words]) => words.startsWith('1/')).length).toBeGreaterThan(20);
    expect(told.map(([ticks, ppq]) => [ticks, ppq, lengthWords(ticks, ppq)])).toEqual(told);
    expect([lengthWords(240, 960), lengthWords(320, 960), lengthWords(960, 960), lengthWords(1, 960), lengthWords(5760, 960)]).toEqual(['1/16', '1/8T', '1/4', 'under 0.01 beats', '1/1D']); // prettier-ignore
});

test('names of pitches are read as the core reads them, and tones without their octave', () => {
    const letters = ['C', 'd', 'E', 'f', 'G', 'a', 'B'].flatMap((l) =>
        ['', '#', '♯', 'b', '♭'].map((sign) => l + sign),
    );
    const names = letters.flatMap((l) => ['', '-2', '-1', '0', '4', '9', '10'].map((octave) => l + octave));
    const script = `
        require 'vendor/autoload.php';
        echo json_encode(array_map(Jactonic\\Core\\Score\\Pitch::parse(...), json_decode($argv[1], true)));`;
    const read = JSON.parse(
        execFileSync('php', ['-r', script, JSON.stringify(names)], { encoding: 'utf8' }),
    ) as unknown[];
    expect(names.map((name) => pitchOf(name))).toEqual(read);
    expect(['0', '60', '127', '128', '', 'H4'].map(pitchOf)).toEqual([0, 60, 127, null, null, null]);
    expect(['C', 'e♭', 'F#', 'Cb', '11', '12', 'C4', ''].map(toneOf)).toEqual([0, 3, 6, 11, 11, null, null, null]);
});
