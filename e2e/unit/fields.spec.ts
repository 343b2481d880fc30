import { expect, test } from '@playwright/test';
import { barWords, gridParts, kindWords, KINDS } from '../../resources/js/views/fields/grids';
import { nudgeStep, stepWords } from '../../resources/js/views/fields/steps';

test('a grid is taken apart into its value and its kind', () => {
    expect(gridParts('1/16')).toEqual({ value: '1/16', kind: '' });
    expect(gridParts('1/8T')).toEqual({ value: '1/8', kind: 'T' });
    expect(gridParts('1/4:5')).toEqual({ value: '1/4', kind: ':5' });
    expect(gridParts('2bar')).toEqual({ value: '2bar', kind: '' });
});

test('tuplets say in the time of how many they are', () => {
    expect(kindWords(':3')).toBe('3 in 2');
    expect(kindWords(':5')).toBe('5 in 4');
    expect(kindWords(':7')).toBe('7 in 4');
    expect(kindWords(':9')).toBe('9 in 8');
    expect(kindWords(':11')).toBe('11 in 8');
    expect(kindWords('T')).toBe('triplet');
    expect(new Set(KINDS.map(([kind]) => kind)).size).toBe(KINDS.length);
});

test('bars and steps are said as people say them', () => {
    expect([barWords('bar'), barWords('4bar')]).toEqual(['1 bar', '4 bars']);
    expect(stepWords({ unit: 'ms', amount: 10 })).toBe('10 ms');
    expect(stepWords({ unit: 'value', amount: '1/32' })).toBe('1/32');
    expect(stepWords({ unit: 'samples', amount: 1 })).toBe('1 sample');
    expect(stepWords({ unit: 'grid', amount: 2 })).toBe('2 grid cells');
});

test('while the nudge step is tied, a cell of the grid holds', () => {
    const own = { unit: 'ms', amount: 5 };
    const settings = { nudge: own, tied: false } as never;
    expect(nudgeStep(settings)).toEqual(own);
    expect(nudgeStep({ nudge: own, tied: true } as never)).toEqual({ unit: 'grid', amount: 1 });
});
