import { eachLine } from '../../roll/layers/grid';
import type { ArrangeModel } from '../arrange-model.svelte';
import { MARGIN } from '../sizes';

const CLOSEST = 9;
const STAFF = 5;

/** Paper, a staff for each track, and the lines of bars and beats. */
export function paintGrid(model: ArrangeModel, ctx: CanvasRenderingContext2D): void {
    const { view, song, row, colours: c } = model;
    const { width, height } = view;
    ctx.fillStyle = c.paper;
    ctx.fillRect(0, 0, width, height);
    song.tracks.forEach((track, t) => {
        const y = model.y(t);
        if (y + row < 0 || y > height) return;
        if (track.id === song.caretTrack) {
            ctx.fillStyle = c.rowDark;
            ctx.fillRect(0, y, width, row);
        }
        ctx.fillStyle = c.line;
        const gap = (row - 2 * MARGIN - 8) / (STAFF - 1);
        for (let i = 0; i < STAFF; i++) ctx.fillRect(0, Math.round(y + MARGIN + 4 + i * gap), width, 0.5);
        ctx.fillStyle = c.beat;
        ctx.fillRect(0, Math.round(y + row) - 1, width, 1);
    });
    const bottom = Math.min(height, model.y(song.tracks.length));
    eachLine(view, model.lines, song.time, CLOSEST, (x, rank) => {
        if (rank === 'line') return;
        ctx.fillStyle = rank === 'bar' ? c.bar : c.line;
        ctx.globalAlpha = rank === 'bar' ? 0.45 : 1;
        ctx.fillRect(x, 0, 1, bottom);
        ctx.globalAlpha = 1;
    });
}
