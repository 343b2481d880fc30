import { lengthWords } from '../../rules/note-value';
import { keys } from '../../keys/keys.svelte';
import type { Gesture } from '../../stage/hands';
import { PenStroke, tool } from '../pen.svelte';
import type { RollModel } from '../roll-model.svelte';
import { noteAt } from './drag';

/** The pen in hand: a press writes a note, whatever was selected; what it wrote is selected then. */
export function write(model: RollModel): Gesture {
    const { song, part, overlay } = model;
    let pen: PenStroke | null = null;

    function shown(): void {
        overlay.drawn = [...model.pending, ...(pen?.notes ?? [])];
        const [one, ...more] = pen?.notes ?? [];
        if (one)
            model.onHover(
                more.length > 0
                    ? `${more.length + 1} notes`
                    : `${model.rowName(one.pitch)}  ${song.time.position(one.start, part.lines)}  ${lengthWords(Math.round(one.length), song.time.ppq)}`,
            );
        model.touch('overlay');
    }

    function end(): void {
        if (pen) model.onHover('');
        pen = null;
        overlay.drawn = model.pending;
        model.touch('overlay');
    }

    return {
        begin({ x, y, button, mod, alt }) {
            if (button !== 0 || tool.name !== 'pen' || mod || noteAt(model.view, part, song.selection.notes, x, y))
                return false;
            const [tick, pitch] = [model.view.tick(x), model.view.pitch(y)];
            // The second press of a double click finds the note of the first, though the server has not told of it yet.
            if (model.pending.some((n) => n.pitch === pitch && tick >= n.start && tick < n.start + n.length))
                return true;
            pen = new PenStroke(part, x, y, tick, pitch, alt, model.underlay.writesInto(pitch));
            model.sound(pitch);
            shown();
            return true;
        },
        move({ x, y, shift, alt }) {
            if (!pen) return;
            const pitch = pen.last;
            pen.move(model.view, x, y, { shift, alt });
            if (pen.last !== pitch) model.sound(pen.last);
            shown();
        },
        drop() {
            if (pen) {
                const mine = pen.notes;
                model.pending = [...model.pending, ...mine];
                song.doSounded(pen.command(), () => {
                    model.pending = model.pending.filter((n) => !mine.includes(n));
                    if (!pen) overlay.drawn = model.pending;
                    model.touch('overlay');
                });
                keys.flashFor('insert-at');
            }
            end();
        },
        cancel: end,
    };
}
