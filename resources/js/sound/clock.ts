/** Milliseconds for which a look at both clocks counts. */
const WINDOW = 1500;
/** Looks so near to one another, in milliseconds, are one: what is worked out there and back at a moment agrees. */
const SAME = 2;

/**
 * Brings the clock of events (performance, in milliseconds) and the audio clock (in seconds) together. The audio clock
 * is told in blocks and so never ahead of the truth: of the looks of the last moment the one that is farthest ahead is
 * the nearest to it.
 */
export class Clocks {
    private looks: { at: number; ahead: number }[] = [];
    private last = -Infinity;

    look(audio: number, now: number): void {
        if (now - this.last < SAME) return;
        this.last = now;
        const ahead = audio - now / 1000;
        // What is behind a later look that is farther ahead will never count.
        while (this.looks.length > 0 && this.looks.at(-1)!.ahead <= ahead) this.looks.pop();
        this.looks.push({ at: now, ahead });
        while (this.looks[0]!.at < now - WINDOW) this.looks.shift();
    }

    audio(stamp: number): number {
        return stamp / 1000 + (this.looks[0]?.ahead ?? 0);
    }

    stamp(audio: number): number {
        return (audio - (this.looks[0]?.ahead ?? 0)) * 1000;
    }
}
