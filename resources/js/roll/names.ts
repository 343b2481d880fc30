const TONES = ['C', 'C♯', 'D', 'D♯', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'A♯', 'B'];

/** Name of a pitch; 60 is C4. */
export function pitchName(pitch: number): string {
    return TONES[pitch % 12]! + (Math.floor(pitch / 12) - 1);
}

export function isDark(pitch: number): boolean {
    return [1, 3, 6, 8, 10].includes(pitch % 12);
}
