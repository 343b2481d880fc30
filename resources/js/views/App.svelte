<script lang="ts">
    import { untrack } from 'svelte';
    import { downloadSong } from '../api/saving';
    import { Song } from '../api/song.svelte';
    import type { Setup } from '../api/types';
    import { nothingHere } from '../keys/other-page';
    import { nextKeys } from '../keys/next-keys';
    import { keys } from '../keys/keys.svelte';
    import { mayOpenPanel } from '../keys/panel-keys';
    import { router } from '../router.svelte';
    import { recorder } from '../sound/recorder.svelte';
    import { transport } from '../sound/transport.svelte';
    import { commands } from '../keys/commands.svelte';
    import { interrupted } from '../sound/interrupted.svelte';
    import { callDrums, spellAs } from '../roll/names';
    import { applicationCommands } from './commands/application';
    import { commonCommands } from './commands/common';
    import { editCommands } from './commands/edits';
    import { songCommands } from './commands/song';
    import { provideSong } from './fields/open-song';
    import { panels } from '../panels.svelte';
    import CommandList from './CommandList.svelte';
    import { pages } from './pages.svelte';
    import Shortcuts from './shortcuts/Shortcuts.svelte';
    import ReachLetters from './ReachLetters.svelte';
    import Songs from './Songs.svelte';
    import Taken from './ImportConflict.svelte';
    import TakeOffer from './TakeOffer.svelte';
    import TopLine from './TopLine.svelte';
    import { whenQuiet } from './when-quiet';

    let { setup }: { setup: Setup } = $props();

    /** Milliseconds after a song is there and nothing is asked for: a rest in scrolling is shorter, and decoding would hold it up. */
    const READY_AFTER = 1000;
    /** Likewise, after which pages are fetched that may be wanted next. */
    const OTHERS_AFTER = 700;

    const TITLES: Record<string, string> = {
        pace: 'Key tips',
        guide: 'Guide',
        start: 'Getting started',
        backups: 'Backup',
    };

    untrack(() => callDrums(setup.drums));
    let song = $state.raw<Song | null>(null);
    provideSong(() => song);
    /** What a key said that does nothing here. */
    let hint = $state('');
    let trouble = $state('');
    /** Files let go anywhere, to be imported. */
    let dropped = $state.raw<File[]>([]);
    let dragged = $state(false);
    const place = $derived(router.place);
    const wanted = $derived(place.at === 'songs' || place.at === 'keys' ? null : place.song);
    const part = $derived.by(() => {
        // Parts come and go with steps of the history.
        void song?.revisionShown;
        return place.at === 'roll' ? (song?.parts.get(place.part) ?? null) : null;
    });

    // One song is open at a time; it stays while one goes between its pages.
    $effect(() => {
        const id = wanted;
        untrack(() => {
            if (song?.id === id) return;
            song?.close();
            song = null;
            trouble = '';
            panels.close();
            recorder.stop();
            transport.attach(null);
        });
        if (id === null) return;
        untrack(() => pages.want(place.at === 'song' ? 'song' : 'roll'));
        Song.fetch(id).then(
            (loaded) => {
                if (wanted !== id) return loaded.close();
                loaded.keeps = (c) => c.set !== undefined || commands.keepsSelection(c.edit ?? '', c.params);
                loaded.hint = nextKeys;
                loaded.arriving = () => pages.arriving;
                loaded.lacksPage = () => pages.lacks(place.at);
                loaded.onNotes = (notes) => loaded.open && transport.try(loaded.open, notes);
                loaded.onChange = () => transport.changed();
                // A take is measured by one time.
                loaded.onTime = () => recorder.stop();
                transport.attach(loaded);
                void interrupted.look(loaded);
                song = loaded;
                void loaded.queue.takeOver();
                loaded.crossWindow.watch();
            },
            (e: unknown) => (trouble = e instanceof Error ? e.message : String(e)),
        );
    });
    // Before what shows names looks for them.
    $effect.pre(() => {
        if (song) spellAs(song.tones);
    });
    // Where there is no sound, the sentence line says why.
    $effect(() => {
        if (song && transport.trouble) song.tell('', [], transport.trouble);
    });
    $effect(() => {
        if (song && transport.warning) song.tell(song.said, [transport.warning]);
        transport.warning = '';
    });
    // Sound is had ready while nothing else is asked for.
    $effect(() => {
        if (song) return whenQuiet(READY_AFTER, () => void transport.ready());
    });
    // The page wanted comes first; the others follow once it stands and while nothing is asked of them.
    $effect(() => {
        if (wanted === null || song) return whenQuiet(OTHERS_AFTER, () => void pages.all().catch(() => {}));
    });
    $effect(() => {
        keys.context = place.at === 'chords' ? 'keys' : place.at;
        if (place.at === 'keys') document.title = `${TITLES[place.page] ?? 'Shortcuts'} · Jactonic`;
        else
            document.title =
                place.at === 'songs' ? 'Jactonic' : `${part ? `${part.name} · ` : ''}${song?.name ?? ''} · Jactonic`;
    });

    /** What is typed into a field that gets the keys takes the place of what stood there. */
    function selectOld({ target }: FocusEvent): void {
        if (target instanceof HTMLInputElement && ['number', 'text'].includes(target.type)) target.select();
    }

    /** Says something, with a song or without. */
    function tell(words: string): void {
        hint = words;
        song?.tell(words);
    }

    if (router.unknown) tell(`There is no page “${router.unknown}”. These are all songs.`);

    // A key is done in its turn: what it does may hang on what the one before it leaves.
    keys.gate = (again, isPress, stroke) => song?.queue.newInput(again, isPress, stroke) ?? false;
    keys.passes = (what) => {
        if (what === 'Space' || what === 'play')
            return !song?.queue.opensPanel && !mayOpenPanel(keys.resolver.bindings, song?.queue.strokes ?? []);
        return (what === 'Escape' || what === 'escape') && song !== null && song.queue.isStoppable;
    };
    keys.holds = () => song?.queue.holdsInput ?? false;
    keys.opener = () => panels.opener;
    keys.onNothing = (stroke, elsewhere) => {
        const words = nothingHere(keys.context, stroke, elsewhere);
        if (words !== null) tell(words);
    };
    // Commands by name: of the application, of a song, every edit of the catalogue, and what roll and song page share. What
    // a page does itself goes before them.
    keys.handle(
        applicationCommands(() => song, tell),
        true,
    );
    $effect(() => (song ? keys.handle(songCommands(song), true) : undefined));
    $effect(() => {
        // On the song page a roll may stand underneath.
        const at = place.at === 'song' ? ['song', 'roll'] : ['roll'];
        return song ? keys.handle(editCommands(song, at), true) : undefined;
    });
    $effect(() => (song ? keys.handle(commonCommands(song), true) : undefined));
    // Windows of one song stay together: the others are told where this one is, and a part selected there is gone over to.
    $effect(() => {
        if (song && part) song.crossWindow.here(part.id, song.caret.tick);
        else song?.crossWindow.away();
    });
    $effect(() => {
        const here = song;
        const to = here?.crossWindow.wanted ?? null;
        if (!here || to === null || !part) return;
        untrack(() => {
            here.crossWindow.wanted = null;
            if (to !== part.id && here.parts.has(to) && !recorder.on)
                here.afterAll(() => router.go({ at: 'roll', song: here.id, part: to }));
        });
    });
    // A panel is for the page on which it was opened.
    $effect(() => {
        void place.at;
        untrack(() => {
            if (panels.open && !['steps', 'commands'].includes(panels.open.name)) panels.close();
        });
    });

    // A part that is no longer there is left.
    $effect(() => {
        const here = song;
        if (here && place.at === 'roll' && !part && here.lastPart?.id === place.part)
            untrack(() => router.go({ at: 'song', song: here.id }));
    });
