<script lang="ts">
    import { taken } from './import-conflict.svelte';

    let dialog: HTMLElement | undefined = $state();
    /** What had the keys before. */
    let before: Element | null = null;

    $effect(() => {
        if (!dialog) return;
        before = document.activeElement;
        dialog.querySelector('button')?.focus();
        return () => before instanceof HTMLElement && before.focus();
    });

    function press(e: KeyboardEvent): void {
        e.stopPropagation();
        if (e.key === 'Escape') taken.reply(null);
        else if (e.key.toLowerCase() === 'k') taken.reply('both');
        else if (e.key.toLowerCase() === 'r') taken.reply('replace');
        else return;
        e.preventDefault();
    }
</script>

{#if taken.question}
    <div class="fixed inset-0 z-50 flex items-center justify-center bg-base-content/30">
        <div
            bind:this={dialog}
            class="max-w-lg rounded-box border border-base-content/40 bg-base-100 p-6"
            role="alertdialog"
            aria-modal="true"
            aria-labelledby="taken-question"
            tabindex="-1"
            onkeydown={press}
        >
            <p id="taken-question" class="mb-4">{taken.question}</p>
            <div class="flex flex-wrap gap-2">
                <button class="btn btn-sm btn-primary" data-field onclick={() => taken.reply('both')}
                    >Keep both <kbd class="key text-base-content">K</kbd></button
                >
                <button class="btn btn-sm" data-field onclick={() => taken.reply('replace')}
                    >Replace <kbd class="key">R</kbd></button
                >
                <button class="btn btn-sm" data-field onclick={() => taken.reply(null)}
                    >Cancel <kbd class="key">Esc</kbd></button
                >
            </div>
        </div>
    </div>
{/if}
