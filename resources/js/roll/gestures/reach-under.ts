import { transport } from '../../sound/transport.svelte';
import type { Gesture } from '../../stage/hands';
import type { RollModel } from '../roll-model.svelte';

/** A press on a note of a part that is worked on with this one selects it; with Shift it is taken in. */
export function reachUnder(model: RollModel): Gesture {
    const { song, underlay, view } = model;
    return {
        begin({ x, y, button, shift, alt }) {
            if (button !== 0 || !song.selection.inPlace) return false;
            const hit = underlay.noteAt(view.tick(x), view.pitch(y), 2 / view.scale);
            if (!hit) return false;
            const those = alt ? [hit.note.id] : hit.part.grouped([hit.note.id]);
            const chosen = new Map<number, ReadonlySet<number>>(shift ? song.selection.beside : []);
            chosen.set(hit.part.id, new Set([...(chosen.get(hit.part.id) ?? []), ...those]));
            song.select(shift ? song.selection.notes : [], chosen);
            song.followTo(hit.note.start, hit.note.pitch);
            transport.try(hit.part, [hit.note]);
            song.tell(`A note of ${hit.part.name} is selected.`);
            return true;
        },
        move: () => {},
        drop: () => {},
        cancel: () => {},
    };
}
