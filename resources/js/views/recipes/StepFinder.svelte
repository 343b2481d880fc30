<script lang="ts">
    import type { RecipeStep } from '../../contract';
    import { commands, type Entry } from '../../keys/commands.svelte';
    import { Search } from '../../keys/search';

    let { without, onAdd }: { without?: string; onAdd: (step: RecipeStep) => void } = $props();

    const SHOWN = 6;
    let text = $state('');
    let at = $state(0);

    /** What can be a step: edits, moves of the choice, settings, other recipes. */
    const search = $derived(
        new Search(
            commands
                .entries()
                .filter(
                    (e) =>
                        commands.edits.has(e.command) ||
                        e.command === 'select' ||
                        e.command === 'set' ||
                        (e.command === 'recipe' && e.params.recipe !== without),
                ),
        ),
    );
    const found = $derived(text.trim() === '' ? [] : search.find(text).slice(0, SHOWN));

    function stepOf(e: Entry): RecipeStep {
        if (e.command === 'select') return { select: String(e.params.move) };
        if (e.command === 'recipe') return { recipe: String(e.params.recipe) };
        if (e.command === 'set') return { set: e.ask[0] ? { [e.ask[0].name]: first(e.ask[0]) } : e.params };
        const params: Record<string, unknown> = {};
        for (const p of e.ask) if (p.default === undefined && !p.setting && !p.optional) params[p.name] = first(p);
        return { edit: e.command, params };
    }

    /** A value to begin with, where there has to be one. */
    function first(p: Entry['ask'][number]): unknown {
        if (p.type === 'grid') return '1/16';
        if (p.type === 'step') return { unit: 'ms', amount: 10 };
        return Math.max(p.min ?? 1, 1);
    }

    function add(e: Entry | undefined): void {
        if (!e) return;
        text = '';
        at = 0;
        onAdd(stepOf(e));
    }

    function press(e: KeyboardEvent): void {
        if (text.trim() === '') return;
        if (e.key === 'Enter') add(found[at]);
        else if (e.key === 'ArrowDown' || e.key === 'ArrowUp')
            at = Math.max(0, Math.min(found.length - 1, at + (e.key === 'ArrowDown' ? 1 : -1)));
        else if (e.key === 'Escape') text = '';
        else return;
        e.preventDefault();
        e.stopPropagation();
    }
</script>

<div class="mt-2">
    <input
        class="input input-sm w-full"
        type="text"
        placeholder="Add a step: any word"
        aria-label="Add a step"
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls="steps-found"
        bind:value={text}
        oninput={() => (at = 0)}
        onkeydown={press}
    />
    <ul id="steps-found" role="listbox" aria-label="Steps found">
        {#each found as e, i (e.id)}
            <li role="option" aria-selected={i === at}>
                <button
                    class="w-full cursor-pointer border-l-4 px-2 py-0.5 text-left {i === at
                        ? 'border-primary bg-base-200'
                        : 'border-transparent'}"
                    tabindex="-1"
                    data-field
                    onclick={() => add(e)}>{e.title} <span class="text-sm text-base-content/80">{e.group}</span></button
                >
            </li>
        {/each}
    </ul>
</div>
