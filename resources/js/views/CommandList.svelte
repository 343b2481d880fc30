<script lang="ts">
    import { tick, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Settings } from '../api/types';
    import { allowedWords, commands, isNeeded, paramWords, same, type Entry } from '../keys/commands.svelte';
    import { keys, type Hint } from '../keys/keys.svelte';
    import { Search } from '../keys/search';
    import { TypedLine } from '../keys/typed.svelte';
    import { labels } from '../keys/strokes';
    import { typing } from '../sound/inputs/typing.svelte';
    import Field from './fields/Field.svelte';
    import LandingWords from './LandingWords.svelte';
    import GiveKey from './GiveKey.svelte';
    import Panel from './Panel.svelte';
    import { panels } from '../panels.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'command'],
        ['Enter', 'do it'],
    ];

    let { song, part, onSaid }: { song: Song | null; part: Part | null; onSaid: (said: string) => void } = $props();

    const SHOWN = 60;
    const RECENT = 12;
    let text = $state('');
    let at = $state(0);
    /** The command whose parameters are asked for, or to which a key is given. */
    let asking = $state.raw<Entry | null>(null);
    /** A key was just given: undo is for that, until something else is typed. */
    let takesBack = false;
    let giving = $state.raw<Entry | null>(null);
    let params = $state.raw<Record<string, unknown>>({});
    let said = $state('');
    let list: HTMLElement | undefined = $state();
    let field: HTMLInputElement;

    const recent = recentIds();
    const line = new TypedLine();
    // Its settings, and as it was set last, are ways to run an edit, and no lines of their own.
    const search = $derived(new Search(commands.entries().filter((e) => !wayOf(e))));
    // What is not for here stands after what is; what was typed with its values stands first.
    const all = $derived([...line.found, ...hereFirst(search.find(text, recent))]);
    const examples = $derived(text.trim() === '' ? (commands.examples[keys.context] ?? []) : []);
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
        return [...found].sort((a, b) => Number(!isHere(a)) - Number(!isHere(b)));
    }

    /** The edit whose settings an entry opens, or that it does as it was set last; empty for others. */
    function wayOf(e: Entry): string {
        const isWay = e.command === 'panel' || (e.command === 'again' && Object.keys(e.params).length === 1);
        return isWay ? String(e.params.edit ?? '') : '';
    }

    /** Other ways to run an edit. */
    function ways(e: Entry): { label: string; command: string; params: Record<string, unknown>; keys: string }[] {
        if (!commands.edits.has(e.command) || e.id.startsWith('typed')) return [];
        const panel = commands.find(e.command)?.panel;
        const settings = !panel ? null : panel === 'edit' ? { edit: e.command } : { name: panel };
        return [
            ...(settings ? [{ label: 'settings', command: 'panel', params: settings }] : []),
            ...(e.ask.length > 0 ? [{ label: 'as last set', command: 'again', params: { edit: e.command } }] : []),
        ].map((w) => ({
            ...w,
            keys: labels(keys.keysFor(w.command, w.params, keys.context) || ' ')
                .join(' ')
                .trim(),
        }));
    }

    // What is typed with values is looked at before it is done.
    $effect(() => {
        line.ask(text, keys.context, song?.id ?? null);
    });
    $effect(() => {
        const here = song;
        if (!here?.open || !chosen?.id.startsWith('typed') || !commands.edits.has(chosen.command)) return;
        const command = { edit: chosen.command, params: chosen.params };
        untrack(() => void here.preview.look([command]));
        return () => here.preview.unlook();
    });

    /** Puts what is selected into the recipe that is being recorded, or begins one with it. */
    async function note(e: Entry | null): Promise<void> {
        if (!e || !song) return;
        if (!commands.edits.has(e.command) && e.command !== 'set') {
            said = `${e.title} cannot be a step of a recipe.`;
            return;
        }
        if (!song.commandLog.recording) await song.commandLog.record();
        const step = e.command === 'set' ? { set: e.params } : { edit: e.command, params: e.params };
        song.commandLog.recording = [...(song.commandLog.recording ?? []), step];
        said = `${e.title}: step ${song.commandLog.recording.length} of the recipe being recorded.`;
    }

    /** Why a command cannot be done here and now; empty where it can. */
    function lacking(e: Entry): string {
        if (!keys.can(e.command))
            return e.contexts.includes('any')
                ? ''
                : `not here: ${e.contexts.map((c) => ({ roll: 'in a part', song: 'on a song’s page', songs: 'in the list of songs', keys: 'among the shortcuts' })[c] ?? c).join(', ')}`;
        if (e.needs === 'notes' && keys.context === 'roll' && !song?.selection.isAny) return 'needs notes selected';
        if (e.needs === 'parts' && song?.selection.parts.length === 0) return 'needs a part selected';
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
        const missing = e.ask.find((p) => isNeeded(p) && given[p.name] === undefined);
        if (missing) {
            said = allowedWords(missing);
            return;
        }
        if (!keys.can(e.command)) {
            said = `${e.title} works ${lacking(e).replace('not here: ', '')}.`;
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
        takesBack = sentence !== '';
        if (sentence) {
            said = `${sentence} Undo takes it back.`;
            onSaid(sentence);
        }
        field.focus();
    }

    const isUndo = (e: KeyboardEvent): boolean =>
        (e.ctrlKey || e.metaKey) && !e.shiftKey && e.key.toLowerCase() === 'z';

    function press(e: KeyboardEvent): void {
        if (giving) return;
        if (takesBack && isUndo(e)) {
            e.preventDefault();
            e.stopPropagation();
            takesBack = false;
            void keys.ask('POST', 'key-sets/undo').then(() => (said = 'The last change of shortcuts is undone.'));
        } else if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement)) {
            e.preventDefault();
            e.stopPropagation();
            const { altKey, shiftKey } = e;
            const act = (): unknown =>
                altKey ? give(chosen) : shiftKey && !asking ? note(chosen) : choose(asking ?? chosen);
            // What was typed just now may still be on its way to be read.
            if (altKey || line.isRead) void act();
            else void line.settled().then(tick).then(act);
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

<Panel title="All commands" onkeydown={press} hints={HINTS}>
    <div class="sticky top-0 z-10 bg-base-100 px-4 py-3">
        <input
            bind:this={field}
            class="input w-full"
            type="text"
            data-first
            placeholder="Any word, with its values: louder, transpose -7"
            aria-label="Find a command by any word"
            role="combobox"
            aria-expanded="true"
            aria-controls="command-list"
            aria-activedescendant={chosen ? `command-${shown.indexOf(chosen)}` : undefined}
            bind:value={text}
            oninput={() => ((at = 0), (asking = null), (said = ''), (takesBack = false))}
        />
    </div>
    {#if said}<p class="px-4 pb-2" role="status">{said}</p>{/if}
    {#if examples.length > 0}
        <p class="px-4 pb-1 text-sm">Typed with its values, a command is one line:</p>
        <p class="flex flex-wrap gap-1 px-4 pb-3" data-testid="examples">
            {#each examples as example (example)}
                <button class="btn btn-xs font-normal" data-field onclick={() => ((text = example), field.focus())}
                    >{example}</button
                >
            {/each}
        </p>
    {/if}
    {#if shown.length === 0}
        <p class="px-4">
            {#if line.stopped}{line.stopped}{/if} No command has that word. Every command has a title, a group and other words
            for it; try one of those.
        </p>
    {/if}
    <!-- What stands beside an entry (fields, ways to run it) is no part of a list to select from. -->
    <div
        id="command-list"
        role="listbox"
        aria-label="Commands"
        aria-owns={shown.map((_, i) => `command-${i}`).join(' ') || undefined}
    ></div>
    <ul bind:this={list} class="pb-2" data-testid="commands" role="presentation">
        {#each shown as entry, i (entry.id)}
            <li
                role="presentation"
                class="border-l-4 px-3 py-1 {entry === chosen ? 'border-primary bg-base-200' : 'border-transparent'}"
            >
                <!-- The field has the keys. -->
                <!-- svelte-ignore a11y_click_events_have_key_events -->
                <div
                    id="command-{i}"
                    role="option"
                    tabindex="-1"
                    aria-selected={entry === chosen}
                    class="cursor-pointer"
                    onclick={() => ((at = i), void choose(entry))}
                >
                    <span class="flex w-full items-baseline gap-2">
                        <span class="min-w-0 flex-1"
                            >{entry.title}{entry.ask.length > 0 ? '…' : ''}
                            {#if entry.command === 'recipe'}<span class="badge badge-outline badge-sm">recipe</span
                                >{/if}</span
                        >
                        {#each keysOf(entry) as shownKeys (shownKeys)}<kbd class="key">{shownKeys}</kbd>{/each}
                    </span>
                    <span class="flex justify-between gap-2 text-sm text-base-content/80">
                        <span>{entry.group}</span>
                        <span>{lacking(entry)}</span>
                    </span>
                </div>
                {#if entry === chosen && ways(entry).length > 0 && asking !== entry}
                    <p class="flex flex-wrap gap-2 pt-1 text-sm">
                        {#each ways(entry) as way (way.label)}
                            <button
                                class="btn btn-xs"
                                tabindex="-1"
                                data-field
                                onclick={() => (panels.close(), keys.run(way.command, way.params, 'list'))}
                                >{way.label}{#if way.keys}<kbd class="key">{way.keys}</kbd>{/if}</button
                            >
                        {/each}
                    </p>
                {/if}
                {#if entry === chosen && entry.id.startsWith('typed') && song?.preview.landing}
                    <div class="pt-1 text-sm"><LandingWords landing={song.preview.landing} /></div>
                {/if}
                {#if giving === entry}
                    <GiveKey
                        command={entry.command}
                        params={{ ...entry.params, ...(asking === entry ? params : {}) }}
                        label={entry.ask.length > 0 && asking === entry
                            ? `${entry.title}${paramWords(commands.find(entry.command)!, params)}`
                            : entry.title}
                        contexts={entry.contexts}
                        from={keys.context}
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
        <kbd class="key">↑ ↓</kbd> select <kbd class="key">Enter</kbd> do it <kbd class="key">Alt Enter</kbd> give it a
        key {#if song}<kbd class="key">Shift Enter</kbd> into a recipe{/if}
        {#if asking}<kbd class="key">Esc</kbd> back to the list{/if}
    {/snippet}
</Panel>
