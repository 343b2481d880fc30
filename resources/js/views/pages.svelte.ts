import type { Component } from 'svelte';

const LOADS = {
    roll: () => import('./RollPage.svelte'),
    song: () => import('./SongPage.svelte'),
    shortcuts: () => import('./shortcuts/Shortcuts.svelte'),
    sheet: () => import('./Sheet.svelte'),
    pace: () => import('./PacePage.svelte'),
    commands: () => import('./CommandList.svelte'),
    steps: () => import('./Steps.svelte'),
} as const;

type Name = keyof typeof LOADS;
type Page<N extends Name> = Awaited<ReturnType<(typeof LOADS)[N]>>['default'];

/**
 * Pages that the first screen does without. They are fetched as soon as it stands, so that going to one is at once and
 * no key is lost on the way; until then a page is null.
 */
class Pages {
    private loaded = $state.raw<{ [N in Name]?: Page<N> }>({});
    private asked = new Map<Name, Promise<void>>();

    get<N extends Name>(name: N): Page<N> | null {
        void this.load(name);
        return this.loaded[name] ?? null;
    }

    /** Fetches all, the one that is wanted first. */
    async all(): Promise<void> {
        for (const name of Object.keys(LOADS) as Name[]) await this.load(name);
    }

    private load(name: Name): Promise<void> {
        let asked = this.asked.get(name);
        if (!asked) {
            asked = LOADS[name]().then(({ default: page }) => {
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
