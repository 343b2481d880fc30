<script lang="ts">
    import { counted } from '../rules/counted';
    import { tick, untrack } from 'svelte';
    import { request } from '../api/client';
    import type { Song } from '../api/song.svelte';
    import type { HistoryStep } from '../api/types';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'step'],
        ['Enter', 'go there'],
    ];

    let { song }: { song: Song } = $props();

    let steps = $state.raw<HistoryStep[]>([]);
    let head = $state<number | null>(null);
    let list: HTMLElement;

    let all = $state(0);
    let more = $state(false);
    let search = $state('');

    /** The last steps, or those before them besides. */
    async function load(earlier = false): Promise<void> {
        const before = earlier && steps[0] ? `&before=${steps[0].id}` : '';
        const data = await request('GET', `songs/${song.id}/steps?search=${encodeURIComponent(search)}${before}`).catch(
            () => null,
        );
        if (!data) return;
        [head, more, all] = [data.head, data.more, data.all];
        steps = earlier ? [...data.steps, ...steps] : data.steps;
        if (earlier) return;
        await tick();
        list?.querySelector('[aria-current=true]')?.scrollIntoView({ block: 'nearest' });
    }

    $effect(() => {
        void song.revisionShown;
        void search;
        untrack(() => void load());
    });

    function move(e: KeyboardEvent): void {
        if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return;
        e.preventDefault();
        e.stopPropagation();
        const all = [...list.querySelectorAll<HTMLButtonElement>('li button')];
        const at = all.indexOf(document.activeElement as HTMLButtonElement);
        const from =
            at >= 0
                ? at + (e.key === 'ArrowDown' ? 1 : -1)
                : all.findIndex((b) => b.getAttribute('aria-current') === 'true');
        all[Math.max(0, Math.min(all.length - 1, from))]?.focus();
    }

    function time(iso: string): string {
        return new Date(iso).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });
    }
</script>

<Panel title="History" onkeydown={move} hints={HINTS}>
    <label class="flex items-center gap-2 px-4 pt-3"
        >Search <input
            class="input input-sm flex-1"
            type="search"
            placeholder="of {counted(all, 'step')}"
            bind:value={search}
        /></label
    >
    <ol bind:this={list} class="py-2">
        {#if more}<li>
                <button class="step" data-field onclick={() => void load(true)}>Earlier steps…</button>
            </li>{:else if steps.length === 0 && search !== ''}<li class="px-4">No step found.</li>{/if}
        <li class={search === '' && !more ? '' : 'hidden'}>
            <button
                data-field
                class="step"
                class:here={head === null}
                aria-current={head === null}
                onclick={() => song.goTo(null)}>As it was at the start</button
            >
        </li>
        {#each steps as step (step.id)}
            <li>
                <button
                    data-field
                    class="step"
                    class:here={step.id === head}
                    class:aside={!step.done}
                    aria-current={step.id === head}
                    onclick={() => song.goTo(step.id)}
                >
                    <span class="min-w-0 flex-1"
                        >{step.said}{#if !step.done}<span class="sr-only"> (not done now)</span>{/if}</span
                    >
                    <time class="text-sm text-base-content/80">{time(step.at)}</time>
                </button>
            </li>
        {/each}
    </ol>
    {#snippet foot()}
        ↑ ↓ and Enter go to a step. Steps that are crossed out are not in effect now. Going back and on another way
        loses nothing.
    {/snippet}
</Panel>

<style>
    .step {
        display: flex;
        width: 100%;
        gap: 0.75rem;
        align-items: baseline;
        padding: 0.4rem 1rem 0.4rem 0.8rem;
        text-align: left;
        border-left: 4px solid transparent;
        cursor: pointer;
    }
    .step:hover,
    .step:focus-visible {
        background: var(--color-base-200);
        outline-offset: -2px;
    }
    .here {
        border-left-color: var(--color-primary);
        font-weight: 600;
    }
    .aside span:first-child {
        text-decoration: line-through;
        opacity: 0.75;
    }
</style>
