<script lang="ts">
    import { onMount, tick } from 'svelte';
    import type { Binding, Setup, Spec } from '../api/types';
    import { commands, same, type Entry } from '../keys/commands.svelte';
    import { keys } from '../keys/keys.svelte';
    import { Search } from '../keys/search';
    import { labels } from '../keys/strokes';
    import { router } from '../router.svelte';
    import BottomLine from './BottomLine.svelte';
    import Field from './fields/Field.svelte';
    import GiveKey from './GiveKey.svelte';
    import KeyboardPicture from './KeyboardPicture.svelte';
    import KeySets from './KeySets.svelte';

    let { setup }: { setup: Setup } = $props();

    const CONTEXTS: [string, string][] = [
        ['roll', 'the roll'],
        ['song', 'the song page'],
        ['songs', 'the list of songs'],
        ['any', 'everywhere'],
        ['keys', 'this page'],
    ];
    const SHOW: [string, string][] = [
        ['all', 'all'],
        ['bound', 'with a key'],
        ['unbound', 'no key'],
        ['changed', 'changed by me'],
    ];

    interface Row {
        entry: Entry;
        binding: Binding | null;
        params: Record<string, unknown>;
    }

    let context = $state('roll');
    let text = $state('');
    let pressed = $state('');
    let group = $state('');
    let show = $state('all');
    let at = $state(0);
    let open = $state('');
    let mode = $state<'' | 'give' | 'move' | 'params'>('');
    let params = $state.raw<Record<string, unknown>>({});
    /** The shortcut changed last: it stays in sight, whatever is looked for. */
    let touched = $state('');
    let said = $state('');
    let trouble = $state('');
    let finder: HTMLInputElement;
    let table: HTMLElement | undefined = $state();

    const entries = $derived(commands.entries());
    const search = $derived(new Search(entries));
    const groups = $derived([...new Set(entries.map((e) => e.group))]);

    /** Every shortcut, and every command that has none. */
    const rows = $derived.by(() => {
        void keys.version;
        const rows: Row[] = [];
        for (const binding of keys.resolver.bindings) {
            const exact = entries.find(
                (e) => e.command === binding.command && e.ask.length === 0 && same(e.params, binding.params),
            );
            const spec = commands.find(binding.command);
            const entry = exact ?? entries.find((e) => e.command === binding.command) ?? (spec && bare(spec));
            if (entry) rows.push({ entry, binding, params: binding.params });
        }
        for (const entry of entries) {
            if (!rows.some((r) => r.entry === entry)) rows.push({ entry, binding: null, params: entry.params });
        }
        return rows;
    });

    const shown = $derived.by(() => {
        const found = text.trim() === '' ? null : new Map(search.find(text).map((e, i) => [e.id, i]));
        const list = rows.filter((r) => {
            if (r.binding && touched === placeOf(r.binding)) return true;
            if (group && r.entry.group !== group) return false;
            if (pressed)
                return r.binding !== null && (r.binding.keys === pressed || r.binding.keys.startsWith(`${pressed} `));
            if (found && !found.has(r.entry.id) && !r.binding?.label.includes(text.trim().toLowerCase())) return false;
            if (show === 'bound') return r.binding !== null;
            if (show === 'unbound') return r.binding === null;
            if (show === 'changed') return isChanged(r);
            return true;
        });
        const typed = text.trim().toLowerCase();
        const rank = (r: Row): number =>
            r.binding && touched === placeOf(r.binding)
                ? -2
                : r.binding?.label.toLowerCase().startsWith(typed)
                  ? -1
                  : (found?.get(r.entry.id) ?? 999);
        if (found) list.sort((a, b) => rank(a) - rank(b));
        return list;
    });
    const row = $derived(shown[Math.min(at, shown.length - 1)] ?? null);

    function bare(spec: Spec): Entry {
        return { ...spec, id: spec.id, command: spec.id, params: {}, ask: [] };
    }

    function placeOf(b: { context: string; keys: string }): string {
        return `${b.context} ${b.keys}`;
    }

    /** Keeps a shortcut in sight, and chosen. */
    function touch(b: { context: string; keys: string } | null): void {
        touched = b ? placeOf(b) : '';
        void tick().then(() => {
            const i = shown.findIndex((r) => r.binding && placeOf(r.binding) === touched);
            if (i >= 0) at = i;
            focusRow();
        });
    }

    function idOf(r: Row): string {
        return `${r.entry.id} ${r.binding?.context ?? ''} ${r.binding?.keys ?? ''}`;
    }

    function ships(b: Binding): boolean {
        return setup.defaults.some(
            (d) => d.context === b.context && d.keys === b.keys && d.command === b.command && same(d.params, b.params),
        );
    }

    /** A shortcut that does not ship, or a command that ships with keys and lost them. */
    function isChanged(r: Row): boolean {
        if (r.binding) return !ships(r.binding);
        return setup.defaults.some((d) => d.command === r.entry.command && same(d.params, r.params));
    }

    function titleOf(r: Row): string {
        return r.binding ? commands.title(r.entry.command, r.binding.params) : r.entry.title;
    }

    async function work(what: () => Promise<void>, done: string): Promise<void> {
        try {
            await what();
            [said, trouble] = [done, ''];
        } catch (e) {
            [said, trouble] = ['', e instanceof Error ? e.message : String(e)];
        }
    }

    function begin(r: Row, how: 'give' | 'move' | 'params'): void {
        open = idOf(r);
        mode = how;
        params = { ...r.params };
        at = shown.indexOf(r);
        if (how === 'params')
            void tick().then(() => table?.querySelector<HTMLElement>('[data-params] [data-first]')?.focus());
    }

    function done(sentence: string, given: { context: string; keys: string } | null = null): void {
        mode = '';
        open = '';
        if (sentence) [said, trouble] = [sentence, ''];
        if (given) touch(given);
        else focusRow();
    }

    function focusRow(): void {
        void tick().then(() => {
            const line = table?.querySelector<HTMLElement>('[aria-selected=true]');
            line?.scrollIntoView({ block: 'nearest' });
            line?.focus();
        });
    }

    function take(r: Row): void {
        const b = r.binding;
        if (!b) return;
        void work(
            () => keys.ask('POST', 'keys/take', { context: b.context, keys: b.keys }),
            `${labels(b.keys).join(' then ')} no longer stands for “${b.label}”.`,
        ).then(focusRow);
    }

    function reset(command: string): void {
        void work(
            () => keys.ask('POST', 'key-sets/reset', { command }),
            `${commands.find(command)?.title ?? command}: its shortcuts are as they came.`,
        ).then(focusRow);
    }

    function keepParams(r: Row): void {
        const b = r.binding;
        if (!b) return begin(r, 'give');
        const label = `${titleOf({ ...r, binding: { ...b, params } })}`;
        void work(
            () => keys.ask('POST', 'keys', { binding: { ...b, params, label }, replace: true }),
            `${labels(b.keys).join(' then ')} stands for “${label}” now.`,
        ).then(() => done('', b));
    }

    function findByKey(): void {
        pressed = '';
        said = 'Press the key to find.';
        keys.capture = (stroke) => {
            keys.capture = null;
            said = '';
            if (stroke !== 'Escape') [pressed, at] = [stroke, 0];
            focusRow();
        };
    }

    function press(e: KeyboardEvent): void {
        if (mode === 'give' || mode === 'move') return;
        const r = row;
        const key = e.key;
        const typing = e.target instanceof HTMLInputElement || e.target instanceof HTMLSelectElement;
        if (mode === 'params') {
            if (key === 'Enter' && r) keepParams(r);
            else if (key === 'Escape') done('');
            else return;
        } else if (key === 'Escape' && typing) {
            if (text) text = '';
            else router.back();
        } else if (key === 'ArrowDown' || key === 'ArrowUp') {
            if (e.target instanceof HTMLSelectElement) return;
            at = Math.max(
                0,
                Math.min(
                    shown.length - 1,
                    Math.min(at, shown.length - 1) + (key === 'ArrowDown' ? (typing ? 0 : 1) : -1),
                ),
            );
            focusRow();
        } else if (!typing && r && !e.ctrlKey && !e.metaKey && !e.altKey) {
            if (key === 'Enter') begin(r, r.binding ? 'move' : 'give');
            else if (key === '+' || key.toLowerCase() === 'a') begin(r, 'give');
            else if (key === 'Delete' || key === 'Backspace') take(r);
            else if (key.toLowerCase() === 'p' && (commands.find(r.entry.command)?.params.length ?? 0) > 0)
                begin(r, 'params');
            else if (key.toLowerCase() === 'r') reset(r.entry.command);
            else if (key.toLowerCase() === 'f') finder.focus();
            else if (key.toLowerCase() === 'k') findByKey();
            else return;
        } else return;
        e.preventDefault();
        e.stopPropagation();
    }

    onMount(() => {
        finder.focus();
        const off = keys.handle({
            escape: () => router.back(),
            'open-songs': () => router.back(),
            undo: () =>
                void work(() => keys.ask('POST', 'key-sets/undo'), 'The last change of shortcuts is taken back.'),
        });
        return () => {
            off();
            keys.capture = null;
        };
    });
