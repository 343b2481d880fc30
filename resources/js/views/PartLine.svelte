<script lang="ts">
    import { counted } from '../rules/counted';
    import { Eraser, PenLine } from 'lucide';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { tool } from '../roll/pen.svelte';
    import { VALUES } from './fields/grids';
    import SettingNumber from './fields/SettingNumber.svelte';
    import GridControls from './GridControls.svelte';
    import Icon from '../stage/Icon.svelte';

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

    const press = (on: boolean): string => (on ? 'btn-neutral' : 'btn-outline border-base-300');
</script>

<div
    class="flex min-h-9 items-center gap-x-2.5 gap-y-1 border-b py-1 max-[1260px]:flex-wrap [@media(max-height:560px)]:flex-nowrap [@media(max-height:560px)]:overflow-x-auto border-base-300 px-3 text-sm whitespace-nowrap"
    data-testid="settings"
>
    <GridControls {song} {part} {set} {giveBack} />
    {#if settings.lanes === 'stay'}<span title="Notes that are moved, copied or cut leave the controllers under them"
            >leave controllers</span
        >{/if}
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
    <SettingNumber {song} {part} {set} {giveBack} name="penVelocity" title="Pen velocity" shown="Pen" />
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
