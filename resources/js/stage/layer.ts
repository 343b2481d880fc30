/** What a layer shows, and whether its painter covers every pixel itself. */
export interface LayerSpec {
    paint: (ctx: CanvasRenderingContext2D, width: number, height: number) => void;
    covers?: boolean;
}

/** A canvas that is drawn at most once a frame, and only when something it shows has changed. */
export class Layer {
    readonly ctx: CanvasRenderingContext2D;
    width = 0;
    height = 0;
    private dirty = false;

    constructor(
        readonly canvas: HTMLCanvasElement,
        private readonly paint: (ctx: CanvasRenderingContext2D, width: number, height: number) => void,
        /** Whether the painter covers every pixel itself. */
        private readonly covers = false,
    ) {
        this.ctx = canvas.getContext('2d')!;
    }

    resize(width: number, height: number): void {
        const dense = window.devicePixelRatio || 1;
        this.width = width;
        this.height = height;
        this.canvas.width = Math.max(1, Math.round(width * dense));
        this.canvas.height = Math.max(1, Math.round(height * dense));
        this.ctx.setTransform(dense, 0, 0, dense, 0, 0);
        this.touch();
    }

    touch(): void {
        this.dirty = true;
    }

    draw(): void {
        if (!this.dirty || this.width === 0) return;
        this.dirty = false;
        if (!this.covers) this.ctx.clearRect(0, 0, this.width, this.height);
        this.paint(this.ctx, this.width, this.height);
    }
}
