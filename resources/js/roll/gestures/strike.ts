import { counted } from '../../rules/counted';
import { keys } from '../../keys/keys.svelte';
import { inputs } from '../../sound/inputs/inputs.svelte';
import { recorder } from '../../sound/recorder.svelte';
import type { Gesture } from '../../stage/hands';
import type { RollModel } from '../roll-model.svelte';

/**
 * A key of the roll's keyboard is struck: it sounds, is played like any other, and selects its row. Drawn over others, it
 * sounds each, and the rows between the first and the last are selected.
 */
export function strike(model: RollModel): Gesture {
    const { song, part } = model;
    /** What was selected before and stays, and the keys from the first to the one under the pointer; null while none is struck. */
    let struck: { before: number[]; first: number; last: number } | null = null;
    const letGo = (): void => {
        inputs.letGo('screen');
        struck = null;
    };

    function sound(pitch: number, stamp: number): void {
        inputs.letGo('screen');
        inputs.on('screen', pitch, part.settings.penVelocity, stamp);
    }

    /** What lies in the rows between, of those that are shown. */
    function choose({ before, first, last }: NonNullable<typeof struck>): void {
        const { view } = model;
        const [low, high] = view.slot(first) < view.slot(last) ? [first, last] : [last, first];
        const isIn = (slot: number): boolean => slot >= view.slot(low) && slot <= view.slot(high);
        const found = part.ordered.filter((n) => isIn(view.slot(n.pitch)) && part.holds(n.start)).map((n) => n.id);
        song.select([...before, ...found]);
        const where =
            low === high ? `on ${model.rowName(low)}` : `from ${model.rowName(low)} to ${model.rowName(high)}`;
        song.tell(`${counted(found.length, 'note')} ${where} selected.`);
        keys.flashFor('select', { move: 'row' });
    }

    return {
        begin({ y, button, mod, shift, stamp }) {
            if (button !== 0) return false;
            const pitch = model.view.pitch(y);
            sound(pitch, stamp);
            if (recorder.on || model.steps.on) return true;
            struck = { before: shift || mod ? [...song.selection.notes] : [], first: pitch, last: pitch };
            choose(struck);
            return true;
        },
        move({ y, stamp }) {
            const pitch = model.view.pitch(y);
            if (!struck || pitch === struck.last) return;
            struck.last = pitch;
            sound(pitch, stamp);
            choose(struck);
        },
        drop: letGo,
        cancel: letGo,
    };
}
