import { request } from './client';
import { takeParts } from './taking';
import type { Song, Track } from './song.svelte';
import type { CatchUp, RowSet } from './types';

/** Milliseconds without a change before the others are told where this window is. */
const STILL = 80;

/** What other windows do to the song, and telling them what this one did. */
/** What a window says to the others: how the song stands, where it is looked at, which part is wanted. */
interface Said {
    song: number;
    revision?: number;
    at?: Place;
    wanted?: number;
}

interface Place {
    part: number;
    tick: number;
}

export class Elsewhere {
    /** Where another window has the caret, and in which part. */
    at = $state.raw<Place | null>(null);
    /** The part that another window chose on the page of the song, to be gone over to. */
    wanted = $state<number | null>(null);
    private timer = 0;
    /** Another window said something while a request was under way. */
    private behind = false;
    private readonly channel = new BroadcastChannel('jactonic');

    constructor(private readonly song: Song) {
        this.channel.onmessage = ({ data }: MessageEvent<Said>) => {
            if (data.song !== song.id) return;
            if (data.at) this.at = data.at;
            if (data.wanted !== undefined) this.wanted = data.wanted;
            if (data.revision !== undefined && data.revision > song.revision) void this.catchUp();
        };
    }

    close(): void {
        clearTimeout(this.timer);
        this.channel.close();
    }

    /** Tells the other windows where this one is, when the hand rests. */
    here(part: number, tick: number): void {
        clearTimeout(this.timer);
        this.timer = window.setTimeout(
            () => this.channel.postMessage({ song: this.song.id, at: { part, tick } }),
            STILL,
        );
    }

    /** Tells the other windows which part was chosen on the page of the song. */
    want(part: number): void {
        this.channel.postMessage({ song: this.song.id, wanted: part });
    }

    /** Tells the other windows that the song stands elsewhere now. */
    tell(): void {
        this.channel.postMessage({ song: this.song.id, revision: this.song.revision });
    }

    /** Nothing waits any more: what came meanwhile is looked at. */
    rested(): void {
        if (this.behind) void this.catchUp();
    }

    /** Fetches what another window changed. */
    async catchUp(): Promise<void> {
        const { song } = this;
        // What is under way may or may not know of it: looked at again when nothing is.
        this.behind = song.queue.busy;
        if (song.queue.busy) return;
        const news = await request<CatchUp>('GET', `songs/${song.id}/changes?since=${song.revision}`).catch(() => null);
        if (news && news.revision > song.revision && !song.queue.busy) this.caughtUp(news);
    }

    caughtUp(news: CatchUp): void {
        const { song } = this;
        song.head(news);
        song.looking.showAsItIs();
        song.end = Math.max(song.end, news.end);
        takeParts(song, news.parts, null);
        if (news.time) song.retime(news.time);
        song.setTracks(news.tracks ?? song.tracks);
        song.prune();
        song.selectionVersion++;
        song.onChange();
    }

    /** Mutes or solos a track, in its turn: no step of history, and other windows are told. */
    setTrack(track: Track, set: { muted?: boolean; soloed?: boolean; rows?: RowSet }): void {
        const { song } = this;
        const ask = async (): Promise<void> => {
            const { revision, track: now } = await request<{
                revision: number;
                track: { muted: boolean; soloed: boolean; rows: RowSet };
            }>('PATCH', `songs/${song.id}/tracks/${track.id}`, set);
            song.queue.runInTurn(() => {
                song.revision = revision;
                song.tracks = song.tracks.map((t) => (t.id === track.id ? { ...t, ...now } : t));
                song.tell(
                    'rows' in set
                        ? `The rows of ${track.name} are kept.`
                        : 'muted' in set
                          ? `${track.name} is ${now.muted ? 'muted' : 'heard again'}.`
                          : `${track.name} is ${now.soloed ? 'soloed' : 'no longer soloed'}.`,
                );
                this.tell();
                song.onChange();
            });
        };
        song.queue.push({ kind: 'ask', ask });
    }
}
