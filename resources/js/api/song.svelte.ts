import { request } from './client';
import { caretIn } from './caret';
import { Clipboard } from './clipboard';
import { CrossWindow } from './cross-window.svelte';
import { TrackList } from './track-list.svelte';
import { Lines } from '../rules/lines';
import { Preview } from './preview.svelte';
import { CommandLog } from './command-log.svelte';
import { Part } from './part.svelte';
import { opened } from './opened';
import { Queue } from './queue.svelte';
import { Selection } from './selection.svelte';
import type { Done, Waiting } from './items';
import { choose, takeParts } from './apply-answer';
import type { SongState } from './song-state';
import { Time } from '../rules/time';
import type {
    Answer,
    Command,
    Where,
    Note,
    On,
    ReadingAnswers,
    ReadingId,
    ReadingParams,
    SelectionItem,
    Requires,
    SongData,
    TimeData,
} from './types';

/** How many selected notes are sounded. */
const MOST_CHOSEN_HEARD = 12;

/**
 * A song in the interface: the server's state as last told, the selection, and the queue of commands. Nothing is
 * shown as done before the server has said so.
 */
export class Song extends TrackList implements SongState {
    readonly id: number;
    end = $state(0);
    early = 0;
    time = $state.raw<Time>(null as unknown as Time);
    readonly parts = new Map<number, Part>();

    readonly queue: Queue = new Queue(this);
    readonly preview: Preview = new Preview(this);
    readonly commandLog = new CommandLog(this);
    readonly clipboard = new Clipboard(this);
    readonly crossWindow: CrossWindow = new CrossWindow(this);
    readonly selection = new Selection();

    /** The part that is open. */
    open = $state.raw<Part | null>(null);
    /** Where what is done is meant for: notes of the open part, or parts and tracks on the song page. */
    stage = $state<'roll' | 'song'>('roll');
    /** The track that the caret stands on there. */
    caretTrack = $state<number | null>(null);
    /** An answer to what was done here took the part away that is open. */
    private openIsGone = false;
    /** The part opened last: what still waits was meant for it. */
    private home: Part | null = null;
    /** The stretch of time that was last seen of a part, and how high its rows were. */
    seen: { left: number; scale: number; row: number } | null = null;
    /** The stretch of time that was last seen of the song page. */
    seenSong: { left: number; scale: number } | null = null;
    /** How often the hand has put the caret somewhere: older answers do not put it back. */
    handCarets = 0;

    /** A place in time and pitch of the open part, to work at. */
    caret = $state.raw({ tick: 0, pitch: 60 });
    /** Whether the caret stands where a note does, or did: then the line is meant on which that hangs. */
    onNote = false;
    /** The part that the last command made, to be opened. */
    made: number | null = null;
    /** The notes that it left selected there: they are when it is opened. */
    private inMade: SelectionItem | null = null;
    /** Where writing goes on, as the last answer said; null where it said nothing. */
    goesOn: number | null = null;
    /** A stretch of time: looped, recorded in, copied, seen. */
    span = $state.raw<{ from: number; to: number } | null>(null);
    /** The tick under the pointer, and the note there, while it is over the notes. */
    pointer: { tick: number; note: Note | null } | null = null;
    /** Notes that meet a condition being made: marked in the roll. */
    marked = $state.raw<ReadonlySet<number> | null>(null);

    /** Whether the same notes are selected after a command: its spec says so. */
    keeps: (command: Command) => boolean = () => false;
    /** What to press where nothing was done for want of something. */
    hint: (missing: Requires) => string = () => '';
    /** Called with the notes that an answer changed or chose, to be heard. */
    onNotes: (notes: Note[], changed: boolean) => void = () => {};
    /** Called when the caret has come to where it was sent. */
    onCaret: () => void = () => {};
    /** Called when tempos or meters changed, with how they were. */
    onTime: (before: Time) => void = () => {};
    /** The page that is wanted and still fetched. */
    arriving: () => Promise<unknown> | null = () => null;
    /** Whether the page that is gone to is not there yet: what is pressed is meant for it. */
    lacksPage: () => boolean = () => false;
    /** Called after each answer that changed the song. */
    onChange: () => void = () => {};

    /** The edit that the last step was made by, and the revision that it left. */
    private last = { edit: '', revision: 0 };
    private constructor(data: SongData) {
        super();
        this.id = data.id;
        this.load(data);
    }

    static async fetch(id: number): Promise<Song> {
        return new Song(await request('GET', `songs/${id}?brief=1`));
    }

    close(): void {
        this.onChange = this.onNotes = () => {};
        this.crossWindow.close();
    }

    private load(data: SongData): void {
        this.time = new Time(data.ppq, data.tempos, data.meters, data.markers, new Lines(data.plain));
        this.early = data.early;
        this.parts.clear();
        for (const track of data.tracks)
            for (const part of track.parts) this.parts.set(part.id, new Part(part, this, data.tables));
        this.setTracks(data.tracks);
        this.end = data.end;
        this.head(data);
    }

