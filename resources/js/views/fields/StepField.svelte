<script lang="ts">
    import type { Step } from '../../api/types';
    import GridField from './GridField.svelte';
    import { UNITS } from './steps';

    interface Props {
        value: Step;
        label: string;
        onchange: (step: Step) => void;
        first?: boolean;
    }
    let { value, label, onchange, first = false }: Props = $props();

    function unit(to: Step['unit']): void {
        const amount = typeof value.amount === 'number' ? value.amount : 1;
        onchange(
            to === 'value'
                ? { unit: to, amount: '1/16' }
                : { unit: to, amount: to === 'bar' ? Math.max(1, Math.round(amount)) : amount },
        );
    }

    function amount(text: string): void {
        const n = Number(text);
        if (text !== '' && n > 0 && n <= 1_000_000)
            onchange({ ...value, amount: value.unit === 'bar' ? Math.round(n) : n });
    }
</script>

<span class="flex gap-2">
    {#if value.unit !== 'value'}
        <input
            class="input input-sm w-24 text-right"
            type="number"
            min="0"
            step={value.unit === 'bar' ? 1 : 'any'}
            aria-label="{label}: amount"
            value={value.amount}
            data-first={first ? '' : undefined}
            oninput={(e) => amount(e.currentTarget.value)}
        />
    {/if}
    <select
        class="select select-sm flex-1"
        aria-label="{label}: unit"
        value={value.unit}
        onchange={(e) => unit(e.currentTarget.value as Step['unit'])}
    >
        {#each Object.entries(UNITS) as [id, words] (id)}<option value={id}>{words}</option>{/each}
    </select>
</span>
{#if value.unit === 'value'}
    <GridField
        value={String(value.amount)}
        {label}
        onchange={(grid) => onchange(grid.includes('bar') ? value : { unit: 'value', amount: grid })}
    />
{/if}
{#if value.unit === 'samples'}
    <label class="flex items-center gap-2 text-sm"
        >at <input
            class="input input-sm w-28 text-right"
            type="number"
            min="8000"
            max="384000"
            value={value.rate ?? 48_000}
            onchange={(e) => onchange({ ...value, rate: Math.round(Number(e.currentTarget.value)) })}
        /> samples a second</label
    >
{/if}
