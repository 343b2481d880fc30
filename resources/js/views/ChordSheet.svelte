<script lang="ts">
    import type { Song } from '../api/song.svelte';
    import type { ReadingAnswers } from '../api/types';
    import { chordLine } from '../harmony/chord-line.svelte';
    import { keys } from '../keys/keys.svelte';
    import { router } from '../router.svelte';

    let { song }: { song: Song } = $props();

    const ROW = 4;
    let read = $state.raw<ReadingAnswers['chords'] | null>(null);
    let trouble = $state('');

    $effect(() => {
        void song.revisionShown;
        const every =
            chordLine.kept.every === 'change' || chordLine.kept.every === 'beat' ? chordLine.kept.every : 'bar';
        song.read('chords', { ...chordLine.params(), every }, [{ parts: [...song.parts.keys()] }])
            .then((answer) => ([read, trouble] = [answer, '']))
            .catch((e: unknown) => (trouble = e instanceof Error ? e.message : String(e)));
    });
    $effect(() => keys.handle({ 'open-songs': () => router.back() }));

    /** The line by bars; the first bar that has a chord is numbered as in the song. */
    const bars = $derived(read?.text ? read.text.split(' | ') : []);
    const first = $derived.by(() => {
        const lines = song.parts.values().next().value?.lines;
        return read?.chords[0] && lines ? lines.barAt(read.chords[0][0] + song.early).index + 1 : 1;
    });
    const rows = $derived(
        Array.from({ length: Math.ceil(bars.length / ROW) }, (_, i) => ({
            bar: first + i * ROW,
            bars: bars.slice(i * ROW, (i + 1) * ROW),
        })),
    );
    const meter = $derived(song.time.meterAt(0));
    const tempo = $derived(Math.round(6e7 / (song.time.tempos[0]?.[2] ?? 5e5)));
    /** As it is read, with proper signs. */
    const shown = (name: string): string => name.replace(/([A-G])#/g, '$1♯').replace(/([A-G])b(?!\d)/g, '$1♭');
</script>

<svelte:head><title>Chords · {song.name} · Jactonic</title></svelte:head>

<main class="chord-sheet h-full overflow-y-auto bg-base-100 p-8" data-testid="chord-sheet">
    <header class="mb-6 flex items-baseline gap-4 border-b border-base-content pb-2">
        <h1 class="font-serif text-3xl">{song.name}</h1>
        <span>{[song.scale?.name, `${meter[0]}/${meter[1]}`, `♩ = ${tempo}`].filter(Boolean).join(', ')}</span>
        <span class="flex-1"></span>
        <button class="btn btn-sm print:hidden" data-field onclick={() => window.print()}>Print</button>
        <button class="btn btn-sm print:hidden" data-field onclick={() => router.back()}
            >Back <kbd class="key">Esc</kbd></button
        >
    </header>
    {#if trouble}
        <p class="text-error">{trouble}</p>
    {:else if read && bars.length === 0}
        <p>{read.said}</p>
    {/if}
    {#each rows as row (row.bar)}
        <div class="row grid grid-cols-[2.5rem_repeat(4,1fr)]">
            <span class="pt-1 text-sm text-base-content/80">{row.bar}</span>
            {#each row.bars as bar, i (i)}
                <span class="flex flex-wrap gap-x-5 border-l border-base-content px-3 py-2 font-serif text-xl"
                    >{#each bar.split(' ') as name, k (k)}<span>{name === '%' ? '⁒' : shown(name)}</span>{/each}</span
                >
            {/each}
        </div>
    {/each}
</main>

<style>
    .row {
        break-inside: avoid;
        margin-bottom: 1rem;
        max-width: 70rem;
    }
    @media print {
        .chord-sheet {
            height: auto;
            overflow: visible;
            padding: 0;
            background: #fff;
            color: #000;
        }
    }
</style>
