import { keys } from '../keys/keys.svelte';
import type { RollModel } from './roll-model.svelte';

const ZOOM = 0.0022;
/** Pixels that make a notch of the wheel, so that a touchpad does not race. */
const NOTCH = 40;
/** Milliseconds between notches that belong together. */
const STILL_TURNING = 600;

/** The wheel over the roll: it scrolls and zooms, and with other modifiers it is a key like others. */
export function wheelOf(model: RollModel): (e: WheelEvent, at: { x: number; y: number }) => void {
    /** Pixels gone since the last notch, and which it was. */
    let turned = { pixels: 0, stroke: '', at: 0 };

    function strokeOf(e: WheelEvent): string {
        const mod = e.ctrlKey || e.metaKey ? 'Mod+' : '';
        const up = (e.deltaY || e.deltaX) < 0;
        return `${mod}${e.altKey ? 'Alt+' : ''}${e.shiftKey ? 'Shift+' : ''}Wheel${up ? 'Up' : 'Down'}`;
    }

    /**
     * A notch that stands for something is a key like others, and notches that follow at once are one step. It is for
     * the selected notes, or for the one under the pointer.
     */
    function turn(e: WheelEvent, stroke: string, unit: number): void {
        const by = (e.deltaY || e.deltaX) * unit;
        const { song } = model;
        const { pointer } = song;
        if (pointer?.note && !song.selection.notes.has(pointer.note.id)) song.select([pointer.note.id]);
        if (Math.sign(by) !== Math.sign(turned.pixels)) turned.pixels = 0;
        turned.pixels += by;
        if (Math.abs(turned.pixels) < NOTCH) return;
        const more = stroke === turned.stroke && e.timeStamp - turned.at < STILL_TURNING;
        turned = { pixels: 0, stroke, at: e.timeStamp };
        keys.stroke(stroke, more);
    }

    return (e, { x, y }) => {
        e.preventDefault();
        const { view } = model;
        const unit = e.deltaMode === 1 ? 18 : e.deltaMode === 2 ? view.height : 1;
        const stroke = strokeOf(e);
        if (keys.capture || keys.resolver.has(stroke, keys.context)) return turn(e, stroke, unit);
        model.views.rest();
        // A pinch on a touchpad arrives as a wheel with Ctrl.
        if (e.ctrlKey || e.metaKey) {
            if (e.shiftKey) view.zoomPitch(Math.exp(-e.deltaY * unit * ZOOM), y);
            else view.zoomTime(Math.exp(-e.deltaY * unit * ZOOM), x);
        } else if (e.shiftKey && e.deltaX === 0) view.scroll(e.deltaY * unit, 0);
        else view.scroll(e.deltaX * unit, e.deltaY * unit);
    };
}
