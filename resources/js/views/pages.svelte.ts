import type { Component } from 'svelte';

const LOADS = {
    roll: async () => (await import('./RollPage.svelte')).default,
    song: async () => (await import('./SongPage.svelte')).default,
    chords: async () => (await import('./detached')).chords,
    sheet: async () => (await import('./detached')).sheet,
    pace: async () => (await import('./detached')).pace,
    guide: async () => (await import('./detached')).guide,
    start: async () => (await import('./detached')).start,
    backups: async () => (await import('./detached')).backups,
    steps: async () => (await import('./detached')).steps,
} as const;

type Name = keyof typeof LOADS;
type Page<N extends Name> = Awaited<ReturnType<(typeof LOADS)[N]>>;

/**
 * Pages that the first screen does without: fetched as soon as it stands, and null until then. Whatever is typed into as
 * soon as it is asked for (the command list, the shortcuts) is not among them: its first letters would go elsewhere.
 */
class Pages {
    private loaded = $state.raw<{ [N in Name]?: Page<N> }>({});
    private asked = new Map<Name, Promise<void>>();

    get<N extends Name>(name: N): Page<N> | null {
        void this.load(name);
        return this.loaded[name] ?? null;
    }

    /** Has a page fetched while something else is waited for. */
    want(name: Name): void {
        this.load(name).catch(() => {});
    }

    /** Fetches all, the one that is wanted first. */
    async all(): Promise<void> {
        for (const name of Object.keys(LOADS) as Name[]) await this.load(name);
    }

    /** What is asked for and not there yet; it resolves also where it could not be fetched. */
    get arriving(): Promise<unknown> | null {
        const missing = [...this.asked].filter(([name]) => !this.loaded[name]);
        return missing.length > 0 ? Promise.allSettled(missing.map(([, asked]) => asked)) : null;
    }

    /** Whether a page was asked for and is not there yet. */
    lacks(name: string): boolean {
        return this.asked.has(name as Name) && !this.loaded[name as Name];
    }

    private load(name: Name): Promise<void> {
        let asked = this.asked.get(name);
        if (!asked) {
            asked = LOADS[name]().then((page) => {
                this.loaded = { ...this.loaded, [name]: page as Component };
            });
            // A page that did not come is asked for again when it is wanted again.
            asked.catch(() => this.asked.delete(name));
            this.asked.set(name, asked);
        }
        return asked;
    }
}

export const pages = new Pages();
