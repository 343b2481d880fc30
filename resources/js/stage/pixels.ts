/** A colour as one number in the byte order of image data. */
export type Ink = number;

const FEW = 16;
const inks = new Map<string, Ink>();
let probe: CanvasRenderingContext2D | null = null;

/** Works a CSS colour out to a solid ink. */
export function inkOf(colour: string): Ink {
    let ink = inks.get(colour);
    if (ink === undefined) {
        probe ??= new OffscreenCanvas(1, 1).getContext('2d', {
            willReadFrequently: true,
        }) as unknown as CanvasRenderingContext2D;
        probe.fillStyle = colour;
        probe.fillRect(0, 0, 1, 1);
        ink = new Uint32Array(probe.getImageData(0, 0, 1, 1).data.buffer)[0]! | 0xff000000;
        inks.set(colour, ink >>> 0);
    }
    return ink >>> 0;
}

/** Half one ink, half the other. */
export function mixed(a: Ink, b: Ink): Ink {
    return ((((a & 0xfefefefe) >>> 1) + ((b & 0xfefefefe) >>> 1)) | 0xff000000) >>> 0;
}

/**
 * Rectangles written straight into image data: tens of thousands of notes in the time in which canvas calls draw a
 * few hundred. Coordinates are CSS pixels, rounded to the screen's own.
 */
export class Pixels {
    private image: ImageData | null = null;
    private words = new Uint32Array(0);
    private wide = 0;
    private high = 0;
    private dense = 1;

    begin(width: number, height: number): void {
        this.dense = window.devicePixelRatio || 1;
        this.wide = Math.max(1, Math.round(width * this.dense));
        this.high = Math.max(1, Math.round(height * this.dense));
        if (this.image?.width !== this.wide || this.image.height !== this.high) {
            this.image = new ImageData(this.wide, this.high);
            this.words = new Uint32Array(this.image.data.buffer);
        } else {
            this.words.fill(0);
        }
    }

    /** A filled rectangle, at least one pixel in size. */
    rect(x: number, y: number, w: number, h: number, ink: Ink): void {
        // Asked for by the ten thousand: everything is read once, and rounded by halves up.
        const { dense, wide, high, words } = this;
        let x0 = Math.floor(x * dense + 0.5);
        let y0 = Math.floor(y * dense + 0.5);
        let x1 = Math.floor((x + w) * dense + 0.5);
        let y1 = Math.floor((y + h) * dense + 0.5);
        if (x1 <= x0) x1 = x0 + 1;
        if (y1 <= y0) y1 = y0 + 1;
        if (x0 < 0) x0 = 0;
        if (y0 < 0) y0 = 0;
        if (x1 > wide) x1 = wide;
        if (y1 > high) y1 = high;
        if (x1 <= x0) return;
        const across = x1 - x0;
        const end = y1 * wide;
        if (across < FEW) {
            // For a few pixels a call costs more than it fills.
            for (let at = y0 * wide + x0; at < end; at += wide) {
                for (let k = 0; k < across; k++) words[at + k] = ink;
            }
            return;
        }
        for (let at = y0 * wide + x0; at < end; at += wide) words.fill(ink, at, at + across);
    }

    /** The edge of a rectangle, inside it; broken for what is silent. */
    edge(x: number, y: number, w: number, h: number, thick: number, ink: Ink, broken: boolean): void {
        if (broken) {
            for (let at = 0; at < w; at += 5) {
                const piece = Math.min(3, w - at);
                this.rect(x + at, y, piece, thick, ink);
                this.rect(x + at, y + h - thick, piece, thick, ink);
            }
            for (let at = 0; at < h; at += 5) {
                const piece = Math.min(3, h - at);
                this.rect(x, y + at, thick, piece, ink);
                this.rect(x + w - thick, y + at, thick, piece, ink);
            }
            return;
        }
        this.rect(x, y, w, thick, ink);
        this.rect(x, y + h - thick, w, thick, ink);
        this.rect(x, y, thick, h, ink);
        this.rect(x + w - thick, y, thick, h, ink);
    }

    put(ctx: CanvasRenderingContext2D): void {
        ctx.putImageData(this.image!, 0, 0);
    }
}
