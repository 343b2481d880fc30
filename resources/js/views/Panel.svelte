<script lang="ts">
    import { X } from 'lucide';
    import { onMount, type Snippet } from 'svelte';
    import { does } from '../keys/does';
    import { keys, type Hint } from '../keys/keys.svelte';
    import { follow } from '../stage/edge';
    import { LEAST, panels } from '../panels.svelte';
    import Icon from '../stage/Icon.svelte';

    interface Props {
        title: string;
        children: Snippet;
        /** What stays in sight below what scrolls. */
        foot?: Snippet;
        onkeydown?: (e: KeyboardEvent) => void;
        /** What it does with keys, for the strip. */
        hints?: readonly Hint[];
    }
    let { title, children, foot, onkeydown, hints = [] }: Props = $props();

    let panel: HTMLElement | undefined;
    /** What in the panel has the keys. */
    let holder: HTMLElement | null = null;
    const before = document.activeElement;
    const close = (): void => panels.close();

    /** Its left edge is drawn to make it wider, or moved by arrows. */
    const grip = (e: PointerEvent): void => follow(e, (m) => panels.widen(window.innerWidth - m.clientX));

    function widen(e: KeyboardEvent): void {
        const by = { ArrowLeft: 16, ArrowRight: -16 }[e.key];
        if (!by) return;
        e.preventDefault();
        e.stopPropagation();
        panels.widen(panels.comes + by);
    }

    const isUsable = (el: HTMLElement): boolean => el.isConnected && !el.matches(':disabled');

    function hold(e: FocusEvent): void {
        holder = e.target instanceof HTMLElement ? e.target : null;
        keys.panel = { title, does: hints };
    }

    /** Another thing has the keys; where it is gone or disabled is seen after this. */
    function release(): void {
        setTimeout(() => {
            keepKeys();
            if (panel?.contains(document.activeElement)) return;
            holder = null;
            if (keys.panel?.does === hints) keys.panel = null;
        });
    }

    /** Where what had the keys is gone, or can no longer be used, the panel itself has them. */
    function keepKeys(): void {
        if (!holder || isUsable(holder)) return;
        // A browser gives no key to a disabled field, and takes the keys from it only when it draws again.
        const active = document.activeElement;
        if (active === document.body || active === holder) panel?.focus({ preventScroll: true });
    }

    onMount(() => {
        // The first field, where there is one; else the panel itself takes the keys.
        (panel!.querySelector<HTMLElement>('[data-first]') ?? panel!).focus();
        const off = keys.handle({ escape: close, 'open-songs': close });
        const keeping = new MutationObserver(keepKeys);
        keeping.observe(panel!, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
        return () => {
            off();
            keys.panel = null;
            keeping.disconnect();
            const roll = document.querySelector<HTMLElement>('[data-testid=roll]');
            const back =
                before instanceof HTMLElement && before.isConnected && before !== document.body ? before : roll;
            back?.focus({ preventScroll: true });
        };
    });
</script>

<div
    bind:this={panel}
    class="absolute top-0 right-0 bottom-[var(--foot,0px)] z-30 flex max-w-full flex-col border-l [@media(max-height:560px)]:bottom-0 max-[760px]:w-full! border-base-content/50 bg-base-100 outline-none"
    style:width="{panels.comes}px"
    aria-label={title}
    role="dialog"
    tabindex="-1"
    {onkeydown}
    onfocusin={hold}
    onfocusout={release}
>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <div
        class="absolute inset-y-0 left-0 z-10 w-1.5 cursor-ew-resize hover:bg-base-300 focus-visible:bg-primary max-[760px]:hidden"
        role="separator"
        tabindex="0"
        aria-label="Width of the panel"
        aria-orientation="vertical"
        aria-valuenow={panels.comes}
        aria-valuemin={LEAST}
        aria-valuemax={panels.widest}
        title="Drag to make the panel wider"
        data-testid="panel-edge"
        onpointerdown={grip}
        onkeydown={widen}
    ></div>
    <div class="flex items-center justify-between border-b border-base-300 px-4 py-2">
        <h2 class="font-serif text-xl">{title}</h2>
        <button class="btn btn-ghost btn-sm w-9 px-0" {@attach does('escape')} aria-label="Close" title="Close"
            ><Icon of={X} size={17} /></button
        >
    </div>
    <div class="min-h-0 flex-1 overflow-y-auto">{@render children()}</div>
    {#if foot}<div class="border-t border-base-300 px-4 py-2 text-sm">{@render foot()}</div>{/if}
</div>
