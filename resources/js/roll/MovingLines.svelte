<script lang="ts">
    import { untrack } from 'svelte';
    import { transport } from '../sound/transport.svelte';
    import OtherCaret from '../stage/OtherCaret.svelte';
    import type { RollModel } from './roll-model.svelte';

    let { model }: { model: RollModel } = $props();

    let playhead: HTMLElement;
    let caret: HTMLElement;
    let caretRow: HTMLElement;

    /** Puts the playhead and the caret where they are, without drawing anything anew. */
    export function place(): void {
        const { view, song } = model;
        const put = (line: HTMLElement, x: number): void => {
            line.style.transform = `translateX(${x}px)`;
            line.style.visibility = x < -1 || x > view.width ? 'hidden' : 'visible';
        };
        put(playhead, view.x(transport.tick));
        put(caret, Math.round(view.x(song.caret.tick)));
        caretRow.style.transform = `translateY(${Math.round(view.y(song.caret.pitch))}px)`;
        caretRow.style.height = `${view.row}px`;
        // It may be placed by what follows it: that does not follow itself.
        places = untrack(() => places) + 1;
    }

    /** How often the view moved: what is placed by it looks anew. */
    let places = $state(0);
    const others = $derived(model.song.crossWindow.others.filter((o) => o.part === model.part.id || o.part === null));

    function placeOf(tick: number): number {
        void places;
        return model.view.x(tick);
    }
</script>

<div
    bind:this={caret}
    class="caret pointer-events-none absolute inset-y-0 left-0 w-px"
    data-testid="caret"
    data-at="{model.song.caret.tick} {model.song.caret.pitch}"
>
    <div bind:this={caretRow} class="caret-row absolute"></div>
</div>
<div bind:this={playhead} class="playhead pointer-events-none absolute inset-y-0 left-0 w-px"></div>
{#each others as other (other.window)}
    <OtherCaret {other} x={placeOf(other.tick)} width={model.view.width} />
{/each}
