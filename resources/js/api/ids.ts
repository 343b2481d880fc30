import type { Ids } from '../contract';

export type { Ids };

/** Three or more that follow one another are a pair. */
export function runs(ids: Iterable<number>): Ids {
    const list = [...ids];
    const out: Ids = [];
    for (let i = 0; i < list.length;) {
        const first = i++;
        while (i < list.length && list[i] === list[i - 1]! + 1) i++;
        if (i - first > 2) out.push([list[first]!, list[i - 1]!]);
        else out.push(...list.slice(first, i));
    }
    return out;
}

export function spread(ids: Ids): number[] {
    const out: number[] = [];
    for (const id of ids) {
        if (typeof id === 'number') out.push(id);
        else for (let i = id[0]; i <= id[1]; i++) out.push(i);
    }
    return out;
}
