import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Note, Point } from '../api/tables';

export interface Listener {
    point: (part: Part, point: Point) => void;
    note: (part: Part, note: Note) => void;
}

/**
 * What begins to be heard from one tick up to another. What sounds, and how long, the server said with each note and
 * point; which tracks are listened to is the person's.
 */
export function heardBetween(song: Song, first: number, last: number, to: Listener): void {
    for (const track of song.tracks) {
        const listened = song.audible(track);
        for (const part of track.parts) {
            for (let i = firstPoint(part, first); i < part.points.length && part.points[i]!.tick < last; i++)
                if (part.points[i]!.heard) to.point(part, part.points[i]!);
            if (!listened) continue;
            for (
                let i = part.firstFrom(first - 1e-6);
                i < part.ordered.length && part.ordered[i]!.start < last - 1e-6;
                i++
            )
                if (part.ordered[i]!.until > 0) to.note(part, part.ordered[i]!);
        }
    }
}

function firstPoint(part: Part, tick: number): number {
    let low = 0;
    let high = part.points.length;
    while (low < high) {
        const mid = (low + high) >> 1;
        if (part.points[mid]!.tick < tick - 1e-6) low = mid + 1;
        else high = mid;
    }
    return low;
}
