import type { Press } from './keys.svelte';

/** How a command was asked for, as the server is told. */
export function asPressed(press: Press): { more?: boolean; times?: number } {
    return { ...(press.more ? { more: true } : {}), ...(press.times > 1 ? { times: press.times } : {}) };
}
