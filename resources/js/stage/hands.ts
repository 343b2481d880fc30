/** A touch of a surface: where it is, in its pixels, and what is held. */
export interface Touch {
    x: number;
    y: number;
    button: number;
    mod: boolean;
    shift: boolean;
    alt: boolean;
    stamp: number;
    /** Where that is in the window. */
    page: { x: number; y: number };
}

/**
 * What a press may begin. The first gesture of a surface that takes a press keeps it until it is let go: `move` follows
 * the hand, `drop` does what it meant, `cancel` leaves all as it was. To add one is to write it and to put it into the
 * list of its surface.
 */
export interface Gesture {
    /** Whether this press is its own. */
    begin(touch: Touch): boolean;
    move?(touch: Touch): void;
    drop?(touch: Touch | null): void;
    cancel?(): void;
}

/** The pointer over one surface. */
export class Hands {
    held: Gesture | null = null;

    constructor(
        private readonly surface: () => Element,
        private readonly gestures: readonly Gesture[],
        /** The pointer moves and holds nothing. */
        private readonly hover: (touch: Touch) => void = () => {},
    ) {}

    at(e: { clientX: number; clientY: number } & Partial<PointerEvent>): Touch {
        const rect = this.surface().getBoundingClientRect();
        return {
            x: e.clientX - rect.left,
            y: e.clientY - rect.top,
            button: e.button ?? 0,
            mod: (e.ctrlKey ?? false) || (e.metaKey ?? false),
            shift: e.shiftKey ?? false,
            alt: e.altKey ?? false,
            stamp: e.timeStamp ?? 0,
            page: { x: e.clientX, y: e.clientY },
        };
    }

    down = (e: PointerEvent): void => {
        if (this.held) return;
        const touch = this.at(e);
        this.held = this.gestures.find((g) => g.begin(touch)) ?? null;
        if (this.held) (e.currentTarget as Element).setPointerCapture(e.pointerId);
    };

    move = (e: PointerEvent | WheelEvent): void => {
        const touch = this.at(e);
        if (this.held) this.held.move?.(touch);
        else this.hover(touch);
    };

    up = (e: PointerEvent): void => this.let((g) => g.drop?.(this.at(e)));

    /** Drops what is held, leaving all as it was. */
    cancel = (): void => this.let((g) => g.cancel?.());

    private let(go: (gesture: Gesture) => void): void {
        const { held } = this;
        this.held = null;
        if (held) go(held);
    }
}
