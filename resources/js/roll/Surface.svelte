<script lang="ts">
    import type { Snippet } from 'svelte';
    import type { Hands } from '../stage/hands';

    interface Props {
        hand: Hands;
        testid: string;
        /** The shape of the pointer over it. */
        cursor?: string;
        children: Snippet;
        /** What a press does, where it is not the hand's alone. */
        onpointerdown?: (e: PointerEvent) => void;
        onpointerleave?: () => void;
        ondblclick?: (e: MouseEvent) => void;
        oncontextmenu?: (e: MouseEvent) => void;
    }
    let { hand, testid, cursor, children, onpointerdown, onpointerleave, ondblclick, oncontextmenu }: Props = $props();
</script>

<div
    class="relative touch-none overflow-hidden"
    style:cursor
    role="presentation"
    onpointerdown={onpointerdown ?? hand.down}
    onpointermove={hand.move}
    onpointerup={hand.up}
    onpointercancel={hand.cancel}
    data-testid={testid}
    {onpointerleave}
    {ondblclick}
    {oncontextmenu}
>
    {@render children()}
</div>
