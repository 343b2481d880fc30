<script lang="ts">
    import { counted } from '../rules/counted';
    import type { Part } from '../api/part.svelte';
    import { Lane } from '../rules/lane';
    import { commands } from '../keys/commands.svelte';
    import { titleOf } from '../roll/lanes.svelte';
    import type { RollModel } from '../roll/roll-model.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'lane'],
        ['Enter', 'show or hide it'],
    ];

    let { part, model }: { part: Part; model: RollModel } = $props();

    let wanted = $state('');
    let at = $state(0);
    const all = $derived.by(() => {
        void part.version;
        const names = [
            'bend',
            'pressure',
            'poly-pressure',
            'program',
            ...Array.from({ length: 120 }, (_, n) => `cc:${n}`),
        ];
        const listed = names.map((name) => {
            const lane = new Lane(name);
            return { name, title: titleOf(name), count: part.points.filter((p) => lane.holds(p)).length };
        });
        // Those with something in them first, then those that have a name.
        const rank = (l: (typeof listed)[number]): number =>
            l.count > 0 ? 0 : !l.name.startsWith('cc:') || commands.controllers[l.name.slice(3)] ? 1 : 2;
        return listed.sort((a, b) => rank(a) - rank(b));
    });
    const found = $derived(
        all.filter((l) =>
            wanted
                .toLowerCase()
                .split(/\s+/)
                .every((w) => `${l.title} ${l.name.replace(':', ' ')}`.toLowerCase().includes(w)),
        ),
    );
    const chosen = $derived(found[Math.min(at, found.length - 1)]);
    $effect(() => {
        void chosen;
        document.querySelector('[data-lane-at=true]')?.scrollIntoView({ block: 'nearest' });
    });

    function press(e: KeyboardEvent): void {
        if (e.altKey) return;
        const step = { ArrowDown: 1, ArrowUp: -1 }[e.key];
        if (step) at = Math.max(0, Math.min(found.length - 1, Math.min(at, found.length - 1) + step));
        else if (e.key === 'Enter' && chosen) model.lanes.turn(chosen.name);
        else return;
        e.preventDefault();
        e.stopPropagation();
    }

    /** How many points a lane has, or the number of its controller. */
    function beside(lane: { name: string; count: number }): string {
        if (lane.count > 0) return counted(lane.count, 'point');
        return lane.name.startsWith('cc:') ? `CC ${lane.name.slice(3)}` : '';
    }
</script>

<Panel title="Lanes" onkeydown={press} hints={HINTS}>
    <div class="sticky top-0 z-10 bg-base-100 p-3">
        <input
            class="input input-sm w-full"
            placeholder="Name or number: expression, cc 74"
            aria-label="Find a lane"
            data-first
            bind:value={wanted}
            oninput={() => (at = 0)}
        />
    </div>
    <ul role="listbox" aria-label="Lanes" aria-multiselectable="true" data-testid="lanes">
        {#each found as lane, i (lane.name)}
            <!-- svelte-ignore a11y_click_events_have_key_events -->
            <li
                role="option"
                aria-selected={lane === chosen}
                data-lane-at={lane === chosen}
                class="flex cursor-pointer items-baseline gap-3 px-4 py-0.5 {lane === chosen
                    ? 'bg-primary text-primary-content'
                    : 'hover:bg-base-200'}"
                onclick={() => {
                    at = i;
                    model.lanes.turn(lane.name);
                }}
            >
                <span class="w-4">{model.lanes.shown.includes(lane.name) ? '✓' : ''}</span>
                <span class="flex-1 truncate">{lane.title}</span>
                <span class="text-sm opacity-80">{beside(lane)}</span>
            </li>
        {:else}
            <li role="presentation" class="px-4 py-2">No lane found.</li>
        {/each}
    </ul>
    <h3 class="px-4 pt-3 font-semibold">Sets, by Alt V and 5 to 8</h3>
    <ol class="pb-2" data-testid="lane-sets">
        {#each model.lanes.sets as set, i (i)}
            <li class="flex items-center gap-2 px-4 py-0.5 text-sm">
                <span class="w-4 tabular-nums">{i + 5}</span>
                <input
                    class="input input-xs w-28"
                    maxlength="60"
                    aria-label="Name of set {i + 1}"
                    value={set.name}
                    onchange={(e) => model.lanes.rename(i + 1, e.currentTarget.value)}
                />
                <button data-field class="btn btn-xs" onclick={() => model.lanes.call(i + 1)}>Show</button>
                <button data-field class="btn btn-xs" onclick={() => model.lanes.store(i + 1)}
                    >Keep what is shown</button
                >
            </li>
        {/each}
    </ol>
    {#snippet foot()}Enter shows it and works in it; Enter again hides it.{/snippet}
</Panel>
