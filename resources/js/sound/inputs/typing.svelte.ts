import { inputs } from './inputs.svelte';

/** White keys stand in the middle row of letters, black ones between them in the row above: by their place, from C. */
const PIANO: Record<string, number> = {
    KeyA: 0,
    KeyW: 1,
    KeyS: 2,
    KeyE: 3,
    KeyD: 4,
    KeyF: 5,
    KeyT: 6,
    KeyG: 7,
    KeyY: 8,
    KeyH: 9,
    KeyU: 10,
    KeyJ: 11,
    KeyK: 12,
    KeyO: 13,
    KeyL: 14,
    KeyP: 15,
    Semicolon: 16,
};
/** The four touches, in the row below. */
const TOUCHES = ['KeyZ', 'KeyX', 'KeyC', 'KeyV'];
const OCTAVES: Record<string, number> = { Comma: -1, Period: 1 };
const LOWEST = 0;
const HIGHEST = 9;
const WHO = 'keys';

/** The computer's keys as a keyboard. */
class Typing {
    on = $state(false);
    /** Of the A key's C, as the names on screen have it: 4 is the middle one. */
    octave = $state(4);
    private down = new Map<string, number>();

    turn(on = !this.on): void {
        this.on = on;
        if (!on) this.letGo();
    }

    shift(octaves: number): void {
        this.octave = Math.max(LOWEST, Math.min(HIGHEST, this.octave + octaves));
    }

    /** What a key does while it is on; null where it does what it always does. */
    role(code: string): { note: number } | { touch: number } | { octave: number } | null {
        if (code in PIANO) return { note: PIANO[code]! };
        if (TOUCHES.includes(code)) return { touch: TOUCHES.indexOf(code) + 1 };
        return code in OCTAVES ? { octave: OCTAVES[code]! } : null;
    }

    press(code: string, velocity: number, stamp: number): void {
        const pitch = 12 * (this.octave + 1) + PIANO[code]!;
        if (this.down.has(code) || pitch > 127) return;
        this.down.set(code, pitch);
        inputs.on(WHO, pitch, velocity, stamp);
    }

    /** Lets a key go; says whether it was one that played. */
    release(code: string, stamp: number): boolean {
        const pitch = this.down.get(code);
        if (pitch === undefined) return false;
        this.down.delete(code);
        if (![...this.down.values()].includes(pitch)) inputs.off(WHO, pitch, stamp);
        return true;
    }

    letGo(): void {
        this.down.clear();
        inputs.letGo(WHO);
    }
}

export const typing = new Typing();
