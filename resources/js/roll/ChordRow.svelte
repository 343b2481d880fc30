<script lang="ts">
    import type { Attachment } from 'svelte/attachments';
    import { chordLine } from '../harmony/chord-line.svelte';
    import { chooseChord } from '../harmony/commands';
    import { does } from '../keys/does';
    import type { RollModel } from './roll-model.svelte';

    interface Props {
        model: RollModel;
        /** Gets the canvas that it is drawn on. */
        hold: Attachment<HTMLCanvasElement>;
    }
    let { model, hold }: Props = $props();
    const { song, part, view } = $derived(model);

    // What is named follows the notes.
    $effect(() => {
        void song.revisionShown;
        void chordLine.kept;
        return chordLine.follow(song, part);
    });
    $effect(() => {
        void chordLine.chords;
        void song.caret;
        model.touch('chords');
    });

    function choose(e: MouseEvent): void {
        const named = chordLine.at(view.tick(e.offsetX));
        if (!named) return song.tell('There is no chord with a name there.');
        song.putCaret(named[0]);
        chooseChord(song, named, e.shiftKey ? 'add' : undefined);
        document.querySelector<HTMLElement>('[data-testid=roll]')?.focus({ preventScroll: true });
    }
</script>

<button
    class:invisible={!chordLine.shown}
    class="cursor-pointer overflow-hidden border-b border-base-content/50 bg-base-200 px-1 text-left text-xs leading-tight whitespace-nowrap"
    title="The chord line; a click shows it by change, by beat, by bar, or hides it"
    tabindex="-1"
    {@attach does('chord-line')}>{chordLine.shown ? `Chords ${chordLine.words}` : ''}</button
>
<button
    class:invisible={!chordLine.shown}
    class="relative cursor-pointer overflow-hidden"
    tabindex="-1"
    data-command="chord-notes"
    data-testid="chords"
    data-names={chordLine.chords.map(([, , name]) => name).join(' ')}
    aria-label="Chords: {chordLine.chords.length}; a click selects the notes of one"
    onclick={choose}><canvas {@attach hold} class="absolute inset-0 size-full"></canvas></button
>
