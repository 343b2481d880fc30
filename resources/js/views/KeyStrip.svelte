<script lang="ts">
    import type { Binding } from '../api/types';
    import { commands } from '../keys/commands.svelte';
    import { keys } from '../keys/keys.svelte';
    import { chips } from '../keys/chips';
    import { signAt } from '../keys/layout';
    import { labels } from '../keys/strokes';
    import { articulated } from '../roll/articulated.svelte';
    import { ARTICULATES, CARET_MOVERS } from '../roll/commands/make';
    import { stepState } from '../roll/steps.svelte';
    import { typing } from '../sound/inputs/typing.svelte';

    const WORDS: Record<string, string> = { velocity: 'loudness', pitch: 'harmony', structure: 'phrase' };
    // What the keys do here and now: follows the place, the choice, the held modifiers and the first stroke of two.
    const shown = $derived.by(() => {
        void keys.prefix;
        void keys.version;
        const now = keys.resolver
            .available(keys.context, keys.held)
            .filter((b) => keys.can(b.command) && matters(b) && !(typing.on && keys.isPlayed(b.keys)));
        return chips(now.map(worded), keys.prefix !== '', false, family);
    });

    function matters(b: Binding): boolean {
        if (b.command === 'step') return stepState.on;
        if (b.command === 'keyboard') return !typing.on;
        // Of a set of articulations only those that it has.
        if (b.command === ARTICULATES && articulated.set && articulated.name(Number(b.params.number ?? 0)) === null)
            return false;
        if (keys.chosen !== 0 || CARET_MOVERS.includes(b.command)) return true;
        return commands.find(b.command)?.needs !== 'notes' && b.params.edit === undefined;
    }

    /** What a first stroke leads to: the group that most of it is of, where it is not just choosing or settings. */
    function family(group: Binding[]): string | null {
        const groups = group.map((b) => commands.find(String(b.params.edit ?? b.command))?.group ?? '');
        const kinds = new Set(group.map((b) => b.command));
        if (kinds.size === 1 || group.some((b) => b.command === 'select')) return null;
        const often = (g: string): number => groups.filter((o) => o === g).length;
        const most = groups.reduce((a, b) => (often(b) > often(a) ? b : a));
        return `${WORDS[most] ?? most}…`;
    }

    function worded(b: Binding): Binding {
        if (b.command === ARTICULATES) {
            const name = articulated.name(Number(b.params.number ?? 0));
            return name ? { ...b, label: name } : b;
        }
        if (b.command === 'repeat-command')
            return { ...b, label: `repeat: ${keys.repeats[Number(b.params.back ?? 1) - 1] ?? 'nothing yet'}` };
        if (keys.chosen === 0 && CARET_MOVERS.includes(b.command)) return { ...b, label: `caret ${b.label}` };
        return b;
    }
</script>

{#if keys.stripRows > 0 || keys.prefix || keys.count !== null}
    <div
        class="flex flex-wrap content-start gap-x-3 gap-y-1 overflow-hidden px-3 py-1.5 text-[0.8125rem] [@media(max-height:560px)]:max-h-[1.9rem]"
        style:height="{0.4 + 1.5 * Math.max(1, keys.stripRows)}rem"
        data-testid="key-strip"
        aria-label="What the keys do"
        role="note"
    >
        {#if keys.count !== null}
            <span class="font-semibold whitespace-nowrap" data-testid="count"
                >{keys.count || '…'} × the next command <kbd class="key">Esc</kbd> drops it</span
            >
        {/if}
        {#if keys.prefix}
            <span class="font-semibold whitespace-nowrap"
                >{#each labels(keys.prefix) as label, i (i)}<kbd class="key">{label}</kbd>{/each} then</span
            >
        {/if}
        {#if typing.on && !keys.prefix && keys.context === 'roll'}
            {@const back = keys.keysFor('keyboard', {}, 'roll')}
            <span class="flex items-center gap-1 whitespace-nowrap font-semibold" data-testid="typing">
                <kbd class="key">{signAt('KeyA').toUpperCase()}–{signAt('Semicolon').toUpperCase()}</kbd> and above
                play,
                <kbd class="key">{['KeyZ', 'KeyX', 'KeyC', 'KeyV'].map((c) => signAt(c).toUpperCase()).join(' ')}</kbd>
                touches, <kbd class="key">{signAt('Comma')} {signAt('Period')}</kbd> octave
                {#if back}· <kbd class="key">{labels(back).join(' ')}</kbd> gives the letters back{/if}
            </span>
        {/if}
        {#each shown as chip (chip.keys.join())}
            <span
                class="flex items-center gap-1 rounded-sm whitespace-nowrap {chip.keys.includes(keys.flashed)
                    ? 'bg-primary text-primary-content'
                    : ''}"
            >
                {#each chip.shown as label (label)}<kbd class="key text-base-content">{label}</kbd>{/each}
                <span>{chip.label}</span>
            </span>
        {/each}
    </div>
{/if}
