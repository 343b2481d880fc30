import type { Part } from '../api/part.svelte';
import type { Note } from '../api/tables';
import type { Synth } from './synth';
import type { Transport } from './transport.svelte';

/** A note that is only tried sounds no longer than this, and no shorter than that, in seconds. */
const LONGEST = 0.6;
const SHORTEST = 0.08;
const MOST = 12;

/** Notes sounded for a moment, as they are touched. */
export class Trial {
    private sounding: { channel: number; pitch: number; timer: number }[] = [];

    constructor(private readonly transport: Transport) {}

    play(part: Part, notes: readonly Note[]): void {
        if (notes.length === 0 || notes.length > MOST * 2) return;
        const { transport } = this;
        void transport
            .wake()
            .then((synth) => {
                this.end(synth);
                const { routing, time } = transport.prepared(synth, notes[0]!.start, part);
                for (const note of notes.slice(0, MOST)) {
                    const channel = routing.of(part, note.channel);
                    synth.on(channel, note.pitch, note.velocity);
                    const seconds = Math.min(
                        LONGEST,
                        time.seconds(note.start + note.length) - time.seconds(note.start),
                    );
                    const timer = window.setTimeout(
                        () => synth.off(channel, note.pitch),
                        Math.max(SHORTEST, seconds) * 1000,
                    );
                    this.sounding.push({ channel, pitch: note.pitch, timer });
                }
                transport.loudness.watch();
            })
            .catch(() => {});
    }

    end(synth: Synth | null): void {
        for (const { channel, pitch, timer } of this.sounding.splice(0)) {
            clearTimeout(timer);
            synth?.off(channel, pitch);
        }
    }
}
