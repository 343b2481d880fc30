import { counted } from '../../rules/counted';
import { keys } from '../../keys/keys.svelte';
import { inputs } from '../../sound/inputs/inputs.svelte';
import { recorder } from '../../sound/recorder.svelte';
import type { Gesture } from '../../stage/hands';
import type { RollModel } from '../roll-model.svelte';

/** A key of the roll's keyboard is struck: it sounds, is played like any other, and selects its row. */
export function strike(model: RollModel): Gesture {
    const { song, part } = model;
    const letGo = (): void => inputs.letGo('screen');
    return {
        begin({ y, button, mod, shift, stamp }) {
            if (button !== 0) return false;
            const pitch = model.view.pitch(y);
            inputs.on('screen', pitch, part.settings.penVelocity, stamp);
            if (recorder.on || model.steps.on) return true;
            const row = part.ordered.filter((n) => n.pitch === pitch && part.holds(n.start)).map((n) => n.id);
            song.select(shift || mod ? [...song.selection.notes, ...row] : row);
            song.tell(`${counted(row.length, 'note')} on ${model.rowName(pitch)} selected.`);
            keys.flashFor('select', { move: 'row' });
            return true;
        },
        drop: letGo,
        cancel: letGo,
    };
}
