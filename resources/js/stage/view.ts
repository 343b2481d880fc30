const LOWEST_ROW = 4;
const TALLEST_ROW = 36;
const PITCHES = 128;
/** Pixels a quarter note may be wide at most. */
const WIDEST_QUARTER = 4000;

/** Which stretch of time and pitch is on screen, and where each tick and pitch lies in it. Pixels are CSS pixels. */
export class View {
    /** Tick at the left edge. */
    left = 0;
    /** Pixels per tick. */
    scale = 0.1;
    /** Pitch just below the top edge, a fraction when a row is cut. */
    top = 84;
    /** Height of a row. */
    row = 14;
    width = 0;
    height = 0;
    /** Pixels at the right that a panel lies over. */
    covered = 0;
    /** Tick up to which there is something to see. */
    end = 0;

    constructor(
        private readonly ppq: number,
        private readonly onMove: () => void,
    ) {}

    x(tick: number): number {
        return (tick - this.left) * this.scale;
    }

    tick(x: number): number {
        return this.left + x / this.scale;
    }

    /** Top edge of a pitch's row. */
    y(pitch: number): number {
        return (this.top - pitch) * this.row;
    }

    pitch(y: number): number {
        return Math.min(PITCHES - 1, Math.max(0, Math.ceil(this.top - y / this.row)));
    }

    get right(): number {
        return this.tick(this.width);
    }

    resize(width: number, height: number): void {
        this.width = width;
        this.height = height;
        this.settle();
    }

    scroll(dx: number, dy: number): void {
        this.left += dx / this.scale;
        this.top -= dy / this.row;
        this.settle();
    }

    /** Zooms by a factor, keeping the tick under x where it is. */
    zoomTime(factor: number, x: number): void {
        const tick = this.tick(x);
        this.scale = this.bounded(this.scale * factor);
        this.left = tick - x / this.scale;
        this.settle();
    }

    zoomPitch(factor: number, y: number): void {
        const pitch = this.top - y / this.row;
        const row = Math.min(TALLEST_ROW, Math.max(LOWEST_ROW, this.row * factor));
        this.row = Math.abs(row - this.row) < 1 && factor > 1 ? Math.min(TALLEST_ROW, this.row + 1) : row;
        this.top = pitch + y / this.row;
        this.settle();
    }

    /** Shows a stretch of time and pitch whole, as large as it goes. */
    fit(from: number, to: number, low: number, high: number): void {
        const length = Math.max(this.ppq, to - from);
        this.scale = this.bounded((this.width - 24) / length);
        this.left = from - 12 / this.scale;
        this.row = Math.min(22, Math.max(LOWEST_ROW, Math.floor(this.height / (high - low + 3))));
        this.top = (low + high) / 2 + this.height / this.row / 2 - 0.5;
        this.settle();
    }

    /** Brings a stretch into view with the least movement, keeping the zoom. */
    reveal(from: number, to: number, low: number, high: number): void {
        const [left, top] = [this.left, this.top];
        const span = (this.width - this.covered) / this.scale;
        if (from < this.left || to - from > span) this.left = from - Math.min(span * 0.1, 40 / this.scale);
        else if (to > this.left + span) this.left = to - span * 0.9;
        const rows = this.height / this.row;
        if (high > this.top) this.top = high + Math.min(1, rows / 8);
        else if (low < this.top - rows + 1) this.top = low + rows - 1 - Math.min(1, rows / 8);
        if (left !== this.left || top !== this.top) this.settle();
    }

    private bounded(scale: number): number {
        return Math.min(
            WIDEST_QUARTER / this.ppq,
            Math.max(this.width / Math.max(this.ppq * 4, this.end * 1.1), scale),
        );
    }

    private settle(): void {
        const span = this.width / this.scale;
        this.left = Math.max(-12 / this.scale, Math.min(this.left, Math.max(0, this.end - span * 0.5)));
        const rows = this.height / this.row;
        this.top =
            rows >= PITCHES ? PITCHES - 1 + (rows - PITCHES) / 2 : Math.min(PITCHES - 1, Math.max(rows - 1, this.top));
        this.onMove();
    }
}
