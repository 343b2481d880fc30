<script lang="ts">
    import { onMount } from 'svelte';
    import { Problem, request, upload } from '../api/client';
    import { saveAs } from '../api/saving';
    import type { BackupCopy, Backups, DeletedSong } from '../api/types';
    import { keys } from '../keys/keys.svelte';
    import { router } from '../router.svelte';
    import BottomLine from './BottomLine.svelte';

    let state_ = $state.raw<Backups | null>(null);
    let deleted = $state.raw<DeletedSong[]>([]);
    /** What a second press does: it cannot be taken back, or takes the place of everything. */
    let sure = $state('');
    let said = $state('');
    let trouble = $state('');
    let busy = $state('');
    let picker: HTMLInputElement | undefined = $state();

    onMount(() => {
        void load();
        return keys.handle({
            escape: back,
            'open-songs': back,
            backup: () => void make(),
        });
    });

    /** Takes back that something is to be done; else goes back to where one was. */
    function back(): void {
        if (sure) sure = '';
        else router.back();
    }

    async function work<T>(doing: string, what: () => Promise<T>): Promise<T | null> {
        trouble = '';
        busy = doing;
        sure = '';
        try {
            return await what();
        } catch (e) {
            trouble = e instanceof Error ? e.message : String(e);
            return null;
        } finally {
            busy = '';
        }
    }

    async function load(): Promise<void> {
        await work('', async () => {
            state_ = await request('GET', 'backups');
            deleted = (await request('GET', 'deleted-songs')).songs;
        });
    }

    async function make(): Promise<void> {
        const made = await work('Copying everything…', () => request('POST', 'backups'));
        if (!made) return;
        state_ = made;
        said = `Everything is copied to ${made.made}; the copy was checked and is complete.`;
    }

    async function restored(doing: () => Promise<Backups>): Promise<void> {
        const now = await work('Restoring…', doing);
        if (!now) return;
        state_ = now;
        said = `Restored. What was there before is kept as ${now.aside}.`;
        await load();
    }

    function restore(copy: BackupCopy): void {
        if (sure !== copy.name) return void (sure = copy.name);
        void restored(() => request('POST', `backups/${encodeURIComponent(copy.name)}/restore`));
    }

    function bring(files: FileList | null): void {
        const file = files?.[0];
        if (file)
            void restored(() =>
                upload<Backups>('backups/restore', file, () => {}).catch((e: unknown) => {
                    throw e instanceof Problem ? e : new Error('The file could not be sent. Nothing was changed.');
                }),
            );
        if (picker) picker.value = '';
    }

    async function bringBack(song: DeletedSong): Promise<void> {
        if ((await work('', () => request('POST', `songs/${song.id}/restore`).then(() => true))) === null) return;
        await load();
        said = `${song.name} is restored.`;
    }

    async function remove(song: DeletedSong): Promise<void> {
        const name = `song ${song.id}`;
        if (sure !== name) return void (sure = name);
        const done = await work('Removing…', () => request('DELETE', `deleted-songs/${song.id}`).then(() => true));
        if (done === null) return;
        await load();
        said = `${song.name} and its history are removed, and their disk space is free. Earlier backups still hold them.`;
    }

    const when = (iso: string): string =>
        new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
    const size = (bytes: number): string =>
        bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} KB` : `${(bytes / 1e6).toFixed(1)} MB`;
    const songs = (n: number | null): string => (n === null ? '' : n === 1 ? '1 song' : `${n} songs`);
</script>

<main class="flex min-h-0 flex-1 flex-col">
    <div class="mx-auto w-full max-w-4xl min-h-0 flex-1 overflow-y-auto px-4 pt-6 pb-8" data-testid="backups">
        <h1 class="font-serif text-3xl">Backup</h1>
        <p class="mt-3">
            A backup is one file with everything: songs with their histories, shelf, recipes, shortcuts, grooves and
            settings. Jactonic makes one on each day on which anything changed, and keeps those of the last seven days
            and the last of each of four weeks.
        </p>
        {#if state_}
            <p class="mt-2 break-all">They are in <b data-testid="where">{state_.where}</b>.</p>
            <p class="mt-4 flex flex-wrap gap-2">
                <button
                    class="btn btn-sm btn-primary"
                    data-command="backup"
                    disabled={busy !== ''}
                    onclick={() => void make()}>Back up everything now</button
                >
                <button class="btn btn-sm" data-field disabled={busy !== ''} onclick={() => picker?.click()}
                    >Restore from a file…</button
                >
                <input
                    bind:this={picker}
                    class="hidden"
                    type="file"
                    accept=".sqlite"
                    aria-label="A backup"
                    onchange={(e) => bring(e.currentTarget.files)}
                />
            </p>
            {#if busy}<p class="mt-3" role="status">
                    {busy} <progress class="progress ml-2 inline-block w-40 align-middle"></progress>
                </p>{/if}
            {#if state_.copies.length === 0}
                <p class="mt-4">There is no backup yet.</p>
            {:else}
                <table class="mt-4 w-full" data-testid="copies">
                    <thead class="text-left text-sm"
                        ><tr class="border-b border-base-content/40"
                            ><th class="py-1 font-normal">Made</th><th class="font-normal">File</th><th
                                class="text-right font-normal">Holds</th
                            ><th class="text-right font-normal">Size</th><th><span class="sr-only">Actions</span></th
                            ></tr
                        ></thead
                    >
                    <tbody>
                        {#each state_.copies as copy (copy.name)}
                            <tr class="border-b border-base-300">
                                <td class="py-1.5">{when(copy.made)}{copy.daily ? ', daily' : ''}</td>
                                <td class="max-w-64 truncate text-sm" title={copy.name}>{copy.name}</td>
                                <td class="text-right">{songs(copy.songs)}</td>
                                <td class="text-right">{size(copy.bytes)}</td>
                                <td class="text-right whitespace-nowrap">
                                    <button
                                        class="btn btn-ghost btn-sm font-normal"
                                        data-field
                                        aria-label="Save {copy.name}"
                                        onclick={() =>
                                            saveAs(`/api/backups/${encodeURIComponent(copy.name)}/file`, copy.name)}
                                        >Save</button
                                    >
                                    <button
                                        class="btn btn-sm font-normal {sure === copy.name
                                            ? 'btn-primary'
                                            : 'btn-ghost'}"
                                        data-field
                                        disabled={busy !== ''}
                                        aria-label="Restore {copy.name}"
                                        onclick={() => restore(copy)}
                                        >{sure === copy.name ? 'Restore: press again' : 'Restore'}</button
                                    >
                                </td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
                <p class="mt-2 text-sm">
                    Restoring puts a backup in the place of everything that is there now, which is kept as a backup of
                    its own. On the command line: <code>php artisan jactonic:backup</code>,
                    <code>php artisan jactonic:restore FILE</code>.
                </p>
            {/if}
        {:else if !trouble}<p class="mt-4" role="status">Loading the backups…</p>{/if}

        <h2 class="mt-10 font-serif text-2xl">Deleted songs</h2>
        {#if deleted.length === 0}
            <p class="mt-3">No song is deleted.</p>
        {:else}
            <table class="mt-3 w-full" data-testid="deleted">
                <thead class="text-left text-sm"
                    ><tr class="border-b border-base-content/40"
                        ><th class="py-1 font-normal">Name</th><th class="text-right font-normal">Bars</th><th
                            class="pl-6 font-normal">Deleted</th
                        ><th><span class="sr-only">Actions</span></th></tr
                    ></thead
                >
                <tbody>
                    {#each deleted as song (song.id)}
                        <tr class="border-b border-base-300">
                            <td class="py-1.5">{song.name}</td>
                            <td class="text-right">{song.bars}</td>
                            <td class="pl-6 text-sm">{when(song.deleted)}</td>
                            <td class="text-right whitespace-nowrap">
                                <button
                                    class="btn btn-ghost btn-sm font-normal"
                                    data-field
                                    aria-label="Restore {song.name}"
                                    onclick={() => void bringBack(song)}>Restore</button
                                >
                                <button
                                    class="btn btn-sm font-normal {sure === `song ${song.id}`
                                        ? 'btn-error'
                                        : 'btn-ghost'}"
                                    data-field
                                    aria-label="Remove {song.name} for good"
                                    onclick={() => void remove(song)}
                                    >{sure === `song ${song.id}` ? 'Remove: press again' : 'Remove for good'}</button
                                >
                            </td>
                        </tr>
                    {/each}
                </tbody>
            </table>
        {/if}
    </div>
    <BottomLine {said} {trouble} />
</main>
