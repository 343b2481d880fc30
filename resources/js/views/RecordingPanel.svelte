<script lang="ts">
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { labels } from '../keys/strokes';
    import { recorder } from '../sound/recorder.svelte';
    import { latency, MOST_LATENCY } from '../sound/latency.svelte';
    import { metronome } from '../sound/metronome.svelte';
    import { TAPS, tuning } from '../sound/tuning.svelte';
    import Panel from './Panel.svelte';

    let { song, part }: { song: Song; part: Part } = $props();

    const settings = $derived(recorder.settings);
    const COUNTS = ['none', '1 bar', '2 bars'];

    function key(command: string, params: Record<string, unknown> = {}): string {
        return labels(keys.keysFor(command, params, 'roll')).join(' ');
    }

    function setLatency(text: string): void {
        const ms = Number(text);
        if (text === '') latency.set(null);
        else if (Math.abs(ms) <= MOST_LATENCY) latency.set(ms);
        else song.tell('', [], `A latency is from −${MOST_LATENCY} to ${MOST_LATENCY} ms: ${text} was not taken.`);
    }
</script>

{#snippet choice(
    title: string,
    what: string,
    options: [string, string, boolean][],
    pick: (option: string) => void,
    name: string,
)}
    <fieldset class="px-4" disabled={recorder.on}>
        <legend class="flex w-full items-center gap-2 pt-4 text-sm font-semibold"
            >{title}
            {#if what}<kbd class="key font-normal">{what}</kbd>{/if}</legend
        >
        {#each options as [option, words, on] (option)}
            <label class="flex cursor-pointer items-center gap-2 pt-1"
                ><input
                    class="radio radio-sm"
                    type="radio"
                    {name}
                    value={option}
                    checked={on}
                    data-first={name === 'count-in' && on ? true : undefined}
                    onchange={() => pick(option)}
                />
                {words}</label
            >
        {/each}
    </fieldset>
{/snippet}

<Panel title="Recording">
    <p class="px-4 pt-3">
        {#if recorder.on}
            A take is recorded into {recorder.part?.name}. How it records stays as it is until it ends.
        {:else}
            The next take goes into {settings.into === 'new' && part.notes.size > 0
                ? 'a new part on this track'
                : part.name}.
        {/if}
    </p>
    <div class="flex flex-wrap gap-2 px-4 pt-3">
        <button class="btn btn-sm {recorder.on ? 'btn-error' : 'btn-primary'}" title="Record" {@attach does('record')}
            >{recorder.on ? 'End the take' : 'Record'} <kbd class="key text-base-content">{key('record')}</kbd></button
        >
        <button
            class="btn btn-sm {recorder.armed ? 'btn-neutral' : 'btn-outline'}"
            aria-pressed={recorder.armed}
            title="While armed, playing records"
            {@attach does('arm')}>Armed <kbd class="key text-base-content">{key('arm')}</kbd></button
        >
        <button class="btn btn-outline btn-sm" title="Delete the last round" {@attach does('take-back')}
            >Delete the last round <kbd class="key">{key('take-back')}</kbd></button
        >
    </div>
    {@render choice(
        'Count-in',
        key('count-in'),
        COUNTS.map((words, n) => [String(n), words, settings.countIn === n]),
        (n) => recorder.set({ countIn: Number(n) }),
        'count-in',
    )}
    {@render choice(
        'What is there already',
        key('record-set', { what: 'mode' }),
        [
            ['overdub', 'stays, the take is added to it', settings.mode === 'overdub'],
            ['replace', 'is replaced by the take', settings.mode === 'replace'],
        ],
        (mode) => recorder.set({ mode: mode === 'replace' ? 'replace' : 'overdub' }),
        'mode',
    )}
    {@render choice(
        'Timing',
        key('record-set', { what: 'timing' }),
        [
            ['raw', 'as it was played', settings.timing === 'raw'],
            [
                'quantized',
                `quantized as it comes in, to ${part.settings.grid} at ${part.settings.strength} %`,
                settings.timing === 'quantized',
            ],
        ],
        (timing) => recorder.set({ timing: timing === 'quantized' ? 'quantized' : 'raw' }),
        'timing',
    )}
    {@render choice(
        'Where',
        key('record-set', { what: 'punch' }),
        [
            ['anywhere', 'everywhere', !settings.punch],
            [
                'span',
                song.span
                    ? `only in the span, ${song.time.position(song.span.from, part.lines)} to ${song.time.position(song.span.to, part.lines)}`
                    : 'only in the span (there is none yet)',
                settings.punch,
            ],
        ],
        (where) => recorder.set({ punch: where === 'span' }),
        'punch',
    )}
    {@render choice(
        'Into',
        key('record-set', { what: 'into' }),
        [
            ['part', 'the open part', settings.into === 'part'],
            ['new', 'a new part on its track', settings.into === 'new'],
        ],
        (into) => recorder.set({ into: into === 'new' ? 'new' : 'part' }),
        'into',
    )}
    <div class="flex flex-col gap-2 px-4 pt-5">
        <span class="text-sm font-semibold">Metronome <kbd class="key font-normal">{key('metronome')}</kbd></span>
        <label class="flex cursor-pointer items-center gap-2"
            ><input
                class="checkbox checkbox-sm"
                type="checkbox"
                checked={metronome.on}
                onchange={(e) => metronome.turn(e.currentTarget.checked)}
            /> whenever it plays</label
        >
        <label class="flex cursor-pointer items-center gap-2"
            ><input
                class="checkbox checkbox-sm"
                type="checkbox"
                checked={settings.click}
                onchange={(e) => recorder.set({ click: e.currentTarget.checked })}
            /> while it records</label
        >
        <label class="flex items-center gap-2"
            >level <input
                class="range range-xs w-40"
                type="range"
                min="0"
                max="1"
                step="0.05"
                value={metronome.level}
                oninput={(e) => metronome.setLevel(Number(e.currentTarget.value))}
            />
            <span class="w-10 text-right">{Math.round(metronome.level * 100)} %</span></label
        >
    </div>
    <div class="flex flex-col gap-2 px-4 pt-5 pb-6">
        <label class="flex items-center gap-2 text-sm font-semibold"
            >Latency <input
                class="input input-sm w-24 text-right"
                type="number"
                min={-MOST_LATENCY}
                max={MOST_LATENCY}
                step="any"
                placeholder={String(latency.told)}
                value={latency.own}
                disabled={recorder.on}
                onchange={(e) => setLatency(e.currentTarget.value)}
            /> ms</label
        >
        <p class="text-sm text-base-content/85">
            How late sound is heard on this device: what you see and record is corrected by it. Left empty, it is what
            this machine reports: <span data-testid="told-latency">{latency.told}</span> ms.
        </p>
        <button
            class="btn self-start btn-sm {tuning.on ? 'btn-neutral' : 'btn-outline'}"
            aria-pressed={tuning.on}
            disabled={recorder.on}
            title="Tune the latency by tapping along"
            {@attach does('tune-latency')}
            >{tuning.on ? 'Stop' : 'Tune it by tapping along'}
            <kbd class="key text-base-content">{key('tune-latency')}</kbd></button
        >
        {#if tuning.on}
            <p role="status">
                Tap any key along with the click: <b class="font-semibold">{tuning.taps} of {TAPS}</b>
            </p>
        {/if}
    </div>
</Panel>
