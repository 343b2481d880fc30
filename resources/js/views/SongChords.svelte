<script lang="ts">
    import { chordLine } from '../harmony/chord-line.svelte';
    import { does } from '../keys/does';

    /** From ticks to percent of the song. */
    let { share }: { share: (ticks: number) => number } = $props();

    /** Percent of the width that a letter takes, and what stands between names. */
    const LETTER = 0.72;
    const GAP = 0.5;

    // Where names would lie over one another, the later one gives way.
    const shown = $derived.by(() => {
        let taken = -Infinity;
        return chordLine.chords.filter(([from, , name]) => {
            if (share(from) < taken) return false;
            taken = share(from) + name.length * LETTER + GAP;
            return true;
        });
    });
</script>

<button
    class="cursor-pointer border-r border-b border-base-300 px-3 text-left text-sm"
    tabindex="-1"
    title="The chord line; a click shows it by change, by beat, by bar, or hides it"
    {@attach does('chord-line')}>Chords {chordLine.words}</button
>
<div
    class="relative h-7 overflow-hidden border-b border-base-300"
    data-testid="song-chords"
    data-names={chordLine.chords.map(([, , name]) => name).join(' ')}
>
    {#each shown as [from, , name], i (from)}
        {@const next = shown[i + 1]}
        <span
            class="absolute top-0 h-full overflow-hidden border-l whitespace-nowrap border-base-content/40 pl-1 text-xs leading-7"
            style:left="{share(from)}%"
            style:width="{next ? share(next[0] - from) : 100 - share(from)}%">{name}</span
        >
    {/each}
</div>
