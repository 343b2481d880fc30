import { keys } from '../../keys/keys.svelte';
import type { Gesture } from '../../stage/hands';
import { PenStroke, tool } from '../pen.svelte';
import type { Sheet } from '../sheet.svelte';
import { noteAt } from './drag';

/** The pen in hand: a press writes a note, or ends a choice. */
export function write(sheet: Sheet): Gesture {
    const { song, part, overlay } = sheet;
    let pen: PenStroke | null = null;

    function shown(): void {
        overlay.drawn = [...sheet.pending, ...(pen?.notes ?? [])];
        const [one, ...more] = pen?.notes ?? [];
        if (one)
            sheet.onHover(
                more.length > 0
                    ? `${more.length + 1} notes`
                    : `${sheet.rowName(one.pitch)}  ${song.time.position(one.start, part.lines)}  ${Math.round(one.length)} ticks`,
            );
        sheet.touch('overlay');
    }

    function end(): void {
        if (pen) sheet.onHover('');
        pen = null;
        overlay.drawn = sheet.pending;
        sheet.touch('overlay');
    }

    return {
        begin({ x, y, button, mod, alt }) {
            if (button !== 0 || tool.name !== 'pen' || mod || noteAt(sheet.view, part, song.selected, x, y))
                return false;
            if (song.selected.size > 0) {
                // A press that ends a choice draws nothing.
                song.select([]);
                return true;
            }
            const [tick, pitch] = [sheet.view.tick(x), sheet.view.pitch(y)];
            // The second press of a double click finds the note of the first, though the server has not told of it yet.
            if (sheet.pending.some((n) => n.pitch === pitch && tick >= n.start && tick < n.start + n.length))
                return true;
            pen = new PenStroke(part, x, y, tick, pitch, alt, sheet.underlay.writesInto(pitch));
            sheet.sound(pitch);
            shown();
            return true;
        },
        move({ x, y, shift, alt }) {
            if (!pen) return;
            const pitch = pen.last;
            pen.move(sheet.view, x, y, { shift, alt });
            if (pen.last !== pitch) sheet.sound(pen.last);
            shown();
        },
        drop() {
            if (pen) {
                const mine = pen.notes;
                sheet.pending = [...sheet.pending, ...mine];
                song.doQuietly(pen.command(), () => {
                    sheet.pending = sheet.pending.filter((n) => !mine.includes(n));
                    if (!pen) overlay.drawn = sheet.pending;
                    sheet.touch('overlay');
                });
                keys.flashFor('insert-at');
            }
            end();
        },
        cancel: end,
    };
}
