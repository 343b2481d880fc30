<script lang="ts">
    import { counted } from '../rules/counted';
    import { tick } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';
    import { panels } from '../panels.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'saved selection'],
        ['Enter', 'select it'],
        ['Delete', 'remove it'],
    ];

    let { song, part }: { song: Song; part: Part } = $props();

    let name = $state('');
    const kept = $derived(Object.entries(part.settings.choices as Record<string, number[]>));
    const chosen = $derived(song.selection.version >= 0 ? song.selection.notes.size : 0);

    function there(ids: number[]): number[] {
        return ids.filter((id) => part.version >= 0 && part.notes.has(id));
    }

    function keep(): void {
        const called = name.trim() || `Selection ${kept.length + 1}`;
        // What was typed before may still change what is selected.
        song.afterAll(() => {
            if (song.selection.notes.size === 0) return song.tell('Nothing is selected: there is nothing to save.');
            song.do({
                set: { choices: { ...Object.fromEntries(kept), [called]: [...song.selection.notes] } },
                part: part.id,
            });
            panels.close();
        });
    }

    function get(ids: number[], e: KeyboardEvent | MouseEvent): void {
        const those = part.grouped(there(ids));
        const taken = new Set(those);
        const { shiftKey, altKey } = e;
        panels.close();
        // What was typed before may still change what is selected.
        song.afterAll(() => {
            if (shiftKey && altKey) song.select([...song.selection.notes].filter((id) => !taken.has(id)));
            else if (altKey) song.select([...song.selection.notes].filter((id) => taken.has(id)));
            else song.select(shiftKey ? [...song.selection.notes, ...those] : those);
            song.tell(`${counted(song.selection.notes.size, 'note')} selected.`);
        });
    }

    function forget(called: string): void {
        const choices = Object.fromEntries(kept.filter(([n]) => n !== called));
        song.do({ set: { choices }, part: part.id });
        void tick().then(() => document.querySelector<HTMLElement>('[data-choice], [data-first]')?.focus());
    }

    function press(e: KeyboardEvent): void {
        if (e.altKey && e.key.startsWith('Arrow')) return;
        const inName = e.target instanceof HTMLInputElement;
        const entry = (e.target as HTMLElement).closest<HTMLElement>('[data-choice]');
        const digit = /^Digit([1-9])$/.exec(e.code)?.[1];
        // A figure picks by its number, as long as no name is begun.
        const numbered = digit && (!inName || name === '') ? kept[Number(digit) - 1] : undefined;
        if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            const all = [
                ...(e.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[data-first], [data-choice]'),
            ];
            const at = all.indexOf(document.activeElement as HTMLElement) + (e.key === 'ArrowDown' ? 1 : -1);
            all[Math.max(0, Math.min(all.length - 1, at))]?.focus();
        } else if (e.key === 'Enter' && inName) keep();
        else if (e.key === 'Enter' && entry) get(kept[Number(entry.dataset.choice)]![1], e);
        else if (e.key === 'Delete' && entry) forget(kept[Number(entry.dataset.choice)]![0]);
        else if (numbered) get(numbered[1], e);
        else return;
        e.preventDefault();
        e.stopPropagation();
    }
</script>

<Panel title="Saved selections" onkeydown={press} hints={HINTS}>
    <div class="flex flex-col gap-1 px-4 pt-3 pb-2">
        <label class="text-sm font-semibold" for="choice-name"
            >{chosen === 0
                ? 'Nothing is selected now'
                : `Keep ${chosen === 1 ? 'the note' : `the ${chosen} notes`} selected as`}</label
        >
        <div class="flex gap-2">
            <input
                id="choice-name"
                class="input input-sm flex-1"
                maxlength="60"
                data-first
                placeholder="Selection {kept.length + 1}"
                bind:value={name}
            />
            <button data-field class="btn btn-sm" disabled={chosen === 0} onclick={keep}>Keep</button>
        </div>
    </div>
    {#if kept.length === 0}
        <p class="px-4 py-2 text-base-content/85">
            No selection is saved yet. Select some notes, name them here, and recall them by their number.
        </p>
    {/if}
    <ol class="py-2">
        {#each kept as [called, ids], i (called)}
            <li>
                <button
                    data-field
                    data-choice={i}
                    class="flex w-full cursor-pointer items-baseline gap-3 px-4 py-1.5 text-left hover:bg-base-200 focus-visible:bg-base-200"
                    onclick={(e) => get(ids, e)}
                >
                    <kbd class="key">{i + 1}</kbd>
                    <span class="flex-1 truncate">{called}</span>
                    <span class="text-sm">{counted(there(ids).length, 'note')}</span>
                </button>
            </li>
        {/each}
    </ol>
    {#snippet foot()}
        {#if kept.length > 0}
            <span class="text-sm"
                ><kbd class="key">1</kbd>–<kbd class="key">9</kbd> or <kbd class="key">Enter</kbd> gets it; with Shift
                besides, with Alt only those of it, with both without it; <kbd class="key">Delete</kbd> deletes it</span
            >
        {/if}
    {/snippet}
</Panel>
