import type { Part } from '../api/part.svelte';
import type { Time } from '../rules/time';
import type { Routing } from './routing';
import type { Synth } from './synth';

/** The transport as those see it that sound through it besides the song: they know this, and the transport knows them. */
export interface TransportState {
    /** Null while sound is not there yet. */
    readonly there: { synth: Synth; routing: Routing } | null;
    readonly loudness: { watch(): void };
    wake(): Promise<Synth>;
    standBy(part: Part): Promise<void>;
    prepared(synth: Synth, tick: number, part: Part): { routing: Routing; time: Time };
    spare(synth: Synth): number;
}
