import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Sealed, Waiting } from './items';
import type { SongState } from './song-state';

/** Milliseconds after which what still waits is written down: most is answered before. */
const AFTER_MS = 60;
/** From when on a window asks before it closes, in ms. */
const ASKS_MS = 1000;

/** What one window has not had acknowledged of one song. */
interface Kept {
    song: number;
    window: string;
    /** What was sent and not answered, each under its key. */
    sealed: Sealed[];
    items: Waiting[];
}

interface Schema extends DBSchema {
    unsent: { key: string; value: Kept; indexes: { song: number } };
}

/** This window, by a lock that it holds for as long as it is there. */
const me = crypto.randomUUID();
const lockOf = (id: string): string => `jactonic-window-${id}`;
let held = false;

function hold(): void {
    if (held) return;
    held = true;
    void navigator.locks?.request(lockOf(me), () => new Promise(() => {}));
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;
function database(): Promise<IDBPDatabase<Schema>> {
    return (opened ??= openDB<Schema>('jactonic', 1, {
        upgrade: (db) => void db.createObjectStore('unsent').createIndex('song', 'song'),
    }));
}

/** Since when something waits, by song: a window that closes then is asked about. */
const since = new Map<Unsent, number>();

/**
 * What was done in this window and is not acknowledged, written down in the browser: a window that is closed or reloaded
 * while the server does not answer loses nothing. It is sent when the song is opened again.
 */
export class Unsent {
    private timer = 0;
    private last: Kept | null = null;
    private stored = false;

    constructor(private readonly song: SongState) {}

    /** These wait. */
    keep(sealed: readonly Sealed[], items: readonly Waiting[]): void {
        hold();
        if (!since.has(this)) since.set(this, performance.now());
        this.last = {
            song: this.song.id,
            window: me,
            sealed: sealed.map(plain),
            items: items.flatMap(plainItem),
        };
        this.timer ||= window.setTimeout(() => this.write(), AFTER_MS);
    }

    /** Nothing waits any more. */
    clear(): void {
        since.delete(this);
        clearTimeout(this.timer);
        this.timer = 0;
        this.last = null;
        if (!this.stored) return;
        this.stored = false;
        void database()
            .then((db) => db.delete('unsent', this.key))
            .catch(() => {});
    }

    private get key(): string {
        return `${this.song.id} ${me}`;
    }

    write(): void {
        clearTimeout(this.timer);
        this.timer = 0;
        const { last } = this;
        if (!last) return;
        this.stored = true;
        void database()
            .then((db) => db.put('unsent', last, this.key))
            .catch(() => {});
    }

    /** What windows that are gone left of this song; it is theirs no more. */
    async takeOver(): Promise<Kept[]> {
        const gone: Kept[] = [];
        try {
            const db = await database();
            for (const kept of await db.getAllFromIndex('unsent', 'song', this.song.id)) {
                if (kept.window === me) continue;
                // Whoever is there holds its lock.
                await navigator.locks.request(lockOf(kept.window), { ifAvailable: true }, async (lock) => {
                    if (!lock) return;
                    await db.delete('unsent', `${kept.song} ${kept.window}`);
                    // A window of an earlier version wrote down one.
                    gone.push({ ...kept, sealed: [kept.sealed ?? []].flat() });
                });
            }
        } catch {
            // There is nothing to be had of this browser.
        }
        return gone;
    }
}

/** What can be written down of what was sent. */
function plain({ batch, key, path, body }: Sealed): Sealed {
    return JSON.parse(JSON.stringify({ batch: batch.flatMap(plainItem), key, path, body })) as Sealed;
}

/** What can be written down of what waits: takes keep their pieces themselves, and what looks at the page went with that. */
function plainItem(item: Waiting): Waiting[] {
    if (item.kind === 'ask' || item.kind === 'later' || (item.kind === 'do' && item.alone)) return [];
    const { ...rest } = item as Waiting & { quiet?: unknown };
    delete rest.quiet;
    return [JSON.parse(JSON.stringify({ ...rest, input: 0, selects: -1, carets: -1 })) as Waiting];
}

window.addEventListener('pagehide', () => {
    for (const unsent of since.keys()) unsent.write();
});
window.addEventListener('beforeunload', (e) => {
    const now = performance.now();
    if ([...since.values()].some((at) => now - at > ASKS_MS)) e.preventDefault();
});
