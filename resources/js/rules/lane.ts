import { LANE_STATUS } from '../contract';

/** A point, as far as it says what lane it is of. */
interface Bytes {
    status: number;
    data1: number;
    data2: number;
}

const { cc: CONTROLLER, bend: BEND, 'poly-pressure': KEY_PRESSURE } = LANE_STATUS;

/** The points of one kind, as the MIDI standard has them: which they are, and what they say. */
export class Lane {
    readonly status: number;
    readonly number: number | null;
    readonly least: number;
    readonly most: number;

    constructor(readonly name: string) {
        this.status = (LANE_STATUS as Record<string, number>)[name] ?? CONTROLLER;
        this.number = name.startsWith('cc:') ? Number(name.slice(3)) : null;
        [this.least, this.most] = this.status === BEND ? [-8192, 8191] : [0, 127];
    }

    holds({ status, data1 }: Bytes): boolean {
        return (status & 0xf0) === this.status && (this.number === null || data1 === this.number);
    }

    value({ data1, data2 }: Bytes): number {
        if (this.status === BEND) return ((data2 << 7) | data1) - 8192;
        return this.status === CONTROLLER || this.status === KEY_PRESSURE ? data2 : data1;
    }

    /** From the lowest, 0, to the highest, 1. */
    share(value: number): number {
        return (value - this.least) / (this.most - this.least);
    }

    at(share: number): number {
        return Math.round(this.least + Math.max(0, Math.min(1, share)) * (this.most - this.least));
    }
}
