import type { PlayedEvent } from '../api/types';

/**
 * What was played and is not known to be kept: in the browser, so that neither a closed window nor a lost server loses
 * it. A take is a head, loose events as they come, and pieces: events that were sent under a key, until they are kept.
 */
export interface TakeHead {
    id: number;
    song: number;
    songName: string;
    part: number;
    partName: string;
    /** Parameters that all its pieces have. */
    params: Record<string, unknown>;
    /** ISO */
    begun: string;
}

export interface Piece {
    key: string;
    round: number;
    events: PlayedEvent[];
    /** Seconds, of a stretch that is replaced. */
    since?: number;
    until?: number;
}

/** A note that is held has no end yet. */
export type Loose = { round: number; event: PlayedEvent | { on: number; pitch: number; velocity: number } };

export interface Unkept {
    head: TakeHead;
    pieces: Piece[];
    loose: Loose[];
}

const PREFIX = 'jactonic.take.';
/** A note whose end was never seen sounds this long, in seconds, if nothing later was played. */
const UNENDED = 0.25;

const headKey = (id: number): string => `${PREFIX}${id}`;
const pieceKey = (id: number, key: string): string => `${PREFIX}${id}.p.${key}`;
const looseKey = (id: number, n: number): string => `${PREFIX}${id}.e.${n}`;

/** Where a take is kept while it is played. Throws where the browser has no room. */
export class TakeStore {
    private next = 0;

    constructor(private readonly id: number) {}

    begin(head: TakeHead): void {
        localStorage.setItem(headKey(head.id), JSON.stringify(head));
    }

    /** Keeps an event, and gives the number to change it by. */
    add(loose: Loose): number {
        localStorage.setItem(looseKey(this.id, this.next), JSON.stringify(loose));
        return this.next++;
    }

    change(n: number, loose: Loose): void {
        localStorage.setItem(looseKey(this.id, n), JSON.stringify(loose));
    }

    /** Loose events become a piece. */
    seal(piece: Piece, loose: number[]): void {
        localStorage.setItem(pieceKey(this.id, piece.key), JSON.stringify(piece));
        for (const n of loose) localStorage.removeItem(looseKey(this.id, n));
    }

    kept(key: string): void {
        localStorage.removeItem(pieceKey(this.id, key));
    }

    /** Nothing is left of it. */
    forget(): void {
        for (const key of keysOf(this.id)) localStorage.removeItem(key);
    }
}

/** The name of the lock that a window holds while it records a take: one that no window holds was interrupted. */
export const lockOf = (id: number): string => `${PREFIX}${id}`;

/** Takes of a song that were interrupted before all of them was kept. */
export async function unkept(song: number): Promise<Unkept[]> {
    const held = new Set(((await navigator.locks?.query())?.held ?? []).map((l) => l.name));
    const found: Unkept[] = [];
    for (const key of Object.keys(localStorage)) {
        if (!/^jactonic\.take\.\d+$/.test(key)) continue;
        const head = read<TakeHead>(key);
        if (!head || head.song !== song || held.has(lockOf(head.id))) continue;
        const all = keysOf(head.id);
        const pieces = all.filter((k) => k.includes('.p.')).map((k) => read<Piece>(k));
        const loose = all
            .filter((k) => k.includes('.e.'))
            .sort((a, b) => Number(a.split('.').at(-1)) - Number(b.split('.').at(-1)))
            .map((k) => read<Loose>(k));
        const take = {
            head,
            pieces: pieces.filter((p) => p !== null).sort((a, b) => a.round - b.round),
            loose: loose.filter((l) => l !== null),
        };
        if (take.pieces.length + take.loose.length > 0) found.push(take);
        else new TakeStore(head.id).forget();
    }
    return found.sort((a, b) => (a.head.begun < b.head.begun ? -1 : 1));
}

/** How many notes of a take are not known to be kept. */
export function notesIn(take: Unkept): number {
    const played = [...take.pieces.flatMap((p) => p.events), ...take.loose.map((l) => l.event)];
    return played.filter((e) => 'pitch' in e).length;
}

/** All of it as pieces: what was loose becomes one for each round. */
export function piecesOf(take: Unkept): Piece[] {
    const last = Math.max(0, ...take.loose.map(({ event: e }) => ('off' in e ? e.off : 'on' in e ? e.on : e.at)));
    const rounds = new Map<number, PlayedEvent[]>();
    // Where the page went in the middle of sealing, an event may be there both ways.
    const sent = new Set(take.pieces.flatMap((p) => p.events.map((e) => JSON.stringify(e))));
    for (const { round, event } of take.loose) {
        if (sent.has(JSON.stringify(event))) continue;
        const whole: PlayedEvent =
            'on' in event && !('off' in event) ? { ...event, off: Math.max(last, event.on + UNENDED) } : event;
        rounds.set(round, [...(rounds.get(round) ?? []), whole]);
    }
    // A key that is the same each time it is tried, so that it is done once.
    return [
        ...take.pieces,
        ...[...rounds].map(([round, events]) => ({ key: `${take.head.id}-left-${round}`, round, events })),
    ];
}

function keysOf(id: number): string[] {
    return Object.keys(localStorage).filter((k) => k === headKey(id) || k.startsWith(`${headKey(id)}.`));
}

function read<T>(key: string): T | null {
    try {
        return JSON.parse(localStorage.getItem(key) ?? 'null') as T | null;
    } catch {
        return null;
    }
}
