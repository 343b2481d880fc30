<script lang="ts">
    import { counted } from '../rules/counted';
    import { untrack } from 'svelte';
    import type { Landing } from '../api/landing';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { ArrangeModel } from '../arrange/arrange-model.svelte';
    import { HEADS } from '../arrange/sizes';
    import type { Setup } from '../api/types';
    import { commands } from '../keys/commands.svelte';
    import { keys } from '../keys/keys.svelte';
    import { heardAs } from '../api/opened';
    import { numbersOf } from '../roll/numbers';
    import Roll from '../roll/Roll.svelte';
    import { router } from '../router.svelte';
    import type { MenuOf, RollModel } from '../roll/roll-model.svelte';
    import { stepState } from '../roll/steps.svelte';
    import { recorder } from '../sound/recorder.svelte';
    import { transport } from '../sound/transport.svelte';
    import BottomLine from './BottomLine.svelte';
    import ChoicesPanel from './ChoicesPanel.svelte';
    import EditPanel from './EditPanel.svelte';
    import GroovePanel from './GroovePanel.svelte';
    import InputPanel from './InputPanel.svelte';
    import ArticulationsPanel from './ArticulationsPanel.svelte';
    import { articulated } from '../roll/articulated.svelte';
    import DrillsPanel from './DrillsPanel.svelte';
    import { drills } from './drills.svelte';
    import RollMenu from './RollMenu.svelte';
    import LanesPanel from './LanesPanel.svelte';
    import NudgePanel from './NudgePanel.svelte';
    import { panels } from '../panels.svelte';
    import PenPanel from './PenPanel.svelte';
    import ReadingPanel from './ReadingPanel.svelte';
    import RepairsPanel from './RepairsPanel.svelte';
    import RowsPanel from './RowsPanel.svelte';
    import ScalePanel from './ScalePanel.svelte';
    import UnderlayPanel from './UnderlayPanel.svelte';
    import PlayingPanel from './PlayingPanel.svelte';
    import ShelfPanel from './ShelfPanel.svelte';
    import SoundPanel from './SoundPanel.svelte';
    import RecordingPanel from './RecordingPanel.svelte';
    import RecipesPanel from './recipes/RecipesPanel.svelte';
    import { giveChoiceBack, keepChoice } from './left';
    import PartLine from './PartLine.svelte';
    import TempoPanel from './TempoPanel.svelte';

    interface Props {
        song: Song;
        part: Part;
        setup: Setup;
        /** The staves that it stands under, in time with them. */
        under?: ArrangeModel | null;
    }
    let { song, part, setup, under = null }: Props = $props();

    let hovered = $state('');
    let model = $state.raw<RollModel | null>(null);
    // With nothing under the pointer, the one selected note says its numbers.
    const numbers = $derived.by(() => {
        void song.selection.version;
        void part.version;
        const [only, more] = song.selectedNotes;
        const against = only && !more ? model?.underlay.against(only) : '';
        const ofOne = only && !more ? [numbersOf(only, part, song.time), against].filter(Boolean).join('  ') : '';
        // Else what is heard otherwise than it is written here.
        return hovered || ofOne || heardAs(part).join(', ');
    });

    const open = $derived(song.stage === 'roll' ? panels.open : null);
    /** What was asked for by the second button. */
    let menu = $state.raw<{ x: number; y: number; on: MenuOf } | null>(null);

    function take(one: RollModel): void {
        model = one;
        one.onMenu = (at) => (menu = at);
    }
    const spec = $derived(
        open?.name === 'edit'
            ? commands.find(open.edit ?? '')
            : commands.specs.find((s) => s.panel && s.panel === open?.name),
    );
    // While a key is held to look, the line tells what is looked at.
    const held = $derived.by(() => {
        if (song.preview.comparing) return { tag: 'Compare', said: song.preview.comparing, warnings: [], trouble: '' };
        return song.preview.landing && open === null ? { tag: 'Preview', ...words(song.preview.landing) } : null;
    });

    /** What goes on until it is ended. */
    const underWay = $derived(
        recorder.on
            ? transport.counting > 0
                ? `Count-in: ${transport.counting}`
                : `Take${recorder.round > 0 ? `, round ${recorder.round}` : ''}: ${counted(recorder.count, 'note')}`
            : song.commandLog.recording
              ? `Recording: ${song.commandLog.recording.length}`
              : [recorder.armed && 'Armed', stepState.on && 'Step input'].filter(Boolean).join(', '),
    );

    $effect(() => {
        void song.selection.version;
        keys.chosen = song.selection.lane ? song.selection.points.size : song.selection.notes.size;
        keys.work = model?.own.open ? 'curve' : song.selection.lane !== null ? 'lane' : 'notes';
        return () => {
            keys.chosen = -1;
            keys.work = 'notes';
        };
    });
    $effect(() => {
        keys.repeats = song.commandLog.recent.map((c) =>
            commands.title(c.edit ?? 'recipe', c.edit ? (c.params ?? {}) : { recipe: c.recipe }),
        );
    });

    function words(landing: Landing): { said: string; warnings: string[]; trouble: string } {
        return { said: landing.said, warnings: landing.warnings, trouble: landing.trouble };
    }

    // Under the staves both show one stretch of time, whichever is moved.
    $effect(() => {
        const [above, here] = [under, model];
        if (!above || !here) return;
        here.onView = () => above.view.like(here.view);
        above.onView = () => here.view.like(above.view);
        untrack(() => {
            here.view.like(above.view);
            // There is little room: the lane comes by its key.
            here.laneOpen = false;
        });
        return () => {
            above.onView = here.onView = () => {};
        };
    });
    $effect(() => {
        void song.revisionShown;
        if (drills.running) untrack(() => void drills.look(song, part));
    });
    $effect(() => {
        articulated.set = song.trackOf(part).articulations;
        model?.touch('notes');
    });
    $effect(() => {
        const opened = part;
        untrack(() => {
            song.openPart(opened);
            giveChoiceBack(song, opened);
        });
        return () => {
            if (router.isAside) keepChoice(song, opened);
            song.openPart(null);
        };
    });
