<script lang="ts">
    import { onMount, tick } from 'svelte';
    import type { Part } from '../../api/part.svelte';
    import type { RecipeStep } from '../../contract';
    import type { Draft } from './draft.svelte';
    import PickEditor from './PickEditor.svelte';
    import RecipeSteps from './RecipeSteps.svelte';
    import StepFinder from './StepFinder.svelte';

    /** `matching`: how many of the selected notes meet the condition now; null while it is not known. */
    let { draft, part, ppq, matching }: { draft: Draft; part: Part; ppq: number; matching: number | null } = $props();

    let name: HTMLInputElement;

    function add(step: RecipeStep): void {
        draft.add(step);
        void tick().then(() =>
            document.querySelector<HTMLElement>('[data-step-open] input, [data-step-open] select')?.focus(),
        );
    }

    onMount(() => {
        name.focus();
        name.select();
    });
</script>

<div class="flex flex-col gap-3 px-4 py-3">
    <label class="flex flex-col gap-1 text-sm font-semibold"
        >Name <input
            class="input input-sm w-full"
            type="text"
            maxlength="80"
            data-recipe-name
            bind:this={name}
            placeholder="What it is called"
            bind:value={draft.name}
        /></label
    >
    <section aria-label="Condition">
        <h3 class="pb-1 text-sm font-semibold">
            From the selected notes, take {draft.condition?.lines.length === 0 ? 'all' : 'those'}
        </h3>
        {#if draft.condition}
            <PickEditor asks={draft.asks} {ppq} condition={draft.condition} onchange={(c) => (draft.condition = c)} />
        {:else}
            <p class="text-sm">
                This condition is nested deeper than the builder shows: <code>{JSON.stringify(draft.cameWith)}</code>
            </p>
        {/if}
        {#if matching !== null}<p class="pt-1 text-sm" data-testid="matching">
                {matching === 1 ? '1 note meets' : `${matching} notes meet`} it now.
            </p>{/if}
    </section>
    <section aria-label="Steps">
        <h3 class="pb-1 text-sm font-semibold">and then</h3>
        <RecipeSteps {draft} {part} />
        <StepFinder without={draft.key ?? undefined} onAdd={add} />
    </section>
</div>
