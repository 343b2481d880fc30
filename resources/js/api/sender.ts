import { NoAnswer, Problem, request } from './client';
import type { Sealed, Waiting } from './items';
import type { Long } from './long.svelte';
import type { Patience } from './patience.svelte';
import type { Pins } from './pins';
import type { SongState } from './song-state';
import type { Answer } from './types';

/** What became of a batch: what is to be sent again, or how many steps of a long way are left. */
interface Sent {
    again?: Sealed;
    left?: number;
}

/** Sends a batch to the server and takes in what it answers: done, done before, too late, refused, or no answer at all. */
export class Sender {
    /** @param waits waits a while, since the server does not answer */
    constructor(
        private readonly song: SongState,
        private readonly pins: Pins,
        private readonly patience: Patience,
        private readonly long: Long,
        private readonly waits: (e: NoAnswer) => Promise<void>,
    ) {}

    async send(sealed: Sealed): Promise<Sent> {
        const { song } = this;
        const { key, path } = sealed;
        const body = { base: song.revision, key, brief: true, ...sealed.body };
        try {
            const answer = await this.patience.over(
                this.long.over(key, request('POST', `songs/${song.id}/${path}`, body)),
            );
            song.trouble = '';
            this.take(answer, sealed, !isQuiet(sealed) && path === 'edits' && !isSounded(sealed));
            return { left: answer.left ?? 0 };
        } catch (e) {
            if (e instanceof NoAnswer) {
                await this.waits(e);
                return { again: sealed };
            }
            if (e instanceof Problem && e.status === 409 && e.catchUp) return this.catchUp(e, sealed);
            this.refused(e, sealed);
            return {};
        }
    }

    /** Another window was faster; or it was done before, and only the answer lost. */
    private catchUp(e: Problem, sealed: Sealed): Sent {
        const { song } = this;
        song.trouble = '';
        sealed.wasDone = e.done;
        // What it did is caught up with, and what it said is taken.
        if (e.done && e.answer) this.take({ ...e.catchUp!, ...e.answer }, sealed, false);
        else song.crossWindow.caughtUp(e.catchUp!);
        if (!e.done) {
            this.pins.prune(sealed);
            return { again: sealed };
        }
        if (!e.answer) {
            alone(sealed)?.done(true, null);
            this.tellQuiet(sealed.batch);
        }
        return {};
    }

    private refused(e: unknown, sealed: Sealed): void {
        const { batch, body } = sealed;
        if (!alone(sealed) && !isQuiet(sealed)) this.pins.answered({}, batch, body);
        this.song.tell('', [], e instanceof Error ? e.message : String(e), batch.at(-1)!.input);
        alone(sealed)?.done(false, null);
        this.tellQuiet(batch);
    }

    private take(answer: Answer, sealed: Sealed, hear: boolean): void {
        const { song } = this;
        const { batch, body } = sealed;
        const last = batch.at(-1)!;
        const apart = alone(sealed) !== undefined || isQuiet(sealed);
        const now = this.pins.marks();
        if (!apart) this.pins.answered(answer, batch, body);
        const keepsSelection = last.selects === now.selects && !apart;
        song.take(answer, batch, { keepsSelection, keepsCaret: last.carets === now.carets && !apart, hear });
        // A page shows what it can of what was left selected: that is what the next key means.
        if (keepsSelection) this.pins.lookAtSelection();
        this.tellQuiet(batch);
        alone(sealed)?.done(true, answer);
    }

    /** Tells who waits for a command that went quietly. */
    private tellQuiet(batch: readonly Waiting[]): void {
        for (const item of batch) {
            if (item.kind !== 'do') continue;
            if (item.quiet) this.song.queue.runInTurn(item.quiet, item.input);
            item.sounded?.();
        }
    }
}

type Alone = Extract<Waiting, { kind: 'do' }>['alone'];

function alone({ batch: [first] }: Sealed): Alone {
    return first?.kind === 'do' ? first.alone : undefined;
}

function isQuiet({ batch: [first] }: Sealed): boolean {
    return first?.kind === 'do' && first.quiet !== undefined;
}

function isSounded({ batch }: Sealed): boolean {
    return batch.every((i) => i.kind === 'do' && i.sounded !== undefined);
}
