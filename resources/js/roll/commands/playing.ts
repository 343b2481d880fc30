import type { Handler } from '../../keys/keys.svelte';
import { devices } from '../../sound/inputs/devices.svelte';
import { typing } from '../../sound/inputs/typing.svelte';
import { transport } from '../../sound/transport.svelte';
import type { RollModel } from '../roll-model.svelte';

/** What notes are played in with: step input, the computer's keys, MIDI keyboards. */
export function playing(model: RollModel): Record<string, Handler> {
    const { song, part, steps } = model;
    return {
        'step-input': () => {
            steps.turn();
            if (steps.on) void transport.standBy(part);
        },
        step: (p) => {
            if (!steps.on) return song.tell('Step input is off.');
            if (p.what === 'tie') steps.tie();
            else if (p.what === 'back') steps.back();
            else steps.rest();
        },
        keyboard: () => {
            typing.turn();
            if (typing.on) void transport.standBy(part);
            song.tell(
                typing.on
                    ? 'The computer keys play: white keys in the middle row of letters, black ones above.'
                    : 'The computer keys run commands again.',
            );
        },
        'keyboard-set': (p) => {
            if (typeof p.touch === 'number') return song.do({ set: { touch: p.touch }, part: part.id });
            typing.shift(Number(p.octave ?? 0));
            song.tell(`The computer keys begin at C${typing.octave}.`);
        },
        'ask-inputs': () => void devices.ask(),
    };
}
