import type { Item } from './items';
import type { Part } from './part.svelte';
import type { SongState } from './song-state';

export interface Caret {
    tick: number;
    pitch: number;
}

/**
 * Where the caret is in a part that is opened. It belongs to the song: it stays at its time, on a row that is in use
 * there. In the part opened first it is at the bar in which that begins.
 */
export function caretIn(part: Part, caret: Caret, isFirst: boolean, early: number): Caret {
    const tick = isFirst ? part.lines.barAt(part.firstStart + early).start : caret.tick;
    if (part.notes.size === 0 || (!isFirst && part.ordered.some((n) => n.pitch === caret.pitch)))
        return { tick, pitch: caret.pitch };
    const near = part.ordered.find((n) => n.start >= tick) ?? part.ordered.at(-1)!;
    return { tick, pitch: isFirst ? part.ordered[0]!.pitch : near.pitch };
}

/** Moves the caret in time, as the server's rules have it; then does something in its turn, or says where it is. */
export function moveCaret(song: SongState, steps: number, by: unknown, then?: () => void): void {
    type Move = Item & { steps?: number; by?: string };
    const same = JSON.stringify([by, then !== undefined]);
    let total = steps;
    const item: Move = {
        kind: 'ask',
        movesCaret: then === undefined,
        ask: async () => {
            const part = song.open;
            const { tick } = await song.read('caret-step', { steps: total, by }, song.onGrid());
            if (part !== song.open) return;
            song.queue.runInTurn(() => {
                song.putCaret(tick);
                if (then) then();
                else song.onCaret();
            });
        },
        join: (next: Move) => {
            // There and back are two ways: the song's start ends the first.
            if (next.steps === undefined || next.by !== same || Math.sign(next.steps) !== Math.sign(total))
                return false;
            total += next.steps;
            return true;
        },
    };
    song.queue.push(Object.assign(item, { steps, by: same }));
}
