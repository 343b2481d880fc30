<script lang="ts">
    import { untrack } from 'svelte';
    import type { Song } from '../api/song.svelte';
    import { saveAs } from '../api/saving';
    import type { Articulation, ArticulationSet } from '../contract';
    import { commands } from '../keys/commands.svelte';
    import { articulationsOf } from '../roll/commands/make';
    import ArticulationRow from './ArticulationRow.svelte';
    import Panel from './Panel.svelte';
    import { taken } from './import-conflict.svelte';

    let { song }: { song: Song } = $props();

    const part = $derived(song.stage === 'roll' ? song.open : null);
    const track = $derived(
        song.tracks.find(
            (t) =>
                t.id === (part?.trackId ?? song.parts.get(song.selection.parts[0] ?? -1)?.trackId ?? song.caretTrack),
        ),
    );
    const copy = (set: ArticulationSet): ArticulationSet => JSON.parse(JSON.stringify(set)) as ArticulationSet;
    let set = $state<ArticulationSet | null>(untrack(() => (track?.articulations ? copy(track.articulations) : null)));
    let trouble = $state('');

    function give(wanted: ArticulationSet | null): void {
        if (!track) return;
        song.do(articulationsOf(track.id, wanted ? $state.snapshot(wanted) : 'none'));
    }

    function start(shipped: ArticulationSet | null): void {
        set = shipped ? copy(shipped) : null;
        give(set);
    }

    function add(): void {
        const one: Articulation = {
            id: `own-${Date.now()}`,
            name: 'New',
            mark: 'n',
            do: [],
            length: 100,
            velocity: 100,
        };
        if (set) set.articulations.push(one);
        else set = { name: `${track?.name ?? 'My'} set`.slice(0, 60), articulations: [one] };
    }

    function store(): void {
        if (!set) return;
        const text = JSON.stringify($state.snapshot(set), null, 2);
        const address = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
        saveAs(address, `${set.name}.articulations.json`);
        setTimeout(() => URL.revokeObjectURL(address), 1000);
    }

    async function open(files: FileList | null): Promise<void> {
        const file = files?.[0];
        if (!file || !track) return;
        trouble = '';
        try {
            const read = JSON.parse(await file.text()) as ArticulationSet;
            // A set of its name on this track is kept beside where the person wants both: sets are told apart by name.
            const same = track.articulations && track.articulations.name === read.name;
            if (same && JSON.stringify(track.articulations) !== JSON.stringify(read)) {
                const as = await taken.ask(
                    `The track has a set “${read.name}” already. Replace it (undo brings it back), or keep both, the one there as a file?`,
                );
                if (as === null) return;
                if (as === 'both') store();
            }
            // The core says what is wrong with it; what it takes comes back with the track.
            song.do(articulationsOf(track.id, read));
            await song.settled();
            if (song.trouble) trouble = song.trouble;
            else if (track.articulations) set = copy(track.articulations);
        } catch {
            trouble = `“${file.name}” is no JSON file of articulations.`;
        }
    }
</script>

<Panel title="Articulations of {track?.name ?? 'no track'}">
    <div class="p-4 pb-2">
        <p class="pb-2 text-sm">A set says how notes can be played on this track, and what is sent for it.</p>
        <div class="flex flex-wrap gap-1" role="group" aria-label="Sets that ship">
            {#each commands.articulations as shipped, i (shipped.name)}
                <button
                    data-field
                    class="btn btn-xs {set?.name === shipped.name ? 'btn-primary' : ''}"
                    aria-pressed={set?.name === shipped.name}
                    data-first={i === 0 ? true : undefined}
                    onclick={() => start(shipped)}>{shipped.name}</button
                >
            {/each}
            <button
                data-field
                class="btn btn-xs {set ? '' : 'btn-primary'}"
                aria-pressed={!set}
                onclick={() => start(null)}>None</button
            >
        </div>
    </div>
    {#if set}
        <label class="flex items-center gap-2 px-4 py-2 text-sm"
            >Name<input class="input input-xs flex-1" maxlength="60" bind:value={set.name} /></label
        >
        <ol data-testid="articulations">
            {#each set.articulations as one, i (one.id)}
                <ArticulationRow
                    bind:one={set.articulations[i]!}
                    number={i + 1}
                    onRemove={() => set && (set.articulations = set.articulations.filter((a) => a !== one))}
                />
            {/each}
        </ol>
    {/if}
    {#if trouble}<p class="px-4 py-2 text-sm text-error" role="alert">{trouble}</p>{/if}
    <div class="flex flex-wrap gap-2 p-4">
        <button data-field class="btn btn-xs" onclick={add}>Add an articulation</button>
        {#if set}<button data-field class="btn btn-xs btn-primary" onclick={() => give(set)}
                >Give it to the track</button
            >{/if}
        {#if set}<button data-field class="btn btn-xs" onclick={store}>Save as a file</button>{/if}
        <label class="btn btn-xs"
            >Open a file
            <input
                type="file"
                class="sr-only"
                accept=".json,application/json"
                onchange={(e) => void open(e.currentTarget.files)}
            />
        </label>
    </div>
    {#snippet foot()}
        The first holds where a note has none. Alt A and a number gives one to the selected notes; N V selects those of
        one.
    {/snippet}
</Panel>
