<script lang="ts">
    import { Download, Trash2 } from 'lucide';
    import { onMount, untrack } from 'svelte';
    import { request } from '../api/client';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Groove, KeptGroove, Param, Spec } from '../api/types';
    import { paramWords } from '../keys/commands.svelte';
    import Field from './fields/Field.svelte';
    import GridField from './fields/GridField.svelte';
    import LastTime, { asksForLast } from './LastTime.svelte';
    import LandingWords from './LandingWords.svelte';
    import type { Hint } from '../keys/keys.svelte';
    import Panel from './Panel.svelte';
    import { panels, remember, remembered } from '../panels.svelte';
    import Icon from '../stage/Icon.svelte';
    import { taken } from './import-conflict.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [
        ['Enter', 'apply'],
        ['Shift+Enter', 'apply, and stay here'],
    ];

    let { song, part, spec }: { song: Song; part: Part; spec: Spec } = $props();

    const kept = remembered(untrack(() => spec.id));
    let grooves = $state.raw<KeptGroove[]>([]);
    let loaded = $state(false);
    let chosen = $state<number | null>(typeof kept.chosen === 'number' ? kept.chosen : null);
    // As in every panel: the part's own; what was set last is one press away.
    let params = $state.raw<Record<string, unknown>>({});
    const last = Object.fromEntries(Object.entries(kept).filter(([k, v]) => k !== 'chosen' && v !== undefined));
    const lastWords = untrack(() => paramWords(spec, last)).replace(/^: /, '');
    let name = $state('');
    let grid = $state(untrack(() => (part.settings.grid.includes('bar') ? '1/16' : part.settings.grid)));
    let shelf = $state(false);
    /** A groove that another took the place of, as it was. */
    let replaced = $state.raw<{ id: number; groove: Groove } | null>(null);
    let trouble = $state('');
    let picker: HTMLInputElement;
    let list: HTMLElement | undefined = $state();

    const groove = $derived(grooves.find((g) => g.id === chosen) ?? null);
    const strengths = $derived(spec.params.filter((p: Param) => p.type !== 'groove'));

    onMount(() => void load().then(() => list?.querySelector<HTMLElement>('input:checked, input')?.focus()));

    $effect(() => {
        void song.selection.version;
        void part.version;
        const now = groove;
        const set = params;
        void untrack(() => (now ? song.preview.look([command(now.groove, set)]) : song.preview.unlook()));
    });
    $effect(() => () => song.preview.unlook());

    function command(g: Groove, set: Record<string, unknown>): { edit: string; params: Record<string, unknown> } {
        return { edit: spec.id, params: { ...set, groove: g } };
    }

    async function attempt<T>(work: () => Promise<T>): Promise<T | null> {
        try {
            trouble = '';
            return await work();
        } catch (e) {
            trouble = e instanceof Error ? e.message : String(e);
            return null;
        }
    }

    async function load(): Promise<void> {
        const ask = (): Promise<{ grooves: KeptGroove[] }> => request('GET', `songs/${song.id}/grooves`);
        const data = await attempt(() => (loaded ? ask() : song.queue.during(ask)));
        grooves = data?.grooves ?? grooves;
        loaded = true;
        if (!grooves.some((g) => g.id === chosen)) chosen = grooves[0]?.id ?? null;
    }

    async function keep(body: Record<string, unknown>, said: string): Promise<void> {
        const made = await attempt(() =>
            taken.bring((as) =>
                request('POST', `songs/${song.id}/grooves`, {
                    ...body,
                    ...(as ? { as } : {}),
                }),
            ),
        );
        if (!made) return;
        chosen = made.id;
        name = '';
        replaced = made.replaced ? { id: made.id, groove: made.replaced } : null;
        await load();
        song.tell(`${said}: “${made.groove.name}”, ${made.shelf ? 'on the shelf' : 'with the song'}.`);
    }

    /** Puts back the groove that another took the place of. */
    async function putBack(): Promise<void> {
        if (!replaced) return;
        const { id, groove } = replaced;
        if (!(await attempt(() => request('PATCH', `grooves/${id}`, { groove: { ...groove } })))) return;
        replaced = null;
        await load();
        song.tell(`The groove “${groove.name}” is restored.`);
    }

    function take(): Promise<void> {
        return keep(
            { name: name.trim() || part.name, on: { part: part.id, notes: [...song.selection.notes] }, grid, shelf },
            'The groove is kept',
        );
    }

    async function bring(files: FileList | null): Promise<void> {
        const file = files?.[0];
        if (!file) return;
        const text = await file.text();
        let groove: unknown;
        try {
            groove = JSON.parse(text);
        } catch {
            trouble = `${file.name} is no groove: it is not JSON. Nothing was kept.`;
            return;
        }
        await keep({ groove: groove ?? {}, shelf }, 'The groove was imported');
        picker.value = '';
    }

    async function rename(g: KeptGroove, to: string): Promise<void> {
        if (to.trim() === g.groove.name) return;
        await attempt(() => request('PATCH', `grooves/${g.id}`, { name: to }));
        await load();
    }

    async function remove(g: KeptGroove): Promise<void> {
        await attempt(() => request('DELETE', `grooves/${g.id}`));
        await load();
        if (!trouble) song.tell(`The groove “${g.groove.name}” is removed. What was done with it stays.`);
    }

    function set(param: string, value: unknown): void {
        params = { ...params, [param]: value };
    }

    function apply(stay: boolean): void {
        if (!groove) return;
        remember(spec.id, { ...params, chosen: groove.id });
        song.do(command(groove.groove, params));
        if (!stay) panels.close();
    }

    function asLast(): void {
        params = { ...params, ...last };
        song.tell(`${spec.title}, with the last settings: ${lastWords}.`);
    }

    function press(e: KeyboardEvent): void {
        if (lastWords !== '' && asksForLast(e)) {
            e.preventDefault();
            e.stopPropagation();
            return asLast();
        }
        if (e.key !== 'Enter' || e.target instanceof HTMLButtonElement || e.target instanceof HTMLAnchorElement) return;
        e.preventDefault();
        e.stopPropagation();
        if (e.target instanceof HTMLInputElement && e.target.type === 'text') {
            if (e.target.name === 'take') void take();
            else e.target.blur();
        } else apply(e.shiftKey);
    }

    /** How far each place of the bar lies off, as a share of half a cell: for the little picture. */
    function places(g: Groove): { x: number; off: number; loud: number }[] {
        return g.time.map((t, i) => ({ x: i, off: t ?? 0, loud: t === null ? 0 : (g.velocity[i] ?? 80) / 127 }));
    }
