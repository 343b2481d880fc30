import { tick } from 'svelte';
import type { Queue } from '../api/queue.svelte';

/** What a panel reads of the song, and again after each change. Keys that look at it wait for the newest. */
export class PanelReading<T> {
    answer = $state.raw<T | null>(null);
    /** Why the last could not be read; empty where it could. */
    trouble = $state('');
    private asked = 0;
    private waits = false;
    /** What is under way, without the first: that has a turn of its own. */
    private coming: Promise<void> | null = null;

    constructor(
        private readonly queue: Queue,
        private readonly ask: () => Promise<T>,
    ) {}

    /** With what follows from it, a selection say, it is read in its turn: what is typed behind that works on it. */
    async read(follows?: () => void): Promise<void> {
        // What waits for its turn comes behind what is done now, and sees it.
        if (this.waits) return;
        const mine = ++this.asked;
        const work = async (): Promise<void> => {
            const answer = await this.ask();
            if (mine === this.asked) [this.answer, this.trouble] = [answer, ''];
            await tick();
        };
        try {
            // What is typed behind the key of the panel is for what it reads.
            this.waits = follows !== undefined || this.answer === null;
            await (this.waits ? this.queue.during(work, follows) : (this.coming = work()));
        } catch (e) {
            if (mine === this.asked) this.trouble = e instanceof Error ? e.message : String(e);
        }
        this.waits = false;
        if (mine === this.asked) this.coming = null;
    }

    /** Does what looks at it, when what is under way has come; what is typed meanwhile waits behind that. */
    after(run: () => void): void {
        if (!this.coming) return run();
        void this.queue.during(async () => this.coming?.catch(() => {}), run);
    }
}
