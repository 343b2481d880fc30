import type { Part } from '../../api/part.svelte';
import { transport } from '../transport.svelte';

/** Something that a person plays: on the computer's keys, a MIDI keyboard, the keys on screen, or the simulated player. */
export type Played =
    | { kind: 'on'; pitch: number; velocity: number; stamp: number; who: string }
    | { kind: 'off'; pitch: number; release?: number; stamp: number; who: string }
    | { kind: 'controller' | 'bend' | 'pressure'; data: number[]; stamp: number };

const STATUS = { controller: 0xb0, bend: 0xe0, pressure: 0xd0 } as const;
const SUSTAIN = 64;

/**
 * The one path that everything played goes: it sounds at once, and whoever listens (step input, the recorder) is told.
 * Stamps are milliseconds of the clock of events.
 */
class Inputs {
    /** What is held, by who plays it and the pitch. */
    held = $state.raw<ReadonlyMap<string, number>>(new Map());
    /** The part that is played into; nothing is played while there is none. */
    part = $state.raw<Part | null>(null);
    private listeners = new Set<(played: Played) => void>();
    private pedals = new Set<string>();

    listen(listener: (played: Played) => void): () => void {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    }

    on(who: string, pitch: number, velocity: number, stamp: number): void {
        if (!this.part || pitch < 0 || pitch > 127) return;
        const key = `${who}:${pitch}`;
        if (this.held.has(key)) this.off(who, pitch, stamp);
        this.held = new Map([...this.held, [key, pitch]]);
        transport.live.on(this.part, key, pitch, velocity);
        this.tell({ kind: 'on', pitch, velocity: Math.max(1, Math.min(127, velocity)), stamp, who });
    }

    off(who: string, pitch: number, stamp: number, release?: number): void {
        const key = `${who}:${pitch}`;
        if (!this.held.has(key)) return;
        const held = new Map(this.held);
        held.delete(key);
        this.held = held;
        transport.live.off(key);
        this.tell({ kind: 'off', pitch, stamp, who, ...(release === undefined ? {} : { release }) });
    }

    message(who: string, kind: 'controller' | 'bend' | 'pressure', data: number[], stamp: number): void {
        if (!this.part) return;
        if (kind === 'controller' && data[0] === SUSTAIN) {
            if (data[1]! >= 64) this.pedals.add(who);
            else this.pedals.delete(who);
        }
        transport.live.message(this.part, STATUS[kind], data);
        this.tell({ kind, data, stamp });
    }

    /** Who plays is gone, or let everything go: nothing of it stays sounding. */
    letGo(who: string): void {
        const stamp = performance.now();
        for (const [key, pitch] of this.held) if (key.startsWith(`${who}:`)) this.off(who, pitch, stamp);
        if (this.pedals.delete(who)) this.message(who, 'controller', [SUSTAIN, 0], stamp);
    }

    /** All that is held ends, as before another part is opened. */
    letAllGo(): void {
        for (const who of new Set([
            ...[...this.held.keys()].map((k) => k.slice(0, k.lastIndexOf(':'))),
            ...this.pedals,
        ]))
            this.letGo(who);
    }

    private tell(played: Played): void {
        for (const listener of this.listeners) listener(played);
    }
}

export const inputs = new Inputs();
