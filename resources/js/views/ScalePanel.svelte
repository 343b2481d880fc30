<script lang="ts">
    import { untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { commands } from '../keys/commands.svelte';
    import { songScale } from '../roll/commands/make';
    import ScaleField from './fields/ScaleField.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import { PanelReading } from './panel-reading.svelte';
    import Panel from './Panel.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'scale'],
        ['Enter', 'for the song'],
        ['Shift+Enter', 'for the part'],
    ];

    let { song, part }: { song: Song; part: Part } = $props();

    const param = commands.find(songScale(null).edit!)?.params[0];
    const [roots, kinds] = [param?.roots ?? [], param?.kinds ?? []];
    let whole = $state(false);
    const last = new PanelReading(
        untrack(() => song.queue),
        () => {
            const on = whole ? { parts: [...song.parts.keys()] } : { part: part.id, notes: [...song.selection.notes] };
            return song.read('key', {}, [on]);
        },
    );
    const { answer: reading, trouble } = $derived(last);

    $effect(() => {
        void song.revisionShown;
        void whole;
        void untrack(() => last.read());
    });

    const setPart = (scale: string | undefined): void => song.do({ set: { scale: scale ?? null }, part: part.id });

    function press(e: KeyboardEvent): void {
        if (e.altKey && e.key.startsWith('Arrow')) return;
        const entry = (e.target as HTMLElement).closest<HTMLElement>('[data-scale]');
        if (e.key === 'Enter' && entry) {
            if (e.shiftKey) setPart(entry.dataset.scale);
            else song.do(songScale(entry.dataset.scale!));
        } else if ((e.key === 'ArrowDown' || e.key === 'ArrowUp') && !(e.target instanceof HTMLSelectElement)) {
            const all = [...(e.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[data-scale]')];
            const at = all.indexOf(document.activeElement as HTMLElement) + (e.key === 'ArrowDown' ? 1 : -1);
            all[Math.max(0, Math.min(all.length - 1, at))]?.focus();
        } else return;
        e.preventDefault();
        e.stopPropagation();
    }
</script>

<Panel title="Scale" onkeydown={press} hints={HINTS}>
    <div class="flex flex-col gap-1 px-4 py-2" role="group" aria-label="Scale of the song">
        <span class="text-sm font-semibold">Of the song</span>
        <ScaleField
            value={song.scale?.name}
            {roots}
            {kinds}
            label="Scale of the song"
            none="none"
            first
            onchange={(s) => song.do(songScale(s ?? null))}
        />
    </div>
    <div class="flex flex-col gap-1 px-4 py-2" role="group" aria-label="Scale of this part">
        <span class="text-sm font-semibold">Of this part</span>
        <ScaleField
            value={part.settings.scale}
            {roots}
            {kinds}
            label="Scale of this part"
            none="the song’s"
            onchange={setPart}
        />
        <label class="flex cursor-pointer items-center gap-2 pt-1"
            ><input
                class="checkbox checkbox-sm"
                type="checkbox"
                checked={part.settings.held}
                onchange={(e) => song.do({ set: { held: e.currentTarget.checked }, part: part.id })}
            />Scale lock: arrows, caret and pen move by its steps</label
        >
    </div>
    <h3 class="px-4 pt-3 text-sm font-semibold">How much of what sounds each scale explains</h3>
    <label class="flex cursor-pointer items-center gap-2 px-4 pt-1 text-sm"
        ><input class="checkbox checkbox-sm" type="checkbox" bind:checked={whole} />read from the whole song</label
    >
    {#if trouble}
        <p class="p-4 text-error">{trouble}</p>
    {:else if reading}
        <p class="px-4 pt-2 text-sm text-base-content/85" data-testid="key-said">{reading.said}</p>
        <ol class="py-2">
            {#each reading.scales as { scale, share } (scale)}
                <li>
                    <button
                        data-field
                        data-scale={scale}
                        class="grid w-full cursor-pointer grid-cols-[1fr_auto] gap-x-3 px-4 py-1 text-left hover:bg-base-200 focus-visible:bg-base-200"
                        onclick={(e) => (e.shiftKey ? setPart(scale) : song.do(songScale(scale)))}
                    >
                        <span>{scale}</span>
                        <span>{Math.round(share * 100)} %</span>
                        <span class="col-span-2 my-0.5 h-1.5 border border-base-content/40"
                            ><span class="block h-full bg-base-content" style:width="{share * 100}%"></span></span
                        >
                    </button>
                </li>
            {/each}
        </ol>
    {/if}
    {#snippet foot()}
        <span
            >↑ ↓ for one, <kbd class="key">Enter</kbd> for the song, <kbd class="key">Shift Enter</kbd> for this part</span
        >
    {/snippet}
</Panel>
