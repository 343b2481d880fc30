<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Step } from '../api/types';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';
    import { PARTS_BY_NUDGE_STEP } from '../arrange/commands/make';
    import { BY_NUDGE_STEP } from '../roll/commands/make';
    import { nudgeStep, stepWords } from './fields/steps';
    import StepField from './fields/StepField.svelte';
    import Panel from './Panel.svelte';

    let { song, part }: { song: Song; part: Part } = $props();

    const settings = $derived(part.settings);
    const presets = keys.resolver.bindings.filter(
        (b) => b.context === song.stage && b.command === 'set' && b.params.nudge !== undefined,
    );
    const tie = $derived(keys.keysFor('set', { tied: 'toggle' }, 'roll'));
    // The arrows that move in time, with what each of them does.
    const arrows = keys.resolver.bindings.filter((b) =>
        song.stage === 'roll'
            ? b.context === 'roll' && BY_NUDGE_STEP.includes(b.command) && !b.keys.includes('Wheel')
            : b.context === 'song' &&
              PARTS_BY_NUDGE_STEP.includes(b.command) &&
              b.params.steps !== undefined &&
              b.params.by === undefined,
    );

    function set(change: Record<string, unknown>): void {
        song.do({ set: change, ...(song.stage === 'song' ? { on: song.onGrid() } : { part: part.id }) });
    }

    function same(step: unknown): boolean {
        const { unit, amount } = step as Step;
        const now = nudgeStep(settings);
        return now.unit === unit && now.amount === amount;
    }
</script>

<Panel title="Nudge settings">
    <p class="px-4 pt-3">
        One nudge of {part.name} is <b class="font-semibold">{stepWords(nudgeStep(settings))}</b>. Lengths go by the
        same step.
    </p>
    <div class="flex flex-col gap-2 px-4 pt-3" role="group" aria-label="The part’s own step">
        <span class="text-sm font-semibold">The part’s own step</span>
        <StepField value={settings.nudge} label="Nudge step" first onchange={(nudge) => set({ nudge })} />
    </div>
    <div class="flex flex-col gap-2 px-4 pt-4">
        <label class="flex cursor-pointer items-center gap-2"
            ><input
                class="checkbox checkbox-sm"
                type="checkbox"
                checked={settings.tied}
                onchange={() => set({ tied: 'toggle' })}
            />
            = grid: one cell of {settings.grid}
            {#if tie}<kbd class="key">{labels(tie).join(' ')}</kbd>{/if}</label
        >
        <label class="flex cursor-pointer items-center gap-2"
            ><input
                class="checkbox checkbox-sm"
                type="checkbox"
                checked={settings.lanes === 'along'}
                onchange={() => set({ lanes: 'toggle' })}
            /> Move the controllers under the notes, too</label
        >
    </div>
    <h3 class="px-4 pt-5 text-sm font-semibold">Steps that have a key</h3>
    <div class="flex flex-wrap gap-2 px-4 pt-2">
        {#each presets as preset (preset.keys)}
            <button
                data-field
                class="btn btn-sm {same(preset.params.nudge) ? 'btn-neutral' : 'btn-outline border-base-300'}"
                aria-pressed={same(preset.params.nudge)}
                onclick={() => set(preset.params)}
                >{stepWords(preset.params.nudge as Step)}
                <kbd class="key text-base-content">{labels(preset.keys).join(' ')}</kbd></button
            >
        {/each}
    </div>
    <h3 class="px-4 pt-5 text-sm font-semibold">What the keys do with it</h3>
    <ul class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 px-4 py-2 text-sm">
        {#each arrows as arrow (arrow.keys)}
            <li class="contents">
                <kbd class="key justify-self-start">{labels(arrow.keys).join(' ')}</kbd><span>{arrow.label}</span>
            </li>
        {/each}
    </ul>
    {#snippet foot()}
        {#if song.stage === 'roll'}
            With nothing selected the same keys move the caret. The wheel with Alt nudges, with Alt and Shift it
            lengthens.
        {:else}
            It is set for all parts that are selected.
        {/if}
    {/snippet}
</Panel>
