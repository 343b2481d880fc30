import type { Song } from './song.svelte';

/** Saves a song as a MIDI file, and says what is left out of it. */
export function save(song: Song): void {
    // What was typed and waits belongs in the file.
    void song.settled().then(() => {
        download(song.id);
        let [muted, hidden] = [0, 0];
        for (const p of song.parts.values())
            for (const n of p.notes.values())
                if (!p.holds(n.start)) hidden++;
                else if (n.until === 0) muted++;
        const left = (n: number, what: string): string[] =>
            n === 0 ? [] : [`${n === 1 ? `1 ${what} note is` : `${n} ${what} notes are`} left out of it.`];
        song.tell(`${song.name} is saved as a MIDI file.`, [...left(muted, 'muted'), ...left(hidden, 'hidden')]);
    });
}

export function download(id: number): void {
    saveAs(`/api/songs/${id}/file`, '');
}

/** Lets the browser save what is at an address. */
export function saveAs(address: string, name: string): void {
    const link = document.createElement('a');
    link.href = address;
    link.download = name;
    link.click();
}
