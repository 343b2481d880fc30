import type { Part } from '../api/part.svelte';
import type { Note } from '../api/tables';
import type { Transport } from './transport.svelte';

/** A note that is only tried sounds no longer than this, and no shorter than that, in seconds. */
const LONGEST = 0.6;
const SHORTEST = 0.08;
const MOST = 12;

/** Notes sounded for a moment, as they are touched. */
export class Trial {
    constructor(private readonly transport: Transport) {}

    play(part: Part, notes: readonly Note[]): void {
        if (notes.length === 0 || notes.length > MOST * 2) return;
        const { transport } = this;
        void transport
            .wake()
            .then((synth) => {
                const { routing, time } = transport.prepared(synth, notes[0]!.start, part);
                synth.try(
                    notes.slice(0, MOST).map((note) => {
                        const { channel, pitch, velocity } = note;
                        const seconds = time.seconds(note.start + note.length) - time.seconds(note.start);
                        return {
                            channel: routing.of(part, channel),
                            ...{ pitch, velocity },
                            seconds: Math.max(SHORTEST, Math.min(LONGEST, seconds)),
                        };
                    }),
                );
                transport.loudness.watch();
            })
            .catch(() => {});
    }
}
