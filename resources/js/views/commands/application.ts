import { counted } from '../../rules/counted';
import { request } from '../../api/client';
import type { Song } from '../../api/song.svelte';
import type { Handler } from '../../keys/keys.svelte';
import { stripRows } from '../../keys/strip-rows.svelte';
import { reach } from '../../keys/reach.svelte';
import { panels } from '../../panels.svelte';
import { router, type AsidePage } from '../../router.svelte';
import { theme } from '../../theme.svelte';

/** What can be done on every page, with a song or without: `tell` says something where a page has a line for it. */
export function applicationCommands(song: () => Song | null, tell: (words: string) => void): Record<string, Handler> {
    return {
        theme: () => theme.turn(),
        reach: () => reach.begin((words) => tell(words)),
        strip: () => {
            stripRows.turn();
            const rows = stripRows.count;
            tell(rows === 0 ? 'The key strip is hidden.' : `The key strip has ${counted(rows, 'line')}.`);
        },
        commands: () => panels.turn({ name: 'commands' }),
        shortcuts: () => turn('shortcuts'),
        sheet: () => turn('sheet'),
        pace: () => turn('pace'),
        backups: () => turn('backups'),
        backup: () => void backUp(song(), tell),
        guide: (p) => {
            if (p.at === 'start') return turn('start');
            if (!turn('guide')) return;
            history.replaceState(null, '', p.at === 'marks' ? '/guide#marks' : '/guide');
        },
    };
}

/** Shows a page beside the songs; from there, the page that one came from. Says whether it is shown. */
function turn(page: AsidePage): boolean {
    const { place } = router;
    const isThere = place.at === 'keys' && place.page === page;
    if (isThere) router.back();
    else router.go({ at: 'keys', page });
    return !isThere;
}

/** Copies everything, and says where to. */
async function backUp(song: Song | null, tell: (words: string) => void): Promise<void> {
    await song?.settled();
    const words = await request('POST', 'backups').then(
        ({ made, where }) => `Everything is copied to ${made}, in ${where}.`,
        (e: unknown) => (e instanceof Error ? e.message : String(e)),
    );
    tell(words);
}
