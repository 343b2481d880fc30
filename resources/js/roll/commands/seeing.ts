import type { Handler } from '../../keys/keys.svelte';
import { router } from '../../router.svelte';
import { transport } from '../../sound/transport.svelte';
import { tool } from '../pen.svelte';
import type { RollModel } from '../roll-model.svelte';
import { asPlayed } from './make';

/** What is seen of the roll, and what is looked at without being done. */
export function seeing(model: RollModel, cancel: () => boolean): Record<string, Handler> {
    const { song, part, view } = model;

    function zoom(axis: string, by: number): void {
        const { lane } = song.selection;
        // In a lane the rows are its height.
        if (axis === 'pitch' && lane) {
            model.lanes.setHeight(lane, model.lanes.height(lane) * (by > 0 ? 1.25 : 0.8));
            return song.tell(`The lane is ${model.lanes.height(lane)} high.`);
        }
        if (axis === 'pitch') return view.zoomPitch(by > 0 ? 1.25 : 0.8, view.height / 2);
        // About what one works on: the selection if it is seen, else the playhead, else the middle.
        const at = [model.bounds()?.[0], transport.tick]
            .map((t) => (t === undefined ? -1 : view.x(t)))
            .find((x) => x >= 0 && x <= view.width);
        view.zoomTime(by > 0 ? 1.5 : 1 / 1.5, at ?? view.width / 2);
    }

    /** How often something had been told when Esc found nothing selected. */
    let left = -1;

    return {
        landing: (p) => {
            model.looked = { edit: String(p.edit), params: {} };
            return () => {
                model.looked = null;
                song.preview.unlook();
            };
        },
        compare: (p) => {
            void song.preview.compare(
                p.to === 'played'
                    ? {
                          do: [asPlayed({ part: part.id, pick: { all: true } })],
                          words: `Played timing: ${part.name}.`,
                      }
                    : 'before',
            );
            return () => song.preview.showAsItIs();
        },
        'played-places': () => {
            model.playedPlaces = !model.playedPlaces;
            localStorage.setItem('jactonic.played', model.playedPlaces ? 'shown' : 'hidden');
            song.tell(
                model.playedPlaces ? 'Where notes were played is shown.' : 'Where notes were played is not shown.',
            );
        },
        escape: () => {
            if (song.queue.going) return void (song.queue.going = false);
            if (cancel()) return;
            // What is in hand is put down first.
            if (tool.name !== 'hand') {
                song.tell(`${tool.name === 'pen' ? 'The pen' : 'The eraser'} is put down.`);
                return tool.turn('hand');
            }
            song.withSelection(() => {
                if (song.selection.isAny) {
                    song.select([]);
                    return song.tell('Nothing is selected.');
                }
                // One key too many would lose one's place: it takes another, with nothing done between.
                if (left === song.told) return router.go({ at: 'song', song: song.id });
                song.tell('Nothing is selected. Esc again goes to the song.');
                left = song.told;
            });
        },
        zoom: (p) => zoom(String(p.axis), Number(p.by)),
        fit: (p) =>
            song.afterAll(() =>
                model.show(p.what === 'selection' || p.what === 'span' || p.what === 'last' ? p.what : 'all'),
            ),
        'used-rows': () => model.usedRows.turn(),
        'view-keep': (p) => model.views.keep(Number(p.number ?? 1)),
        'view-call': (p) => model.views.call(Number(p.number ?? 1)),
        follow: () => model.views.turn(),
        scroll: (p) => {
            model.views.rest();
            view.scroll((Number(p.x ?? 0) * view.width) / 2, (-Number(p.y ?? 0) * view.height) / 3);
        },
        lane: () => {
            model.laneOpen = !model.laneOpen;
            localStorage.setItem('jactonic.lane', model.laneOpen ? 'open' : 'closed');
            song.tell(model.laneOpen ? 'The velocity lane is shown.' : 'The velocity lane is hidden.');
        },
    };
}
