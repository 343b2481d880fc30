<script lang="ts">
    import type { Articulation } from '../contract';
    import { commands } from '../keys/commands.svelte';

    interface Props {
        one: Articulation;
        number: number;
        onRemove: () => void;
    }
    let { one = $bindable(), number, onRemove }: Props = $props();

    const KINDS = { program: 'program', key: 'key', cc: 'controller', channel: 'channel' } as const;
    const first = $derived(one.do[0] ?? {});
    const kind = $derived((Object.keys(KINDS) as (keyof typeof KINDS)[]).find((k) => k in first) ?? 'none');

    function send(what: string): void {
        one.do = what === 'none' ? [] : [what === 'cc' ? { cc: 1, value: 127 } : { [what]: what === 'key' ? 24 : 0 }];
    }
</script>

<li class="grid grid-cols-[1.2rem_1fr_3rem_1.8rem] items-center gap-1 border-b border-base-300 px-4 py-1.5 text-sm">
    <span class="tabular-nums opacity-80">{number}</span>
    <input
        class="input input-xs w-full"
        maxlength="60"
        aria-label="Name of articulation {number}"
        bind:value={one.name}
    />
    <input
        class="input input-xs w-full"
        maxlength="4"
        aria-label="Mark of {one.name}"
        title="Mark"
        bind:value={one.mark}
    />
    <button
        data-field
        class="btn btn-ghost btn-xs px-1"
        aria-label="Take {one.name} out"
        title="Remove"
        onclick={onRemove}>×</button
    >
    <span class="col-span-3 col-start-2 flex flex-wrap items-center gap-1">
        <select
            class="select select-xs w-28"
            aria-label="What is sent for {one.name}"
            value={kind}
            onchange={(e) => send(e.currentTarget.value)}
        >
            <option value="none">nothing</option>
            {#each Object.entries(KINDS) as [value, words] (value)}<option {value}>{words}</option>{/each}
        </select>
        {#if kind === 'program'}
            <select class="select select-xs w-40" aria-label="Program of {one.name}" bind:value={first.program}>
                {#each commands.programs as name, i (name)}<option value={i}>{name}</option>{/each}
            </select>
        {:else if kind === 'cc'}
            <input
                class="input input-xs w-14"
                type="number"
                min="0"
                max="119"
                aria-label="Controller of {one.name}"
                bind:value={first.cc}
            />
            <input
                class="input input-xs w-14"
                type="number"
                min="0"
                max="127"
                aria-label="Value of {one.name}"
                bind:value={first.value}
            />
        {:else if kind !== 'none'}
            <input
                class="input input-xs w-14"
                type="number"
                min="0"
                max={kind === 'key' ? 127 : 15}
                aria-label="{KINDS[kind]} of {one.name}"
                bind:value={first[kind]}
            />
        {/if}
        <label class="flex items-center gap-1"
            >length<input class="input input-xs w-14" type="number" min="1" max="400" bind:value={one.length} />%</label
        >
        <label class="flex items-center gap-1"
            >velocity<input
                class="input input-xs w-14"
                type="number"
                min="1"
                max="400"
                bind:value={one.velocity}
            />%</label
        >
    </span>
</li>
