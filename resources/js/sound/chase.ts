import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Point } from '../api/tables';
import type { Routing } from './routing';

/** A message for a channel of the synthesizer. */
export interface Sent {
    channel: number;
    status: number;
    data: number[];
}

const RESET_CONTROLLERS = 121;

/** The data bytes of a point: programs and channel pressure have one. */
export function dataOf({ status, data1, data2 }: Point): number[] {
    const kind = status & 0xf0;
    return kind === 0xc0 || kind === 0xd0 ? [data1] : [data1, data2];
}

/**
 * What puts programs, controllers and bends where they stand at a tick, so that playing from the middle sounds as from
 * the start.
 *
 * @param only the channels of this part alone
 */
export function chased(song: Song, routing: Routing, tick: number, only?: Part): Sent[] {
    const wanted = only
        ? new Set([only.channel, ...[...only.notes.values()].map((n) => n.channel)].map((c) => routing.of(only, c)))
        : null;
    const last = new Map<string, Sent>();
    const reset = new Set<number>();
    for (const part of song.parts.values()) {
        for (const point of part.points) {
            if (point.tick > tick) break;
            if (!point.heard) continue;
            const kind = point.status & 0xf0;
            for (const channel of routing.reach(part, point.status & 0x0f)) {
                if (wanted && !wanted.has(channel)) continue;
                reset.add(channel);
                const which =
                    kind === 0xb0 || kind === 0xa0 ? `${channel}:${kind}:${point.data1}` : `${channel}:${kind}`;
                // Put in again, so that a bank is chosen before its program as in the file.
                last.delete(which);
                last.set(which, { channel, status: point.status, data: dataOf(point) });
            }
        }
    }
    return [
        ...[...reset].map((channel) => ({ channel, status: 0xb0, data: [RESET_CONTROLLERS, 0] })),
        ...last.values(),
    ];
}
