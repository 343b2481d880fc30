import { keys, type Handler } from '../../keys/keys.svelte';
import { startPlaying, stopPlaying } from '../../sound/announcement';
import { player } from '../../sound/inputs/player.svelte';
import type { RecordSettings } from '../../sound/record-settings';
import { recorder } from '../../sound/recorder.svelte';
import { transport } from '../../sound/transport.svelte';
import type { RollModel } from '../roll-model.svelte';

/** Each way to record that is one of two: what turns it, and how both are said. */
const TURNS: Record<string, { turn: (s: RecordSettings) => Partial<RecordSettings>; words: [string, string] }> = {
    timing: {
        turn: (s) => ({ timing: s.timing === 'raw' ? 'quantized' : 'raw' }),
        words: [
            'Recordings keep the played timing.',
            'Recordings are quantized to the part’s grid; Back to as played restores the played timing.',
        ],
    },
    punch: {
        turn: (s) => ({ punch: !s.punch }),
        words: ['Everything played is recorded.', 'Only what is played within the span is recorded.'],
    },
    into: {
        turn: (s) => ({ into: s.into === 'part' ? 'new' : 'part' }),
        words: ['Recordings go into the open part.', 'Each recording goes into a new part on this track.'],
    },
    mode: {
        turn: (s) => ({ mode: s.mode === 'overdub' ? 'replace' : 'overdub' }),
        words: ['Overdub: recordings are added to what is there.', 'Replace: recordings replace what is there.'],
    },
};
const FIRST: Partial<Record<string, unknown>> = { timing: 'raw', punch: false, into: 'part', mode: 'overdub' };

/** A take from the roll: where it begins, what starts it, and the simulated player. */
class Takes {
    constructor(private readonly model: RollModel) {}

    /** Where a take begins: where it plays from, or at the span that it goes round in or is bound to. */
    from(): number {
        const { song, part } = this.model;
        const { loop } = transport;
        if (loop?.on) return loop.from;
        const { span } = song;
        if (recorder.settings.punch && span && transport.tick >= span.to)
            return part.lines.barNumber(part.lines.barAt(span.from).index - 1).start;
        return transport.tick;
    }

    async record(from = this.from()): Promise<number | null> {
        const { song, part } = this.model;
        if (recorder.on) {
            recorder.stop();
            return null;
        }
        if (recorder.settings.punch && !song.span) {
            song.tell('', [], 'Recording is limited to the span, and there is none. Make a span, or record anywhere.');
            return null;
        }
        if (recorder.settings.into === 'new' && part.notes.size > 0) {
            recorder.next = true;
            keys.run('part-new');
            return null;
        }
        return recorder.start(song, part, from);
    }

    /** Plays, and records where it is armed. */
    async begin(from: number): Promise<number | null> {
        const { song, part } = this.model;
        return recorder.armed && !recorder.on ? this.record(from) : startPlaying(song, part.lines, from);
    }

    /** The simulated player plays; while something plays, from the next bar on. */
    async simulate(): Promise<void> {
        const { song, part } = this.model;
        if (player.playing) return player.stop();
        const running = transport.playing;
        // While it plays, the player comes in at the next bar.
        const from = running
            ? part.lines.after(transport.position(transport.now))
            : recorder.armed
              ? this.from()
              : song.caret.tick;
        try {
            const name = await player.learn(song, from);
            const due = running
                ? transport.now + song.time.seconds(from) - song.time.seconds(transport.position(transport.now))
                : await this.begin(from);
            if (due === null) return;
            player.play(due);
            if (!recorder.on) song.tell(`The simulated player plays “${name}”.`);
        } catch (e) {
            song.tell('', [], e instanceof Error ? e.message : String(e));
        }
    }
}

/** Playing and recording from the roll. */
export function recording(model: RollModel): Record<string, Handler> {
    const { song, part } = model;
    const takes = new Takes(model);
    if (recorder.next) {
        recorder.next = false;
        void recorder.start(song, part, takes.from());
    }
    return {
        player: () => song.inTurn(() => void takes.simulate()),
        record: () => song.inTurn(() => void takes.record()),
        arm: () => {
            recorder.armed = !recorder.armed;
            if (recorder.armed) void transport.standBy(part);
            song.tell(recorder.armed ? `${part.name} is armed: playing records.` : 'Nothing is armed.');
        },
        'take-back': () => recorder.takeBack(song),
        'record-set': (p) => {
            if (recorder.on) return song.tell('Recording settings cannot be changed while recording.');
            const what = String(p.what ?? 'mode');
            const { turn, words } = TURNS[what] ?? TURNS.mode!;
            recorder.set(turn(recorder.settings));
            song.tell(words[recorder.settings[what as keyof RecordSettings] === FIRST[what] ? 0 : 1]);
        },
        play: () => {
            if (transport.playing) return stopPlaying(song, part.lines);
            // From where the caret comes to, where it is still on its way.
            song.inTurn(() => void takes.begin(transport.loop?.on && recorder.armed ? takes.from() : transport.tick));
        },
        'play-from': () => song.afterAll(() => void takes.begin(model.bounds()?.[0] ?? song.caret.tick)),
        'play-span': () => {
            const { span } = song;
            if (!span) return song.tell('There is no span to play: make one first.');
            transport.setLoop({ ...span, on: true });
            void takes.begin(span.from);
        },
    };
}
