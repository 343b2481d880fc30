import type { Binding } from '../api/types';
import { labels } from './strokes';

const WHERE: Record<string, string> = {
    roll: 'only in a part',
    song: 'only on the song page',
    songs: 'only in the list of songs',
    keys: 'only among the shortcuts',
};

/** From page to page, in words. */
const WAYS: Record<string, string> = {
    'song roll': 'Enter opens the part',
    'roll song': 'O goes to the song',
    'songs song': 'Enter opens the song',
    'songs roll': 'Enter opens the song',
    'song songs': 'O goes to all songs',
};

/** What to say of a key that does nothing here; null where the browser may have a use for it. */
export function nothingHere(context: string, stroke: string, elsewhere: Binding | null): string | null {
    const key = labels(stroke).join(' ');
    if (!elsewhere)
        return /^(Mod|F\d)|Tab$|ContextMenu/.test(stroke)
            ? null
            : `${key} has no command here; ${labels('Slash').join(' ')} finds every command.`;
    const way = WAYS[`${context} ${elsewhere.context}`];
    const where = WHERE[elsewhere.context] ?? 'elsewhere';
    return `${key} does nothing here: “${elsewhere.label}” works ${where}${way ? `; ${way}` : ''}.`;
}
