import { counted } from '../rules/counted';
import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Answer, PlayedEvent } from '../api/types';
import { TAKE } from './commands/take';
import { inputs, type Played } from './inputs/inputs.svelte';
import { interrupted } from './interrupted.svelte';
import { keepSettings, keptSettings, type RecordSettings } from './record-settings';
import { commandOf, type HeldNote, type Take } from './take';
import { lockOf, TakeStore, type Piece } from './takes';
import { latency } from './latency.svelte';
import { transport } from './transport.svelte';

/** Milliseconds for which what was played waits to travel together. */
const TOGETHER = 120;

/**
 * Records what is played: every event is kept in the browser at once, and sent in raw seconds while the take goes on,
 * so that each round is heard in the next. Where it falls in the song is the server's to say.
 */
class Recorder {
    armed = $state(false);
    /** A take is under way. */
    on = $state(false);
    /** Which round it is in, from 1; 0 where it does not go round. */
    round = $state(0);
    /** Notes taken so far. */
    count = $state(0);
    settings = $state.raw<RecordSettings>(keptSettings());
    /** The next part that is opened is to be recorded into. */
    next = false;
    private take: Take | null = null;
    private timer = 0;
    private rounds = 0;
    private starting = false;

    constructor() {
        inputs.listen((played) => this.hear(played));
    }

    set(change: Partial<RecordSettings>): void {
        this.settings = { ...this.settings, ...change };
        keepSettings(this.settings);
    }

    /** The notes that are held now. */
    get held(): HeldNote[] {
        return this.take ? [...this.take.held.values()] : [];
    }

    /** The part that is recorded into. */
    get part(): Part | null {
        return this.take?.part ?? null;
    }

    /** Begins a take at a tick, or where the song is while it plays; gives the audio time at which it begins. */
    async start(song: Song, part: Part, from: number): Promise<number | null> {
        if (this.on || this.starting) return null;
        this.starting = true;
        try {
            const { settings } = this;
            const running = transport.playing;
            const { loop } = transport;
            const round = loop?.on && (running ? transport.position() : from) < loop.to ? loop : null;
            transport.forTake(true);
            const at = running
                ? transport.now
                : await transport.play(from, { countIn: settings.countIn, click: settings.click });
            if (at === null) {
                transport.forTake(false);
                song.tell('', [], transport.trouble || 'Recording needs sound, and there is none.');
                return null;
            }
            const tick = running ? transport.position(at) : from;
            this.begin(song, part, Math.round(tick), at, round);
            return at;
        } finally {
            this.starting = false;
        }
    }

    private begin(song: Song, part: Part, from: number, at: number, loop: { from: number; to: number } | null): void {
        const { settings } = this;
        const id = Math.floor(Math.random() * 2 ** 40) + 1;
        const { time, span } = song;
        const params: Record<string, unknown> = {
            take: id,
            from,
            timing: settings.timing,
            mode: settings.mode,
            ...(loop ? { loopFrom: loop.from, loopTo: loop.to } : {}),
            ...(settings.punch && span ? { punchFrom: span.from, punchTo: span.to } : {}),
        };
        const store = new TakeStore(id);
        let letGo = (): void => {};
        // Held for as long as the take is: a window that goes lets go of it.
        void navigator.locks?.request(lockOf(id), () => new Promise<void>((resolve) => (letGo = resolve)));
        this.take = {
            id,
            song,
            part,
            store,
            params,
            at,
            from,
            late: latency.seconds,
            first: loop ? time.seconds(loop.to) - time.seconds(from) : Infinity,
            length: loop ? time.seconds(loop.to) - time.seconds(loop.from) : Infinity,
            held: new Map(),
            waiting: [],
            open: 0,
            refused: '',
            notes: new Set(),
            there: new Set(part.notes.keys()),
            replaced: 0,
            letGo: () => letGo(),
        };
        try {
            store.begin({
                id,
                song: song.id,
                songName: song.name,
                part: part.id,
                partName: part.name,
                params,
                begun: new Date().toISOString(),
            });
        } catch {
            song.tell('', [], 'The browser has no room left to keep a take safe; it is sent as it is played.');
        }
        this.on = true;
        this.count = 0;
        this.round = loop ? 1 : 0;
        if (settings.mode === 'replace')
            transport.forTake(
                true,
                (p, note) =>
                    p === part && (!settings.punch || !span || (note.start >= span.from && note.start < span.to)),
            );
        transport.onStop = () => this.stop();
        this.rounds = window.setInterval(() => this.goRound(), 50);
    }

    /** Ends the take; what is held ends with it. */
    stop(): void {
        const { take } = this;
        if (!take) return;
        const now = Math.max(0, this.now(take));
        for (const [key, held] of [...take.held]) this.end(take, key, held, now);
        this.flush(take, now);
        this.take = null;
        this.on = false;
        this.round = 0;
        clearInterval(this.rounds);
        clearTimeout(this.timer);
        transport.forTake(false);
        transport.onStop = () => {};
        if (transport.playing) transport.stop();
        void take.song.settled().then(() => {
            if (take.open === 0 && !take.refused) take.store.forget();
            take.letGo();
            if (take.refused) {
                take.song.tell('', [], `${take.refused} What was played is kept in this browser.`);
                void interrupted.look(take.song);
                return;
            }
            if (take.song.open !== take.part) return;
            const notes = [...take.notes].filter((id) => take.part.notes.has(id));
            const count = notes.length;
            take.song.select(notes);
            take.song.tell(
                count === 0
                    ? 'Recording ended; nothing was played.'
                    : `${counted(count, 'note')} recorded into ${take.part.name}.`,
                take.song.warnings,
            );
        });
    }

