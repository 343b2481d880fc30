const PEAK_MS = 1200;
/** How often it is looked while nothing plays, and for how many looks of silence, in ms. */
const LOOK_MS = 50;
const SILENT = 20;
const NOTHING = 1e-4;

/** How loud it is: now, and the loudest of the last moment, long enough to be seen. */
export class Loudness {
    level = $state(0);
    peak = $state(0);
    private until = 0;
    private timer = 0;

    constructor(
        private readonly read: () => number,
        private readonly playing: () => boolean,
    ) {}

    measure(): void {
        this.level = this.read();
        const now = performance.now();
        if (this.level >= this.peak || now > this.until) {
            this.peak = this.level;
            this.until = now + PEAK_MS;
        }
    }

    /** Shows the level until nothing sounds any more. */
    watch(): void {
        clearInterval(this.timer);
        let silent = 0;
        this.timer = window.setInterval(() => {
            if (this.playing()) return clearInterval(this.timer);
            this.measure();
            silent = this.level < NOTHING ? silent + 1 : 0;
            if (silent > SILENT && this.peak < NOTHING) clearInterval(this.timer);
        }, LOOK_MS);
    }
}