</script>

<svelte:window
    onpagehide={() => transport.stop()}
    onfocusin={selectOld}
    ondragover={(e) => {
        e.preventDefault();
        dragged = e.dataTransfer?.types.includes('Files') ?? false;
    }}
    ondragleave={(e) => {
        if (e.relatedTarget === null) dragged = false;
    }}
    ondrop={(e) => {
        e.preventDefault();
        dragged = false;
        dropped = [...(e.dataTransfer?.files ?? [])];
        if (dropped.length > 0) router.go({ at: 'songs' });
    }}
/>

<div class="flex h-full flex-col">
    {#if place.at !== 'chords' && (place.at !== 'keys' || place.page !== 'sheet')}
        <TopLine {song} {part} stepsOpen={panels.open?.name === 'steps'} />
    {/if}
    {#if song && (place.at === 'song' || place.at === 'roll')}<TakeOffer />{/if}
    <div class="relative flex min-h-0 flex-1 flex-col">
        {#if place.at === 'songs'}
            <Songs {setup} download={downloadSong} {hint} bind:dropped />
        {:else if place.at === 'keys'}
            {#if place.page === 'shortcuts'}
                <Shortcuts {setup} />
            {:else}
                {@const Page = pages.get(place.page)}
                {#if Page}<Page />{/if}
            {/if}
        {:else if trouble}
            <main class="m-auto max-w-lg p-8 text-center">
                <p class="text-lg">{trouble}</p>
                <p class="mt-4"><a class="link" href="/">All songs</a></p>
            </main>
        {:else if !song}
            <main class="m-auto" role="status">Opening the song…</main>
        {:else if place.at === 'chords'}
            {@const ChordSheet = pages.get('chords')}
            {#if ChordSheet}<ChordSheet {song} />{/if}
        {:else if place.at === 'roll' && part}
            {@const RollPage = pages.get('roll')}
            {#key part}
                {#if RollPage}<RollPage {song} {part} {setup} />{/if}
            {/key}
        {:else if place.at === 'roll'}
            <main class="m-auto p-8 text-center">
                <p class="text-lg">This part is not in the song.</p>
                <p class="mt-4"><a class="link" href="/songs/{song.id}">The parts of {song.name}</a></p>
            </main>
        {:else}
            {@const SongPage = pages.get('song')}
            {#if SongPage}<SongPage {song} {setup} />{/if}
        {/if}
        {#if panels.open?.name === 'commands'}
            <CommandList {song} {part} onSaid={(said) => song?.tell(said)} />
        {/if}
        {#if panels.open?.name === 'steps' && song}
            {@const Steps = pages.get('steps')}
            {#if Steps}<Steps {song} />{/if}
        {/if}
    </div>
    {#if dragged}
        <div
            class="pointer-events-none fixed inset-3 z-40 flex items-center justify-center rounded-box border-2 border-dashed border-primary bg-base-100/90 text-2xl"
        >
            Drop to import the file
        </div>
    {/if}
</div>
<ReachLetters />
<Taken />
