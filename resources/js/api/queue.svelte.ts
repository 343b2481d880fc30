import { NoAnswer, Problem, request } from './client';
import { goTogether, keepsChoice, type Item, type Sealed } from './items';
import { Long } from './long.svelte';
import { Overtaken } from './overtaken';
import type { Song } from './song.svelte';
import type { Answer, Command, On } from './types';

const RETRY_MS = 1500;
/** The most commands in one request. */
const MOST_TOGETHER = 500;

/**
 * The way from what is typed to the server, one request after another and never two in flight for a song. Typing faster
 * than the server answers means the same as typing slowly: what looks at the choice or the caret waits its turn, and
 * what was sent and not answered is sent again under its key.
 */
export class Queue {
    waiting = $state(0);
    /** A long way through the history is gone in pieces: whether it goes on. */
    going = $state(false);
    /** What is under way, where it takes long. */
    readonly long = new Long();
    private items: Item[] = [];
    /** What is under way. */
    flying: Item[] = [];
    /** What was sent and not answered, to be sent again as it is. */
    private again: Sealed | null = null;
    /** What comes up while something is done in its turn goes before all that waits. */
    private front: Item[] | null = null;
    busy = false;
    private idle: (() => void)[] = [];
    /** The notes that commands which wait are meant for, where that is no longer what is chosen. */
    private readonly meant = new WeakMap<Command, On[]>();

    /** What was typed last before a choice by hand: what was typed after it does not travel with it. */
    private readonly ends = new WeakSet<Item>();
    private readonly overtaken: Overtaken;

    constructor(private readonly song: Song) {
        this.overtaken = new Overtaken(song);
    }

    push(item: Item): void {
        if (this.front) {
            this.front.push(item);
            return;
        }
        this.items.push(item);
        this.count();
        if (!this.busy) void this.flush();
    }

    /** Resolves when nothing waits and nothing is under way. */
    settled(): Promise<void> {
        return this.isIdle ? Promise.resolve() : new Promise((resolve) => this.idle.push(resolve));
    }

    private get isIdle(): boolean {
        return !this.busy && this.items.length === 0 && !this.again;
    }

    /** Does something that looks at what is chosen or where the caret is: at once where that is known, else in its turn. */
    inTurn(run: () => void): void {
        if ([...this.flying, ...(this.again?.batch ?? []), ...(this.front ?? []), ...this.items].every(keepsChoice))
            run();
        else this.push({ kind: 'later', run });
    }

    /** Does something that looks at the notes, when all that was typed before has been answered. */
    afterAll(run: () => void): void {
        if (this.isIdle && !this.front) run();
        else this.push({ kind: 'later', run, afterAll: true });
    }

    /** The choice is about to be made otherwise by hand: what was typed until now is meant for the notes chosen until now. */
    meanChosen(): void {
        // What waits behind something that is done in its turn was typed after it, and is meant for what it leaves.
        if (this.front) return;
        const waiting = [...(this.again?.batch ?? []), ...this.items];
        this.mean(waiting.slice(waiting.findLastIndex((i) => this.ends.has(i)) + 1));
        const last = waiting.at(-1);
        if (last) this.ends.add(last);
        this.overtaken.by(this.items);
    }

    private mean(items: Item[]): void {
        const command = items.map(commandOf).find((c) => c !== undefined);
        if (command && !command.on && !command.set && !this.meant.has(command)) this.meant.set(command, this.song.on());
    }

    /** Does something whose turn has come; `item` is what waited for it, where that did. */
    runInTurn(run: () => void, item?: Item): void {
        const front: Item[] = (this.front = []);
        try {
            this.overtaken.run(item, run, () => this.mean(front));
        } catch (e) {
            // What waits behind it goes on.
            this.song.tell('', [], e instanceof Error ? e.message : String(e));
        } finally {
            this.items.unshift(...this.front);
            this.front = null;
        }
    }

    private count(): void {
        this.waiting = this.items.length + this.flying.length + (this.again ? 1 : 0);
    }

    private async flush(): Promise<void> {
        this.busy = true;
        while (this.items.length > 0 || this.again) {
            const sealed = this.again ?? this.seal();
            this.again = null;
            this.flying = sealed.batch;
            this.count();
            const first = sealed.batch[0]!;
            if (first.kind === 'later') {
                this.flying = [];
                this.runInTurn(first.run, first);
            } else if (first.kind === 'ask') {
                await this.ask(first);
            } else {
                await this.send(sealed);
            }
            this.flying = [];
            this.count();
        }
        this.busy = false;
        this.song.elsewhere.rested();
        for (const resolve of this.idle.splice(0)) resolve();
    }

    private async ask(item: Extract<Item, { kind: 'ask' }>): Promise<void> {
        try {
            await item.ask();
        } catch (e) {
            if (e instanceof NoAnswer) {
                this.song.trouble = e.message;
                this.items.unshift(item);
                await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
            } else this.song.tell('', [], e instanceof Error ? e.message : String(e));
        }
    }

