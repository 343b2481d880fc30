<script lang="ts">
    import { tick } from 'svelte';
    import type { RecipeData } from '../../contract';
    import { keys } from '../../keys/keys.svelte';
    import { labels } from '../../keys/strokes';
    import GiveKey from '../GiveKey.svelte';
    import { stepWordsOf } from './words';

    interface Props {
        all: readonly RecipeData[];
        /** The one looked at. */
        at: number;
        /** The key of the recipe that is being given a shortcut; empty for none. */
        giving: string;
        onRun: (recipe: RecipeData) => void;
        onEdit: (recipe: RecipeData) => void;
        onRemove: (recipe: RecipeData) => void;
        onGiven: (said: string) => void;
    }
    let { all, at = $bindable(), giving = $bindable(), onRun, onEdit, onRemove, onGiven }: Props = $props();

    let list: HTMLElement;

    /** Puts the keys on the recipe looked at, once it is drawn. */
    export function focus(): void {
        void tick().then(() => list?.querySelector<HTMLElement>('[aria-selected=true]')?.focus());
    }

    function keysOf(r: RecipeData): string {
        void keys.version;
        return keys.resolver.bindings
            .filter((b) => b.command === 'recipe' && b.params.recipe === r.key)
            .map((b) => labels(b.keys).join(' '))
            .join(', ');
    }
</script>

<div bind:this={list} class="py-2" role="grid" aria-label="Recipes" data-testid="recipes">
    {#each all as r, i (r.key)}
        <div
            class="border-l-4 px-3 py-1 outline-none {i === at ? 'border-primary bg-base-200' : 'border-transparent'}"
            role="row"
            aria-selected={i === at}
            tabindex={i === at ? 0 : -1}
            onclick={() => (at = i)}
            onkeydown={() => {}}
        >
            <div role="gridcell">
                <p class="flex items-baseline gap-2">
                    <span class="min-w-0 flex-1">{r.name}</span>
                    {#if keysOf(r)}<kbd class="key">{keysOf(r)}</kbd>{/if}
                </p>
                <p class="text-sm text-base-content/85">{r.steps.map(stepWordsOf).join('. ')}.</p>
                {#if i === at}
                    <p class="flex gap-1 py-1">
                        <button class="btn btn-xs btn-primary" data-field onclick={() => onRun(r)}
                            >Run <kbd class="key text-base-content">Enter</kbd></button
                        >
                        <button class="btn btn-xs" data-field onclick={() => onEdit(r)}
                            >Change <kbd class="key">E</kbd></button
                        >
                        <button class="btn btn-xs" data-field onclick={() => (giving = r.key ?? '')}
                            >Key <kbd class="key">K</kbd></button
                        >
                        <a class="btn btn-xs" href="/api/recipes/{r.key}/file" download>File</a>
                        <button class="btn btn-xs" data-field onclick={() => onRemove(r)}>Delete</button>
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
                            if (s) onGiven(s);
                            focus();
                        }}
                    />
                {/if}
            </div>
        </div>
    {/each}
</div>
