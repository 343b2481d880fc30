import type { Carried } from './items';
import type { Song } from './song.svelte';
import type { Clip } from './types';

/** What was copied last, to be put in elsewhere. */
export class Copied {
    clip: Clip | null = null;

    constructor(private readonly song: Song) {}

    /** Keeps what is chosen, or with nothing chosen what lies in the span; then does something, before all that was typed after it. */
    copy(then: Carried): void {
        this.song.queue.push({ kind: 'ask', ask: () => this.now(then) });
    }

    private async now(then: Carried): Promise<void> {
        const { song } = this;
        const inSpan = song.selected.size === 0;
        if (inSpan && !song.span) return song.tell('Nothing is chosen, and there is no span: nothing was copied.');
        const clip = await song.read<Clip>('clip', inSpan ? { from: 'span-start', to: 'span-end' } : {});
        if (clip.notes.length === 0) return song.tell('Nothing sounds in the span: nothing was copied.');
        this.clip = clip;
        song.queue.runInTurn(() => then(clip, inSpan));
    }
}
