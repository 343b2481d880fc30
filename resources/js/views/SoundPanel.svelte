<script lang="ts">
    import { untrack } from 'svelte';
    import type { Song } from '../api/song.svelte';
    import { newTrack, soundOf } from '../arrange/commands/make';
    import { commands } from '../keys/commands.svelte';
    import { drawLane } from '../roll/commands/make';
    import { transport } from '../sound/transport.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';
    import { panels } from '../panels.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'sound'],
        ['Enter', 'for the track'],
        ['Shift+Enter', 'on a new track'],
        ['Mod+Enter', 'from the caret on'],
    ];

    let { song }: { song: Song } = $props();

    interface Sound {
        name: string;
        family: string;
        program: number;
        drums: boolean;
    }
    const all: Sound[] = [
        ...commands.programs.map((name, program) => ({
            name,
            family: commands.families[program >> 3] ?? '',
            program,
            drums: false,
        })),
        ...Object.entries(commands.kits).map(([program, name]) => ({
            name,
            family: 'Drums',
            program: Number(program),
            drums: true,
        })),
    ];
    const part = $derived(song.stage === 'roll' ? song.open : null);
    const track = $derived(
        song.tracks.find(
            (t) =>
                t.id === (part?.trackId ?? song.parts.get(song.selection.parts[0] ?? -1)?.trackId ?? song.caretTrack),
        ),
    );
    let wanted = $state('');
    const found = $derived.by(() => {
        const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
        return all.filter((s) => words.every((w) => `${s.name} ${s.family}`.toLowerCase().includes(w)));
    });
    const isNow = (s: Sound): boolean => track?.sound?.program === s.program && track.sound.drums === s.drums;
    let at = $state(untrack(() => Math.max(0, all.findIndex(isNow))));
    const chosen = $derived(found[Math.min(at, found.length - 1)]);

    // What one walks over is heard.
    let heard = untrack(() => chosen);
    $effect(() => {
        if (chosen && chosen !== heard) {
            heard = chosen;
            untrack(() => void transport.trySound(chosen.program, chosen.drums));
        }
    });
    $effect(() => {
        void chosen;
        document.querySelector('[data-sound-at=true]')?.scrollIntoView({ block: 'nearest' });
    });

    /** From the caret on: a program in the middle of the part. */
    function fromHere(): void {
        if (!chosen || !part) return;
        const [{ id }, { program }] = [part, chosen];
        song.inTurn(() => song.do(drawLane(id, 'program', [[song.caret.tick, program]])));
        panels.close();
    }

    function take(asNew: boolean): void {
        if (!chosen) return;
        if (asNew || !track) song.do(newTrack(chosen.program, chosen.drums));
        else song.do(soundOf(track.id, chosen.program, chosen.drums));
        panels.close();
    }

    function press(e: KeyboardEvent): void {
        if (e.altKey) return;
        const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 8, PageUp: -8 }[e.key];
        if (step) at = Math.max(0, Math.min(found.length - 1, Math.min(at, found.length - 1) + step));
        else if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) fromHere();
        else if (e.key === 'Enter') take(e.shiftKey);
        else return;
        e.preventDefault();
        e.stopPropagation();
    }
</script>

<Panel title="Sound of {track?.name ?? 'a new track'}" onkeydown={press} hints={HINTS}>
    <div class="sticky top-0 z-10 bg-base-100 p-3">
        <input
            class="input input-sm w-full"
            placeholder="Name or family: vib, strings, brush"
            aria-label="Find a sound"
            data-first
            bind:value={wanted}
            oninput={() => (at = 0)}
        />
    </div>
    <ul role="listbox" aria-label="Sounds" data-testid="sounds">
        {#each found as sound, i (sound.name + sound.family)}
            <!-- svelte-ignore a11y_click_events_have_key_events -->
            <li
                role="option"
                aria-selected={sound === chosen}
                data-sound-at={sound === chosen}
                class="flex cursor-pointer items-baseline gap-3 px-4 py-0.5 {sound === chosen
                    ? 'bg-primary text-primary-content'
                    : 'hover:bg-base-200'}"
                onclick={() => (at = i)}
                ondblclick={() => take(false)}
            >
                <span class="flex-1 truncate {isNow(sound) ? 'font-bold' : ''}">{sound.name}</span>
                <span class="text-sm opacity-80">{sound.family}</span>
            </li>
        {:else}
            <li role="presentation" class="px-4 py-2">No sound found.</li>
        {/each}
    </ul>
    {#snippet foot()}
        Arrows select and play a sound. Enter sets it{track ? ', Shift Enter makes a new track with it' : ''}{part
            ? ', Ctrl Enter plays it from the caret on'
            : ''}.
        {#if part}<button data-field class="btn btn-xs" disabled={!chosen} onclick={fromHere}>From the caret on</button
            >{/if}
    {/snippet}
</Panel>
