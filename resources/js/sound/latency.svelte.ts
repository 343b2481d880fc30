const KEPT = 'jactonic.latency';

/** The farthest that it can be set to, in milliseconds. */
export const MOST_LATENCY = 500;

/**
 * How long after its time by the audio clock a sound is heard, on this device: what the machine says, or what the person
 * found by tapping along or set. What is seen and what is recorded goes by it.
 */
class Latency {
    /** Milliseconds that were found or set; null to go by what the machine says. */
    own = $state<number | null>(kept());
    /** What the machine says, in milliseconds. */
    told = $state(0);

    get ms(): number {
        return this.own ?? this.told;
    }

    get seconds(): number {
        return this.ms / 1000;
    }

    set(ms: number | null): void {
        this.own = ms;
        if (ms === null) localStorage.removeItem(KEPT);
        else localStorage.setItem(KEPT, String(ms));
    }

    /** Takes in what the machine says now. */
    hear(context: AudioContext): void {
        this.told = Math.round(((context.outputLatency || 0) + (context.baseLatency || 0)) * 1000);
    }
}

function kept(): number | null {
    const ms = Number(localStorage.getItem(KEPT) ?? NaN);
    return Number.isFinite(ms) && Math.abs(ms) <= MOST_LATENCY ? ms : null;
}

export const latency = new Latency();
