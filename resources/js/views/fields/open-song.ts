import { getContext, setContext } from 'svelte';
import type { Song } from '../../api/song.svelte';

const KEY = Symbol('song');

/** Tells fields below which song is open. */
export const provideSong = (song: () => Song | null): void => void setContext(KEY, song);

/** The song that is open, for fields that list its tracks or parts; null where none is. */
export const openSong = (): Song | null => getContext<(() => Song | null) | undefined>(KEY)?.() ?? null;
