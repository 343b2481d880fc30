/** A number of things in words: "1 note", "8 notes". */
export const counted = (n: number, thing: string): string => `${n} ${thing}${n === 1 ? '' : 's'}`;
