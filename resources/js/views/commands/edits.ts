import type { Song } from '../../api/song.svelte';
import type { Command } from '../../api/types';
import { asPressed } from '../../keys/as-pressed';
import { commands } from '../../keys/commands.svelte';
import type { Handler, Press } from '../../keys/keys.svelte';
import { router } from '../../router.svelte';

/** Every edit of the catalogue that is for these pages, by its id, as a command on what is selected there. */
export function editCommands(song: Song, pages: readonly string[]): Record<string, Handler> {
    const here = commands.specs.filter((s) => commands.edits.has(s.id) && pages.some((p) => s.contexts.includes(p)));
    return Object.fromEntries(here.map(({ id }) => [id, (params, _, press) => edit(song, id, params, press)]));
}

function edit(song: Song, id: string, params: Record<string, unknown>, press: Press): void {
    song.do(meant(song, { edit: id, params, ...asPressed(press) }));
    // What is typed behind a part that is made is for that.
    if (!commands.keepsSelection(id, params)) song.afterAll(() => openMade(song));
}

/** Where a shortcut names the pointer, a note that is there and not selected is meant. */
function meant(song: Song, command: Command): Command {
    const under = song.pointer?.note;
    const at = Object.values(command.params ?? {}).includes('pointer');
    return at && under && song.open && !song.selection.notes.has(under.id)
        ? { ...command, on: { part: song.open.id, notes: [under.id] } }
        : command;
}

/** A part that was just made is opened. */
function openMade(song: Song): void {
    const { made } = song;
    song.made = null;
    const { place } = router;
    if (made !== null && song.stage === 'roll' && place.at === 'roll' && place.song === song.id)
        router.go({ at: 'roll', song: song.id, part: made });
}