    private async send(sealed: Sealed): Promise<void> {
        const { song } = this;
        const { batch, key, version, caret } = sealed;
        const first = batch[0]!;
        const alone = first.kind === 'do' ? first.alone : undefined;
        const quiet = first.kind === 'do' && first.quiet !== undefined;
        try {
            const [path, body] = (sealed.body ??= this.body(sealed));
            const answer = await this.long.over(
                key,
                request<Answer>('POST', `songs/${song.id}/${path}`, { base: song.revision, key, brief: true, ...body }),
            );
            song.trouble = '';
            song.take(answer, batch, {
                keepsSelection: version === song.selectionVersion && !alone && !quiet,
                keepsCaret: caret === song.caretVersion && !alone && !quiet,
                hear: !quiet && path === 'edits',
            });
            told(batch);
            alone?.done(true, answer);
            if (first.kind === 'steps') this.goOn(first, answer.left ?? 0);
        } catch (e) {
            if (e instanceof Problem && e.status === 409 && e.catchUp) {
                const same = version === song.selectionVersion;
                song.trouble = '';
                // Done before, and only the answer lost: what it did is caught up with, and what it said is taken.
                if (e.done && e.answer)
                    song.take({ ...e.catchUp, ...e.answer }, batch, {
                        keepsSelection: same && !alone && !quiet,
                        keepsCaret: caret === song.caretVersion && !alone && !quiet,
                        hear: false,
                    });
                else song.elsewhere.caughtUp(e.catchUp);
                if (e.done) {
                    alone?.done(true, null);
                    told(batch);
                } else this.again = { batch, key, version: same ? song.selectionVersion : version, caret };
            } else if (e instanceof NoAnswer) {
                song.trouble = e.message;
                this.again = sealed;
                this.count();
                await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
            } else {
                song.tell('', [], e instanceof Error ? e.message : String(e));
                alone?.done(false, null);
                told(batch);
            }
        }
    }

    /** Asks for the rest of a long way, unless it was stopped meanwhile. */
    private goOn(item: Item, left: number): void {
        if (left > 0 && (this.going || !this.wasGoing)) {
            this.going = this.wasGoing = true;
            this.items.unshift(item);
        } else {
            if (left > 0) this.song.tell(`Stopped on the way, ${left} steps before it.`);
            this.going = this.wasGoing = false;
        }
    }

    private wasGoing = false;

    private seal(): Sealed {
        // What was typed before the last choice by hand does not undo that choice.
        const command = commandOf(this.items[0]!);
        const version = command && this.meant.has(command) ? -1 : this.song.selectionVersion;
        const sealed: Sealed = { batch: [], version, caret: this.song.caretVersion, key: '' };
        this.take(sealed);
        const [first] = sealed.batch;
        sealed.key = (first?.kind === 'do' && first.alone?.key) || crypto.randomUUID();
        return sealed;
    }

    /** Puts into a batch what may travel together. */
    private take(sealed: Sealed): void {
        const { song } = this;
        const { batch } = sealed;
        const first = this.items.shift()!;
        batch.push(first);
        if (first.kind === 'do' && first.alone) return;
        if (first.kind === 'do' || first.kind === 'undo' || first.kind === 'redo') {
            for (let next = this.items[0]; next && batch.length < MOST_TOGETHER; next = this.items[0]) {
                if (this.ends.has(batch.at(-1)!)) break;
                if (next.kind === first.kind && goTogether(first, next)) batch.push(this.items.shift()!);
                else if (next.kind === 'later' && !next.afterAll && batch.every(keepsChoice)) {
                    // What waited to know the choice knows it: it does not change before. Those taken so far work on
                    // what was chosen, and where the caret was, before it; those after it wait if it changed that.
                    const [version, caret] = [song.selectionVersion, song.caret];
                    this.items.shift();
                    this.mean(batch);
                    if (first.kind === 'do') sealed.where ??= song.context();
                    this.runInTurn(next.run, next);
                    if (song.selectionVersion !== version || song.caret !== caret) break;
                } else break;
            }
        }
        if (first.kind === 'ask') {
            // Moves by the same step are one.
            while (this.items[0] && first.join?.(this.items[0])) this.items.shift();
        }
    }

    private body({ batch, where }: Sealed): [string, Record<string, unknown>] {
        const first = batch[0]!;
        switch (first.kind) {
            case 'ask':
            case 'later':
                throw new Error('This is no request for the song.');
            case 'undo':
            case 'redo':
                return [first.kind, { times: batch.length }];
            case 'steps':
                return ['steps', { step: first.step }];
            case 'one':
                return ['edits', { ...this.edits(first.commands), as: 'one' }];
            case 'do':
                return [
                    'edits',
                    this.edits(
                        batch.map((i) => (i as { command: Command }).command),
                        where,
                    ),
                ];
        }
    }

    /** What the commands work on at first, unless they say so themselves; those after take what they leave. */
    private edits(commands: Command[], where = this.song.context()): Record<string, unknown> {
        const meant = commands.map((c) => this.meant.get(c)).find((on) => on !== undefined);
        return { on: meant ?? this.song.on(), context: where, do: commands };
    }
}

/** The first command of what works on what is chosen. */
function commandOf(item: Item): Command | undefined {
    if (item.kind === 'do') return item.alone ? undefined : item.command;
    return item.kind === 'one' ? item.commands[0] : undefined;
}

function told(batch: Item[]): void {
    for (const item of batch) if (item.kind === 'do') item.quiet?.();
}
