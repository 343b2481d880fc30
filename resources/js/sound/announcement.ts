import type { Lines } from '../rules/lines';
import type { Song } from '../api/song.svelte';
import { recorder } from './recorder.svelte';
import { transport } from './transport.svelte';

/** Plays, and says from where; gives the audio time at which it sounds, or null where it came to nothing. */
export async function startPlaying(song: Song, lines: Lines, from: number): Promise<number | null> {
    const at = await transport.play(from);
    if (at !== null) song.tell(`Playing from ${song.time.position(Math.floor(from + 1e-3), lines)}.`);
    return at;
}

/** Stops, and says where; a take says itself what came of it. */
export function stopPlaying(song: Song, lines: Lines): void {
    const taken = recorder.on;
    transport.stop();
    if (!taken) song.tell(`Stopped at ${song.time.position(Math.floor(transport.tick + 1e-3), lines)}.`);
}
