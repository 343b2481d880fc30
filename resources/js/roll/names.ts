/** The names of the twelve tones from C, as the song's key spells them, and of the drums: what the server said last. */
let tones = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];
let drums: Record<string, string> = {};

const DRUM_CHANNEL = 9;

export function spellAs(names: readonly string[]): void {
    tones = [...names];
}

export function callDrums(names: Record<string, string>): void {
    drums = names;
}

/** Name of a tone, counted from C. */
export function toneName(tone: number): string {
    return tones[tone % 12]!;
}

/** Name of a pitch; 60 is C4. */
export function pitchName(pitch: number): string {
    return tones[pitch % 12]! + (Math.floor(pitch / 12) - 1);
}

/** The one name of a note: its pitch, or on the channel of drums the drum. */
export function noteName(pitch: number, channel: number): string {
    return (channel === DRUM_CHANNEL ? drums[String(pitch)] : undefined) ?? pitchName(pitch);
}

export function isDark(pitch: number): boolean {
    return [1, 3, 6, 8, 10].includes(pitch % 12);
}
