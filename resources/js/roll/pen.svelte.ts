import type { Lines } from '../rules/lines';
import type { Part } from '../api/part.svelte';
import type { Command } from '../api/types';
import { insert } from './commands/make';
import { DRAG_FROM } from './gestures/drag';
import type { Drawn } from './layers/overlay';
import type { View } from '../stage/view';

export type ToolName = 'hand' | 'pen' | 'eraser';

/** What is in hand: it stays so from part to part. */
class Tool {
    name = $state<ToolName>('hand');

    turn(to: ToolName): void {
        this.name = this.name === to ? 'hand' : to;
    }
}

export const tool = new Tool();

/**
 * The pen on paper. A press places a note; drawn sideways it gets longer, up or down it changes its pitch, by the axis
 * on which the stroke began. With Shift a note stands at each line of the grid, along the row or across rows in a
 * straight line. Alt suspends the grid.
 */
export class PenStroke {
    notes: Drawn[];
    private axis: 'time' | 'pitch' | null = null;
    private lengthened = false;
    private run = false;
    /** Laid before the grid became another, and where its lines go on from there. */
    private laid: Drawn[] = [];
    private lines: Lines;
    private readonly start: number;
    private readonly pitch: number;

    constructor(
        private readonly part: Part,
        private readonly x0: number,
        private readonly y0: number,
        tick: number,
        pitch: number,
        free: boolean,
        /** The part that it writes into. */
        private readonly into = part.id,
    ) {
        this.pitch = part.rowHeld(pitch, free);
        this.lines = part.lines;
        this.start = free ? Math.round(Math.max(0, tick)) : part.lines.around(Math.max(0, tick))[0];
        this.notes = [this.one(this.pitch)];
    }

    private one(pitch: number): Drawn {
        return { start: this.start, length: this.part.penTicks(this.start), pitch };
    }

    /** The pitch under the pen now, to be heard when it changes. */
    get last(): number {
        return this.notes.at(-1)!.pitch;
    }

    move(view: View, x: number, y: number, held: { shift: boolean; alt: boolean }): void {
        const [dx, dy] = [x - this.x0, y - this.y0];
        if (this.axis === null && Math.hypot(dx, dy) < DRAG_FROM) return;
        // Once a run it stays one: the hand is free to change the grid on the way.
        this.run ||= held.shift;
        if (this.run) {
            this.notes = this.along(Math.max(0, view.tick(x)), this.part.rowHeld(view.pitch(y), held.alt));
            return;
        }
        this.axis ??= Math.abs(dx) >= Math.abs(dy) ? 'time' : 'pitch';
        if (this.axis === 'pitch') {
            this.notes = [this.one(this.part.rowHeld(view.pitch(y), held.alt))];
            return;
        }
        const tick = Math.max(0, view.tick(x));
        const [, after] = this.part.lines.around(this.start);
        const end = held.alt ? Math.round(tick) : Math.max(after, this.part.lines.nearest(tick));
        this.lengthened = true;
        this.notes = [{ start: this.start, length: Math.max(1, end - this.start), pitch: this.pitch }];
    }

    /** A note at each line from the first to the pen, each a cell long; where the grid becomes another, from there by that. */
    private along(tick: number, pitch: number): Drawn[] {
        const { lines } = this.part;
        if (lines !== this.lines) this.laid = [...this.notes];
        this.lines = lines;
        const from = this.laid.reduce((end, n) => Math.max(end, n.start + n.length), this.start);
        if (this.laid.length > 0 && tick < from) return (this.laid = this.laid.filter((n) => n.start <= tick));
        const notes: Drawn[] = [...this.laid];
        const [low, high] = tick < from ? [tick, from] : [from, tick];
        for (let at = lines.around(low)[0]; at <= high;) {
            const after = lines.around(at)[1];
            const share = tick === this.start ? 0 : (at - this.start) / (tick - this.start);
            notes.push({
                start: at,
                length: Math.max(1, after - at),
                pitch: this.pitch + Math.round(Math.max(0, Math.min(1, share)) * (pitch - this.pitch)),
            });
            if (after <= at) break;
            at = after;
        }
        return notes;
    }

    /** What it asks of the server: lengths only where they were drawn, else the pen's. */
    command(): Command {
        return insert(
            this.into,
            this.notes.map(({ start, length, pitch }) =>
                this.lengthened || this.run ? { start, length, pitch } : { start, pitch },
            ),
        );
    }
}
