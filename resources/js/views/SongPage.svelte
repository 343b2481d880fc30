<script lang="ts">
    import { onMount, tick, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { chordLine } from '../harmony/chord-line.svelte';
    import { harmony } from '../harmony/commands';
    import { does } from '../keys/does';
    import { keys } from '../keys/keys.svelte';
    import { addressOf, follow, router } from '../router.svelte';
    import { NEW_PART, NEW_TRACK, songRename } from '../roll/commands/make';
    import { transport } from '../sound/transport.svelte';
    import BottomLine from './BottomLine.svelte';
    import MiniPart from './MiniPart.svelte';
    import Rename from './Rename.svelte';
    import SongChords from './SongChords.svelte';

    let { song }: { song: Song } = $props();

    /** Bar numbers that have room side by side. */
    const MOST_MARKS = 24;
    let chosen = $state({ track: 0, part: 0 });
    /** Parts chosen besides that one. */
    let taken = $state.raw<ReadonlySet<number>>(new Set());
    let renaming = $state(false);
    let said = $state('');
    let trouble = $state('');
    const lines = $derived(song.parts.values().next().value?.lines);
    const marks = $derived.by(() => {
        if (!lines) return [];
        const count = lines.barAt(song.end - 1).index + 1;
        const every = 2 ** Math.max(0, Math.ceil(Math.log2(count / MOST_MARKS)));
        return Array.from({ length: Math.ceil(count / every) }, (_, i) => ({
            tick: lines.barNumber(i * every).start,
            bar: i * every + 1,
        }));
    });
    const changes = $derived(
        [
            ...song.time.meters.map(([tick, beats, unit]) => ({ tick, text: `${beats}/${unit}` })),
            ...song.time.tempos.map(([tick, , tempo]) => ({
                tick,
                text: `♩ ${Math.round((6e7 / tempo) * 100) / 100}`,
            })),
        ].filter((c, _, all) => all.findIndex((o) => o.tick === c.tick) >= 0),
    );
    const share = (ticks: number): number => (100 * ticks) / song.end;

    onMount(() => {
        chosen = place(song.lastPart);
        void tick().then(focus);
    });

    function place(part: Part | null): { track: number; part: number } {
        const track = part ? song.tracks.findIndex((t) => t.id === part.trackId) : 0;
        return {
            track: Math.max(0, track),
            part: part ? Math.max(0, song.tracks[track]?.parts.indexOf(part) ?? 0) : 0,
        };
    }

    function focus(): void {
        document.querySelector<HTMLElement>('[data-chosen=true]')?.focus();
    }

    function choose(x: number, y: number): void {
        const track = Math.max(0, Math.min(song.tracks.length - 1, chosen.track + y));
        const parts = song.tracks[track]?.parts ?? [];
        let part = Math.max(0, Math.min(parts.length - 1, chosen.part + x));
        // Up and down go to the part that lies nearest in time.
        const from = song.tracks[chosen.track]?.parts[chosen.part]?.firstStart ?? 0;
        if (y !== 0)
            part = parts.reduce(
                (best, p, i) => (Math.abs(p.firstStart - from) < Math.abs(parts[best]!.firstStart - from) ? i : best),
                0,
            );
        chosen = { track, part };
        taken = new Set();
        const chosenPart = song.tracks[track]?.parts[part];
        if (chosenPart) song.elsewhere.want(chosenPart.id);
        void tick().then(focus);
    }

    /** Chooses several parts: all, those of the track, or one more. */
    function take(parts: Part[]): void {
        taken = new Set(parts.map((p) => p.id));
        song.tell(parts.length === 1 ? '1 part chosen.' : `${parts.length} parts chosen.`);
    }

    /** Esc lets go of several parts before it leaves the page. */
    function letGo(): false | void {
        if (taken.size === 0) return false;
        taken = new Set();
        song.tell('1 part chosen.');
    }

    function rename(name: string): void {
        renaming = false;
        if (name !== song.name) song.do(songRename(name));
    }

    async function turn(index: number, what: 'muted' | 'soloed'): Promise<void> {
        const track = song.tracks[index];
        if (!track) return;
        await song.elsewhere.setTrack(track, what === 'muted' ? { muted: !track.muted } : { soloed: !track.soloed });
        said = song.said;
        trouble = song.trouble;
    }

    $effect(() =>
        keys.handle({
            choose: (p) => choose(Number(p.x ?? 0), Number(p.y ?? 0)),
            'open-part': () => {
                const part = song.tracks[chosen.track]?.parts[chosen.part];
                if (part) router.go({ at: 'roll', song: song.id, part: part.id });
            },
            'choose-parts': (p) =>
                take((p.which === 'track' ? [song.tracks[chosen.track]!] : song.tracks).flatMap((t) => t.parts)),
            'open-songs': letGo,
            ...harmony(song, null),
            rename: () => void (renaming = true),
            set: (p) => song.do({ set: p, on: [{ parts: [...song.chosenParts] }] }),
            track: (p) => void turn(chosen.track, p.what === 'muted' ? 'muted' : 'soloed'),
        }),
    );
    // What is done here is done to the parts chosen.
    $effect(() => {
        const part = song.tracks[chosen.track]?.parts[chosen.part];
        const all = [...new Set([...(part ? [part.id] : []), ...taken])].filter((id) => song.parts.has(id));
        untrack(() => (song.chosenParts = all));
        return () => (song.chosenParts = []);
    });
    $effect(() => {
        void song.revisionShown;
        void chordLine.kept;
        return chordLine.follow(song, null);
    });
    // Undo and redo speak through the song.
    $effect(() => {
        said = song.said;
        trouble = song.trouble;
    });

    /** Where a part's box begins and ends: at its window, or where that reaches far, at what is in it. */
    function startOf(part: Part): number {
        return part.notes.size === 0 ? part.head.from : Math.max(part.head.from, part.firstStart);
    }

    function endOf(part: Part): number {
        const { to } = part.head;
        return part.notes.size === 0 ? (to ?? song.end) : Math.min(to ?? Infinity, part.lastEnd);
    }

    /** Parts that lie over one another in time stand below one another: in which row one stands, and of how many. */
    function rowOf(parts: Part[], part: Part): [number, number] {
        const ends: number[] = [];
        let mine = 0;
        for (const p of [...parts].sort((a, b) => startOf(a) - startOf(b) || a.id - b.id)) {
            const free = ends.findIndex((end) => end <= startOf(p));
            const row = free < 0 ? ends.length : free;
            ends[row] = endOf(p);
            if (p === part) mine = row;
        }
        return [mine, ends.length];
    }

    function at(e: MouseEvent): number {
        const box = (e.currentTarget as Element).getBoundingClientRect();
        return (song.end * (e.clientX - box.left)) / box.width;
    }
</script>

<main class="flex min-h-0 flex-1 flex-col overflow-y-auto px-6 py-5">
    <div class="mb-4 flex items-baseline gap-4">
        {#if renaming}
            <div class="w-96">
                <Rename name={song.name} onDone={rename} onCancel={() => (renaming = false)} />
            </div>
        {:else}
            <h1 class="truncate pb-1 font-serif text-3xl leading-snug">{song.name}</h1>
            <button class="link text-sm whitespace-nowrap" {@attach does('rename')}>Rename</button>
            <button
                class="link text-sm whitespace-nowrap"
                title="An empty part on the track chosen"
                {@attach does(NEW_PART)}>New part</button
            >
            <button
                class="link text-sm whitespace-nowrap"
                title="A track with an empty part, to begin with a piano"
                {@attach does(NEW_TRACK, { program: 0 })}>New track</button
            >
        {/if}
    </div>
    {#if song.tracks.length === 0}
        <p class="text-lg">This song has no notes. Import a file that holds some.</p>
    {:else}
        <div class="grid grid-cols-[15rem_1fr] border-y border-base-content/50">
            <div class="border-r border-b border-base-300"></div>
            <button
                type="button"
                tabindex="-1"
                class="relative h-11 cursor-pointer overflow-hidden border-b border-base-300 text-left"
                data-field
                onclick={(e) => {
                    song.putCaret(lines?.barAt(at(e)).start ?? 0);
                    transport.locate(song.caret.tick);
                }}
                title="Click to play from there"
                aria-label="Bars; a click sets where playing begins"
            >
                {#each changes as change, i (i)}
                    <span
                        class="absolute top-0 border-l border-base-content pl-1 text-xs whitespace-nowrap"
                        style:left="{share(change.tick)}%"
                        style:padding-left={changes.findIndex((c) => c.tick === change.tick) < i ? '2.4rem' : undefined}
                        >{change.text}</span
                    >
                {/each}
                {#each marks as mark (mark.tick)}
                    <span
                        class="absolute bottom-0 h-5 border-l border-base-content/50 pl-1 text-sm"
                        style:left="{share(mark.tick)}%">{mark.bar}</span
                    >
                {/each}
            </button>
            {#if chordLine.shown}
                <SongChords {share} />
            {/if}
            {#each song.tracks as track, t (track.id)}
                <div
                    class="flex items-center gap-2 border-r border-b border-base-300 py-2 pr-2 {chosen.track === t
                        ? 'bg-base-200'
                        : ''}"
                >
                    <span class="h-10 w-1.5 shrink-0 rounded-r" style:background="var(--tint-{t % 6})"></span>
                    <span class="min-w-0 flex-1">
                        <span class="block truncate font-semibold">{track.name || `Track ${t + 1}`}</span>
                        <span class="block truncate text-sm text-base-content/80">{track.instrument}</span>
                    </span>
                    <button
                        class="btn btn-xs {track.muted ? 'btn-neutral' : 'btn-outline border-base-300'}"
                        aria-pressed={track.muted}
                        aria-label="Mute {track.name}"
                        title="Mute the track"
                        {@attach does('track', { what: 'muted' }, () => (chosen = { ...chosen, track: t }))}
                        >mute</button
                    >
                    <button
                        class="btn btn-xs {track.soloed ? 'btn-accent' : 'btn-outline border-base-300'}"
                        aria-pressed={track.soloed}
                        aria-label="Solo {track.name}"
                        title="Solo the track"
                        {@attach does('track', { what: 'soloed' }, () => (chosen = { ...chosen, track: t }))}
                        >solo</button
                    >
                </div>
                <div class="relative h-16 border-b border-base-300 {song.audible(track) ? '' : 'opacity-60'}">
                    {#each track.parts as part, p (part.id)}
                        {@const [row, rows] = rowOf(track.parts, part)}
                        {@const isChosen = (chosen.track === t && chosen.part === p) || taken.has(part.id)}
                        {@const to = { at: 'roll', song: song.id, part: part.id } as const}
                        <a
                            class:border-dashed={song.elsewhere.at?.part === part.id}
                            title={song.elsewhere.at?.part === part.id ? 'Open in another window' : undefined}
                            class="absolute overflow-hidden rounded-sm border bg-base-100 {isChosen
                                ? 'z-10 border-2 border-primary'
                                : 'border-base-content/40'}"
                            style:top="calc(0.25rem + (100% - 0.5rem) * {row / rows})"
                            style:height="calc((100% - 0.5rem) / {rows})"
                            style:left="{share(part.version >= 0 ? startOf(part) : 0)}%"
                            style:width="{Math.max(1, share(part.version >= 0 ? endOf(part) - startOf(part) : 0))}%"
                            href={addressOf(to)}
                            data-chosen={chosen.track === t && chosen.part === p}
                            aria-current={isChosen}
                            data-testid="part"
                            onfocus={() => (chosen = { track: t, part: p })}
                            onclick={(e) => {
                                if (!e.shiftKey) return follow(e, to);
                                e.preventDefault();
                                take([...[...song.parts.values()].filter((q) => taken.has(q.id)), part]);
                            }}
                            onkeydown={(e) => {
                                if (e.key === 'Enter') {
                                    e.preventDefault();
                                    router.go(to);
                                }
                            }}
                            aria-label="{part.name}, {part.notes.size} notes"
                        >
                            <span class="absolute top-0 left-1 z-10 truncate text-xs" aria-hidden="true"
                                >{part.name}</span
                            >
                            <MiniPart {part} tint={t} />
                        </a>
                    {/each}
                </div>
            {/each}
            <div></div>
            <div class="pointer-events-none relative h-0">
                {#if song.elsewhere.at}
                    <div
                        class="absolute bottom-0 border-l border-dashed border-base-content"
                        style:left="{share(song.elsewhere.at.tick)}%"
                        style:height="{song.tracks.length * 4}rem"
                        title="The caret in another window"
                        data-testid="other-caret"
                    ></div>
                {/if}
                <div
                    class="absolute bottom-0 w-px bg-accent"
                    style:left="{share(transport.tick)}%"
                    style:height="{song.tracks.length * 4}rem"
                    data-testid="song-playhead"
                ></div>
            </div>
        </div>
    {/if}
</main>
<BottomLine {said} warnings={song.warnings} {trouble} long={song.queue.long} />
