<script lang="ts">
    import { tick } from 'svelte';
    import type { Part } from '../../api/part.svelte';
    import type { Param } from '../../api/types';
    import type { RecipeStep } from '../../contract';
    import { commands } from '../../keys/commands.svelte';
    import Field from '../fields/Field.svelte';
    import type { Draft } from './draft.svelte';
    import { stepWordsOf } from './words';

    let { draft, part }: { draft: Draft; part: Part } = $props();

    function paramsOf(step: RecipeStep): Param[] {
        return commands.find(step.edit ?? (step.set ? 'set' : ''))?.params ?? [];
    }

    /** The keys stay where they were: at the step that comes after, else at the one before, else at the list. */
    async function takeAway(e: MouseEvent, i: number): Promise<void> {
        const list = (e.currentTarget as HTMLElement).closest('ol')!;
        draft.remove(i);
        await tick();
        const step = list.children[Math.min(i, list.children.length - 1)];
        (step?.querySelector<HTMLElement>('button:last-of-type') ?? list).focus();
    }

    function withParam(step: RecipeStep, name: string, value: unknown): RecipeStep {
        const given = Object.entries({ ...(step.params ?? step.set), [name]: value });
        const params = Object.fromEntries(given.filter(([, v]) => v !== undefined));
        return step.set ? { ...step, set: params } : { ...step, params };
    }
</script>

<ol class="flex flex-col gap-1 outline-none" tabindex="-1">
    {#each draft.steps as step, i (i)}
        <li class="border-l-2 border-base-300 pl-2 {step.off ? 'opacity-60' : ''}">
            <div class="flex items-center gap-1">
                <button
                    class="min-w-0 flex-1 cursor-pointer text-left {step.off ? 'line-through' : ''}"
                    data-field
                    aria-expanded={draft.open === i}
                    onclick={() => (draft.open = draft.open === i ? -1 : i)}>{i + 1}. {stepWordsOf(step)}</button
                >
                <button
                    class="btn btn-ghost btn-xs px-1"
                    data-field
                    aria-label="Step {i + 1} earlier"
                    disabled={i === 0}
                    onclick={() => draft.move(i, -1)}>↑</button
                >
                <button
                    class="btn btn-ghost btn-xs px-1"
                    data-field
                    aria-label="Step {i + 1} later"
                    disabled={i === draft.steps.length - 1}
                    onclick={() => draft.move(i, 1)}>↓</button
                >
                <button
                    class="btn btn-ghost btn-xs px-1"
                    data-field
                    aria-pressed={step.off === true}
                    title="Switch the step off or on"
                    onclick={() => draft.set(i, { ...step, off: step.off ? undefined : true })}
                    >{step.off ? 'off' : 'on'}</button
                >
                <button
                    class="btn btn-ghost btn-xs px-1"
                    data-field
                    title="Duplicate"
                    aria-label="Duplicate step {i + 1}"
                    onclick={() => draft.again(i)}>2×</button
                >
                <button
                    class="btn btn-ghost btn-xs px-1"
                    data-field
                    aria-label="Remove step {i + 1}"
                    onclick={(e) => takeAway(e, i)}>×</button
                >
            </div>
            {#if draft.open === i}
                <div class="-mx-4" data-step-open>
                    {#each paramsOf(step) as param, k (param.name)}
                        <Field
                            {param}
                            value={(step.params ?? step.set)?.[param.name]}
                            settings={part.settings}
                            first={k === 0}
                            onchange={(v) => draft.set(i, withParam(step, param.name, v))}
                        />
                    {/each}
                </div>
            {/if}
        </li>
    {/each}
</ol>
