/** Pitches by name, as the core's `PitchValue` and `PitchSpelling` read them; C4 is 60. */

const LETTERS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const SIGNS: Record<string, number> = { '#': 1, '♯': 1, b: -1, '♭': -1 };
const NAME = /^([a-g])([#♯b♭]?)(-?\d+)?$/i;

/** The pitch 0–127 of a name such as C4, F#3 or B♭1, or of a number; null where a text is neither. */
export function pitchOf(text: string): number | null {
    const pitch = /^\d+$/.test(text.trim()) ? Number(text) : toneWithOctave(text.trim());
    return pitch !== null && pitch >= 0 && pitch <= 127 ? pitch : null;
}

/** The tone 0–11 of a name such as C, F# or B♭, or of a number; null where a text is neither. */
export function toneOf(text: string): number | null {
    const typed = text.trim();
    if (/^\d+$/.test(typed)) return Number(typed) < 12 ? Number(typed) : null;
    const found = NAME.exec(typed);
    return found && found[3] === undefined ? (fromC(found) + 12) % 12 : null;
}

function toneWithOctave(text: string): number | null {
    const found = NAME.exec(text);
    return found?.[3] === undefined ? null : fromC(found) + 12 * (Number(found[3]) + 1);
}

/** Semitones above the C of its octave. */
const fromC = (found: RegExpExecArray): number => LETTERS[found[1]!.toUpperCase()]! + (SIGNS[found[2]!] ?? 0);
