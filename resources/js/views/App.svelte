<script lang="ts">
    import { untrack } from 'svelte';
    import { request } from '../api/client';
    import { downloadSong, save, saveWhole } from '../api/saving';
    import { Song } from '../api/song.svelte';
    import type { Command, Setup } from '../api/types';
    import { reach } from '../keys/reach.svelte';
    import { nothingHere } from '../keys/other-page';
    import { nextKeys } from '../keys/next-keys';
    import { keys, type Handler } from '../keys/keys.svelte';
    import { router } from '../router.svelte';
    import { recorder } from '../sound/recorder.svelte';
    import { metronome } from '../sound/metronome.svelte';
    import { startPlaying, stopPlaying } from '../sound/announcement';
    import { tuning } from '../sound/tuning.svelte';
    import { transport } from '../sound/transport.svelte';
    import { theme } from '../theme.svelte';
    import { commands } from '../keys/commands.svelte';
    import { interrupted } from '../sound/interrupted.svelte';
    import { tempoTap } from '../roll/commands/make';
    import { callDrums, spellAs } from '../roll/names';
    import { asPressed, doing } from './doing';
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

    /** Seconds without a tap after which tapping begins anew, and the most taps of one go. */
    const TAP_PAUSE = 2;
    const MOST_TAPS = 60;
    /** Milliseconds after a song is there and nothing is asked for: a rest in scrolling is shorter, and decoding would hold it up. */
    const READY_AFTER = 1000;
    /** Likewise, after which pages are fetched that may be wanted next. */
    const OTHERS_AFTER = 700;

    const TITLES: Record<string, string> = { pace: 'Key tips', guide: 'Guide', backups: 'Backup' };

    untrack(() => callDrums(setup.drums));
    let song = $state.raw<Song | null>(null);
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

    // A key is done in its turn: what it does may hang on what the one before it leaves.
    keys.gate = (again, isPress) => song?.queue.newInput(again, isPress) ?? false;
    keys.passes = (what) => {
        if (what === 'Space' || what === 'play') return !song?.queue.opensPanel;
        return (what === 'Escape' || what === 'escape') && song !== null && song.queue.isStoppable;
    };
    keys.holds = () => song?.queue.holdsInput ?? false;
    keys.onNothing = (stroke, elsewhere) => {
        const words = nothingHere(keys.context, stroke, elsewhere);
        if (words === null) return;
        hint = words;
        song?.tell(words);
    };
    keys.handle(
        {
            theme: () => theme.turn(),
            reach: () => reach.begin((words) => song?.tell(words)),
            strip: () => {
                keys.turnStrip();
                const rows = keys.stripRows;
                song?.tell(rows === 0 ? 'The key strip is hidden.' : `The key strip has ${rows} lines.`);
            },
            commands: () => panels.turn({ name: 'commands' }),
            shortcuts: () => router.go({ at: 'keys', page: 'shortcuts' }),
            sheet: () => router.go({ at: 'keys', page: 'sheet' }),
            pace: () => router.go({ at: 'keys', page: 'pace' }),
            backups: () => router.go({ at: 'keys', page: 'backups' }),
            backup: () => void backUp(),
            guide: (p) => {
                router.go({ at: 'keys', page: 'guide' });
                history.replaceState(null, '', p.at === 'marks' ? '/guide#marks' : '/guide');
            },
        },
        true,
    );
    // What a song can do, while there is one.
    $effect(() => {
        if (!song) return;
        const here = song;
        return keys.handle(
            {
                undo: () => here.undo(),
                redo: () => here.redo(),
                play: () => {
                    const lines = (here.parts.values().next().value?.lines ?? here.time.plain)!;
                    if (transport.playing) stopPlaying(here, lines);
                    else void startPlaying(here, lines, transport.tick);
                },
                locate: (p) =>
                    transport.locate(
                        p.to === 'start'
                            ? 0
                            : (part?.lastEnd ?? Math.max(0, ...[...here.parts.values()].map((q) => q.lastEnd))),
                    ),
                loop: () => {
                    if (recorder.on) return here.tell('The loop cannot be changed while recording.');
                    if (transport.loop) transport.setLoop({ ...transport.loop, on: !transport.loop.on });
                    else transport.setLoop({ from: 0, to: part?.lastEnd || here.end, on: true });
                    here.tell(transport.loop?.on ? 'The span loops.' : 'The span does not loop.');
                },
                metronome: () => {
                    metronome.turn(!metronome.on);
                    here.tell(metronome.on ? 'The metronome is on.' : 'The metronome is off.');
                },
                'count-in': () => {
                    recorder.set({ countIn: (recorder.settings.countIn + 1) % 3 });
                    const { countIn } = recorder.settings;
                    here.tell(
                        countIn === 0
                            ? 'Recording begins without a count-in.'
                            : `${countIn === 1 ? 'A bar is' : 'Two bars are'} counted before recording.`,
                    );
                },
                'stop-returns': () => {
                    transport.setReturns(!transport.returns);
                    here.tell(
                        transport.returns
                            ? 'Stop returns the playhead to where it was started.'
                            : 'Stop leaves the playhead where it is.',
                    );
                },
                tap: () => tap(here),
                'tune-latency': () => tuning.turn(here),
                take: (p) => {
                    const [left] = interrupted.left;
                    if (!left) here.tell('No take was interrupted.');
                    else if (p.what === 'drop') {
                        interrupted.throwAway(left);
                        here.tell('The interrupted take is discarded.');
                    } else interrupted.restore(here, left);
                },
                hear: () => {
                    transport.setHear(!transport.hear);
                    here.tell(
                        transport.hear ? 'Notes are heard when they are touched.' : 'Notes are not heard when touched.',
                    );
                },
                steps: () => panels.turn({ name: 'steps' }),
                export: () => save(here),
                'export-whole': () => saveWhole(here),
                'open-songs': () => router.go({ at: 'songs' }),
                'open-song': () => router.go({ at: 'song', song: here.id }),
                track: (p) => {
                    const track = part && here.trackOf(part);
                    if (track)
                        here.crossWindow.setTrack(track.id, (now) =>
                            p.what === 'muted' ? { muted: !now.muted } : { soloed: !now.soloed },
                        );
                },
            },
            true,
        );
    });
    // Every edit of the catalogue that is for this page is a command on what is selected there.
    $effect(() => {
        if (!song) return;
        const here = song;
        // On the song page a roll may stand underneath.
        const at = place.at === 'song' ? ['song', 'roll'] : ['roll'];
        const edits = Object.fromEntries(
            setup.commands
                .filter((c) => commands.edits.has(c.id) && at.some((a) => c.contexts.includes(a)))
                .map(({ id }): [string, Handler] => [
                    id,
                    (params, _, press) => {
                        here.do(meant(here, { edit: id, params, ...asPressed(press) }));
                        // What is typed behind a part that is made is for that.
                        if (!commands.keepsSelection(id, params)) here.afterAll(() => openMade(here));
                    },
                ]),
        );
        return keys.handle(edits, true);
    });
    $effect(() => (song ? keys.handle(doing(song), true) : undefined));
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

    /** Copies everything, and says where to. */
    async function backUp(): Promise<void> {
        await song?.settled();
        const words = await request('POST', 'backups').then(
            ({ made, where }) => `Everything is copied to ${made}, in ${where}.`,
            (e: unknown) => (e instanceof Error ? e.message : String(e)),
        );
        hint = words;
        song?.tell(words);
    }

    let taps: number[] = [];

    /** A tap a quarter: from the second on the tempo follows. */
    function tap(here: Song): void {
        const now = performance.now() / 1000;
        if (taps.length >= MOST_TAPS || now - (taps.at(-1) ?? 0) > TAP_PAUSE) taps = [];
        taps = [...taps, now];
        if (taps.length < 2) return here.tell('Keep tapping, once a quarter.');
        here.do(tempoTap(taps, Math.round(transport.tick)));
    }

    /** A part that was just made is opened. */
    function openMade(here: Song): void {
        const { made } = here;
        here.made = null;
        if (made !== null && song === here && here.stage === 'roll' && place.at === 'roll')
            router.go({ at: 'roll', song: here.id, part: made });
    }

    // A part that is no longer there is left.
    $effect(() => {
        const here = song;
        if (here && place.at === 'roll' && !part && here.lastPart?.id === place.part)
            untrack(() => router.go({ at: 'song', song: here.id }));
    });

    /** Where a shortcut names the pointer, a note that is there and not selected is meant. */
    function meant(here: Song, command: Command): Command {
        const under = here.pointer?.note;
        const at = Object.values(command.params ?? {}).includes('pointer');
        return at && under && here.open && !here.selection.notes.has(under.id)
            ? { ...command, on: { part: here.open.id, notes: [under.id] } }
            : command;
    }
</script>

<svelte:window
    onpagehide={() => transport.stop()}
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
