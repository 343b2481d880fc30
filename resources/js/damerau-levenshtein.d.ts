declare module 'damerau-levenshtein' {
    /** How many letters have to be put in, taken out, changed or swapped with the next to make one word of the other. */
    export default function distance(
        one: string,
        other: string,
    ): { steps: number; relative: number; similarity: number };
}
