<script lang="ts">
    import { TriangleAlert } from 'lucide';
    import type { Snippet } from 'svelte';
    import type { Long } from '../api/long.svelte';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import KeyStrip from './KeyStrip.svelte';
    import Icon from '../stage/Icon.svelte';

    interface Props {
        said: string;
        /** How often something was said: what is said again is spoken again, which takes a change that is not seen. */
        times?: number;
        /** What is told, where it is not what was just done. */
        tag?: string;
        warnings?: string[];
        trouble?: string;
        /** Numbers of what is under the pointer. */
        numbers?: string;
        /** Without the strip of keys. */
        plain?: boolean;
        /** What takes long at the moment. */
        long?: Long;
        /** The server has not answered for a while. */
        slow?: boolean;
        children?: Snippet;
    }
    let {
        said,
        times = 0,
        tag = '',
        warnings = [],
        trouble = '',
        numbers = '',
        plain = false,
        long,
        slow = false,
        children,
    }: Props = $props();

    /** How high it is: panels end above it, so that none covers the lines that show what holds. */
    let height = $state(0);
    $effect(() => {
        document.documentElement.style.setProperty('--foot', `${height}px`);
        return () => document.documentElement.style.removeProperty('--foot');
    });

    const busy = $derived(long !== undefined && long.steps !== null);
    // Before whatever else Esc does here.
    $effect(() => (busy ? keys.handle({ escape: () => long?.stop() }) : undefined));
</script>

<footer bind:clientHeight={height} class="shrink-0 border-t border-base-300 bg-base-100">
    <div class="flex h-9 items-center gap-4 border-b border-base-300 px-3">
        <!-- Where there is too little room, what was done is cut before what is to be minded. -->
        <p
            class="flex min-w-0 flex-1 items-center overflow-hidden *:min-w-0 *:shrink-0"
            aria-live="polite"
            role="status"
            data-testid="said"
            title={[trouble, said, ...warnings].filter(Boolean).join(' ')}
        >
            {#if busy && long}
                <progress class="progress mr-2 inline-block w-40 align-middle" aria-label="Working"></progress>
                <span class="mr-3 font-semibold" data-testid="long"
                    >{long.stopping ? 'Stopping …' : `Working: ${long.steps?.toLocaleString('en')} notes so far`}</span
                >
                <button class="btn btn-xs mr-3" {@attach does('escape')}>Stop</button>
            {/if}
            {#if slow && !busy && !trouble}
                <span class="mr-3 font-semibold" data-testid="slow"
                    >The server has not answered yet. What you do is kept, and done when it answers.</span
                >
            {/if}
            {#if tag}<span class="mr-2 rounded-sm bg-neutral px-1.5 py-0.5 text-sm text-neutral-content">{tag}</span
                >{/if}
            {#if trouble}
                <span class="mr-2 max-w-3/4 truncate font-semibold text-error"
                    ><Icon
                        of={TriangleAlert}
                        size={15}
                        class="mr-1 inline align-[-2px]"
                        label="Error:"
                    />{trouble}</span
                >
            {/if}
            <span class="shrink! truncate">{said}{times % 2 ? '\u200b' : ''}</span>
            {#each warnings as warning, i (i)}
                <span class="ml-2 max-w-3/4 truncate text-warning"
                    ><Icon
                        of={TriangleAlert}
                        size={14}
                        class="mr-1 inline align-[-2px]"
                        label="Warning:"
                    />{warning}</span
                >
            {/each}
        </p>
        <output class="shrink-0 whitespace-pre text-right text-sm text-base-content/85" data-testid="numbers"
            >{numbers}</output
        >
    </div>
    {@render children?.()}
    {#if !plain}<KeyStrip />{/if}
</footer>
