<script lang="ts">
    import { onMount } from 'svelte';
    import type { Binding } from '../../api/types';
    import { commands } from '../../keys/commands.svelte';
    import { keys } from '../../keys/keys.svelte';
    import { labels } from '../../keys/strokes';
    import { addressOf, follow, router, type Place } from '../../router.svelte';
    import { theme } from '../../theme.svelte';
    import { putPictures } from './pictures';

    interface Props {
        /** A page written as Markdown, with keys as they ship between backquotes. */
        html: string;
        title: string;
    }
    let { html, title }: Props = $props();

    let page: HTMLElement;
    let marks = $state(location.hash === '#marks');

    /** Pages that name one another by their files. */
    const PLACES: Record<string, Place> = {
        'getting-started.md': { at: 'keys', page: 'start' },
        'guide.md': { at: 'keys', page: 'guide' },
    };

    /** Links between them stay in the application. */
    function linked(): void {
        for (const link of page.querySelectorAll('a')) {
            const place = PLACES[link.getAttribute('href') ?? ''];
            if (!place) continue;
            link.href = addressOf(place);
            link.className = 'link';
            link.onclick = (e) => follow(e, place);
        }
    }

    const called = (strokes: string): string => labels(strokes).join(' ');

    /** What a key of the guide does as it ships, on the page that its part of the guide is about. */
    function meant(label: string, context: string): Binding | undefined {
        const mine = commands.defaults.filter((b) => called(b.keys) === label);
        return [context, 'roll', 'song', 'any'].map((c) => mine.find((b) => b.context === c)).find((b) => b);
    }

    /** Keys are shown as the person has set them; what is typed stays as it is. */
    function personal(): void {
        let context = 'roll';
        for (const el of page.querySelectorAll<HTMLElement>('h2, code')) {
            if (el.tagName === 'H2') {
                el.id = el.textContent.toLowerCase();
                context = el.textContent === 'Arranging' ? 'song' : 'roll';
                continue;
            }
            const shipped = (el.dataset.shipped ??= el.textContent);
            const binding = meant(shipped, context);
            if (!binding) continue;
            const now = keys.resolver.bindings.find(
                (b) => b.command === binding.command && JSON.stringify(b.params) === JSON.stringify(binding.params),
            );
            el.textContent = now ? called(now.keys) : 'no key';
            el.className = 'key';
            el.dataset.does = binding.command;
        }
    }

    let paint = $state.raw(() => {});

    $effect(() => {
        void theme.version;
        paint();
    });
    $effect(() => {
        void [keys.version, paint];
        personal();
        if (marks) document.getElementById('marks')?.scrollIntoView();
    });
    onMount(() => {
        paint = putPictures(page);
        linked();
        page.focus({ preventScroll: true });
        return keys.handle({ escape: () => router.back(), 'open-songs': () => router.back() });
    });
</script>

<main class="flex min-h-0 flex-1 flex-col">
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div
        bind:this={page}
        class="guide mx-auto w-full max-w-4xl min-h-0 flex-1 overflow-y-auto px-4 pt-6 pb-10 outline-none"
        data-testid="guide"
        role="region"
        aria-label={title}
        tabindex="0"
    >
        <!-- eslint-disable-next-line svelte/no-at-html-tags (our own page, made when it is built) -->
        {@html html}
    </div>
</main>

<style>
    .guide :global(h1) {
        font-family: var(--font-serif, serif);
        font-size: 1.9rem;
        margin-bottom: 0.75rem;
    }
    .guide :global(h2) {
        font-family: var(--font-serif, serif);
        font-size: 1.35rem;
        margin: 1.75rem 0 0.5rem;
    }
    .guide :global(p) {
        margin: 0.5rem 0;
        max-width: 46rem;
    }
    .guide :global(table) {
        width: 100%;
        border-collapse: collapse;
    }
    .guide :global(th) {
        text-align: left;
        font-weight: 600;
        padding: 0.25rem 0.75rem 0.25rem 0;
    }
    .guide :global(td) {
        border-top: 1px solid var(--color-base-300);
        padding: 0.3rem 0.75rem 0.3rem 0;
        vertical-align: top;
    }
    .guide :global(td:first-child) {
        width: 58%;
    }
    .guide :global(table:has(th:nth-child(3)) td) {
        width: 36%;
    }
    .guide :global(table:has(th:nth-child(3)) td:nth-child(2)) {
        width: 28%;
    }
    .guide :global(canvas) {
        outline: 1px solid var(--color-base-300);
    }
    .guide :global(td canvas) {
        display: inline-block;
        vertical-align: middle;
        margin-right: 0.75rem;
    }
    .guide :global(figure) {
        display: grid;
        grid-template-columns: auto auto auto 1fr;
        align-items: center;
        column-gap: 0.75rem;
        margin: 0.5rem 0 0.75rem;
    }
    .guide :global(figcaption) {
        grid-column: 1 / -1;
        padding-top: 0.25rem;
    }
    .guide :global(code:not(.key)) {
        font-weight: 600;
    }
</style>
