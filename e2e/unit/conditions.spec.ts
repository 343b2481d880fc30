import { expect, test } from '@playwright/test';
import type { PickData } from '../../resources/js/api/types';
import { ASKS, conditionOf, pickOf } from '../../resources/js/views/recipes/conditions';

test('a condition of the builder is a pick, and a pick the condition again', () => {
    const picks: (PickData | null)[] = [
        null,
        { velocity: { max: 59 } },
        { velocity: { max: 59 }, muted: false },
        { or: [{ pitch: 60 }, { pitch: { min: 72 } }] },
        { not: { inChord: 'top' } },
        { and: [{ not: { pitch: 60 } }, { not: { pitch: 62 } }] },
        { pitch: { min: 42, max: 46 }, every: { nth: 2, from: 2 } },
        { or: [{ not: { onBeat: true } }, { overlapping: true }] },
    ];
    for (const pick of picks) {
        const condition = conditionOf(pick);
        expect(condition, JSON.stringify(pick)).not.toBeNull();
        expect(pickOf(condition!)).toEqual(pick);
    }
});

test('what is nested deeper than the builder shows is left as it is', () => {
    expect(conditionOf({ or: [{ and: [{ pitch: 1 }, { muted: true }] }] })).toBeNull();
    expect(conditionOf({ not: { not: { pitch: 1 } } })).toBeNull();
    expect(conditionOf({ not: { pitch: 1, muted: true } })).toBeNull();
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
        expect(ask.words).not.toBe('');
        expect(pickOf({ joined: 'and', lines: [{ not: false, what, value: ask.first }] })).toEqual({
            [what]: ask.first,
        });
    }
});