    get selectedNotes(): Note[] {
        const notes: Note[] = [];
        for (const id of this.selection.notes) {
            const note = this.open?.notes.get(id);
            if (note) notes.push(note);
        }
        return notes;
    }

    /** The hand selects something else: at once, or in its turn where keys wait that look at what is selected. */
    byHand(run: () => void): void {
        if (this.queue.holdsInput) return this.queue.push({ kind: 'later', run: () => this.byHand(run) });
        run();
        this.selection.changedByHand();
    }

    /** Selects notes in the open part, as the mouse does. The caret stays where it was put. */
    select(ids: Iterable<number>, beside: ReadonlyMap<number, ReadonlySet<number>> = new Map()): void {
        const wanted = new Set(ids);
        this.byHand(() => this.selection.takeNotes(wanted, beside));
    }

    /** Opens a part: commands go to it, with nothing selected. What waits for another part keeps its notes. */
    openPart(part: Part | null): void {
        if (this.open === part) return;
        // With a part that an answer took away the page goes too: what waits is for the page that comes then.
        if (!this.openIsGone) this.queue.leave();
        this.openIsGone = false;
        this.preview.unlook();
        this.preview.showAsItIs();
        this.open = part;
        if (part) this.caret = caretIn(part, this.caret, this.home === null, this.early);
        this.pointer = null;
        this.home = part ?? this.home;
        this.selection.clear();
        this.handCarets++;
        if (!part) return;
        const kept = this.inMade;
        this.inMade = null;
        // What was done in making it stays said.
        if (!kept || !('notes' in kept) || kept.part !== part.id || kept.notes.length === 0) this.tell(opened(part));
        else this.selection.take(part.id, [kept]);
    }

    /** The part that was open last, to come back to. */
    get lastPart(): Part | null {
        return this.open ?? this.home;
    }

    /** What is selected, as a command names it. */
    on(): On[] {
        if (this.stage === 'song') return this.selection.onParts();
        const part = this.open ?? this.home;
        return part ? this.selection.on(part) : [];
    }

    /** What says the grid that counts: what is selected, else a part on the track of the caret, else any. */
    onGrid(): On[] {
        if (this.stage === 'roll' || this.selection.parts.length > 0) return this.on();
        const part = this.tracks.find((t) => t.id === this.caretTrack)?.parts[0] ?? this.parts.values().next().value;
        return part ? [{ parts: [part.id] }] : [];
    }

    /** Where commands are asked for. */
    context(): Where {
        return {
            caret: this.caret,
            ...(this.pointer ? { pointer: this.pointer.tick } : {}),
            ...(this.span ? { span: [this.span.from, this.span.to] } : {}),
            ...(this.stage === 'song' && this.caretTrack !== null ? { track: this.caretTrack } : {}),
        };
    }

    do(command: Command): void {
        this.queue.push({ kind: 'do', command, keeps: this.keeps(command) });
    }

    /** Several commands as one step of the history. */
    one(commands: Command[]): void {
        this.queue.push({ kind: 'one', commands });
    }

    undo(): void {
        this.queue.push({ kind: 'undo', takesPage: this.openMayGo });
    }

    redo(): void {
        this.queue.push({ kind: 'redo', takesPage: this.openMayGo });
    }

    goTo(step: number | null): void {
        this.queue.push({ kind: 'steps', step, takesPage: this.openMayGo });
    }

    /** Whether the part that is open came while the song was open here: going through the history may take it away. */
    private get openMayGo(): boolean {
        return this.stage === 'roll' && this.open?.cameHere === true;
    }

    settled(): Promise<void> {
        return this.queue.settled();
    }

    inTurn(run: () => void): void {
        this.queue.inTurn(run);
    }

    afterAll(run: () => void): void {
        this.queue.afterAll(run);
    }

    withSelection(run: () => void): void {
        this.queue.withSelection(run);
    }

    /**
     * Sends a command by itself under a key of its own, so that it can be sent again after a crash and is done once.
     * What is selected stays selected.
     */
    doAlone(command: Command, key: string, done: Done): void {
        this.queue.push({ kind: 'do', command, keeps: true, alone: { key, done } });
    }

    /** Does a command that leaves the choice as it is and is not heard again; `done` is told when it is answered. */
    doQuietly(command: Command, done: () => void = () => {}): void {
        this.queue.push({ kind: 'do', command, keeps: true, quiet: done });
    }

    /** Does a command whose notes the hand has sounded; `done` is told when it is answered. */
    doSounded(command: Command, done: () => void): void {
        this.queue.push({ kind: 'do', command, keeps: this.keeps(command), sounded: done });
    }

    /** Whether the song still stands where an edit left it. */
    isLast(edit: string): boolean {
        return this.last.edit === edit && this.last.revision === this.revision && this.queue.flying.length === 0;
    }

