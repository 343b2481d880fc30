import { DRUM_CHANNEL } from '../contract';
import type { Song } from '../api/song.svelte';
import type { Track } from '../api/song-state';
import type { Part } from '../api/part.svelte';

const PROGRAM = 0xc0;

/**
 * Which channel of the synthesizer plays which channel of a track. Tracks share the file's sixteen channels as the
 * standard has it; where two tracks ask for different programs on one channel, the later gets a channel of its own,
 * so that each sounds as its own instrument.
 */
export class Routing {
    /** Number of channels in use, at least sixteen. */
    count = 16;
    private readonly own = new Map<string, number>();
    private readonly all = new Map<number, number[]>();
    private readonly drums = new Set<number>();

    constructor(song: Song) {
        const programs = new Map<number, number>();
        for (const track of song.tracks) {
            for (const [channel, program] of firstPrograms(track)) {
                const known = programs.get(channel);
                if (known === undefined) programs.set(channel, program);
                else if (known !== program) this.give(track, channel);
            }
        }
        // Notes with curves of their own have channels that the file's do not know.
        for (const part of song.parts.values())
            for (const { channel } of part.heard.alone)
                if (!this.own.has(keyOf(part, channel))) this.own.set(keyOf(part, channel), this.count++);
    }

    /** The channel for a track's notes and points. */
    of(part: Part, channel: number): number {
        return this.own.get(keyOf(part, channel)) ?? channel;
    }

    /** The channels that a track's controllers reach: those of a track without a channel of its own reach all that share it. */
    reach(part: Part, channel: number): number[] {
        const own = this.own.get(keyOf(part, channel));
        return own !== undefined
            ? [own]
            : part.notes.size > 0
              ? [channel]
              : [channel, ...(this.all.get(channel) ?? [])];
    }

    /** The same for two that lead the same way. */
    get key(): string {
        return [...this.own].join(' ');
    }

    /** The channels of their own that are drums. */
    get ownDrums(): number[] {
        return [...this.drums];
    }

    isDrums(channel: number): boolean {
        return channel === DRUM_CHANNEL || this.drums.has(channel);
    }

    private give(track: Track, channel: number): void {
        const given = this.count++;
        this.own.set(`${track.id}:${channel}`, given);
        this.all.set(channel, [...(this.all.get(channel) ?? []), given]);
        if (channel === DRUM_CHANNEL) this.drums.add(given);
    }
}

/** Channels past the file's sixteen are a part's own. */
function keyOf(part: Part, channel: number): string {
    return channel > 15 ? `${part.trackId}:${part.id}:${channel}` : `${part.trackId}:${channel}`;
}

function firstPrograms(track: Track): Map<number, number> {
    const programs = new Map<number, number>();
    for (const part of track.parts) {
        if (part.notes.size === 0) continue;
        for (const { status, data1, heard } of part.points) {
            if (heard && (status & 0xf0) === PROGRAM && !programs.has(status & 0x0f))
                programs.set(status & 0x0f, data1);
        }
    }
    return programs;
}
