import { transport } from '../../sound/transport.svelte';
import type { Gesture } from '../../stage/hands';
import type { View } from '../../stage/view';
import { setSpan, type InTime } from '../commands/span';
import { DRAG_FROM } from './drag';

/** In the ruler: a click puts the caret and the playhead there and says so, a drag makes the span. */
export function drawSpan(
    model: InTime & { readonly view: View; snapped(tick: number, free?: boolean): number },
    say: () => void,
): Gesture {
    let from = { x: 0, tick: 0 };
    return {
        begin({ x, button }) {
            from = { x, tick: model.view.tick(x) };
            return button === 0;
        },
        move({ x, alt }) {
            if (Math.abs(x - from.x) < DRAG_FROM) return;
            const [a, b] = [model.snapped(from.tick, alt), model.snapped(model.view.tick(x), alt)];
            setSpan(model, Math.min(a, b), Math.max(a, b), true);
        },
        drop(touch) {
            if (!touch || Math.abs(touch.x - from.x) >= DRAG_FROM) return;
            model.song.putCaret(model.snapped(from.tick, touch.alt));
            transport.locate(model.song.caret.tick);
            say();
        },
    };
}
