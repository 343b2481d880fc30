import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { View } from '../stage/view';
import type { Underlay } from './underlay.svelte';

/** Those of the roll, and `lane:` with its name for each lane below. */
export type LayerName = 'grid' | 'notes' | 'overlay' | 'ruler' | 'keyboard' | 'lane' | 'chords' | 'underlay';
export type LaneLayer = `lane:${string}`;

/** The roll as those see it that it is made of (rows, lanes, views, …): they know this, and the roll knows them. */
export interface RollState {
    readonly song: Song;
    readonly part: Part;
    readonly view: View;
    readonly underlay: Underlay;
    readonly isDrums: boolean;
    rowName(pitch: number): string;
    touch(...names: (LayerName | LaneLayer)[]): void;
    touchAll(): void;
    showCaret(): void;
    caretWent(): void;
}
