import type { Song } from '../api/song.svelte';
import { latency, MOST_LATENCY } from './latency.svelte';
import { transport } from './transport.svelte';

/** So many taps are taken, along with clicks so far apart, in seconds, of which the first are only listened to. */
export const TAPS = 16;
const EVERY = 0.6;
const LISTENED = 4;
const BAR = 4;
/** Milliseconds after the last tap in which keys do nothing yet. */
const REST_MS = 1500;
const CLICKS = LISTENED + TAPS + BAR;

/** Finds by tapping along to a click how late sound is heard on this device: the median of sixteen taps. */
class Tuning {
    on = $state(false);
    taps = $state(0);
    private song: Song | null = null;
    /** Audio time of the first click. */
    private first = 0;
    private late: number[] = [];
    private timer = 0;
    private readonly press = (e: KeyboardEvent): void => {
        if (['Tab', 'Shift', 'Control', 'Alt', 'Meta'].includes(e.key)) return;
        e.preventDefault();
        e.stopImmediatePropagation();
        // A hand that goes on tapping after the last one does nothing by it.
        if (!this.on) return;
        if (e.key === 'Escape') this.stop('The latency stays as it is.');
        else if (!e.repeat) this.tap(e.timeStamp);
    };

    turn(song: Song): void {
        if (this.on) this.stop('The latency stays as it is.');
        else void this.start(song);
    }

    private async start(song: Song): Promise<void> {
        transport.stop();
        this.song = song;
        this.on = true;
        this.taps = 0;
        this.late = [];
        window.addEventListener('keydown', this.press, { capture: true });
        const first = await transport.count({ clicks: CLICKS, every: EVERY, bar: BAR });
        if (first === null) return this.stop();
        if (!this.on) return transport.hush();
        this.first = first;
        song.tell(`Tap any key along with the click, ${TAPS} times; Esc stops.`);
        this.timer = window.setTimeout(
            () => this.stop(`${this.taps} of ${TAPS} taps came: the latency stays as it is.`),
            (CLICKS + 1) * EVERY * 1000,
        );
    }

    private tap(stamp: number): void {
        const seconds = transport.audioAt(stamp) - this.first;
        const click = Math.round(seconds / EVERY);
        const late = (seconds - click * EVERY) * 1000;
        // Those before the first click, and a hand that is still looking for the beat, tell nothing.
        if (this.first === 0 || click < 1 || Math.abs(late) > MOST_LATENCY) return;
        this.late.push(late);
        this.taps = this.late.length;
        if (this.taps === TAPS) this.finish();
        else this.song?.tell(`${this.taps} of ${TAPS} taps; Esc stops.`);
    }

    private finish(): void {
        const median = middle(this.late);
        const off = Math.round(middle(this.late.map((l) => Math.abs(l - median))));
        latency.set(Math.round(median));
        this.stop(
            `Sound is heard ${Math.round(median)} ms after its time here: kept for this device. Half of the taps lay within ${off} ms of it.`,
        );
    }

    stop(said = ''): void {
        if (!this.on) return;
        this.on = false;
        this.first = 0;
        clearTimeout(this.timer);
        const done = this.taps === TAPS;
        window.setTimeout(
            () => !this.on && window.removeEventListener('keydown', this.press, { capture: true }),
            done ? REST_MS : 0,
        );
        transport.hush();
        if (said) this.song?.tell(said);
    }
}

/** The median. */
function middle(all: readonly number[]): number {
    const sorted = [...all].sort((a, b) => a - b);
    const half = sorted.length >> 1;
    return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

export const tuning = new Tuning();
