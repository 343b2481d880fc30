<script lang="ts">
    import { tick } from 'svelte';
    import { request } from '../api/client';
    import type { Song } from '../api/song.svelte';
    import type { HistoryStep } from '../api/types';
    import Panel from './Panel.svelte';

    let { song }: { song: Song } = $props();

    let steps = $state.raw<HistoryStep[]>([]);
    let head = $state<number | null>(null);
    let list: HTMLElement;

    /** Steps on the way from the start to where the song stands. */
    const way = $derived.by(() => {
        const by = new Map(steps.map((s) => [s.id, s]));
        const ids = new Set<number>();
        for (let s = head === null ? undefined : by.get(head); s; s = s.parent === null ? undefined : by.get(s.parent))
            ids.add(s.id);
        return ids;
    });

    async function load(): Promise<void> {
        const data = await request<{ head: number | null; steps: HistoryStep[] }>(
            'GET',
            `songs/${song.id}/steps`,
        ).catch(() => null);
        if (!data) return;
        [head, steps] = [data.head, data.steps];
        await tick();
        list?.querySelector('[aria-current=true]')?.scrollIntoView({ block: 'nearest' });
    }

    $effect(() => {
        void song.revisionShown;
        void load();
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

<Panel title="Steps" onkeydown={move}>
    <ol bind:this={list} class="py-2">
        <li>
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
                    class:aside={!way.has(step.id)}
                    aria-current={step.id === head}
                    onclick={() => song.goTo(step.id)}
                >
                    <span class="min-w-0 flex-1"
                        >{step.said}{#if !way.has(step.id)}<span class="sr-only"> (not done now)</span>{/if}</span
                    >
                    <time class="text-sm text-base-content/80">{time(step.at)}</time>
                </button>
            </li>
        {/each}
    </ol>
    {#snippet foot()}
        ↑ ↓ and Enter go to a step. What is struck out is not done now; nothing is lost by going back and on another
        way.
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
