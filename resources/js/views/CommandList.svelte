<script lang="ts">
    import { tick } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Settings } from '../api/types';
    import { commands, keyOf, paramWords, same, type Entry } from '../keys/commands.svelte';
    import { keys } from '../keys/keys.svelte';
    import { Search } from '../keys/search';
    import { labels } from '../keys/strokes';
    import { typing } from '../sound/inputs/typing.svelte';
    import Field from './fields/Field.svelte';
    import GiveKey from './GiveKey.svelte';
    import Panel from './Panel.svelte';
    import { panels } from './panels.svelte';

    let { song, part, onSaid }: { song: Song | null; part: Part | null; onSaid: (said: string) => void } = $props();

    const SHOWN = 60;
    const RECENT = 12;
    const NEEDS: Record<string, string> = {
        notes: 'notes chosen',
        part: 'an open part',
        parts: 'a part chosen',
        tracks: 'a track',
        song: 'an open song',
        nothing: '',
    };

    let text = $state('');
    let at = $state(0);
    /** The command whose parameters are asked for, or to which a key is given. */
    let asking = $state.raw<Entry | null>(null);
    let giving = $state.raw<Entry | null>(null);
    let params = $state.raw<Record<string, unknown>>({});
    let said = $state('');
    let list: HTMLElement | undefined = $state();
    let field: HTMLInputElement;

    const recent = recentIds();
    const search = $derived(new Search(commands.entries()));
    // What is not for here stands after what is.
    const all = $derived(hereFirst(search.find(text, recent)));
    const shown = $derived(all.slice(0, SHOWN));
    const chosen = $derived(shown[Math.min(at, shown.length - 1)] ?? null);
    const settings = $derived(part?.settings ?? ({} as Settings));

    function recentIds(): string[] {
        try {
            const kept: unknown = JSON.parse(localStorage.getItem('jactonic.recent') ?? '[]');
            return Array.isArray(kept) ? kept.map(String) : [];
        } catch {
            return [];
        }
    }

    /** The keys of a command; of one that asks, those of all its shortcuts. */
    function keysOf(e: Entry): string[] {
        void keys.version;
        const mine = keys.resolver.bindings.filter(
            (b) =>
                b.command === e.command &&
                (same(b.params, e.params) ||
                    (e.ask.length > 0 &&
                        Object.keys(e.params).length === 0 &&
                        Object.keys(b.params).every((name) => e.ask.some((p) => p.name === name)))),
        );
        return [...new Set(mine.map((b) => reached(b.keys)))].slice(0, 3);
    }

    /** The keys; while theirs play notes, after the key that gives them back. */
    function reached(strokes: string): string {
        const back = typing.on && keys.isPlayed(strokes) ? keys.keysFor('keyboard', {}, 'roll') : '';
        return [...(back ? labels(back) : []), ...labels(strokes)].join(' ');
    }

    function hereFirst(found: Entry[]): Entry[] {
        const isHere = (e: Entry): boolean => keys.can(e.command);
        // What only resembles what was typed stands after what has every word of it.
        const known = new Set(commands.entries().map((e) => e.id));
        const exact = new Set(search.exact(text.trim().toLowerCase()).map((e) => e.id));
        const rank = (e: Entry): number =>
            (text.trim() === '' || exact.has(e.id) || !known.has(e.id) ? 0 : 2) + (isHere(e) ? 0 : 1);
        return [...found].sort((a, b) => rank(a) - rank(b));
    }

    /** Why a command cannot be done here and now; empty where it can. */
    function lacking(e: Entry): string {
        if (!keys.can(e.command))
            return e.contexts.includes('any')
                ? ''
                : `not here: ${e.contexts.map((c) => ({ roll: 'in a part', song: 'on a song’s page', songs: 'in the list of songs', keys: 'among the shortcuts' })[c] ?? c).join(', ')}`;
        if (e.needs === 'notes' && (song?.selected.size ?? 0) === 0) return 'needs notes chosen';
        return '';
    }

    async function choose(e: Entry | null): Promise<void> {
        if (!e) return;
        if (e.ask.some((p) => !p.optional || e.ask.length === 1) && asking !== e) {
            asking = e;
            params = {};
            await tick();
            list?.querySelector<HTMLElement>('[data-asked] [data-first]')?.focus();
            return;
        }
        run(e, { ...e.params, ...(asking === e ? params : {}) });
    }

    function run(e: Entry, given: Record<string, unknown>): void {
        const missing = e.ask.find(
            (p) => given[p.name] === undefined && p.default === undefined && !p.setting && !p.optional,
        );
        if (missing) {
            said = `${missing.title}: ${missing.allowed}.`;
            return;
        }
        if (!keys.can(e.command)) {
            said = `${e.title} is done ${lacking(e).replace('not here: ', '')}.`;
            return;
        }
        localStorage.setItem(
            'jactonic.recent',
            JSON.stringify([e.id, ...recent.filter((id) => id !== e.id)].slice(0, RECENT)),
        );
        panels.close();
        keys.run(e.command, given, 'list');
    }

    async function give(e: Entry | null): Promise<void> {
        giving = e;
        await tick();
    }

    function given(sentence: string): void {
        giving = null;
        if (sentence) {
            said = sentence;
            onSaid(sentence);
        }
        field.focus();
    }

    function press(e: KeyboardEvent): void {
        if (giving) return;
        if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement)) {
            e.preventDefault();
            e.stopPropagation();
            void (e.altKey ? give(chosen) : choose(asking ?? chosen));
        } else if ((e.key === 'ArrowDown' || e.key === 'ArrowUp') && !asking) {
            e.preventDefault();
            e.stopPropagation();
            at = Math.max(
                0,
                Math.min(shown.length - 1, Math.min(at, shown.length - 1) + (e.key === 'ArrowDown' ? 1 : -1)),
            );
            void tick().then(() => list?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' }));
        } else if (e.key === 'Escape' && asking) {
            e.preventDefault();
            e.stopPropagation();
            asking = null;
            field.focus();
        }
    }
