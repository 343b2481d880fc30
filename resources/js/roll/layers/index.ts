import { chordLine } from '../../harmony/chord-line.svelte';
import { recorder } from '../../sound/recorder.svelte';
import { transport } from '../../sound/transport.svelte';
import type { LayerSpec } from '../../stage/layer';
import type { RollModel } from '../roll-model.svelte';
import type { LayerName } from '../roll-state';
import { paintChords } from './chords';
import { paintGrid } from './grid';
import { paintKeyboard } from './keyboard';
import { paintNotes } from './notes';
import { paintOverlay } from './overlay';
import { paintOwn } from './own';
import { paintRuler } from './ruler';
import { paintUnderlay } from './underlay';
import { paintStroke, paintVelocity } from './velocity';

/** The layers of the roll, from below. */
export function layersOf(model: RollModel): Record<LayerName, LayerSpec> {
    const { song, part, view } = model;
    return {
        grid: { paint: (ctx) => paintGrid(ctx, view, part, song.time, model.colours), covers: true },
        underlay: {
            paint: (ctx) => paintUnderlay(ctx, view, model.under(), song.selection.beside, model.colours),
            covers: true,
        },
        notes: {
            paint: (ctx) =>
                paintNotes(
                    ctx,
                    view,
                    part,
                    song.selection.notes,
                    `${part.version} ${song.selection.version} ${song.selection.notes.size}`,
                    model.playedPlaces,
                    model.pedalTails,
                    model.colours,
                ),
            covers: true,
        },
        overlay: {
            paint: (ctx) => {
                paintOverlay(ctx, view, part, model.overlay, model.colours);
                paintOwn(model, ctx);
            },
        },
        ruler: {
            paint: (ctx, _, height) =>
                paintRuler(
                    ctx,
                    view,
                    part,
                    song.time,
                    {
                        loop: transport.loop,
                        caret: song.caret.tick,
                        recording: recorder.on,
                        punch: recorder.settings.punch,
                    },
                    height,
                    model.colours,
                ),
        },
        chords: {
            paint: (ctx, _, height) => paintChords(ctx, view, chordLine.chords, song.caret.tick, height, model.colours),
            covers: true,
        },
        keyboard: {
            paint: (ctx, width) =>
                paintKeyboard(ctx, view, width, model.drumNames, model.usedRows.names, model.lit, model.colours),
        },
        lane: {
            paint: (ctx, _, height) => {
                paintVelocity(ctx, view, part, song.selection.notes, model.raised, height, model.colours);
                paintStroke(ctx, view, model.lanes.stroke, height, model.colours);
            },
            covers: true,
        },
    };
}
