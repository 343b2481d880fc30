import { request } from './client';
import type { Item } from './items';
import type { SongState } from './song-state';
import type { Answer, Command } from './types';
import type { RecipeStep } from '../contract';

/** How many of the last commands are kept at hand. */
const RECENT = 3;

/** What was done, to be done again: the last commands, and what a recipe records. */
export class CommandLog {
    /** What is done while a recipe is recorded; null while none is. */
    recording = $state.raw<RecipeStep[] | null>(null);
    /** Steps recorded and folded, to be named and kept. */
    recorded: RecipeStep[] | null = null;
    /** The last commands that can be repeated, the latest first. */
    recent = $state.raw<Command[]>([]);

    constructor(private readonly song: SongState) {}

    /** What was done, in the order in which it was; what was refused, and what was taken back, does not count. */
    noteAll(batch: readonly Item[], answer: Answer): void {
        batch.forEach((item, i) => {
            if (item.kind === 'do' && !item.alone && !answer.refused?.some((r) => r.item === i))
                this.note(item.command);
            if (item.kind === 'undo' && this.recording)
                this.recording = this.recording.slice(
                    0,
                    Math.max(
                        0,
                        this.recording.findLastIndex((r) => r.edit !== undefined || r.recipe !== undefined),
                    ),
                );
        });
    }

    /** Keeps in mind what can be repeated, and what a recipe records. */
    private note({ edit, params, recipe, select, set, on, times = 1 }: Command): void {
        const step: RecipeStep | null = edit
            ? { edit, params: params ?? {} }
            : typeof recipe === 'string'
              ? { recipe }
              : select
                ? { select }
                : set
                  ? { set }
                  : null;
        if (!step) return;
        if (this.recording && !on) this.recording = [...this.recording, ...Array<RecipeStep>(times).fill(step)];
        if (on || select || set) return;
        const others = this.recent.filter((c) => JSON.stringify(c) !== JSON.stringify(step));
        this.recent = [step as Command, ...others].slice(0, RECENT);
    }

    /** Does one of the last commands again, on what is selected then: what was typed before it counts to them. */
    repeat(back: number, times: number): void {
        this.song.afterAll(() => {
            const command = this.recent[back - 1];
            if (!command) this.song.tell('There is no command yet to repeat.');
            else this.song.do({ ...command, times });
        });
    }

    /** Begins to note down what is done; or ends it, and gives the steps back with repeats folded. */
    async record(): Promise<boolean> {
        const { song } = this;
        // What was typed and waits belongs to it.
        await song.settled();
        const done = this.recording;
        if (done === null) {
            this.recording = [];
            song.tell('Recording a recipe: what you do from now on becomes its steps.');
            return false;
        }
        if (done.length === 0) {
            this.recording = null;
            song.tell('The recording is ended; nothing was recorded.');
            return false;
        }
        const folded = await request('POST', 'recipes/fold', { steps: done }).catch((e: unknown) =>
            e instanceof Error ? e : new Error(String(e)),
        );
        if (folded instanceof Error) {
            // Nothing is lost: the recording goes on, to be ended again.
            song.tell('', [], folded.message);
            return false;
        }
        this.recording = null;
        const { steps } = folded;
        this.recorded = steps;
        song.tell(
            `${done.length === 1 ? '1 step' : `${done.length} steps`} recorded${steps.length < done.length ? `, folded to ${steps.length}` : ''}.`,
        );
        return steps.length > 0;
    }
}
