import { NoAnswer, Problem, request } from './client';
import { Part } from './part.svelte';
import { Time } from './time';
import { Landing } from './landing';
import type {
    Answer,
    CatchUp,
    Clip,
    Command,
    LandingAnswer,
    Note,
    On,
    PartAnswer,
    RecipeStep,
    SongData,
    TimeData,
    TrackData,
} from './types';

export interface Track extends Omit<TrackData, 'parts'> {
    parts: Part[];
}

/** What waits to be sent. Commands that wait travel together; `one` is a list that is a single step. */
type Item =
    | { kind: 'caret'; steps: number; by: unknown; from?: number; then?: (tick: number) => void }
    | { kind: 'carry'; then: (clip: Clip, inSpan: boolean) => void }
    | { kind: 'later'; run: () => void; afterAll?: boolean }
    | { kind: 'do'; command: Command; alone?: { key: string; done: Done }; quiet?: () => void }
    | { kind: 'one'; commands: Command[] }
    | { kind: 'undo' | 'redo' }
    | { kind: 'steps'; step: number | null };

/** Told whether a command that went alone is kept, and its answer where that was not lost. */
export type Done = (kept: boolean, answer: Answer | null) => void;

/** A batch with the key by which the server knows it, and what it was sent as: meant for the notes chosen then. */
interface Sealed {
    batch: Item[];
    key: string;
    body?: [string, Record<string, unknown>];
    /** The choice that it was typed with: one made later is not undone by its answer. */
    version: number;
}

const RETRY_MS = 1500;
/** How many of the last commands are kept at hand. */
const RECENT = 3;
/** The most commands in one request. */
const MOST_TOGETHER = 500;
/** Edits after which the same notes are chosen: what is typed after them need not wait to know which those are. */
const KEEPS_CHOICE = new Set(['nudge', 'snap-nudge', 'transpose', 'resize', 'velocity-add']);

/**
 * A song in the interface: the server's state as last told, the selection, and the queue of commands. Nothing is
 * shown as done before the server has said so; there are never two requests in flight.
 */
export class Song {
    readonly id: number;
    name = $state('');
    revision = 0;
    canUndo = $state(false);
    canRedo = $state(false);
    end = $state(0);
    time = $state.raw<Time>(null as unknown as Time);
    tracks = $state.raw<Track[]>([]);
    readonly parts = new Map<number, Part>();

    /** The part that is open, and the notes chosen in it. */
    open = $state.raw<Part | null>(null);
    selected = new Set<number>();
    /** The part opened last: what still waits was meant for it. */
    private home: Part | null = null;
    /** Goes up with each answer that may have changed the history. */
    revisionShown = $state(0);
    selectionVersion = $state(0);

    /** A place in time and pitch of the open part, to work at. */
    caret = $state.raw({ tick: 0, pitch: 60 });
    /** A stretch of time: looped, recorded in, copied, seen. */
    span = $state.raw<{ from: number; to: number } | null>(null);
    /** What was copied last. */
    carried: Clip | null = null;
    /** The tick under the pointer, and the note there, while it is over the notes. */
    pointer: { tick: number; note: Note | null } | null = null;
    /** Where commands would put the notes of the open part, while that is looked at. */
    landing = $state.raw<Landing | null>(null);
    /** What the parts are shown as instead of what they are, in words; empty while they are shown as they are. */
    comparing = $state('');

    /** Notes that meet a condition being made: marked in the roll. */
    marked = $state.raw<ReadonlySet<number> | null>(null);
    /** What is done while a recipe is recorded; null while none is. */
    recording = $state.raw<RecipeStep[] | null>(null);
    /** Steps recorded and folded, to be named and kept. */
    recorded: RecipeStep[] | null = null;
    /** The last commands that can be repeated, the latest first. */
    recent = $state.raw<Command[]>([]);

    said = $state('');
    warnings = $state.raw<string[]>([]);
    trouble = $state('');
    waiting = $state(0);

    /** Called with the notes that an answer changed or chose, to be heard. */
    onNotes: (notes: Note[], changed: boolean) => void = () => {};
    /** Called when the caret has come to where it was sent. */
    onCaret: () => void = () => {};
    /** Called when tempos or meters changed, with how they were. */
    onTime: (before: Time) => void = () => {};
    /** Called after each answer that changed the song. */
    onChange: () => void = () => {};

