import { request } from '../api/client';
import type { Entry } from './entries';
import { commands } from './commands.svelte';

/** What a line that is typed may mean: words of a command, and values behind them. The rules are the server's. */
export class TypedLine {
    /** What it may mean, the likeliest first. */
    found = $state.raw<Entry[]>([]);
    /** Where it could not be read on, where it means nothing. */
    stopped = $state('');
    private asked = 0;
    private told = 0;
    private answer: Promise<void> = Promise.resolve();

    get isRead(): boolean {
        return this.told === this.asked;
    }

    /** Waits until what was typed last is read: Enter may come before that. */
    settled(): Promise<void> {
        return this.answer;
    }

    /** The latest line wins. */
    ask(line: string, context: string, song: number | null): void {
        const mine = ++this.asked;
        // One word alone is looked for, not read.
        if (!/\S\s+\S/.test(line) || !(context in commands.examples)) {
            this.found = [];
            this.stopped = '';
            this.told = mine;
            return;
        }
        this.answer = this.read(line, context, song, mine).finally(() => (this.told = Math.max(this.told, mine)));
    }

    private async read(line: string, context: string, song: number | null, mine: number): Promise<void> {
        const read = await request('POST', 'typed', { line, context, song }).catch(() => null);
        if (mine !== this.asked || !read) return;
        this.stopped = read.stopped;
        this.found = read.found
            .filter((f) => Object.keys(f.params).length > 0)
            .map(({ command, params }) => {
                const spec = commands.find(command)!;
                const { group, about, needs, contexts } = spec;
                const title = commands.title(command, params);
                const id = `typed ${command} ${JSON.stringify(params)}`;
                return { id, command, params, title, group, about, needs, contexts, words: [], ask: [] };
            });
    }
}
