import { NoAnswer, Problem } from './client';
import type { Song } from './song.svelte';

/** Saves a song as a MIDI file, and says what is left out of it; what takes long is shown, and can be stopped. */
export function save(song: Song): void {
    // What was typed and waits belongs in the file.
    song.queue.push({
        kind: 'ask',
        ask: async () => {
            const key = crypto.randomUUID();
            const file = await song.queue.long.over(key, fetched(`/api/songs/${song.id}/file?key=${key}`));
            download(file.bytes, file.name);
            let [muted, hidden, points] = [0, 0, 0];
            for (const p of song.parts.values()) {
                for (const n of p.notes.values())
                    if (!p.holds(n.start)) hidden++;
                    else if (n.until === 0) muted++;
                // One at the very end only says what holds after the part.
                for (const point of p.points) if (!p.holds(point.tick) && point.tick !== p.head.to) points++;
            }
            const left = (n: number, what: string): string[] =>
                n === 0 ? [] : [`${n === 1 ? `1 ${what} is` : `${n} ${what}s are`} left out of it.`];
            song.queue.runInTurn(() =>
                song.tell(`${song.name} is saved as a MIDI file.`, [
                    ...left(muted, 'muted note'),
                    ...left(hidden, 'hidden note'),
                    ...left(points, 'hidden point'),
                ]),
            );
        },
    });
}

/** Saves a song with its history, to be imported elsewhere. */
export function saveWhole(song: Song): void {
    song.afterAll(() => {
        saveAs(`/api/songs/${song.id}/whole`, '');
        song.tell(`${song.name} is saved with its history: import that file to open it elsewhere.`);
    });
}

/** Saves a song of the list. */
export function downloadSong(id: number): void {
    saveAs(`/api/songs/${id}/file`, '');
}

async function fetched(address: string): Promise<{ bytes: Blob; name: string }> {
    const answer = await fetch(address).catch(() => null);
    if (!answer) throw new NoAnswer();
    if (!answer.ok) {
        const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string };
        throw new Problem(answer.status, detail ?? `The server answered ${answer.status}.`);
    }
    const named = /filename\*=UTF-8''([^;]+)/.exec(answer.headers.get('Content-Disposition') ?? '');
    return { bytes: await answer.blob(), name: named ? decodeURIComponent(named[1]!) : 'song.mid' };
}

function download(bytes: Blob, name: string): void {
    const address = URL.createObjectURL(bytes);
    saveAs(address, name);
    setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

/** Lets the browser save what is at an address. */
export function saveAs(address: string, name: string): void {
    const link = document.createElement('a');
    link.href = address;
    link.download = name;
    link.click();
}
