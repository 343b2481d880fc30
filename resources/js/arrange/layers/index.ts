import { markerFlags, paintRuler } from '../../roll/layers/ruler';
import { recorder } from '../../sound/recorder.svelte';
import { transport } from '../../sound/transport.svelte';
import type { LayerSpec } from '../../stage/layer';
import type { ArrangeModel, LayerName } from '../arrange-model.svelte';
import { MARGIN } from '../sizes';
import { paintGrid } from './grid';
import { paintNotes } from './notes';

/** The layers of the song page, from below. */
export function layersOf(model: ArrangeModel): Record<LayerName, LayerSpec> {
    const { song, view } = model;
    return {
        grid: { paint: (ctx) => paintGrid(model, ctx), covers: true },
        notes: { paint: (ctx) => paintNotes(model, ctx), covers: true },
        overlay: { paint: (ctx) => paintOverlay(model, ctx) },
        ruler: {
            paint: (ctx, _, height) => {
                const marks = { loop: transport.loop, caret: song.caret.tick, recording: recorder.on, punch: false };
                paintRuler(ctx, view, model, song.time, marks, height, model.colours);
                markerFlags(ctx, view, song.time, 18, model.colours);
            },
            covers: true,
        },
    };
}

/** The span, what a hand holds in outline, and the box drawn about parts. */
function paintOverlay(model: ArrangeModel, ctx: CanvasRenderingContext2D): void {
    const { view, shown, colours: c, song } = model;
    if (song.span) {
        const x = view.x(song.span.from);
        const w = view.x(song.span.to) - x;
        ctx.fillStyle = c.sounding;
        ctx.globalAlpha = 0.08;
        ctx.fillRect(x, 0, w, model.y(song.tracks.length));
        ctx.globalAlpha = 1;
        ctx.fillRect(x, 0, 1, model.y(song.tracks.length));
        ctx.fillRect(x + w - 1, 0, 1, model.y(song.tracks.length));
    }
    ctx.strokeStyle = c.selected;
    ctx.lineWidth = 2;
    ctx.setLineDash([5, 4]);
    for (const { from, to, track } of shown.sheets)
        ctx.strokeRect(view.x(from) + 1, model.y(track) + MARGIN, (to - from) * view.scale - 2, model.row - 2 * MARGIN);
    ctx.setLineDash([]);
    if (shown.box) {
        const { x0, y0, x1, y1 } = shown.box;
        ctx.fillStyle = c.selected;
        ctx.globalAlpha = 0.1;
        ctx.fillRect(x0, y0, x1 - x0, y1 - y0);
        ctx.globalAlpha = 1;
        ctx.lineWidth = 1;
        ctx.strokeRect(x0, y0, x1 - x0, y1 - y0);
    }
}
