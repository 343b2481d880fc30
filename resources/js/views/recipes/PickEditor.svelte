<script lang="ts">
    import { beatsOf, ticksOf } from './beats';
    import type { Asks, Condition, Line } from './conditions';
    import RangeField from './RangeField.svelte';

    interface Props {
        asks: Asks;
        condition: Condition;
        /** Ticks a beat. */
        ppq: number;
        onchange: (c: Condition) => void;
    }
    let { asks, condition, ppq, onchange }: Props = $props();

    function set(i: number, line: Partial<Line>): void {
        onchange({ ...condition, lines: condition.lines.map((l, k) => (k === i ? { ...l, ...line } : l)) });
    }

    function add(): void {
        const used = new Set(condition.lines.map((l) => l.what));
        const what = Object.keys(asks).find((k) => !used.has(k)) ?? 'velocity';
        onchange({ ...condition, lines: [...condition.lines, { not: false, what, value: asks[what]!.first }] });
    }
</script>

{#snippet number(label: string, value: number, least: number, put: (n: number) => void)}
    <input
        class="input input-xs w-16 text-right"
        type="number"
        min={least}
        aria-label={label}
        {value}
        oninput={(e) => {
            const n = Math.round(Number(e.currentTarget.value));
            if (e.currentTarget.value !== '' && n >= least) put(n);
        }}
    />
{/snippet}

{#snippet beats(label: string, ticks: number, least: number, put: (ticks: number) => void)}
    <input
        class="input input-xs w-16 text-right"
        type="text"
        inputmode="decimal"
        aria-label={label}
        value={beatsOf(ticks, ppq)}
        onchange={(e) => {
            const to = ticksOf(e.currentTarget.value, ppq);
            if (to !== null && to >= least) put(to);
            else e.currentTarget.value = beatsOf(ticks, ppq);
        }}
    />
{/snippet}

<div class="flex flex-col gap-2">
    {#each condition.lines as line, i (i)}
        {@const ask = asks[line.what]!}
        <div
            class="flex flex-wrap items-center gap-1 text-sm border-l-2 border-base-300 pl-2"
            role="group"
            aria-label="Condition {i + 1}"
        >
            {#if i > 0}
                <select
                    class="select select-xs w-14 px-1.5"
                    aria-label="Joined by"
                    value={condition.joined}
                    onchange={(e) => onchange({ ...condition, joined: e.currentTarget.value as 'and' | 'or' })}
                >
                    <option value="and">and</option><option value="or">or</option>
                </select>
            {/if}
            <select
                class="select select-xs w-14 px-1.5"
                aria-label="Is or is not"
                value={line.not ? 'not' : 'is'}
                onchange={(e) => set(i, { not: e.currentTarget.value === 'not' })}
            >
                <option value="is">with</option><option value="not">not</option>
            </select>
            <select
                class="select select-xs w-26 px-1.5"
                aria-label="What"
                value={line.what}
                onchange={(e) => set(i, { what: e.currentTarget.value, value: asks[e.currentTarget.value]!.first })}
            >
                {#each Object.entries(asks) as [id, a] (id)}<option value={id}>{a.title}</option>{/each}
            </select>
            {#if ask.field === 'range' || ask.field === 'beats' || ask.field === 'pitches' || ask.field === 'tones'}
                <RangeField kind={ask.field} {ppq} value={line.value} onchange={(value) => set(i, { value })} />
            {:else if ask.field === 'choice'}
                <select
                    class="select select-xs w-32"
                    aria-label="Which"
                    value={String(line.value)}
                    onchange={(e) =>
                        set(i, { value: ask.choices.find(([, v]) => String(v) === e.currentTarget.value)![1] })}
                >
                    {#each ask.choices as [words, v] (words)}<option value={String(v)}>{words}</option>{/each}
                </select>
            {:else if ask.field === 'number'}
                {@render number('Number', Number(line.value), 0, (value) => set(i, { value }))}
            {:else if ask.field === 'beat'}
                {@render beats('Beats', Number(line.value), 1, (value) => set(i, { value }))}
            {:else if ask.field === 'every'}
                {@const v = line.value as { nth: number; from?: number }}
                {@render number('Every nth', v.nth, 1, (nth) => set(i, { value: { ...v, nth } }))}
                from the
                {@render number('From the', v.from ?? 1, 1, (from) => set(i, { value: { ...v, from } }))}
            {:else if ask.field === 'span'}
                {@const v = line.value as { from: number; to: number }}
                {@render beats('From beat', v.from, 0, (from) => set(i, { value: { ...v, from } }))}
                and
                {@render beats('To beat', v.to, 0, (to) => set(i, { value: { ...v, to } }))}
            {/if}
            <button
                class="btn btn-ghost btn-xs"
                data-field
                aria-label="Remove condition {i + 1}"
                onclick={() => onchange({ ...condition, lines: condition.lines.filter((_, k) => k !== i) })}>×</button
            >
        </div>
    {/each}
    <p>
        <button class="btn btn-xs" data-field onclick={add}
            >{condition.lines.length === 0 ? 'Only notes…' : 'Another condition'}</button
        >
    </p>
</div>
