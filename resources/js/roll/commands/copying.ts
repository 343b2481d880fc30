import { counted } from '../../rules/counted';
import type { Part } from '../../api/part.svelte';
import type { Handler } from '../../keys/keys.svelte';
import type { RollModel } from '../roll-model.svelte';
import * as make from './make';

/** Notes copied, cut and pasted. */
export function copying(model: RollModel): Record<string, Handler> {
    const { song } = model;
    /** What waits its turn is for the part that is open then. */
    const here = (): Part => song.open ?? model.part;

    /** Keeps what is selected, or what lies in the span; then does what follows, in its turn. */
    function copy(then: (words: string, inSpan: boolean) => void): void {
        song.clipboard.copy(({ notes: { length: n } }, inSpan) =>
            then(`${counted(n, 'note')}${inSpan ? ' of the span' : ''}`, inSpan),
        );
    }

    /** What is pasted hangs on a line: where the caret stands on a note played off its line, that line is meant. */
    function lineAtCaret(): number {
        return song.onNote ? here().lines.nearest(song.caret.tick) : song.caret.tick;
    }

    return {
        copy: () => copy((words) => song.tell(`${words} copied.`)),
        cut: () =>
            copy((words, inSpan) => {
                song.do(inSpan ? make.cutSpan({ part: here().id, notes: [] }) : make.remove());
                song.afterAll(() => song.tell(`${words} cut.`));
            }),
        paste: (p) =>
            song.afterAll(() => {
                const { clip } = song.clipboard;
                if (!clip) return song.tell('Nothing was copied yet.');
                const at = p.where === 'place' ? clip.anchor : lineAtCaret();
                song.do(make.insert(here().id, clip.notes, { at, anchor: clip.anchor, points: clip.points ?? {} }));
                // Pasted once more it follows on.
                song.afterAll(() => {
                    song.putCaret(at + clip.length);
                    model.showCaret();
                });
            }),
    };
}
