import { heardAs } from '../../api/opened';
import { counted } from '../../rules/counted';
import type { Part } from '../../api/part.svelte';
import type { ArrangeModel } from '../arrange-model.svelte';

/** Goes to the next part in time on a track, or to the nearest in time on the track above or below; `take` takes it in. */
export function beside(model: ArrangeModel, x: number, y: number, take: boolean): void {
    const { song } = model;
    const last = song.selection.parts.includes(model.at ?? -1) ? model.at : song.selection.parts.at(-1);
    const here = song.parts.get(last ?? -1);
    // At the end of the way, of several selected the outermost stays: the later piece of a part that was split.
    const alone = song.selection.parts.length > 1 && !take ? here : undefined;
    const found = here ? (next(model, here, x, y) ?? alone) : atCaret(model, x, y);
    if (!found) return song.tell('There is no part that way.');
    const others = take ? model.chosen.filter((p) => p !== found) : [];
    model.choose([...others, found], found);
    song.caretTrack = found.trackId;
    song.putCaret(found.head.from);
    told(model);
}

function next(model: ArrangeModel, here: Part, x: number, y: number): Part | undefined {
    const { tracks } = model.song;
    const parts = tracks[model.indexOf(here)]?.parts ?? [];
    if (x !== 0) return parts[parts.indexOf(here) + x];
    for (let t = model.indexOf(here) + y; t >= 0 && t < tracks.length; t += y)
        if (tracks[t]!.parts.length > 0) return nearest(tracks[t]!.parts, here.head.from);
    return undefined;
}

/** With nothing selected: from the caret on. */
function atCaret(model: ArrangeModel, x: number, y: number): Part | undefined {
    const { song } = model;
    const { tick } = song.caret;
    const parts = song.tracks[model.trackIndex]?.parts ?? [];
    const under = parts.find((p) => p.head.from <= tick && model.endOf(p) > tick);
    if (x === 0 && y === 0) return under;
    if (x > 0) return under ?? parts.find((p) => p.head.from >= tick) ?? parts.at(-1);
    if (x < 0) return under ?? parts.findLast((p) => p.head.from <= tick) ?? parts[0];
    const track = song.tracks[Math.max(0, Math.min(song.tracks.length - 1, model.trackIndex + (under ? y : 0)))];
    return under && track === song.tracks[model.trackIndex] ? under : track && nearest(track.parts, tick);
}

function nearest(parts: readonly Part[], tick: number): Part | undefined {
    return parts.reduce<Part | undefined>(
        (best, p) => (!best || Math.abs(p.head.from - tick) < Math.abs(best.head.from - tick) ? p : best),
        undefined,
    );
}

/** Selects several parts: all, those of the track, the others, those in the span. */
export function chooseMany(model: ArrangeModel, which: string): void {
    const { song } = model;
    const all = song.tracks.flatMap((t) => t.parts);
    const chosen = new Set(song.selection.parts);
    const track = (chosen.has(model.at ?? -1) && song.parts.get(model.at!)?.trackId) || model.track?.id;
    if (which === 'span' && !song.span) return song.tell('There is no span.');
    const found = all.filter((p) =>
        which === 'track'
            ? p.trackId === track
            : which === 'others'
              ? !chosen.has(p.id)
              : which === 'span'
                ? p.head.from < song.span!.to && model.endOf(p) > song.span!.from
                : true,
    );
    model.choose(found, found.find((p) => p.id === model.at) ?? found[0]);
    told(model);
}

export function told({ song, chosen }: ArrangeModel): void {
    const [only, more] = chosen;
    song.tell(
        only && !more
            ? wordsOf(only)
            : chosen.length === 0
              ? 'Nothing is selected.'
              : `${chosen.length} parts selected.`,
    );
}

/** A part, as it is read out. */
export function wordsOf(part: Part): string {
    const { head, lines, notes, name } = part;
    const bar = (tick: number): number => lines.barAt(tick).index + 1;
    const last = head.to === null ? null : bar(head.to - 1);
    const end = last === null || last === bar(head.from) ? '' : `–${last}`;
    return [`${name}: bar ${bar(head.from)}${end}, ${counted(notes.size, 'note')}`, ...heardAs(part)].join(', ') + '.';
}
