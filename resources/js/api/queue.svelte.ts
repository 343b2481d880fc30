import { counted } from '../rules/counted';
import { tick } from 'svelte';
import { NoAnswer } from './client';
import { goTogether, holdsInput, keepsCaret, keepsSelection, type Item, type Sealed, type Waiting } from './items';
import { Long } from './long.svelte';
import { Patience } from './patience.svelte';
import { Pins } from './pins';
import { Sender } from './sender';
import type { SongState } from './song-state';
import { Unsent } from './unsent';

const RETRY_MS = 1500;
/** The most commands in one request. */
const MOST_TOGETHER = 500;

/**
 * The way from what is typed to the server, one request after another and never two in flight for a song. Typing faster
 * than the server answers means the same as typing slowly: a command says what it works on as it was when its key was
 * pressed, or that it is what the one before it leaves; what looks at that itself waits until it is known, and every
 * press behind it waits too. What was sent and not answered is sent again under its key.
 */
export class Queue {
    waiting = $state(0);
    /** A long way through the history is gone in pieces: whether it goes on. */
    going = $state(false);
    readonly patience = new Patience();
    /** What is under way, where it takes long. */
    readonly long = new Long();
    private items: Waiting[] = [];
    /** What is under way. */
    flying: Waiting[] = [];
    /** What was sent and not answered, here or in a window that is gone, to be sent again as it is, before all that waits. */
    private again: Sealed[] = [];
    /** What was sent and may still be answered. */
    private sent: Sealed | null = null;
    /** What comes up while something is done in its turn goes before all that waits. */
    private front: Waiting[] | null = null;
    /** A batch that is being put together. */
    private building: Waiting[] = [];
    busy = false;
    private idle: (() => void)[] = [];
    /** A page is opened by what has its turn: what waits behind it is meant for that page. */
    private turning = false;
    private wasGoing = false;
    private inputs = 0;
    /** The input that is being worked on. */
    private input = 0;
    readonly pins: Pins;
    readonly unsent: Unsent;
    private readonly sender: Sender;

    constructor(private readonly song: SongState) {
        this.pins = new Pins(song);
        this.unsent = new Unsent(song);
        this.sender = new Sender(song, this.pins, this.patience, this.long, (e) => this.waits(e));
    }

    /** Another key was pressed, another thing was done by hand: what waits for its turn is done then. */
    newInput(again: () => void, isPress = true, stroke = ''): boolean {
        const input = isPress ? ++this.inputs : this.inputs;
        if (!this.holdsInput) {
            this.input = input;
            return false;
        }
        this.push({ kind: 'later', run: again, isPress, stroke, isForNext: this.song.lacksPage() }, input);
        return true;
    }

    /** Which input what is said now is of. */
    get speaking(): number {
        return this.input;
    }

    push(item: Item, input = this.input): void {
        const waiting = Object.assign(item, { input, ...this.pins.marks() }) as Waiting;
        const ahead = this.ahead();
        this.pins.pin(waiting, ahead);
        if (ahead.length === 0 && !waiting.on) this.pins.look();
        if (this.front) {
            this.front.push(waiting);
            return;
        }
        this.items.push(waiting);
        this.count();
        if (!this.busy) void this.flush();
        else this.keep();
    }

    /** Resolves when nothing waits and nothing is under way. */
    settled(): Promise<void> {
        return this.isIdle ? Promise.resolve() : new Promise((resolve) => this.idle.push(resolve));
    }

    private get isIdle(): boolean {
        return !this.busy && this.items.length === 0 && this.again.length === 0;
    }

    /** Whether what is pressed now has to wait for what was pressed before it, or for its page. */
    get holdsInput(): boolean {
        return this.front === null && (this.song.lacksPage() || [...this.flying, ...this.items].some(holdsInput));
    }

    /** Whether something is under way that can be stopped. */
    get isStoppable(): boolean {
        return this.going || this.long.steps !== null;
    }

    /** What goes before something that is pushed now. */
    private ahead(): Waiting[] {
        return this.front
            ? [...this.building, ...this.front]
            : [...this.flying, ...this.again.flatMap((a) => a.batch), ...this.items];
    }

