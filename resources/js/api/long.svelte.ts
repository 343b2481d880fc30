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
        const look = async (): Promise<void> => {
            const at = await request('GET', `doing/${key}`).catch(() => null);
            if (this.key !== key) return;
            this.steps = at?.steps ?? this.steps;
            // It may not have been long enough under way to be stopped when that was asked.
            if (this.stopping) this.stop();
            timer = setTimeout(() => void look(), EVERY);
        };
        let timer = setTimeout(() => void look(), LONG);
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
