<script lang="ts">
    import type { Binding } from '../api/types';
    import { untrack } from 'svelte';
    import { commands, keyOf } from '../keys/commands.svelte';
    import { pace } from '../keys/pace.svelte';
    import { keys, type Hint } from '../keys/keys.svelte';
    import { stripRows } from '../keys/strip-rows.svelte';
    import { chips, led, type Chip } from '../keys/chips';
    import { signAt } from '../keys/layout';
    import { labels } from '../keys/strokes';
    import { isForPage } from '../keys/targets';
    import { tool } from '../roll/pen.svelte';
    import { typing } from '../sound/inputs/typing.svelte';
    import { matters, ofCurve, second, worded } from './strip-keys';

    const WORDS: Record<string, string> = { velocity: 'loudness', pitch: 'harmony', structure: 'phrase' };
    /** What is always at hand, in a place of its own: it is never pushed out of sight. */
    const ALWAYS = ['play', 'loop', 'steps', 'commands', 'guide', 'shortcuts'];
    const CURVE = 'curve of the note';
    const CALLED: Record<string, string> = {
        structure: 'phrase',
        lane: 'lanes',
        settings: 'grid',
        selection: 'selecting',
    };

    /** What the pen does by hand: it has no keys. */
    const PEN_HINTS: Hint[] = [
        ['Escape', 'puts it down'],
        ['', 'drawn sideways: longer'],
        ['', 'up or down: another pitch'],
        ['Shift', 'a run'],
        ['Alt', 'off the grid'],
    ];

    // What the keys do here and now: follows the place, the choice, the held modifiers and the first stroke of two.
    const now = $derived.by(() => {
        void keys.prefix;
        void keys.version;
        return keys.resolver
            .available(keys.context, keys.held)
            .filter(
                (b) =>
                    keys.can(b.command) &&
                    matters(b) &&
                    !(typing.on && keys.isPlayed(b.keys)) &&
                    (!keys.panel || isForPage(b.keys)),
            );
    });
    /** What a first stroke leads to, of all that is there. */
    const leads = $derived.by(() => {
        if (!keys.prefix) return null;
        const { mod, alt, shift } = keys.held;
        return second(now, [mod && 'Mod', alt && 'Alt', shift && 'Shift'].filter(Boolean).join('+'));
    });
    const plain = $derived(!keys.prefix && !keys.held.mod && !keys.held.alt && !keys.held.shift);
    const always = $derived(
        plain
            ? chips(
                  now.filter((b) => ALWAYS.includes(b.command)),
                  false,
              )
            : [],
    );
    /** What has the keys, or is in hand, and what it does. */
    const hints = $derived.by((): { title: string; does: readonly Hint[] } | null => {
        if (leads) return leads.more.length > 0 ? { title: '', does: leads.more } : null;
        if (keys.panel)
            return { title: keys.panel.title, does: [...keys.panel.does, ['Tab', 'next field'], ['Escape', 'close']] };
        return plain && tool.name === 'pen' && keys.context === 'roll' ? { title: 'pen', does: PEN_HINTS } : null;
    });
    /** In groups: what is done to what is selected before what selects and shows, those most used here first. */
    const groups = $derived.by(() => {
        const byGroup = new Map<string, Binding[]>();
        for (const alike of led((leads?.now ?? now).filter((b) => !plain || !ALWAYS.includes(b.command)))) {
            const isOfCurve = keys.work === 'curve' && !keys.prefix && alike.some((b) => ofCurve(b) !== null);
            const group = keys.prefix ? '' : isOfCurve ? CURVE : mostly(alike);
            const all = byGroup.get(group);
            if (all) all.push(...alike);
            else byGroup.set(group, [...alike]);
        }
        return [...byGroup]
            .map(([name, all]) => ({
                name: CALLED[name] ?? name,
                rank: name === CURVE ? 0 : keys.chosen > 0 && all.some((b) => commands.edits.has(b.command)) ? 1 : 2,
                uses: untrack(() => all.reduce((sum, b) => sum + used(b), 0)),
                chips: chips(all.map(worded), keys.prefix !== '', false, family),
            }))
            .sort((x, y) => x.rank - y.rank || y.uses - x.uses);
    });

    /** The group that most are of. */
    function mostly(all: Binding[]): string {
        const often = new Map<string, number>();
        for (const b of all) {
            const group = commands.find(String(b.params.edit ?? b.command))?.group ?? '';
            often.set(group, (often.get(group) ?? 0) + 1);
        }
        return [...often].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
    }

    function used(b: Binding): number {
        return pace.uses[keyOf(b.command, b.params)]?.key ?? 0;
    }

    /** What one has never done by its key is a little stronger than what one knows. */
    function isNew(keysOfChip: readonly string[]): boolean {
        return now.filter((b) => keysOfChip.includes(b.keys)).every((b) => used(b) === 0);
    }

    /** Pressed, an entry does what its first key does; one that leads on shows what it leads to. */
    function run(first: string): void {
        const binding = now.find((b) => b.keys === first);
        if (!binding) return;
        if (first.includes(' ')) keys.stroke(first.split(' ')[keys.prefix ? 1 : 0]!, false);
        else keys.run(binding.command, binding.params, 'mouse');
    }

    /** What a first stroke leads to: the group that most of it is of, where it is not just selecting or settings. */
    function family(group: Binding[]): string | null {
        const kinds = new Set(group.map((b) => b.command));
        if (kinds.size === 1 || group.some((b) => b.command === 'select')) return null;
        const most = mostly(group);
        return `${WORDS[most] ?? most}…`;
    }
