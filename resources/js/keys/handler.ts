import type { Binding } from '../api/types';

/** Takes keys to play notes with, while it is told to. */
export interface Typist {
    /** What a key is for; null where it does what it always does. */
    role: (code: string) => { note: number } | { touch: number } | { octave: number } | null;
    down: (code: string, stamp: number) => void;
    /** Whether the key was one that played. */
    up: (code: string, stamp: number) => boolean;
    letGo: () => void;
}

export type Work = 'notes' | 'lane' | 'curve';

/** A key, by its sign, and what it does. */
export type Hint = readonly [key: string, does: string];

/** How a command was asked for. */
export interface Press {
    /** The key is held and repeats. */
    more: boolean;
    /** How many times over, by a count typed before it. */
    times: number;
}

/**
 * Does a command. It may give back what to do when the key is let go (for a command that holds as long as the key), or
 * false where it is none of its business after all and the next one may.
 */
export type Handler = (
    params: Record<string, unknown>,
    binding: Binding,
    press: Press,
) => void | boolean | (() => void);