    /** Takes away what the last round brought, and what of it is not sent yet. */
    takeBack(song: Song): void {
        const { take } = this;
        if (take) {
            this.flush(take, Math.max(0, this.now(take)));
            take.held.clear();
        }
        song.afterAll(() => {
            if (!song.isLast(TAKE)) return song.tell('The last step is not a recording: there is nothing to delete.');
            song.undo();
            song.inTurn(() => {
                if (!take || this.take !== take) return;
                for (const id of take.notes) if (!take.part.notes.has(id)) take.notes.delete(id);
                this.count = take.notes.size;
            });
        });
    }

    private hear(played: Played): void {
        const { take } = this;
        if (!take) return;
        const seconds = transport.audioAt(played.stamp) - take.late - take.at;
        if (played.kind === 'on') {
            const note = { on: seconds, pitch: played.pitch, velocity: played.velocity };
            take.held.set(`${played.who}:${played.pitch}`, {
                ...note,
                tick: transport.position(),
                loose: this.keep(take, { round: this.roundAt(take, seconds), event: note }),
            });
        } else if (played.kind === 'off') {
            const key = `${played.who}:${played.pitch}`;
            const held = take.held.get(key);
            if (held) this.end(take, key, held, seconds, played.release);
        } else {
            const event: PlayedEvent = { at: seconds, kind: played.kind, data: played.data };
            const round = this.roundAt(take, seconds);
            take.waiting.push({ round, event, loose: this.keep(take, { round, event }) });
            this.soon(take);
        }
    }

    private end(take: Take, key: string, held: HeldNote, seconds: number, release?: number): void {
        take.held.delete(key);
        const event: PlayedEvent = {
            on: held.on,
            off: Math.max(seconds, held.on),
            pitch: held.pitch,
            velocity: held.velocity,
            ...(release === undefined ? {} : { release }),
        };
        const round = this.roundAt(take, held.on);
        try {
            take.store.change(held.loose, { round, event });
        } catch {
            // No room: it is sent all the same.
        }
        take.waiting.push({ round, event, loose: held.loose });
        this.soon(take);
    }

    private keep(take: Take, loose: Parameters<TakeStore['add']>[0]): number {
        try {
            return take.store.add(loose);
        } catch {
            return -1;
        }
    }

    private soon(take: Take): void {
        // What gives way to a take does so when the round is over, all at once.
        if (take.params.mode === 'replace') return;
        this.timer ||= window.setTimeout(() => {
            this.timer = 0;
            this.flush(take, 0);
        }, TOGETHER);
    }

    /** Sends what has ended: a piece for each round. */
    private flush(take: Take, now: number): void {
        clearTimeout(this.timer);
        this.timer = 0;
        const replaces = take.params.mode === 'replace';
        const rounds = new Map<number, Take['waiting']>();
        for (const one of take.waiting.splice(0)) rounds.set(one.round, [...(rounds.get(one.round) ?? []), one]);
        if (replaces && now > take.replaced) {
            const round = this.roundAt(take, (take.replaced + now) / 2);
            rounds.set(round, rounds.get(round) ?? []);
        }
        for (const [round, all] of [...rounds].sort(([a], [b]) => a - b)) {
            const piece: Piece = {
                key: crypto.randomUUID(),
                round,
                events: all.map((one) => one.event),
                ...(replaces ? { since: take.replaced, until: now } : {}),
            };
            try {
                take.store.seal(
                    piece,
                    all.map((one) => one.loose),
                );
            } catch {
                // No room: it is sent all the same.
            }
            this.send(take, piece);
        }
        if (replaces) take.replaced = Math.max(take.replaced, now);
    }

    private send(take: Take, piece: Piece): void {
        take.open++;
        this.count += piece.events.filter((e) => 'pitch' in e).length;
        take.song.doAlone(commandOf(take.params, take.part.id, piece), piece.key, (kept, answer) => {
            take.open--;
            if (!kept) {
                take.refused = take.song.trouble;
                return;
            }
            take.store.kept(piece.key);
            this.noteNotes(take, answer);
        });
    }

    private noteNotes(take: Take, answer: Answer | null): void {
        const change = answer?.parts[String(take.part.id)];
        // A part that grew tells of more notes than came: those that were there are not of the take.
        if (change && 'put' in change)
            for (const row of change.put) if (!take.there.has(row[0]!)) take.notes.add(row[0]!);
    }

    private goRound(): void {
        const { take } = this;
        if (!take || take.length === Infinity) return;
        const now = this.now(take);
        const round = this.roundAt(take, now);
        if (round === this.round) return;
        this.round = round;
        this.flush(take, take.first + (round - 2) * take.length);
    }

    /** Seconds of the take that are heard now. */
    private now(take: Take): number {
        return transport.now - take.late - take.at;
    }

    private roundAt(take: Take, seconds: number): number {
        return seconds < take.first ? 1 : 2 + Math.floor((seconds - take.first) / take.length);
    }
}

export const recorder = new Recorder();
