import { pitchOf } from '../../rules/pitch';
import { counted } from '../../rules/counted';
import type { Part } from '../../api/part.svelte';
import type { Handler } from '../../keys/keys.svelte';
import { tool } from '../pen.svelte';
import type { RollModel } from '../roll-model.svelte';
import * as make from './make';

const ROWS = Array.from({ length: 128 }, (_, pitch) => pitch);

/** Notes put in, selected and taken away at the caret and at the pointer. */
export function writing(model: RollModel): Record<string, Handler> {
    return { ...tools(model), ...atCaret(model), ...choosing(model) };
}

/** What waits its turn is for the part that is open then. */
const here = ({ song, part }: RollModel): Part => song.open ?? part;

function tools({ song }: RollModel): Record<string, Handler> {
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
    };
}

function atCaret(model: RollModel): Record<string, Handler> {
    const { song } = model;

    /** Writing goes on where the last answer said. */
    function goOn(): void {
        song.select([]);
        if (song.goesOn === null) return;
        song.putCaret(song.goesOn);
        model.caretWent();
    }

    return {
        'insert-at': (p) =>
            song.afterAll(() => {
                const { pointed } = model;
                const atPointer = p.at === 'pointer' && pointed !== null;
                const note = atPointer
                    ? { start: here(model).lines.around(pointed.tick)[0], pitch: here(model).rowHeld(pointed.pitch) }
                    : { start: song.caret.tick, pitch: song.caret.pitch };
                song.do(make.insert(here(model).id, [note], p.touch ? { touch: p.touch } : {}));
                if (p.at !== 'pointer') song.inTurn(goOn);
            }),
        'note-here': (p) =>
            song.afterAll(() => {
                if (p.at === 'pointer') {
                    const under = song.pointer?.note;
                    if (!under) return song.tell('There is no note under the pointer.');
                    return song.do(make.remove({ part: here(model).id, notes: [under.id] }));
                }
                const { tick, pitch } = song.caret;
                const found: number[] = [];
                here(model).between(tick, tick + 1, (n) => n.pitch === pitch && found.push(n.id));
                if (found.length === 0) return song.tell('There is no note at the caret.');
                if (p.what === 'delete') song.do(make.remove({ part: here(model).id, notes: found }));
                else if (p.what === 'add') turn(model, found);
                else if (
                    song.selection.notes.size === found.length &&
                    found.every((id) => song.selection.notes.has(id))
                )
                    song.tell('The note at the caret is selected already.');
                else {
                    song.select(found);
                    model.sayChosen();
                }
            }),
        'place-and-next': () =>
            song.afterAll(() => {
                const { tick } = song.caret;
                const moved = new Set(song.selection.notes);
                song.do(make.moveTo('caret'));
                if (moved.size > 0)
                    song.afterAll(() => {
                        const next = here(model).ordered.find((n) => n.start > tick && !moved.has(n.id));
                        if (!next) return;
                        song.putCaret(next.start, next.pitch);
                        model.showCaret();
                    });
            }),
    };
}

/** The row of a name, of a drum say; −1 where there is none. */
function rowCalled(model: RollModel, name: string): number {
    return ROWS.findIndex((pitch) => model.rowName(pitch).toLowerCase() === name.toLowerCase());
}

function choosing(model: RollModel): Record<string, Handler> {
    const { song } = model;
    return {
        select: (p, _, press) =>
            song.do({
                select: String(p.move),
                ...(p.how ? { how: String(p.how) } : {}),
                ...(press.times > 1 ? { times: press.times } : {}),
            }),
        'select-pitch': (p) => {
            const named = typeof p.pitch === 'string' || typeof p.pitch === 'number' ? String(p.pitch) : 'caret';
            const pitch = named === 'caret' ? song.caret.pitch : (pitchOf(named) ?? rowCalled(model, named));
            if (pitch < 0) return song.tell('', [], `There is no pitch “${named}”: C4, F#3 and Bb1 are some.`);
            const range = { above: { min: pitch + 1 }, below: { max: pitch - 1 } }[String(p.side)] ?? pitch;
            song.do({ select: { pitch: range }, ...(p.how ? { how: String(p.how) } : {}) });
        },
        set: (p) => song.do({ set: p, part: here(model).id }),
        'share-settings': () =>
            song.afterAll(() => {
                const { grid, swing, strength, nudge, tied } = here(model).settings;
                const parts = [...song.parts.keys()];
                const words = `${counted(parts.length, 'part')}: grid ${grid}, swing ${swing} %, strength ${strength} %, and this nudge step.`;
                song.doQuietly({ set: { grid, swing, strength, nudge, tied }, on: [{ parts }] }, () =>
                    song.tell(words),
                );
            }),
    };
}

/** Takes notes in, or lets them go where all of them are selected. */
function turn(model: RollModel, ids: number[]): void {
    const { song } = model;
    const all = ids.every((id) => song.selection.notes.has(id));
    song.select(all ? [...song.selection.notes].filter((id) => !ids.includes(id)) : [...song.selection.notes, ...ids]);
    model.sayChosen();
}
