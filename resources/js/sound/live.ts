import type { Part } from '../api/part.svelte';
import type { TransportState } from './transport-state';

const ON = 0x90;
const OFF = 0x80;

/** What is played live, by keys and keyboards: it sounds at once, through the part that it is played into. */
export class Live {
    /** Channel and pitch by who plays it; −1 for a channel while sound is not there yet. */
    private readonly sounding = new Map<string, { channel: number; pitch: number }>();

    constructor(private readonly transport: TransportState) {}

    /** Sounds what is played into a part, until `off` of the same `who`. */
    on(part: Part, who: string, pitch: number, velocity: number): void {
        const { transport } = this;
        void transport.standBy(part);
        const there = transport.there;
        if (!there) {
            // The first note of all comes when sound is there, if it is still held.
            this.sounding.set(who, { channel: -1, pitch });
            void transport
                .wake()
                .then(() => this.sounding.get(who)?.channel === -1 && this.on(part, who, pitch, velocity))
                .catch(() => this.sounding.delete(who));
            return;
        }
        this.off(who);
        const channel = there.routing.of(part, part.channel);
        there.synth.send([channel, ON, pitch, velocity]);
        this.sounding.set(who, { channel, pitch });
        transport.loudness.watch();
    }

    off(who: string): void {
        const sounding = this.sounding.get(who);
        this.sounding.delete(who);
        if (sounding && sounding.channel >= 0)
            this.transport.there?.synth.send([sounding.channel, OFF, sounding.pitch, 64]);
    }

    /** A controller, a bend or pressure, as it is played. */
    message(part: Part, status: number, data: number[]): void {
        const there = this.transport.there;
        there?.synth.send([there.routing.of(part, part.channel), status, ...data]);
    }

    forget(): void {
        this.sounding.clear();
    }
}