</script>

<main class="flex min-h-0 flex-1 flex-col">
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div class="mx-auto flex w-full max-w-6xl min-h-0 flex-1 flex-col overflow-y-auto px-4 pt-3" onkeydown={press}>
        <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
            <h1 class="font-serif text-2xl">Shortcuts</h1>
            <span class="flex-1"></span>
            <KeySets {setup} onSaid={(s, t) => ([said, trouble] = [s, t])} />
        </div>
        <KeyboardPicture {setup} {context} onPick={(stroke) => ([pressed, at] = [stroke, 0])} />
        <div class="flex flex-wrap items-center gap-x-3 gap-y-1 py-2 text-sm">
            <input
                bind:this={finder}
                class="input input-sm w-56"
                type="text"
                placeholder="Find by a word"
                aria-label="Find a command by a word"
                bind:value={text}
                oninput={() => ((at = 0), (pressed = touched = ''))}
                onkeydown={(e) => e.key === 'Enter' && focusRow()}
            />
            <button class="btn btn-sm" data-field onclick={findByKey}
                >{pressed ? labels(pressed).join(' ') : 'Find by its key'} <kbd class="key">K</kbd></button
            >
            {#if pressed}<button class="link" data-field onclick={() => (pressed = '')}>any key</button>{/if}
            <label
                >Group <select class="select select-sm w-32" bind:value={group} onchange={() => (at = 0)}>
                    <option value="">all</option>
                    {#each groups as g (g)}<option value={g}>{g}</option>{/each}
                </select></label
            >
            <label
                >Show <select class="select select-sm w-36" bind:value={show} onchange={() => (at = 0)}>
                    {#each SHOW as [id, words] (id)}<option value={id}>{words}</option>{/each}
                </select></label
            >
            <label
                >Keyboard of <select class="select select-sm w-40" bind:value={context}>
                    {#each CONTEXTS as [id, words] (id)}<option value={id}>{words}</option>{/each}
                </select></label
            >
            <span>{shown.length} of {rows.length}</span>
        </div>
        <div
            bind:this={table}
            class="min-h-24 flex-1 overflow-y-auto border-t border-base-content/40"
            role="listbox"
            aria-label="Shortcuts"
            data-testid="shortcuts"
        >
            {#each shown as r, i (idOf(r))}
                <div
                    class="grid grid-cols-[10rem_1fr_6rem_9rem_16rem] items-center gap-3 border-b border-l-4 border-b-base-300 px-2 py-1 outline-none {r ===
                    row
                        ? 'border-l-primary bg-base-200'
                        : 'border-l-transparent'}"
                    role="option"
                    aria-selected={r === row}
                    tabindex={r === row ? 0 : -1}
                    onclick={() => (at = i)}
                    onkeydown={() => {}}
                >
                    <span>
                        {#if r.binding}
                            {#each labels(r.binding.keys) as label, k (k)}{k > 0 ? ' ' : ''}<kbd class="key"
                                    >{label}</kbd
                                >{/each}
                        {:else}<span class="text-base-content/70">no key</span>{/if}
                    </span>
                    <span class="truncate"
                        >{#if r.binding}{r.binding.label}
                            <span class="text-sm text-base-content/80">{titleOf(r)}</span>{:else}{titleOf(r)}{/if}</span
                    >
                    <span class="text-sm text-base-content/85">{r.entry.group}</span>
                    <span class="text-sm text-base-content/85"
                        >{r.binding ? (CONTEXTS.find(([id]) => id === r.binding!.context)?.[1] ?? '') : ''}{isChanged(r)
                            ? ' · mine'
                            : ''}</span
                    >
                    <span class="flex justify-end gap-1 whitespace-nowrap">
                        {#if r.binding}
                            <button class="btn btn-xs" tabindex="-1" data-field onclick={() => begin(r, 'move')}
                                >Change</button
                            >
                            <button class="btn btn-xs" tabindex="-1" data-field onclick={() => begin(r, 'give')}
                                >Add</button
                            >
                            <button class="btn btn-xs" tabindex="-1" data-field onclick={() => take(r)}
                                >Take away</button
                            >
                        {:else}
                            <button class="btn btn-xs" tabindex="-1" data-field onclick={() => begin(r, 'give')}
                                >Give a key</button
                            >
                        {/if}
                    </span>
                    {#if open === idOf(r) && (mode === 'give' || mode === 'move')}
                        <div class="col-span-5 pb-2">
                            <GiveKey
                                command={r.entry.command}
                                params={mode === 'move' ? r.params : params}
                                label={r.binding && (mode === 'move' || same(params, r.params))
                                    ? r.binding.label
                                    : commands.title(r.entry.command, params)}
                                contexts={[
                                    ...new Set(
                                        [r.binding?.context, ...r.entry.contexts].filter((c) => c !== undefined),
                                    ),
                                ]}
                                instead={mode === 'move' ? r.binding : null}
                                onDone={done}
                            />
                        </div>
                    {:else if open === idOf(r) && mode === 'params'}
                        <div class="col-span-5 grid grid-cols-2 pb-2" data-params>
                            {#each commands.find(r.entry.command)?.params ?? [] as param, k (param.name)}
                                <Field
                                    ppq={setup.ppq}
                                    {param}
                                    value={params[param.name]}
                                    settings={{} as never}
                                    first={k === 0}
                                    onchange={(v) => {
                                        const set = Object.entries({ ...params, [param.name]: v });
                                        params = Object.fromEntries(set.filter(([, x]) => x !== undefined));
                                    }}
                                />
                            {/each}
                            <p class="col-span-2 px-4">
                                <button class="btn btn-xs btn-primary" data-field onclick={() => keepParams(r)}
                                    >Keep <kbd class="key text-base-content">Enter</kbd></button
                                >
                            </p>
                        </div>
                    {/if}
                </div>
            {:else}
                <p class="p-4">No shortcut is like that. Show “all”, or another word.</p>
            {/each}
        </div>
    </div>
    <BottomLine {said} {trouble} plain>
        <p
            class="flex h-9 items-center gap-3 overflow-x-auto border-b border-base-300 px-3 text-sm whitespace-nowrap"
            data-testid="keys-help"
        >
            <span><kbd class="key">↑ ↓</kbd> choose</span> <span><kbd class="key">Enter</kbd> another key</span>
            <span><kbd class="key">A</kbd> a second key</span> <span><kbd class="key">Del</kbd> take away</span>
            <span><kbd class="key">P</kbd> parameters</span> <span><kbd class="key">R</kbd> as it came</span>
            <span><kbd class="key">F</kbd> find</span> <span><kbd class="key">K</kbd> find by key</span>
            <span
                ><kbd class="key">{labels(keys.keysFor('undo') || 'Mod+Z').join(' ')}</kbd> take the last change back</span
            >
            <span><kbd class="key">Esc</kbd> leave</span>
        </p>
    </BottomLine>
</main>
