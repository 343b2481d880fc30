<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import type { Setup } from '../api/types';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { signAt } from '../keys/layout';
    import { labels } from '../keys/strokes';
    import { devices } from '../sound/inputs/devices.svelte';
    import { inputs } from '../sound/inputs/inputs.svelte';
    import { player, type PlayerSettings } from '../sound/inputs/player.svelte';
    import { typing } from '../sound/inputs/typing.svelte';
    import { noteName } from '../roll/names';
    import { stepState } from '../roll/steps.svelte';
    import Panel from './Panel.svelte';

    let { song, part, setup }: { song: Song; part: Part; setup: Setup } = $props();

    const held = $derived([...new Set(inputs.held.values())].sort((a, b) => a - b));
    const settings = $derived(player.settings);

    function key(command: string, params: Record<string, unknown> = {}): string {
        return labels(keys.keysFor(command, params, 'roll')).join(' ');
    }

    function row(codes: string[]): string {
        return codes.map((code) => signAt(code).toUpperCase()).join(' ');
    }

    /** Takes a number that is in range, and says so where it is not. */
    function number(name: keyof PlayerSettings, text: string, min: number, max: number, whole = true): void {
        const n = whole ? Math.round(Number(text)) : Number(text);
        if (text !== '' && n >= min && n <= max) player.set({ [name]: n });
        else song.tell('', [], `From ${min} to ${max}: ${text || 'nothing'} was not taken.`);
    }
</script>

<Panel title="Inputs">
    <p class="flex items-center gap-2 px-4 pt-3" role="status">
        Keys down: <b class="font-semibold" data-testid="held"
            >{held.map((p) => noteName(p, part.channel)).join(' ') || 'nothing'}</b
        >
    </p>
    <section class="px-4 pt-4" aria-label="MIDI keyboard">
        <h3 class="font-serif text-lg">MIDI keyboard</h3>
        {#if devices.state === 'on' && devices.all.length > 0}
            <label class="flex items-center gap-2 pt-1"
                >Listen to <select
                    class="select select-sm flex-1"
                    value={devices.all.some((d) => d.id === devices.chosen) ? devices.chosen : ''}
                    onchange={(e) => devices.choose(e.currentTarget.value)}
                    data-first
                >
                    <option value="">all that are plugged in</option>
                    {#each devices.all as device (device.id)}<option value={device.id}>{device.name}</option>{/each}
                </select></label
            >
        {:else if devices.state === 'on'}
            <p class="pt-1">No MIDI keyboard is plugged in. When one is, it is heard at once.</p>
        {:else if devices.state === 'asking'}
            <p class="pt-1">The browser asks whether MIDI devices may be used.</p>
        {:else if devices.why}
            <p class="border-l-4 border-warning py-1 pl-3" role="alert">{devices.why}</p>
        {:else}
            <p class="pt-1">The browser is asked for MIDI keyboards only when you say so.</p>
        {/if}
        {#if devices.state !== 'on' && devices.state !== 'missing'}
            <button
                class="btn mt-2 btn-outline btn-sm"
                disabled={devices.state === 'asking'}
                data-first={devices.state === 'off' || devices.state === 'refused' ? true : undefined}
                title="Look for MIDI keyboards"
                {@attach does('ask-inputs')}>{devices.state === 'refused' ? 'Ask again' : 'Look for them'}</button
            >
        {/if}
    </section>
    <section class="px-4 pt-5" aria-label="Computer keys">
        <h3 class="font-serif text-lg">Computer keys</h3>
        <div class="flex items-center gap-3 pt-1">
            <button
                class="btn btn-sm {typing.on ? 'btn-neutral' : 'btn-outline'}"
                aria-pressed={typing.on}
                title="Computer keys play"
                {@attach does('keyboard')}
                >{typing.on ? 'They play' : 'Let them play'}
                <kbd class="key text-base-content">{key('keyboard')}</kbd></button
            >
            <span>from C{typing.octave}, velocity {part.settings.penVelocity}</span>
        </div>
        <button
            class="btn mt-2 btn-sm {stepState.on ? 'btn-neutral' : 'btn-outline'}"
            aria-pressed={stepState.on}
            title="What is played is written at the caret"
            {@attach does('step-input')}
            >Step input: written at the caret <kbd class="key text-base-content">{key('step-input')}</kbd></button
        >
        <p class="pt-2 text-sm text-base-content/85">
            White keys <kbd class="key">{row(['KeyA', 'KeyS', 'KeyD', 'KeyF'])} …</kbd> and black ones in the row above.
            <kbd class="key">{row(['KeyZ', 'KeyX', 'KeyC', 'KeyV'])}</kbd> take the four touches,
            <kbd class="key">{row(['Comma', 'Period'])}</kbd> an octave down and up. They play where the roll has the focus.
        </p>
    </section>
    <section class="px-4 pt-5 pb-6" aria-label="Simulated player">
        <h3 class="font-serif text-lg">Simulated player</h3>
        <p class="pt-1 text-sm text-base-content/85">
            Plays a short passage as if it sat at a keyboard, for trying and for showing.
        </p>
        <label class="flex items-center gap-2 pt-2"
            >Passage <select
                class="select select-sm flex-1"
                value={settings.passage}
                onchange={(e) => player.set({ passage: e.currentTarget.value })}
                data-first={devices.state === 'missing' ? true : undefined}
            >
                {#each setup.passages as passage (passage.id)}<option value={passage.id}>{passage.name}</option>{/each}
            </select></label
        >
        <div class="grid grid-cols-2 gap-x-4 gap-y-2 pt-2">
            <label class="flex items-center justify-between gap-2"
                >Loose, ms <input
                    class="input input-sm w-20 text-right"
                    type="number"
                    min="0"
                    max="100"
                    value={settings.loose}
                    onchange={(e) => number('loose', e.currentTarget.value, 0, 100, false)}
                /></label
            >
            <label class="flex items-center justify-between gap-2"
                >Seed <input
                    class="input input-sm w-20 text-right"
                    type="number"
                    min="0"
                    value={settings.seed}
                    onchange={(e) => number('seed', e.currentTarget.value, 0, 1e9)}
                /></label
            >
            <label class="flex items-center justify-between gap-2"
                >Times <input
                    class="input input-sm w-20 text-right"
                    type="number"
                    min="1"
                    max="64"
                    value={settings.times}
                    onchange={(e) => number('times', e.currentTarget.value, 1, 64)}
                /></label
            >
            <label class="flex items-center justify-between gap-2"
                >Tempo <input
                    class="input input-sm w-20 text-right"
                    type="number"
                    min="20"
                    max="400"
                    placeholder="song’s"
                    value={settings.tempo}
                    onchange={(e) =>
                        e.currentTarget.value === ''
                            ? player.set({ tempo: null })
                            : number('tempo', e.currentTarget.value, 20, 400, false)}
                /></label
            >
        </div>
        <button
            class="btn mt-3 btn-sm {player.playing ? 'btn-neutral' : 'btn-outline'}"
            aria-pressed={player.playing}
            title="Let the simulated player play"
            {@attach does('player')}
            >{player.playing ? 'Stop the player' : 'Play it'}
            <kbd class="key text-base-content">{key('player')}</kbd></button
        >
    </section>
</Panel>
