import type { Part } from './part.svelte';
import { noteOf, type Note } from './tables';
import type { LandingAnswer } from './types';

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

    static of(answer: LandingAnswer, part: Part): Landing {
        const given = answer.parts[part.id];
        const mine = given && 'put' in given ? given : undefined;
        return new Landing(
            (mine?.put ?? []).map(noteOf),
            new Set(mine?.drop),
            new Set(answer.marks.merging[part.id]),
            new Set(answer.marks.far[part.id]),
            answer.said.join(' '),
            answer.warnings,
            '',
        );
    }

    static refused(trouble: string): Landing {
        return new Landing([], new Set(), new Set(), new Set(), '', [], trouble);
    }
}
