import { counted } from '../../rules/counted';
import type { Part } from '../../api/part.svelte';
import type { Handler } from '../../keys/keys.svelte';
import { tool } from '../pen.svelte';
import type { RollModel } from '../roll-model.svelte';
import * as make from './make';

/** Notes put in, selected and taken away at the caret and at the pointer. */
export function writing(model: RollModel): Record<string, Handler> {
    const { song } = model;
    /** What waits its turn is for the part that is open then. */
    const here = (): Part => song.open ?? model.part;

    /** Writing goes on where the last answer said. */
    function goOn(): void {
        song.select([]);
        if (song.goesOn === null) return;
        song.putCaret(song.goesOn);
        model.caretWent();
    }

    /** Takes notes in, or lets them go where all of them are selected. */
    function turn(ids: number[]): void {
        const all = ids.every((id) => song.selection.notes.has(id));
        song.select(
            all ? [...song.selection.notes].filter((id) => !ids.includes(id)) : [...song.selection.notes, ...ids],
        );
        model.sayChosen();
    }

    return {
        tool: (p) => {
            tool.turn(p.tool === 'eraser' ? 'eraser' : 'pen');
            song.tell(
                {
                    pen: 'Pen: a click writes a note, with Shift one at each grid line.',
                    eraser: 'Eraser: it deletes the notes that it touches.',
                    hand: 'Pen and eraser are off.',
                }[tool.name],
            );
        },
        'insert-at': (p) =>
            song.afterAll(() => {
                const { pointed } = model;
                const atPointer = p.at === 'pointer' && pointed !== null;
                const note = atPointer
                    ? { start: here().lines.around(pointed.tick)[0], pitch: here().rowHeld(pointed.pitch) }
                    : { start: song.caret.tick, pitch: song.caret.pitch };
                song.do(make.insert(here().id, [note], p.touch ? { touch: p.touch } : {}));
                if (p.at !== 'pointer') song.inTurn(goOn);
            }),
        'note-here': (p) =>
            song.afterAll(() => {
                if (p.at === 'pointer') {
                    const under = song.pointer?.note;
                    if (!under) return song.tell('There is no note under the pointer.');
                    return song.do(make.remove({ part: here().id, notes: [under.id] }));
                }
                const { tick, pitch } = song.caret;
                const found: number[] = [];
                here().between(tick, tick + 1, (n) => n.pitch === pitch && found.push(n.id));
                if (found.length === 0) return song.tell('There is no note at the caret.');
                if (p.what === 'delete') song.do(make.remove({ part: here().id, notes: found }));
                else if (p.what !== 'add') song.select(found);
                else turn(found);
            }),
        'place-and-next': () =>
            song.afterAll(() => {
                const { tick } = song.caret;
                const moved = new Set(song.selection.notes);
                song.do(make.moveTo('caret'));
                if (moved.size > 0)
                    song.afterAll(() => {
                        const next = here().ordered.find((n) => n.start > tick && !moved.has(n.id));
                        if (!next) return;
                        song.putCaret(next.start, next.pitch);
                        model.showCaret();
                    });
            }),
        select: (p, _, press) =>
            song.do({
                select: String(p.move),
                ...(p.how ? { how: String(p.how) } : {}),
                ...(press.times > 1 ? { times: press.times } : {}),
            }),
        set: (p) => song.do({ set: p, part: here().id }),
        'share-settings': () =>
            song.afterAll(() => {
                const { grid, swing, strength, nudge, tied } = here().settings;
                const parts = [...song.parts.keys()];
                const words = `${counted(parts.length, 'part')}: grid ${grid}, swing ${swing} %, strength ${strength} %, and this nudge step.`;
                song.doQuietly({ set: { grid, swing, strength, nudge, tied }, on: [{ parts }] }, () =>
                    song.tell(words),
                );
            }),
    };
}
