<script lang="ts">
    import type { Song } from '../api/song.svelte';
    import { tempoSet } from '../roll/commands/make';
    import { keys } from '../keys/keys.svelte';
    import { transport } from '../sound/transport.svelte';
    import { keepTyped } from './fields/keep-typed';

    let { song }: { song: Song } = $props();

    const SLOWEST = 4;
    const FASTEST = 1000;
    /** Pixels of a drag that make one quarter a minute. */
    const PER_TEMPO = 3;

    const now = $derived(round(song.time.tempoAt(transport.tick)));
    let drag = $state.raw<{ y: number; from: number; to: number } | null>(null);
    let field: HTMLInputElement;

    function round(n: number): number {
        return Math.round(n * 100) / 100;
    }

    function set(tempo: number): void {
        if (tempo === now) return;
        song.do(tempoSet(tempo, { at: Math.floor(transport.tick) }));
        keys.flashFor('tap');
    }

    function typed(): void {
        const tempo = Number(field.value);
        if (field.value !== '' && tempo >= SLOWEST && tempo <= FASTEST) return set(tempo);
        song.tell('', [], `A tempo is from ${SLOWEST} to ${FASTEST}: ${field.value || 'nothing'} was not taken.`);
        field.value = String(now);
    }

    function giveBack(): void {
        field.blur();
        document.querySelector<HTMLElement>('[data-testid=roll]')?.focus({ preventScroll: true });
    }

    function move(e: PointerEvent): void {
        if (!drag) return;
        const to = Math.max(SLOWEST, Math.min(FASTEST, Math.round(drag.from + (drag.y - e.clientY) / PER_TEMPO)));
        drag = { ...drag, to: Math.abs(drag.y - e.clientY) < PER_TEMPO ? drag.from : to };
    }

    function drop(): void {
        const to = drag?.to ?? now;
        const dragged = drag !== null && to !== drag.from;
        drag = null;
        // A drag sets it, a click lets it be typed.
        if (!dragged) return;
        set(to);
        giveBack();
    }
</script>

<input
    bind:this={field}
    class="input input-sm input-ghost w-auto max-w-16 min-w-9 cursor-ns-resize px-1 text-base [field-sizing:content]"
    type="text"
    inputmode="decimal"
    aria-label="Tempo, BPM"
    title="Tempo here: type it, or drag up and down"
    value={drag ? drag.to : now}
    {@attach keepTyped}
    onchange={typed}
    onkeydown={(e) => {
        if (e.key === 'Enter') giveBack();
        if (e.key === 'Escape') {
            field.value = String(now);
            giveBack();
            e.stopPropagation();
        }
    }}
    onpointerdown={(e) => {
        (e.currentTarget as Element).setPointerCapture(e.pointerId);
        drag = { y: e.clientY, from: now, to: now };
    }}
    onpointermove={move}
    onpointerup={drop}
    onpointercancel={() => (drag = null)}
/>