    private looking: AbortController | null = null;
    private comparison = 0;
    /** The edit that the last step was made by, and the revision that it left. */
    private last = { edit: '', revision: 0 };
    /** The notes that commands which wait are meant for, where that is no longer what is chosen. */
    private readonly meant = new WeakMap<Command, On>();
    private queue: Item[] = [];
    /** What is under way. */
    private flying: Item[] = [];
    /** What was sent and not answered, to be sent again as it is: the server knows it by its key. */
    private again: Sealed | null = null;
    /** What comes up while something is done in its turn goes before all that waits. */
    private front: Item[] | null = null;
    private busy = false;
    /** Another window said something while a request was under way. */
    private behind = false;
    private idle: (() => void)[] = [];
    private channel = new BroadcastChannel('jactonic');

    private constructor(data: SongData) {
        this.id = data.id;
        this.time = new Time(data.ppq, data.tempos, data.meters);
        this.load(data);
        this.channel.onmessage = (e: MessageEvent<{ song: number; revision: number }>) => {
            if (e.data.song === this.id && e.data.revision > this.revision) void this.catchUp();
        };
    }

    static async fetch(id: number): Promise<Song> {
        return new Song(await request<SongData>('GET', `songs/${id}`));
    }

    close(): void {
        this.onChange = this.onNotes = () => {};
        this.channel.close();
    }

    private load(data: SongData): void {
        this.time = new Time(data.ppq, data.tempos, data.meters);
        this.parts.clear();
        this.tracks = data.tracks.map((t) => ({ ...t, parts: t.parts.map((p) => new Part(t.id, p)) }));
        for (const track of this.tracks) for (const part of track.parts) this.parts.set(part.id, part);
        this.end = data.end;
        this.head(data);
    }

    private head(head: { name?: string; revision: number; canUndo: boolean; canRedo: boolean }): void {
        if (head.name !== undefined) this.name = head.name;
        this.revision = this.revisionShown = head.revision;
        this.canUndo = head.canUndo;
        this.canRedo = head.canRedo;
    }

    trackOf(part: Part): Track {
        return this.tracks.find((t) => t.id === part.trackId)!;
    }

    get selection(): Note[] {
        const notes: Note[] = [];
        for (const id of this.selected) {
            const note = this.open?.notes.get(id);
            if (note) notes.push(note);
        }
        return notes;
    }

    /** Chooses notes in the open part at once, as the mouse does. */
    select(ids: Iterable<number>): void {
        // What waits behind something that is done in its turn was typed after it, and is meant for what it leaves.
        if (!this.front) this.meanChosen([...(this.again?.batch ?? []), ...this.queue]);
        this.selected = new Set(ids);
        this.selectionVersion++;
    }

    /** What was typed until now is meant for the notes chosen until now. */
    private meanChosen(items: Item[]): void {
        const first = items.find((i) => (i.kind === 'do' && !i.alone) || i.kind === 'one');
        const waiting = first?.kind === 'do' ? first.command : first?.kind === 'one' ? first.commands[0] : undefined;
        if (waiting && !waiting.on && !waiting.set && !this.meant.has(waiting)) this.meant.set(waiting, this.on());
    }

    /** Opens a part: commands go to it, with nothing chosen. What waits for another part keeps its notes. */
    openPart(part: Part | null): void {
        if (this.open === part) return;
        if (this.open) this.select([]);
        this.unlook();
        this.showAsItIs();
        this.open = part;
        this.caret = { tick: part?.firstBar ?? 0, pitch: part?.ordered[0]?.pitch ?? 60 };
        this.pointer = null;
        this.home = part ?? this.home;
        this.selected = new Set();
        this.selectionVersion++;
        if (part)
            this.tell(
                part.notes.size === 0
                    ? `${part.name} is empty. A double click puts a note in; the keys below write at the caret, take the pen, and record.`
                    : `${part.name}: ${part.notes.size === 1 ? '1 note' : `${part.notes.size} notes`}.`,
                [],
                '',
            );
    }

    /** The part that was open last, to come back to. */
    get lastPart(): Part | null {
        return this.open ?? this.home;
    }

    private on(): On {
        const part = (this.open ?? this.home)!;
        return this.selected.size === part.notes.size && this.selected.size > 0
            ? { part: part.id, pick: { all: true } }
            : { part: part.id, notes: [...this.selected] };
    }

    do(command: Command): void {
        this.push({ kind: 'do', command });
    }

