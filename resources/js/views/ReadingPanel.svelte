<script lang="ts">
    import { untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { GridReading, GridWeighed } from '../api/types';
    import type { Hint } from '../keys/keys.svelte';
    import { PanelReading } from './panel-reading.svelte';
    import Panel from './Panel.svelte';
    import { panels } from '../panels.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'grid'],
        ['Enter', 'set the best'],
    ];

    let { song, part }: { song: Song; part: Part } = $props();

    /** Grids worth a line: those far behind the first tell nothing more. */
    const SHOWN = 8;
    const HEIGHT = 64;

    const last = new PanelReading<GridReading>(
        untrack(() => song.queue),
        () => song.read('grid-reading', {}, [{ part: part.id, notes: [...song.selection.notes] }]),
    );
    const { answer: reading, trouble } = $derived(last);

    $effect(() => {
        void song.selection.version;
        void part.version;
        void untrack(() => last.read());
    });

    const best = $derived(reading?.grids.find((g) => isBest(g)) ?? null);
    const ranked = $derived.by(() => {
        const grids = reading?.grids.slice(0, SHOWN) ?? [];
        return best && !grids.includes(best) ? [...grids.slice(0, -1), best] : grids;
    });
    const most = $derived(Math.max(1, ...(reading?.beat ?? [])));

    function isBest(g: GridWeighed): boolean {
        return g.grid === reading?.best?.grid && g.swing === reading.best.swing;
    }

    function set(g: { grid: string; swing: number }): void {
        song.do({ set: { grid: g.grid, swing: g.swing }, part: part.id });
        panels.close();
    }

    function press(e: KeyboardEvent): void {
        if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement) && best) {
            e.preventDefault();
            e.stopPropagation();
            last.after(() => best && set(best));
        } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            e.preventDefault();
            e.stopPropagation();
            const all = [...(e.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('ol button')];
            const at = all.indexOf(document.activeElement as HTMLElement) + (e.key === 'ArrowDown' ? 1 : -1);
            all[Math.max(0, Math.min(all.length - 1, at))]?.focus();
        }
    }

    function ms(n: number): string {
        return String(n < 9.95 ? Math.round(n * 10) / 10 : Math.round(n));
    }

    function swung(g: { swing: number }): string {
        return g.swing > 50 ? `, swing ${g.swing} %` : '';
    }
</script>

<Panel title="Grid reading" onkeydown={press} hints={HINTS}>
    {#if trouble}
        <p class="p-4 text-error">{trouble}</p>
    {:else if !reading}
        <p class="p-4">Reading the grid out of the playing…</p>
    {:else}
        <p class="px-4 pt-3" data-testid="reading">{reading.said}</p>
        <p class="px-4 pt-1 text-sm text-base-content/85">
            {song.selection.notes.size > 0 ? 'Read from the selected notes,' : 'Read from the whole part,'} as they were played.
            {best && best.swing > 50 ? `Swing found: ${best.swing} %.` : 'It does not swing.'}
        </p>
        <figure class="px-4 pt-4">
            <figcaption class="text-sm font-semibold">Where in the beat the notes fall</figcaption>
            <svg
                viewBox="0 0 {reading.beat.length} {HEIGHT + 16}"
                class="mt-1 w-full overflow-visible"
                preserveAspectRatio="none"
                height={HEIGHT + 16}
                role="img"
                aria-label="Counts of notes over a beat of {reading.beat.length} parts"
            >
                {#each reading.beat as count, i (i)}
                    <rect
                        x={i + 0.1}
                        y={HEIGHT - (HEIGHT * count) / most}
                        width="0.8"
                        height={(HEIGHT * count) / most}
                        class="fill-base-content"
                    />
                {/each}
                <rect x="0" y={HEIGHT} width={reading.beat.length} height="1" class="fill-base-content/50" />
                {#each [0, 0.25, 0.5, 0.75] as at (at)}
                    <rect x={at * reading.beat.length} y={HEIGHT} width="0.15" height="6" class="fill-base-content" />
                {/each}
                {#each [1 / 3, 2 / 3] as at (at)}
                    <rect x={at * reading.beat.length} y={HEIGHT} width="0.15" height="10" class="fill-base-content" />
                {/each}
            </svg>
            <div class="relative h-4 text-xs text-base-content/85">
                {#each [['0%', 'beat'], ['25%', '¼'], ['33.3%', '⅓'], ['50%', '½'], ['66.6%', '⅔'], ['75%', '¾']] as [left, text] (left)}
                    <span class="absolute" style:left>{text}</span>
                {/each}
            </div>
        </figure>
        <h3 class="px-4 pt-4 text-sm font-semibold">Share of notes within 25 ms of each grid</h3>
        <ol class="py-2">
            {#each ranked as g (g.grid + g.swing)}
                <li>
                    <button
                        data-field
                        class="grid w-full cursor-pointer grid-cols-[1fr_auto] gap-x-3 border-l-4 px-4 py-1.5 text-left hover:bg-base-200 focus-visible:bg-base-200 {isBest(
                            g,
                        )
                            ? 'border-primary font-semibold'
                            : 'border-transparent'}"
                        onclick={() => set(g)}
                    >
                        <span>{g.grid}{swung(g)}{isBest(g) ? ': fits best' : ''}</span>
                        <span>{Math.round(g.share * 100)} %</span>
                        <span class="col-span-2 my-1 h-1.5 border border-base-content/40"
                            ><span class="block h-full bg-base-content" style:width="{g.share * 100}%"></span></span
                        >
                        <span class="col-span-2 text-sm font-normal text-base-content/85"
                            >{ms(g.mean)} ms off on average, {ms(g.largest)} at most; {g.merges === 0
                                ? 'none would merge'
                                : `${g.merges} would merge`}</span
                        >
                    </button>
                </li>
            {/each}
        </ol>
    {/if}
    {#snippet foot()}
        {#if best}
            <button data-field class="btn btn-sm btn-primary" onclick={() => set(best)}
                >Set grid {best.grid}{swung(best)} <kbd class="key text-base-content">Enter</kbd></button
            >
            <span class="ml-2">↑ ↓ for another</span>
        {/if}
    {/snippet}
</Panel>
