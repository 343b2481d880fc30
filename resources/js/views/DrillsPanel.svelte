<script lang="ts">
    import { counted } from '../rules/counted';
    import { onMount } from 'svelte';
    import type { Song } from '../api/song.svelte';
    import { drills, written, type Drill } from './drills.svelte';
    import Panel from './Panel.svelte';
    import { panels } from '../panels.svelte';

    let { song }: { song: Song } = $props();

    /** Whose keys are shown: not before one wants them. */
    let told = $state.raw<ReadonlySet<string>>(new Set());
    const here = $derived(drills.all.some((d) => drills.partOf(song, d)));

    onMount(() => void drills.load());

    function start(drill: Drill): void {
        panels.close();
        void drills.start(song, drill);
    }
</script>

<Panel title="Drills">
    <p class="px-4 pt-3 pb-1 text-sm">
        {here
            ? 'Problems of the demo song, to be fixed with as few keys as possible. Undo brings a problem back.'
            : 'The drills are those of the demo song, “Lantern Ferry”: open it, and they are here.'}
    </p>
    <ol data-testid="drills">
        {#each drills.all as drill, i (drill.id)}
            <li class="border-b border-base-300 px-4 py-2">
                <p class="flex items-baseline gap-2 font-semibold">
                    <span class="flex-1">{i + 1}. {drill.title}</span>
                    {#if drills.done[drill.id]}<span class="text-sm font-normal" data-testid="done"
                            >✓ in {counted(drills.done[drill.id] ?? 0, 'key')}</span
                        >{/if}
                </p>
                <p class="text-sm">{drill.wrong} {drill.goal}</p>
                <p class="flex items-baseline gap-2 pt-1 text-sm">
                    <button
                        data-field
                        class="btn btn-xs btn-primary"
                        data-first={i === 0 ? true : undefined}
                        disabled={!here}
                        onclick={() => start(drill)}>Begin</button
                    >
                    {#if told.has(drill.id)}
                        <span>{counted(drill.keys.length, 'key')}: <kbd class="key">{written(drill.keys)}</kbd></span>
                    {:else}
                        <button data-field class="btn btn-xs" onclick={() => (told = new Set([...told, drill.id]))}
                            >How? ({counted(drill.keys.length, 'key')})</button
                        >
                    {/if}
                </p>
            </li>
        {/each}
    </ol>
</Panel>
