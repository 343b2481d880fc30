import { runs, spread } from './ids';
import { keepsCaret, keepsSelection, type Sealed, type SealedBody, type SealedPath, type Waiting } from './items';
import type { SongState } from './song-state';
import type { Answer, Command, Where, On } from './types';

/**
 * What a command works on, and where it was asked for, is settled when it is asked for, as far as that is known then. What
 * an earlier command that is not answered may still change is left out: the server takes what that one leaves.
 */
export class Pins {
    /** What the commands answered so far left selected, and where they left the caret. */
    private on: On[] = [];
    private caret = { tick: 0, pitch: 60 };
    /** The last selection as it is named, and of what: commands with the very same one need not say it again. */
    private named: { key: string; on: On[] } = { key: '', on: [] };

    constructor(private readonly song: SongState) {}

    /** How often the hand has made a selection, and put the caret somewhere. */
    marks(): { selects: number; carets: number } {
        return { selects: this.song.selection.byHand, carets: this.song.handCarets };
    }

    /** Settles what is known. */
    pin(item: Waiting, ahead: readonly Waiting[]): void {
        const waits = ahead.some((i) => i.kind === 'ask' || i.kind === 'later');
        if (item.kind !== 'do' && item.kind !== 'one') return void (item.late = waits);
        const { selects, carets } = this.marks();
        // What was asked for before the last selection by hand does not change that.
        if (ahead.filter((i) => i.selects === selects).every(keepsSelection)) item.on = this.selected();
        if (waits) return;
        const { caret, ...rest } = this.song.context();
        item.where = ahead.filter((i) => i.carets === carets).every(keepsCaret) ? { caret, ...rest } : rest;
    }

    /** Settles where the first of a request is asked for, before what is done in its turn behind it moves the caret on. */
    settle(first: Waiting): void {
        if (first.kind !== 'do' || first.where) return;
        this.isOfNow(first);
        first.where = { ...this.song.context(), caret: this.caret };
    }

    /** What waited behind a way of the caret, or behind something done in its turn, is of now: the hand waited too. */
    private isOfNow(item: Waiting): void {
        item.carets = this.marks().carets;
        if (!item.on) item.selects = this.marks().selects;
    }

    /** Looks where things are now that something was done in its turn. */
    look(): void {
        this.on = this.selected();
        this.caret = this.song.caret;
    }

    /** Looks what is selected once an answer was taken in. */
    lookAtSelection(): void {
        this.on = this.selected();
    }

    /** Takes in what an answer left; what was refused leaves all as it was said to be. */
    answered(answer: Pick<Partial<Answer>, 'selection' | 'at'>, batch: readonly Waiting[], body: SealedBody): void {
        const before = batch.findLast((i) => i.on)?.on ?? body.on;
        if (answer.selection) this.on = answer.selection;
        else if (before) this.on = before;
        const put = batch.findLast((i) => i.where?.caret)?.where?.caret ?? body.context?.caret;
        if (answer.at) this.caret = { tick: answer.at[0], pitch: answer.at[1] };
        else if (put) this.caret = put;
    }

    /** What a batch is sent as: where to, and what. */
    body(batch: Waiting[]): [SealedPath, SealedBody] {
        const first = batch[0]!;
        for (const item of batch) if (item.late) this.isOfNow(item);
        switch (first.kind) {
            case 'ask':
            case 'later':
                throw new Error('It is done here, and not sent.');
            case 'undo':
            case 'redo':
                return [first.kind, { times: batch.length }];
            case 'steps':
                return ['steps', { step: first.step }];
            case 'one':
                return ['edits', { ...this.begin(first), do: first.commands, as: 'one' }];
            case 'do':
                return ['edits', this.edits(batch)];
        }
    }

    /** Another window changed the song before this was done: what is gone is left out of what it works on. */
    prune({ batch, body }: Sealed): void {
        for (const item of batch) if (item.on) item.on = this.left(item.on);
        for (const command of [body, ...(body.do ?? [])]) if (command.on) command.on = this.left(command.on as On[]);
    }

    private left(on: On[]): On[] {
        const { parts } = this.song;
        return on.flatMap((item): On[] => {
            if ('parts' in item) {
                const there = spread(item.parts).filter((id) => parts.has(id));
                return there.length > 0 ? [{ ...item, parts: there }] : [];
            }
            if ('tracks' in item) return [item];
            const part = parts.get(item.part);
            if (!part) return [];
            if ('points' in item)
                return [{ ...item, points: runs(spread(item.points).filter((id) => part.hasPoint(id))) }];
            if ('pick' in item) return [item];
            return [{ ...item, notes: runs(spread(item.notes).filter((id) => part.notes.has(id))) }];
        });
    }

    private edits(batch: Waiting[]): SealedBody {
        for (const item of batch) if (!item.where) this.isOfNow(item);
        const begin = this.begin(batch[0]!);
        const same = JSON.stringify({ ...begin.context, caret: undefined });
        return { ...begin, do: batch.map((item, i) => this.command(item, batch[i - 1], same)) };
    }

    /** What the first of a batch works on, and where. */
    private begin(first: Waiting): { on: On[]; context: Where } {
        first.where ??= { ...this.song.context(), caret: this.caret };
        return { on: first.on ?? this.on, context: { caret: this.caret, ...first.where } };
    }

    /** A command behind another: it says what is otherwise than that leaves it, or than where the first was asked for. */
    private command(item: Waiting, before: Waiting | undefined, same: string): Command {
        const { command } = item as Waiting & { kind: 'do' };
        if (!before) return command;
        const { caret, ...rest } = item.where ?? this.song.context();
        // What names its own things leaves those selected, whatever the next was meant for.
        const leaves = keepsSelection(before) && !(before.kind === 'do' && before.command.on);
        const where = item.where && caret ? { caret, ...rest } : JSON.stringify(rest) === same ? {} : rest;
        return {
            ...command,
            ...(command.on || !item.on || (item.on === before.on && leaves && !isPicked(item.on))
                ? {}
                : { on: item.on }),
            ...(Object.keys(where).length > 0 ? { context: where } : {}),
        };
    }

    private selected(): On[] {
        const on = this.song.on();
        const key = JSON.stringify(on);
        if (key !== this.named.key) this.named = { key, on };
        return this.named.on;
    }
}

/** Whether a condition says what is meant: what that finds may be other things after the command before. */
function isPicked(on: readonly On[]): boolean {
    return on.some((item) => 'pick' in item);
}
