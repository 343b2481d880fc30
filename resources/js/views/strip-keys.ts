import type { Binding } from '../api/types';
import { commands, same } from '../keys/commands.svelte';
import { keys, type Hint } from '../keys/keys.svelte';
import { articulated } from '../roll/articulated.svelte';
import { ARTICULATES, CARET_MOVERS, DELETES } from '../roll/commands/make';
import { stepState } from '../roll/steps.svelte';
import { typing } from '../sound/inputs/typing.svelte';

const [IN_TIME, , IN_PITCH] = CARET_MOVERS as [string, string, string];
const INSERTS = 'insert-at';

/** Whether a key does something with what one works on here. */
export function matters(b: Binding): boolean {
    if (b.command === 'step') return stepState.on;
    if (b.command === 'keyboard') return !typing.on;
    // Of a set of articulations only those that it has.
    if (b.command === ARTICULATES && articulated.set && articulated.name(Number(b.params.number ?? 0)) === null)
        return false;
    if (keys.work === 'curve' && ofCurve(b) !== null) return true;
    if (keys.work === 'lane' && !isForPoints(b)) return false;
    if (keys.chosen !== 0 || CARET_MOVERS.includes(b.command)) return true;
    return commands.find(b.command)?.needs !== 'notes' && b.params.edit === undefined;
}

/** A key with what it does here, where that is called otherwise than it is on notes. */
export function worded(b: Binding): Binding {
    const word = said(b);
    return word === null ? b : { ...b, label: word };
}

function said(b: Binding): string | null {
    if (b.command === ARTICULATES) return articulated.name(Number(b.params.number ?? 0));
    if (b.command === 'repeat-command')
        return `repeat: ${keys.repeats[Number(b.params.back ?? 1) - 1] ?? 'nothing yet'}`;
    if (keys.work === 'curve') return ofCurve(b);
    const inLane = keys.work === 'lane' ? ofLane(b) : null;
    if (inLane !== null) return inLane;
    return keys.chosen === 0 && CARET_MOVERS.includes(b.command) ? `caret ${b.label}` : null;
}

/** Whether something is done to points of a lane, or to nothing that is selected. */
function isForPoints(b: Binding): boolean {
    const spec = commands.find(String(b.params.edit ?? b.command));
    if (!spec || CARET_MOVERS.includes(spec.id)) return true;
    if (spec.id === 'note-here') return false;
    if (b.command === 'select') return titleOfPoints(b) !== undefined;
    return spec.needs !== 'notes' || spec.takes.includes('points');
}

const titleOfPoints = (b: Binding): string | undefined =>
    commands.find('select')?.forms.find((f) => f.params.move === b.params.move)?.ofPoints;

/** What a key does in a lane. */
function ofLane(b: Binding): string | null {
    const by = amount(b);
    if (b.command === 'zoom' && b.params.axis === 'pitch') return by > 0 ? 'taller lane' : 'lower lane';
    if (b.command === INSERTS) return 'a point at the caret';
    if (b.command === 'select' && /note|row/.test(b.label)) return titleOfPoints(b)!.toLowerCase();
    if (b.command !== IN_PITCH) return null;
    return `${keys.chosen === 0 ? 'caret ' : ''}value ${by > 0 ? 'up' : 'down'}${Math.abs(by) === 1 ? '' : ' by 10'}`;
}

/** What a key does to the curve of the note that is drawn on; null where that is none of its business. */
export function ofCurve(b: Binding): string | null {
    const by = amount(b);
    if (b.command === 'select' && b.params.move === 'next') return 'next point';
    if (b.command === 'select' && b.params.move === 'previous') return 'previous point';
    if (b.command === IN_PITCH) return `point ${by > 0 ? 'up' : 'down'}`;
    if (b.command === IN_TIME) return `point ${by > 0 ? 'later' : 'earlier'}`;
    if (b.command === INSERTS && same(b.params, {})) return 'a new point';
    if (b.command === DELETES) return 'delete the point';
    return b.command === 'escape' ? 'put the curve away' : null;
}

/** How many second strokes under other modifiers than those held are too many to be seen with the rest. */
const MANY = 8;

/** What a first stroke leads to: all of it, or where it is much what the held modifiers give, and which others give more. */
export function second(bindings: readonly Binding[], held: string): { now: Binding[]; more: Hint[] } {
    const byModifiers = new Map<string, Binding[]>();
    for (const b of bindings) {
        const under = modifiersOf(b.keys.split(' ')[1] ?? '');
        byModifiers.set(under, [...(byModifiers.get(under) ?? []), b]);
    }
    const here = byModifiers.has(held) ? held : '';
    const now: Binding[] = [];
    const more: Hint[] = [];
    for (const [under, all] of byModifiers) {
        if (under === here || all.length <= MANY) now.push(...all);
        else more.push([under || 'no modifier', `held: ${all[0]!.label}, and ${all.length - 1} more`]);
    }
    return { now, more };
}

/** The modifiers of a stroke, as a stroke names them: "Alt+Shift". */
export const modifiersOf = (stroke: string): string => stroke.split('+').slice(0, -1).join('+');

const amount = ({ params }: Binding): number => Number(params.by ?? params.steps ?? params.semitones ?? 0);
