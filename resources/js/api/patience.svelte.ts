/** From when on it is said that the server has not answered, in ms. */
const SLOW_MS = 2000;

/** Waits for answers, and knows whether one has not come for a while. */
export class Patience {
    /** The server has not answered for a while. */
    slow = $state(false);

    async over<T>(answer: Promise<T>): Promise<T> {
        const timer = setTimeout(() => (this.slow = true), SLOW_MS);
        try {
            return await answer;
        } finally {
            clearTimeout(timer);
            this.slow = false;
        }
    }
}
