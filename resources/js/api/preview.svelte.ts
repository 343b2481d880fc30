import { request } from './client';
import { Landing } from './landing';
import type { SongState } from './song-state';
import type { Command, On, PartAnswer } from './types';

/** What is looked at without being done: where commands would put the notes, and the song as it was. */
export class Preview {
    /** Where commands would put the notes of the open part, while that is looked at. */
    landing = $state.raw<Landing | null>(null);
    /** What the parts are shown as instead of what they are, in words; empty while they are shown as they are. */
    comparing = $state('');
    private asking: AbortController | null = null;
    private comparison = 0;

    constructor(private readonly song: SongState) {}

    /**
     * Asks where commands would put the notes; the latest question wins. A command that names no notes is for those
     * selected; with none selected, `orAll` looks at all.
     */
    async look(commands: Command[], orAll = false): Promise<void> {
        this.asking?.abort();
        const asking = (this.asking = new AbortController());
        const { song } = this;
        const part = song.open;
        if (!part) return;
        const on: On | On[] =
            orAll && song.selection.notes.size === 0 ? { part: part.id, pick: { all: true } } : song.on();
        try {
            const answer = await request(
                'POST',
                `songs/${song.id}/landing`,
                {
                    brief: true,
                    context: song.context(),
                    do: commands.map((c, i) => (i === 0 && !c.on ? { ...c, on } : c)),
                },
                asking.signal,
            );
            if (asking === this.asking && part === song.open)
                this.landing = Landing.of(answer, part, answer.missing ? song.hint(answer.missing) : '');
        } catch (e) {
            if (asking.signal.aborted) return;
            this.landing = Landing.refused(e instanceof Error ? e.message : String(e));
        }
    }

    unlook(): void {
        this.asking?.abort();
        this.asking = null;
        this.landing = null;
    }

    /** Shows and plays the song as it was before its last step, or with commands done to the open part, until `showAsItIs`. */
    async compare(to: 'before' | { do: Command[]; words: string }): Promise<void> {
        this.showAsItIs();
        const mine = ++this.comparison;
        const { song } = this;
        await song.settled();
        try {
            const answer =
                to === 'before'
                    ? await request('GET', `songs/${song.id}/before`)
                    : await request('POST', `songs/${song.id}/landing`, { brief: true, do: to.do });
            if (mine !== this.comparison) return;
            this.show(answer.parts);
            this.comparing = to === 'before' ? answer.said.join(' ') : to.words;
        } catch (e) {
            if (mine === this.comparison) song.tell('', [], e instanceof Error ? e.message : String(e));
        }
    }

    private show(parts: Record<string, PartAnswer>): void {
        for (const [id, change] of Object.entries(parts))
            if ('put' in change) this.song.parts.get(Number(id))?.showOtherwise(change);
        this.song.selection.version++;
        this.song.onChange();
    }

    showAsItIs(): void {
        this.comparison++;
        if (!this.comparing) return;
        this.comparing = '';
        for (const part of this.song.parts.values()) part.showAsItIs();
        this.song.selection.version++;
        this.song.onChange();
    }
}
