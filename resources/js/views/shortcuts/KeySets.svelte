<script lang="ts">
    import type { Setup } from '../../api/types';
    import { keys } from '../../keys/keys.svelte';
    import { taken, type As } from '../import-conflict.svelte';

    let { onSaid }: { setup: Setup; onSaid: (said: string, trouble: string) => void } = $props();

    /** Deleted last, to be brought back. */
    let gone = $state.raw<{ set: number; called: string } | null>(null);
    let naming = $state<'' | 'copy' | 'rename'>('');
    let name = $state('');
    let picker: HTMLInputElement;
    const state_ = $derived(keys.state);

    async function work(what: () => Promise<void>, said: () => string): Promise<void> {
        try {
            await what();
            onSaid(said(), '');
        } catch (e) {
            onSaid('', e instanceof Error ? e.message : String(e));
        }
    }

    function keep(): void {
        const to = name;
        const copy = naming === 'copy';
        naming = '';
        void work(
            () =>
                copy
                    ? keys.ask('POST', 'key-sets', { name: to, from: state_.set })
                    : keys.ask('PATCH', `key-sets/${state_.set}`, { name: to }),
            () => (copy ? `“${to}” is a copy, and in use.` : `The set is called “${to}”.`),
        );
    }

    async function bring(files: FileList | null): Promise<void> {
        const file = files?.[0];
        if (!file) return;
        const text = await file.text();
        picker.value = '';
        let data: unknown;
        try {
            data = JSON.parse(text);
        } catch {
            return onSaid('', `${file.name} is no set of shortcuts: it is not JSON. Nothing was changed.`);
        }
        let brought: boolean | null = false;
        await work(
            async () => {
                const send = (as?: As): Promise<boolean> =>
                    keys.ask('POST', 'key-sets/import', { file: data, ...(as ? { as } : {}) }).then(() => true);
                brought = await taken.bring(send);
            },
            () =>
                brought
                    ? `“${keys.state.name}” was imported, and is in use; undo takes back changes to it.`
                    : 'Nothing was imported.',
        );
    }
</script>

<div class="flex flex-wrap items-center gap-2 text-sm">
    {#if naming}
        <input
            class="input input-sm w-44"
            type="text"
            maxlength="80"
            aria-label="Name of the set"
            {@attach (el) => (el as HTMLInputElement).select()}
            bind:value={name}
            onkeydown={(e) => {
                e.stopPropagation();
                if (e.key === 'Enter') keep();
                else if (e.key === 'Escape') naming = '';
            }}
        />
        <button class="btn btn-sm btn-primary" data-field onclick={keep}>Keep</button>
    {:else}
        <label
            >Set <select
                class="select select-sm w-44"
                value={state_.set}
                onchange={(e) => {
                    const set = Number(e.currentTarget.value);
                    void work(
                        () => keys.ask('POST', `key-sets/${set}/use`),
                        () => `“${keys.state.name}” is in use.`,
                    );
                }}
            >
                {#each state_.sets as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
            </select></label
        >
        <button class="btn btn-sm" data-field onclick={() => ((naming = 'copy'), (name = `${state_.name}, copy`))}
            >Copy</button
        >
        {#if state_.set !== 0}
            <button class="btn btn-sm" data-field onclick={() => ((naming = 'rename'), (name = state_.name))}
                >Rename</button
            >
            <button
                class="btn btn-sm"
                data-field
                onclick={() => {
                    const { set, name: called } = state_;
                    void work(
                        () => keys.ask('DELETE', `key-sets/${set}`).then(() => void (gone = { set, called })),
                        () => `“${called}” is deleted; the shortcuts that ship are in use.`,
                    );
                }}>Delete</button
            >
            <button
                class="btn btn-sm"
                data-field
                onclick={() =>
                    void work(
                        () => keys.ask('POST', 'key-sets/reset'),
                        () => 'All shortcuts of this set are reset; undo restores them.',
                    )}>Reset all</button
            >
        {/if}
        {#if gone}
            {@const { set, called } = gone}
            <button
                class="btn btn-sm"
                data-field
                onclick={() =>
                    void work(
                        () => keys.ask('POST', `key-sets/${set}/restore`).then(() => void (gone = null)),
                        () => `“${called}” is restored, and in use.`,
                    )}>Restore “{called}”</button
            >
        {/if}
        <a class="btn btn-sm" href="/api/key-sets/{state_.set}/file" download>Save as a file</a>
        <button class="btn btn-sm" data-field onclick={() => picker.click()}>Import a file</button>
        <a class="btn btn-sm" href="/keys/sheet" target="_blank" rel="noopener">Sheet</a>
    {/if}
    <input
        bind:this={picker}
        class="hidden"
        type="file"
        accept=".json,application/json"
        aria-label="A file of shortcuts"
        onchange={() => void bring(picker.files)}
    />
</div>
