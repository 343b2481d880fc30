import type { Part } from '../api/part.svelte';
import { lengthWords } from '../rules/note-value';
import type { Time } from '../rules/time';
import type { Note } from '../api/tables';
import { articulated } from './articulated.svelte';
import { noteName } from './names';

/** How far off its line a note is, in words. */
function off(note: Note, part: Part, time: Time): string {
    const line = part.lines.nearest(note.start);
    const ms = Math.round((time.seconds(note.start) - time.seconds(line)) * 1000);
    if (note.start === line) return 'on the line';
    return ms === 0 ? 'under 1 ms off' : `${Math.abs(ms)} ms ${ms > 0 ? 'late' : 'early'}`;
}

/** A note's numbers for people: place, length, pitch, velocity, and how far off its line in ms. */
export function numbersOf(note: Note, part: Part, time: Time): string {
    // What it was pushed past the limit.
    const carried =
        note.carryVelocity === 0 ? '' : ` ${note.carryVelocity > 0 ? '+' : '−'}${Math.abs(note.carryVelocity)}`;
    return `${noteName(note.pitch, note.channel)}  ${time.position(note.start, part.lines)}  ${lengthWords(note.length, time.ppq)}  velocity ${note.velocity}${carried}  ${off(note, part, time)}${note.muted ? '  muted' : ''}`;
}

/** What there is to know of one note besides its name and place; the server says the same of one that it chose. */
export function toldOf(note: Note, part: Part, time: Time): string {
    return [
        lengthWords(note.length, time.ppq),
        `velocity ${note.velocity}`,
        off(note, part, time),
        note.muted && 'muted',
        note.articulation > 0 && articulated.name(note.articulation),
        note.own && 'with curves',
    ]
        .filter(Boolean)
        .join(', ');
}
