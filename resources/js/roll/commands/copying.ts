import { counted } from '../../rules/counted';
import type { Part } from '../../api/part.svelte';
import type { Clip, Command } from '../../api/types';
import type { Handler } from '../../keys/keys.svelte';
import type { RollModel } from '../roll-model.svelte';
import * as make from './make';

/** What was copied, counted. */
function copied({ notes, points }: Clip): string {
    const lanes = Object.values(points ?? {});
    return notes.length > 0 || lanes.length === 0
        ? counted(notes.length, 'note')
        : counted(
              lanes.reduce((sum, of) => sum + of.length, 0),
              'point',
          );
}

/** Notes and points copied, cut and pasted. */
export function copying(model: RollModel): Record<string, Handler> {
    const { song } = model;
    /** What waits its turn is for the part that is open then. */
    const here = (): Part => song.open ?? model.part;

    /** Keeps what is selected, or what lies in the span; then does what follows, in its turn. */
    function copy(p: Record<string, unknown>, then: (words: string, inSpan: boolean) => void): void {
        song.clipboard.copy(
            (clip, inSpan) => then(`${copied(clip)}${inSpan ? ' of the span' : ''}`, inSpan),
            p.span === true,
        );
    }

    /** What lies in the span, of what has the keys: notes, or the points of a lane. */
    function cutOfSpan(): Command {
        const { lane } = song.selection;
        const part = here().id;
        if (lane) return make.clearLane(part, lane, song.span!.from, song.span!.to);
        return make.cutSpan(song.selection.isAny ? song.on() : [{ part, notes: [] }]);
    }

    /** Notes go where notes are worked on; points into the lane that has the keys, else into their own. */
    function pasted({ notes, points = {}, anchor }: Clip, at: number): Command | null {
        const { lane } = song.selection;
        if (notes.length > 0) return lane ? null : make.insert(here().id, notes, { at, anchor, points });
        const [of, those] = Object.entries(points)[0]!;
        return make.pastePoints(here().id, lane ?? of, of, those, at, anchor);
    }

    /** What is pasted hangs on a line: where the caret stands on a note played off its line, that line is meant. */
    function lineAtCaret(): number {
        return song.onNote ? here().lines.nearest(song.caret.tick) : song.caret.tick;
    }

    return {
        copy: (p) => copy(p, (words) => song.tell(`${words} copied.`)),
        cut: (p) =>
            copy(p, (words, inSpan) => {
                song.do(!inSpan ? make.remove() : cutOfSpan());
                song.afterAll(() => song.tell(`${words} cut.`));
            }),
        paste: (p) =>
            song.afterAll(() => {
                const { clip } = song.clipboard;
                if (!clip) return song.tell('Nothing was copied yet.');
                const at = p.where === 'place' ? clip.anchor : lineAtCaret();
                const command = pasted(clip, at);
                if (!command) return song.tell('Notes were copied, and a lane has the keys: nothing was pasted.');
                song.do(command);
                // Pasted once more it follows on.
                song.afterAll(() => {
                    song.putCaret(at + clip.length);
                    model.showCaret();
                });
            }),
    };
}
