import { channelOf } from '../api/heard';
import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Point } from '../api/tables';
import type { Message } from './protocol';
import type { Routing } from './routing';

const RESET_CONTROLLERS = 121;
/** Where controllers stand that nobody moved, by number; the others at 0. */
const RESTING: Record<number, number> = { 7: 100, 8: 64, 10: 64, 11: 127 };

/** The data bytes of a point: programs and channel pressure have one. */
export function dataOf({ status, data1, data2 }: Point): number[] {
    const kind = status & 0xf0;
    return kind === 0xc0 || kind === 0xd0 ? [data1] : [data1, data2];
}

/** What each channel was last told of each thing, up to a tick; in the order of telling. */
function standing(parts: Iterable<[Part, readonly Point[]]>, routing: Routing, tick: number): Map<string, Message> {
    const last = new Map<string, Message>();
    for (const [part, points] of parts) {
        for (const point of points) {
            if (point.tick > tick) break;
            if (!point.heard) continue;
            const kind = point.status & 0xf0;
            for (const channel of routing.reach(part, channelOf(point))) {
                const which =
                    kind === 0xb0 || kind === 0xa0 ? `${channel}:${kind}:${point.data1}` : `${channel}:${kind}`;
                // Put in again, so that a bank is selected before its program as in the file.
                last.delete(which);
                last.set(which, [channel, point.status, ...dataOf(point)]);
            }
        }
    }
    return last;
}

/**
 * What puts programs, controllers and bends where they stand at a tick, so that playing from the middle sounds as from
 * the start.
 *
 * @param only the channels of this part alone
 */
export function chased(song: Song, routing: Routing, tick: number, only?: Part): Message[] {
    const wanted = only
        ? new Set([only.channel, ...[...only.notes.values()].map((n) => n.channel)].map((c) => routing.of(only, c)))
        : null;
    const last = [
        ...standing(
            [...song.parts.values()].map((part) => [part, part.heard.points]),
            routing,
            tick,
        ).values(),
    ].filter(([channel]) => !wanted || wanted.has(channel));
    const reset = new Set(last.map(([channel]) => channel));
    return [...[...reset].map((channel): Message => [channel, 0xb0, RESET_CONTROLLERS, 0]), ...last];
}

/** What puts right, while it plays, what points of a part that changed left standing otherwise. */
export function mended(part: Part, before: readonly Point[], routing: Routing, tick: number): Message[] {
    const was = standing([[part, before]], routing, tick);
    const is = standing([[part, part.heard.points]], routing, tick);
    const all: Message[] = [];
    for (const [which, message] of is) if (was.get(which)?.join() !== message.join()) all.push(message);
    for (const [which, [channel, status, first]] of was) {
        const kind = status & 0xf0;
        if (is.has(which)) continue;
        if (kind === 0xb0) all.push([channel, 0xb0, first!, RESTING[first!] ?? 0]);
        else if (kind === 0xe0) all.push([channel, 0xe0, 0, 64]);
        else if (kind === 0xd0) all.push([channel, 0xd0, 0]);
    }
    return all;
}