    /** What was done, in the order in which it was; what was refused, and what was taken back, does not count. */
    private noteAll(batch: Item[], answer: Answer): void {
        batch.forEach((item, i) => {
            if (item.kind === 'do' && !item.alone && !answer.refused?.some((r) => r.item === i))
                this.note(item.command);
            if (item.kind === 'undo' && this.recording)
                this.recording = this.recording.slice(
                    0,
                    Math.max(
                        0,
                        this.recording.findLastIndex((r) => r.edit !== undefined || r.recipe !== undefined),
                    ),
                );
        });
    }

    /** Keeps in mind what can be repeated, and what a recipe records. */
    private note({ edit, params, recipe, select, set, on, times = 1 }: Command): void {
        const step: RecipeStep | null = edit
            ? { edit, params: params ?? {} }
            : typeof recipe === 'string'
              ? { recipe }
              : select
                ? { select }
                : set
                  ? { set }
                  : null;
        if (!step) return;
        if (this.recording && !on) this.recording = [...this.recording, ...Array<RecipeStep>(times).fill(step)];
        if (on || select || set) return;
        const others = this.recent.filter((c) => !same(c, step));
        this.recent = [step as Command, ...others].slice(0, RECENT);
    }

    /** Does one of the last commands again, on what is chosen now. */
    repeat(back: number, times: number): void {
        const command = this.recent[back - 1];
        if (!command) this.tell('There is no command yet to repeat.');
        else this.push({ kind: 'do', command: { ...command, times } });
    }

    /** Begins to note down what is done; or ends it, and gives the steps back with repeats folded. */
    async record(): Promise<boolean> {
        // What was typed and waits belongs to it.
        await this.settled();
        const done = this.recording;
        if (done === null) {
            this.recording = [];
            this.tell('Recording a recipe: what you do from now on is noted down.');
            return false;
        }
        if (done.length === 0) {
            this.recording = null;
            this.tell('The recording is ended; nothing was noted down.');
            return false;
        }
        const folded = await request<{ steps: RecipeStep[] }>('POST', 'recipes/fold', { steps: done }).catch(
            (e: unknown) => (e instanceof Error ? e : new Error(String(e))),
        );
        if (folded instanceof Error) {
            // Nothing is lost: the recording goes on, to be ended again.
            this.tell('', [], folded.message);
            return false;
        }
        this.recording = null;
        const { steps } = folded;
        this.recorded = steps;
        this.tell(
            `${done.length === 1 ? '1 step' : `${done.length} steps`} noted down${steps.length < done.length ? `, folded to ${steps.length}` : ''}.`,
        );
        return steps.length > 0;
    }

    /** Whether the song still stands where an edit left it. */
    isLast(edit: string): boolean {
        return this.last.edit === edit && this.last.revision === this.revision && this.flying.length === 0;
    }

    /** Several commands as one step of the history. */
    one(commands: Command[]): void {
        this.push({ kind: 'one', commands });
    }

    undo(): void {
        this.push({ kind: 'undo' });
    }

    redo(): void {
        this.push({ kind: 'redo' });
    }

    goTo(step: number | null): void {
        this.push({ kind: 'steps', step });
    }

    /** Resolves when nothing waits and nothing is under way. */
    settled(): Promise<void> {
        return this.busy || this.queue.length > 0 || this.again
            ? new Promise((resolve) => this.idle.push(resolve))
            : Promise.resolve();
    }

    /**
     * Sends a command by itself under a key of its own, so that it can be sent again after a crash and is done once.
     * What is chosen stays chosen.
     */
    doAlone(command: Command, key: string, done: Done): void {
        this.push({ kind: 'do', command, alone: { key, done } });
    }

    /** Does a command that leaves the choice as it is and is not heard again; `done` is told when it is answered. */
    doQuietly(command: Command, done: () => void = () => {}): void {
        this.push({ kind: 'do', command, quiet: done });
    }

    private push(item: Item): void {
        if (this.front) {
            this.front.push(item);
            return;
        }
        this.queue.push(item);
        this.waiting = this.queue.length;
        if (!this.busy) void this.flush();
    }

    private runInTurn(run: () => void): void {
        this.front = [];
        try {
            run();
        } catch (e) {
            // What waits behind it goes on.
            this.tell('', [], e instanceof Error ? e.message : String(e));
        } finally {
            this.queue.unshift(...this.front);
            this.front = null;
        }
    }

