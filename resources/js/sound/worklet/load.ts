/** Seconds over which it is measured, and shares of them above which it is too much and below which there is room. */
const WINDOW = 0.5;
const MOST = 0.8;
const ROOM = 0.45;
const LEAST_VOICES = 8;
/** So many good windows, and more is tried again. */
const PATIENCE = 12;

/**
 * How much of the time goes into making sound. The clock at hand counts whole milliseconds; over hundreds of blocks its
 * errors even out.
 */
export class Load {
    /** 0 to 1, of the last window. */
    share = 0;
    /** How many voices there may be. */
    most = Infinity;
    private spent = 0;
    private frames = 0;
    private good = 0;

    constructor(private readonly rate: number) {}

    /**
     * Takes in what a block took.
     *
     * @param ms milliseconds that it took
     * @param frames asked for
     * @param lost frames that went by without being asked for
     * @param voices that sound
     */
    add(ms: number, frames: number, lost: number, voices: number): void {
        this.spent += ms;
        this.frames += frames;
        if (lost > 0) this.spent += (lost / this.rate) * 1000;
        if (this.frames < this.rate * WINDOW) return;
        this.share = Math.min(1, this.spent / 1000 / (this.frames / this.rate));
        this.spent = this.frames = 0;
        if (this.share > MOST && voices > LEAST_VOICES) {
            this.good = 0;
            this.most = Math.max(LEAST_VOICES, Math.floor(Math.min(this.most, voices) * 0.75));
        } else if (this.share < ROOM && this.most !== Infinity && ++this.good >= PATIENCE) {
            this.good = 0;
            this.most = this.most > 200 ? Infinity : Math.ceil(this.most * 1.5);
        }
    }
}
