import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Track } from '../api/song-state';

/** Parts of a track that lie over one another in time stand below one another: in which place one stands, of how many. */
export class Stacks {
    private places = new Map<number, [number, number]>();
    private tracks = new Map<number, number>();
    private known: readonly Track[] | null = null;
    private stamp = -1;

    constructor(private readonly song: Song) {}

    of(part: Part): [number, number] {
        if (this.known !== this.song.tracks || this.stamp !== this.song.revisionShown) this.settle();
        return this.places.get(part.id) ?? [0, 1];
    }

    /** The place of its track among all, from 0. */
    track({ trackId }: Part): number {
        if (this.known !== this.song.tracks) this.settle();
        return this.tracks.get(trackId) ?? 0;
    }

    private settle(): void {
        this.known = this.song.tracks;
        this.stamp = this.song.revisionShown;
        this.places = new Map();
        this.tracks = new Map(this.song.tracks.map((t, i) => [t.id, i]));
        for (const track of this.song.tracks) {
            const ends: number[] = [];
            const rows = new Map<number, number>();
            for (const { id, head } of [...track.parts].sort((a, b) => a.head.from - b.head.from || a.id - b.id)) {
                // What is played a little early for the next bar, or over it, lies over nobody.
                const free = ends.findIndex((end) => end <= head.from + this.song.early);
                const row = free < 0 ? ends.length : free;
                ends[row] = Math.max(head.to ?? Infinity, head.plays?.until ?? 0);
                rows.set(id, row);
            }
            for (const [id, row] of rows) this.places.set(id, [row, ends.length]);
        }
    }
}