    /** Whether a way of the caret is still on its way. */
    get movesCaret(): boolean {
        return this.front === null && [...this.flying, ...this.items].some((i) => i.kind === 'ask' && i.movesCaret);
    }

    /** Does something that looks at what is selected and at where the caret is: at once where both are known, else in its turn. */
    inTurn(run: () => void): void {
        if (this.ahead().every((i) => keepsSelection(i) && keepsCaret(i))) run();
        else this.push({ kind: 'later', run });
    }

    /** Likewise for what looks at the selection only. */
    withSelection(run: () => void): void {
        if (this.ahead().every(keepsSelection)) run();
        else this.push({ kind: 'later', run });
    }

    /** Does something that looks at the notes, when all that was typed before has been answered. */
    afterAll(run: () => void, opensPanel = false): void {
        if (this.ahead().length === 0 && (this.front || this.isIdle)) run();
        else this.push({ kind: 'later', run, afterAll: true, opensPanel });
    }

    /** Opens a panel on what all that was typed before leaves. What is typed behind it is for the panel, a space too. */
    openPanel(run: () => void): void {
        this.afterAll(run, true);
    }

    /** Strokes that wait for their turn. */
    get strokes(): string[] {
        return this.items.flatMap((i) => (i.kind === 'later' && i.stroke ? [i.stroke] : []));
    }

    /** Whether a panel waits to open. */
    get opensPanel(): boolean {
        return this.items.some((i) => i.kind === 'later' && i.opensPanel);
    }

    /** Does something whose turn has come. */
    runInTurn(run: () => void, input = this.flying[0]?.input ?? this.input): void {
        const front: Waiting[] = (this.front = []);
        this.input = input;
        try {
            run();
        } catch (e) {
            // What waits behind it goes on.
            this.song.tell('', [], e instanceof Error ? e.message : String(e));
        } finally {
            this.front = null;
            this.items.unshift(...front);
            this.pins.look();
            this.count();
        }
    }

    /**
     * Waits for something that keys look at, in its turn: what is pressed meanwhile waits behind it, and behind what
     * follows from the answer: a selection, say.
     */
    during<T>(work: () => Promise<T>, follows?: () => void): Promise<T> {
        return new Promise((resolve, reject) => {
            const taken = (answer: T): void => {
                if (follows) this.runInTurn(follows);
                resolve(answer);
            };
            const ask = (): Promise<void> =>
                work().then(taken, (e: unknown) => {
                    if (e instanceof NoAnswer) throw e;
                    reject(e instanceof Error ? e : new Error(String(e)));
                });
            this.push({ kind: 'ask', ask });
        });
    }

    /** Leaves out what was pressed and waits to look at a page that is left, by hand, before its turn came. */
    leave(): void {
        if (this.turning) return;
        const stays = (i: Waiting): boolean => i.kind !== 'later' || i.isForNext === true;
        const left = this.items.filter((i) => i.kind === 'later' && i.isPress && !stays(i)).length;
        this.items = this.items.filter(stays);
        if (left > 0) this.song.tell('', [], `${counted(left, 'key')} typed before you left the page did nothing.`);
        this.count();
    }

    private count(): void {
        this.waiting = this.items.length + this.flying.length + this.again.length;
    }

    private keep(): void {
        this.unsent.keep(this.sent ? [this.sent, ...this.again] : this.again, this.items);
    }

    private async flush(): Promise<void> {
        this.busy = true;
        while (this.items.length > 0 || this.again.length > 0) {
            if (this.again.length === 0 && this.items[0]!.kind === 'later') {
                await this.turn();
                continue;
            }
            const sealed = this.again.shift() ?? (await this.seal());
            this.flying = sealed.batch;
            this.count();
            const first = sealed.batch[0]!;
            if (first.kind === 'ask') {
                this.turning = true;
                this.input = first.input;
                await this.ask(first);
                this.turning = false;
            } else {
                this.sent = sealed;
                await this.send(sealed);
                this.sent = null;
            }
            this.flying = [];
            this.count();
        }
        this.busy = false;
        this.input = this.inputs;
        this.unsent.clear();
        this.song.crossWindow.rested();
        for (const resolve of this.idle.splice(0)) resolve();
    }

