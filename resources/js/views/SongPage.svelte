<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Setup } from '../api/types';
    import type { ArrangeModel } from '../arrange/arrange-model.svelte';
    import Staves from '../arrange/Staves.svelte';
    import { chordLine } from '../harmony/chord-line.svelte';
    import { commands } from '../keys/commands.svelte';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { NEW_PART, NEW_TRACK, songRename } from '../roll/commands/make';
    import { router } from '../router.svelte';
    import BottomLine from './BottomLine.svelte';
    import EditPanel from './EditPanel.svelte';
    import Menu from './Menu.svelte';
    import { panels } from '../panels.svelte';
    import SongLine from './SongLine.svelte';
    import Rename from '../stage/Rename.svelte';
    import RollPage from './RollPage.svelte';
    import ShelfPanel from './ShelfPanel.svelte';
    import SongChords from './SongChords.svelte';
    import ArticulationsPanel from './ArticulationsPanel.svelte';
    import DrillsPanel from './DrillsPanel.svelte';
    import SoundPanel from './SoundPanel.svelte';
    import NudgePanel from './NudgePanel.svelte';
    import TempoPanel from './TempoPanel.svelte';
    import RecipesPanel from './recipes/RecipesPanel.svelte';

    let { song, setup }: { song: Song; setup: Setup } = $props();

    // What is done on this page is meant for parts, also while the song has none.
    $effect.pre(() => {
        const here = song;
        here.stage = 'song';
        return () => (here.stage = 'roll');
    });

    let renaming = $state(false);
    let model = $state.raw<ArrangeModel | null>(null);
    let hovered = $state('');
    let menu = $state.raw<{ x: number; y: number; on: 'part' | 'staff' | 'track' | 'ruler' } | null>(null);
    /** The part whose notes are in the roll under the staves. */
    let under = $state<number | null>(null);
    const low = $derived.by(() => {
        void song.revisionShown;
        return under === null ? null : (song.parts.get(under) ?? null);
    });
    const part = $derived.by(() => {
        void song.revisionShown;
        void song.selection.parts;
        void song.caretTrack;
        return model?.part ?? null;
    });
    const open = $derived(panels.open);
    const spec = $derived(open?.name === 'edit' ? commands.find(open.edit ?? '') : undefined);

    function rename(name: string): void {
        renaming = false;
        if (name !== song.name) song.do(songRename(name));
    }

    function openPart(to: Part): void {
        if (low) under = to.id;
        else router.go({ at: 'roll', song: song.id, part: to.id });
    }

    /** The roll comes up under the staves, with the same stretch of time. */
    function turnUnder(): void {
        if (under !== null) {
            under = null;
            song.stage = 'song';
            return song.tell('The roll is hidden.');
        }
        const to = model?.chosen[0] ?? part;
        if (!to) return song.tell('Select a part first.');
        song.seen = model && { left: model.view.left, scale: model.view.scale, row: 10 };
        under = to.id;
        song.stage = 'roll';
    }

    $effect(() =>
        keys.handle(
            {
                rename: () => void (renaming = true),
                'roll-under': turnUnder,
            },
            true,
        ),
    );
    // In the roll underneath its keys hold; Esc with nothing selected comes back to the staves.
    $effect(() => {
        keys.context = low && song.stage === 'roll' ? 'roll' : 'song';
    });
    $effect(() => {
        if (!low || song.stage !== 'roll') return;
        return keys.handle({
            escape: () => {
                if (song.selection.isAny || panels.open) return false;
                song.stage = 'song';
                song.tell('Back on the tracks.');
            },
            'open-song': () => {
                song.stage = 'song';
                song.tell('Back on the tracks.');
            },
        });
    });
    $effect(() => {
        void song.revisionShown;
        void chordLine.kept;
        return chordLine.follow(song, null);
    });
    const share = (ticks: number): number => {
        void model?.moved;
        const view = model?.view;
        return view && view.width > 0 ? ((ticks - view.left) * view.scale * 100) / view.width : 0;
    };
</script>

