import type { Point } from './tables';

const KINDS: Record<string, number> = { bend: 0xe0, pressure: 0xd0, 'poly-pressure': 0xa0, program: 0xc0 };
const CONTROLLER = 0xb0;

/** The points of one kind, as the MIDI standard has them: which they are, and what they say. */
export class Lane {
    readonly status: number;
    readonly number: number | null;
    readonly least: number;
    readonly most: number;

    constructor(readonly name: string) {
        this.status = KINDS[name] ?? CONTROLLER;
        this.number = name.startsWith('cc:') ? Number(name.slice(3)) : null;
        [this.least, this.most] = this.status === 0xe0 ? [-8192, 8191] : [0, 127];
    }

    holds({ status, data1 }: Point): boolean {
        return (status & 0xf0) === this.status && (this.number === null || data1 === this.number);
    }

    value({ data1, data2 }: Point): number {
        if (this.status === 0xe0) return ((data2 << 7) | data1) - 8192;
        return this.status === CONTROLLER || this.status === 0xa0 ? data2 : data1;
    }

    /** From the lowest, 0, to the highest, 1. */
    share(value: number): number {
        return (value - this.least) / (this.most - this.least);
    }

    at(share: number): number {
        return Math.round(this.least + Math.max(0, Math.min(1, share)) * (this.most - this.least));
    }
}