</script>

<Panel title="All commands" onkeydown={press}>
    <div class="sticky top-0 z-10 bg-base-100 px-4 py-3">
        <input
            bind:this={field}
            class="input w-full"
            type="text"
            data-first
            placeholder="Any word: quantize, louder, feel…"
            aria-label="Find a command by any word"
            role="combobox"
            aria-expanded="true"
            aria-controls="command-list"
            aria-activedescendant={chosen ? `command-${keyOf(chosen.command, chosen.params, chosen.ask)}` : undefined}
            bind:value={text}
            oninput={() => ((at = 0), (asking = null), (said = ''))}
        />
    </div>
    {#if said}<p class="px-4 pb-2" role="status">{said}</p>{/if}
    {#if shown.length === 0}
        <p class="px-4">
            No command has that word. Every command has a title, a group and other words for it; try one of those.
        </p>
    {/if}
    <ul bind:this={list} id="command-list" role="listbox" aria-label="Commands" class="pb-2" data-testid="commands">
        {#each shown as entry, i (entry.id)}
            <li
                id="command-{keyOf(entry.command, entry.params, entry.ask)}"
                role="option"
                aria-selected={entry === chosen}
                class="border-l-4 px-3 py-1 {entry === chosen ? 'border-primary bg-base-200' : 'border-transparent'}"
            >
                <button
                    class="flex w-full cursor-pointer items-baseline gap-2 text-left"
                    tabindex="-1"
                    data-field
                    onclick={() => ((at = i), void choose(entry))}
                >
                    <span class="min-w-0 flex-1"
                        >{entry.title}{entry.ask.length > 0 ? '…' : ''}
                        {#if entry.command === 'recipe'}<span class="badge badge-outline badge-sm">recipe</span
                            >{/if}</span
                    >
                    {#each keysOf(entry) as shownKeys (shownKeys)}<kbd class="key">{shownKeys}</kbd>{/each}
                </button>
                <p class="flex justify-between gap-2 text-sm text-base-content/80">
                    <span>{entry.group}</span>
                    <span>{lacking(entry) || (NEEDS[entry.needs] ? `needs ${NEEDS[entry.needs]}` : '')}</span>
                </p>
                {#if giving === entry}
                    <GiveKey
                        command={entry.command}
                        params={{ ...entry.params, ...(asking === entry ? params : {}) }}
                        label={entry.ask.length > 0 && asking === entry
                            ? `${entry.title}${paramWords(commands.find(entry.command)!, params)}`
                            : entry.title}
                        contexts={entry.contexts}
                        onDone={given}
                    />
                {/if}
                {#if asking === entry}
                    <div data-asked class="-mx-3">
                        {#each entry.ask as param, k (param.name)}
                            <Field
                                {param}
                                value={params[param.name]}
                                {settings}
                                first={k === 0}
                                onchange={(v) => (params = { ...params, [param.name]: v })}
                            />
                        {/each}
                    </div>
                {/if}
            </li>
        {/each}
    </ul>
    {#if all.length > SHOWN}<p class="px-4 pb-3 text-sm">{all.length - SHOWN} more: type another word.</p>{/if}
    {#snippet foot()}
        <kbd class="key">↑ ↓</kbd> choose <kbd class="key">Enter</kbd> do it <kbd class="key">Alt Enter</kbd> give it a
        key
        {#if asking}<kbd class="key">Esc</kbd> back to the list{/if}
    {/snippet}
</Panel>
