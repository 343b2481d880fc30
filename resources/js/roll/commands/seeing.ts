import type { Handler } from '../../keys/keys.svelte';
import { router } from '../../router.svelte';
import { transport } from '../../sound/transport.svelte';
import type { Sheet } from '../sheet.svelte';
import { asPlayed } from './make';

/** What is seen of the roll, and what is looked at without being done. */
export function seeing(sheet: Sheet, cancel: () => boolean): Record<string, Handler> {
    const { song, part, view } = sheet;

    function zoom(axis: string, by: number): void {
        const { lane } = song.inLane;
        // In a lane the rows are its height.
        if (axis === 'pitch' && lane) {
            sheet.lanes.setHeight(lane, sheet.lanes.height(lane) * (by > 0 ? 1.25 : 0.8));
            return song.tell(`The lane is ${sheet.lanes.height(lane)} high.`);
        }
        if (axis === 'pitch') return view.zoomPitch(by > 0 ? 1.25 : 0.8, view.height / 2);
        // About what one works on: the selection if it is seen, else the playhead, else the middle.
        const at = [sheet.bounds()?.[0], transport.tick]
            .map((t) => (t === undefined ? -1 : view.x(t)))
            .find((x) => x >= 0 && x <= view.width);
        view.zoomTime(by > 0 ? 1.5 : 1 / 1.5, at ?? view.width / 2);
    }

    /** How often something had been told when Esc found nothing chosen. */
    let left = -1;

    return {
        landing: (p) => {
            sheet.looked = { edit: String(p.edit), params: {} };
            return () => {
                sheet.looked = null;
                song.looking.unlook();
            };
        },
        compare: (p) => {
            void song.looking.compare(
                p.to === 'played'
                    ? {
                          do: [asPlayed({ part: part.id, pick: { all: true } })],
                          words: `As played: ${part.name} before any quantize.`,
                      }
                    : 'before',
            );
            return () => song.looking.showAsItIs();
        },
        'played-places': () => {
            sheet.playedPlaces = !sheet.playedPlaces;
            localStorage.setItem('jactonic.played', sheet.playedPlaces ? 'shown' : 'hidden');
            song.tell(
                sheet.playedPlaces ? 'Where notes were played is shown.' : 'Where notes were played is not shown.',
            );
        },
        escape: () => {
            if (song.queue.going) return void (song.queue.going = false);
            if (cancel()) return;
            song.withSelection(() => {
                if (song.anyChosen) {
                    song.select([]);
                    return song.tell('Nothing is chosen.');
                }
                // One key too many would lose one's place: it takes another, with nothing done between.
                if (left === song.told) return router.go({ at: 'song', song: song.id });
                song.tell('Nothing is chosen. Esc once more goes to the song.');
                left = song.told;
            });
        },
        zoom: (p) => zoom(String(p.axis), Number(p.by)),
        fit: (p) =>
            song.afterAll(() =>
                sheet.show(p.what === 'selection' || p.what === 'span' || p.what === 'last' ? p.what : 'all'),
            ),
        'used-rows': () => sheet.usedRows.turn(),
        'view-keep': (p) => sheet.views.keep(Number(p.number ?? 1)),
        'view-call': (p) => sheet.views.call(Number(p.number ?? 1)),
        follow: () => sheet.views.turn(),
        scroll: (p) => {
            sheet.views.rest();
            view.scroll((Number(p.x ?? 0) * view.width) / 2, (-Number(p.y ?? 0) * view.height) / 3);
        },
        lane: () => {
            sheet.laneOpen = !sheet.laneOpen;
            localStorage.setItem('jactonic.lane', sheet.laneOpen ? 'open' : 'closed');
            song.tell(sheet.laneOpen ? 'The velocity lane is shown.' : 'The velocity lane is hidden.');
        },
    };
}
