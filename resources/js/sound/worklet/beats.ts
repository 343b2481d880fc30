import type { Time } from '../../rules/time';

/** The beats of a song one after another: for the metronome. Meters begin bars, and bars go on past the song's end. */
export class Beats {
    /** When the next beat is, in seconds of the song, and whether it begins a bar. */
    next = 0;
    accent = true;
    private meter = 0;
    private beat = 0;

    constructor(private readonly time: Time) {}

    /** The first beat that is not before a moment is the next. */
    seek(seconds: number): void {
        const { meters } = this.time;
        const tick = this.time.tick(seconds);
        this.meter = meters.length - 1;
        while (this.meter > 0 && meters[this.meter]![0] > tick) this.meter--;
        this.beat = Math.max(0, Math.ceil((tick - meters[this.meter]![0]) / this.length - 1e-6));
        this.look();
        if (this.next < seconds) this.go();
    }

    go(): void {
        this.beat++;
        this.look();
    }

    /** Ticks of a beat. */
    private get length(): number {
        return (4 * this.time.ppq) / this.time.meters[this.meter]![2];
    }

    private look(): void {
        const { meters } = this.time;
        const after = meters[this.meter + 1]?.[0] ?? Infinity;
        let tick = meters[this.meter]![0] + this.beat * this.length;
        if (tick >= after - 1e-6) {
            this.meter++;
            this.beat = 0;
            tick = after;
        }
        this.accent = this.beat % meters[this.meter]![1] === 0;
        this.next = this.time.seconds(tick);
    }
}
