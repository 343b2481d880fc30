<script lang="ts">
    import { onMount, tick, untrack } from 'svelte';
    import type { Part } from '../../api/part.svelte';
    import type { Song } from '../../api/song.svelte';
    import type { RecipeData } from '../../contract';
    import { commands } from '../../keys/commands.svelte';
    import { keys } from '../../keys/keys.svelte';
    import LandingWords from '../LandingWords.svelte';
    import Panel from '../Panel.svelte';
    import { panels } from '../../panels.svelte';
    import { Draft } from './draft.svelte';
    import { bringRecipes, keepRecipe, removeRecipe, restoreRecipe } from './kept';
    import RecipeList from './RecipeList.svelte';
    import RecipeMaker from './RecipeMaker.svelte';

    let { song, part }: { song: Song; part: Part } = $props();

    const NEW: RecipeData = { name: '', pick: null, steps: [] };

    /** The recipe being made or changed; null in the list. */
    let draft = $state.raw<Draft | null>(null);
    let at = $state(0);
    let giving = $state('');
    let matching = $state<number | null>(null);
    /** Deleted last, to be brought back. */
    let gone = $state.raw<RecipeData | null>(null);
    /** Recipes that others took the place of, as they were: to be put back. */
    let replaced = $state.raw<RecipeData[]>([]);
    let said = $state('');
    let trouble = $state('');
    let asked = 0;
    let list: ReturnType<typeof RecipeList> | undefined = $state();
    let picker: HTMLInputElement | undefined = $state();

    const all = $derived(commands.recipes);

    onMount(() => {
        // What was recorded is opened as a recipe to be named.
        const recorded = song.commandLog.recorded;
        song.commandLog.recorded = null;
        if (recorded) edit({ ...NEW, steps: recorded });
        else list?.focus();
    });

    // Where the notes would land, and how many meet the condition now.
    $effect(() => {
        void song.selection.version;
        void part.version;
        const now = draft ? draft.recipe : all[at];
        void untrack(() => look(now ?? null));
    });
    $effect(() => () => {
        song.preview.unlook();
        song.marked = null;
    });

    async function look(now: RecipeData | null): Promise<void> {
        if (!now || now.steps.length === 0) song.preview.unlook();
        else void song.preview.look([{ recipe: now }], true);
        const mine = ++asked;
        const pick = draft?.pick;
        if (!pick) {
            matching = null;
            song.marked = null;
            return;
        }
        const found = await song
            .read('picked', { pick }, [{ part: part.id, notes: [...song.selection.notes] }])
            .catch(() => null);
        if (mine !== asked) return;
        matching = found?.notes.length ?? null;
        song.marked = found ? new Set(found.notes) : null;
    }

    function edit(recipe: RecipeData): void {
        draft = new Draft(commands.conditions, recipe);
        giving = '';
        trouble = '';
    }

    function leave(): void {
        draft = null;
        void tick().then(() => list?.focus());
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

    async function keep(thenGive = false): Promise<void> {
        const kept = draft && (await work(() => keepRecipe(draft!.recipe)));
        if (!kept) return;
        said = `“${kept.name}” is kept.`;
        song.tell(said);
        at = all.findIndex((r) => r.key === kept.key);
        leave();
        if (thenGive) giving = kept.key ?? '';
    }

    async function remove(r: RecipeData): Promise<void> {
        if ((await work(() => removeRecipe(r).then(() => true))) === null) return;
        at = Math.max(0, Math.min(at, all.length - 1));
        said = `“${r.name}” is deleted, and its keys are free.`;
        song.tell(said);
        gone = r;
        // What had the focus is gone: the next key is still the list's.
        list?.focus();
    }

    /** Brings back the recipe that was deleted last, with its keys. */
    async function restore(): Promise<void> {
        const r = gone;
        if (!r || (await work(() => restoreRecipe(r).then(() => true))) === null) return;
        gone = null;
        at = all.findIndex((one) => one.key === r.key);
        said = `“${r.name}” is restored.`;
        song.tell(said);
    }

    /** Puts back the recipes that those of a file took the place of. */
    async function putBack(): Promise<void> {
        const those = replaced;
        for (const r of those) if ((await work(() => keepRecipe(r))) === null) return;
        replaced = [];
        said = those.length === 1 ? `“${those[0]!.name}” is restored.` : `${those.length} recipes are restored.`;
        song.tell(said);
    }

    async function bring(files: FileList | null): Promise<void> {
        const file = files?.[0];
        if (!file) return;
        const brought = await work(() => bringRecipes(file));
        said = brought?.said ?? said;
        replaced = brought?.replaced ?? [];
        if (brought) gone = null;
        if (picker) picker.value = '';
    }

    function run(r: RecipeData): void {
        panels.close();
        keys.run('recipe', { recipe: r.key }, 'list');
    }

    function press(e: KeyboardEvent): void {
        if (giving) return;
        const r = all[at];
        const typing = e.target instanceof HTMLInputElement || e.target instanceof HTMLSelectElement;
        const onButton = e.target instanceof HTMLButtonElement;
        if (draft) {
            if (e.key === 'Enter' && !onButton) void keep(e.shiftKey);
            else if (e.key === 'Escape') leave();
            else return;
        } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            at = Math.max(0, Math.min(all.length - 1, at + (e.key === 'ArrowDown' ? 1 : -1)));
            list?.focus();
        } else if (typing || e.ctrlKey || e.metaKey || e.altKey) return;
        else if (e.key === 'Enter' && !onButton && r) run(r);
        else if (e.key.toLowerCase() === 'n') edit(NEW);
        else if (e.key.toLowerCase() === 'e' && r) edit(r);
        else if (e.key.toLowerCase() === 'k' && r) giving = r.key ?? '';
        else if (e.key === 'Delete' && r) void remove(r);
        else if (e.key.toLowerCase() === 'u' && gone) void restore();
        else if (e.key.toLowerCase() === 'u' && replaced.length > 0) void putBack();
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
            {#if gone}<button class="btn ml-1 btn-xs" data-field onclick={() => void restore()}
                    >Restore it <kbd class="key">U</kbd></button
                >{:else if replaced.length > 0}<button class="btn ml-1 btn-xs" data-field onclick={() => void putBack()}
                    >Restore the old one <kbd class="key">U</kbd></button
                >{/if}
        </p>{/if}
    {#if draft}
        {#key draft}<RecipeMaker {draft} {part} ppq={song.time.ppq} {matching} />{/key}
    {:else}
        <RecipeList
            bind:this={list}
            {all}
            bind:at
            bind:giving
            onRun={run}
            onEdit={edit}
            onRemove={(r) => void remove(r)}
            onGiven={(s) => {
                said = s;
                song.tell(s);
            }}
        />
    {/if}
    {#snippet foot()}
        {#if draft}
            {#if draft.steps.length > 0}<LandingWords landing={song.preview.landing} />{:else}<p class="pb-2">
                    {draft.pick
                        ? 'With no step it selects the notes that meet its condition.'
                        : 'Add a step: the preview shows at once where the notes would go.'}
                </p>{/if}
            <div class="flex flex-wrap gap-2 py-1">
                <button class="btn btn-sm btn-primary" data-field onclick={() => void keep()}
                    >Keep <kbd class="key text-base-content">Enter</kbd></button
                >
                <button class="btn btn-sm" data-field onclick={() => void keep(true)}
                    >Keep, give a key <kbd class="key">Shift Enter</kbd></button
                >
                <button class="btn btn-sm" data-field onclick={leave}>Cancel</button>
            </div>
        {:else}
            {#if all[at]}<LandingWords landing={song.preview.landing} />{/if}
            <div class="flex flex-wrap gap-2 py-1">
                <button class="btn btn-sm" data-field onclick={() => edit(NEW)}>New <kbd class="key">N</kbd></button>
                <button
                    class="btn btn-sm"
                    data-command="record-recipe"
                    onclick={() => (panels.close(), keys.run('record-recipe'))}>Record</button
                >
                <a class="btn btn-sm" href="/api/recipes/file" download>Save all</a>
                <button class="btn btn-sm" data-field onclick={() => picker?.click()}>Import</button>
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
