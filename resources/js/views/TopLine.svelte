<script lang="ts">
    import {
        Circle,
        CircleDot,
        Download,
        History,
        Keyboard,
        Lamp,
        Metronome,
        Moon,
        Piano,
        Play,
        Redo2,
        Repeat,
        Search,
        SlidersHorizontal,
        Square,
        Undo2,
        Volume2,
        VolumeX,
    } from 'lucide';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { clock } from '../rules/time';
    import { does } from '../keys/does';
    import { follow } from '../router.svelte';
    import { recorder } from '../sound/recorder.svelte';
    import { metronome } from '../sound/metronome.svelte';
    import { transport } from '../sound/transport.svelte';
    import { theme } from '../theme.svelte';
    import SoundLevel from './SoundLevel.svelte';
    import TempoField from './TempoField.svelte';
    import Icon from '../stage/Icon.svelte';

    interface Props {
        song: Song | null;
        part: Part | null;
        stepsOpen: boolean;
    }
    let { song, part, stepsOpen }: Props = $props();

    /** A button that is an icon, with a word under it where there is room. */
    const ICON =
        'btn btn-sm btn-ghost btn-square w-9 flex-col gap-0.5 px-0 min-[1200px]:h-10 min-[1200px]:w-auto min-[1200px]:min-w-9 min-[1200px]:px-0.5';

    const lines = $derived(part?.lines ?? song?.parts.values().next().value?.lines);
    // To the sixteenth: hundredths would flicker while it plays.
    const position = $derived(
        song && lines
            ? song.time
                  .position(Math.floor(transport.tick + 1e-3), lines)
                  .split('.')
                  .slice(0, 3)
                  .join('.')
            : '1.1.1',
    );
    const seconds = $derived(song ? clock(song.time.seconds(transport.tick)) : '0:00.0');
    const meter = $derived(song ? song.time.meterAt(transport.tick).join('/') : '');
</script>

{#snippet word(text: string)}
    <!-- What an icon means; its name is said already. -->
    <span class="text-xs leading-none font-normal max-[1199px]:hidden" aria-hidden="true">{text}</span>
{/snippet}

<header
    class="words-on-focus relative z-40 flex min-h-12 shrink-0 items-center gap-2 border-b border-base-300 bg-base-100 px-3 max-[1100px]:gap-1 max-[1100px]:[&_.btn-square]:w-7 {song
        ? 'max-[860px]:flex-wrap max-[860px]:gap-y-0 max-[860px]:py-0.5'
        : ''}"
