import { Hands, type Touch } from '../../stage/hands';
import { router } from '../../router.svelte';
import { insert } from '../commands/make';
import { numbersOf } from '../numbers';
import { tool } from '../pen.svelte';
import type { RollModel } from '../roll-model.svelte';
import { box } from './box';
import { noteAt, OUTSIDE } from './drag';
import { erase } from './erase';
import { grab } from './grab';
import { drawSpan } from './span';
import { onNote } from './own';
import { reachUnder } from './reach-under';
import { raise, stemAt } from './stem';
import { strike } from './strike';
import { sweep } from './sweep';
import { write } from './write';

export type Surface = 'notes' | 'ruler' | 'keyboard' | 'lane';

/** The hands over each surface of the roll; of the gestures of one, the first that takes a press keeps it. */
export function handsOf(model: RollModel, element: (surface: Surface) => HTMLElement): Record<Surface, Hands> {
    const { song, part, view } = model;

    function overNotes(touch: Touch): void {
        const outside = tool.name === 'hand' ? OUTSIDE : 0;
        const hit = noteAt(view, part, song.selection.notes, touch.x, touch.y, outside);
        model.cursor =
            tool.name === 'eraser'
                ? 'cell'
                : !hit
                  ? tool.name === 'pen'
                      ? 'crosshair'
                      : 'default'
                  : touch.mod
                    ? 'move'
                    : hit.grip === 'move'
                      ? 'grab'
                      : 'ew-resize';
        const tick = Math.max(0, view.tick(touch.x));
        const pitch = view.pitch(touch.y);
        song.pointer = { tick: model.snapped(tick, touch.alt), note: hit?.note ?? null };
        model.pointed = { tick, pitch };
        model.onHover(
            hit
                ? [numbersOf(hit.note, part, song.time), model.underlay.against(hit.note)].filter(Boolean).join('  ')
                : `${model.rowName(pitch)}  ${song.time.position(tick, part.lines)}`,
        );
    }

    function overLane({ x }: Touch): void {
        const hit = stemAt(model, x);
        model.cursor = tool.name === 'pen' ? 'crosshair' : hit ? 'ns-resize' : 'default';
        model.onHover(hit ? numbersOf(hit, part, song.time) : '');
    }

    const on = (surface: Surface) => (): Element => element(surface);
    return {
        notes: new Hands(
            on('notes'),
            [onNote(model), erase(model), write(model), grab(model), reachUnder(model), box(model)],
            overNotes,
        ),
        ruler: new Hands(on('ruler'), [drawSpan(model, () => model.sayCaret())], ({ x }) =>
            model.onHover(song.time.position(Math.max(0, view.tick(x)), part.lines)),
        ),
        keyboard: new Hands(on('keyboard'), [strike(model)]),
        lane: new Hands(
            on('lane'),
            [sweep(model, () => element('lane').clientHeight), raise(model, () => element('lane').clientHeight)],
            overLane,
        ),
    };
}

/** A double click on empty paper puts a note in, unless a press wrote already or ended a choice. */
export function insertAt(model: RollModel, touch: Touch, endedChoice: boolean): void {
    const { song, part, view } = model;
    if (tool.name !== 'hand' || endedChoice || noteAt(view, part, song.selection.notes, touch.x, touch.y)) return;
    // A double click on a note underneath goes over to its part.
    const under = model.underlay.noteAt(view.tick(touch.x), view.pitch(touch.y), 2 / view.scale);
    if (under) {
        model.views.carry();
        return router.go({ at: 'roll', song: song.id, part: under.part.id });
    }
    const tick = Math.max(0, view.tick(touch.x));
    const start = touch.alt ? Math.round(tick) : part.lines.around(tick)[0];
    const pitch = part.rowHeld(view.pitch(touch.y), touch.alt);
    model.written = { start, pitch };
    song.do(insert(part.id, [{ start, pitch }]));
}

/** Whether all that is selected is the note that the double click before wrote: that is no choice to be ended first. */
export function justWritten({ song, written }: RollModel): boolean {
    const [only, more] = song.selectedNotes;
    return only !== undefined && !more && only.start === written?.start && only.pitch === written.pitch;
}
