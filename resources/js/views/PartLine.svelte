<script lang="ts">
    import { counted } from '../rules/counted';
    import { SETTING_RANGES } from '../contract';
    import { Eraser, PenLine } from 'lucide';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { tool } from '../roll/pen.svelte';
    import { BARS, barWords, gridParts, kindWords, VALUES } from './fields/grids';
    import { nudgeStep, UNITS } from './fields/steps';
    import Icon from '../stage/Icon.svelte';
    import { keepTyped } from './fields/keep-typed';

    let { song, part }: { song: Song; part: Part } = $props();

    const settings = $derived(part.settings);
    // Those in parts that are worked on with this one count too.
    const all = $derived(
        [part, ...[...song.selection.beside.keys()].map((id) => song.parts.get(id))].reduce(
            (sum, p) => sum + (p && p.version >= 0 ? p.notes.size : 0),
            0,
        ),
    );
    const chosen = $derived(
        [...song.selection.beside.values()].reduce(
            (sum, ids) => sum + ids.size,
            song.selection.version >= 0 ? song.selection.notes.size : 0,
        ),
    );
    const parts = $derived(gridParts(settings.grid));
    const isBars = $derived(settings.grid.includes('bar'));
    const bars = $derived(BARS.includes(settings.grid) || !isBars ? BARS : [...BARS, settings.grid]);
    const isTuplet = $derived(parts.kind.startsWith(':'));
    const step = $derived(nudgeStep(settings));

    function set(change: Record<string, unknown>): void {
        song.do({ set: change, part: part.id });
        // What is done by mouse flashes its key.
        keys.flashFor('set', change);
        giveBack();
    }

    /** Keys work in the roll again. */
    function giveBack(): void {
        document.querySelector<HTMLElement>('[data-testid=roll]')?.focus({ preventScroll: true });
    }

    function number(e: Event, name: 'swing' | 'strength' | 'penVelocity'): void {
        const [min, max] = SETTING_RANGES[name];
        const input = e.currentTarget as HTMLInputElement;
        const value = Number(input.value);
        if (input.value === '' || !Number.isFinite(value) || value < min || value > max) {
            song.trouble = `Between ${min} and ${max}: ${input.value || 'nothing'} was not taken.`;
            input.value = String(settings[name]);
            giveBack();
        } else {
            set({ [name]: name === 'swing' ? value : Math.round(value) });
        }
    }

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

    function leave(e: KeyboardEvent): void {
        if (e.key === 'Escape') {
            const input = e.currentTarget as HTMLInputElement;
            input.value = input.defaultValue;
            giveBack();
            e.stopPropagation();
        } else if (e.key === 'Enter') {
            (e.currentTarget as HTMLElement).blur();
        }
    }

    const press = (on: boolean): string => (on ? 'btn-neutral' : 'btn-outline border-base-300');
</script>

{#snippet field(title: string, name: 'swing' | 'strength' | 'penVelocity', unit: string, shown: string)}
    <label class="flex items-center gap-1">
        {shown}
        <input
            class="input input-xs w-13 px-1.5 text-right"
            type="number"
            min={SETTING_RANGES[name][0]}
            max={SETTING_RANGES[name][1]}
            aria-label={title}
            step={name === 'swing' ? 'any' : 1}
            value={settings[name]}
            {@attach keepTyped}
            onchange={(e) => number(e, name)}
            onkeydown={leave}
        />
        {unit}
    </label>
{/snippet}

<div
    class="flex min-h-9 items-center gap-x-2.5 gap-y-1 border-b py-1 max-[1260px]:flex-wrap [@media(max-height:560px)]:flex-nowrap [@media(max-height:560px)]:overflow-x-auto border-base-300 px-3 text-sm whitespace-nowrap"
    data-testid="settings"
>
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
        {@render field('Swing', 'swing', '%', '')}
    </span>
    {@render field('Strength', 'strength', '%', 'Strength')}
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
                onkeydown={leave}
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
        {#if settings.lanes === 'stay'}<span
                title="Notes that are moved, copied or cut leave the controllers under them">leave controllers</span
            >{/if}
    </span>
    <span class="words-on-focus words-above flex gap-1" role="group" aria-label="Tools">
        <button
            class="btn btn-xs px-1.5 {press(tool.name === 'pen')}"
            aria-pressed={tool.name === 'pen'}
            aria-label="Pen"
            title="Pen: a click writes a note"
            {@attach does('tool', { tool: 'pen' }, giveBack)}
            ><Icon of={PenLine} size={14} /><span class="max-[1439px]:hidden">pen</span></button
        >
        <button
            class="btn btn-xs px-1.5 {press(tool.name === 'eraser')}"
            aria-pressed={tool.name === 'eraser'}
            aria-label="Eraser"
            title="Eraser: it deletes what it touches"
            {@attach does('tool', { tool: 'eraser' }, giveBack)}
            ><Icon of={Eraser} size={14} /><span class="max-[1439px]:hidden">eraser</span></button
        >
    </span>
    {@render field('Pen velocity', 'penVelocity', '', 'Pen')}
    {#if settings.velocityFrom === 'touched'}<span title="The pen’s velocity is that of the note last touched"
            >as touched</span
        >{/if}
    <span class="flex items-center gap-0.5" role="group" aria-label="Touches: stored velocities">
        {#each settings.touches as touch, i (i)}
            <button
                class="btn btn-xs px-1 {press(settings.penVelocity === touch)}"
                aria-pressed={settings.penVelocity === touch}
                title="Pen velocity of touch {i + 1}"
                {@attach does('set', { touch: i + 1 }, giveBack)}>{touch}</button
            >
        {/each}
    </span>
    <label
        >Length <select
            class="select select-xs w-21 pl-2"
            aria-label="Length of new notes"
            value={settings.lengthFrom === 'touched' ? 'touched' : (settings.penLength ?? '')}
            onchange={(e) =>
                set(
                    e.currentTarget.value === 'touched'
                        ? { lengthFrom: 'touched' }
                        : { penLength: e.currentTarget.value || null },
                )}
            onkeydown={(e) => e.key === 'Escape' && giveBack()}
        >
            <option value="">one cell</option>
            <option value="touched">as touched</option>
            {#each VALUES as value (value)}<option {value}>{value}</option>{/each}
        </select></label
    >
    <span class="ml-auto" data-testid="chosen" title="Notes selected"
        >{#if song.selection.lane}{counted(song.selection.points.size, 'point')}{:else}{chosen} of {all}<span
                class="max-[1330px]:hidden">&nbsp;selected</span
            >{/if}</span
    >
</div>
