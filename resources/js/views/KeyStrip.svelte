<script lang="ts">
    import type { Binding } from '../api/types';
    import { untrack } from 'svelte';
    import { commands, keyOf } from '../keys/commands.svelte';
    import { pace } from '../keys/pace.svelte';
    import { keys } from '../keys/keys.svelte';
    import { stripRows } from '../keys/strip-rows.svelte';
    import { chips, led, type Chip } from '../keys/chips';
    import { signAt } from '../keys/layout';
    import { labels } from '../keys/strokes';
    import { articulated } from '../roll/articulated.svelte';
    import { ARTICULATES, CARET_MOVERS } from '../roll/commands/make';
    import { stepState } from '../roll/steps.svelte';
    import { typing } from '../sound/inputs/typing.svelte';

    const WORDS: Record<string, string> = { velocity: 'loudness', pitch: 'harmony', structure: 'phrase' };
    /** What is always at hand, in a place of its own: it is never pushed out of sight. */
    const ALWAYS = ['play', 'loop', 'steps', 'commands', 'guide', 'shortcuts'];
    const CALLED: Record<string, string> = {
        structure: 'phrase',
        lane: 'lanes',
        settings: 'grid',
        selection: 'selecting',
    };

    // What the keys do here and now: follows the place, the choice, the held modifiers and the first stroke of two.
    const now = $derived.by(() => {
        void keys.prefix;
        void keys.version;
        return keys.resolver
            .available(keys.context, keys.held)
            .filter((b) => keys.can(b.command) && matters(b) && !(typing.on && keys.isPlayed(b.keys)));
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
    /** In groups, those most used here first. */
    const groups = $derived.by(() => {
        const byGroup = new Map<string, Binding[]>();
        for (const alike of led(now.filter((b) => !plain || !ALWAYS.includes(b.command)))) {
            const group = keys.prefix ? '' : mostly(alike);
            const all = byGroup.get(group);
            if (all) all.push(...alike);
            else byGroup.set(group, [...alike]);
        }
        return [...byGroup]
            .map(([name, all]) => ({
                name: CALLED[name] ?? name,
                uses: untrack(() => all.reduce((sum, b) => sum + used(b), 0)),
                chips: chips(all.map(worded), keys.prefix !== '', false, family),
            }))
            .sort((x, y) => y.uses - x.uses);
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

    function matters(b: Binding): boolean {
        if (b.command === 'step') return stepState.on;
        if (b.command === 'keyboard') return !typing.on;
        // Of a set of articulations only those that it has.
        if (b.command === ARTICULATES && articulated.set && articulated.name(Number(b.params.number ?? 0)) === null)
            return false;
        if (keys.chosen !== 0 || CARET_MOVERS.includes(b.command)) return true;
        return commands.find(b.command)?.needs !== 'notes' && b.params.edit === undefined;
    }

    /** What a first stroke leads to: the group that most of it is of, where it is not just selecting or settings. */
    function family(group: Binding[]): string | null {
        const kinds = new Set(group.map((b) => b.command));
        if (kinds.size === 1 || group.some((b) => b.command === 'select')) return null;
        const most = mostly(group);
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
        return { ...b, label: (keys.isInLane && inLane(b)) || b.label };
    }

    /** What a key does in a lane, where it is called otherwise than on notes. */
    function inLane({ command, params }: Binding): string | null {
        const by = Number(params.by ?? params.steps ?? params.semitones ?? 0);
        if (command === 'zoom' && params.axis === 'pitch') return by > 0 ? 'taller lane' : 'lower lane';
        const [, , inPitch] = CARET_MOVERS;
        return command === inPitch ? `value ${by > 0 ? 'up' : 'down'}${Math.abs(by) === 1 ? '' : ' by 10'}` : null;
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

{#if stripRows.count > 0 || keys.prefix || keys.count !== null}
    <div
        class="flex gap-3 overflow-hidden px-3 py-1.5 text-[0.8125rem] [@media(max-height:560px)]:max-h-[1.9rem]"
        style:height="{0.5 + 1.65 * Math.max(1, stripRows.count)}rem"
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
                    <kbd class="key">{signAt('KeyA').toUpperCase()}–{signAt('Semicolon').toUpperCase()}</kbd> and above
                    play,
                    <kbd class="key"
                        >{['KeyZ', 'KeyX', 'KeyC', 'KeyV'].map((c) => signAt(c).toUpperCase()).join(' ')}</kbd
                    >
                    touches, <kbd class="key">{signAt('Comma')} {signAt('Period')}</kbd> octave
                    {#if back}· <kbd class="key">{labels(back).join(' ')}</kbd> gives the letters back{/if}
                </span>
            {/if}
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
{/if}
