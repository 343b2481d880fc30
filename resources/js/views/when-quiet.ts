/**
 * Does something once when so many milliseconds have gone by in which nobody scrolled; gives what calls it off. What is
 * had ready beforehand is not to make the first look at a song stutter.
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
        window.removeEventListener('wheel', wait, true);
    };
    window.addEventListener('wheel', wait, { capture: true, passive: true });
    wait();
    return stop;
}
