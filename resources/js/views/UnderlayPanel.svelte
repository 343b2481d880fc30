<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Underlay } from '../roll/underlay.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'part'],
        ['Space', 'show or hide it'],
    ];

    let { song, part, underlay }: { song: Song; part: Part; underlay: Underlay } = $props();

    const shown = $derived(new Set(underlay.parts.map((p) => p.id)));

    function turn(id: number): void {
        const next = new Set(shown);
        if (!next.delete(id)) next.add(id);
        underlay.set(next.size > 0 ? 'picked' : 'none', [...next]);
        song.tell(underlay.words);
    }

    function press(e: KeyboardEvent): void {
        if (e.altKey) return;
        if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return;
        e.preventDefault();
        e.stopPropagation();
        const all = [...(e.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('input')];
        const at = all.indexOf(document.activeElement as HTMLInputElement) + (e.key === 'ArrowDown' ? 1 : -1);
        all[Math.max(0, Math.min(all.length - 1, at))]?.focus();
    }
</script>

<Panel title="Other parts" onkeydown={press} hints={HINTS}>
    <p class="px-4 pt-3 text-base-content/85">
        They are shown behind {part.name}, hatched in the tint of their tracks.
    </p>
    {#each song.tracks as track, t (track.id)}
        {#each track.parts.filter((p) => p !== part) as other, i (other.id)}
            <label class="flex cursor-pointer items-center gap-3 px-4 py-1.5 hover:bg-base-200">
                <input
                    class="checkbox checkbox-sm"
                    type="checkbox"
                    checked={shown.has(other.id)}
                    data-first={t + i === 0 ? '' : undefined}
                    onchange={() => turn(other.id)}
                />
                <span class="h-5 w-1.5 rounded-r" style:background="var(--tint-{t % 6})"></span>
                <span class="flex-1 truncate">{other.name}</span>
                <span class="truncate text-sm text-base-content/85">{track.name}</span>
            </label>
        {/each}
    {/each}
    {#snippet foot()}<span class="text-sm">↑ ↓ for one, <kbd class="key">Space</kbd> shows it or not</span>{/snippet}
</Panel>
