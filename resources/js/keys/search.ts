import distance from 'damerau-levenshtein';
import type { Entry } from './commands.svelte';

/** Finds commands by any word of theirs, also misspelt, also by another word for the same thing. */
export class Search {
    constructor(private readonly entries: Entry[]) {}

    /** Those that fit, the best first; with nothing typed all, those used of late first. */
    find(text: string, recent: string[] = []): Entry[] {
        const typed = text.trim().toLowerCase();
        const place = (e: Entry): number => {
            const at = recent.indexOf(e.id);
            return at < 0 ? recent.length : at;
        };
        if (typed === '') return [...this.entries].sort((a, b) => place(a) - place(b));
        const words = typed.split(/\s+/);
        const fitting = (each: (e: Entry, word: string) => number): Entry[] =>
            this.entries
                .map((e) => ({ e, score: scoreOf(e, typed) ?? words.reduce((sum, w) => sum + each(e, w), 0) }))
                .filter((s) => Number.isFinite(s.score))
                .sort(
                    (a, b) =>
                        a.score - b.score ||
                        place(a.e) - place(b.e) ||
                        b.e.ask.length - a.e.ask.length ||
                        a.e.title.length - b.e.title.length,
                )
                .map((s) => s.e);
        const found = fitting(fits);
        // Nothing has the words as they were typed: those that differ by a letter or two.
        if (found.length > 0) return found;
        const far = new Map(words.map((word) => [word, slips(word)]));
        return fitting((e, word) => Math.min(fits(e, word), 10 + nearest(e, far.get(word)!)));
    }
}

/** How far a command is from what was typed, where that is its title or another word for it as it stands. */
function scoreOf(e: Entry, typed: string): number | undefined {
    if (e.command !== 'recipe' && e.title.toLowerCase().replace(/…$/, '') === typed) return -1;
    return typed.includes(' ') && e.words.some((w) => w.toLowerCase() === typed) ? 0.2 : undefined;
}

/** How far a word is from what a command is called: 0 for its first word; nothing for a word that it has nowhere. */
function fits(e: Entry, word: string): number {
    const title = apart(e.title);
    // A recipe is one's own: it comes beside the command that it is named after, not before it.
    if (title[0] === word) return e.command === 'recipe' ? 1 : 0;
    if (word.length > 3 && title[0]!.startsWith(word)) return title.length === 1 ? 0.85 : 0.9;
    if (title.includes(word)) return 1;
    const words = e.words.map((w) => w.toLowerCase());
    const place = words.indexOf(word);
    // What stands first among its other words is what it is most.
    if (place >= 0) return place === 0 ? 0.8 : 2 + place / 20;
    if (title.some((t) => t.startsWith(word))) return 3;
    if (words.some((w) => w.split(' ').includes(word))) return 3.5;
    if (words.some((w) => w.startsWith(word))) return 4;
    if (word.length > 2 && words.some((w) => w.includes(word))) return 5;
    if (e.group === word) return 6;
    return word.length > 3 && e.about.toLowerCase().includes(word) ? 8 : Infinity;
}

/** How far a command is from a misspelt word: a title is nearer than its other words. */
function nearest(e: Entry, far: (name: string) => number): number {
    const best = (names: string[]): number => Math.min(...names.flatMap(apart).map(far));
    return Math.min(best([e.title]), 0.5 + best([...e.words, e.group]));
}

/**
 * How many letters of a word were left out, doubled, swapped or mistaken for what it is held against, also where that is
 * not typed to its end; nothing where it is more than a slip.
 */
function slips(word: string): (name: string) => number {
    const most = word.length > 5 ? 2 : word.length > 3 ? 1 : 0;
    const known = new Map<string, number>();
    return (name) => {
        let steps = known.get(name);
        if (steps === undefined) {
            // As it is, and typed only so far.
            const ends = [-1, 0, 1].map((more) => word.length + more).filter((end) => end < name.length);
            const tried = [name, ...ends.map((end) => name.slice(0, end))]
                .filter((n) => Math.abs(n.length - word.length) <= most)
                .map((n) => distance(word, n).steps);
            steps = Math.min(...tried.filter((n) => n <= most));
            known.set(name, steps);
        }
        return steps;
    };
}

function apart(text: string): string[] {
    return text.toLowerCase().split(/[^\p{L}\p{N}]+/u);
}
