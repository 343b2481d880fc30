<script lang="ts">
    import { counted } from '../rules/counted';
    import { Copy, Download, FileMusic, FilePlus, Pencil, Trash2, Upload } from 'lucide';
    import { onMount, tick, untrack } from 'svelte';
    import { request, upload } from '../api/client';
    import { saveAs } from '../api/saving';
    import { clock } from '../rules/time';
    import type { Setup, SongSummary } from '../api/types';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';
    import { follow, router } from '../router.svelte';
    import BottomLine from './BottomLine.svelte';
    import Rename from '../stage/Rename.svelte';
    import Icon from '../stage/Icon.svelte';

    let {
        setup,
        download,
        hint,
        dropped = $bindable(),
    }: {
        setup: Setup;
        download: (id: number) => void;
        /** What a key said that does nothing here. */
        hint: string;
        dropped: File[];
    } = $props();

    let songs = $state.raw<SongSummary[] | null>(null);
    let chosen = $state(0);
    let renaming = $state<number | null>(null);
    let said = $state('');
    $effect(() => void (hint && (said = hint)));
    let warnings = $state.raw<string[]>([]);
    let trouble = $state('');
    let sending = $state.raw<{ name: string; share: number } | null>(null);
    let gone: SongSummary[] = [];
    let picker: HTMLInputElement;

    onMount(() => void load());
    $effect(() => {
        if (dropped.length === 0) return;
        const files = dropped;
        dropped = [];
        untrack(() => void take(files));
    });

    async function load(): Promise<void> {
        await attempt(async () => {
            songs = (await request('GET', 'songs')).songs;
            chosen = Math.max(0, Math.min(chosen, songs.length - 1));
        });
    }

    async function attempt(work: () => Promise<void>): Promise<void> {
        trouble = '';
        try {
            await work();
        } catch (e) {
            trouble = e instanceof Error ? e.message : String(e);
        }
    }

    function tell(text: string, more: string[] = []): void {
        said = text;
        warnings = more;
    }

    async function take(files: FileList | File[] | null | undefined): Promise<void> {
        for (const file of files ?? []) {
            const limit = file.name.endsWith('.jactonic') ? setup.songLimit : setup.importLimit;
            if (file.size > limit) {
                trouble = `${file.name} is larger than ${limit >> 20} MB, the most that can be imported. Nothing was imported.`;
                continue;
            }
            await attempt(async () => {
                sending = { name: file.name, share: 0 };
                try {
                    const answer = await upload<{ song: SongSummary; warnings: string[] }>(
                        'imports',
                        file,
                        (share) => (sending = { name: file.name, share }),
                    );
                    await load();
                    chosen = Math.max(
                        0,
                        songs!.findIndex((s) => s.id === answer.song.id),
                    );
                    tell(
                        `${answer.song.name} was imported: ${parts(answer.song.parts)}, ${bars(answer.song.bars)}. Enter opens it.`,
                        answer.warnings,
                    );
                } finally {
                    sending = null;
                }
            });
        }
        picker.value = '';
    }

    const parts = (n: number): string => counted(n, 'part');
    const bars = (n: number): string => (n === 1 ? '1 bar' : `${n} bars`);

    /** An empty song, and its part opened to be written in. */
    function fresh(): Promise<void> {
        return attempt(async () => {
            const names = new Set((songs ?? []).map((s) => s.name));
            let name = 'New song';
            for (let i = 2; names.has(name); i++) name = `New song ${i}`;
            const { song, part } = await request('POST', 'songs', { name });
            router.go({ at: 'roll', song: song.id, part });
        });
    }

    function duplicate(song: SongSummary): Promise<void> {
        return attempt(async () => {
            const answer = await request('POST', `songs/${song.id}/duplicate`);
            await load();
            chosen = Math.max(
                0,
                songs!.findIndex((s) => s.id === answer.song.id),
            );
            tell(`${song.name} was duplicated as ${answer.song.name}.`);
        });
    }

    function remove(song: SongSummary): Promise<void> {
        return attempt(async () => {
            await request('DELETE', `songs/${song.id}`);
            gone.push(song);
            await load();
            tell(`${song.name} was deleted. ${labels('Mod+Z').join()} restores it.`);
        });
    }

    function bringBack(): Promise<void> {
        return attempt(async () => {
            const song = gone.at(-1);
            if (!song) return tell('There is no deleted song to restore.');
            await request('POST', `songs/${song.id}/restore`);
            gone.pop();
            await load();
            chosen = Math.max(
                0,
                songs!.findIndex((s) => s.id === song.id),
            );
            tell(`${song.name} is restored.`);
        });
    }

    async function rename(song: SongSummary, name: string): Promise<void> {
        renaming = null;
        if (name === song.name) return;
        await attempt(async () => {
            await request('PATCH', `songs/${song.id}`, { name });
            await load();
            tell(`${song.name} is now ${name.trim()}.`);
        });
    }

    function choose(by: number): void {
        if (!songs?.length) return;
        chosen = Math.max(0, Math.min(songs.length - 1, chosen + by));
        void tick().then(() => document.querySelector('[data-chosen=true]')?.scrollIntoView({ block: 'nearest' }));
    }

    $effect(() => {
        const withChosen = (work: (song: SongSummary) => unknown) => () => {
            const song = songs?.[chosen];
            if (song) void work(song);
        };
        return keys.handle({
            choose: (p) => choose(Number(p.y)),
            'open-song': withChosen((song) => router.go({ at: 'song', song: song.id })),
            rename: withChosen((song) => (renaming = song.id)),
            duplicate: withChosen(duplicate),
            'delete-song': withChosen(remove),
            undelete: () => void bringBack(),
            'new-song': () => void fresh(),
            import: () => picker.click(),
            export: withChosen((song) => download(song.id)),
            'export-whole': withChosen((song) => {
                saveAs(`/api/songs/${song.id}/whole`, '');
                tell(`${song.name} is saved with its history: import that file to open it elsewhere.`);
            }),
        });
    });

    function when(iso: string): string {
        return new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
    }