    private async flush(): Promise<void> {
        this.busy = true;
        while (this.queue.length > 0 || this.again) {
            const sealed = this.again ?? this.seal();
            const { batch, key, version } = sealed;
            this.again = null;
            this.flying = batch;
            const first = batch[0]!;
            const alone = first.kind === 'do' ? first.alone : undefined;
            const quiet = first.kind === 'do' && first.quiet !== undefined;
            if (first.kind === 'later') {
                this.flying = [];
                this.runInTurn(first.run);
                continue;
            }
            try {
                if (first.kind === 'caret') {
                    await this.goOn(first);
                    continue;
                }
                if (first.kind === 'carry') {
                    await this.carryNow(first.then);
                    continue;
                }
                const [path, body] = (sealed.body ??= this.body(batch));
                const answer = await request<Answer>('POST', `songs/${this.id}/${path}`, {
                    base: this.revision,
                    key,
                    ...body,
                });
                this.trouble = '';
                const by = batch.at(-1)!;
                this.last = { edit: (by.kind === 'do' && by.command.edit) || '', revision: answer.revision };
                this.noteAll(batch, answer);
                this.apply(
                    answer,
                    version === this.selectionVersion && !alone && !quiet,
                    path,
                    first.kind === 'one',
                    !quiet,
                );
                told(batch);
                alone?.done(true, answer);
            } catch (e) {
                if (e instanceof Problem && e.status === 409 && e.catchUp) {
                    const same = version === this.selectionVersion;
                    this.caughtUp(e.catchUp);
                    this.trouble = '';
                    // Done before, and only the answer lost: what it did has been caught up with.
                    if (e.done) {
                        alone?.done(true, null);
                        told(batch);
                    } else this.again = { batch, key, version: same ? this.selectionVersion : version };
                } else if (e instanceof NoAnswer) {
                    this.trouble = e.message;
                    this.again = sealed;
                    await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
                } else {
                    this.tell('', [], e instanceof Error ? e.message : String(e));
                    alone?.done(false, null);
                    told(batch);
                }
            }
            this.waiting = this.queue.length + (this.again ? 1 : 0);
        }
        this.flying = [];
        this.busy = false;
        if (this.behind) void this.catchUp();
        for (const resolve of this.idle.splice(0)) resolve();
    }

    private seal(): Sealed {
        const version = this.selectionVersion;
        const batch = this.take();
        const [first] = batch;
        return { batch, version, key: (first?.kind === 'do' && first.alone?.key) || crypto.randomUUID() };
    }

    private take(): Item[] {
        const first = this.queue.shift()!;
        const batch = [first];
        if (first.kind === 'do' && first.alone) return batch;
        if (first.kind === 'do' || first.kind === 'undo' || first.kind === 'redo') {
            for (let next = this.queue[0]; next && batch.length < MOST_TOGETHER; next = this.queue[0]) {
                if (next.kind === first.kind && goTogether(first, next)) batch.push(this.queue.shift()!);
                else if (next.kind === 'later' && !next.afterAll && batch.every(keepsChoice)) {
                    // What waited to know the choice knows it: it does not change before.
                    this.queue.shift();
                    this.meanChosen(batch);
                    this.runInTurn(next.run);
                } else break;
            }
        }
        if (first.kind === 'caret') {
            // Moves by the same step are one.
            for (
                let next = this.queue[0];
                !first.then && next?.kind === 'caret' && !next.then && same(next.by, first.by);
                next = this.queue[0]
            ) {
                first.steps += next.steps;
                this.queue.shift();
            }
        }
        return batch;
    }

    private body(batch: Item[]): [string, Record<string, unknown>] {
        const first = batch[0]!;
        switch (first.kind) {
            case 'caret':
            case 'carry':
            case 'later':
                throw new Error('This is no request for the song.');
            case 'undo':
            case 'redo':
                return [first.kind, { times: batch.length }];
            case 'steps':
                return ['steps', { step: first.step }];
            case 'one':
                return ['edits', { do: this.placed(first.commands), as: 'one' }];
            case 'do':
                return ['edits', { do: this.placed(batch.map((i) => (i as { command: Command }).command)) }];
        }
    }

