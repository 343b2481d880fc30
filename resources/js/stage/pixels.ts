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
        const d = this.dense;
        let x0 = Math.round(x * d);
        let y0 = Math.round(y * d);
        let x1 = Math.max(x0 + 1, Math.round((x + w) * d));
        let y1 = Math.max(y0 + 1, Math.round((y + h) * d));
        if (x0 < 0) x0 = 0;
        if (y0 < 0) y0 = 0;
        if (x1 > this.wide) x1 = this.wide;
        if (y1 > this.high) y1 = this.high;
        if (x1 <= x0) return;
        if (x1 - x0 < FEW) {
            // For a few pixels a call costs more than it fills.
            for (let row = y0 * this.wide, end = y1 * this.wide; row < end; row += this.wide) {
                for (let at = row + x0, last = row + x1; at < last; at++) this.words[at] = ink;
            }
            return;
        }
        for (let row = y0 * this.wide, end = y1 * this.wide; row < end; row += this.wide)
            this.words.fill(ink, row + x0, row + x1);
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
