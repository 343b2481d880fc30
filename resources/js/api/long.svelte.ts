import { request } from './client';

/** From when on something takes long, and how often one asks how far it is, in ms. */
const LONG = 500;
const EVERY = 250;

/** A request that takes long: how far it is, and the way to stop it. */
export class Long {
    /** How many notes it has gone over; null where nothing takes long. */
    steps = $state<number | null>(null);
    stopping = $state(false);
    private key = '';

    /** Waits for an answer, and tells meanwhile how far it is. */
    async over<T>(key: string, answer: Promise<T>): Promise<T> {
        let timer = setTimeout(look, LONG);
        const over = () => this.key !== key;
        // eslint-disable-next-line @typescript-eslint/no-this-alias -- the function that the timer calls is hoisted
        const long = this;
        async function look() {
            const at = await request<{ steps: number | null }>('GET', `doing/${key}`).catch(() => null);
            if (over()) return;
            long.steps = at?.steps ?? long.steps;
            if (long.stopping && long.steps !== null) void request('DELETE', `doing/${key}`).catch(() => {});
            timer = setTimeout(look, EVERY);
        }
        this.key = key;
        try {
            return await answer;
        } finally {
            clearTimeout(timer);
            this.key = '';
            this.steps = null;
            this.stopping = false;
        }
    }

    /** Asks that it be stopped; false where nothing takes long. */
    stop(): boolean {
        if (this.steps === null) return false;
        this.stopping = true;
        void request('DELETE', `doing/${this.key}`).catch(() => {});
        return true;
    }
}
