import { counted } from '../../rules/counted';
import type { Handler } from '../../keys/keys.svelte';
import type { ArrangeModel } from '../arrange-model.svelte';
import { deleteParts, putIn } from './make';

const KEPT = 'jactonic.parts';

/** Parts that were copied, and where they stood: the earliest tick and the uppermost track. */
interface Kept {
    clip: unknown;
    at: number;
    track: number | undefined;
}

/** What was copied last here, where there is no room to keep it for other windows. */
let here: Kept | null = null;

/** Copy, cut and paste of parts: at the caret's time and track, also in another song. */
export function carried(model: ArrangeModel): Record<string, Handler> {
    const { song } = model;

    function copy(then: (ids: readonly number[]) => void): void {
        song.queue.push({
            kind: 'ask',
            ask: async () => {
                const ids = [...song.selection.parts];
                if (ids.length === 0) return song.tell('No parts are selected: nothing was copied.');
                const parts = song.tracks.flatMap((t) => t.parts).filter((p) => ids.includes(p.id));
                const at = Math.min(...parts.map((p) => p.head.from));
                keep({ clip: await song.read('part-clip', {}, [{ parts: ids }]), at, track: parts[0]?.trackId });
                song.queue.runInTurn(() => then(ids));
            },
        });
    }

    const words = (n: number): string => counted(n, 'part');
    return {
        copy: () => copy((ids) => song.tell(`${words(ids.length)} copied.`)),
        cut: () =>
            copy((ids) => {
                song.do(deleteParts(ids));
                song.afterAll(() => song.tell(`${words(ids.length)} cut.`));
            }),
        paste: (p) =>
            song.withSelection(() => {
                const copied = kept();
                if (!copied) return song.tell('No parts were copied.');
                const inPlace = p.where === 'place';
                const there =
                    inPlace && song.tracks.some((t) => t.id === copied.track) ? copied.track : model.track?.id;
                song.do(putIn(copied.clip, { at: inPlace ? copied.at : 'caret', ...(there ? { track: there } : {}) }));
                song.afterAll(() => {
                    if (song.goesOn !== null) song.putCaret(song.goesOn);
                });
            }),
    };
}

function keep(copied: Kept): void {
    here = copied;
    try {
        localStorage.setItem(KEPT, JSON.stringify(copied));
    } catch {
        localStorage.removeItem(KEPT);
    }
}

function kept(): Kept | null {
    try {
        const copied = JSON.parse(localStorage.getItem(KEPT) ?? 'null') as Kept | null;
        return copied?.clip ? copied : here;
    } catch {
        return here;
    }
}
