import type { Found } from '../api/types';

/** Something that may want mending, as the server found it. */
export type Fault = Found;

/** What it is known by, however often it is found: its kind and its notes; without notes its place. */
export function keyOf(fault: Fault): string {
    return `${fault.kind} ${fault.part} ${fault.notes.length > 0 ? fault.notes.join(',') : fault.tick}`;
}

/** What was dismissed in a song, with more of it; null for `more` forgets all. It is remembered in the browser. */
export function dismissed(song: number, more: readonly Fault[] | null = []): ReadonlySet<string> {
    const name = `jactonic.dismissed.${song}`;
    if (more === null) {
        localStorage.removeItem(name);
        return new Set();
    }
    let kept: string[] = [];
    try {
        kept = JSON.parse(localStorage.getItem(name) ?? '[]') as string[];
    } catch {
        // What cannot be read is nothing.
    }
    const all = new Set([...kept, ...more.map(keyOf)]);
    if (more.length > 0) localStorage.setItem(name, JSON.stringify([...all]));
    return all;
}
