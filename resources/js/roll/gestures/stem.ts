import type { Note } from '../../api/tables';
import { keys } from '../../keys/keys.svelte';
import type { Gesture } from '../../stage/hands';
import { louderBy } from '../commands/make';
import { stemTop } from '../layers/velocity';
import { numbersOf } from '../numbers';
import type { RollModel } from '../roll-model.svelte';

const REACH = 7;
const MOST = 126;

/** As far as velocities go in one go. */
export const within = (by: number): number => Math.max(-MOST, Math.min(MOST, by));

/** The stem at a place of the velocity lane; a selected one goes before others. */
export function stemAt(model: RollModel, x: number): Note | null {
    let hit: Note | null = null;
    let best = REACH;
    const { view, song } = model;
    model.part.between(Math.floor(view.tick(x - REACH - 1)), Math.ceil(view.tick(x + REACH + 1)), (n) => {
        const away = Math.abs(view.x(n.start) - x) - (song.selection.notes.has(n.id) ? 2 : 0);
        if (away < best) [hit, best] = [n, away];
    });
    return hit;
}

/** Drags what is selected louder or softer in the velocity lane. */
export function raise(model: RollModel, height: () => number): Gesture {
    const { song, part } = model;
    let from = 0;

    function end(): void {
        model.raised = 0;
        model.touch('lane');
    }

    return {
        begin({ x, y, button }) {
            const hit = button === 0 ? stemAt(model, x) : null;
            if (!hit) return false;
            if (!song.selection.notes.has(hit.id)) song.select([hit.id]);
            from = y;
            model.onHover(numbersOf(hit, part, song.time));
            return true;
        },
        move({ y }) {
            // Past the end of the lane they stop.
            const raised = within(Math.round(((from - y) / (stemTop(0, height()) - stemTop(127, height()))) * 127));
            const clipped = song.selectedNotes.filter(
                (n) => n.velocity + raised > 127 || n.velocity + raised < 1,
            ).length;
            model.raised = raised;
            model.onHover(`velocity ${raised > 0 ? '+' : ''}${raised}${clipped ? `, ${clipped} at the limit` : ''}`);
            model.touch('lane');
        },
        drop() {
            const command = louderBy(model.raised);
            if (model.raised !== 0) {
                song.do(command);
                keys.flashFor(command.edit!);
            }
            end();
        },
        cancel: end,
    };
}
