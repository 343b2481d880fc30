/** A moment where audio time and song time are known to meet. */
export interface Anchor {
    at: number;
    seconds: number;
}

/** What is heard now began at most so many rounds ago. */
const KEPT = 64;

/** Where audio time and song time met: at the start, and at each way back of a loop. */
export class Anchors {
    private all: Anchor[] = [];

    begin(anchor: Anchor): void {
        this.all = [anchor];
    }

    add(anchor: Anchor): void {
        this.all.push(anchor);
        if (this.all.length > KEPT) this.all.shift();
    }

    clear(): void {
        this.all = [];
    }

    get first(): Anchor | null {
        return this.all[0] ?? null;
    }

    /** The one that counts at an audio time; the first where that is before all; null while nothing plays. */
    at(now: number): Anchor | null {
        return this.all.findLast((a) => a.at <= now) ?? this.all[0] ?? null;
    }
}