    /** Does the first that waits, whose turn has come. */
    private async turn(): Promise<void> {
        // What follows from the last answer has followed.
        await this.settle();
        // A page that was left meanwhile took what waited to look at it along.
        const item = this.items[0];
        if (item?.kind !== 'later') return;
        this.items.shift();
        this.turning = true;
        this.runInTurn(item.run, item.input);
        // Pages and panels that it opened are there for what was pressed behind it, with what they ask first.
        if (this.items.length > 0) await this.settle();
        this.turning = false;
    }

    /** Waits until what was done is shown, also where its page is still fetched. */
    private async settle(): Promise<void> {
        await this.show();
        const page = this.song.arriving();
        if (!page) return;
        await page;
        await this.show();
    }

    /** What comes up by what is shown now goes before all that waits. */
    private async show(): Promise<void> {
        const front: Waiting[] = (this.front = []);
        await tick();
        this.front = null;
        this.items.unshift(...front);
        this.count();
    }

    private async ask(item: Extract<Waiting, { kind: 'ask' }>): Promise<void> {
        try {
            await this.patience.over(item.ask());
        } catch (e) {
            if (e instanceof NoAnswer) {
                this.items.unshift(item);
                await this.waits(e);
            } else this.song.tell('', [], e instanceof Error ? e.message : String(e), item.input);
        }
    }

    private async send(sealed: Sealed): Promise<void> {
        this.keep();
        const { again, left } = await this.sender.send(sealed);
        if (again) this.again.unshift(again);
        const first = sealed.batch[0]!;
        if (left !== undefined && first.kind === 'steps') this.goOn(first, left);
    }

    /** The server does not answer: what waits is kept, and sent again. */
    private async waits(e: NoAnswer): Promise<void> {
        this.song.trouble = `${e.why} What you did is kept and will be sent again.`;
        this.keep();
        this.count();
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
    }

    /** Asks for the rest of a long way, unless it was stopped meanwhile. */
    private goOn(item: Waiting, left: number): void {
        if (left > 0 && (this.going || !this.wasGoing)) {
            this.going = this.wasGoing = true;
            this.items.unshift(item);
        } else {
            if (left > 0) this.song.tell(`Stopped ${counted(left, 'step')} before it.`);
            this.going = this.wasGoing = false;
        }
    }

    /** Puts into a batch what may travel together. */
    private async seal(): Promise<Sealed> {
        const first = this.items.shift()!;
        const batch = (this.flying = this.building = [first]);
        this.pins.settle(first);
        const together = first.kind === 'do' || first.kind === 'undo' || first.kind === 'redo';
        for (let next = this.items[0]; together && next && batch.length < MOST_TOGETHER; next = this.items[0]) {
            if (first.kind === 'do' && first.alone) break;
            if (next.kind === first.kind && goTogether(batch, next)) batch.push(this.items.shift()!);
            // What waited for an answer before these may go on: it waits anew where it looks at more than the selection.
            else if (next.kind === 'later' && !next.afterAll && batch.every(keepsSelection)) await this.turn();
            else break;
        }
        // Moves by the same step are one.
        if (first.kind === 'ask') while (this.items[0] && first.join?.(this.items[0])) this.items.shift();
        this.building = [];
        const key = (first.kind === 'do' && first.alone?.key) || crypto.randomUUID();
        // What is only asked here is not sent.
        const [path, body] = first.kind === 'ask' ? (['edits', {}] as const) : this.pins.body(batch);
        return { batch, key, path, body };
    }

    /** Sends what windows that are gone left unsent, before anything else. */
    async takeOver(): Promise<void> {
        const inherited: Sealed[] = [];
        let count = 0;
        for (const { sealed, items } of await this.unsent.takeOver()) {
            // What was sent may have been done: its key says so.
            inherited.push(...sealed.filter((s) => s.batch.length > 0));
            this.items.push(...items);
            count += items.length;
        }
        if (count === 0 && inherited.length === 0) return;
        this.again.push(...inherited);
        this.count();
        if (!this.busy) void this.flush();
        await this.settled();
        count += inherited.filter((s) => !s.wasDone).flatMap((s) => s.batch).length;
        if (count === 0) return;
        const words = counted(count, 'command');
        this.song.tell(
            `${words} that a closed window had not sent ${count === 1 ? 'was' : 'were'} sent now. ${this.song.said}`,
        );
    }
}
