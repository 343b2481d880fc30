import { expect, test as base } from '@playwright/test';

export { expect, type Locator, type Page } from '@playwright/test';

/**
 * For tests of what makes no sound: the bank is never there, so that no page decodes its song's samples. That takes longer
 * than most of them. No page may follow its own changes for ever, which is not seen otherwise.
 */
export const test = base.extend({
    context: async ({ context }, use) => {
        await context.addInitScript(() => {
            const fetched = window.fetch;
            window.fetch = (what, ...more) =>
                what === '/sound/bank.sf3' ? new Promise<Response>(() => {}) : fetched(what, ...more);
        });
        const loops: string[] = [];
        context.on(
            'weberror',
            (e) => e.error().message.includes('effect_update_depth') && loops.push(e.error().message),
        );
        await use(context);
        expect(loops, 'effects that follow their own changes').toEqual([]);
    },
});
