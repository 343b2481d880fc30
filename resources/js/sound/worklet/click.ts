/** Hertz and seconds of the metronome. */
const ACCENT = 1760;
const BEAT = 1175;
const LENGTH = 0.05;
const LOUD = { accent: 0.6, beat: 0.35 };
const QUIETEST = 1e-4;

/** The metronome's sound: a short tick of two pitches, the first beat of a bar higher and louder. */
export class Click {
    /** 0 to 1 */
    level = 0.7;
    private phase = 0;
    private step = 0;
    private gain = 0;
    private fall = 1;

    constructor(private readonly rate: number) {}

    get sounds(): boolean {
        return this.gain > QUIETEST;
    }

    strike(accent: boolean): void {
        this.phase = 0;
        this.step = (accent ? ACCENT : BEAT) / this.rate;
        this.gain = this.level * (accent ? LOUD.accent : LOUD.beat);
        this.fall = (QUIETEST / Math.max(QUIETEST, this.gain)) ** (1 / (LENGTH * this.rate));
    }

    end(): void {
        this.gain = 0;
    }

    /** Adds its sound to both sides. */
    add(left: Float32Array, right: Float32Array, from: number, count: number): void {
        if (!this.sounds) return;
        for (let i = from; i < from + count; i++) {
            // A triangle that begins at nought.
            const p = this.phase;
            const wave = p < 0.25 ? 4 * p : p < 0.75 ? 2 - 4 * p : 4 * p - 4;
            left[i]! += wave * this.gain;
            right[i]! += wave * this.gain;
            this.gain *= this.fall;
            this.phase = (p + this.step) % 1;
        }
    }
}
