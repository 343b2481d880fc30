<script lang="ts">
    import { lengthWords } from '../rules/note-value';
    import { VELOCITY } from '../contract';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';
    import GridField from './fields/GridField.svelte';
    import { keepTyped } from './fields/keep-typed';
    import Panel from './Panel.svelte';

    let { song, part }: { song: Song; part: Part } = $props();

    const settings = $derived(part.settings);

    function set(change: Record<string, unknown>): void {
        song.do({ set: change, part: part.id });
    }

    function velocity(text: string, put: (velocity: number) => void): void {
        const n = Math.round(Number(text));
        if (text !== '' && n >= VELOCITY[0] && n <= VELOCITY[1]) put(n);
        else
            song.tell(
                '',
                [],
                `A velocity is a whole number from ${VELOCITY[0]} to ${VELOCITY[1]}: ${text || 'nothing'} was not taken.`,
            );
    }

    function touch(i: number, to: number): void {
        set({ touches: settings.touches.map((t, k) => (k === i ? to : t)) });
    }

    /** The keys that insert with a touch, and that give it to the pen. */
    function keysOf(i: number): string {
        const insert = keys.keysFor('insert-at', { touch: i + 1 }, 'roll');
        const pen = keys.keysFor('set', { touch: i + 1 }, 'roll');
        return [insert && `${labels(insert).join(' ')} inserts`, pen && `${labels(pen).join(' ')} sets the pen`]
            .filter(Boolean)
            .join(', ');
    }
</script>

<Panel title="Pen settings">
    <p class="px-4 pt-3">What new notes of {part.name} get: by key at the caret, by a double click, by insert.</p>
    <label class="flex flex-col gap-1 px-4 pt-3 text-sm font-semibold"
        >Velocity <input
            class="input input-sm w-24 text-right"
            type="number"
            min={VELOCITY[0]}
            max={VELOCITY[1]}
            data-first
            value={settings.penVelocity}
            {@attach keepTyped}
            onchange={(e) => velocity(e.currentTarget.value, (penVelocity) => set({ penVelocity }))}
        /></label
    >
    <label class="flex cursor-pointer items-center gap-2 px-4 pt-2"
        ><input
            class="checkbox checkbox-sm"
            type="checkbox"
            checked={settings.velocityFrom === 'touched'}
            onchange={() => set({ velocityFrom: 'toggle' })}
        /> As the note last touched</label
    >
    <div class="flex flex-col gap-1 px-4 pt-3" role="group" aria-label="Length">
        <span class="text-sm font-semibold">Length</span>
        <label class="flex cursor-pointer items-center gap-2"
            ><input
                class="checkbox checkbox-sm"
                type="checkbox"
                checked={settings.penLength === null}
                onchange={(e) => set({ penLength: e.currentTarget.checked ? null : '1/8' })}
            />
            One cell of the grid, {settings.grid}</label
        >
        <label class="flex cursor-pointer items-center gap-2"
            ><input
                class="checkbox checkbox-sm"
                type="checkbox"
                checked={settings.lengthFrom === 'touched'}
                onchange={() => set({ lengthFrom: 'toggle' })}
            />
            As the note last touched{settings.lengthFrom === 'touched' && settings.touchedLength !== null
                ? `, ${lengthWords(settings.touchedLength, song.time.ppq)}`
                : ''}</label
        >
        {#if settings.penLength !== null && settings.lengthFrom === 'fixed'}
            <GridField value={settings.penLength} label="Pen length" onchange={(penLength) => set({ penLength })} />
        {/if}
    </div>
    <h3 class="px-4 pt-5 text-sm font-semibold">Touches: four velocities, a key away</h3>
    <div class="flex flex-col gap-2 px-4 pt-2">
        {#each settings.touches as value, i (i)}
            <label class="flex items-center gap-3"
                >{i + 1}
                <input
                    class="input input-sm w-20 text-right"
                    type="number"
                    min={VELOCITY[0]}
                    max={VELOCITY[1]}
                    aria-label="Touch {i + 1}"
                    {value}
                    {@attach keepTyped}
                    onchange={(e) => velocity(e.currentTarget.value, (to) => touch(i, to))}
                />
                <span class="text-sm text-base-content/85">{keysOf(i)}</span></label
            >
        {/each}
    </div>
    {#snippet foot()}
        {@const insert = keys.keysFor('insert-at', {}, 'roll')}
        {#if insert}<kbd class="key">{labels(insert).join(' ')}</kbd> inserts at the caret and goes on to the next cell.{/if}
    {/snippet}
</Panel>
