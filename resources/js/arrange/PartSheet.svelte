<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import { keys } from '../keys/keys.svelte';
    import { addressOf } from '../router.svelte';
    import { wordsOf } from './commands/walk';
    import type { ArrangeModel } from './arrange-model.svelte';

    interface Props {
        model: ArrangeModel;
        part: Part;
        tint: number;
        chosen: boolean;
        heard: boolean;
    }
    let { model, part, tint, chosen, heard }: Props = $props();

    const box = $derived.by(() => {
        void part.version;
        void model.song.tracks;
        void model.row;
        return model.boxOf(part);
    });
    const elsewhere = $derived(model.song.crossWindow.others.some((o) => o.part === part.id));
    const words = $derived((void part.version, wordsOf(part)));
    const plays = $derived(part.head.plays?.words ?? '');

    function focused(): void {
        if (!chosen && model.song.stage === 'song') model.choose([part], part);
    }
</script>

<a
    class="absolute overflow-hidden rounded-sm border bg-base-100 outline-offset-1 select-none {chosen
        ? 'z-10 border-2 border-primary'
        : 'border-base-content/50'} {part.head.muted || elsewhere ? 'border-dashed' : ''} {heard && !part.head.muted
        ? ''
        : 'text-base-content/70'}"
    style:left="calc({box.from}px * var(--scale))"
    style:width="max(3px, calc({box.to - box.from}px * var(--scale)))"
    style:top="{box.y}px"
    style:height="{box.h}px"
    style:border-left="4px solid var(--tint-{tint})"
    href={addressOf({ at: 'roll', song: model.song.id, part: part.id })}
    draggable="false"
    title={elsewhere ? 'Open in another window' : plays ? `Plays ${plays}` : undefined}
    data-testid="part"
    data-part={part.id}
    data-chosen={chosen}
    aria-current={chosen}
    aria-label={words}
    onfocus={focused}
    onclick={(e) => e.preventDefault()}
    onkeydown={(e) => {
        // A link would be followed past the roll underneath.
        if (e.key !== 'Enter' || e.ctrlKey || e.metaKey || e.shiftKey || e.altKey) return;
        e.preventDefault();
        keys.run('open-part');
    }}
>
    <span class="flex h-[17px] items-baseline gap-1.5 overflow-hidden pl-1 text-xs leading-[17px] whitespace-nowrap">
        <span class="max-w-full shrink-0 truncate {chosen ? 'font-semibold' : ''}">{part.name}</span>
        {#if part.head.muted}<span class="italic">muted</span>{/if}
        {#if plays}<span class="min-w-0 truncate rounded-xs bg-base-200 px-1 font-semibold">{plays}</span>{/if}
    </span>
    {#if chosen}
        <span class="fold pointer-events-none absolute top-0 right-0 size-2.5 bg-primary" aria-hidden="true"></span>
    {/if}
</a>

<style>
    .fold {
        clip-path: polygon(0 0, 100% 0, 100% 100%);
    }
</style>