    /**
     * The first command that works on notes names the selection; those after it take what it leaves. Where the caret is
     * named, its tick is put in.
     */
    private placed(commands: Command[]): Command[] {
        let known = false;
        return commands.map((given) => {
            const command = this.withPlaces(given);
            const meant = this.meant.get(given);
            if (meant) {
                known = true;
                return { ...command, on: meant };
            }
            if (command.set || command.on || known) {
                known = known || !command.set;
                return command;
            }
            known = true;
            return { ...command, on: this.on() };
        });
    }

    /** Puts in the ticks of the places that a command names; an edge of a span that is not there is left out. */
    private withPlaces(command: Command): Command {
        const { span } = this;
        if (command.select)
            return { near: this.caret.tick, ...(span ? { span: [span.from, span.to] } : {}), ...command };
        const places: Record<string, number | undefined> = {
            caret: this.caret.tick,
            'span-start': span?.from,
            'span-end': span?.to,
        };
        const entries = Object.entries(command.params ?? {});
        if (!entries.some(([, v]) => typeof v === 'string' && v in places)) return command;
        return {
            ...command,
            params: Object.fromEntries(
                entries.map(([k, v]) => [k, typeof v === 'string' && v in places ? places[v] : v]),
            ),
        };
    }

    private apply(answer: Answer, keepsSelection: boolean, path: string, asOne: boolean, hear: boolean): void {
        this.head(answer);
        this.showAsItIs();
        const heard: Note[] = [];
        for (const [id, change] of Object.entries(answer.parts)) {
            const part = this.parts.get(Number(id));
            part?.apply(change);
            if (hear && part && part === this.open && path === 'edits' && change.put.length <= 24) {
                for (const row of change.put) heard.push(part.notes.get(row[0])!);
            }
        }
        const changed = heard.length > 0;
        if (answer.selection && keepsSelection) {
            const mine = answer.selection.find((s) => s.part === this.open?.id);
            if (mine) {
                this.selected = new Set(mine.notes);
                this.selectionVersion++;
                if (!changed && path === 'edits' && mine.notes.length <= 12) heard.push(...this.selection);
            }
        }
        if (answer.time) this.retime(answer.time);
        this.prune();
        const said = (asOne ? answer.said.join(' ') : answer.said.at(-1)) ?? '';
        // A note that was only touched says nothing.
        if (said !== '' || answer.warnings.length > 0 || answer.refused)
            this.tell(said, answer.warnings, answer.refused?.at(-1)?.detail ?? '');
        if (Object.keys(answer.parts).length > 0 || answer.time) {
            this.channel.postMessage({ song: this.id, revision: this.revision });
            this.onChange();
        }
        if (heard.length > 0) this.onNotes(heard, changed);
        if (answer.end > this.end) void this.reload();
    }

    /**
     * Asks where commands would put the notes; the latest question wins. A command that names no notes is for those
     * chosen; with none chosen, `orAll` looks at all.
     */
    async look(commands: Command[], orAll = false): Promise<void> {
        this.looking?.abort();
        const looking = (this.looking = new AbortController());
        const part = this.open;
        if (!part) return;
        const on: On = orAll && this.selected.size === 0 ? { part: part.id, pick: { all: true } } : this.on();
        try {
            const answer = await request<LandingAnswer>(
                'POST',
                `songs/${this.id}/landing`,
                { do: commands.map((c, i) => (i === 0 && !c.on ? { ...c, on } : c)) },
                looking.signal,
            );
            if (looking === this.looking && part === this.open) this.landing = Landing.of(answer, part);
        } catch (e) {
            if (looking.signal.aborted) return;
            this.landing = Landing.refused(e instanceof Error ? e.message : String(e));
        }
    }

    unlook(): void {
        this.looking?.abort();
        this.looking = null;
        this.landing = null;
    }

    /** Shows and plays the song as it was before its last step, or the open part as it was played, until `showAsItIs`. */
    async compare(to: 'before' | 'played'): Promise<void> {
        this.showAsItIs();
        const mine = ++this.comparison;
        await this.settled();
        const part = this.open;
        try {
            const answer =
                to === 'before'
                    ? await request<LandingAnswer>('GET', `songs/${this.id}/before`)
                    : await request<LandingAnswer>('POST', `songs/${this.id}/landing`, {
                          do: [{ edit: 'as-played', on: { part: part?.id, pick: { all: true } } }],
                      });
            if (mine !== this.comparison) return;
            this.show(answer.parts);
            this.comparing =
                to === 'before' ? answer.said.join(' ') : `As played: ${part?.name ?? ''} before any quantize.`;
        } catch (e) {
            if (mine === this.comparison) this.tell('', [], e instanceof Error ? e.message : String(e));
        }
    }

