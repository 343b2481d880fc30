<script lang="ts">
    import type { Binding } from '../../api/types';
    import { commands, same } from '../../keys/commands.svelte';
    import { labels } from '../../keys/strokes';
    import Field from '../fields/Field.svelte';
    import GiveKey from '../GiveKey.svelte';
    import { CONTEXTS, says, titleOf, type Mode, type Row } from './rows';

    interface Props {
        r: Row;
        chosen: boolean;
        /** Whether it is not as it came. */
        mine: boolean;
        /** What is being done to it. */
        mode: Mode;
        params: Record<string, unknown>;
        onChoose: () => void;
        onBegin: (mode: Mode) => void;
        onTake: () => void;
        onKeep: () => void;
        onDone: (said: string, given?: Pick<Binding, 'context' | 'keys'> | null) => void;
    }
    let { r, chosen, mine, mode, params = $bindable(), onChoose, onBegin, onTake, onKeep, onDone }: Props = $props();
</script>

<div
    class="grid grid-cols-[10rem_1fr_6rem_9rem_16rem] max-[1000px]:grid-cols-[7rem_1fr_5rem_16rem] max-[760px]:grid-cols-[6.5rem_1fr_auto] items-center gap-3 border-b border-l-4 border-b-base-300 px-2 py-1 outline-none {chosen
        ? 'border-l-primary bg-base-200'
        : 'border-l-transparent'}"
    role="row"
    aria-selected={chosen}
    tabindex={chosen ? 0 : -1}
    onclick={onChoose}
    onkeydown={() => {}}
>
    <span role="gridcell">
        {#if r.binding}
            {#each labels(r.binding.keys) as label, k (k)}{k > 0 ? ' ' : ''}<kbd class="key">{label}</kbd>{/each}
        {:else}<span class="text-base-content/70">no key</span>{/if}
    </span>
    <span role="gridcell" class="truncate"
        >{#if r.binding && !says(titleOf(r), r.binding.label)}{r.binding.label}
            <span class="text-sm text-base-content/80">{titleOf(r)}</span>{:else}{titleOf(r)}{/if}</span
    >
    <span role="gridcell" class="text-sm text-base-content/85 max-[760px]:hidden">{r.entry.group}</span>
    <span role="gridcell" class="text-sm text-base-content/85 max-[1000px]:hidden"
        >{r.binding ? (CONTEXTS.find(([id]) => id === r.binding!.context)?.[1] ?? '') : ''}{mine ? ' · mine' : ''}</span
    >
    <span role="gridcell" class="flex justify-end gap-1 whitespace-nowrap">
        {#if r.binding}
            <button class="btn btn-xs" tabindex="-1" data-field onclick={() => onBegin('move')}>Change</button>
            <button class="btn btn-xs" tabindex="-1" data-field onclick={() => onBegin('give')}>Add</button>
            <button class="btn btn-xs" tabindex="-1" data-field onclick={() => onTake()}>Remove</button>
        {:else}
            <button class="btn btn-xs" tabindex="-1" data-field onclick={() => onBegin('give')}>Give a key</button>
        {/if}
    </span>
    {#if mode === 'give' || mode === 'move'}
        <div role="gridcell" class="col-span-full pb-2">
            <GiveKey
                command={r.entry.command}
                params={mode === 'move' ? r.params : params}
                label={r.binding && (mode === 'move' || same(params, r.params))
                    ? r.binding.label
                    : commands.title(r.entry.command, params)}
                contexts={[...new Set([r.binding?.context, ...r.entry.contexts].filter((c) => c !== undefined))]}
                instead={mode === 'move' ? r.binding : null}
                {onDone}
            />
        </div>
    {:else if mode === 'params'}
        <div role="gridcell" class="col-span-full grid grid-cols-2 pb-2" data-params>
            {#each commands.find(r.entry.command)?.params ?? [] as param, k (param.name)}
                <Field
                    {param}
                    value={params[param.name]}
                    settings={{} as never}
                    first={k === 0}
                    onchange={(v) => {
                        const set = Object.entries({ ...params, [param.name]: v });
                        params = Object.fromEntries(set.filter(([, x]) => x !== undefined));
                    }}
                />
            {/each}
            <p class="col-span-2 px-4">
                <button class="btn btn-xs btn-primary" data-field onclick={() => onKeep()}
                    >Keep <kbd class="key text-base-content">Enter</kbd></button
                >
            </p>
        </div>
    {/if}
</div>