</script>

<Panel title="Grooves" onkeydown={press} hints={HINTS}>
    {#if trouble}<p class="px-4 pt-3 text-error" role="alert">{trouble}</p>{/if}
    {#if replaced}<p class="px-4 pt-3" role="status">
            A groove replaced “{replaced.groove.name}”.
            <button class="btn ml-1 btn-xs" data-field onclick={() => void putBack()}>Restore the old one</button>
        </p>{/if}
    <section class="px-4 pt-3" aria-label="Grooves kept">
        {#if grooves.length === 0}
            <p>
                {loaded
                    ? 'No groove is kept yet. Select notes whose feel you like, here or in another part, give it a name below and press Enter.'
                    : 'Loading the grooves…'}
            </p>
        {/if}
        <ul bind:this={list} data-testid="grooves">
            {#each grooves as g (g.id)}
                <li
                    class="flex items-center gap-2 border-l-4 py-1 pl-2 {g.id === chosen
                        ? 'border-primary'
                        : 'border-transparent'}"
                >
                    <input
                        class="radio radio-xs"
                        type="radio"
                        name="groove"
                        aria-label={g.groove.name}
                        checked={g.id === chosen}
                        onchange={() => (chosen = g.id)}
                    />
                    <input
                        class="input input-sm min-w-0 flex-1 input-ghost px-1"
                        type="text"
                        aria-label="Name of {g.groove.name}"
                        value={g.groove.name}
                        maxlength="80"
                        onchange={(e) => void rename(g, e.currentTarget.value)}
                    />
                    <span class="text-sm whitespace-nowrap text-base-content/85"
                        >{g.groove.grid}, {g.shelf ? 'shelf' : 'song'}</span
                    >
                    <a
                        class="btn btn-ghost btn-xs w-7 px-0"
                        href="/api/grooves/{g.id}/file"
                        download
                        aria-label="Save {g.groove.name} as a file"
                        title="Save as a file"><Icon of={Download} size={15} /></a
                    >
                    <button
                        data-field
                        class="btn btn-ghost btn-xs w-7 px-0"
                        aria-label="Remove {g.groove.name}"
                        title="Remove"
                        onclick={() => void remove(g)}><Icon of={Trash2} size={15} /></button
                    >
                </li>
            {/each}
        </ul>
        {#if groove}
            <svg
                viewBox="-0.6 -1 {groove.groove.time.length + 0.2} 2"
                preserveAspectRatio="none"
                class="mt-2 h-14 w-full border border-base-300"
                role="img"
                aria-label="Places of a bar: early to the left of its line, late to the right"
            >
                {#each places(groove.groove) as p (p.x)}
                    <rect x={p.x - 0.02} y="-1" width="0.04" height="2" class="fill-base-300" />
                    {#if p.loud > 0}
                        <rect
                            x={p.x + p.off - 0.06}
                            y={1 - 2 * p.loud}
                            width="0.12"
                            height={2 * p.loud}
                            class="fill-base-content"
                        />
                    {/if}
                {/each}
            </svg>
            <p class="text-xs text-base-content/85">
                One bar: thin lines are the straight grid, stems the groove, as high as loud.
            </p>
        {/if}
    </section>
    {#if groove}
        {#if lastWords !== ''}<LastTime words={lastWords} again={asLast} />{/if}
        {#each strengths as param (param.name)}
            <Field {param} value={params[param.name]} settings={part.settings} onchange={(v) => set(param.name, v)} />
        {/each}
    {/if}
    <section class="mt-2 flex flex-col gap-2 border-t border-base-300 px-4 py-3" aria-label="Take a groove">
        <h3 class="text-sm font-semibold">
            Take the groove of {song.selection.version >= 0 && song.selection.notes.size > 0
                ? 'the selected notes'
                : 'the whole part'}
        </h3>
        <input
            class="input input-sm"
            type="text"
            name="take"
            placeholder={part.name}
            maxlength="80"
            aria-label="Name of the new groove"
            bind:value={name}
        />
        <GridField value={grid} label="Places of the bar" onchange={(g) => (grid = g.includes('bar') ? grid : g)} />
        <label class="flex cursor-pointer items-center gap-2"
            ><input class="checkbox checkbox-sm" type="checkbox" bind:checked={shelf} /> On the shelf, for every song</label
        >
        <div class="flex gap-2">
            <button data-field class="btn btn-sm" onclick={() => void take()}>Take it</button>
            <button data-field class="btn btn-sm" onclick={() => picker.click()}>Import a file</button>
            <input
                bind:this={picker}
                type="file"
                accept=".json,application/json"
                class="hidden"
                onchange={() => void bring(picker.files)}
            />
        </div>
    </section>
    {#snippet foot()}
        {#if groove}
            <LandingWords landing={song.preview.landing} />
            <div class="flex gap-2 py-1">
                <button data-field class="btn btn-sm btn-primary" onclick={() => apply(false)}
                    >Quantize to it <kbd class="key text-base-content">Enter</kbd></button
                >
                <button data-field class="btn btn-sm" onclick={() => apply(true)}
                    >keep open <kbd class="key">Shift Enter</kbd></button
                >
            </div>
        {:else}
            A groove is the feel of a bar: how far each place lies off the grid, and how loud it is.
        {/if}
    {/snippet}
</Panel>
