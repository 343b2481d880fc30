<script lang="ts">
    import type { Snippet } from 'svelte';
    import type { Hands } from '../stage/hands';

    interface Props {
        hand: Hands;
        testid: string;
        /** The shape of the pointer over it. */
        cursor?: string;
        children: Snippet;
        /** More that the surface listens to. */
        [more: `on${string}`]: ((e: never) => void) | undefined;
    }
    let { hand, testid, cursor, children, ...more }: Props = $props();
</script>

<div
    class="relative touch-none overflow-hidden"
    style:cursor
    onpointerdown={hand.down}
    onpointermove={hand.move}
    onpointerup={hand.up}
    onpointercancel={hand.cancel}
    data-testid={testid}
    {...more}
>
    {@render children()}
</div>
