import type { Gesture } from '../../stage/hands';
import { drawVelocities } from '../commands/make';
import { stemTop } from '../layers/velocity';
import { tool } from '../pen.svelte';
import type { RollModel } from '../roll-model.svelte';

/**
 * With the pen in hand, a stroke over the velocities sets those that it passes, with Shift in a straight line: a ramp.
 * Where notes are selected it is theirs alone.
 */
export function sweep(model: RollModel, height: () => number): Gesture {
    const { view, song } = model;
    let drawn: [number, number][] = [];

    function at(x: number, y: number): [number, number] {
        const [low, high] = [stemTop(0, height()), stemTop(127, height())];
        const value = Math.round(((low - y) / (low - high)) * 127);
        return [Math.max(0, Math.round(view.tick(x))), Math.max(1, Math.min(127, value))];
    }

    function show(): void {
        model.lanes.stroke = drawn.length > 0 ? { lane: 'velocity', points: drawn, clears: false } : null;
        model.touch('lane');
    }

    function end(): void {
        drawn = [];
        show();
    }

    return {
        begin({ x, y, button }) {
            if (tool.name !== 'pen' || button !== 0) return false;
            drawn = [at(x, y)];
            show();
            return true;
        },
        move({ x, y, shift }) {
            drawn = shift ? [drawn[0]!, at(x, y)] : [...drawn, at(x, y)];
            model.onHover(`velocity ${drawn.at(-1)![1]}`);
            show();
        },
        drop() {
            const points = [...new Map(drawn)].sort(([a], [b]) => a - b);
            end();
            song.do(drawVelocities(points));
        },
        cancel: end,
    };
}
