import type { HeadData } from './head.svelte';
import type { Item, Waiting } from './items';
import type { Part } from './part.svelte';
import type { Selection } from './selection.svelte';
import type { Time } from '../rules/time';
import type {
    Answer,
    CatchUp,
    Command,
    On,
    ReadingAnswers,
    ReadingId,
    ReadingParams,
    Requires,
    ScaleData,
    TimeData,
    TrackData,
    Where,
} from './types';

/** A track with its parts. */
export interface Track extends Omit<TrackData, 'parts'> {
    parts: Part[];
}

/** What the queue is to those who put something into it. */
export interface QueueState {
    readonly busy: boolean;
    push(item: Item): void;
    runInTurn(run: () => void, input?: number): void;
}

/**
 * A song as those see it that it is made of (the queue, the preview, the clipboard, …): they know this, and the song knows
 * them.
 */
export interface SongState {
    readonly id: number;
    /** What to press where a command did nothing for want of something. */
    readonly hint: (missing: Requires) => string;
    revision: number;
    end: number;
    time: Time;
    tracks: Track[];
    readonly allTracks: readonly Track[];
    readonly parts: Map<number, Part>;
    readonly scale: ScaleData | null;
    said: string;
    trouble: string;

    /** What is selected, and where: see `Song`. */
    readonly stage: 'roll' | 'song';
    open: Part | null;
    readonly selection: Selection;
    readonly handCarets: number;
    readonly caret: { tick: number; pitch: number };
    readonly span: { from: number; to: number } | null;
    /** The part that the last command made, to be opened. */
    made: number | null;

    readonly queue: QueueState;
    readonly preview: { showAsItIs(): void };
    readonly crossWindow: { caughtUp(change: CatchUp): void; rested(): void };
    /** The page that is wanted and still fetched. */
    readonly arriving: () => Promise<unknown> | null;
    readonly lacksPage: () => boolean;
    readonly onChange: () => void;
    readonly onCaret: () => void;

    on(): On[];
    onGrid(): On[];
    context(): Where;
    do(command: Command): void;
    tell(said: string, warnings?: string[], trouble?: string, input?: number): void;
    read<R extends ReadingId>(reading: R, params: ReadingParams[R], on?: On[]): Promise<ReadingAnswers[R]>;
    settled(): Promise<void>;
    afterAll(run: () => void): void;
    head(head: HeadData): void;
    retime(data: TimeData): void;
    setTracks(tracks?: readonly Omit<TrackData, 'parts'>[]): void;
    putCaret(tick: number, pitch?: number): void;
    prune(): void;
    take(
        answer: Answer,
        batch: readonly Waiting[],
        how: { keepsSelection: boolean; keepsCaret: boolean; hear: boolean },
    ): void;
}
