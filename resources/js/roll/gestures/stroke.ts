import { Lane } from '../../rules/lane';
import { valueAt } from '../layers/lane';
import type { RollModel } from '../roll-model.svelte';

type Place = [tick: number, value: number];

/** A stroke of the hand through a lane: free, straight, or bowed between its ends. */
export class Stroke {
    /** Whether it clears what it goes over. */
    clears = false;
    /** The bow of a straight stroke, −100 early to 100 late. */
    bow = 0;
    private isStraight = false;
    private drawn = new Map<number, number>();
    private last = { x: 0, y: 0 };
    private from = { x: 0, y: 0 };
    /** Where the hand was when the bow began to be set, and what it was then. */
    private bowed: { y: number; bow: number } | null = null;
    private readonly lane: Lane;

    constructor(
        private readonly model: RollModel,
        private readonly name: string,
        private readonly height: () => number,
    ) {
        this.lane = new Lane(name);
    }

    begin(x: number, y: number, clears: boolean): void {
        this.clears = clears;
        this.drawn = new Map([this.place(x, y)]);
        this.from = this.last = { x, y };
        this.bow = 0;
        this.bowed = null;
        this.isStraight = false;
        this.show();
    }

    /** Every pixel between two places of the hand. */
    follow(x: number, y: number): void {
        this.bowed = null;
        this.isStraight = false;
        const { last } = this;
        const steps = Math.max(1, Math.ceil(Math.abs(x - last.x)));
        for (let i = 1; i <= steps; i++) {
            const at = last.x + ((x - last.x) * i) / steps;
            this.drawn.set(...this.place(Math.round(at), last.y + ((y - last.y) * i) / steps));
        }
        this.last = { x, y };
        this.show();
    }

    /** A straight line from its first place. */
    straighten(x: number, y: number): void {
        this.bowed = null;
        this.isStraight = true;
        const [first] = this.drawn;
        this.drawn = new Map([first!, this.place(x, y)]);
        this.last = { x, y };
        this.show();
    }

    /** The ends stay, and up and down bows the line. */
    bend(y: number): void {
        this.bowed ??= { y, bow: this.bow };
        this.isStraight = true;
        this.bow = Math.max(-100, Math.min(100, Math.round(this.bowed.bow + (y - this.bowed.y))));
        this.show();
    }

    /** Whether it has been anywhere but at its first place. */
    get isDrawn(): boolean {
        return this.drawn.size > 1;
    }

    /** How far a place is from where it began, in pixels. */
    away(x: number, y: number): number {
        return Math.hypot(x - this.from.x, y - this.from.y);
    }

    get points(): Place[] {
        return [...this.drawn].sort(([a], [b]) => a - b);
    }

    end(): void {
        this.model.lanes.stroke = null;
        this.model.touch(`lane:${this.name}`);
    }

    private place(x: number, y: number): Place {
        return [Math.max(0, Math.round(this.model.view.tick(x))), valueAt(this.lane, y, this.height())];
    }

    private show(): void {
        const points = this.bow === 0 || !this.isStraight ? this.points : this.curved();
        this.model.lanes.stroke = { lane: this.name, clears: this.clears, points };
        this.model.touch(`lane:${this.name}`);
    }

    /** As it would be drawn, from its first place to its last. */
    private curved(): Place[] {
        const { points, bow } = this;
        const [[from, low], [to, high]] = [points[0]!, points.at(-1)!];
        const power = 4 ** (Math.abs(bow) / 100);
        const bent = (x: number): number => (bow < 0 ? 1 - (1 - x) ** power : x ** power);
        return Array.from({ length: 33 }, (_, i): Place => [
            from + ((to - from) * i) / 32,
            low + (high - low) * bent(i / 32),
        ]);
    }
}
