import { counted } from '../rules/counted';
import type { RollState } from './roll-state';

/** Selects all from the caret to the start of the part or to its end. The caret stays. */
export function selectToEdge({ song, part }: RollState, edge: 'start' | 'end'): void {
    const { tick } = song.caret;
    const [first, last] = edge === 'start' ? [0, tick] : [tick, part.lastEnd];
    const ids: number[] = [];
    part.between(first, Math.max(last, first + 1), (n) => {
        if (n.start >= first && n.start < last && part.holds(n.start)) ids.push(n.id);
    });
    song.select(ids);
    const at = song.time.position(tick, part.lines);
    song.tell(
        `${counted(ids.length, 'note')} selected ${edge === 'start' ? 'before' : 'from'} ${at}${edge === 'start' ? '' : ' on'}.`,
    );
}
