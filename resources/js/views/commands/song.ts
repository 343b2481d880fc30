import { save, saveWhole } from '../../api/saving';
import type { Part } from '../../api/part.svelte';
import type { Song } from '../../api/song.svelte';
import type { Handler } from '../../keys/keys.svelte';
import { panels } from '../../panels.svelte';
import { tempoTap } from '../../roll/commands/make';
import { router } from '../../router.svelte';
import { startPlaying, stopPlaying } from '../../sound/announcement';
import { interrupted } from '../../sound/interrupted.svelte';
import { metronome } from '../../sound/metronome.svelte';
import { recorder } from '../../sound/recorder.svelte';
import { transport } from '../../sound/transport.svelte';
import { tuning } from '../../sound/tuning.svelte';

/** Seconds without a tap after which tapping begins anew, and the most taps of one go. */
const TAP_PAUSE = 2;
const MOST_TAPS = 60;

/** What a song can do on each of its pages, while there is one. */
export function songCommands(song: Song): Record<string, Handler> {
    return {
        undo: () => song.undo(),
        redo: () => song.redo(),
        steps: () => panels.turn({ name: 'steps' }),
        export: () => save(song),
        'export-whole': () => saveWhole(song),
        'open-songs': () => router.go({ at: 'songs' }),
        'open-song': () => router.go({ at: 'song', song: song.id }),
        track: (p) => {
            const part = partHere(song);
            const track = part && song.trackOf(part);
            if (track)
                song.crossWindow.setTrack(track.id, (now) =>
                    p.what === 'muted' ? { muted: !now.muted } : { soloed: !now.soloed },
                );
        },
        ...playing(song),
        ...recording(song),
    };
}

/** The part that one works in; null where one works on the song. */
const partHere = (song: Song): Part | null => (song.stage === 'roll' ? song.open : null);

function playing(song: Song): Record<string, Handler> {
    return {
        play: () => {
            const lines = (song.parts.values().next().value?.lines ?? song.time.plain)!;
            if (transport.playing) stopPlaying(song, lines);
            else void startPlaying(song, lines, transport.tick);
        },
        locate: (p) =>
            transport.locate(
                p.to === 'start'
                    ? 0
                    : (partHere(song)?.lastEnd ?? Math.max(0, ...[...song.parts.values()].map((q) => q.lastEnd))),
            ),
        loop: () => {
            if (recorder.on) return song.tell('The loop cannot be changed while recording.');
            if (transport.loop) transport.setLoop({ ...transport.loop, on: !transport.loop.on });
            else transport.setLoop({ from: 0, to: partHere(song)?.lastEnd || song.end, on: true });
            song.tell(transport.loop?.on ? 'The span loops.' : 'The span does not loop.');
        },
        hear: () => {
            transport.setHear(!transport.hear);
            song.tell(transport.hear ? 'Notes are heard when they are touched.' : 'Notes are not heard when touched.');
        },
        'stop-returns': () => {
            transport.setReturns(!transport.returns);
            song.tell(
                transport.returns
                    ? 'Stop returns the playhead to where it was started.'
                    : 'Stop leaves the playhead where it is.',
            );
        },
    };
}

function recording(song: Song): Record<string, Handler> {
    return {
        metronome: () => {
            metronome.turn(!metronome.on);
            song.tell(metronome.on ? 'The metronome is on.' : 'The metronome is off.');
        },
        'count-in': () => {
            recorder.set({ countIn: (recorder.settings.countIn + 1) % 3 });
            const { countIn } = recorder.settings;
            song.tell(
                countIn === 0
                    ? 'Recording begins without a count-in.'
                    : `${countIn === 1 ? 'A bar is' : 'Two bars are'} counted before recording.`,
            );
        },
        tap: () => tap(song),
        'tune-latency': () => tuning.turn(song),
        take: (p) => {
            const [left] = interrupted.left;
            if (!left) song.tell('No take was interrupted.');
            else if (p.what === 'drop') {
                interrupted.throwAway(left);
                song.tell('The interrupted take is discarded.');
            } else interrupted.restore(song, left);
        },
    };
}

let taps: number[] = [];

/** A tap a quarter: from the second on the tempo follows. */
function tap(song: Song): void {
    const now = performance.now() / 1000;
    if (taps.length >= MOST_TAPS || now - (taps.at(-1) ?? 0) > TAP_PAUSE) taps = [];
    taps = [...taps, now];
    if (taps.length < 2) return song.tell('Keep tapping, once a quarter.');
    song.do(tempoTap(taps, Math.round(transport.tick)));
}
