import { spread } from './ids';
import type { Part } from './part.svelte';
import { notesOf, otherwise, type Note } from './tables';
import type { ChangedNotes, LandingAnswer } from './types';

/** Where commands would put the notes of a part, and which of them to look at. */
export class Landing {
    private constructor(
        /** Notes that would change or come, as they would be. */
        readonly notes: Note[],
        readonly dropped: ReadonlySet<number>,
        readonly merging: ReadonlySet<number>,
        readonly far: ReadonlySet<number>,
        readonly said: string,
        readonly warnings: string[],
        readonly trouble: string,
    ) {}

    /** `hint`: what to press where something was missing, as a sentence. */
    static of(answer: LandingAnswer, part: Part, hint = ''): Landing {
        const given = answer.parts[part.id];
        const mine = given && 'put' in given ? given : undefined;
        return new Landing(
            [...notesOf(mine?.put ?? []), ...(mine?.changed ? changedOf(part, mine.changed) : [])],
            new Set(mine?.drop),
            new Set(answer.marks?.merging[part.id]),
            new Set(answer.marks?.far[part.id]),
            [...answer.said, hint].join(' ').trim(),
            answer.warnings,
            '',
        );
    }

    static refused(trouble: string): Landing {
        return new Landing([], new Set(), new Set(), new Set(), '', [], trouble);
    }
}

/** Notes of a part as columns say that they would be. */
function changedOf(part: Part, changed: ChangedNotes): Note[] {
    const notes = new Map<number, Note>();
    for (const id of spread(changed.id)) {
        const note = part.notes.get(id);
        if (note) notes.set(id, note);
    }
    otherwise(notes, changed);
    return [...notes.values()];
}
