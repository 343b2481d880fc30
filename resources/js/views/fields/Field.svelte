<script lang="ts">
    import type { Param, Settings, Step } from '../../api/types';
    import { commands } from '../../keys/commands.svelte';
    import { pitchName } from '../../roll/names';
    import GridField from './GridField.svelte';
    import LaneField from './LaneField.svelte';
    import PlaceField from './PlaceField.svelte';
    import ScaleField from './ScaleField.svelte';
    import StepField from './StepField.svelte';
    import ThingField from './ThingField.svelte';
    import { nudgeStep } from './steps';

    interface Props {
        param: Param;
        /** What was set here; undefined for what stands without it. */
        value: unknown;
        settings: Settings;
        onchange: (value: unknown) => void;
        first?: boolean;
    }
    let { param, value, settings, onchange, first = false }: Props = $props();

    const own = $derived(
        param.setting ? (param.setting === 'nudge' ? nudgeStep(settings) : settings[param.setting]) : undefined,
    );
    const shown = $derived(value ?? own ?? param.default);
    const isNumber = $derived(param.type === 'integer' || param.type === 'number');
    const ranged = $derived(isNumber && !param.optional && param.max! - param.min! <= 2000);

    function number(text: string): void {
        if (text === '') return onchange(undefined);
        const n = Number(text);
        if (Number.isFinite(n)) onchange(param.type === 'integer' ? Math.round(n) : n);
    }

    function pitch(text: string): void {
        const typed = text.trim();
        onchange(typed === '' ? undefined : /^\d+$/.test(typed) ? Number(typed) : typed);
    }

    function length(unit: string): void {
        onchange(unit === 'ticks' ? commands.ppq / 4 : '1/16');
    }
</script>

<div class="flex flex-col gap-1 px-4 py-2" role="group" aria-label={param.title}>
    {#if param.type !== 'flag'}
        <div class="flex items-baseline justify-between gap-2 text-sm">
            <span class="font-semibold">{param.title}</span>
            {#if param.setting && value !== undefined}
                <button data-field class="link" onclick={() => onchange(undefined)}>as the part has it</button>
            {:else if param.setting}
                <span class="text-base-content/80">the part’s</span>
            {/if}
        </div>
    {/if}
    {#if isNumber}
        <div class="flex items-center gap-3">
            <input
                class="input input-sm w-24 text-right"
                type="number"
                min={param.min}
                max={param.max}
                step={param.type === 'integer' ? 1 : 'any'}
                placeholder={param.optional ? (param.blank ?? 'none') : ''}
                aria-label={param.title}
                value={shown ?? ''}
                data-first={first ? '' : undefined}
                oninput={(e) => number(e.currentTarget.value)}
            />
            <span class="min-w-12 shrink-0 text-sm whitespace-nowrap">{param.unit ?? ''}</span>
            {#if ranged}
                <input
                    class="range range-xs min-w-0 flex-1 text-secondary"
                    type="range"
                    tabindex="-1"
                    aria-label={param.title}
                    min={param.min}
                    max={param.max}
                    value={Number(shown ?? param.min)}
                    oninput={(e) => number(e.currentTarget.value)}
                />
            {/if}
        </div>
    {:else if param.type === 'choice'}
        <div class="flex flex-wrap gap-x-4 gap-y-1">
            {#each param.choices ?? [] as choice, i (choice)}
                <label class="flex cursor-pointer items-center gap-1.5">
                    <input
                        class="radio radio-xs"
                        type="radio"
                        name="{param.name}-field"
                        value={choice}
                        checked={shown === choice}
                        data-first={first && (shown === choice || (shown === undefined && i === 0)) ? '' : undefined}
                        onchange={() => onchange(choice)}
                    />{param.labels?.[choice] ?? choice}</label
                >
            {/each}
        </div>
    {:else if param.type === 'flag'}
        <label class="flex cursor-pointer items-center gap-2"
            ><input
                class="checkbox checkbox-sm"
                type="checkbox"
                checked={shown === true}
                data-first={first ? '' : undefined}
                onchange={(e) => onchange(e.currentTarget.checked)}
            />{param.title}</label
        >
    {:else if param.type === 'pitch'}
        <div class="flex items-center gap-2">
            <input
                class="input input-sm w-40"
                type="text"
                placeholder="C2, F♯3, snare"
                aria-label={param.title}
                value={typeof shown === 'number' ? pitchName(shown) : shown === 'caret' ? '' : (shown ?? '')}
                data-first={first ? '' : undefined}
                oninput={(e) => pitch(e.currentTarget.value)}
            />
            <label class="flex cursor-pointer items-center gap-1.5 text-sm"
                ><input
                    class="checkbox checkbox-sm"
                    type="checkbox"
                    checked={shown === 'caret'}
                    onchange={(e) => onchange(e.currentTarget.checked ? 'caret' : undefined)}
                />the caret’s row</label
            >
        </div>
    {:else if param.type === 'scale'}
        <ScaleField
            value={typeof shown === 'string' ? shown : undefined}
            roots={param.roots ?? []}
            kinds={param.kinds ?? []}
            label={param.title}
            none={param.setting ? 'the part’s' : 'none'}
            {first}
            {onchange}
        />
    {:else if param.type === 'text' || param.type === 'chord'}
        <input
            class="input input-sm w-full"
            type="text"
            aria-label={param.title}
            value={shown ?? ''}
            data-first={first ? '' : undefined}
            oninput={(e) => onchange(e.currentTarget.value || undefined)}
        />
    {:else if param.type === 'lane'}
        <LaneField {value} label={param.title} blank={param.blank} {first} {onchange} />
    {:else if param.type === 'grid'}
        <GridField value={typeof shown === 'string' ? shown : '1/16'} label={param.title} {first} {onchange} />
    {:else if param.type === 'step'}
        <StepField
            value={(shown as Step | undefined) ?? { unit: 'ms', amount: 10 }}
            label={param.title}
            {first}
            {onchange}
        />
    {:else if param.type === 'place'}
        <PlaceField value={shown} words={param.choices ?? []} label={param.title} {first} {onchange} />
    {:else if param.type === 'track' || param.type === 'part'}
        <ThingField what={param.type} {value} label={param.title} {first} {onchange} />
    {:else if param.type === 'length'}
        <div class="flex gap-2">
            {#if typeof shown === 'number'}
                <input
                    class="input input-sm w-24 text-right"
                    type="number"
                    min="1"
                    aria-label={param.title}
                    value={shown}
                    data-first={first ? '' : undefined}
                    oninput={(e) => number(e.currentTarget.value)}
                />
            {/if}
            <select
                class="select select-sm w-36"
                aria-label="{param.title}: given as"
                value={typeof shown === 'number' ? 'ticks' : 'value'}
                onchange={(e) => length(e.currentTarget.value)}
            >
                <option value="value">a note value</option>
                <option value="ticks">ticks</option>
            </select>
        </div>
        {#if typeof shown === 'string'}
            <GridField value={shown} label={param.title} {first} {onchange} />
        {/if}
    {/if}
</div>
