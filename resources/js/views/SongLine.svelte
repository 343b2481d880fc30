<script lang="ts">
    import { Eraser, PenLine } from 'lucide';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';
    import { tool } from '../roll/pen.svelte';
    import GridControls from './GridControls.svelte';
    import Icon from '../stage/Icon.svelte';

    /** What holds on the song page: the grid of the part that counts, the span, the caret, what is selected. */
    let { song, part }: { song: Song; part: Part } = $props();

    const track = $derived(song.tracks.find((t) => t.id === song.caretTrack));
    const spanKey = $derived(labels(keys.keysFor('span', { what: 'end' }, 'song')).join(' '));

    /** What is selected counts, as where a key sets it. */
    function set(change: Record<string, unknown>): void {
        song.do({ set: change, on: song.onGrid() });
        keys.flashFor('set', change);
        giveBack();
    }

    /** Keys work on the page again. */
    function giveBack(): void {
        document.querySelector<HTMLElement>('[data-testid=staves]')?.focus({ preventScroll: true });
    }

    const at = (tick: number): string => song.time.position(tick, part.lines);
</script>

<div
    class="flex h-9 items-center gap-x-2.5 overflow-hidden border-b border-base-300 px-3 text-sm whitespace-nowrap tabular-nums"
    data-testid="song-line"
>
    <GridControls {song} {part} {set} {giveBack} />
    <span title="Where the caret stands" data-testid="caret-place"
        >Caret {at(song.caret.tick)}{track ? `, ${track.name}` : ''}</span
    >
    <span class="min-w-0 flex-1 truncate" title="The span: {spanKey} ends it at the caret; a drag over the bars sets it"
        >{song.span ? `Span ${at(song.span.from)}–${at(song.span.to)}` : 'No span'}</span
    >
    <span data-testid="chosen" title="Parts selected"
        ><b>{song.selection.parts.length}</b> of {song.parts.size} parts selected</span
    >
    <button
        class="btn btn-xs px-1.5 {tool.name === 'pen' ? 'btn-neutral' : 'btn-ghost'}"
        aria-label="Pen"
        aria-pressed={tool.name === 'pen'}
        title="Pen: a drag over empty space makes a new part"
        {@attach does('tool', { tool: 'pen' })}
        ><Icon of={PenLine} size={15} /><span class="max-[1439px]:hidden">pen</span></button
    >
    <button
        class="btn btn-xs px-1.5 {tool.name === 'eraser' ? 'btn-neutral' : 'btn-ghost'}"
        aria-label="Eraser"
        aria-pressed={tool.name === 'eraser'}
        title="Eraser: a click deletes a part"
        {@attach does('tool', { tool: 'eraser' })}
        ><Icon of={Eraser} size={15} /><span class="max-[1439px]:hidden">eraser</span></button
    >
</div>
