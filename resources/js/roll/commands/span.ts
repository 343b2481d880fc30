import type { Handler } from '../../keys/keys.svelte';
import { recorder } from '../../sound/recorder.svelte';
import { transport } from '../../sound/transport.svelte';
import type { Lines } from '../../rules/lines';
import type { Song } from '../../api/song.svelte';

/** A page on which there is a span: the roll, or the song's. */
export interface InTime {
    readonly song: Song;
    readonly lines: Lines;
}

/** Makes the span; whether it is looped stays as it was, unless that is said. */
export function setSpan(model: InTime, from: number, to: number, on?: boolean, said?: string): void {
    const { song, lines } = model;
    if (recorder.on) return song.tell('The span cannot be changed while recording.');
    if (to <= from) return song.tell('A span ends after it begins: nothing changed.');
    const looped = on ?? transport.loop?.on ?? false;
    transport.setLoop({ from, to, on: looped });
    const words = said ?? `Span from ${song.time.position(from, lines)} to ${song.time.position(to, lines)}`;
    song.tell(`${words}${looped ? ', looped' : ''}.`);
}

/** Asks which span is meant: what that is, is the server's to say. */
export function askSpan(model: InTime, params: Record<string, unknown>, on?: boolean): void {
    model.song.ask(
        'span',
        () => params,
        ({ from, to, said }) => setSpan(model, from, to, on, said),
    );
}

export function spans(model: InTime): Record<string, Handler> {
    const { song } = model;
    return {
        span: (p) =>
            song.inTurn(() => {
                if (p.what !== 'clear') return askSpan(model, { what: p.what });
                if (recorder.on) return song.tell('The span cannot be changed while recording.');
                transport.setLoop(null);
                song.tell('There is no span.');
            }),
    };
}
