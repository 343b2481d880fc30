<script lang="ts">
    import { onMount, tick, untrack } from 'svelte';
    import { request } from '../api/client';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { RecipeData, RecipeStep } from '../api/types';
    import { commands } from '../keys/commands.svelte';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';
    import Field from './fields/Field.svelte';
    import GiveKey from './GiveKey.svelte';
    import LandingWords from './LandingWords.svelte';
    import Panel from './Panel.svelte';
    import { panels } from './panels.svelte';
    import PickEditor from './PickEditor.svelte';
    import StepFinder from './StepFinder.svelte';
    import { conditionOf, pickOf, type Condition } from './conditions';
    import { stepWordsOf } from './recipes';

    let { song, part }: { song: Song; part: Part } = $props();

    /** The recipe being made or changed; null in the list. */
    let draft = $state.raw<RecipeData | null>(null);
    let condition = $state.raw<Condition | null>({ joined: 'and', lines: [] });
    let steps = $state.raw<RecipeStep[]>([]);
    let name = $state('');
    let at = $state(0);
    let giving = $state('');
    let openStep = $state(-1);
    let matching = $state<number | null>(null);
    let said = $state('');
    let trouble = $state('');
    let asked = 0;
    let list: HTMLElement | undefined = $state();
    let picker: HTMLInputElement | undefined = $state();

    const all = $derived(commands.recipes);
    const pick = $derived(condition ? pickOf(condition) : (draft?.pick ?? null));
    const recipe = $derived<RecipeData>({
        name: name.trim() || 'Untitled',
        pick,
        steps,
        ...(draft?.key ? { key: draft.key } : {}),
    });

    onMount(() => {
        // What was recorded is opened as a recipe to be named.
        const recorded = song.notebook.recorded;
        song.notebook.recorded = null;
        if (recorded) edit({ name: '', pick: null, steps: recorded });
        else void tick().then(() => list?.querySelector<HTMLElement>('[aria-selected=true]')?.focus());
    });

    // Where the notes would land, and how many meet the condition now.
    $effect(() => {
        void song.selectionVersion;
        void part.version;
        const now = draft ? recipe : all[at];
        void untrack(() => look(now ?? null));
    });
    $effect(() => () => {
        song.looking.unlook();
        song.marked = null;
    });

    async function look(now: RecipeData | null): Promise<void> {
        if (!now || now.steps.length === 0) song.looking.unlook();
        else void song.looking.look([{ recipe: now }], true);
        const mine = ++asked;
        if (!draft || !pick) {
            matching = null;
            song.marked = null;
            return;
        }
        const found = await song
            .read<{ notes: number[] }>('picked', { pick }, [{ part: part.id, notes: [...song.selected] }])
            .catch(() => null);
        if (mine !== asked) return;
        matching = found?.notes.length ?? null;
        song.marked = found ? new Set(found.notes) : null;
    }

    function edit(r: RecipeData): void {
        draft = r;
        name = r.name;
        condition = conditionOf(r.pick);
        steps = r.steps;
        openStep = -1;
        giving = '';
        trouble = '';
        void tick().then(() => {
            const field = document.querySelector<HTMLInputElement>('[data-recipe-name]');
            field?.focus();
            field?.select();
        });
    }

    async function work<T>(what: () => Promise<T>): Promise<T | null> {
        try {
            trouble = '';
            return await what();
        } catch (e) {
            trouble = e instanceof Error ? e.message : String(e);
            return null;
        }
    }

    async function keep(): Promise<string | null> {
        const kept = await work(() =>
            request<{ recipe: RecipeData; recipes: RecipeData[] }>(
                draft?.key ? 'PUT' : 'POST',
                draft?.key ? `recipes/${draft.key}` : 'recipes',
                { recipe },
            ),
        );
        if (!kept) return null;
        commands.recipes = kept.recipes;
        keys.version++;
        said = `“${kept.recipe.name}” is kept.`;
        song.tell(said);
        draft = null;
        at = commands.recipes.findIndex((r) => r.key === kept.recipe.key);
        void tick().then(() => list?.querySelector<HTMLElement>('[aria-selected=true]')?.focus());
        return kept.recipe.key ?? null;
    }

    async function keepAndGive(): Promise<void> {
        const key = await keep();
        if (key) giving = key;
    }

    async function remove(r: RecipeData): Promise<void> {
        const left = await work(() => request<{ recipes: RecipeData[] }>('DELETE', `recipes/${r.key}`));
        if (!left) return;
        commands.recipes = left.recipes;
        keys.version++;
        at = Math.max(0, Math.min(at, left.recipes.length - 1));
        said = `“${r.name}” is deleted.`;
    }

    async function bring(files: FileList | null): Promise<void> {
        const file = files?.[0];
        if (!file) return;
        const text = await file.text();
        if (picker) picker.value = '';
        let data: unknown;
        try {
            data = JSON.parse(text);
        } catch {
            trouble = `${file.name} is no recipe: it is not JSON. Nothing was changed.`;
            return;
        }
        const brought = await work(() =>
            request<{ said: string; recipes: RecipeData[] }>('POST', 'recipes/import', { file: data }),
        );
        if (!brought) return;
        commands.recipes = brought.recipes;
        said = brought.said;
    }

    function run(r: RecipeData): void {
        panels.close();
        keys.run('recipe', { recipe: r.key }, 'list');
    }

    function keysOf(r: RecipeData): string {
        void keys.version;
        return keys.resolver.bindings
            .filter((b) => b.command === 'recipe' && b.params.recipe === r.key)
            .map((b) => labels(b.keys).join(' '))
            .join(', ');
    }

    function setStep(i: number, step: RecipeStep): void {
        steps = steps.map((s, k) => (k === i ? step : s));
    }

    function move(i: number, by: number): void {
        const to = i + by;
        if (to < 0 || to >= steps.length) return;
        const next = [...steps];
        [next[i], next[to]] = [next[to]!, next[i]!];
        steps = next;
        openStep = openStep === i ? to : openStep;
    }

    function add(step: RecipeStep): void {
        steps = [...steps, step];
        openStep = steps.length - 1;
        void tick().then(() =>
            document.querySelector<HTMLElement>('[data-step-open] input, [data-step-open] select')?.focus(),
        );
    }

    function press(e: KeyboardEvent): void {
        if (giving) return;
        const r = all[at];
        const typing = e.target instanceof HTMLInputElement || e.target instanceof HTMLSelectElement;
        const plain = !e.ctrlKey && !e.metaKey && !e.altKey;
        if (draft) {
            if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement))
                void (e.shiftKey ? keepAndGive() : keep());
            else if (e.key === 'Escape') draft = null;
            else return;
        } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            at = Math.max(0, Math.min(all.length - 1, at + (e.key === 'ArrowDown' ? 1 : -1)));
            void tick().then(() => list?.querySelector<HTMLElement>('[aria-selected=true]')?.focus());
        } else if (typing || !plain) return;
        else if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement) && r) run(r);
        else if (e.key.toLowerCase() === 'n') edit({ name: '', pick: null, steps: [] });
        else if (e.key.toLowerCase() === 'e' && r) edit(r);
        else if (e.key.toLowerCase() === 'k' && r) giving = r.key ?? '';
        else if (e.key === 'Delete' && r) void remove(r);
        else return;
        e.preventDefault();
        e.stopPropagation();
    }
