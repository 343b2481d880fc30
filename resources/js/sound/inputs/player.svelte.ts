import type { Song } from '../../api/song.svelte';
import { latency } from '../latency.svelte';
import { transport } from '../transport.svelte';
import { inputs } from './inputs.svelte';

const WHO = 'player';
const KEPT = 'jactonic.player';

export interface PlayerSettings {
    passage: string;
    /** ms */
    loose: number;
    seed: number;
    /** Quarters a minute; null to follow the song. */
    tempo: number | null;
    times: number;
}

/** When something is played: seconds since the first, and what to do. */
type Moment = [number, (stamp: number) => void];

/**
 * A person who is not there: plays a short passage into the same path as a keyboard, by the audio clock, as one does who
 * listens. What it plays is the server's; here it is only played on time.
 */
class Player {
    playing = $state(false);
    settings = $state.raw<PlayerSettings>({
        ...{ passage: 'bell', loose: 12, seed: 1, tempo: null, times: 1 },
        ...(JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<PlayerSettings>),
    });
    private timer = 0;
    private moments: Moment[] = [];

    set(change: Partial<PlayerSettings>): void {
        this.settings = { ...this.settings, ...change };
        localStorage.setItem(KEPT, JSON.stringify(this.settings));
    }

    /** What it will play from a tick on. */
    async learn(song: Song, from: number): Promise<string> {
        const { name, events } = await song.read('passage-reading', {
            ...this.settings,
            tempo: this.settings.tempo ?? undefined,
            from: Math.round(from),
        });
        this.moments = events
            .flatMap((e): Moment[] =>
                'pitch' in e
                    ? [
                          [e.on, (stamp) => inputs.on(WHO, e.pitch, e.velocity, stamp)],
                          [e.off, (stamp) => inputs.off(WHO, e.pitch, stamp)],
                      ]
                    : [[e.at, (stamp) => inputs.message(WHO, e.kind, e.data, stamp)]],
            )
            .sort((a, b) => a[0] - b[0]);
        return name;
    }

    /** Plays what was learnt, its first moment at a time of the audio clock. */
    play(at: number): void {
        this.stop();
        this.playing = true;
        let next = 0;
        const go = (): void => {
            // It plays to what it hears: where that ended, so does it.
            if (!transport.playing) return this.stop();
            for (; next < this.moments.length; next++) {
                const [seconds, play] = this.moments[next]!;
                const due = at + seconds;
                const wait = due + latency.told / 1000 - transport.now;
                if (wait > 0.001) {
                    this.timer = window.setTimeout(go, wait * 1000);
                    return;
                }
                // Stamped with when it was played, as a driver does: the page may come to it a little later.
                play(transport.stampOf(due));
            }
            this.stop();
        };
        go();
    }

    stop(): void {
        clearTimeout(this.timer);
        if (!this.playing) return;
        this.playing = false;
        inputs.letGo(WHO);
    }
}

export const player = new Player();
