<script lang="ts">
    import { onMount, untrack } from 'svelte';
    import { request } from '../api/client';
    import type { Binding } from '../api/types';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';

    interface Props {
        command: string;
        params: Record<string, unknown>;
        /** What the key will do, for the key strip. */
        label: string;
        /** Where the command can be asked for. */
        contexts: string[];
        /** The page that is meant first. */
        from?: string;
        /** The shortcut that this one takes the place of. */
        instead?: Binding | null;
        onDone: (said: string, given?: { context: string; keys: string }) => void;
    }
    let { command, params, label, contexts, from = '', instead = null, onDone }: Props = $props();

    const WHERE: Record<string, string> = {
        any: 'everywhere',
        roll: 'in the roll',
        song: 'on the song page',
        songs: 'in the list of songs',
        keys: 'here',
    };

    /** Milliseconds in which a second stroke comes; then a free key is taken. */
    const PAUSE = 1200;
    let timer = 0;

    let box: HTMLElement;
    let strokes = $state.raw<string[]>([]);
    let at = $state(untrack(() => Math.max(0, contexts.indexOf(from))));
    let found = $state.raw<{ lost: Binding[]; hidden: Binding[] } | null>(null);
    let trouble = $state('');
    const context = $derived(contexts[at]!);
    const lost = $derived(
        found?.lost.filter((b) => !instead || b.keys !== instead.keys || b.context !== instead.context),
    );

    onMount(() => {
        box.focus();
        keys.capture = take;
        const wheel = (e: WheelEvent): void => {
            if (!e.altKey && !e.ctrlKey && !e.metaKey) return;
            e.preventDefault();
            const mods = `${e.ctrlKey || e.metaKey ? 'Mod+' : ''}${e.altKey ? 'Alt+' : ''}${e.shiftKey ? 'Shift+' : ''}`;
            take(`${mods}Wheel${(e.deltaY || e.deltaX) < 0 ? 'Up' : 'Down'}`);
        };
        box.addEventListener('wheel', wheel, { passive: false });
        return () => {
            clearTimeout(timer);
            if (keys.capture === take) keys.capture = null;
        };
    });

    function take(stroke: string): void {
        if (stroke === 'Escape') return onDone('');
        if (strokes.length > 0 && stroke === 'Enter') return void give();
        if (strokes.length > 0 && stroke === 'Backspace') strokes = [];
        else if (contexts.length > 1 && stroke === 'Tab') at = (at + 1) % contexts.length;
        // A second stroke comes at once; where the first waits, being taken, it is another try.
        else
            strokes =
                strokes.length === 1 && timer !== 0 && !stroke.includes('Wheel') ? [strokes[0]!, stroke] : [stroke];
        clearTimeout(timer);
        timer = window.setTimeout(() => {
            timer = 0;
            takeFree();
        }, PAUSE);
        void check();
    }

    async function check(): Promise<void> {
        found = null;
        trouble = '';
        const asked = strokes;
        if (asked.length === 0) return;
        try {
            const answer = await request('POST', 'keys/check', {
                context,
                keys: asked.join(' '),
            });
            if (asked === strokes) found = answer;
            if (asked.length === 2 || timer === 0) takeFree();
        } catch (e) {
            if (asked === strokes) trouble = e instanceof Error ? e.message : String(e);
        }
    }

    /** What is free needs no Enter. */
    function takeFree(): void {
        if (strokes.length > 0 && found?.lost.length === 0 && keys.capture === take) void give();
    }

    async function give(): Promise<void> {
        if (trouble || strokes.length === 0) return;
        // What is typed next is no part of the shortcut any more.
        keys.capture = null;
        const binding = { context, keys: strokes.join(' '), command, params, label };
        try {
            await keys.ask('POST', 'keys', { binding, replace: true, instead: instead ?? undefined });
            const gone = lost && lost.length > 0 ? ` No longer: ${lost.map((b) => `“${b.label}”`).join(', ')}.` : '';
            onDone(`${labels(binding.keys).join(' then ')} now runs “${label}”.${gone}`, binding);
        } catch (e) {
            trouble = e instanceof Error ? e.message : String(e);
            keys.capture = take;
        }
    }
</script>

<div
    bind:this={box}
    class="border-2 border-primary bg-base-100 px-3 py-2 outline-none"
    tabindex="-1"
    role="group"
    aria-label="Press the new key for {label}"
    data-testid="give-key"
>
    <p>
        {#if strokes.length === 0}
            Press the new key for “{label}” {WHERE[context]}, one stroke or two.
        {:else}
            {#each strokes as stroke, i (i)}{i > 0 ? ' then ' : ''}<kbd class="key text-base"
                    >{labels(stroke).join(' ')}</kbd
                >{/each}
            {WHERE[context]}
            {#if strokes.length === 1}<span class="text-sm text-base-content/85"
                    >(a second stroke at once makes it two)</span
                >{/if}
        {/if}
    </p>
    <div class="min-h-6" aria-live="polite">
        {#if trouble}
            <p class="text-error">{trouble}</p>
        {:else if lost && lost.length > 0}
            <p class="text-warning">
                Taken: {lost.map((b) => `“${b.label}” (${labels(b.keys).join(' ')})`).join(', ')}. Enter gives it to
                this command instead.
            </p>
        {:else if found && found.hidden.length > 0}
            <p>
                {context === 'any' ? 'Pages with a shortcut of their own keep it' : 'It is used instead of'}:
                {found.hidden.map((b) => `“${b.label}” ${WHERE[b.context]}`).join(', ')}.
            </p>
        {:else if found}
            <p>Free: it is taken.</p>
        {/if}
    </div>
    <p class="text-sm text-base-content/85">
        <kbd class="key">Enter</kbd> keep it <kbd class="key">⌫</kbd> another <kbd class="key">Esc</kbd> cancel
        {#if contexts.length > 1}<kbd class="key">Tab</kbd> where it holds{/if}
    </p>
    <div class="mt-2 flex gap-2">
        <button
            data-field
            class="btn btn-xs btn-primary"
            disabled={strokes.length === 0 || trouble !== ''}
            onclick={() => void give()}>Keep it</button
        >
        <button data-field class="btn btn-xs" onclick={() => onDone('')}>Cancel</button>
    </div>
</div>
