<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { does } from '../keys/does';
    import { BARS, barWords, gridParts, kindWords, VALUES } from './fields/grids';
    import { keepTyped, leave } from './fields/keep-typed';
    import SettingNumber from './fields/SettingNumber.svelte';
    import { nudgeStep, UNITS } from './fields/steps';

    /** The grid, swing, strength and nudge step of a part, in the roll and on the page of the song. */
    interface Props {
        song: Song;
        part: Part;
        set: (change: Record<string, unknown>) => void;
        giveBack: () => void;
    }

    let { song, part, set, giveBack }: Props = $props();

    const settings = $derived(part.settings);
    const of = $derived({ song, part, set, giveBack });
    const parts = $derived(gridParts(settings.grid));
    const isBars = $derived(settings.grid.includes('bar'));
    const bars = $derived(BARS.includes(settings.grid) || !isBars ? BARS : [...BARS, settings.grid]);
    const isTuplet = $derived(parts.kind.startsWith(':'));
    const step = $derived(nudgeStep(settings));

    function amount(e: Event): void {
        const input = e.currentTarget as HTMLInputElement;
        const value = Number(input.value);
        if (value > 0 && Number.isFinite(value)) return set({ nudge: { ...step, amount: value } });
        song.trouble = `A nudge step is above 0: ${input.value || 'nothing'} was not taken.`;
        input.value = String(step.amount);
        giveBack();
    }

    function unit(to: string): void {
        const now = typeof step.amount === 'number' ? step.amount : 1;
        set({
            nudge:
                to === 'value'
                    ? { unit: to, amount: '1/16' }
                    : { unit: to, amount: to === 'bar' ? Math.max(1, Math.round(now)) : now },
        });
    }

    const press = (on: boolean): string => (on ? 'btn-neutral' : 'btn-outline border-base-300');
</script>

<label class="flex items-center gap-1">
    Grid
    <select
        class="select select-xs w-19 pl-2"
        value={parts.value}
        onchange={(e) => set({ grid: e.currentTarget.value })}
        onkeydown={(e) => e.key === 'Escape' && giveBack()}
    >
        {#each VALUES as value (value)}<option {value}>{value}</option>{/each}
        {#each bars as value (value)}<option {value}>{barWords(value)}</option>{/each}
    </select>
</label>
<span class="flex gap-1">
    {#each [['T', 'triplet'], ['D', 'dotted']] as const as [letter, turn] (turn)}
        <button
            class="btn btn-xs px-1.5 {press(parts.kind === letter)}"
            aria-pressed={parts.kind === letter}
            disabled={isBars}
            title={turn}
            {@attach does('set', { turn }, giveBack)}>{turn}</button
        >
    {/each}
    <button
        class="btn btn-xs w-15 px-1.5 {press(isTuplet)}"
        aria-pressed={isTuplet}
        disabled={isBars}
        title="Next tuplet"
        {@attach does('set', { turn: 'tuplet' }, giveBack)}>{isTuplet ? kindWords(parts.kind) : 'tuplet'}</button
    >
</span>
<span class="flex items-center gap-1">
    <button
        class="btn btn-xs px-1.5 {press(settings.swing > 50)}"
        aria-pressed={settings.swing > 50}
        disabled={isBars}
        title="Swing on or off"
        {@attach does('set', { swing: 'toggle' }, giveBack)}>swing</button
    >
    <SettingNumber {...of} name="swing" title="Swing" unit="%" />
</span>
<SettingNumber {...of} name="strength" title="Strength" shown="Strength" unit="%" />
<span class="flex items-center gap-1">
    Nudge
    {#if step.unit === 'value'}
        <b class="font-semibold">{step.amount}</b>
    {:else}
        <input
            class="input input-xs w-13 px-1.5 text-right"
            type="number"
            min="0"
            step="any"
            aria-label="Nudge step"
            value={step.amount}
            {@attach keepTyped}
            onchange={amount}
            onkeydown={(e) => leave(e, giveBack)}
        />
    {/if}
    <select
        class="select select-xs w-25 pl-2"
        aria-label="Unit of the nudge step"
        value={step.unit}
        onchange={(e) => unit(e.currentTarget.value)}
        onkeydown={(e) => e.key === 'Escape' && giveBack()}
    >
        {#each Object.entries(UNITS) as [id, words] (id)}<option value={id}>{words}</option>{/each}
    </select>
    <button
        class="btn btn-xs px-1.5 {press(settings.tied)}"
        aria-pressed={settings.tied}
        title="The nudge step is one cell of the grid"
        {@attach does('set', { tied: 'toggle' }, giveBack)}>= grid</button
    >
</span>
