import { tick } from 'svelte';
import type { Song } from '../../api/song.svelte';
import { asPressed } from '../../keys/as-pressed';
import { keys, type Handler } from '../../keys/keys.svelte';
import { router } from '../../router.svelte';
import { newSeed, panels, remembered } from '../../panels.svelte';

/** What is done in the roll and on the song page alike: panels, recipes, edits as their panel was set last, counts. */
export function commonCommands(here: Song): Record<string, Handler> {
    return {
        panel: (p) => {
            const panel = p.edit ? { name: 'edit', edit: String(p.edit) } : { name: String(p.name) };
            here.queue.openPanel(() => panels.turn(panel));
        },
        recipe: (p, _, press) => here.do({ recipe: String(p.recipe), ...asPressed(press) }),
        'record-recipe': () => void here.commandLog.record().then((some) => some && panels.turn({ name: 'recipes' })),
        'repeat-command': (p, _, press) => here.commandLog.repeat(Number(p.back ?? 1), press.times),
        count: () => void (keys.count = ''),
        // What is typed behind it is for the part that it opens.
        'go-part': (p) => here.queue.push({ kind: 'ask', ask: () => goPart(here, Number(p.by ?? 1)) }),
        // An edit once more as its panel was set last.
        again: (p, _, press) =>
            here.afterAll(() => {
                const edit = String(p.edit);
                if (p.instead && here.isLast(edit)) here.undo();
                here.do({
                    edit,
                    params: { ...remembered(edit), ...(p.reseed ? { seed: newSeed() } : {}) },
                    ...asPressed(press),
                });
            }),
    };
}

/** Opens the part after the open one, or before it, in the order of the song page. */
async function goPart(here: Song, by: number): Promise<void> {
    const all = here.tracks.flatMap((t) => t.parts);
    const to = here.open && all[all.indexOf(here.open) + by];
    if (!to) return here.tell(by > 0 ? 'This is the last part of the song.' : 'This is the first part of the song.');
    router.go({ at: 'roll', song: here.id, part: to.id });
    await tick();
}
