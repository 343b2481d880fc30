import type Fuse from 'fuse.js';
import type { Entry } from './commands.svelte';

/** What finds misspelt words: fetched beside the first screen, which does without it. */
let near: typeof Fuse | null = null;
export const ready = import('fuse.js').then((m) => void (near = m.default));

/** Finds commands by any word of theirs, also misspelt, also by another word for the same thing. */
export class Search {
    private made: Fuse<Entry> | null = null;

    constructor(private readonly entries: Entry[]) {}

    private get fuse(): Fuse<Entry> | null {
        if (!near) return null;
        return (this.made ??= new near(this.entries, {
            keys: [
                { name: 'title', weight: 3 },
                { name: 'words', weight: 1.5 },
                { name: 'about', weight: 0.5 },
                { name: 'group', weight: 0.5 },
            ],
            threshold: 0.35,
            ignoreLocation: true,
            includeScore: true,
            useTokenSearch: true,
        }));
    }

    /** Those that fit, the best first; with nothing typed all, those used of late first. */
    find(text: string, recent: string[] = []): Entry[] {
        const typed = text.trim().toLowerCase();
        const place = (e: Entry): number => {
            const at = recent.indexOf(e.id);
            return at < 0 ? recent.length : at;
        };
        if (typed === '') return [...this.entries].sort((a, b) => place(a) - place(b));
        const words = typed.split(/\s+/);
        const scored = this.entries
            .map((e) => ({ e, score: isPhrase(e, typed) ? 0.2 : words.reduce((sum, w) => sum + fits(e, w), 0) }))
            .filter((s) => Number.isFinite(s.score));
        if (scored.length > 0)
            return scored
                .sort(
                    (a, b) =>
                        a.score - b.score ||
                        place(a.e) - place(b.e) ||
                        b.e.ask.length - a.e.ask.length ||
                        a.e.title.length - b.e.title.length,
                )
                .map((s) => s.e);
        // Nothing has the words as they were typed: those that differ by a letter or two.
        const each = words.map((w) => {
            const near = new Set(this.fuse?.search(w).map((r) => r.item.id) ?? []);
            return (e: Entry): boolean => near.has(e.id) || Number.isFinite(fits(e, w));
        });
        return (this.fuse?.search(typed) ?? []).map((r) => r.item).filter((e) => each.every((like) => like(e)));
    }
}

/** Whether what was typed is, as it stands, another word for a command. */
function isPhrase(e: Entry, typed: string): boolean {
    return typed.includes(' ') && e.words.some((w) => w.toLowerCase() === typed);
}

/** How far a word is from what a command is called: 0 for its first word; nothing for a word that it has nowhere. */
function fits(e: Entry, word: string): number {
    const title = e.title.toLowerCase().split(/[^\p{L}\p{N}]+/u);
    // A recipe is one's own: it comes beside the command that it is named after, not before it.
    if (title[0] === word) return e.command === 'recipe' ? 1 : 0;
    if (word.length > 3 && title[0]!.startsWith(word)) return 0.9;
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
