<script lang="ts">
    import { onMount, tick } from 'svelte';
    import type { Setup } from '../../api/types';
    import { commands } from '../../keys/commands.svelte';
    import { keys } from '../../keys/keys.svelte';
    import { Search } from '../../keys/search';
    import { labels } from '../../keys/strokes';
    import { router } from '../../router.svelte';
    import BottomLine from '../BottomLine.svelte';
    import KeyboardPicture from './KeyboardPicture.svelte';
    import KeySets from './KeySets.svelte';
    import { CONTEXTS, idOf, isChanged, narrow, placeOf, rowsOf, titleOf, type Mode, type Row } from './rows';
    import ShortcutRow from './ShortcutRow.svelte';

    let { setup }: { setup: Setup } = $props();

    const SHOW: [string, string][] = [
        ['all', 'all'],
        ['bound', 'with a key'],
        ['unbound', 'no key'],
        ['changed', 'changed by me'],
    ];

    let context = $state('roll');
    let text = $state('');
    let pressed = $state('');
    let group = $state('');
    let show = $state('all');
    let at = $state(0);
    let open = $state('');
    let mode = $state<Mode>('');
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

    const rows = $derived.by(() => {
        void keys.version;
        return rowsOf(entries, keys.resolver.bindings);
    });
    const shown = $derived(narrow(rows, { text, pressed, group, show, touched }, search, setup.defaults));
    const row = $derived(shown[Math.min(at, shown.length - 1)] ?? null);

    /** Keeps a shortcut in sight, and selected. */
    function touch(b: { context: string; keys: string } | null): void {
        touched = b ? placeOf(b) : '';
        void tick().then(() => {
            const i = shown.findIndex((r) => r.binding && placeOf(r.binding) === touched);
            if (i >= 0) at = i;
            focusRow();
        });
    }

    async function work(what: () => Promise<void>, done: string): Promise<void> {
        try {
            await what();
            [said, trouble] = [done, ''];
        } catch (e) {
            [said, trouble] = ['', e instanceof Error ? e.message : String(e)];
        }
    }

    function begin(r: Row, how: Mode): void {
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
            `${labels(b.keys).join(' then ')} no longer runs “${b.label}”.`,
        ).then(focusRow);
    }

    function reset(command: string): void {
        void work(
            () => keys.ask('POST', 'key-sets/reset', { command }),
            `${commands.find(command)?.title ?? command}: its shortcuts are reset.`,
        ).then(focusRow);
    }

    function keepParams(r: Row): void {
        const b = r.binding;
        if (!b) return begin(r, 'give');
        const label = `${titleOf({ ...r, binding: { ...b, params } })}`;
        void work(
            () => keys.ask('POST', 'keys', { binding: { ...b, params, label }, replace: true }),
            `${labels(b.keys).join(' then ')} now runs “${label}”.`,
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
            undo: () => void work(() => keys.ask('POST', 'key-sets/undo'), 'The last change of shortcuts is undone.'),
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
            role="grid"
            aria-label="Shortcuts"
            data-testid="shortcuts"
        >
            {#each shown as r, i (idOf(r))}
                <ShortcutRow
                    {r}
                    chosen={r === row}
                    mine={isChanged(r, setup.defaults)}
                    mode={open === idOf(r) ? mode : ''}
                    bind:params
                    onChoose={() => (at = i)}
                    onBegin={(how) => begin(r, how)}
                    onTake={() => take(r)}
                    onKeep={() => keepParams(r)}
                    onDone={done}
                />
            {:else}
                <p class="p-4">No shortcut found. Show “all”, or try another word.</p>
            {/each}
        </div>
    </div>
    <BottomLine {said} {trouble} plain>
        <p
            class="flex h-9 items-center gap-3 overflow-x-auto border-b border-base-300 px-3 text-sm whitespace-nowrap"
            data-testid="keys-help"
        >
            <span><kbd class="key">↑ ↓</kbd> select</span> <span><kbd class="key">Enter</kbd> another key</span>
            <span><kbd class="key">A</kbd> a second key</span> <span><kbd class="key">Del</kbd> remove</span>
            <span><kbd class="key">P</kbd> parameters</span> <span><kbd class="key">R</kbd> reset</span>
            <span><kbd class="key">F</kbd> find</span> <span><kbd class="key">K</kbd> find by key</span>
            <span><kbd class="key">{labels(keys.keysFor('undo') || 'Mod+Z').join(' ')}</kbd> undo the last change</span>
            <span><kbd class="key">Esc</kbd> leave</span>
        </p>
    </BottomLine>
</main>