    private show(parts: Record<string, PartAnswer>): void {
        for (const [id, change] of Object.entries(parts)) this.parts.get(Number(id))?.showOtherwise(change);
        this.selectionVersion++;
        this.onChange();
    }

    showAsItIs(): void {
        this.comparison++;
        if (!this.comparing) return;
        this.comparing = '';
        for (const part of this.parts.values()) part.showAsItIs();
        this.selectionVersion++;
        this.onChange();
    }

    /** Puts the caret somewhere. */
    putCaret(tick: number, pitch = this.caret.pitch): void {
        this.caret = { tick: Math.max(0, Math.round(tick)), pitch: Math.max(0, Math.min(127, pitch)) };
    }

    /** Moves the caret in time, as the server's rules have it. */
    moveCaret(steps: number, by: unknown): void {
        this.push({ kind: 'caret', steps, by });
    }

    /** Asks where the caret's steps lead from a tick, and does something there. */
    caretFrom(from: number, steps: number, by: unknown, then: (tick: number) => void): void {
        this.push({ kind: 'caret', steps, by, from, then });
    }

    /**
     * Does something that looks at what is chosen or where the caret is: at once where that is known, else when what
     * was typed before has been answered.
     */
    inTurn(run: () => void): void {
        if ([...this.flying, ...(this.again?.batch ?? []), ...(this.front ?? []), ...this.queue].every(keepsChoice))
            run();
        else this.push({ kind: 'later', run });
    }

    /** Does something that looks at the notes, when all that was typed before has been answered. */
    afterAll(run: () => void): void {
        if (this.busy || this.queue.length > 0 || this.again) this.push({ kind: 'later', run, afterAll: true });
        else run();
    }

    private async goOn(item: Extract<Item, { kind: 'caret' }>): Promise<void> {
        const part = this.open;
        if (!part) return;
        const { tick } = await request<{ tick: number }>('POST', `songs/${this.id}/caret`, {
            part: part.id,
            tick: item.from ?? this.caret.tick,
            steps: item.steps,
            by: item.by,
        });
        if (part !== this.open) return;
        if (item.then) return item.then(tick);
        this.putCaret(tick);
        this.onCaret();
    }

    /** Takes over other tempos and meters, and the lines that follow them. */
    private retime(data: TimeData): void {
        const before = this.time;
        this.time = new Time(this.time.ppq, data.tempos, data.meters);
        for (const [id, lines] of Object.entries(data.lines))
            this.parts.get(Number(id))?.apply({ put: [], drop: [], lines });
        this.onTime(before);
    }

    /**
     * Keeps what is chosen, or with nothing chosen what lies in the span, to be put in elsewhere; then does something,
     * before all that was typed after it.
     */
    carry(then: (clip: Clip, inSpan: boolean) => void): void {
        this.push({ kind: 'carry', then });
    }

    private async carryNow(then: (clip: Clip, inSpan: boolean) => void): Promise<void> {
        const inSpan = this.selected.size === 0;
        if (inSpan && !this.span) return this.tell('Nothing is chosen, and there is no span: nothing was copied.');
        const clip = await request<Clip>('POST', `songs/${this.id}/clip`, {
            on: this.on(),
            ...(inSpan && this.span ? { from: this.span.from, to: this.span.to } : {}),
        });
        if (clip.notes.length === 0) return this.tell('Nothing sounds in the span: nothing was copied.');
        this.carried = clip;
        this.runInTurn(() => then(clip, inSpan));
    }

    /** Puts a sentence on the line below, for the person to read and to hear. */
    tell(said: string, warnings: string[] = [], trouble = ''): void {
        this.said = said;
        this.warnings = warnings;
        this.trouble = trouble;
    }

    private prune(): void {
        if (!this.open) return;
        for (const id of this.selected) if (!this.open.notes.has(id)) this.selected.delete(id);
    }

    /** Fetches what another window changed. */
    async catchUp(): Promise<void> {
        // What is under way may or may not know of it: looked at again when nothing is.
        this.behind = this.busy;
        if (this.busy) return;
        const news = await request<CatchUp>('GET', `songs/${this.id}/changes?since=${this.revision}`).catch(() => null);
        if (news && news.revision > this.revision && !this.busy) this.caughtUp(news);
    }

