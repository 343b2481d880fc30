import { expect, test } from '@playwright/test';
import { whenQuiet } from '../../resources/js/views/when-quiet';

/** A window whose time goes by when it is told to. */
class Hour {
    now = 0;
    private timers = new Map<number, [number, () => void]>();
    private readonly heard = new Map<string, () => void>();
    private count = 0;
    setTimeout = (run: () => void, after: number): number => {
        this.timers.set(++this.count, [this.now + after, run]);
        return this.count;
    };
    clearTimeout = (id: number): void => void this.timers.delete(id);
    addEventListener = (name: string, run: () => void): void => void this.heard.set(name, run);
    removeEventListener = (name: string): void => void this.heard.delete(name);
    tell(name: string): void {
        this.heard.get(name)?.();
    }
    pass(ms: number): void {
        this.now += ms;
        for (const [id, [at, run]] of [...this.timers])
            if (at <= this.now) {
                this.timers.delete(id);
                run();
            }
    }
}

let hour: Hour;
test.beforeEach(() => {
    hour = new Hour();
    Object.assign(globalThis, { window: hour });
});
test.afterEach(() => void Reflect.deleteProperty(globalThis, 'window'));

test('it is done once when nobody has scrolled, typed or pressed for as long', () => {
    let done = 0;
    whenQuiet(600, () => done++);
    for (const name of ['wheel', 'keydown', 'pointerdown', 'wheel']) {
        hour.pass(500);
        hour.tell(name);
    }
    hour.pass(500);
    // A pointer that only goes by asks for nothing.
    hour.tell('pointermove');
    hour.pass(99);
    expect(done).toBe(0);
    hour.pass(1);
    expect(done).toBe(1);
    hour.tell('wheel');
    hour.pass(5000);
    expect(done).toBe(1);
});

test('called off it is not done', () => {
    let done = 0;
    const off = whenQuiet(600, () => done++);
    off();
    hour.tell('wheel');
    hour.pass(5000);
    expect(done).toBe(0);
});
