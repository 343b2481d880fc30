<script lang="ts">
    import { onMount } from 'svelte';
    import type { Spec } from '../api/types';
    import { commands } from '../keys/commands.svelte';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';

    interface Props {
        x: number;
        y: number;
        title: string;
        context: string;
        /** What is offered: commands that need one of these. */
        needs: readonly string[];
        /** Only what one stroke does, and only what has such words. */
        short?: boolean;
        about?: RegExp;
        /** Only commands that are so. */
        of?: (spec: Spec) => boolean;
        onClose: () => void;
    }
    let { x, y, title, context, needs, short = false, about, of, onClose }: Props = $props();

    /** Keys that stand for moves of the hand are no entries: there the hand is. */
    const MOVES = /Arrow|Wheel|Bracket|Page|Digit|(^| )[0-9]$/;
    const entries = $derived(
        keys.resolver.bindings
            .filter((b) => {
                const spec = commands.find(b.command);
                return (
                    b.context === context &&
                    spec &&
                    needs.includes(spec.needs) &&
                    !(short && b.keys.includes(' ')) &&
                    (!about || about.test(b.label)) &&
                    (!of || of(spec)) &&
                    (!MOVES.test(b.keys) || spec.needs === 'tracks') &&
                    keys.can(b.command)
                );
            })
            .filter((b, i, all) => all.findIndex((o) => o.label === b.label) === i),
    );
    let list: HTMLElement;
    let typed = '';
    let typedAt = 0;
    const before = document.activeElement;

    onMount(() => {
        const { width, height } = list.getBoundingClientRect();
        list.style.left = `${Math.max(4, Math.min(x, window.innerWidth - width - 4))}px`;
        list.style.top = `${Math.max(4, Math.min(y, window.innerHeight - height - 4))}px`;
        items()[0]?.focus();
        return () => before instanceof HTMLElement && before.isConnected && before.focus({ preventScroll: true });
    });

    const items = (): HTMLElement[] => [...list.querySelectorAll<HTMLElement>('[role=menuitem]')];

    function press(e: KeyboardEvent): void {
        const all = items();
        const at = all.indexOf(document.activeElement as HTMLElement);
        const step = { ArrowDown: 1, ArrowUp: -1 }[e.key];
        e.stopPropagation();
        if (step) all[(at + step + all.length) % all.length]?.focus();
        else if (e.key === 'Home') all[0]?.focus();
        else if (e.key === 'End') all.at(-1)?.focus();
        else if (e.key === 'Escape' || e.key === 'Tab') onClose();
        else if (e.key.length === 1 && e.key !== ' ' && !e.ctrlKey && !e.metaKey && !e.altKey) {
            typed = e.timeStamp - typedAt < 700 ? typed + e.key.toLowerCase() : e.key.toLowerCase();
            typedAt = e.timeStamp;
            const from = typed.length > 1 ? at : at + 1;
            [...all.slice(from), ...all.slice(0, from)]
                .find((i) => i.textContent?.trim().toLowerCase().startsWith(typed))
                ?.focus();
        } else return;
        e.preventDefault();
    }
</script>

<svelte:window onpointerdown={(e) => !list.contains(e.target as Node) && onClose()} onblur={onClose} />
<div
    bind:this={list}
    class="fixed z-50 max-h-[70vh] w-80 overflow-y-auto rounded-box border border-base-content/60 bg-base-100 py-1 text-sm shadow-md"
    role="menu"
    tabindex="-1"
    aria-label={title}
    data-testid="menu"
    onkeydown={press}
    oncontextmenu={(e) => e.preventDefault()}
>
    {#each entries as entry (entry.keys)}
        <button
            type="button"
            role="menuitem"
            tabindex="-1"
            data-field
            class="flex w-full items-baseline gap-3 px-3 py-1 text-left outline-hidden focus:bg-primary focus:text-primary-content hover:bg-base-200 focus:hover:bg-primary"
            onclick={() => {
                onClose();
                keys.run(entry.command, entry.params);
            }}
        >
            <span class="flex-1 first-letter:uppercase">{entry.label}</span>
            <span class="shrink-0 opacity-80">{labels(entry.keys).join(' ')}</span>
        </button>
    {/each}
</div>
