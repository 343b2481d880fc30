import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import type { NoteFilter } from '../../resources/js/contract';
import { beatsOf, ticksOf } from '../../resources/js/views/recipes/beats';
import { conditionOf, pickOf, type Asks } from '../../resources/js/views/recipes/conditions';

/** The conditions as the core has them. */
const ASKS = JSON.parse(
    execFileSync(
        'php',
        ['-r', "require 'vendor/autoload.php'; echo json_encode(Jactonic\\Core\\Selection\\Conditions::toArray());"],
        { encoding: 'utf8' },
    ),
) as Asks;

test('a condition of the builder is a pick, and a pick the condition again', () => {
    const picks: (NoteFilter | null)[] = [
        null,
        { velocity: { max: 59 } },
        { velocity: { max: 59 }, muted: false },
        { or: [{ pitch: 60 }, { pitch: { min: 72 } }] },
        { not: { inChord: 'top' } },
        { and: [{ not: { pitch: 60 } }, { not: { pitch: 62 } }] },
        { pitch: { min: 42, max: 46 }, every: { nth: 2, from: 2 } },
        { or: [{ not: { onBeat: true } }, { overlapping: true }] },
        { outOfScale: true, group: false },
    ];
    for (const pick of picks) {
        const condition = conditionOf(ASKS, pick);
        expect(condition, JSON.stringify(pick)).not.toBeNull();
        expect(pickOf(condition!)).toEqual(pick);
    }
});

test('a value that the field of a condition cannot show is left as it is', () => {
    expect(conditionOf(ASKS, { group: 3 })).toBeNull();
    expect(conditionOf(ASKS, { articulation: 0 })).not.toBeNull();
});

test('what is nested deeper than the builder shows is left as it is', () => {
    expect(conditionOf(ASKS, { or: [{ and: [{ pitch: 1 }, { muted: true }] }] })).toBeNull();
    expect(conditionOf(ASKS, { not: { not: { pitch: 1 } } })).toBeNull();
    expect(conditionOf(ASKS, { not: { pitch: 1, muted: true } })).toBeNull();
});

test('two conditions about one thing are joined so that neither is lost', () => {
    const lines = [
        { not: false, what: 'pitch', value: { min: 60 } },
        { not: false, what: 'pitch', value: { max: 72 } },
    ];
    expect(pickOf({ joined: 'and', lines })).toEqual({ and: [{ pitch: { min: 60 } }, { pitch: { max: 72 } }] });
    expect(pickOf({ joined: 'or', lines })).toEqual({ or: [{ pitch: { min: 60 } }, { pitch: { max: 72 } }] });
});

test('everything that can be asked begins with an answer', () => {
    for (const [what, ask] of Object.entries(ASKS)) {
        expect(ask.first, what).not.toBeUndefined();
        expect(ask.title).not.toBe('');
        expect(pickOf({ joined: 'and', lines: [{ not: false, what, value: ask.first }] })).toEqual({
            [what]: ask.first,
        });
    }
});

test('ticks are shown as beats, and the same ticks come back', () => {
    const lost = [960, 1920, 26880].flatMap((ppq) =>
        Array.from({ length: 3000 }, (_, i) => i * 7).filter((ticks) => ticksOf(beatsOf(ticks, ppq), ppq) !== ticks),
    );
    expect(lost).toEqual([]);
    expect([beatsOf(480, 960), beatsOf(20, 960), beatsOf(3840, 960)]).toEqual(['0.5', '0.0208', '4']);
    expect([ticksOf('0,25', 960), ticksOf(' 2 ', 960), ticksOf('two', 960), ticksOf('', 960)]).toEqual([
        240,
        1920,
        null,
        null,
    ]);
});
