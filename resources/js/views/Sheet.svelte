<script lang="ts">
    import type { Binding } from '../api/types';
    import { commands, same } from '../keys/commands.svelte';
    import { keys } from '../keys/keys.svelte';
    import { chips } from '../keys/chips';

    const WHERE: [string, string][] = [
        ['roll', 'In the roll'],
        ['song', 'On the song page, where it differs from the roll'],
        ['songs', 'In the list of songs'],
        ['any', 'Everywhere'],
    ];

    function alsoInRoll(b: Binding): boolean {
        return keys.resolver.bindings.some(
            (o) => o.context === 'roll' && o.keys === b.keys && o.command === b.command && same(o.params, b.params),
        );
    }

    /** The shortcuts of a place by the groups of their commands. */
    function groupsOf(context: string): [string, Binding[]][] {
        const groups: Record<string, Binding[]> = {};
        for (const b of keys.resolver.bindings)
            // With a modifier the same second key adds, narrows or takes away: said once, above; so is what is as in the roll.
            if (b.context === context && b.params.how === undefined && !(context === 'song' && alsoInRoll(b)))
                (groups[commands.find(b.command)?.group ?? 'other'] ??= []).push(b);
        return Object.entries(groups);
    }
</script>

<svelte:head><title>Shortcuts · Jactonic</title></svelte:head>

<main class="sheet h-full overflow-y-auto bg-base-100 p-6" data-testid="sheet">
    <header class="mb-3 flex items-baseline gap-4 border-b border-base-content pb-1">
        <h1 class="font-serif text-2xl">Jactonic: shortcuts</h1>
        <span>{keys.state.name}</span>
        <span class="text-sm">After N: Shift selects more, Alt keeps only those, Shift and Alt take them away</span>
        <span class="flex-1"></span>
        <button class="btn btn-sm print:hidden" data-field onclick={() => window.print()}>Print</button>
    </header>
    <div class="columns">
        {#each WHERE as [context, title] (context)}
            <section>
                <h2 class="font-serif text-lg">{title}</h2>
                {#each groupsOf(context) as [group, bindings] (group)}
                    <h3>{group}</h3>
                    <dl>
                        {#each chips(bindings, false, true) as chip (chip.keys.join())}
                            <div>
                                <dt>{chip.shown.join(' ')}</dt>
                                <dd>{chip.label}</dd>
                            </div>
                        {/each}
                    </dl>
                {/each}
            </section>
        {/each}
    </div>
</main>

<style>
    .columns {
        columns: 3 15rem;
        column-gap: 1.5rem;
        font-size: 0.82rem;
        line-height: 1.15rem;
    }
    h3 {
        margin-top: 0.35rem;
        font-weight: 600;
        break-after: avoid;
    }
    h2 {
        break-after: avoid;
        border-bottom: 1px solid var(--color-base-300);
        margin-top: 0.5rem;
    }
    dl > div {
        display: grid;
        grid-template-columns: 8.5rem 1fr;
        gap: 0.5rem;
        break-inside: avoid;
    }
    dt {
        font-weight: 600;
        white-space: nowrap;
    }
    @media print {
        @page {
            size: A4 portrait;
            margin: 8mm;
        }
        .sheet {
            height: auto;
            padding: 0;
            overflow: visible;
            background: #fff;
            color: #000;
        }
        .columns {
            columns: 3;
            font-size: 6.9pt;
            line-height: 8.1pt;
            column-gap: 5mm;
        }
        dl > div {
            grid-template-columns: 27mm 1fr;
        }
    }
</style>
