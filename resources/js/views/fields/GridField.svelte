<script lang="ts">
    import { BARS, barWords, gridParts, KINDS, kindWords, VALUES } from './grids';

    interface Props {
        value: string;
        label: string;
        onchange: (grid: string) => void;
        first?: boolean;
    }
    let { value, label, onchange, first = false }: Props = $props();

    const parts = $derived(gridParts(value));
    const isBars = $derived(value.includes('bar'));
    const bars = $derived(BARS.includes(value) || !isBars ? BARS : [...BARS, value]);
    const kinds = $derived(
        KINDS.some(([k]) => k === parts.kind) ? KINDS : [...KINDS, [parts.kind, kindWords(parts.kind)] as const],
    );
</script>

<span class="flex gap-2">
    <select
        class="select select-sm flex-1"
        aria-label={label}
        value={parts.value}
        data-first={first ? '' : undefined}
        onchange={(e) => onchange(e.currentTarget.value + (e.currentTarget.value.includes('bar') ? '' : parts.kind))}
    >
        {#each VALUES as v (v)}<option value={v}>{v}</option>{/each}
        {#each bars as b (b)}<option value={b}>{barWords(b)}</option>{/each}
    </select>
    <select
        class="select select-sm flex-1"
        aria-label="{label}: kind"
        value={parts.kind}
        disabled={isBars}
        onchange={(e) => onchange(parts.value + e.currentTarget.value)}
    >
        {#each kinds as [kind, words] (kind)}<option value={kind}>{words}</option>{/each}
    </select>
</span>
