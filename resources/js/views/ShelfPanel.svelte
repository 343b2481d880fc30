<script lang="ts">
    import { counted } from '../rules/counted';
    import type { Phrase } from '../api/types';
    import { onMount, untrack } from 'svelte';
    import { request, upload } from '../api/client';
    import type { Song } from '../api/song.svelte';
    import { putIn } from '../arrange/commands/make';
    import { transport } from '../sound/transport.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';
    import { panels } from '../panels.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'phrase'],
        ['Enter', 'put it in'],
        ['Shift+Enter', 'as new tracks'],
        ['Delete', 'remove it'],
    ];

    let { song, keep }: { song: Song; keep: boolean } = $props();

    let phrases = $state.raw<Phrase[]>([]);
    let wanted = $state('');
    let name = $state(untrack(() => song.parts.get(song.selection.parts[0] ?? -1)?.name ?? song.open?.name ?? ''));
    let at = $state(0);
    let keeping = $state(untrack(() => keep));
    let gone = $state.raw<Phrase | null>(null);
    const found = $derived(
        phrases.filter((p) =>
            wanted
                .toLowerCase()
                .split(/\s+/)
                .every((w) => `${p.name} ${p.sounds.join(' ')}`.toLowerCase().includes(w)),
        ),
    );
    const chosen = $derived(found[Math.min(at, found.length - 1)]);

    onMount(() => void song.queue.during(load));

    async function load(): Promise<void> {
        phrases = (await request('GET', 'shelf')).phrases;
    }

    /** Keys typed meanwhile wait for it. What got no answer is told, and is not done again by itself. */
    function tried(what: () => Promise<void>): Promise<void> {
        return song.queue.during(() =>
            what().catch((e: unknown) => song.tell('', [], e instanceof Error ? e.message : String(e))),
        );
    }

    const store = (): Promise<void> =>
        tried(async () => {
            const kept = await request('POST', `songs/${song.id}/shelf`, { on: song.on(), name });
            await load();
            keeping = false;
            song.tell(`“${kept.name}” is on the shelf: ${counted(kept.notes, 'note')}.`);
            panels.close();
        });

    const take = (sounds: boolean): Promise<void> =>
        tried(async () => {
            if (!chosen) return;
            const clip = await request('GET', `shelf/${chosen.id}`);
            const track = song.stage === 'song' ? song.caretTrack : song.open?.trackId;
            song.queue.runInTurn(() => {
                song.do(putIn(clip, { at: 'caret', ...(sounds || !track ? { sounds: true } : { track }) }));
                panels.close();
            });
        });

    /** The first notes, heard with the sound that it has. No key waits for that. */
    async function hear(): Promise<void> {
        if (!chosen) return;
        const { id, tempo } = chosen;
        try {
            await transport.tryClip(await request('GET', `shelf/${id}`), tempo);
        } catch (e) {
            song.tell('', [], e instanceof Error ? e.message : String(e));
        }
    }

    const throwAway = (): Promise<void> =>
        tried(async () => {
            if (!chosen) return;
            gone = chosen;
            await request('DELETE', `shelf/${chosen.id}`);
            await load();
        });

    const bringBack = (): Promise<void> =>
        tried(async () => {
            if (!gone) return;
            await request('POST', `shelf/${gone.id}/restore`);
            gone = null;
            await load();
        });

    const open = (files: FileList | null): Promise<void> =>
        tried(async () => {
            for (const file of files ?? []) await upload('shelf', file, () => {});
            await load();
        });

    function press(e: KeyboardEvent): void {
        if (e.altKey) return;
        if (keeping) {
            if (e.key !== 'Enter') return;
            void store();
        } else {
            const step = { ArrowDown: 1, ArrowUp: -1 }[e.key];
            const isField = e.target instanceof HTMLInputElement && wanted !== '';
            if (step) {
                at = Math.max(0, Math.min(found.length - 1, Math.min(at, found.length - 1) + step));
                void hear();
            } else if (e.key === 'Enter') void take(e.shiftKey);
            else if (e.key === 'Delete' && !isField) void throwAway();
            else return;
        }
        e.preventDefault();
        e.stopPropagation();
    }
</script>

<Panel title={keeping ? 'Keep on the shelf' : 'Shelf'} onkeydown={press} hints={HINTS}>
    {#if keeping}
        <div class="space-y-3 p-4">
            <label class="block">
                <span class="block text-sm">Name</span>
                <input class="input input-sm w-full" maxlength="200" data-first bind:value={name} />
            </label>
            <p class="text-sm">
                The parts selected, or the selected notes in the roll, are kept with their sound and tempo, for every
                song.
            </p>
            <button data-field class="btn btn-sm btn-primary" onclick={store}>Keep</button>
        </div>
    {:else}
        <div class="sticky top-0 z-10 bg-base-100 p-3">
            <input
                class="input input-sm w-full"
                placeholder="Name or sound"
                aria-label="Find a phrase"
                data-first
                bind:value={wanted}
                oninput={() => (at = 0)}
            />
        </div>
        {#if found.length === 0}
            <p class="px-4 py-2">
                {phrases.length === 0
                    ? 'The shelf is empty: select parts or notes and keep them here.'
                    : 'No phrase found.'}
            </p>
        {:else}
            <ul role="listbox" aria-label="Phrases" data-testid="phrases">
                {#each found as phrase, i (phrase.id)}
                    <!-- svelte-ignore a11y_click_events_have_key_events -->
                    <li
                        role="option"
                        aria-selected={phrase === chosen}
                        class="cursor-pointer px-4 py-1 {phrase === chosen
                            ? 'bg-primary text-primary-content'
                            : 'hover:bg-base-200'}"
                        onclick={() => {
                            at = i;
                            void hear();
                        }}
                        ondblclick={() => take(false)}
                    >
                        <span class="block truncate font-semibold">{phrase.name}</span>
                        <span class="block truncate text-sm opacity-90"
                            >{phrase.sounds.join(', ')} · {phrase.bars === 1 ? '1 bar' : `${phrase.bars} bars`} · ♩ {phrase.tempo}</span
                        >
                    </li>
                {/each}
            </ul>
        {/if}
        <div class="flex flex-wrap gap-2 p-3">
            <button data-field class="btn btn-xs" disabled={!chosen} onclick={() => take(false)}
                >Insert at the caret</button
            >
            <button data-field class="btn btn-xs" disabled={!chosen} onclick={() => take(true)}>As new tracks</button>
            <button data-field class="btn btn-xs" disabled={!chosen} onclick={hear}>Hear</button>
            {#if chosen}<a class="btn btn-xs" href="/api/shelf/{chosen.id}/file" download>Save as .mid</a>{/if}
            <button data-field class="btn btn-xs" disabled={!chosen} onclick={throwAway}>Delete</button>
            {#if gone}<button data-field class="btn btn-xs" onclick={bringBack}>Restore “{gone.name}”</button>{/if}
            <label class="btn btn-xs"
                >Open .mid
                <input
                    type="file"
                    class="sr-only"
                    accept=".mid,.midi,audio/midi"
                    multiple
                    onchange={(e) => open(e.currentTarget.files)}
                />
            </label>
            <button data-field class="btn btn-xs" onclick={() => (keeping = true)}>Keep what is selected</button>
        </div>
    {/if}
    {#snippet foot()}
        {keeping
            ? 'Enter keeps it.'
            : 'Arrows select and play a phrase. Enter inserts it at the caret, Shift Enter on new tracks with its sounds.'}
    {/snippet}
</Panel>
