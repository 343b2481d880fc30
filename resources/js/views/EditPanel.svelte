<script lang="ts">
    import { untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Note, Spec } from '../api/types';
    import { allowedWords, isNeeded, paramWords, same } from '../keys/commands.svelte';
    import Field from './fields/Field.svelte';
    import LastTime, { asksForLast } from './LastTime.svelte';
    import LandingWords from './LandingWords.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';
    import { newSeed, panels, remember, remembered } from '../panels.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['Enter', 'apply'],
        ['Shift+Enter', 'apply, and stay here'],
    ];

    let { song, part, spec }: { song: Song; part: Part; spec: Spec } = $props();

    // A panel opens with what the part says; what was set last time is offered beside it.
    let params = $state.raw<Record<string, unknown>>(untrack(given));
    const last = untrack(() => known(remembered(spec.id)));
    const lastWords = $derived(paramWords(spec, last).replace(/^: /, ''));
    const isLast = $derived(same(params, last));
    const byChance = $derived(spec.params.some((p) => p.name === 'seed'));
    const fields = $derived(spec.params.filter((p) => p.type !== 'notes' && p.type !== 'groove'));

    const missing = $derived(fields.find((p) => isNeeded(p) && params[p.name] === undefined));

    // Where the notes would land, live: with the choice, the notes, the settings and what is set here.
    $effect(() => {
        void song.selection.version;
        void part.version;
        void part.settings;
        const command = { edit: spec.id, params };
        // What is not filled in yet is asked for, not refused.
        if (missing) untrack(() => song.preview.unlook());
        else void untrack(() => song.preview.look([command]));
    });
    $effect(() => () => song.preview.unlook());

    // What is named is heard as it is typed.
    $effect(() => {
        const landing = song.preview.landing;
        if (!spec.params.some((p) => p.type === 'chord') || !landing || landing.notes.length === 0) return;
        untrack(() => song.onNotes(firstStruck(landing.notes), true));
    });

    /** The first chord of some notes. */
    function firstStruck(notes: Note[]): Note[] {
        const start = Math.min(...notes.map((n) => n.start));
        return notes.filter((n) => n.start === start);
    }

    /** What is known where it is opened: the lane that is worked in. */
    function given(): Record<string, unknown> {
        const { lane } = song.selection;
        return lane && spec.params.some((p) => p.type === 'lane' && p.name === 'lane') ? { lane } : {};
    }

    function set(name: string, value: unknown): void {
        const set = Object.entries({ ...params, [name]: value });
        params = Object.fromEntries(set.filter(([, v]) => v !== undefined));
    }

    /** Of what was set last, what the edit still knows; a seed is another each time. */
    function known(set: Record<string, unknown>): Record<string, unknown> {
        return Object.fromEntries(
            Object.entries(set).filter(([name]) => name !== 'seed' && spec.params.some((p) => p.name === name)),
        );
    }

    function asLast(): void {
        if (lastWords === '') return song.tell(`${spec.title}: nothing was set in this panel yet.`);
        params = { ...params, ...last };
        song.tell(`${spec.title}, with the last settings: ${lastWords}.`);
    }

    function apply(stay: boolean): void {
        remember(spec.id, params);
        song.do({ edit: spec.id, params });
        if (!stay) panels.close();
        else if (byChance) set('seed', newSeed());
    }

    function press(e: KeyboardEvent): void {
        if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement)) {
            e.preventDefault();
            e.stopPropagation();
            apply(e.shiftKey);
        } else if (byChance && e.key.toLowerCase() === 'r' && !e.ctrlKey && !e.metaKey && !e.altKey) {
            e.preventDefault();
            e.stopPropagation();
            set('seed', newSeed());
        } else if (asksForLast(e)) {
            e.preventDefault();
            e.stopPropagation();
            asLast();
        }
    }
</script>

<Panel title={spec.title} onkeydown={press} hints={HINTS}>
    <p class="px-4 pt-3 pb-1 text-base-content/85">{spec.about}</p>
    {#if lastWords !== '' && !isLast}
        <LastTime words={lastWords} again={asLast} />
    {/if}
    {#each fields as param, i (param.name)}
        <Field
            {param}
            value={params[param.name]}
            settings={part.settings}
            first={i === 0}
            onchange={(value) => set(param.name, value)}
        />
    {/each}
    {#if Object.keys(params).length > 0}
        <p class="px-4 py-1">
            <button data-field class="link text-sm" onclick={() => (params = {})}>Reset all</button>
        </p>
    {/if}
    {#snippet foot()}
        {#if missing}
            <p class="min-h-24" role="status" data-testid="landing">{allowedWords(missing)}</p>
        {:else}
            <LandingWords landing={song.preview.landing} />
        {/if}
        <div class="flex flex-wrap items-center gap-2 py-1">
            <button data-field class="btn btn-sm btn-primary" onclick={() => apply(false)}
                >{spec.title} <kbd class="key text-base-content">Enter</kbd></button
            >
            <button data-field class="btn btn-sm" onclick={() => apply(true)}
                >keep open <kbd class="key">Shift Enter</kbd></button
            >
            {#if byChance}
                <button data-field class="btn btn-sm" onclick={() => set('seed', newSeed())}
                    >Another random result <kbd class="key">R</kbd></button
                >
            {/if}
        </div>
    {/snippet}
</Panel>
