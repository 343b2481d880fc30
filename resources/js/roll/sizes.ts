import type { RollModel } from './roll-model.svelte';

/** Pixels: the width of the piano keys, the height of the ruler. */
export const KEYBOARD = 104;
export const RULER = 40;
/** The height of the chord line, while it is shown. */
export const CHORDS = 24;

/** Fits every layer to the room that the notes have; the first time the view begins where the part does. */
export function fit(model: RollModel, room: HTMLElement): void {
    const { width, height } = room.getBoundingClientRect();
    const { stage, view } = model;
    const first = view.width === 0;
    stage.fit();
    view.resize(width, height);
    if (first) model.begin();
    else model.touchAll();
}
