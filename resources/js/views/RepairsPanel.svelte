<script lang="ts">
    import { tick, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import { PanelReading } from './panel-reading.svelte';
    import Panel from './Panel.svelte';
    import { dismissed, keyOf, type Fault } from './repairs';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['ArrowUp ArrowDown', 'problem'],
        ['Enter', 'fix it'],
        ['Shift+Enter', 'fix all of its kind'],
        ['Delete', 'leave it as it is'],
    ];

    let { song, part }: { song: Song; part: Part } = $props();

    let whole = $state(false);
    let gone = $state.raw(untrack(() => dismissed(song.id)));
    let at = $state(0);
    let list: HTMLElement | undefined = $state();
    /** What was last shown in the roll. */
    let shown = '';
    /** What is found next is shown: the panel was opened, or something was mended in it. */
    let showsNext = true;
    const last = new PanelReading(
        untrack(() => song.queue),
        () => song.read('repairs', {}, [whole ? { parts: [...song.parts.keys()] } : { part: part.id, notes: [] }]),
    );
    const { answer: reading, trouble } = $derived(last);

    const open = $derived((reading?.found ?? []).filter((f) => !gone.has(keyOf(f))));
    const hidden = $derived((reading?.found.length ?? 0) - open.length);

    $effect(() => {
        void song.revisionShown;
        void whole;
        void untrack(read);
    });

    function read(): void {
        const isShown = showsNext;
        showsNext = false;
        if (isShown) void last.read(() => keepFocus(false));
        else void last.read().then(() => keepFocus(true));
    }

    /** Where the entry that had the focus is gone, or the list has only come, the next one takes it. */
    function keepFocus(quietly: boolean): void {
        const active = document.activeElement;
        if (list?.contains(active) || active === document.body || active?.role === 'dialog') focus(quietly);
    }

    /** Quietly: what was done elsewhere, and selected there, stays selected. */
    function focus(quietly = false): void {
        const before = shown;
        at = Math.max(0, Math.min(at, open.length - 1));
        const fault = open[at];
        if (quietly && fault) shown = keyOf(fault);
        list?.querySelectorAll<HTMLElement>('[data-fault]')[at]?.focus();
        if (quietly) shown = before;
        else if (fault) show(fault, at);
    }

    /** Shows the place in the roll, selected and heard. */
    function show(fault: Fault, index: number): void {
        at = index;
        if (fault.part !== part.id || shown === keyOf(fault)) return;
        shown = keyOf(fault);
        const there = fault.notes.filter((id) => part.notes.has(id));
        song.select(there);
        if (there.length === 0) song.putCaret(fault.tick);
        song.onCaret();
        song.tell(fault.said);
        song.onNotes(song.selectedNotes, false);
    }

    function mend(faults: Fault[]): void {
        shown = '';
        showsNext = true;
        for (const fault of faults) for (const command of fault.do) song.do(command);
        void read();
    }

    function dismiss(faults: Fault[]): void {
        gone = dismissed(song.id, faults);
        at = Math.max(0, Math.min(at, open.length - 1));
        song.tell(
            faults.length === 1 ? 'It stays as it is and is not shown again.' : `${faults.length} stay as they are.`,
        );
        void tick().then(() => focus());
    }

    function press(e: KeyboardEvent): void {
        if (e.altKey) return;
        const does = onKey(e);
        if (!does) return;
        last.after(does);
        e.preventDefault();
        e.stopPropagation();
    }

    /** What a key does to what is read by then. */
    function onKey({ key, shiftKey }: KeyboardEvent): (() => void) | null {
        const step = { ArrowDown: 1, ArrowUp: -1 }[key];
        const meant = (): Fault[] => open.filter((f, i) => (shiftKey ? f.kind === open[at]?.kind : i === at));
        if (step) return () => walk(step);
        if (key === 'Enter' && open.length > 0) return () => mend(meant());
        if ((key === 'Delete' || key === 'Backspace') && open.length > 0) return () => dismiss(meant());
        return null;
    }

    function walk(step: number): void {
        at = Math.max(0, Math.min(open.length - 1, at + step));
        focus();
    }
</script>

<Panel title="Check" onkeydown={press} hints={HINTS}>
    {#if trouble}
        <p class="p-4 text-error">{trouble}</p>
    {:else if !reading}
        <p class="p-4">Checking…</p>
    {:else}
        <p class="px-4 pt-3" data-testid="repairs-said">
            {open.length === 0 ? (hidden > 0 ? 'No more problems found.' : reading.said) : reading.said}
        </p>
        <label class="flex cursor-pointer items-center gap-2 px-4 pt-1 text-sm"
            ><input class="checkbox checkbox-sm" type="checkbox" bind:checked={whole} />in all parts</label
        >
        <ol class="py-2" bind:this={list}>
            {#each open as fault, i (keyOf(fault))}
                <li>
                    <button
                        data-field
                        data-fault
                        data-first={i === 0 ? '' : undefined}
                        class="block w-full cursor-pointer border-l-4 px-4 py-1.5 text-left {i === at
                            ? 'border-primary bg-base-200'
                            : 'border-transparent'}"
                        onfocus={() => show(fault, i)}
                        onclick={() => show(fault, i)}
                        ondblclick={() => mend([fault])}
                    >
                        <span class="block">{fault.said}</span>
                        <span class="block text-sm text-base-content/85"
                            >{fault.part === part.id ? '' : `${song.parts.get(fault.part)?.name ?? ''}: `}{reading
                                .kinds[fault.kind]}. Fix: {fault.mend}</span
                        >
                    </button>
                </li>
            {/each}
        </ol>
        {#if hidden > 0}
            <p class="px-4 py-1 text-sm">
                {hidden} dismissed.
                <button data-field class="link" onclick={() => (gone = dismissed(song.id, null))}
                    >Show dismissed problems again</button
                >
            </p>
        {/if}
    {/if}
    {#snippet foot()}
        {#if open[at]}
            <div class="flex flex-wrap items-center gap-2">
                <button data-field class="btn btn-sm btn-primary" onclick={() => mend([open[at]!])}
                    >Fix <kbd class="key text-base-content">Enter</kbd></button
                >
                <button data-field class="btn btn-sm" onclick={() => dismiss([open[at]!])}
                    >Dismiss <kbd class="key">Delete</kbd></button
                >
                <span class="text-sm">with Shift all of its kind</span>
            </div>
        {/if}
    {/snippet}
</Panel>
