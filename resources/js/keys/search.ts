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

    /**
     * Those that fit, the best first; with nothing typed all, those used of late first. A value typed behind the words is
     * given to those that ask for one.
     */
    find(text: string, recent: string[] = []): Entry[] {
        const value = /^(.*\S)\s+([+−-]?\d+(?:[.,]\d+)?|\d+\/\d+[td]?)\s*%?$/i.exec(text.trim());
        const valued = value ? this.exact(value[1]!.toLowerCase()).flatMap((e) => withValue(e, value[2]!)) : [];
        return [...valued, ...this.shaped(text.trim()), ...this.fit(text, recent)];
    }

    /** Those that have every word, somewhere. */
    exact(typed: string): Entry[] {
        return this.entries.filter((e) => typed.split(/\s+/).every((w) => textOf(e).includes(w)));
    }

    /** A word, and behind it what looks like a value that its command asks for: a chord, a scale, a pitch. */
    private shaped(text: string): Entry[] {
        const [, word, value] = /^(\S+)\s+(.+)$/.exec(text) ?? [];
        if (!word || !value) return [];
        const first = (e: Entry): number => Number(!e.title.toLowerCase().startsWith(word.toLowerCase()));
        const found = this.exact(word.toLowerCase()).sort((a, b) => first(a) - first(b));
        return found.flatMap((e) => {
            const p = e.ask.find((a) => a.shape && new RegExp(`^(?:${a.shape})$`, 'i').test(value));
            const named = p && textOf(e).includes(p.title.toLowerCase());
            return named ? [{ ...e, id: `${e.id} ${value}`, title: `${e.title}: ${value}`, params: { ...e.params, [p.name]: value }, ask: [] }] : []; // prettier-ignore
        });
    }

    private fit(text: string, recent: string[]): Entry[] {
        const typed = text.trim().toLowerCase();
        const place = (e: Entry): number => {
            const at = recent.indexOf(e.id);
            return at < 0 ? recent.length : at;
        };
        if (typed === '') return [...this.entries].sort((a, b) => place(a) - place(b));
        const exact = this.exact(typed);
        const rank = (e: Entry): number =>
            e.title.toLowerCase().startsWith(typed) ? 0 : e.title.toLowerCase().includes(typed) ? 1 : 2;
        exact.sort((a, b) => rank(a) - rank(b) || place(a) - place(b));
        const seen = new Set(exact.map((e) => e.id));
        const like = this.fuse?.search(typed).map((r) => r.item) ?? [];
        return [...exact, ...like.filter((e) => !seen.has(e.id))];
    }
}

/** A command with what was typed as the value of the first parameter that it fits. */
function withValue(e: Entry, typed: string): Entry[] {
    const number = Number(typed.replace('−', '-').replace(',', '.'));
    for (const p of e.ask) {
        const isNumber = p.type === 'integer' || p.type === 'number';
        const fits = isNumber
            ? number >= p.min! && number <= p.max! && (p.type === 'number' || Number.isInteger(number))
            : p.type === 'grid' && /^\d+\/\d+[td]?$/i.test(typed);
        if (!fits) continue;
        const value = isNumber ? number : typed.toUpperCase();
        const name = p.title.split(',')[0]!.toLowerCase();
        const title = `${e.title}${name === e.title.toLowerCase() ? '' : `: ${name}`} ${value}${p.unit === '%' ? ' %' : ''}`;
        return [{ ...e, id: `${e.id} ${value}`, title, params: { ...e.params, [p.name]: value }, ask: [] }];
    }
    return [];
}

function textOf(e: Entry): string {
    return `${e.title} ${e.words.join(' ')} ${e.group} ${e.about}`.toLowerCase();
}
