import type { Note } from '../../api/tables';
import { keys } from '../../keys/keys.svelte';
import { transport } from '../../sound/transport.svelte';
import type { Gesture } from '../../stage/hands';
import { numbersOf } from '../numbers';
import type { RollModel } from '../roll-model.svelte';
import { NoteDrag, noteAt, OUTSIDE } from './drag';

/** A press on a note selects it, and drags what is selected. */
export function grab(model: RollModel): Gesture {
    const { song, part, overlay } = model;
    let drag: NoteDrag;
    let note: Note;
    /** What was selected before. */
    let keep = new Set<number>();

    function end(): void {
        model.raised = 0;
        overlay.outlines = null;
        model.touch('overlay', 'lane');
    }

    /** A click: alone it selects this note with its group (with Alt without it), with Shift it adds, with Mod it takes away or adds. */
    function click(mod: boolean, shift: boolean, alone: boolean): void {
        // The pen takes after the note, where it is told to.
        if (part.settings.velocityFrom === 'touched' || part.settings.lengthFrom === 'touched')
            song.do({ touched: note.id, part: part.id });
        const those = alone ? [note.id] : part.grouped([note.id]);
        if (mod) song.select(keep.has(note.id) ? [...keep].filter((id) => !those.includes(id)) : [...keep, ...those]);
        else if (!shift && song.selection.notes.size > 1) song.select(those);
        if (keep.has(note.id) && !mod) transport.try(part, [note]);
        model.sayChosen();
    }

    return {
        begin({ x, y, button, mod, shift, alt }) {
            const hit = button === 0 ? noteAt(model.view, part, song.selection.notes, x, y, OUTSIDE) : null;
            if (!hit) return false;
            keep = new Set(song.selection.notes);
            ({ note } = hit);
            const chosen = song.selection.notes.has(note.id);
            // With Mod on a note not selected it is open yet whether this adds the note or drags it alone.
            const those = alt ? [note.id] : part.grouped([note.id]);
            if (!chosen && !mod) song.select(shift ? [...song.selection.notes, ...those] : those);
            drag = new NoteDrag(
                part,
                chosen || !mod ? song.selectedNotes : [note],
                note,
                mod ? 'feel' : hit.grip,
                x,
                y,
            );
            if (!chosen) transport.try(part, [note]);
            return true;
        },
        move({ x, y, shift, alt }) {
            const { pitch } = drag.shift;
            drag.move(model.view, x, y, { shift, alt });
            if (!drag.idle && !song.selection.notes.has(drag.grabbed.id)) song.select([drag.grabbed.id]);
            overlay.outlines = drag.idle ? null : { notes: drag.notes, shift: drag.shift };
            model.raised = drag.velocity;
            if (pitch !== drag.shift.pitch)
                transport.try(part, [{ ...drag.grabbed, pitch: drag.grabbed.pitch + drag.shift.pitch }]);
            model.onHover(drag.words(song.time.ppq) || numbersOf(drag.grabbed, part, song.time));
            model.touch('overlay', 'lane');
        },
        drop(touch) {
            const commands = drag.commands();
            if (commands.length === 0 && overlay.outlines === null)
                click(touch?.mod ?? false, touch?.shift ?? false, touch?.alt ?? false);
            else if (commands.length === 1) song.do(commands[0]!);
            else if (commands.length > 1) song.one(commands);
            // What is done by mouse shows its key in the strip.
            if (commands[0]?.edit) keys.flashFor(commands[0].edit);
            end();
        },
        cancel: end,
    };
}
