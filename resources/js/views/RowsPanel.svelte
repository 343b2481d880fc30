<script lang="ts">
    import { tick } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import { saveAs } from '../api/saving';
    import type { Song } from '../api/song.svelte';
    import type { RowSet } from '../api/types';
    import type { RollModel } from '../roll/roll-model.svelte';
    import { keepTyped } from './fields/keep-typed';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'row'],
        ['Alt+ArrowUp Alt+ArrowDown', 'move the row'],
        ['Enter', 'next row'],
    ];

    let { song, part, model }: { song: Song; part: Part; model: RollModel } = $props();

    const track = $derived(song.trackOf(part));
    const rows = $derived(part.version >= 0 ? [...model.usedRows.rows].reverse() : []);
    let file: HTMLInputElement;

    const keep = (change: (rows: RowSet) => RowSet, then?: () => void): void =>
        song.crossWindow.setTrack(track.id, (now) => ({ rows: change(now.rows) }), then);

    function name(pitch: number, text: string): void {
        keep((rows) => ({ ...rows, names: { ...rows.names, [pitch]: text.trim() } }));
    }

    /** A row goes up or down among those in use; what is not in use keeps its place by pitch. */
    function move(pitch: number, by: number): void {
        const swap = (rows: RowSet): RowSet => {
            const order = [...model.usedRows.rows];
            const at = order.indexOf(pitch);
            const to = at + by;
            if (to < 0 || to >= order.length) return rows;
            [order[at], order[to]] = [order[to]!, order[at]!];
            return { ...rows, order };
        };
        // A field that is moved loses the keys.
        keep(swap, () => {
            void tick().then(() => document.querySelector<HTMLElement>(`[data-row="${pitch}"]`)?.focus());
        });
    }

    function press(e: KeyboardEvent): void {
        const input = (e.target as HTMLElement).closest<HTMLInputElement>('[data-row]');
        if (!input) return;
        const all = [...(e.currentTarget as HTMLElement).querySelectorAll<HTMLInputElement>('[data-row]')];
        const at = all.indexOf(input);
        if (e.key === 'Enter') input.blur();
        if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            if (e.altKey) move(Number(input.dataset.row), e.key === 'ArrowUp' ? 1 : -1);
            else all[Math.max(0, Math.min(all.length - 1, at + (e.key === 'ArrowDown' ? 1 : -1)))]?.focus();
        } else if (e.key === 'Enter') all[Math.min(all.length - 1, at + 1)]?.focus();
        else return;
        e.preventDefault();
        e.stopPropagation();
    }

    function save(): void {
        const text = JSON.stringify({ kind: 'rows', ...track.rows }, null, 2);
        saveAs(
            URL.createObjectURL(new Blob([text], { type: 'application/json' })),
            `${track.name || 'rows'}.rows.json`,
        );
    }

    async function open(): Promise<void> {
        const chosen = file.files?.[0];
        file.value = '';
        if (!chosen) return;
        try {
            const read = JSON.parse(await chosen.text()) as RowSet;
            keep(() => read);
        } catch {
            song.tell('', [], `“${chosen.name}” is no file of row names: nothing changed.`);
        }
    }
</script>

<Panel title="Rows of {track.name}" onkeydown={press} hints={HINTS}>
    <p class="px-4 pt-3 text-base-content/85">
        The used rows, from the top. An empty name resets a row; <kbd class="key">Alt ↑</kbd>
        <kbd class="key">Alt ↓</kbd> move a row.
    </p>
    <ol class="py-2">
        {#each rows as pitch, i (pitch)}
            <li class="flex items-center gap-2 px-4 py-1">
                <input
                    class="input input-sm flex-1"
                    maxlength="40"
                    data-row={pitch}
                    data-first={i === 0 ? '' : undefined}
                    aria-label="Name of the row {pitch}"
                    placeholder={model.rowName(pitch)}
                    value={track.rows.names[String(pitch)] ?? ''}
                    {@attach keepTyped}
                    onchange={(e) => name(pitch, e.currentTarget.value)}
                />
                <button data-field class="btn btn-xs" aria-label="Up" onclick={() => move(pitch, 1)}>↑</button>
                <button data-field class="btn btn-xs" aria-label="Down" onclick={() => move(pitch, -1)}>↓</button>
            </li>
        {/each}
    </ol>
    {#if rows.length === 0}<p class="px-4">No row has notes yet.</p>{/if}
    {#snippet foot()}
        <div class="flex flex-wrap gap-2">
            <button data-field class="btn btn-sm" onclick={save}>Save as a file</button>
            <button data-field class="btn btn-sm" onclick={() => file.click()}>Open a file</button>
            <button data-field class="btn btn-sm" onclick={() => keep((rows) => ({ ...rows, order: [] }))}
                >By pitch</button
            >
            <input
                bind:this={file}
                class="hidden"
                type="file"
                accept=".json"
                aria-label="A file of row names"
                onchange={open}
            />
        </div>
    {/snippet}
</Panel>