</script>

{#snippet entry(chip: Chip)}
    <!-- Who comes by keys has the keys: it is for the hand on the mouse. -->
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
    <span
        class="entry flex cursor-pointer items-center gap-1 rounded-sm whitespace-nowrap {chip.keys.includes(
            keys.flashed,
        )
            ? 'bg-primary text-primary-content'
            : 'hover:bg-base-200'} {isNew(chip.keys) ? 'font-semibold' : ''}"
        onclick={() => run(chip.keys[0]!)}
    >
        {#each chip.shown as label (label)}<kbd class="key text-base-content">{label}</kbd>{/each}
        <span>{chip.label}</span>
    </span>
{/snippet}

{#snippet told(hints: { title: string; does: readonly Hint[] })}
    {#if hints.title}<span class="font-serif whitespace-nowrap text-base-content/80 italic">{hints.title}</span>{/if}
    {#each hints.does as [stroke, does] (does)}
        <span class="flex items-center gap-1 whitespace-nowrap"
            >{#each stroke.split(' ').filter(Boolean).flatMap(labels) as label (label)}<kbd class="key">{label}</kbd
                >{/each} <span>{does}</span></span
        >
    {/each}
{/snippet}

{#if stripRows.count > 0 || keys.prefix || keys.count !== null}
    <!-- What a first stroke leads to is seen whole: it grows over what is above it, and nothing moves. -->
    <div
        class="relative [@media(max-height:560px)]:max-h-[1.9rem]"
        style:height="{0.5 + 1.65 * Math.max(1, stripRows.count)}rem"
    >
        <div
            class="absolute inset-x-0 bottom-0 flex gap-3 px-3 py-1.5 text-[0.8125rem] {keys.prefix
                ? 'z-40 max-h-[50vh] min-h-full overflow-y-auto border-t border-base-300 bg-base-100'
                : 'h-full overflow-hidden'}"
            data-testid="key-strip"
            aria-label="What the keys do"
            role="note"
        >
            <div class="flex min-w-0 flex-1 flex-wrap content-start gap-x-3 gap-y-1 overflow-hidden">
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
                        <kbd class="key">{signAt('KeyA').toUpperCase()}–{signAt('Semicolon').toUpperCase()}</kbd> and
                        above play,
                        <kbd class="key"
                            >{['KeyZ', 'KeyX', 'KeyC', 'KeyV'].map((c) => signAt(c).toUpperCase()).join(' ')}</kbd
                        >
                        touches, <kbd class="key">{signAt('Comma')} {signAt('Period')}</kbd> octave
                        {#if back}· <kbd class="key">{labels(back).join(' ')}</kbd> gives the letters back{/if}
                    </span>
                {/if}
                {#if hints && !leads}{@render told(hints)}{/if}
                {#each groups as group (group.name)}
                    {#each group.chips as chip, i (chip.keys.join())}
                        <!-- A heading never stands without what it heads. -->
                        {#if i === 0 && group.name}
                            <span class="flex gap-2 whitespace-nowrap"
                                ><span class="font-serif text-base-content/80 italic">{group.name}</span>{@render entry(
                                    chip,
                                )}</span
                            >
                        {:else}{@render entry(chip)}{/if}
                    {/each}
                {/each}
                {#if hints && leads}{@render told(hints)}{/if}
            </div>
            {#if always.length > 0}
                <div
                    class="grid shrink-0 grid-flow-col grid-rows-[repeat(var(--lines),auto)] content-start gap-x-3 gap-y-1 border-l border-base-300 pl-3"
                    style:--lines={stripRows.count}
                    data-testid="always"
                >
                    {#each always as chip (chip.keys.join())}{@render entry(chip)}{/each}
                </div>
            {/if}
        </div>
    </div>
{/if}
