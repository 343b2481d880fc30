import { Layer, type LayerSpec } from './layer';

/**
 * One drawing surface: named layers, each a canvas that is drawn at most once a frame and only when something on it
 * changed. The roll is one set of layers; another page is another.
 */
export class Stage<Name extends string> {
    private readonly layers = new Map<Name, Layer>();
    private frame = 0;

    /** @param after called when a frame was drawn, for what stands above the canvases. */
    constructor(private readonly after: () => void) {}

    /** Lays a layer on its canvas. To add one is to write its spec and give it a canvas. */
    add(name: Name, canvas: HTMLCanvasElement, spec: LayerSpec): void {
        this.layers.set(name, new Layer(canvas, spec.paint, spec.covers ?? false));
    }

    remove(name: Name): void {
        this.layers.delete(name);
    }

    layer(name: Name): Layer {
        return this.layers.get(name)!;
    }

    /** Fits each layer to the element that its canvas lies in. */
    fit(): void {
        for (const layer of this.layers.values()) {
            const { width, height } = layer.canvas.parentElement!.getBoundingClientRect();
            layer.resize(width, height);
        }
    }

    /** Says that something on these layers changed. */
    touch(...names: Name[]): void {
        for (const name of names) this.layers.get(name)?.touch();
        if (!this.frame && this.layers.size > 0) this.frame = requestAnimationFrame(() => this.draw());
    }

    private draw(): void {
        this.frame = 0;
        for (const layer of this.layers.values()) layer.draw();
        this.after();
    }

    close(): void {
        cancelAnimationFrame(this.frame);
    }
}
