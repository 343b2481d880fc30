import { Part } from './part.svelte';
import type { SongState } from './song-state';
import type { Note, PartAnswer, SelectionItem } from './types';

/** How many changed notes are sounded. */
const MOST_HEARD = 24;

/** Takes over what an answer says of parts; notes of the open one that were put are heard. */
export function takeParts(song: SongState, parts: Record<string, PartAnswer>, heard: Note[] | null): void {
    let moved = false;
    for (const [key, change] of Object.entries(parts)) {
        const id = Number(key);
        const part = song.parts.get(id);
        if ('gone' in change) {
            song.parts.delete(id);
        } else if ('part' in change) {
            if (part) part.load(change.part);
            else {
                song.parts.set(id, new Part(change.part, song).came());
                song.made = id;
            }
            moved = true;
        } else {
            part?.apply(change);
            moved ||= change.head !== undefined;
            if (part && part === song.open && heard && !change.changed && change.put.length <= MOST_HEARD)
                for (const row of change.put) heard.push(part.notes.get(row[0]!)!);
        }
    }
    if (moved) song.setTracks();
}

/** Selects what an answer left selected; says whether that was notes of the open part. */
export function choose(song: SongState, selection: readonly SelectionItem[]): boolean {
    if (song.stage === 'roll') return song.open !== null && song.selection.take(song.open.id, selection);
    const parts = selection.flatMap((s) => ('parts' in s ? s.parts : []));
    if (parts.length > 0 || selection.length === 0) song.selection.parts = parts;
    return false;
}
