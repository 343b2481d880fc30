const LOWEST_ROW = 4;
const TALLEST_ROW = 36;
const PITCHES = 128;
/** Pixels below the view at which lies what is not shown. */
const FAR = 10_000;
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

    /** The rows that are shown, from below, where not all are. */
    rows: readonly number[] | null = null;
    /** Where each pitch stands among them; −1 for one that is not shown. */
    private slots = new Int16Array(PITCHES);

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

    /** Shows only some rows, or all again. */
    showRows(rows: readonly number[] | null): void {
        this.rows = rows;
        this.slots = new Int16Array(PITCHES).fill(-1);
        rows?.forEach((pitch, slot) => (this.slots[pitch] = slot));
        this.settle();
    }

    /** Where a pitch stands, counted from the lowest row; −1 where it is not shown. */
    slot(pitch: number): number {
        return this.rows ? (this.slots[pitch] ?? -1) : pitch;
    }

    get count(): number {
        return this.rows?.length ?? PITCHES;
    }

    /** Top edge of a pitch's row; of one that is not shown, far below. */
    y(pitch: number): number {
        const slot = this.slot(pitch);
        return slot < 0 ? this.height + FAR : (this.top - slot) * this.row;
    }

    pitch(y: number): number {
        const slot = Math.min(this.count - 1, Math.max(0, Math.ceil(this.top - y / this.row)));
        return this.rows ? (this.rows[slot] ?? 0) : slot;
    }

    /** The row so many on from one; past the last, the last. */
    rowOn(pitch: number, by: number): number {
        const { rows } = this;
        if (!rows) return Math.max(0, Math.min(PITCHES - 1, pitch + by));
        const at = this.slot(pitch);
        // From a row that is not shown, the nearest that way counts as one.
        const beyond = rows.filter((r) => Math.sign(r - pitch) === Math.sign(by));
        const from =
            at >= 0 ? at : by > 0 ? rows.indexOf(beyond[0] ?? pitch) - 1 : rows.indexOf(beyond.at(-1) ?? pitch) + 1;
        return rows[Math.max(0, Math.min(rows.length - 1, from + by))] ?? pitch;
    }

    /** Visits the rows in view, from below, with their top edges. */
    eachRow(visit: (pitch: number, y: number) => void): void {
        const last = Math.min(this.count - 1, Math.ceil(this.top));
        for (let slot = Math.max(0, Math.ceil(this.top - this.height / this.row)); slot <= last; slot++)
            visit(this.rows ? this.rows[slot]! : slot, (this.top - slot) * this.row);
    }

    /** Shows the stretch of time that another view shows. */
    like({ left, scale }: { left: number; scale: number }): void {
        if (left === this.left && scale === this.scale) return;
        [this.left, this.scale] = [left, scale];
        this.onMove();
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
        [low, high] = this.rows ? [0, this.count - 1] : [low, high];
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
        const [above, below] = [this.slot(high), this.slot(low)];
        if (above > this.top) this.top = above + Math.min(1, rows / 8);
        else if (below >= 0 && below < this.top - rows + 1) this.top = below + rows - 1 - Math.min(1, rows / 8);
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
            rows >= this.count
                ? this.count - 1 + (rows - this.count) / 2
                : Math.min(this.count - 1, Math.max(rows - 1, this.top));
        this.onMove();
    }
}
