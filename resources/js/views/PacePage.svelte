<script lang="ts">
    import { onMount } from 'svelte';
    import { commands } from '../keys/commands.svelte';
    import { keys } from '../keys/keys.svelte';
    import { pace, type Use } from '../keys/pace.svelte';
    import { labels } from '../keys/strokes';
    import { router } from '../router.svelte';
    import BottomLine from './BottomLine.svelte';

    let said = $state('');

    const all = $derived(Object.values(pace.uses));
    const total = $derived(all.reduce((sum, u) => sum + u.key + u.mouse + u.list, 0));
    const byKey = $derived(all.reduce((sum, u) => sum + u.key, 0));
    const slow = $derived(
        all
            .filter((u) => u.mouse + u.list > 0)
            .sort((a, b) => b.mouse + b.list - (a.mouse + a.list))
            .slice(0, 20),
    );

    function keysOf(u: Use): string {
        void keys.version;
        return keys.resolver.bindings
            .filter((b) => b.command === u.command && JSON.stringify(b.params) === JSON.stringify(u.params))
            .map((b) => labels(b.keys).join(' then '))
            .join(', or ');
    }

    onMount(() => keys.handle({ escape: () => router.back(), 'open-songs': () => router.back() }));
</script>

<main class="flex min-h-0 flex-1 flex-col">
    <div class="mx-auto w-full max-w-4xl min-h-0 flex-1 overflow-y-auto px-4 pt-6" data-testid="pace">
        <h1 class="font-serif text-3xl">Key tips</h1>
        {#if total === 0}
            <p class="mt-4">
                Nothing has been counted yet. Work for a while: this page then says which commands you reach by mouse or
                from the list, and what key does them.
            </p>
        {:else}
            <p class="mt-3">
                {byKey} of {total} commands by key, {Math.round((100 * byKey) / total)} %. What is counted stays in this browser.
            </p>
            {#if slow.length === 0}
                <p class="mt-4">All of them by key: there is nothing to save here.</p>
            {:else}
                <table class="mt-4 w-full">
                    <thead class="text-left text-sm"
                        ><tr class="border-b border-base-content/40"
                            ><th class="py-1">Command</th><th class="text-right">by mouse</th><th class="text-right"
                                >from the list</th
                            ><th class="text-right">by key</th><th class="pl-6">The key that does it</th></tr
                        ></thead
                    >
                    <tbody>
                        {#each slow as u (u.command + JSON.stringify(u.params))}
                            <tr class="border-b border-base-300">
                                <td class="py-1.5">{commands.title(u.command, u.params)}</td>
                                <td class="text-right">{u.mouse}</td>
                                <td class="text-right">{u.list}</td>
                                <td class="text-right">{u.key}</td>
                                <td class="pl-6"
                                    >{#if keysOf(u)}<kbd class="key">{keysOf(u)}</kbd>{:else}no key yet: <button
                                            class="link"
                                            data-command="shortcuts"
                                            onclick={() => keys.run('shortcuts')}>give it one</button
                                        >{/if}</td
                                >
                            </tr>
                        {/each}
                    </tbody>
                </table>
            {/if}
            <p class="mt-6">
                <button
                    class="btn btn-sm"
                    data-field
                    onclick={() => {
                        pace.clear();
                        said = 'All counts are cleared.';
                    }}>Clear the counts</button
                >
            </p>
        {/if}
    </div>
    <BottomLine {said} />
</main>
