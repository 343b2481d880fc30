import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

/** The same engine without windows of its own: a page stands in half the time. */
const LIGHT = '/usr/bin/chromium-headless-shell';

/** Where a server is that tests have for themselves. */
const at = (port: string | undefined): string => `http://127.0.0.1:${port ?? 8497}`;

export default defineConfig({
    testDir: 'e2e',
    // A machine shared with others may be slow for a while.
    timeout: process.env.CI ? 120_000 : 60_000,
    expect: { timeout: process.env.CI ? 20_000 : 10_000 },
    workers: 2,
    fullyParallel: true,
    forbidOnly: true,
    // A machine shared with others may starve a browser; what fails twice is broken.
    retries: process.env.CI ? 1 : 0,
    reporter: [['list']],
    // Shortcuts are one person's, for all songs: what changes them has a server of its own.
    projects: [
        {
            name: 'shortcuts',
            testMatch: 'commands.spec.ts',
            use: { baseURL: at(process.env.JACTONIC_SHORTCUTS_PORT ?? process.env.JACTONIC_TEST_PORT) },
        },
        { name: 'work', testIgnore: 'commands.spec.ts', use: { baseURL: at(process.env.JACTONIC_TEST_PORT) } },
    ],
    use: {
        viewport: { width: 1280, height: 800 },
        // A trace films every frame, which starves the sound it is meant to watch.
        trace: 'off',
        screenshot: 'only-on-failure',
        launchOptions: {
            executablePath: existsSync(LIGHT) ? LIGHT : '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
                '--autoplay-policy=no-user-gesture-required',
            ],
        },
    },
});
