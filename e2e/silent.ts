import { test as base } from '@playwright/test';

export { expect, type Locator, type Page } from '@playwright/test';

/**
 * For tests of what makes no sound: the bank is never there, so that no page decodes its song's samples. That takes longer
 * than most of them.
 */
export const test = base.extend({
    context: async ({ context }, use) => {
        await context.addInitScript(() => {
            const fetched = window.fetch;
            window.fetch = (what, ...more) =>
                what === '/sound/bank.sf3' ? new Promise<Response>(() => {}) : fetched(what, ...more);
        });
        await use(context);
    },
});
