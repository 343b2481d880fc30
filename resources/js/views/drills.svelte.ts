import { counted } from '../rules/counted';
import type { Drill } from '../api/types';
import { request } from '../api/client';
import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import { keys } from '../keys/keys.svelte';
import { labels } from '../keys/strokes';
import { router } from '../router.svelte';

/** A fault of the demo: what is wrong, what is to be reached, and the fewest keys that it takes. */
export type { Drill };

const KEPT = 'jactonic.drills';

/** The faults of the demo as things to be practised: which is tried, and in how many keys each was done. */
class Drills {
    all = $state.raw<Drill[]>([]);
    /** The fewest keys in which each was done here, by its id. */
    done = $state.raw<Record<string, number>>(read());
    running = $state.raw<{ drill: Drill; from: number; part: number } | null>(null);

    async load(): Promise<void> {
        if (this.all.length === 0) this.all = await request('GET', 'drills').catch(() => []);
    }

    /** The part of a song that a drill is about; undefined where it has none. */
    partOf(song: Song, drill: Drill): Part | undefined {
        return [...song.parts.values()].find((p) => p.name === drill.part);
    }

    /** Goes to its part, with nothing selected; keys are counted from here. */
    async start(song: Song, drill: Drill): Promise<void> {
        const part = this.partOf(song, drill);
        if (!part) return song.tell(`This song has no part “${drill.part}”: the drills are those of the demo song.`);
        router.go({ at: 'roll', song: song.id, part: part.id });
        await song.settled();
        song.select([]);
        const left = await this.left(song, part, drill);
        if (left === 0) return song.tell(`${drill.title}: nothing is wrong here any more. Undo restores it.`);
        this.running = { drill, from: keys.pressed, part: part.id };
        song.tell(`${drill.wrong} ${drill.goal}`);
    }

    /** Whether what is tried is reached. */
    async look(song: Song, part: Part): Promise<void> {
        const running = this.running;
        if (!running || running.part !== part.id) return;
        const taken = keys.pressed - running.from;
        if ((await this.left(song, part, running.drill)) > 0 || this.running !== running) return;
        this.running = null;
        const { id, keys: fewest } = running.drill;
        const best = Math.min(this.done[id] ?? Infinity, taken);
        this.done = { ...this.done, [id]: best };
        localStorage.setItem(KEPT, JSON.stringify(this.done));
        const enough =
            taken <= fewest.length ? ', as few as there are' : `; ${fewest.length} are enough: ${written(fewest)}`;
        song.tell(`Done in ${counted(taken, 'key')}${enough}. Hold Y for how it was.`);
    }

    private async left(song: Song, part: Part, drill: Drill): Promise<number> {
        const on = [{ part: part.id, pick: { all: true } }];
        const { notes } = await song.read('picked', { pick: drill.pick }, on);
        return notes.length;
    }
}

export function written(strokes: readonly string[]): string {
    return strokes.map((k) => labels(k).join(' ')).join(', ');
}

function read(): Record<string, number> {
    try {
        return JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Record<string, number>;
    } catch {
        return {};
    }
}

export const drills = new Drills();
