import type { Part } from '../api/part.svelte';
import type { Time } from '../api/time';
import type { Note } from '../api/tables';
import { noteName } from './names';

/** A note's numbers for people: place, length, pitch, velocity, and how far off its line in ms. */
export function numbersOf(note: Note, part: Part, time: Time): string {
    const line = part.lines.nearest(note.start);
    const ms = Math.round((time.seconds(note.start) - time.seconds(line)) * 1000);
    // What it was pushed past the limit.
    const carried =
        note.carryVelocity === 0 ? '' : ` ${note.carryVelocity > 0 ? '+' : '−'}${Math.abs(note.carryVelocity)}`;
    const off =
        note.start === line
            ? 'on the line'
            : ms === 0
              ? 'under 1 ms off'
              : `${Math.abs(ms)} ms ${ms > 0 ? 'late' : 'early'}`;
    return `${noteName(note.pitch, note.channel)}  ${time.position(note.start, part.lines)}  ${note.length} ticks  velocity ${note.velocity}${carried}  ${off}${note.muted ? '  muted' : ''}`;
}
