import { GRID_BARS, GRID_VALUES } from '../../contract';

/** Note values and bars that a grid can be selected from. */
export const VALUES: readonly string[] = GRID_VALUES;
export const BARS: readonly string[] = GRID_BARS;

/** What a note value can be turned into, with the words for it. */
export const KINDS: [string, string][] = [
    ['', 'straight'],
    ['T', 'triplet'],
    ['D', 'dotted'],
    ...tuplets().map((n): [string, string] => [`:${n}`, tuplet(n)]),
];

/** A grid's name taken apart: its value, or its bars, and its kind. */
export function gridParts(grid: string): { value: string; kind: string } {
    const hit = /^(1\/\d+)(.*)$/.exec(grid);
    return hit ? { value: hit[1]!, kind: hit[2]! } : { value: grid, kind: '' };
}

/** The words for a kind: "triplet", "5 in 4". */
export function kindWords(kind: string): string {
    return KINDS.find(([k]) => k === kind)?.[1] ?? (kind.startsWith(':') ? tuplet(Number(kind.slice(1))) : kind);
}

export function barWords(bars: string): string {
    const n = bars.replace('bar', '');
    return n === '' ? '1 bar' : `${n} bars`;
}

/** Fives to thirty-ones, but for the halves of halves, which are no tuplets. */
function tuplets(): number[] {
    return Array.from({ length: 27 }, (_, i) => i + 5).filter((n) => !Number.isInteger(Math.log2(n)));
}

/** N in the time of the largest power of two below it. */
function tuplet(n: number): string {
    return `${n} in ${2 ** (Math.ceil(Math.log2(n)) - 1)}`;
}
