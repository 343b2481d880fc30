<script lang="ts">
    import type { Track } from '../api/song-state';
    import { DRAG_FROM } from '../roll/gestures/drag';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import Rename from '../stage/Rename.svelte';
    import { level, orderTrack, renameTrack } from './commands/make';
    import type { ArrangeModel } from './arrange-model.svelte';

    interface Props {
        model: ArrangeModel;
        /** What can be done with a track is asked for. */
        onMenu: (at: { x: number; y: number; on: 'track' }) => void;
    }
    let { model, onMenu }: Props = $props();
    const { song } = $derived(model);
    let renaming = $state<number | null>(null);
    /** The track in hand, and the place it would come to. */
    let held = $state<{ from: number; to: number } | null>(null);

    const here = (track: Track) => (): void => {
        song.stage = 'song';
        song.caretTrack = track.id;
        // What is done to the track is done to this one.
        if (!model.chosen.every((p) => p.trackId === track.id)) model.choose([]);
    };
    const side = (pan: number): string => (pan === 64 ? 'middle' : pan < 64 ? `${64 - pan} left` : `${pan - 64} right`);

    /** Keys work on the staves again. */
    function set(track: Track, params: Record<string, number>): void {
        song.do(level(track.id, params));
        document.querySelector<HTMLElement>('[data-testid=staves]')?.focus({ preventScroll: true });
    }

    /** Dragged up or down, a head takes its track among the others. */
    function grab(e: PointerEvent, track: Track, from: number): void {
        const head = e.currentTarget as HTMLElement;
        if (e.button !== 0 || (e.target as Element).closest('input')) return;
        const start = e.clientY;
        let off = (): void => {};
        const drop = (done: boolean) => (): void => {
            head.onpointermove = head.onpointerup = head.onpointercancel = null;
            off();
            const to = held?.to ?? from;
            held = null;
            if (done && to !== from) song.do(orderTrack(track.id, to - from));
        };
        head.onpointermove = (m) => {
            // Let go where it was not heard.
            if (m.buttons === 0) return drop(false)();
            if (!held && Math.abs(m.clientY - start) < DRAG_FROM) return;
            if (!held) {
                head.setPointerCapture(m.pointerId);
                off = keys.handle({ escape: drop(false) });
            }
            const to = from + Math.round((m.clientY - start) / model.row);
            held = { from, to: Math.max(0, Math.min(song.tracks.length - 1, to)) };
        };
        head.onpointerup = drop(true);
        head.onpointercancel = drop(false);
    }

    function rename(track: Track, name: string): void {
        renaming = null;
        if (name !== track.name) song.do(renameTrack(track.id, name));
    }
</script>

<div class="relative overflow-hidden border-r border-base-content/40" data-testid="heads">
    {#each model.inView as { track, t } (track.id)}
        {@const name = track.name || `Track ${t + 1}`}
        <div
            class="absolute inset-x-0 flex gap-2 overflow-hidden border-b border-base-300 pr-2 select-none {track.id ===
            song.caretTrack
                ? 'bg-base-200'
                : ''}"
            style:top="{t * model.row - model.top}px"
            style:height="{model.row}px"
            data-testid="track-head"
            role="group"
            aria-label="Track {name}"
            style:cursor={held ? 'grabbing' : 'grab'}
            onpointerdown={(e) => grab(e, track, t)}
            oncontextmenu={(e) => {
                e.preventDefault();
                here(track)();
                onMenu({ x: e.clientX, y: e.clientY, on: 'track' });
            }}
        >
            <span class="my-1 w-1.5 shrink-0 rounded-r" style:background="var(--tint-{t % 6})"></span>
            <div class="flex min-w-0 flex-1 flex-col justify-center">
                {#if renaming === track.id}
                    <Rename {name} onDone={(n) => rename(track, n)} onCancel={() => (renaming = null)} />
                {:else}
                    <button
                        type="button"
                        tabindex="-1"
                        data-field
                        class="block truncate text-left leading-snug font-semibold"
                        title="Click: caret to this track; click again: rename"
                        onclick={here(track)}
                        ondblclick={() => (renaming = track.id)}>{name}</button
                    >
                {/if}
                <button
                    type="button"
                    class="link block truncate text-left text-sm leading-snug no-underline hover:underline"
                    title="Sound of the track"
                    {@attach does('panel', { name: 'sound' }, here(track))}>{track.instrument || 'No sound yet'}</button
                >
                {#if model.row >= 70}
                    <span class="flex items-center gap-1.5 pr-1 text-xs">
                        <span class="w-6 tabular-nums" aria-hidden="true">{track.volume}</span>
                        <input
                            type="range"
                            min="0"
                            max="127"
                            value={track.volume}
                            class="level min-w-0 flex-[2]"
                            aria-label="Volume of {name}"
                            title="Volume {track.volume}"
                            onchange={(e) => set(track, { volume: Number(e.currentTarget.value) })}
                        />
                        <span aria-hidden="true">pan</span>
                        <input
                            type="range"
                            min="0"
                            max="127"
                            value={track.pan}
                            class="level min-w-0 flex-1"
                            aria-label="Pan of {name}"
                            title="Pan: {side(track.pan)}"
                            onchange={(e) => set(track, { pan: Number(e.currentTarget.value) })}
                            ondblclick={() => set(track, { pan: 64 })}
                        />
                    </span>
                {/if}
            </div>
            <div class="flex flex-col justify-center gap-1">
                <button
                    class="btn btn-xs {track.muted ? 'btn-neutral' : 'btn-outline border-base-300'}"
                    aria-pressed={track.muted}
                    aria-label="Mute {name}"
                    title="Mute the track"
                    {@attach does('track', { what: 'muted' }, here(track))}>mute</button
                >
                <button
                    class="btn btn-xs {track.soloed ? 'btn-accent' : 'btn-outline border-base-300'}"
                    aria-pressed={track.soloed}
                    aria-label="Solo {name}"
                    title="Solo the track"
                    {@attach does('track', { what: 'soloed' }, here(track))}>solo</button
                >
            </div>
        </div>
    {/each}
    {#if held}
        <!-- Where it would come to. -->
        <div
            class="pointer-events-none absolute inset-x-0 z-10 h-0.5 bg-primary"
            style:top="{(held.to + (held.to > held.from ? 1 : 0)) * model.row - model.top - 1}px"
            data-testid="lands"
        ></div>
    {/if}
</div>

<style>
    .level {
        height: 1rem;
        appearance: none;
        background: linear-gradient(var(--color-base-content), var(--color-base-content)) center / 100% 1px no-repeat;
    }
    .level::-webkit-slider-thumb {
        width: 0.45rem;
        height: 0.9rem;
        appearance: none;
        background: var(--color-base-100);
        border: 1px solid var(--color-base-content);
        border-radius: 2px;
    }
    .level::-moz-range-thumb {
        width: 0.45rem;
        height: 0.9rem;
        background: var(--color-base-100);
        border: 1px solid var(--color-base-content);
        border-radius: 2px;
    }
</style>
