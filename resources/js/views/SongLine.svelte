<script lang="ts">
    import { Eraser, PenLine } from 'lucide';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';
    import { tool } from '../roll/pen.svelte';
    import { nudgeStep } from './fields/steps';
    import Icon from '../stage/Icon.svelte';

    /** What holds on the song page: the grid of the part that counts, the span, the caret, what is selected. */
    let { song, part }: { song: Song; part: Part } = $props();

    const settings = $derived(part.settings);
    const step = $derived(nudgeStep(settings));
    const track = $derived(song.tracks.find((t) => t.id === song.caretTrack));
    const spanKey = $derived(labels(keys.keysFor('span', { what: 'end' }, 'song')).join(' '));
    const at = (tick: number): string => song.time.position(tick, part.lines);
</script>

<div
    class="flex h-9 items-center gap-x-4 overflow-hidden border-b border-base-300 px-3 text-sm whitespace-nowrap tabular-nums"
    data-testid="song-line"
>
    <span class="flex items-center gap-1" title="Grid of {part.name}: keys 1 to 9, T">
        Grid <b>{settings.grid}</b>
        <button
            class="btn btn-ghost btn-xs"
            title="Coarser grid"
            aria-label="Coarser grid"
            {@attach does('set', { turn: 'coarser' })}>−</button
        >
        <button
            class="btn btn-ghost btn-xs"
            title="Finer grid"
            aria-label="Finer grid"
            {@attach does('set', { turn: 'finer' })}>+</button
        >
        <button
            class="btn btn-xs {settings.grid.endsWith('T') ? 'btn-neutral' : 'btn-outline border-base-300'}"
            title="Triplet"
            aria-pressed={settings.grid.endsWith('T')}
            {@attach does('set', { turn: 'triplet' })}>triplet</button
        >
    </span>
    <span title="Swing">Swing {settings.swing} %</span>
    <span title="Strength of a quantize">Strength {settings.strength} %</span>
    <span title="Alt and an arrow move by it">Nudge {String(step.amount)} {step.unit}</span>
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
        ><Icon of={PenLine} size={15} /><span class="max-[1199px]:hidden">pen</span></button
    >
    <button
        class="btn btn-xs px-1.5 {tool.name === 'eraser' ? 'btn-neutral' : 'btn-ghost'}"
        aria-label="Eraser"
        aria-pressed={tool.name === 'eraser'}
        title="Eraser: a click deletes a part"
        {@attach does('tool', { tool: 'eraser' })}
        ><Icon of={Eraser} size={15} /><span class="max-[1199px]:hidden">eraser</span></button
    >
</div>