</script>

<svelte:element this={under ? 'div' : 'main'} class="flex min-h-0 flex-1 flex-col">
    {#if !under}<h1 class="sr-only">{part.name}</h1>{/if}
    <Roll
        {song}
        {part}
        drums={setup.drums}
        wide={under ? HEADS : 0}
        onHover={(text) => (hovered = text)}
        onModel={take}
    />
    {#if menu}
        <RollMenu {...menu} onClose={() => (menu = null)} />
    {/if}
    <BottomLine
        tag={held?.tag ?? underWay}
        said={held?.said ?? song.said}
        times={song.told}
        warnings={held?.warnings ?? song.warnings}
        trouble={held?.trouble ?? song.trouble}
        {numbers}
        long={song.queue.long}
        slow={song.queue.patience.slow}
    >
        <PartLine {song} {part} />
    </BottomLine>
    {#if open?.name === 'edit' && spec}
        {#key spec}<EditPanel {song} {part} {spec} />{/key}
    {:else if open?.name === 'groove' && spec}
        <GroovePanel {song} {part} {spec} />
    {:else if open?.name === 'reading'}
        <ReadingPanel {song} {part} />
    {:else if open?.name === 'recipes'}
        <RecipesPanel {song} {part} />
    {:else if open?.name === 'pen'}
        <PenPanel {song} {part} />
    {:else if open?.name === 'recording'}
        <RecordingPanel {song} {part} />
    {:else if open?.name === 'input'}
        <InputPanel {song} {part} {setup} />
    {:else if open?.name === 'tempo'}
        <TempoPanel {song} {part} />
    {:else if open?.name === 'nudge'}
        <NudgePanel {song} {part} />
    {:else if open?.name === 'scale'}
        <ScalePanel {song} {part} />
    {:else if open?.name === 'repairs'}
        <RepairsPanel {song} {part} />
    {:else if open?.name === 'choices'}
        <ChoicesPanel {song} {part} />
    {:else if open?.name === 'underlay' && model}
        <UnderlayPanel {song} {part} underlay={model.underlay} />
    {:else if open?.name === 'rows' && model}
        <RowsPanel {song} {part} {model} />
    {:else if open?.name === 'lanes' && model}
        <LanesPanel {part} {model} />
    {:else if open?.name === 'articulations'}
        <ArticulationsPanel {song} />
    {:else if open?.name === 'drills'}
        <DrillsPanel {song} />
    {:else if open?.name === 'sound'}
        <SoundPanel {song} />
    {:else if open?.name === 'shelf' || open?.name === 'shelve'}
        <ShelfPanel {song} keep={open.name === 'shelve'} />
    {:else if open?.name === 'playing'}
        <PlayingPanel {song} {part} />
    {/if}
</svelte:element>
