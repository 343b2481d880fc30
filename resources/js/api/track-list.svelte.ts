import { Head } from './head.svelte';
import { byPlace, type Part } from './part.svelte';
import type { Track } from './song-state';
import type { TrackData } from './types';

/** The tracks of a song: those that are shown, and those that are kept for the file only. */
export abstract class TrackList extends Head {
    /** Those that are shown, in their order. */
    tracks = $state.raw<Track[]>([]);
    /** With those of the file that have no music in them. */
    allTracks: readonly Track[] = [];
    /** Whether tracks without music are shown, too. */
    showsConductor = $state(false);
    abstract readonly parts: Map<number, Part>;

    /** Takes tracks as the server tells them, else as they were told last, with the parts that are there now. */
    setTracks(tracks: readonly Omit<TrackData, 'parts'>[] = this.allTracks): void {
        const parts = new Map<number, Part[]>(tracks.map((t) => [t.id, []]));
        for (const part of this.parts.values()) parts.get(part.trackId)?.push(part);
        this.allTracks = tracks.map((t) => ({ ...t, parts: parts.get(t.id)!.sort(byPlace) }));
        this.tracks = this.allTracks.filter((t) => this.showsConductor || !t.conductor);
    }

    trackOf(part: Part): Track {
        return this.tracks.find((t) => t.id === part.trackId)!;
    }

    /** Whether a track is heard, with all mutes and solos. */
    audible(track: Track): boolean {
        return !track.muted && (track.soloed || !this.tracks.some((t) => t.soloed));
    }
}
