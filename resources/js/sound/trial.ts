import { DRUM_CHANNEL } from '../contract';
import type { Part } from '../api/part.svelte';
import type { Note } from '../api/tables';
import type { TransportState } from './transport-state';

/** A note that is only tried sounds no longer than this, and no shorter than that, in seconds. */
const LONGEST = 0.6;
const SHORTEST = 0.08;
const MOST = 12;
const LOUD = 90;
/** How much is heard of a phrase before it is taken. */
const MOST_SECONDS = 6;
const MOST_TRACKS = 8;

/** Parts that were carried away, as far as they are heard. */
export interface ClipParts {
    ppq: number;
    parts: {
        track: number;
        from: number;
        program: number;
        drums: boolean;
        notes: { start?: number[]; length?: number[]; pitch?: number[]; velocity?: number[] };
    }[];
}

/** Notes sounded for a moment, as they are touched. */
export class Trial {
    constructor(private readonly transport: TransportState) {}

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

    /** A sound of the bank by itself, on a channel that nothing else plays on. */
    async sound(program: number, drums: boolean): Promise<void> {
        const { transport } = this;
        const synth = await transport.wake();
        const channel = drums ? DRUM_CHANNEL : transport.spare(synth);
        const pitches = drums ? [36, 42] : [60];
        await synth.have([{ program, drums, strikes: pitches.map((p) => (p << 7) | LOUD) }]);
        synth.send([channel, 0xb0, 121, 0], [channel, 0xc0, program]);
        synth.try(pitches.map((pitch) => ({ channel, pitch, velocity: LOUD, seconds: LONGEST })));
        transport.loudness.watch();
    }

    /** The beginning of a phrase that is not in the song, at its own tempo; another one ends it. */
    async phrase(clip: ClipParts, tempo: number): Promise<void> {
        const { transport } = this;
        this.timers.splice(0).forEach(clearTimeout);
        const synth = await transport.wake();
        const first = transport.spare(synth);
        const second = (ticks: number): number => ((ticks / clip.ppq) * 60) / tempo;
        for (const part of clip.parts.slice(0, MOST_TRACKS)) {
            const channel = part.drums ? DRUM_CHANNEL : first + part.track;
            const { start = [], length = [], pitch = [], velocity = [] } = part.notes;
            await synth.have([
                { program: part.program, drums: part.drums, strikes: pitch.map((p, i) => (p << 7) | velocity[i]!) },
            ]);
            synth.send([channel, 0xb0, 121, 0], [channel, 0xc0, part.program]);
            start.forEach((tick, i) => {
                const at = second(tick - part.from);
                if (at < 0 || at > MOST_SECONDS) return;
                const until = Math.min(MOST_SECONDS, at + second(length[i]!));
                this.later(at, () => synth.send([channel, 0x90, pitch[i]!, velocity[i]!]));
                this.later(until, () => synth.send([channel, 0x80, pitch[i]!, 64]));
            });
        }
        transport.loudness.watch();
    }

    private readonly timers: number[] = [];

    private later(seconds: number, run: () => void): void {
        this.timers.push(window.setTimeout(run, seconds * 1000));
    }
}
