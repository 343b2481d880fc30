import type { Page } from '@playwright/test';
import type { Did, Report } from '../resources/js/sound/protocol';

export type { Did, Report };

interface Heard {
    node: AudioWorkletNode | null;
    did: Did[];
    told: { kind: string; at?: number; seconds?: number; report?: Report }[];
}

/** Writes down what the sound does from now on; before the page is opened. */
export async function watchSound(page: Page): Promise<void> {
    await page.addInitScript(() => {
        const heard: Heard = { node: null, did: [], told: [] };
        (window as unknown as { heard: Heard }).heard = heard;
        const Real = window.AudioWorkletNode;
        window.AudioWorkletNode = class extends Real {
            constructor(...args: ConstructorParameters<typeof Real>) {
                super(...args);
                if (args[1] !== 'jactonic-sound') return;
                heard.node = this;
                this.port.addEventListener('message', ({ data }: MessageEvent) => {
                    const told = data as { kind: string; did?: Did[] };
                    if (told.kind === 'did') heard.did.push(...told.did!);
                    else heard.told.push(told);
                });
                this.port.postMessage({ kind: 'watch' });
            }
        };
    });
}

export function done(page: Page): Promise<Did[]> {
    return page.evaluate(() => (window as unknown as { heard: Heard }).heard.did);
}

export function told(page: Page): Promise<Heard['told']> {
    return page.evaluate(() => (window as unknown as { heard: Heard }).heard.told);
}

/** How the sound is doing. */
export async function report(page: Page): Promise<Report> {
    return page.evaluate(async () => {
        const { heard } = window as unknown as { heard: Heard };
        while (!heard.node) await new Promise((resolve) => setTimeout(resolve, 20));
        const before = heard.told.length;
        heard.node.port.postMessage({ kind: 'report' });
        for (;;) {
            const found = heard.told.slice(before).find((t) => t.kind === 'report');
            if (found) return found.report!;
            await new Promise((resolve) => setTimeout(resolve, 10));
        }
    });
}