>
    <nav class="flex min-w-0 flex-1 items-baseline gap-2" aria-label="Location">
        <a
            class="font-serif text-lg font-semibold"
            href="/"
            aria-label="Jactonic: all songs"
            onclick={(e) => follow(e, { at: 'songs' })}
            >J<span class={song ? 'max-[1100px]:hidden' : ''}>actonic</span></a
        >
        {#if song}
            {@const here = song}
            <span class="text-base-content/60" aria-hidden="true">›</span>
            <a
                class="truncate {part ? '' : 'font-semibold'}"
                href="/songs/{here.id}"
                onclick={(e) => follow(e, { at: 'song', song: here.id })}
                data-testid="song-name">{here.name}</a
            >
            {#if part}
                <span class="text-base-content/60" aria-hidden="true">›</span>
                <span class="truncate font-semibold" data-testid="part-name">{part.name}</span>
            {/if}
        {/if}
    </nav>
    {#if song}
        <!-- In a narrow window (or one at twice the size) it is a line of its own. -->
        <div
            class="contents max-[860px]:order-1 max-[860px]:flex max-[860px]:basis-full max-[860px]:items-center max-[860px]:justify-between"
        >
            <div class="flex items-center gap-1" role="group" aria-label="Transport">
                <button
                    class={ICON}
                    {@attach does('play')}
                    title="Play, stop"
                    aria-label={transport.playing ? 'Stop' : 'Play'}
                    aria-pressed={transport.playing}
                >
                    {#if transport.loading}<span class="loading loading-xs loading-spinner"
                        ></span>{:else if transport.playing}<Icon of={Square} size={17} />{:else}<Icon
                            of={Play}
                            size={17}
                        />{/if}{@render word(transport.playing ? 'stop' : 'play')}
                </button>
                <button
                    class="{ICON} {transport.loop?.on ? 'text-accent underline decoration-2 underline-offset-4' : ''}"
                    {@attach does('loop')}
                    title="Loop"
                    aria-label="Loop"
                    aria-pressed={transport.loop?.on === true}
                    ><Icon of={Repeat} size={17} stroke={transport.loop?.on ? 3 : 2} />{@render word('loop')}
                </button>
            </div>
            <div class="flex items-center gap-1" role="group" aria-label="Recording">
                <button
                    class="{ICON} {recorder.on ? 'bg-error text-error-content' : ''}"
                    {@attach does('record')}
                    disabled={!part}
                    title={recorder.on ? 'End the take' : 'Record'}
                    aria-label={recorder.on ? 'End the take' : 'Record'}
                    aria-pressed={recorder.on}
                >
                    {#if recorder.armed || recorder.on}<Icon of={CircleDot} size={17} />{:else}<Icon
                            of={Circle}
                            size={17}
                        />{/if}{@render word('record')}
                </button>
                <button
                    class="{ICON} {metronome.on ? 'text-accent underline decoration-2 underline-offset-4' : ''}"
                    {@attach does('metronome')}
                    title="Metronome"
                    aria-label="Metronome"
                    aria-pressed={metronome.on}
                    ><Icon of={Metronome} size={17} stroke={metronome.on ? 3 : 2} />{@render word('click')}
                </button>
                <button
                    class={ICON}
                    {@attach does('panel', { name: 'recording' })}
                    disabled={!part}
                    title="Recording settings"
                    aria-label="Recording settings"
                    ><Icon of={SlidersHorizontal} size={17} />{@render word('options')}</button
                >
                <button
                    class={ICON}
                    {@attach does('panel', { name: 'input' })}
                    disabled={!part}
                    title="Inputs: keyboards and the simulated player"
                    aria-label="Inputs"><Icon of={Piano} size={17} />{@render word('inputs')}</button
                >
            </div>
            {#if transport.counting > 0}
                <output class="w-20 text-right text-lg font-semibold text-accent" data-testid="counting"
                    >in {transport.counting}</output
                >
            {:else}
                <output class="w-20 text-right text-lg font-semibold" data-testid="position">{position}</output>
            {/if}
            <output class="w-14 text-right text-base-content/80">{seconds}</output>
            <span class="flex items-center whitespace-nowrap text-base-content/80"
                >♩<TempoField {song} /><button
                    class="btn btn-sm btn-ghost px-1 text-base font-normal disabled:text-base-content/80!"
                    {@attach does('panel', { name: 'tempo' })}
                    disabled={!part}
                    title="Meter here; opens tempo and meter"
                    aria-label="Tempo and meter, {meter} here">{meter}</button
                ></span
            >
            <SoundLevel />
            <button
                class={ICON}
                {@attach does('hear')}
                title="Hear notes when touched"
                aria-label="Hear notes when touched"
                aria-pressed={transport.hear}
            >
                {#if transport.hear}<Icon of={Volume2} size={17} />{:else}<Icon
                        of={VolumeX}
                        size={17}
                    />{/if}{@render word('hear')}
            </button>
            <span class="h-6 border-l border-base-300 max-[1100px]:hidden"></span>
            <div class="flex items-center">
                <button class={ICON} {@attach does('undo')} disabled={!song.canUndo} title="Undo" aria-label="Undo"
                    ><Icon of={Undo2} size={17} />{@render word('undo')}</button
                >
                <button class={ICON} {@attach does('redo')} disabled={!song.canRedo} title="Redo" aria-label="Redo"
                    ><Icon of={Redo2} size={17} />{@render word('redo')}</button
                >
                <button
                    class="{ICON} {stepsOpen ? 'bg-base-200' : ''}"
                    {@attach does('steps')}
                    title="History"
                    aria-label="History"
                    aria-pressed={stepsOpen}><Icon of={History} size={17} />{@render word('history')}</button
                >
                <button
                    class={ICON}
                    {@attach does('export')}
                    title="Save as a MIDI file"
                    aria-label="Save as a MIDI file"><Icon of={Download} size={17} />{@render word('save')}</button
                >
            </div>
            <span
                class="flex w-5 justify-center"
                title={song.trouble && song.queue.waiting ? 'Waiting for the server' : 'Everything is saved'}
            >
                <Icon
                    of={Circle}
                    size={9}
                    class={song.queue.waiting ? 'text-warning' : 'text-base-content/40'}
                    fill={song.queue.waiting ? 'none' : 'currentColor'}
                    label={song.queue.waiting ? 'Saving' : 'Everything is saved'}
                />
            </span>
        </div>
    {/if}
    <button class={ICON} {@attach does('commands')} title="All commands" aria-label="All commands"
        ><Icon of={Search} size={17} />{@render word('find')}</button
    >
    <button class={ICON} {@attach does('shortcuts')} title="Shortcuts" aria-label="Shortcuts"
        ><Icon of={Keyboard} size={17} />{@render word('keys')}</button
    >
    <button class={ICON} {@attach does('theme')} title="Light or dark" aria-label="Light or dark">
        {#if theme.name === 'paper'}<Icon of={Moon} size={17} />{:else}<Icon of={Lamp} size={17} />{/if}{@render word(
            theme.name === 'paper' ? 'dark' : 'light',
        )}
    </button>
</header>
