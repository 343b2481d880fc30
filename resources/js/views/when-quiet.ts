/** What hands do: until they rest, nothing else is begun. */
const ASKED = ['wheel', 'keydown', 'pointerdown'] as const;

/**
 * Does something once when so many milliseconds have gone by in which nobody scrolled, typed or pressed; gives what calls
 * it off. What is had ready beforehand is not to make the first work on a song stutter.
 */
export function whenQuiet(after: number, run: () => void): () => void {
    let waiting = 0;
    const wait = (): void => {
        window.clearTimeout(waiting);
        waiting = window.setTimeout(() => {
            stop();
            run();
        }, after);
    };
    const stop = (): void => {
        window.clearTimeout(waiting);
        for (const name of ASKED) window.removeEventListener(name, wait, true);
    };
    for (const name of ASKED) window.addEventListener(name, wait, { capture: true, passive: true });
    wait();
    return stop;
}
