<script lang="ts">
    import { tick, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { BY_PLAYING } from '../roll/commands/make';
    import type { Hint } from '../keys/keys.svelte';
    import { PanelReading } from './panel-reading.svelte';
    import Panel from './Panel.svelte';

    /** What the panel does with keys, for the strip. */
    const HINTS: Hint[] = [['ArrowLeft ArrowRight', 'note']];

    let { song, part }: { song: Song; part: Part } = $props();

    /** id, place in the bar from 0 to 1, ms off the line, velocity */
    type Dot = [id: number, place: number, off: number, velocity: number];
    const WIDTH = 352;
    const HEIGHT = 260;
    const EDGE = 14;

    /** Which of the edits has its landing shown, from 1; 0 for none. */
    let after = $state(0);
    /** The notes that are looked at, while single ones of them are selected here. */
    let of = untrack(() => [...song.selection.notes]);
    let at = $state(-1);
    /** The choice that this panel made itself. */
    let mine = -1;
    const last = new PanelReading(
        untrack(() => song.queue),
        () => song.read('playing', {}, [{ part: part.id, notes: of.filter((id) => part.notes.has(id)) }]),
    );
    const { answer: reading, trouble } = $derived(last);

    $effect(() => {
        void part.version;
        void part.settings;
        void untrack(() => last.read());
    });
    // What somebody selects is read; what the panel itself selects is of what was read.
    $effect(() => {
        if (song.selection.version === untrack(() => mine)) return;
        of = untrack(() => [...song.selection.notes]);
        void untrack(() => last.read());
    });
    // Where an edit would put them, here and in the roll.
    $effect(() => {
        void song.selection.version;
        void part.version;
        const by = BY_PLAYING[after - 1];
        const notes = of.length > 0 ? of : [...part.notes.keys()];
        untrack(() => {
            if (by) void song.preview.look([{ ...by.command, on: { part: part.id, notes } }]);
            else song.preview.unlook();
        });
    });
    $effect(() => () => song.preview.unlook());

    /** Where notes would land, as dots. */
    const landed = $derived.by((): Dot[] => {
        const { lines } = part;
        return (song.preview.landing?.notes ?? []).map((n) => {
            const line = lines.nearest(n.start);
            const bar = lines.barAt(line);
            const off = (song.time.seconds(n.start) - song.time.seconds(line)) * 1000;
            return [n.id, (line - bar.start) / (bar.end - bar.start), off, n.velocity];
        });
    });

    /** In order of the place in the bar, then of how late: as they are walked. */
    const dots = $derived([...(reading?.notes ?? [])].sort((a, b) => a[1] - b[1] || a[2] - b[2]));
    const most = $derived(Math.max(20, ...(reading ? [...reading.notes, ...landed].map((d) => Math.abs(d[2])) : [])));
    const x = (place: number): number => EDGE + place * (WIDTH - 2 * EDGE);
    const y = (off: number): number => HEIGHT / 2 + (off / most) * (HEIGHT / 2 - EDGE);
    const size = (velocity: number): number => 2 + (velocity / 127) * 5;

    /** A dot is selected as a note is: the roll shows and sounds it. */
    function go(to: number, add: boolean): void {
        const dot = dots[Math.max(0, Math.min(dots.length - 1, to))];
        if (!dot) return;
        at = dots.indexOf(dot);
        song.select(add ? [...song.selection.notes, dot[0]] : [dot[0]]);
        mine = song.selection.version;
        song.onNotes(song.selectedNotes, false);
        const ms = Math.round(Math.abs(dot[2]));
        song.tell(`${ms} ms ${dot[2] < 0 ? 'early' : 'late'}, velocity ${dot[3]}.`);
        void tick();
    }

    function press(e: KeyboardEvent): void {
        if (e.altKey || e.ctrlKey || e.metaKey) return;
        const step = { ArrowRight: 1, ArrowLeft: -1 }[e.key];
        if (step) last.after(() => go(at + step, e.shiftKey));
        else if (/^[1-4]$/.test(e.key)) after = Number(e.key) - 1;
        else return;
        e.preventDefault();
        e.stopPropagation();
    }
</script>

<Panel title="The playing" onkeydown={press} hints={HINTS}>
    {#if trouble}
        <p class="p-4 text-error">{trouble}</p>
    {:else if reading}
        <p class="px-4 pt-3" data-testid="playing-said">{reading.said}</p>
        <svg
            class="mx-4 mt-3 block border border-base-content/40"
            width={WIDTH}
            height={HEIGHT}
            role="img"
            aria-label="How far each note stands off its line, by its place in the bar"
        >
            {#each Array.from({ length: reading.beats }, (_, i) => i / reading!.beats) as beat, i (beat)}
                <line x1={x(beat)} x2={x(beat)} y1="0" y2={HEIGHT} class="stroke-base-content/25" />
                <text x={x(beat) + 3} y={HEIGHT - 4} class="fill-base-content text-xs">{i + 1}</text>
            {/each}
            <line x1="0" x2={WIDTH} y1={HEIGHT / 2} y2={HEIGHT / 2} class="stroke-base-content/70" />
            <text x="3" y="12" class="fill-base-content text-xs">early, {Math.round(most)} ms</text>
            <text x={WIDTH - 4} y={HEIGHT - 4} text-anchor="end" class="fill-base-content text-xs">late</text>
            {#each dots as [id, place, off, velocity], i (id)}
                {@const chosen = song.selection.version >= 0 && song.selection.notes.has(id) && at >= 0}
                <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
                <circle
                    cx={x(place)}
                    cy={y(off)}
                    r={size(velocity)}
                    class="cursor-pointer {chosen ? 'fill-primary' : 'fill-base-content/45'} stroke-base-content"
                    stroke-width={chosen ? 2 : 0.5}
                    data-testid="dot"
                    onclick={(e) => go(i, e.shiftKey)}
                />
            {/each}
            {#each landed as [id, place, off, velocity] (id)}
                <circle
                    cx={x(place)}
                    cy={y(off)}
                    r={size(velocity)}
                    class="fill-none stroke-primary"
                    stroke-width="1.5"
                    stroke-dasharray="3 2"
                    data-testid="dot-after"
                />
            {/each}
        </svg>
        <p class="px-4 pt-2 text-sm text-base-content/85">
            Across: the bar. Down: later than the line. The larger a dot, the louder; a broken ring is where it would
            go.
        </p>
        <div class="flex flex-wrap gap-x-4 gap-y-1 px-4 py-2" role="group" aria-label="Where an edit would put them">
            {#each ['as they are', ...BY_PLAYING.map((b) => b.title)] as title, i (title)}
                <label class="flex cursor-pointer items-center gap-1.5"
                    ><input
                        class="radio radio-xs"
                        type="radio"
                        name="after"
                        checked={after === i}
                        onchange={() => (after = i)}
                    /><kbd class="key">{i + 1}</kbd>{title}</label
                >
            {/each}
        </div>
    {/if}
    {#snippet foot()}<span class="text-sm">← → from dot to dot, with Shift one more</span>{/snippet}
</Panel>
