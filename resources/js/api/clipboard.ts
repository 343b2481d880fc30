import type { Carried } from './items';
import type { SongState } from './song-state';
import type { Clip } from './types';

const KEPT = 'jactonic.copied';

/** What was copied, and how many ticks a quarter has in the song that it is from. */
type Kept = Clip & { ppq: number };

/** What was copied last, in any song and any window; here, where there is no room to keep it. */
let here: Kept | null = null;

/** What was copied last, to be put in elsewhere. */
export class Clipboard {
    constructor(private readonly song: SongState) {}

    /** What was copied, in this song's ticks; null where nothing was. */
    get clip(): Clip | null {
        const kept = read() ?? here;
        if (!kept) return null;
        const scaled = (ticks: number): number => Math.round((ticks * this.song.time.ppq) / kept.ppq);
        return {
            anchor: scaled(kept.anchor),
            length: scaled(kept.length),
            points: Object.fromEntries(
                Object.entries(kept.points ?? {}).map(([lane, points]) => [
                    lane,
                    points.map(([tick, value]): [number, number] => [scaled(tick), value]),
                ]),
            ),
            notes: kept.notes.map((n) => ({
                ...n,
                start: scaled(n.start!),
                length: Math.max(1, scaled(n.length!)),
                driftStart: scaled(n.driftStart ?? 0),
                driftLength: scaled(n.driftLength ?? 0),
                ...(n.own ? { own: curves(n.own, scaled) } : {}),
            })),
        };
    }

    /** Keeps what is selected, or with nothing selected what lies in the span; then does something, before all that was typed after it. */
    copy(then: Carried, onlyInSpan = false): void {
        this.song.queue.push({ kind: 'ask', ask: () => this.now(then, onlyInSpan) });
    }

    /** @param onlyInSpan of what is selected, too, only what lies in the span, cut at its edges */
    private async now(then: Carried, onlyInSpan: boolean): Promise<void> {
        const { song } = this;
        const inSpan = onlyInSpan || (song.selection.notes.size === 0 && song.selection.points.size === 0);
        if (inSpan && !song.span)
            return song.tell(
                `${onlyInSpan ? 'There' : 'Nothing is selected, and there'} is no span: nothing was copied.`,
            );
        const clip = await song.read('clip', inSpan ? { from: 'span-start', to: 'span-end' } : {});
        const isEmpty = clip.notes.length === 0 && (!song.selection.lane || Object.keys(clip.points).length === 0);
        if (isEmpty)
            return song.tell(
                `Nothing ${song.selection.lane ? 'of the lane lies' : 'sounds'} there: nothing was copied.`,
            );
        keep({ ...clip, ppq: song.time.ppq });
        song.queue.runInTurn(() => then(clip, inSpan));
    }
}

/** A note’s own curves, which are a text, in other ticks. */
function curves(own: unknown, scaled: (ticks: number) => number): string {
    const lanes = JSON.parse(String(own)) as Record<string, [number, number][]>;
    return JSON.stringify(
        Object.fromEntries(
            Object.entries(lanes).map(([lane, points]) => [lane, points.map(([t, value]) => [scaled(t), value])]),
        ),
    );
}

function keep(clip: Kept): void {
    here = clip;
    try {
        localStorage.setItem(KEPT, JSON.stringify(clip));
    } catch {
        // There is no room for so much: it stays with this window.
        localStorage.removeItem(KEPT);
    }
}

function read(): Kept | null {
    try {
        return JSON.parse(localStorage.getItem(KEPT) ?? 'null') as Kept | null;
    } catch {
        return null;
    }
}
