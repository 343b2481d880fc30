import type { Answer, Clip, Command, Where, On } from './types';

/** Told whether a command that went alone is kept, and its answer where that was not lost. */
export type Done = (kept: boolean, answer: Answer | null) => void;

/**
 * What is waiting to be sent or done. Commands that wait travel together; `one` is a list that is a single step; `later`
 * looks at what is there when its turn comes, and so does `ask`, which waits for an answer of its own. A way through the
 * history may take the part away that is open, and its page with it. What the hand sounded as it did it is not heard again:
 * `sounded` is told when it is answered.
 */
export type Item =
    | { kind: 'ask'; ask: () => Promise<void>; join?: (next: Item) => boolean; movesCaret?: boolean }
    | {
          kind: 'later';
          run: () => void;
          afterAll?: boolean;
          isPress?: boolean;
          opensPanel?: boolean;
          stroke?: string;
          /** It was pressed when the page that comes had been asked for: it is for that page. */
          isForNext?: boolean;
      }
    | {
          kind: 'do';
          command: Command;
          keeps: boolean;
          alone?: { key: string; done: Done };
          quiet?: () => void;
          sounded?: () => void;
      }
    | { kind: 'one'; commands: Command[] }
    | { kind: 'undo' | 'redo'; takesPage: boolean }
    | { kind: 'steps'; step: number | null; takesPage: boolean };

/** An item in the queue, with what was known when it was asked for. */
export type Waiting = Item & {
    /** Which input it comes from: what is said of a later one stands. */
    input: number;
    /** How often the hand had made a selection, and put the caret somewhere: what is older does not undo it. */
    selects: number;
    carets: number;
    /** A way through the history that waited behind something done in its turn: it is of when it is sent. */
    late?: boolean;
    /** What it works on; left out where that is what the command before it leaves. */
    on?: On[];
    /** Where it was asked for; without a caret where that is where the command before it leaves it. */
    where?: Where;
};

/** A batch with the key by which the server knows it, and what it is sent as. */
export interface Sealed {
    batch: Waiting[];
    key: string;
    path: SealedPath;
    body: SealedBody;
    /** It was done when it was sent before: only the answer was lost. */
    wasDone?: boolean;
}

/** Where a batch is sent to, below its song. */
export type SealedPath = 'edits' | 'undo' | 'redo' | 'steps';

export interface SealedBody {
    do?: Command[];
    on?: On[];
    context?: Where;
    as?: 'one';
    times?: number;
    step?: number | null;
}

/** Whether the same things are selected after it. */
export function keepsSelection(item: Item): boolean {
    if (item.kind === 'ask') return item.movesCaret === true;
    return item.kind === 'do' && (item.alone !== undefined || item.quiet !== undefined || item.keeps);
}

/** Whether the caret is where it was after it. */
export function keepsCaret(item: Item): boolean {
    return (
        item.kind === 'do' && (item.alone !== undefined || item.quiet !== undefined || item.command.set !== undefined)
    );
}

/** Whether what is pressed behind it has to wait: what it does is not known before. */
export function holdsInput(item: Item): boolean {
    if (item.kind === 'undo' || item.kind === 'redo' || item.kind === 'steps') return item.takesPage;
    return item.kind === 'later' || (item.kind === 'ask' && !item.movesCaret);
}

/**
 * Whether a command may travel in one request with those before it. One that names its own things cannot say too that the
 * hand selected others since: it begins a request, which does.
 */
export function goTogether(before: readonly Waiting[], next: Waiting): boolean {
    const [first, last] = [before[0]!, before.at(-1)!];
    if (first.kind !== 'do' || next.kind !== 'do') return true;
    const { on, set, touched } = next.command;
    const namesItsOwn = on ?? set ?? touched;
    if (namesItsOwn !== undefined && next.on && next.on !== last.on) return false;
    return !first.alone && !next.alone && !first.quiet === !next.quiet;
}

export type Carried = (clip: Clip, inSpan: boolean) => void;
