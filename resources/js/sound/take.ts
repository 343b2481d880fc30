import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Command, PlayedEvent } from '../api/types';
import { insertRecording } from './commands/take';
import type { Piece, TakeStore } from './takes';

/** A note that is held, while a take is recorded. */
export interface HeldNote {
    pitch: number;
    velocity: number;
    tick: number;
    on: number;
    loose: number;
}

/** A take under way. */
export interface Take {
    id: number;
    song: Song;
    part: Part;
    store: TakeStore;
    params: Record<string, unknown>;
    /** Audio time at which it begins, and the tick there. */
    at: number;
    from: number;
    /** Seconds after its time that sound was heard when it began: it stays so for the whole take. */
    late: number;
    /** Seconds of its first round and of the others; Infinity where it does not go round. */
    first: number;
    length: number;
    held: Map<string, HeldNote>;
    /** Ended, and not sent yet. */
    waiting: { round: number; event: PlayedEvent; loose: number }[];
    /** Pieces that were sent and not answered. */
    open: number;
    refused: string;
    notes: Set<number>;
    /** The notes that were in the part before it. */
    there: ReadonlySet<number>;
    /** For replace: seconds up to which what was there has given way. */
    replaced: number;
    letGo: () => void;
}

/** What a piece of a take asks of the server. */
export function commandOf(
    params: Record<string, unknown>,
    part: number,
    { round, events, since, until }: Piece,
): Command {
    return insertRecording(part, {
        ...params,
        round,
        events,
        // A piece of a take that was to replace and was interrupted replaces nothing: nothing is lost by it.
        ...(params.mode === 'replace' ? (since === undefined ? { mode: 'overdub' } : { since, until }) : {}),
    });
}
