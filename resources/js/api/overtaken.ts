import type { Item } from './items';
import type { Song } from './song.svelte';

/** What is chosen and where the caret stands. */
interface Hand {
    selected: Set<number>;
    beside: ReadonlyMap<number, ReadonlySet<number>>;
    caret: { tick: number; pitch: number };
    onNote: boolean;
}

/**
 * What waits its turn when a choice is made by hand was typed before it: it looks at what was chosen then, and what it
 * chooses is not what the hand chose. An Esc that still waits does not take away a note clicked after it.
 */
export class Overtaken {
    private readonly before = new WeakMap<Item, { hand: Hand }>();

    constructor(private readonly song: Song) {}

    /** A choice by hand is about to be made: these wait. */
    by(waiting: readonly Item[]): void {
        const was = { hand: this.hand() };
        for (const item of waiting) if (item.kind === 'later' && !this.before.has(item)) this.before.set(item, was);
    }

    /**
     * Runs what waited with the choice that it was typed with, and puts back what the hand chose since; `mean` is called
     * before that, since what it asked for is meant for what it left.
     */
    run(item: Item | undefined, run: () => void, mean: () => void): void {
        const was = item && this.before.get(item);
        if (!was) return run();
        const now = this.hand();
        this.put(was.hand);
        try {
            run();
            mean();
            was.hand = this.hand();
        } finally {
            this.put(now);
        }
    }

    private hand(): Hand {
        const { selected, beside, caret, onNote } = this.song;
        return { selected, beside, caret, onNote };
    }

    private put({ selected, beside, caret, onNote }: Hand): void {
        Object.assign(this.song, { selected, beside, caret, onNote });
        this.song.selectionVersion++;
        this.song.caretVersion++;
    }
}
