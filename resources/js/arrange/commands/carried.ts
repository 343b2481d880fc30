import type { Handler } from '../../keys/keys.svelte';
import type { Desk } from '../desk.svelte';
import { deleteParts, putIn } from './make';

const KEPT = 'jactonic.parts';

/** What was copied last here, where there is no room to keep it for other windows. */
let here: unknown = null;

/** Copy, cut and paste of parts: at the caret's time and track, also in another song. */
export function carried(desk: Desk): Record<string, Handler> {
    const { song } = desk;

    function copy(then: (ids: readonly number[]) => void): void {
        song.queue.push({
            kind: 'ask',
            ask: async () => {
                const ids = [...song.chosenParts];
                if (ids.length === 0) return song.tell('No parts are chosen: nothing was copied.');
                keep(await song.read('part-clip', {}, [{ parts: ids }]));
                song.queue.runInTurn(() => then(ids));
            },
        });
    }

    const words = (n: number): string => (n === 1 ? '1 part' : `${n} parts`);
    return {
        copy: () => copy((ids) => song.tell(`${words(ids.length)} copied.`)),
        cut: () =>
            copy((ids) => {
                song.do(deleteParts(ids));
                song.afterAll(() => song.tell(`${words(ids.length)} cut.`));
            }),
        paste: () =>
            song.inTurn(() => {
                const clip = kept();
                if (!clip) return song.tell('No parts were copied.');
                const { track } = desk;
                song.do(putIn(clip, { at: 'caret', ...(track ? { track: track.id } : {}) }));
                song.afterAll(() => {
                    if (song.goesOn !== null) song.putCaret(song.goesOn);
                });
            }),
    };
}

function keep(clip: unknown): void {
    here = clip;
    try {
        localStorage.setItem(KEPT, JSON.stringify(clip));
    } catch {
        localStorage.removeItem(KEPT);
    }
}

function kept(): unknown {
    try {
        return JSON.parse(localStorage.getItem(KEPT) ?? 'null') ?? here;
    } catch {
        return here;
    }
}