    private caughtUp(news: CatchUp): void {
        this.head(news);
        this.showAsItIs();
        this.end = Math.max(this.end, news.end);
        for (const [id, data] of Object.entries(news.parts)) this.parts.get(Number(id))?.load(data);
        if (news.time) this.retime(news.time);
        // A part that is not known yet was made elsewhere.
        if (Object.keys(news.parts).some((id) => !this.parts.has(Number(id)))) void this.fetchNew();
        this.tracks = this.tracks.map((t) => ({ ...t, ...news.tracks.find((n) => n.id === t.id) }));
        this.prune();
        this.selectionVersion++;
        this.onChange();
    }

    /** Takes in parts and tracks that were made since. */
    async fetchNew(): Promise<void> {
        await this.settled();
        const data = await request<SongData>('GET', `songs/${this.id}`).catch(() => null);
        if (!data || this.busy) return;
        this.tracks = data.tracks.map((t) => ({
            ...t,
            parts: t.parts.map((p) => this.parts.get(p.id) ?? new Part(t.id, p)),
        }));
        for (const track of this.tracks) for (const part of track.parts) this.parts.set(part.id, part);
        this.head(data);
        this.end = data.end;
        this.onChange();
    }

    /** Makes a part on a track, or a track with one, and gives its id; null where that was refused. */
    async make(path: string, body: Record<string, unknown> = {}): Promise<number | null> {
        await this.settled();
        try {
            const { part } = await request<{ part: number }>('POST', `songs/${this.id}/${path}`, body);
            await this.fetchNew();
            this.channel.postMessage({ song: this.id, revision: this.revision });
            return part;
        } catch (e) {
            this.tell('', [], e instanceof Error ? e.message : String(e));
            return null;
        }
    }

    /** The song grew past what was drawn: bars and lines have to reach further. */
    private async reload(): Promise<void> {
        const data = await request<SongData>('GET', `songs/${this.id}`).catch(() => null);
        if (!data || data.revision !== this.revision) return;
        this.end = data.end;
        for (const track of data.tracks)
            for (const part of track.parts) this.parts.get(part.id)?.apply({ put: [], drop: [], lines: part.lines });
        this.onChange();
    }

    async setTrack(track: Track, set: { muted?: boolean; soloed?: boolean }): Promise<void> {
        await this.settled();
        try {
            const answer = await request<{ revision: number; track: { muted: boolean; soloed: boolean } }>(
                'PATCH',
                `songs/${this.id}/tracks/${track.id}`,
                set,
            );
            this.revision = answer.revision;
            this.tracks = this.tracks.map((t) => (t.id === track.id ? { ...t, ...answer.track } : t));
            const now = answer.track;
            this.tell(
                'muted' in set
                    ? `${track.name} is ${now.muted ? 'muted' : 'heard again'}.`
                    : `${track.name} is ${now.soloed ? 'soloed' : 'no longer soloed'}.`,
                [],
                '',
            );
            this.channel.postMessage({ song: this.id, revision: this.revision });
            this.onChange();
        } catch (e) {
            this.tell('', [], e instanceof Error ? e.message : String(e));
        }
    }

    async rename(name: string): Promise<void> {
        await this.settled();
        await request('PATCH', `songs/${this.id}`, { name });
        await this.catchUp();
        this.channel.postMessage({ song: this.id, revision: this.revision });
    }

    /** Whether a track is heard, with all mutes and solos. */
    audible(track: Track): boolean {
        return !track.muted && (track.soloed || !this.tracks.some((t) => t.soloed));
    }
}

function keepsChoice(item: Item): boolean {
    return (
        item.kind === 'do' &&
        (item.alone !== undefined ||
            item.quiet !== undefined ||
            item.command.set !== undefined ||
            KEEPS_CHOICE.has(item.command.edit ?? ''))
    );
}

/** Whether two commands may travel in one request. */
function goTogether(a: Item, b: Item): boolean {
    return a.kind !== 'do' || b.kind !== 'do' || (!a.alone && !b.alone && !a.quiet === !b.quiet);
}

function told(batch: Item[]): void {
    for (const item of batch) if (item.kind === 'do') item.quiet?.();
}

function same(a: unknown, b: unknown): boolean {
    return JSON.stringify(a) === JSON.stringify(b);
}