<main class="flex min-h-0 flex-1 flex-col">
    <div class="flex items-baseline gap-4 px-4 py-1.5">
        {#if renaming}
            <div class="w-96">
                <Rename name={song.name} onDone={rename} onCancel={() => (renaming = false)} />
            </div>
        {:else}
            <h1 class="truncate font-serif text-2xl leading-snug">{song.name}</h1>
            <button class="link text-sm whitespace-nowrap" {@attach does('rename')}>Rename</button>
            <button
                class="link text-sm whitespace-nowrap"
                title="An empty part on the track of the caret"
                {@attach does(NEW_PART)}>New part</button
            >
            <button
                class="link text-sm whitespace-nowrap"
                title="A track with an empty part, to begin with a piano"
                {@attach does(NEW_TRACK, { program: 0 })}>New track</button
            >
            <button
                class="link text-sm whitespace-nowrap"
                title="Phrases kept for every song"
                {@attach does('panel', { name: 'shelf' })}>Shelf</button
            >
            <button
                class="link text-sm whitespace-nowrap"
                title="The notes of the selected part, under the tracks"
                aria-pressed={low !== null}
                {@attach does('roll-under')}>Roll below</button
            >
            {#if song.tracks && song.allTracks.some((t) => t.conductor)}
                <button
                    class="link text-sm whitespace-nowrap"
                    title="Tracks of the file that hold only tempo, meter or texts"
                    aria-pressed={song.showsConductor}
                    {@attach does('conductor-track')}>Tracks without music</button
                >
            {/if}
        {/if}
    </div>
    <div class="relative flex min-h-0 flex-1 flex-col border-t border-base-content/50">
        {#if chordLine.shown}
            <div class="ml-[232px] border-b border-base-300"><SongChords {share} /></div>
        {/if}
        <!-- The tracks stay, also when there are none: keys typed behind an undo that brings some back are theirs. -->
        <Staves
            {song}
            onHover={(w) => (hovered = w)}
            onOpen={openPart}
            onModel={(d) => (model = d)}
            onMenu={(m) => (menu = m)}
        />
        {#if song.tracks.length === 0}
            <p class="absolute top-12 left-[248px] text-lg">This song has no tracks. Shift N puts one in.</p>
        {/if}
        {#if low}
            <div
                class="flex h-[58%] min-h-0 flex-col border-t-2 {song.stage === 'roll'
                    ? 'border-primary'
                    : 'border-base-content/50'}"
                data-testid="under"
                onpointerdowncapture={() => (song.stage = 'roll')}
            >
                {#key low}<RollPage {song} part={low} {setup} under={model} />{/key}
            </div>
        {/if}
    </div>
    {#if !low}
        <BottomLine
            said={song.said}
            times={song.told}
            warnings={song.warnings}
            trouble={song.trouble}
            numbers={hovered}
            long={song.queue.long}
            slow={song.queue.patience.slow}
        >
            {#if part}<SongLine {song} {part} />{/if}
        </BottomLine>
    {/if}
    {#if !low || song.stage === 'song'}
        {#if open?.name === 'edit' && spec && part}
            {#key spec}<EditPanel {song} {part} {spec} />{/key}
        {:else if open?.name === 'articulations'}
            <ArticulationsPanel {song} />
        {:else if open?.name === 'drills'}
            <DrillsPanel {song} />
        {:else if open?.name === 'sound'}
            <SoundPanel {song} />
        {:else if open?.name === 'shelf' || open?.name === 'shelve'}
            <ShelfPanel {song} keep={open.name === 'shelve'} />
        {:else if open?.name === 'tempo' && part}
            <TempoPanel {song} {part} />
        {:else if open?.name === 'nudge' && part}
            <NudgePanel {song} {part} />
        {:else if open?.name === 'recipes' && part}
            <RecipesPanel {song} {part} />
        {/if}
    {/if}
    {#if menu}
        <Menu
            x={menu.x}
            y={menu.y}
            title={{
                part: 'Menu of the part',
                track: 'Menu of the track',
                staff: 'Menu of this place',
                ruler: 'Menu of the time',
            }[menu.on]}
            context="song"
            needs={{
                part: ['parts', 'notes'],
                track: ['tracks'],
                staff: ['tracks', 'song'],
                ruler: ['part', 'parts', 'song', 'tracks'],
            }[menu.on]}
            about={menu.on === 'ruler' ? /span|loop|tempo|bar|marker|time/ : undefined}
            onClose={() => (menu = null)}
        />
    {/if}
</main>
