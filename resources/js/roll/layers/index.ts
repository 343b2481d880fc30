import { chordLine } from '../../harmony/chord-line.svelte';
import { recorder } from '../../sound/recorder.svelte';
import { transport } from '../../sound/transport.svelte';
import type { LayerSpec } from '../../stage/layer';
import type { LayerName, Sheet } from '../sheet.svelte';
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
export function layersOf(sheet: Sheet): Record<LayerName, LayerSpec> {
    const { song, part, view } = sheet;
    return {
        grid: { paint: (ctx) => paintGrid(ctx, view, part, song.time, sheet.colours), covers: true },
        underlay: {
            paint: (ctx) => paintUnderlay(ctx, view, sheet.under(), song.beside, sheet.colours),
            covers: true,
        },
        notes: {
            paint: (ctx) =>
                paintNotes(
                    ctx,
                    view,
                    part,
                    song.selected,
                    `${part.version} ${song.selectionVersion} ${song.selected.size}`,
                    sheet.playedPlaces,
                    sheet.pedalTails,
                    sheet.colours,
                ),
            covers: true,
        },
        overlay: {
            paint: (ctx) => {
                paintOverlay(ctx, view, part, sheet.overlay, sheet.colours);
                paintOwn(sheet, ctx);
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
                    sheet.colours,
                ),
        },
        chords: {
            paint: (ctx, _, height) => paintChords(ctx, view, chordLine.chords, song.caret.tick, height, sheet.colours),
            covers: true,
        },
        keyboard: {
            paint: (ctx, width) =>
                paintKeyboard(ctx, view, width, sheet.drumNames, sheet.usedRows.names, sheet.lit, sheet.colours),
        },
        lane: {
            paint: (ctx, _, height) => {
                paintVelocity(ctx, view, part, song.selected, sheet.raised, height, sheet.colours);
                paintStroke(ctx, view, sheet.lanes.stroke, height, sheet.colours);
            },
            covers: true,
        },
    };
}
