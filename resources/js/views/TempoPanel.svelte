<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';
    import { markMove, markRemove, meterSet, tempoSet, type Mark } from '../roll/commands/make';
    import { transport } from '../sound/transport.svelte';
    import { keepTyped } from './fields/keep-typed';
    import Panel from './Panel.svelte';

    let { song, part }: { song: Song; part: Part } = $props();

    const UNITS = [1, 2, 4, 8, 16, 32];
    const time = $derived(song.time);
    const { lines } = $derived(part);
    /** The bar in which a change would begin: where the playhead stands. */
    const here = $derived(lines.barAt(Math.floor(transport.tick)).index + 1);
    const tempos = $derived(time.tempos.map(([tick, , micro]) => ({ tick, tempo: round(6e7 / micro) })));
    const meters = $derived(time.meters.map(([tick, beats, unit]) => ({ tick, beats, unit })));

    function round(n: number): number {
        return Math.round(n * 100) / 100;
    }

    function bar(tick: number): string {
        const bar = lines.barAt(tick);
        return bar.start === tick ? String(bar.index + 1) : time.position(tick, lines);
    }

    /** A field's number, or a sentence why it is none. */
    function number(e: Event, min: number, max: number, then: (n: number) => void): void {
        const field = e.currentTarget as HTMLInputElement;
        const n = Number(field.value);
        if (field.value !== '' && n >= min && n <= max) return then(n);
        song.tell('', [], `From ${min} to ${max}: ${field.value || 'nothing'} was not taken.`);
        field.value = field.defaultValue;
    }
</script>

{#snippet place(tick: number, edit: Mark, what: string)}
    {#if tick === 0}
        <span class="w-28">from the start</span>
    {:else}
        <label class="flex w-28 items-center gap-1"
            >bar <input
                class="input input-sm w-18 text-right"
                type="text"
                inputmode="numeric"
                aria-label="{what} begins at bar"
                value={bar(tick)}
                {@attach keepTyped}
                onchange={(e) => number(e, 1, 100000, (to) => song.do(markMove(edit, tick, Math.round(to))))}
            /></label
        >
    {/if}
{/snippet}

{#snippet removal(tick: number, edit: Mark, what: string)}
    {#if tick > 0}
        <button
            class="btn btn-ghost btn-sm"
            data-field
            onclick={() => song.do(markRemove(edit, tick))}
            aria-label="Remove {what}"
            title="Remove: the one before it continues">remove</button
        >
    {/if}
{/snippet}

<Panel title="Tempo and meter">
    <h3 class="px-4 pt-3 font-serif text-lg">Tempo</h3>
    <ul class="flex flex-col gap-1 px-4 pt-1" data-testid="tempos">
        {#each tempos as { tick, tempo }, i (tick)}
            <li class="flex items-center gap-2">
                {@render place(tick, 'tempo', `Tempo ${tempo}`)}
                <label class="flex items-center gap-1"
                    ><input
                        class="input input-sm w-22 text-right"
                        type="number"
                        min="4"
                        max="1000"
                        step="any"
                        aria-label="Tempo from bar {bar(tick)}"
                        data-first={i === 0 ? true : undefined}
                        value={tempo}
                        {@attach keepTyped}
                        onchange={(e) => number(e, 4, 1000, (to) => song.do(tempoSet(to, { at: tick })))}
                    /> BPM</label
                >
                {@render removal(tick, 'tempo', `tempo ${tempo}`)}
            </li>
        {/each}
    </ul>
    <div class="flex flex-wrap gap-2 px-4 pt-2">
        <button
            class="btn btn-outline btn-sm"
            data-field
            onclick={() => song.do(tempoSet(round(time.tempoAt(transport.tick)), { bar: here }))}
            >Add tempo from bar {here}</button
        >
        <button class="btn btn-outline btn-sm" title="Tap the tempo: a tap a quarter" {@attach does('tap')}
            >Tap <kbd class="key">{labels(keys.keysFor('tap', {}, 'roll')).join(' ')}</kbd></button
        >
    </div>
    <h3 class="px-4 pt-6 font-serif text-lg">Meter</h3>
    <ul class="flex flex-col gap-1 px-4 pt-1" data-testid="meters">
        {#each meters as { tick, beats, unit } (tick)}
            <li class="flex items-center gap-2">
                {@render place(tick, 'meter', `Meter ${beats}/${unit}`)}
                <span class="flex items-center gap-1"
                    ><input
                        class="input input-sm w-16 text-right"
                        type="number"
                        min="1"
                        max="64"
                        aria-label="Beats from bar {bar(tick)}"
                        value={beats}
                        {@attach keepTyped}
                        onchange={(e) =>
                            number(e, 1, 64, (to) => song.do(meterSet(Math.round(to), unit, { at: tick })))}
                    />
                    /
                    <select
                        class="select select-sm w-17"
                        aria-label="Unit from bar {bar(tick)}"
                        value={String(unit)}
                        onchange={(e) => song.do(meterSet(beats, e.currentTarget.value, { at: tick }))}
                    >
                        {#each UNITS as option (option)}<option value={String(option)}>{option}</option>{/each}
                    </select></span
                >
                {@render removal(tick, 'meter', `meter ${beats}/${unit}`)}
            </li>
        {/each}
    </ul>
    <div class="flex flex-wrap gap-2 px-4 pt-2 pb-6">
        <button
            class="btn btn-outline btn-sm"
            data-field
            onclick={() => {
                const [beats, unit] = time.meterAt(transport.tick);
                song.do(meterSet(beats, unit, { bar: here }));
            }}>Add meter from bar {here}</button
        >
        {#if meters.length > 1}
            <button
                class="btn btn-outline btn-sm"
                data-field
                title="Move each meter that cuts a bar short to the next bar line"
                onclick={() => song.do(meterSet(meters[0]!.beats, meters[0]!.unit, { at: meters[0]!.tick }, 'move'))}
                >Meters to bar lines</button
            >
        {/if}
    </div>
    {#snippet foot()}
        Changes begin at bar lines; notes stay on their beats. A new one begins in the bar of the playhead.
    {/snippet}
</Panel>
