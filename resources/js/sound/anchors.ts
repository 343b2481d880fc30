/** A moment where audio time and song time are known to meet. */
export interface Anchor {
    at: number;
    seconds: number;
}

/** Where audio time and song time meet: at the start, and at every way back of a loop. */
export class Anchors {
    private all: Anchor[] = [];

    begin(anchor: Anchor): void {
        this.all = [anchor];
    }

    add(anchor: Anchor): void {
        this.all.push(anchor);
    }

    clear(): void {
        this.all = [];
    }

    /** The one that counts at an audio time; null while nothing plays. */
    at(now: number): Anchor | null {
        while (this.all.length > 1 && this.all[1]!.at <= now) this.all.shift();
        return this.all[0] ?? null;
    }
}
