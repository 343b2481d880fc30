import { request } from './client';
import { takeParts } from './apply-answer';
import type { SongState, Track } from './song-state';
import type { CatchUp, Other, RowSet } from './types';

/** Milliseconds without a change before the others are told where this window is. */
const STILL = 80;
/** Milliseconds between two looks at how the song stands, also for windows of other browsers; and while this one is not seen. */
const LOOK = 600;
const LOOK_HIDDEN = 3000;

/** This window, among all that are open on a song. */
const me = crypto.randomUUID();

/** What a window says to the others: how the song stands, where it is looked at, which part is wanted. */
interface Said {
    song: number;
    window: string;
    revision?: number;
    at?: { part: number; tick: number };
    wanted?: number;
    gone?: boolean;
}

/** What other windows do to the song, and telling them what this one did. */
export class CrossWindow {
    /** The other windows that are open on the song, of whatever browser. */
    others = $state.raw<readonly Other[]>([]);
    /** The part that another window chose on the page of the song, to be gone over to. */
    wanted = $state<number | null>(null);
    private timer = 0;
    /** Another window said something while a request was under way. */
    private behind = false;
    private readonly channel = new BroadcastChannel('jactonic');

    constructor(private readonly song: SongState) {
        this.channel.onmessage = ({ data }: MessageEvent<Said>) => {
            if (data.song !== song.id) return;
            if (data.gone) this.others = this.others.filter((o) => o.window !== data.window);
            if (data.at) this.saw(data.window, data.at);
            if (data.wanted !== undefined) this.wanted = data.wanted;
            if (data.revision !== undefined && data.revision > song.revision) void this.catchUp();
        };
    }

    /** Begins to look at what the others do. */
    watch(): void {
        const look = async (): Promise<void> => {
            await this.look();
            if (!this.closed) this.next = window.setTimeout(() => void look(), document.hidden ? LOOK_HIDDEN : LOOK);
        };
        void look();
        document.addEventListener('visibilitychange', this.seen);
        addEventListener('pagehide', this.leave);
    }

    close(): void {
        this.closed = true;
        clearTimeout(this.timer);
        clearTimeout(this.next);
        document.removeEventListener('visibilitychange', this.seen);
        removeEventListener('pagehide', this.leave);
        this.leave();
        this.channel.close();
    }

    private closed = false;
    private next = 0;
    private epoch: string | null = null;
    private place: { part: number; tick: number } | null = null;
    private readonly seen = (): void => void (document.hidden || this.look());

    /** Takes this window away from what the others see. */
    private readonly leave = (): void => {
        clearTimeout(this.timer);
        this.channel.postMessage({ song: this.song.id, window: me, gone: true });
        void fetch(`/api/songs/${this.song.id}/presence?window=${me}&gone=1`, { keepalive: true }).catch(() => null);
    };

    /** Looks how the song stands, and where the others are. */
    private async look(): Promise<void> {
        const { song, place } = this;
        const at = place ? `&part=${place.part}&tick=${place.tick}` : `&tick=${song.caret.tick}`;
        const now = await request('GET', `songs/${song.id}/presence?window=${me}${at}`).catch(() => null);
        if (!now || this.closed) return;
        // Another data file took the place of this one: everything begins anew.
        if (this.epoch !== null && now.epoch !== this.epoch) return location.reload();
        this.epoch = now.epoch;
        if (JSON.stringify(now.others) !== JSON.stringify(this.others)) this.others = now.others;
        if (now.revision > song.revision) void this.catchUp();
    }

    /** A window of this browser says where it is, before the server does. */
    private saw(window: string, at: { part: number; tick: number }): void {
        const known = this.others.find((o) => o.window === window);
        const other = { window, name: known?.name ?? 'Another window', ...at };
        this.others = known ? this.others.map((o) => (o === known ? other : o)) : [...this.others, other];
    }

    /** Tells the other windows where this one is, when the hand rests. */
    here(part: number, tick: number): void {
        this.place = { part, tick };
        clearTimeout(this.timer);
        this.timer = window.setTimeout(
            () => this.channel.postMessage({ song: this.song.id, window: me, at: { part, tick } }),
            STILL,
        );
    }

    /** No part is open here. */
    away(): void {
        this.place = null;
    }

    /** Tells the other windows which part was selected on the page of the song. */
    want(part: number): void {
        this.channel.postMessage({ song: this.song.id, window: me, wanted: part });
    }

    /** Tells the other windows that the song stands elsewhere now. */
    tell(): void {
        this.channel.postMessage({ song: this.song.id, window: me, revision: this.song.revision });
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
        const news = await request('GET', `songs/${song.id}/changes?since=${song.revision}`).catch(() => null);
        if (news && news.revision > song.revision && !song.queue.busy) this.caughtUp(news);
    }

    caughtUp(news: CatchUp): void {
        const { song } = this;
        song.head(news);
        song.preview.showAsItIs();
        song.end = Math.max(song.end, news.end);
        takeParts(song, news.parts, null);
        if (news.time) song.retime(news.time);
        song.setTracks(news.tracks);
        song.prune();
        song.selection.version++;
        song.onChange();
    }

    /**
     * Mutes or solos a track, or puts its rows, in its turn: no step of history, and other windows are told. `then` is
     * done before what waits behind it.
     */
    setTrack(
        id: number,
        change: (now: Track) => { muted?: boolean; soloed?: boolean; rows?: RowSet },
        then = (): void => {},
    ): void {
        const { song } = this;
        const ask = async (): Promise<void> => {
            const track = song.tracks.find((t) => t.id === id);
            if (!track) return;
            const set = change(track);
            const { revision, track: now } = await request('PATCH', `songs/${song.id}/tracks/${track.id}`, set);
            song.queue.runInTurn(() => {
                song.revision = revision;
                song.setTracks(song.allTracks.map((t) => (t.id === track.id ? { ...t, ...now } : t)));
                song.tell(
                    'rows' in set
                        ? `The rows of ${track.name} are kept.`
                        : 'muted' in set
                          ? `${track.name} is ${now.muted ? 'muted' : 'heard again'}.`
                          : `${track.name} is ${now.soloed ? 'soloed' : 'no longer soloed'}.`,
                );
                this.tell();
                song.onChange();
                then();
            });
        };
        song.queue.push({ kind: 'ask', ask });
    }
}