    /** Takes in what the server answered. */
    take(
        answer: Answer,
        batch: readonly Waiting[],
        how: { keepsSelection: boolean; keepsCaret: boolean; hear: boolean },
    ): void {
        const by = batch.at(-1)!;
        this.last = { edit: (by.kind === 'do' && by.command.edit) || '', revision: answer.revision };
        this.commandLog.noteAll(batch, answer);
        this.head(answer);
        this.preview.showAsItIs();
        const heard: Note[] = [];
        this.made = null;
        takeParts(this, answer.parts, how.hear ? heard : null);
        this.openIsGone = this.open !== null && !this.parts.has(this.open.id);
        // What undo brings back is not opened, nor is what is made beside others.
        const inMade = answer.selection?.find((s) => 'notes' in s && s.part === this.made) ?? null;
        if (by.kind !== 'do' || !by.command.edit || !inMade) this.made = null;
        this.inMade = this.made === null ? null : inMade;
        if (answer.tracks || this.tracks.some((t) => t.parts.some((p) => !this.parts.has(p.id))))
            this.setTracks(answer.tracks);
        const changed = heard.length > 0;
        if (answer.selection && how.keepsSelection && choose(this, answer.selection)) {
            if (!changed && how.hear && this.selection.notes.size <= MOST_CHOSEN_HEARD)
                heard.push(...this.selectedNotes);
        }
        // Of many that stay selected it is not said again: what follows the choice looks anew all the same.
        if (answer.selection === null && how.keepsSelection) this.selection.version++;
        if (answer.at && how.keepsCaret) this.carry(answer.at, answer.atTrack);
        this.goesOn = answer.caret ?? null;
        if (answer.time) this.retime(answer.time);
        this.prune();
        // What the last of them was refused with stands alone, as where each is answered by itself.
        const isRefused = answer.refused?.some((r) => r.item === batch.length - 1);
        const sentence = isRefused ? '' : ((by.kind === 'one' ? answer.said.join(' ') : answer.said.at(-1)) ?? '');
        const said = answer.missing ? `${sentence} ${this.hint(answer.missing)}`.trim() : sentence;
        const last = answer.refused?.at(-1);
        // A note that was only touched says nothing.
        if (said !== '' || answer.warnings.length > 0 || answer.refused)
            this.tell(said, answer.warnings, last?.screen ?? last?.detail ?? '', by.input);
        if (Object.keys(answer.parts).length > 0 || answer.time || answer.tracks || answer.name !== undefined) {
            this.crossWindow.tell();
            this.onChange();
        }
        if (heard.length > 0) this.onNotes(heard, changed);
        this.end = Math.max(this.end, answer.end);
    }

    /** Takes the caret to a note, which may stand off its line. */
    followTo(tick: number, pitch: number): void {
        this.putCaret(tick, pitch);
        this.onNote = true;
    }

    /** The caret goes with the work. */
    private carry([tick, pitch]: [number, number], track: number | undefined): void {
        if (track !== undefined && this.tracks.some((t) => t.id === track)) this.caretTrack = track;
        if (this.caret.tick === tick && this.caret.pitch === pitch) return;
        this.onNote = true;
        this.caret = { tick, pitch };
    }

    /** Puts the caret somewhere, by hand: at once, or in its turn where keys wait that look at it. */
    putCaret(tick: number, pitch = this.caret.pitch): void {
        if (this.queue.holdsInput || this.queue.movesCaret)
            return this.queue.push({ kind: 'later', run: () => this.putCaret(tick, pitch) });
        this.onNote = false;
        this.handCarets++;
        this.caret = { tick: Math.max(0, Math.round(tick)), pitch: Math.max(0, Math.min(127, pitch)) };
    }

    /** Asks a reading about what is selected, in its turn. */
    ask<R extends ReadingId>(
        reading: R,
        params: () => ReadingParams[R],
        then: (answer: ReadingAnswers[R]) => void,
    ): void {
        this.queue.push({
            kind: 'ask',
            ask: () =>
                this.read(reading, params(), this.onGrid()).then((answer) => this.queue.runInTurn(() => then(answer))),
        });
    }

    async read<R extends ReadingId>(
        reading: R,
        params: ReadingParams[R],
        on: On[] = this.on(),
    ): Promise<ReadingAnswers[R]> {
        const asked = { reading, params: { ...params }, on, context: this.context() };
        // What each reading answers is not said by its address.
        return (await request('POST', `songs/${this.id}/reading`, asked)) as unknown as ReadingAnswers[R];
    }

    /** Takes over other tempos and meters, and the lines that follow them. */
    retime(data: TimeData): void {
        const before = this.time;
        this.time = new Time(this.time.ppq, data.tempos, data.meters, data.markers, new Lines(data.plain));
        const tables = new Map(Object.entries(data.tables).map(([name, table]) => [name, new Lines(table)]));
        for (const [id, name] of Object.entries(data.lines)) {
            const part = this.parts.get(Number(id));
            if (part) part.lines = tables.get(name)!;
        }
        for (const [id, sounds] of Object.entries(data.sounds ?? {})) this.parts.get(Number(id))?.heard.take(sounds);
        this.onTime(before);
    }

    protected get speaking(): number {
        return this.queue.speaking;
    }

    /** Deselects what is no more. */
    prune(): void {
        if (this.open) this.selection.prune(this.open, this.parts);
        this.selection.pruneParts(this.parts);
    }
}
