import { keyOf } from './commands.svelte';

export type How = 'key' | 'mouse' | 'list';

export interface Use {
    command: string;
    params: Record<string, unknown>;
    key: number;
    mouse: number;
    list: number;
}

const KEPT_AS = 'jactonic.pace';

/** How often each command was asked for, and how. Kept on this machine only. */
class Pace {
    uses = $state.raw<Record<string, Use>>(read());

    note(command: string, params: Record<string, unknown>, how: How): void {
        const key = keyOf(command, params);
        const use = this.uses[key] ?? { command, params, key: 0, mouse: 0, list: 0 };
        this.uses = { ...this.uses, [key]: { ...use, [how]: use[how] + 1 } };
        localStorage.setItem(KEPT_AS, JSON.stringify(this.uses));
    }

    clear(): void {
        this.uses = {};
        localStorage.removeItem(KEPT_AS);
    }
}

function read(): Record<string, Use> {
    try {
        const kept: unknown = JSON.parse(localStorage.getItem(KEPT_AS) ?? '{}');
        return typeof kept === 'object' && kept !== null ? (kept as Record<string, Use>) : {};
    } catch {
        return {};
    }
}

export const pace = new Pace();
