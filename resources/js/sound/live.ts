import type { Part } from '../api/part.svelte';
import type { Transport } from './transport.svelte';

/**
 * An end that is wanted now is asked for this much later: one that came in the same block of samples as its beginning
 * would be acted on first, and the note would never end.
 */
export const GUARD = 0.03;

/** What is played live, by keys and keyboards: it sounds at once, through the part that it is played into. */
export class Live {
    /** Channel and pitch by who plays it; −1 for a channel while sound is not there yet. */
    private readonly sounding = new Map<string, { channel: number; pitch: number }>();

    constructor(private readonly transport: Transport) {}

    /** Sounds what is played into a part, until `off` of the same `who`. */
    on(part: Part, who: string, pitch: number, velocity: number): void {
        const { transport } = this;
        void transport.standBy(part);
        const ready = transport.ready;
        if (!ready) {
            // The first note of all comes when sound is there, if it is still held.
            this.sounding.set(who, { channel: -1, pitch });
            void transport
                .wake()
                .then(() => this.sounding.get(who)?.channel === -1 && this.on(part, who, pitch, velocity))
                .catch(() => this.sounding.delete(who));
            return;
        }
        this.off(who);
        const channel = ready.routing.of(part, part.channel);
        transport.open();
        ready.synth.on(channel, pitch, velocity);
        this.sounding.set(who, { channel, pitch });
        transport.loudness.watch();
    }

    off(who: string): void {
        const sounding = this.sounding.get(who);
        this.sounding.delete(who);
        const synth = this.transport.ready?.synth;
        if (sounding && sounding.channel >= 0)
            synth?.off(sounding.channel, sounding.pitch, synth.context.currentTime + GUARD);
    }

    /** A controller, a bend or pressure, as it is played. */
    message(part: Part, status: number, data: number[]): void {
        const ready = this.transport.ready;
        ready?.synth.send(ready.routing.of(part, part.channel), status, data);
    }

    forget(): void {
        this.sounding.clear();
    }
}
