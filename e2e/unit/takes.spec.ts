import { expect, test } from '@playwright/test';
import { notesIn, piecesOf, TakeStore, unkept, type TakeHead } from '../../resources/js/sound/takes';

class Store {
    [key: string]: unknown;
    getItem(key: string): string | null {
        return typeof this[key] === 'string' ? this[key] : null;
    }
    setItem(key: string, value: string): void {
        this[key] = value;
    }
    removeItem(key: string): void {
        delete this[key];
    }
}

const head: TakeHead = {
    id: 7,
    song: 1,
    songName: 'Quay',
    part: 2,
    partName: 'Bell',
    params: { take: 7 },
    begun: '2026',
};

function window(held: string[] = []): Store {
    const store = new Store();
    Object.defineProperty(globalThis, 'localStorage', { value: store, configurable: true });
    Object.defineProperty(globalThis, 'navigator', {
        value: { locks: { query: () => Promise.resolve({ held: held.map((name) => ({ name })) }) } },
        configurable: true,
    });
    return store;
}

test('what was sent and what was not are found again, a note that was held with an end', async () => {
    window();
    const take = new TakeStore(7);
    take.begin(head);
    const first = take.add({ round: 1, event: { on: 0, off: 1, pitch: 60, velocity: 80 } });
    take.add({ round: 1, event: { on: 1.5, pitch: 62, velocity: 80 } });
    take.add({ round: 2, event: { at: 3, kind: 'controller', data: [64, 127] } });
    take.seal({ key: 'a', round: 1, events: [{ on: 0, off: 1, pitch: 60, velocity: 80 }] }, [first]);

    const [found] = await unkept(1);
    expect(notesIn(found!)).toBe(2);
    expect(piecesOf(found!)).toEqual([
        { key: 'a', round: 1, events: [{ on: 0, off: 1, pitch: 60, velocity: 80 }] },
        { key: '7-left-1', round: 1, events: [{ on: 1.5, off: 3, pitch: 62, velocity: 80 }] },
        { key: '7-left-2', round: 2, events: [{ at: 3, kind: 'controller', data: [64, 127] }] },
    ]);
    expect(await unkept(2)).toEqual([]);
});

test('a page that went while a piece was sealed leaves nothing twice', async () => {
    window();
    const take = new TakeStore(7);
    take.begin(head);
    take.add({ round: 1, event: { on: 0, off: 1, pitch: 60, velocity: 80 } });
    take.seal({ key: 'a', round: 1, events: [{ on: 0, off: 1, pitch: 60, velocity: 80 }] }, []);
    const [found] = await unkept(1);
    expect(piecesOf(found!)).toHaveLength(1);
});

test('a take that a window still records is not offered, nor one of which all is kept', async () => {
    window(['jactonic.take.7']);
    const take = new TakeStore(7);
    take.begin(head);
    take.add({ round: 1, event: { on: 0, pitch: 60, velocity: 80 } });
    expect(await unkept(1)).toEqual([]);

    const store = window();
    const kept = new TakeStore(7);
    kept.begin(head);
    const n = kept.add({ round: 1, event: { on: 0, off: 1, pitch: 60, velocity: 80 } });
    kept.seal({ key: 'a', round: 1, events: [] }, [n]);
    kept.kept('a');
    expect(await unkept(1)).toEqual([]);
    expect(Object.keys(store)).toEqual([]);
});
