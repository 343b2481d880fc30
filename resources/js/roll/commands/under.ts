import type { Handler } from '../../keys/keys.svelte';
import { router } from '../../router.svelte';
import type { RollModel } from '../roll-model.svelte';
import * as make from './make';

/** What is done with the parts that lie under the one being edited. */
export function under(model: RollModel): Record<string, Handler> {
    const { song, part, underlay } = model;

    /** Something that needs a part underneath; else it says how to have one. */
    const withSome = (run: () => void): void => {
        if (underlay.parts.length > 0) run();
        else song.tell('No other parts are shown: show them first.');
    };

    return {
        underlay: () => song.tell(underlay.turn()),
        'underlay-walk': (p) => song.tell(underlay.walk(Number(p.by ?? 1))),
        'edit-under': () =>
            song.inTurn(() => {
                if (song.selection.inPlace) {
                    song.selection.workOn([]);
                    song.selection.version++;
                    return song.tell('Only this part is edited.');
                }
                withSome(() => {
                    song.selection.workOn(underlay.parts.map((p) => p.id));
                    song.selection.version++;
                    const count = underlay.parts.length;
                    song.tell(`${count === 1 ? 'The part' : `The ${count} parts`} and this one are edited together.`);
                });
            }),
        'go-under': (p) =>
            song.afterAll(() =>
                withSome(() => {
                    const at = p.at === 'pointer' ? model.pointed : song.caret;
                    const to = at && underlay.nearest(at.tick, at.pitch);
                    if (!to) return song.tell('There is no part under the pointer.');
                    model.views.carry();
                    router.go({ at: 'roll', song: song.id, part: to.id });
                }),
            ),
        'align-under': (p) =>
            withSome(() => song.do(make.alignTo(underlay.parts.map((q) => q.id), String(p.toward ?? 'nearest')))), // prettier-ignore
        'take-feel': (p) =>
            withSome(() => {
                const source = underlay.parts[0]!;
                const { grid } = part.settings;
                song.queue.push({
                    kind: 'ask',
                    ask: async () => {
                        const places = grid.includes('bar') ? '1/16' : grid;
                        const feel = await song.read('groove-reading', { name: source.name, grid: places }, [
                            { part: source.id, notes: [] },
                        ]);
                        song.queue.runInTurn(() => song.do(make.feelOf(feel, String(p.what ?? 'timing'))));
                    },
                });
            }),
    };
}