</script>

<Panel title={draft ? (draft.key ? 'Recipe' : 'New recipe') : 'Recipes'} onkeydown={press}>
    {#if trouble}<p class="px-4 pt-3 text-error" role="alert">{trouble}</p>{:else if said && !draft}<p
            class="px-4 pt-3"
            role="status"
        >
            {said}
        </p>{/if}
    {#if !draft}
        <div bind:this={list} class="py-2" role="listbox" aria-label="Recipes" data-testid="recipes">
            {#each all as r, i (r.key)}
                <div
                    class="border-l-4 px-3 py-1 outline-none {i === at
                        ? 'border-primary bg-base-200'
                        : 'border-transparent'}"
                    role="option"
                    aria-selected={i === at}
                    tabindex={i === at ? 0 : -1}
                    onclick={() => (at = i)}
                    onkeydown={() => {}}
                >
                    <p class="flex items-baseline gap-2">
                        <span class="min-w-0 flex-1">{r.name}</span>
                        {#if keysOf(r)}<kbd class="key">{keysOf(r)}</kbd>{/if}
                    </p>
                    <p class="text-sm text-base-content/85">{r.steps.map(stepWordsOf).join('. ')}.</p>
                    {#if i === at}
                        <p class="flex gap-1 py-1">
                            <button class="btn btn-xs btn-primary" data-field onclick={() => run(r)}
                                >Run <kbd class="key text-base-content">Enter</kbd></button
                            >
                            <button class="btn btn-xs" data-field onclick={() => edit(r)}
                                >Change <kbd class="key">E</kbd></button
                            >
                            <button class="btn btn-xs" data-field onclick={() => (giving = r.key ?? '')}
                                >Key <kbd class="key">K</kbd></button
                            >
                            <a class="btn btn-xs" href="/api/recipes/{r.key}/file" download>File</a>
                            <button class="btn btn-xs" data-field onclick={() => void remove(r)}>Delete</button>
                        </p>
                    {/if}
                    {#if giving === r.key}
                        <GiveKey
                            command="recipe"
                            params={{ recipe: r.key }}
                            label={r.name}
                            contexts={['roll']}
                            onDone={(s) => {
                                giving = '';
                                if (s) [said] = [s];
                                if (s) song.tell(s);
                                void tick().then(() =>
                                    list?.querySelector<HTMLElement>('[aria-selected=true]')?.focus(),
                                );
                            }}
                        />
                    {/if}
                </div>
            {/each}
        </div>
    {:else}
        <div class="flex flex-col gap-3 px-4 py-3">
            <label class="flex flex-col gap-1 text-sm font-semibold"
                >Name <input
                    class="input input-sm"
                    type="text"
                    maxlength="80"
                    data-recipe-name
                    placeholder="What it is called"
                    bind:value={name}
                /></label
            >
            <section aria-label="Condition">
                <h3 class="pb-1 text-sm font-semibold">
                    Take of the notes chosen {condition && condition.lines.length === 0 ? 'all' : 'those'}
                </h3>
                {#if condition}
                    <PickEditor {condition} onchange={(c) => (condition = c)} />
                {:else}
                    <p class="text-sm">
                        This condition is nested deeper than the builder shows: <code>{JSON.stringify(draft.pick)}</code
                        >
                    </p>
                {/if}
                {#if matching !== null}<p class="pt-1 text-sm" data-testid="matching">
                        {matching === 1 ? '1 note meets' : `${matching} notes meet`} it now.
                    </p>{/if}
            </section>
            <section aria-label="Steps">
                <h3 class="pb-1 text-sm font-semibold">and then</h3>
                <ol class="flex flex-col gap-1">
                    {#each steps as step, i (i)}
                        <li class="border-l-2 border-base-300 pl-2 {step.off ? 'opacity-60' : ''}">
                            <div class="flex items-center gap-1">
                                <button
                                    class="min-w-0 flex-1 cursor-pointer text-left {step.off ? 'line-through' : ''}"
                                    data-field
                                    aria-expanded={openStep === i}
                                    onclick={() => (openStep = openStep === i ? -1 : i)}
                                    >{i + 1}. {stepWordsOf(step)}</button
                                >
                                <button
                                    class="btn btn-ghost btn-xs px-1"
                                    data-field
                                    aria-label="Step {i + 1} earlier"
                                    disabled={i === 0}
                                    onclick={() => move(i, -1)}>↑</button
                                >
                                <button
                                    class="btn btn-ghost btn-xs px-1"
                                    data-field
                                    aria-label="Step {i + 1} later"
                                    disabled={i === steps.length - 1}
                                    onclick={() => move(i, 1)}>↓</button
                                >
                                <button
                                    class="btn btn-ghost btn-xs px-1"
                                    data-field
                                    aria-pressed={step.off === true}
                                    title="Switch the step off or on"
                                    onclick={() => setStep(i, { ...step, off: step.off ? undefined : true })}
                                    >{step.off ? 'off' : 'on'}</button
                                >
                                <button
                                    class="btn btn-ghost btn-xs px-1"
                                    data-field
                                    title="Once more"
                                    aria-label="Step {i + 1} once more"
                                    onclick={() => (steps = [...steps.slice(0, i + 1), step, ...steps.slice(i + 1)])}
                                    >2×</button
                                >
                                <button
                                    class="btn btn-ghost btn-xs px-1"
                                    data-field
                                    aria-label="Take step {i + 1} away"
                                    onclick={() => (steps = steps.filter((_, k) => k !== i))}>×</button
                                >
                            </div>
                            {#if openStep === i}
                                <div class="-mx-4" data-step-open>
                                    {#if step.edit}
                                        {#each commands.find(step.edit)?.params ?? [] as param, k (param.name)}
                                            <Field
                                                ppq={song.time.ppq}
                                                {param}
                                                value={step.params?.[param.name]}
                                                settings={part.settings}
                                                first={k === 0}
                                                onchange={(v) => {
                                                    const set = Object.entries({ ...step.params, [param.name]: v });
                                                    setStep(i, {
                                                        ...step,
                                                        params: Object.fromEntries(
                                                            set.filter(([, x]) => x !== undefined),
                                                        ),
                                                    });
                                                }}
                                            />
                                        {/each}
                                    {:else if step.set}
                                        {#each commands.find('set')?.params ?? [] as param, k (param.name)}
                                            <Field
                                                ppq={song.time.ppq}
                                                {param}
                                                value={step.set[param.name]}
                                                settings={part.settings}
                                                first={k === 0}
                                                onchange={(v) => {
                                                    const set = Object.entries({ ...step.set, [param.name]: v });
                                                    setStep(i, {
                                                        ...step,
                                                        set: Object.fromEntries(set.filter(([, x]) => x !== undefined)),
                                                    });
                                                }}
                                            />
                                        {/each}
                                    {/if}
                                </div>
                            {/if}
                        </li>
                    {/each}
                </ol>
                <StepFinder without={draft.key} onAdd={add} />
            </section>
        </div>
    {/if}
    {#snippet foot()}
        {#if draft}
            {#if steps.length > 0}<LandingWords landing={song.looking.landing} />{:else}<p class="pb-2">
                    Add a step: it shows at once where the notes would land.
                </p>{/if}
            <div class="flex flex-wrap gap-2 py-1">
                <button class="btn btn-sm btn-primary" data-field onclick={() => void keep()}
                    >Keep <kbd class="key text-base-content">Enter</kbd></button
                >
                <button class="btn btn-sm" data-field onclick={() => void keepAndGive()}
                    >Keep, give a key <kbd class="key">Shift Enter</kbd></button
                >
                <button class="btn btn-sm" data-field onclick={() => (draft = null)}>Leave it</button>
            </div>
        {:else}
            {#if all[at]}<LandingWords landing={song.looking.landing} />{/if}
            <div class="flex flex-wrap gap-2 py-1">
                <button class="btn btn-sm" data-field onclick={() => edit({ name: '', pick: null, steps: [] })}
                    >New <kbd class="key">N</kbd></button
                >
                <button
                    class="btn btn-sm"
                    data-command="record-recipe"
                    onclick={() => (panels.close(), keys.run('record-recipe'))}>Record</button
                >
                <a class="btn btn-sm" href="/api/recipes/file" download>Save all</a>
                <button class="btn btn-sm" data-field onclick={() => picker?.click()}>Bring in</button>
                <input
                    bind:this={picker}
                    class="hidden"
                    type="file"
                    accept=".json,application/json"
                    aria-label="A file of recipes"
                    onchange={() => void bring(picker?.files ?? null)}
                />
            </div>
        {/if}
    {/snippet}
</Panel>
