/** What the server says and is asked, as the contract has it, and a few names for parts of that. */
export type * from '../contract';
import type { Answer, Context, Plays, ReadingAnswers } from '../contract';
import type { Note } from './tables';

export type { Note, Point, Row } from './tables';
export type { Plays };

export type GridReading = ReadingAnswers['grid-reading'];
export type GridWeighed = GridReading['grids'][number];

/** Notes carried away, and which place among them goes where they are put. */
export interface Clip extends Omit<ReadingAnswers['clip'], 'notes' | 'points'> {
    notes: Partial<Note>[];
    points?: ReadingAnswers['clip']['points'];
}

/** Where a command is asked for, as a page says it: it always has a caret of tick and pitch, or none. */
export type Where = Omit<Context, 'caret'> & { caret?: { tick: number; pitch: number } };

/** What a command needs. */
export type Requires = NonNullable<Answer['missing']>;
