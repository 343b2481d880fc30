<script lang="ts">
    import type { ReadingAnswers } from '../api/types';
    import { tick, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Hint } from '../keys/keys.svelte';
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

    let reading = $state.raw<ReadingAnswers['repairs'] | null>(null);
    let trouble = $state('');
    let whole = $state(false);
    let gone = $state.raw(untrack(() => dismissed(song.id)));
    let at = $state(0);
    let list: HTMLElement | undefined = $state();
    let asked = 0;
    /** What was last shown in the roll. */
    let shown = '';
    /** What is found next is shown: the panel was opened, or something was mended in it. */
    let showsNext = true;
    /** It is asked for in its turn: what is typed behind it waits, since what is found next is selected. */
    let isHeld = false;

    const open = $derived((reading?.found ?? []).filter((f) => !gone.has(keyOf(f))));
    const hidden = $derived((reading?.found.length ?? 0) - open.length);

    $effect(() => {
        void song.revisionShown;
        void whole;
        void untrack(read);
    });

    async function read(): Promise<void> {
        // What was asked for in its turn comes behind what is done now, and sees it.
        if (isHeld) return;
        isHeld = showsNext;
        const hadWhole = whole;
        try {
            if (isHeld) await song.queue.during(look, showNext);
            else if (await look()) keepFocus(true);
        } catch (e) {
            trouble = e instanceof Error ? e.message : String(e);
        }
        isHeld = false;
        if (hadWhole !== whole) void read();
    }

    /** Whether this is the newest reading. */
    async function look(): Promise<boolean> {
        const mine = ++asked;
        const on = whole ? { parts: [...song.parts.keys()] } : { part: part.id, notes: [] };
        const answer = await song.read('repairs', {}, [on]);
        if (mine !== asked) return false;
        [reading, trouble] = [answer, ''];
        at = Math.max(0, Math.min(at, open.length - 1));
        await tick();
        return true;
    }

    function showNext(): void {
        showsNext = false;
        keepFocus(false);
    }

    /** Where the entry that had the focus is gone, or the list has only come, the next one takes it. */
    function keepFocus(quietly: boolean): void {
        const active = document.activeElement;
        if (list?.contains(active) || active === document.body || active?.role === 'dialog') focus(quietly);
    }

    /** Quietly: what was done elsewhere, and selected there, stays selected. */
    function focus(quietly = false): void {
        const before = shown;
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
        const fault = open[at];
        const kind = e.shiftKey ? open.filter((f) => f.kind === fault?.kind) : fault ? [fault] : [];
        if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            at = Math.max(0, Math.min(open.length - 1, at + (e.key === 'ArrowDown' ? 1 : -1)));
            focus();
        } else if (e.key === 'Enter' && fault) mend(kind);
        else if ((e.key === 'Delete' || e.key === 'Backspace') && fault) dismiss(kind);
        else return;
        e.preventDefault();
        e.stopPropagation();
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