</script>

<main class="min-h-0 flex-1 overflow-y-auto">
    <div class="mx-auto max-w-6xl px-6 py-8">
        <div class="mb-5 flex items-end justify-between gap-4">
            <h1 class="font-serif text-3xl">Songs</h1>
            <span class="flex-1"></span>
            <button class="btn btn-outline" title="New song" {@attach does('new-song')}>
                <Icon of={FilePlus} size={17} /> New song <kbd class="key">N</kbd>
            </button>
            <button class="btn btn-primary" {@attach does('import')} disabled={sending !== null}>
                <Icon of={Upload} size={17} /> Import a MIDI file <kbd class="key text-base-content">I</kbd>
            </button>
            <input
                bind:this={picker}
                type="file"
                accept=".mid,.midi,.smf,.kar,.rmi,.jactonic,audio/midi"
                class="hidden"
                multiple
                onchange={(e) => void take(e.currentTarget.files)}
                data-testid="picker"
            />
        </div>
        {#if sending}
            <div class="mb-4" role="status">
                <p class="mb-1">{sending.share < 1 ? `Sending ${sending.name}` : `Reading ${sending.name}`}…</p>
                <progress
                    class="progress w-full progress-primary"
                    value={sending.share < 1 ? sending.share : undefined}
                    max="1"
                ></progress>
            </div>
        {/if}
        {#if songs && songs.length > 0}
            <table class="w-full border-collapse" data-testid="songs">
                <thead>
                    <tr class="border-b border-base-content/50 text-left text-sm text-base-content/80">
                        <th class="py-2 pl-3 font-normal">Name</th><th
                            class="w-20 text-right font-normal max-[760px]:hidden">Parts</th
                        >
                        <th class="w-20 text-right font-normal max-[760px]:hidden">Bars</th><th
                            class="w-20 text-right font-normal">Time</th
                        >
                        <th class="w-52 pl-8 font-normal max-[900px]:hidden">Changed</th><th
                            class="w-44 min-[1100px]:w-88"><span class="sr-only">Actions</span></th
                        >
                    </tr>
                </thead>
                <tbody>
                    {#each songs as song, i (song.id)}
                        <tr
                            class="border-b border-base-300 {i === chosen ? 'bg-base-200' : ''}"
                            onclick={() => (chosen = i)}
                            data-chosen={i === chosen}
                            aria-current={i === chosen ? 'true' : undefined}
                        >
                            <td
                                class="max-w-0 py-2.5 pl-3 {i === chosen
                                    ? 'border-l-4 border-primary'
                                    : 'border-l-4 border-transparent'}"
                            >
                                {#if renaming === song.id}
                                    <Rename
                                        name={song.name}
                                        onDone={(name) => void rename(song, name)}
                                        onCancel={() => (renaming = null)}
                                    />
                                {:else}
                                    <a
                                        class="block truncate text-lg"
                                        href="/songs/{song.id}"
                                        onclick={(e) => follow(e, { at: 'song', song: song.id })}>{song.name}</a
                                    >
                                {/if}
                            </td>
                            <td class="text-right max-[760px]:hidden">{song.parts}</td>
                            <td class="text-right max-[760px]:hidden">{song.bars}</td>
                            <td class="text-right">{clock(song.seconds).replace(/\.\d$/, '')}</td>
                            <td class="pl-8 text-sm max-[900px]:hidden text-base-content/85">{when(song.changed)}</td>
                            <td class="text-right whitespace-nowrap">
                                <button
                                    class="btn btn-ghost btn-sm gap-1 px-2 font-normal max-[1099px]:w-9 max-[1099px]:px-0"
                                    title="Rename"
                                    aria-label="Rename {song.name}"
                                    {@attach does('rename', {}, () => (chosen = i))}
                                    ><Icon of={Pencil} size={16} /><span class="max-[1099px]:hidden" aria-hidden="true"
                                        >Rename</span
                                    ></button
                                >
                                <button
                                    class="btn btn-ghost btn-sm gap-1 px-2 font-normal max-[1099px]:w-9 max-[1099px]:px-0"
                                    title="Duplicate"
                                    aria-label="Duplicate {song.name}"
                                    {@attach does('duplicate', {}, () => (chosen = i))}
                                    ><Icon of={Copy} size={16} /><span class="max-[1099px]:hidden" aria-hidden="true"
                                        >Duplicate</span
                                    ></button
                                >
                                <button
                                    class="btn btn-ghost btn-sm gap-1 px-2 font-normal max-[1099px]:w-9 max-[1099px]:px-0"
                                    title="Save as a MIDI file"
                                    aria-label="Save {song.name} as a MIDI file"
                                    {@attach does('export', {}, () => (chosen = i))}
                                    ><Icon of={Download} size={16} /><span
                                        class="max-[1099px]:hidden"
                                        aria-hidden="true">Save</span
                                    ></button
                                >
                                <button
                                    class="btn btn-ghost btn-sm gap-1 px-2 font-normal max-[1099px]:w-9 max-[1099px]:px-0"
                                    title="Delete; you can restore it"
                                    aria-label="Delete {song.name}"
                                    {@attach does('delete-song', {}, () => (chosen = i))}
                                    ><Icon of={Trash2} size={16} /><span class="max-[1099px]:hidden" aria-hidden="true"
                                        >Delete</span
                                    ></button
                                >
                            </td>
                        </tr>
                    {/each}
                </tbody>
            </table>
            <p class="mt-6 text-center text-base-content/80">
                A .mid file, or a song saved with its history, can be dropped anywhere on this page.
                <a class="link" href="/getting-started" onclick={(e) => follow(e, { at: 'keys', page: 'start' })}
                    >Getting started</a
                >
                ·
                <a class="link" href="/backups" onclick={(e) => follow(e, { at: 'keys', page: 'backups' })}
                    >Backup, deleted songs</a
                >
            </p>
        {:else if songs}
            <div class="rounded-box border border-dashed border-base-content/50 py-20 text-center">
                <Icon of={FileMusic} size={40} class="mx-auto mb-4" stroke={1.25} />
                <p class="text-lg">No songs yet.</p>
                <p class="mt-1">
                    <a class="link" href="/getting-started" onclick={(e) => follow(e, { at: 'keys', page: 'start' })}
                        >Getting started: ten keys</a
                    >
                </p>
                <p class="mt-1">
                    Drop a .mid file here, or press <kbd class="key">I</kbd> to select one; <kbd class="key">N</kbd> begins
                    an empty song.
                </p>
            </div>
        {:else if !trouble}
            <p role="status">Loading the songs…</p>
        {/if}
    </div>
</main>
<BottomLine {said} {warnings} {trouble} />
