import type { Part } from '../api/part.svelte';
import type { Song } from '../api/song.svelte';
import type { Handler } from '../keys/keys.svelte';
import { router } from '../router.svelte';
import { chordLine, type Named } from './chord-line.svelte';

/** What is done with the chord line, in the roll and on the song page. */
export function harmony(song: Song, part: Part | null): Record<string, Handler> {
    return {
        'chord-line': (p) => {
            const words = chordLine.turn(String(p.set ?? 'every'), String(p.every ?? 'next'));
            // After the sentences of what was typed before.
            song.inTurn(() => song.tell(words));
        },
        'chord-notes': (p) =>
            song.afterAll(() => {
                song.ask(
                    'chords',
                    () => chordLine.params(),
                    ({ chords }) => {
                        const named = chordLine.at(song.caret.tick + song.early, chords);
                        if (named) chooseChord(song, named, p.how);
                        else song.tell('There is no chord with a name at the caret.');
                    },
                );
            }),
        'copy-chords': () =>
            void song
                .read('chords', chordLine.params(), chordLine.on(song, part))
                .then(async ({ text, said }) => {
                    if (text === '') return song.tell(said);
                    try {
                        await navigator.clipboard.writeText(text);
                        song.tell(`Copied: ${text}`);
                    } catch {
                        song.tell(text, ['The browser does not allow the clipboard: copy the line from here.']);
                    }
                })
                .catch((e: unknown) => song.tell('', [], e instanceof Error ? e.message : String(e))),
        'chord-sheet': () => router.go({ at: 'chords', song: song.id }),
    };
}

/** Selects the notes of a chord that is named: those that begin in it and are of its tones. */
export function chooseChord(song: Song, [from, to, , classes]: Named, how?: unknown): void {
    const tones = classes.map((pitchClass) => ({ pitchClass }));
    song.do({
        select: { span: { from: Math.max(0, from - song.early), to: Math.max(1, to - song.early) }, or: tones },
        ...(how ? { how: String(how) } : {}),
    });
}
