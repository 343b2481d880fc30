import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';

interface Choice {
    song: number;
    part: number;
    notes: number[];
    caret: { tick: number; pitch: number };
}

let last: Choice | null = null;

/** Keeps what is selected in a part that is left for the guide or another page that is of no song, and where the caret is. */
export function keepChoice(song: Song, part: Part): void {
    last = { song: song.id, part: part.id, notes: [...song.selection.notes], caret: song.caret };
}

/** Who comes back finds it as it was, as far as it is still there. */
export function giveChoiceBack(song: Song, part: Part): void {
    const kept = last;
    last = null;
    if (kept?.song !== song.id || kept.part !== part.id) return;
    song.select(kept.notes.filter((id) => part.notes.has(id)));
    song.putCaret(kept.caret.tick, kept.caret.pitch);
}
