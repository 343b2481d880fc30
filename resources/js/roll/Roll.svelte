<script lang="ts">
    import { onMount, untrack } from 'svelte';
    import type { Part } from '../api/part.svelte';
    import type { Song } from '../api/song.svelte';
    import { linesAround, nearestLine } from '../api/time';
    import type { Command, Note } from '../api/types';
    import { keys, type Handler, type Press } from '../keys/keys.svelte';
    import { transport } from '../sound/transport.svelte';
    import { theme } from '../theme.svelte';
    import { coloursOf, type Colours } from './colours';
    import { inputs } from '../sound/inputs/inputs.svelte';
    import { recorder } from '../sound/recorder.svelte';
    import { DRAG_FROM, NoteDrag, noteAt } from './drag';
    import { Layer } from './layer';
    import { numbersOf } from './numbers';
    import { pitchName } from './names';
    import { paintGrid } from './paint/grid';
    import { paintKeyboard, paintRuler, paintVelocity, stemTop } from './paint/margins';
    import { paintNotes } from './paint/notes';
    import { paintOverlay, type Drawn, type Overlay } from './paint/overlay';
    import { penTicks, PenStroke, tool } from './pen.svelte';
    import { writing } from './writing.svelte';
    import { View } from './view';

    interface Props {
        song: Song;
        part: Part;
        drums: Record<string, string>;
        /** What is under the pointer, in numbers. */
        onHover: (numbers: string) => void;
    }
    let { song, part, drums, onHover }: Props = $props();

    const KEYBOARD = 104;
    const RULER = 40;
    // A low window (or one at twice the size) keeps its room for the notes.
    const LANE = window.innerHeight < 560 ? 44 : 96;
    const FOLLOW_AT = 0.94;
    const WHEEL_ZOOM = 0.0022;
    const DRUM_CHANNEL = 9;
    const OPENING_BARS = 6;
    /** Pixels that make a notch of the wheel, so that a touchpad does not race. */
    const NOTCH = 40;
    /** Milliseconds between notches that belong together. */
    const STILL_TURNING = 600;

    let body: HTMLElement;
    let canvases: Record<'grid' | 'notes' | 'overlay' | 'ruler' | 'keyboard' | 'lane', HTMLCanvasElement> = $state.raw(
        {} as never,
    );
    let layers: Record<keyof typeof canvases, Layer>;
    /** What the pointer is over, while it is over the notes. */
    let pointed: { tick: number; pitch: number } | null = null;
    let playhead: HTMLElement;
    let caret: HTMLElement;
    let caretRow: HTMLElement;
    let laneOpen = $state(localStorage.getItem('jactonic.lane') !== 'closed');
    let cursor = $state('default');
    const lit = new Set<number>();
    let view: View;
    let colours: Colours;
    let overlay: Overlay = {
        box: null,
        outlines: null,
        sounding: [],
        landing: null,
        marked: null,
        drawn: [],
        erased: new Set(),
        held: [],
    };
    let pen: PenStroke | null = null;
    /** Notes drawn that the server has not told of yet. */
    let pending: Drawn[] = [];
    /** Whether something was chosen at each of the last two presses: a press that ends a choice draws nothing. */
    let hadChoice: [boolean, boolean] = [false, false];
    let drag: NoteDrag | null = null;
    /** What a press began, until it is let go. */
    let gesture: {
        kind: 'box' | 'note' | 'lane' | 'ruler' | 'pen' | 'erase' | 'key' | 'none';
        x: number;
        y: number;
        from: number;
        keep: Set<number>;
        take: boolean;
        note: Note | null;
    } | null = null;
    let raised = 0;
    let frame = 0;
    let follow = true;
    /** The edit whose landing is looked at while its key is held. */
    let looked = $state.raw<Command | null>(null);
    let playedPlaces = $state(localStorage.getItem('jactonic.played') !== 'hidden');
    /** The wheel as a key: pixels gone since the last notch, and which it was. */
    let wheeled = { pixels: 0, stroke: '', at: 0 };

    const isDrums = $derived(part.version >= 0 && part.ordered[0]?.channel === DRUM_CHANNEL);
    const trackIndex = $derived(song.tracks.findIndex((t) => t.id === part.trackId));

    function touch(...which: (keyof typeof canvases)[]): void {
        if (!layers) return;
        for (const w of which) layers[w].touch();
        if (!frame) frame = requestAnimationFrame(draw);
    }

    function touchAll(): void {
        touch('grid', 'notes', 'ruler', 'keyboard', 'lane');
        // Mostly there is nothing on it.
        if (
            overlay.box ||
            overlay.outlines ||
            overlay.landing ||
            overlay.marked ||
            overlay.sounding.length + overlay.drawn.length + overlay.held.length + overlay.erased.size > 0
        )
            touch('overlay');
    }

    function draw(): void {
        frame = 0;
        for (const layer of Object.values(layers)) layer.draw();
        placePlayhead();
        placeCaret();
        // What is on screen, for tests and measurements: revision, left tick, pixels per tick, top pitch, row height.
        body.dataset.drawn = [song.revision, view.left, view.scale, view.top, view.row].join(' ');
    }

    function placePlayhead(): void {
        const x = view.x(transport.tick);
        playhead.style.transform = `translateX(${x}px)`;
        playhead.style.visibility = x < -1 || x > view.width ? 'hidden' : 'visible';
    }

    function placeCaret(): void {
        const x = Math.round(view.x(song.caret.tick));
        caret.style.transform = `translateX(${x}px)`;
        caret.style.visibility = x < -1 || x > view.width ? 'hidden' : 'visible';
        caretRow.style.transform = `translateY(${Math.round(view.y(song.caret.pitch))}px)`;
        caretRow.style.height = `${view.row}px`;
    }

    onMount(() => {
        view = new View(song.time.ppq, touchAll);
        view.end = song.end;
        colours = coloursOf(trackIndex);
        const selected = (): ReadonlySet<number> => song.selected;
        layers = {
            grid: new Layer(canvases.grid, (ctx) => paintGrid(ctx, view, part.lines, song.time, colours), true),
            notes: new Layer(
                canvases.notes,
                (ctx) =>
                    paintNotes(
                        ctx,
                        view,
                        part,
                        selected(),
                        `${part.version} ${song.selectionVersion} ${song.selected.size}`,
                        playedPlaces,
                        colours,
                    ),
                true,
            ),
            overlay: new Layer(canvases.overlay, (ctx) => paintOverlay(ctx, view, part, overlay, colours)),
            ruler: new Layer(canvases.ruler, (ctx) =>
                paintRuler(
                    ctx,
                    view,
                    part,
                    song.time,
                    {
                        loop: transport.loop,
                        caret: song.caret.tick,
                        recording: recorder.on,
                        punch: recorder.settings.punch,
                    },
                    RULER,
                    colours,
                ),
            ),
            keyboard: new Layer(canvases.keyboard, (ctx) =>
                paintKeyboard(ctx, view, KEYBOARD, isDrums ? drums : null, lit, colours),
            ),
            lane: new Layer(
                canvases.lane,
                (ctx) => paintVelocity(ctx, view, part, selected(), raised, LANE, colours),
                true,
            ),
        };
        const resize = (): void => {
            const { width, height } = canvases.notes.parentElement!.getBoundingClientRect();
            const first = view.width === 0;
            for (const w of ['grid', 'notes', 'overlay'] as const) layers[w].resize(width, height);
            layers.ruler.resize(width, RULER);
            layers.keyboard.resize(KEYBOARD, height);
            layers.lane.resize(width, laneOpen ? LANE : 0);
            view.resize(width, height);
            if (first) begin();
            else touchAll();
        };
        const observer = new ResizeObserver(resize);
        observer.observe(canvases.notes.parentElement!);
        resize();
        body.focus({ preventScroll: true });
        const off = keys.handle({ ...handlers, ...written.handlers });
        const deaf = written.start();
        transport.onFrame = onFrame;
        song.onCaret = caretCame;
        return () => {
            song.onCaret = () => {};
            deaf();
            observer.disconnect();
            off();
            cancelAnimationFrame(frame);
            transport.onFrame = () => {};
        };
    });

    $effect(() => {
        void part.version;
        void part.lines;
        void song.end;
        void song.selectionVersion;
        if (!view) return;
        view.end = song.end;
        touchAll();
    });
    $effect(() => {
        void theme.version;
        if (!view) return;
        colours = coloursOf(trackIndex);
        touchAll();
    });
    $effect(() => {
        void transport.loop;
        void recorder.on;
        void recorder.settings;
        touch('ruler');
    });
    // What is held is seen at once, also on the keyboard.
    $effect(() => {
        const held = [...inputs.held.values()];
        if (!view) return;
        showHeld();
        const { tick } = untrack(() => song.caret);
        if (written.steps.on && held.length > 0) view.reveal(tick, tick + 1, Math.min(...held), Math.max(...held));
    });
    $effect(() => {
        void transport.tick;
        if (view && !transport.playing) {
            overlay.sounding = [];
            lit.clear();
            touch('overlay', 'keyboard');
        }
    });
    $effect(() => {
        overlay.landing = song.landing;
        overlay.marked = song.marked;
        touch('overlay');
    });
    $effect(() => {
        void playedPlaces;
        touch('notes');
    });
    $effect(() => {
        void song.caret;
        if (!view) return;
        placeCaret();
        touch('ruler');
    });
    // What is looked at follows the notes, the choice and the settings.
    $effect(() => {
        void song.selectionVersion;
        void part.version;
        void part.settings;
        if (looked) void untrack(() => song.look([looked!], true));
    });
    // An edit by key may carry the notes out of sight: keep them there.
    $effect(() => {
        void song.selectionVersion;
        if (view && !gesture && song.selected.size > 0) revealSelection();
    });

    function onFrame(tick: number): void {
        const sounding = transport.soundingIn(part);
        const same = sounding.length === overlay.sounding.length && sounding.every((n, i) => n === overlay.sounding[i]);
        if (!same) {
            overlay.sounding = sounding;
            light();
            touch('overlay', 'keyboard');
        }
        if (overlay.held.length > 0) showHeld();
        if (recorder.on && tick > view.end - song.time.ppq * 8) view.end = tick + song.time.ppq * 16;
        if (follow && !gesture && (tick > view.left + (view.width * FOLLOW_AT) / view.scale || tick < view.left)) {
            view.left = tick - 30 / view.scale;
            view.scroll(0, 0);
        }
        placePlayhead();
    }

    function light(): void {
        lit.clear();
        for (const n of overlay.sounding) lit.add(n.pitch);
        for (const pitch of inputs.held.values()) lit.add(pitch);
    }

    /** What is held: at the caret for step input, from where it was struck while a take is recorded. */
    function showHeld(): void {
        light();
        const now = transport.position();
        overlay.held = recorder.on
            ? recorder.held.map((n) => ({ start: n.tick, length: Math.max(0, now - n.tick), pitch: n.pitch }))
            : written.steps.on
              ? [...inputs.held.values()].map((pitch) => ({
                    start: song.caret.tick,
                    length: penTicks(part, song.caret.tick, song.time.ppq),
                    pitch,
                }))
              : [];
        touch('overlay', 'keyboard');
    }

    function bounds(notes: Iterable<Note>): [number, number, number, number] | null {
        let [from, to, low, high] = [Infinity, 0, 127, 0];
        for (const n of notes) {
            from = Math.min(from, n.start);
            to = Math.max(to, n.start + n.length);
            low = Math.min(low, n.pitch);
            high = Math.max(high, n.pitch);
        }
        return from === Infinity ? null : [from, to, low, high];
    }

    function show(what: 'all' | 'selection' | 'span'): void {
        if (what === 'span') {
            const { span } = song;
            if (!span) return song.tell('There is no span to see: make one first.');
            const [, , low, high] = bounds(part.ordered) ?? [0, 0, 55, 79];
            return view.fit(span.from, span.to, low, high);
        }
        const found = bounds(what === 'selection' && song.selected.size > 0 ? song.selection : part.ordered);
        const bar = song.time.ppq * 4;
        if (found && what === 'all') view.fit(Math.max(0, found[0] - bar / 4), found[1] + bar / 4, found[2], found[3]);
        else if (found) view.fit(...found);
        else view.fit(0, bar * 4, 55, 79);
    }

    /** A part opens on its first bars, near enough to be read. */
    function begin(): void {
        show('all');
        const barsShown = view.width / view.scale / (song.time.ppq * 4);
        if (barsShown <= OPENING_BARS) return;
        view.zoomTime(barsShown / OPENING_BARS, 0);
        view.left = part.firstBar - 12 / view.scale;
        view.scroll(0, 0);
    }

    function revealSelection(): void {
        if (song.selected.size > 2000) return;
        const found = bounds(song.selection);
        // Only what fits is followed: a whole part is looked at as the person has it.
        if (found && (found[1] - found[0]) * view.scale <= view.width) view.reveal(...found);
    }

    /** An edit of the notes chosen; with none chosen the same keys move the caret. */
    function orCaret(edit: string, move: (p: Record<string, unknown>) => void): Handler {
        return (params, _, press) =>
            song.inTurn(() => {
                if (song.selected.size > 0) song.do(edited(edit, params, press));
                else for (let i = 0; i < press.times; i++) move(params);
            });
    }

    function edited(edit: string, params: Record<string, unknown>, press: Press): Command {
        return {
            edit,
            params,
            ...(press.more ? { more: true } : {}),
            ...(press.times > 1 ? { times: press.times } : {}),
        };
    }

    function showCaret(): void {
        const { tick, pitch } = song.caret;
        view.reveal(tick, tick + 1, pitch, pitch);
    }

    function caretCame(): void {
        showCaret();
        if (!transport.playing) transport.locate(song.caret.tick);
        sayCaret();
    }

    function sayCaret(): void {
        const { tick, pitch } = song.caret;
        song.tell(`Caret at ${song.time.position(tick, part.lines)}, ${drumName(pitch)}.`);
    }

    function drumName(pitch: number): string {
        return (isDrums ? drums[String(pitch)] : undefined) ?? pitchName(pitch);
    }

    const written = writing({
        song: () => song,
        part: () => part,
        showCaret,
        sayCaret,
        bounds: () => bounds(song.selection),
    });

    const handlers = {
        resize: (params: Record<string, unknown>, _: unknown, press: Press) =>
            song.inTurn(() => {
                if (song.selected.size > 0) song.do(edited('resize', params, press));
                else written.spanBy(Number(params.steps ?? 1) * press.times, params.by);
            }),
        tool: (p: Record<string, unknown>) => {
            tool.turn(p.tool === 'eraser' ? 'eraser' : 'pen');
            song.tell(
                {
                    pen: 'The pen is in hand: a press writes a note, with Shift one at each line of the grid.',
                    eraser: 'The eraser is in hand: it deletes the notes that it goes over.',
                    hand: 'Nothing is in hand.',
                }[tool.name],
            );
        },
        nudge: orCaret('nudge', (p) => song.moveCaret(Number(p.steps ?? 1), p.by)),
        'snap-nudge': orCaret('snap-nudge', (p) => song.moveCaret(Number(p.steps ?? 1), { unit: 'grid', amount: 1 })),
        transpose: orCaret('transpose', (p) => {
            song.putCaret(song.caret.tick, song.caret.pitch + Number(p.semitones));
            caretCame();
        }),
        locate: (p: Record<string, unknown>) => {
            song.inTurn(() => {
                song.putCaret(p.to === 'start' ? 0 : part.lastEnd);
                showCaret();
            });
            return false;
        },
        landing: (p: Record<string, unknown>) => {
            looked = { edit: String(p.edit), params: {} };
            return () => {
                looked = null;
                song.unlook();
            };
        },
        compare: (p: Record<string, unknown>) => {
            void song.compare(p.to === 'played' ? 'played' : 'before');
            return () => song.showAsItIs();
        },
        'played-places': () => {
            playedPlaces = !playedPlaces;
            localStorage.setItem('jactonic.played', playedPlaces ? 'shown' : 'hidden');
            song.tell(playedPlaces ? 'Where notes were played is shown.' : 'Where notes were played is not shown.');
        },
        'insert-at': (p: Record<string, unknown>) =>
            song.inTurn(() => {
                const pitch = pointed?.pitch ?? song.caret.pitch;
                const at =
                    p.at === 'pointer' && pointed
                        ? { start: linesAround(part.lines, pointed.tick)[0], pitch }
                        : { start: song.caret.tick, pitch: song.caret.pitch };
                song.do({
                    edit: 'insert',
                    on: { part: part.id, notes: [] },
                    params: { notes: [at], ...(p.touch ? { touch: p.touch } : {}) },
                });
                if (p.at === 'pointer') return;
                // Writing goes on: to the next cell, or past the note where the pen has a length of its own.
                song.inTurn(() => {
                    song.select([]);
                    const { penLength } = part.settings;
                    song.moveCaret(1, penLength ? { unit: 'value', amount: penLength } : { unit: 'grid', amount: 1 });
                });
            }),
        'note-here': (p: Record<string, unknown>) =>
            song.inTurn(() => {
                if (p.at === 'pointer') {
                    const under = song.pointer?.note;
                    if (!under) return song.tell('There is no note under the pointer.');
                    return song.do({ edit: String(p.what), on: { part: part.id, notes: [under.id] } });
                }
                const { tick, pitch } = song.caret;
                const here: number[] = [];
                part.between(tick, tick + 1, (n) => n.pitch === pitch && here.push(n.id));
                if (here.length === 0) return song.tell('There is no note at the caret.');
                if (p.what === 'delete') song.do({ edit: 'delete', on: { part: part.id, notes: here } });
                else song.select(here);
            }),
        'place-and-next': () =>
            song.inTurn(() => {
                const { tick } = song.caret;
                const moved = new Set(song.selected);
                song.do({ edit: 'move-to', params: { tick } });
                if (moved.size > 0)
                    song.inTurn(() => {
                        const next = part.ordered.find((n) => n.start > tick && !moved.has(n.id));
                        if (!next) return;
                        song.putCaret(next.start, next.pitch);
                        showCaret();
                    });
            }),
        select: (p: Record<string, unknown>, _: unknown, press: Press) =>
            song.do({ select: String(p.move), ...(press.times > 1 ? { times: press.times } : {}) }),
        set: (p: Record<string, unknown>) => song.do({ set: p, part: part.id }),
        escape: () => (gesture ? drop(false) : song.inTurn(escape)),
        zoom: (p: Record<string, unknown>) => zoom(String(p.axis), Number(p.by)),
        fit: (p: Record<string, unknown>) =>
            song.inTurn(() => show(p.what === 'selection' || p.what === 'span' ? p.what : 'all')),
        scroll: (p: Record<string, unknown>) =>
            view.scroll((Number(p.x ?? 0) * view.width) / 2, (-Number(p.y ?? 0) * view.height) / 3),
        lane: () => {
            laneOpen = !laneOpen;
            localStorage.setItem('jactonic.lane', laneOpen ? 'open' : 'closed');
            layers.lane.resize(layers.notes.width, laneOpen ? LANE : 0);
            touchAll();
        },
        'play-from': () => song.inTurn(() => void transport.play(bounds(song.selection)?.[0] ?? song.caret.tick)),
        'loop-selection': () => song.inTurn(loopSelection),
    };

    function loopSelection(): void {
        const found = bounds(song.selection);
        if (!found) return recorder.on ? undefined : transport.setLoop(null);
        const { bars } = part.lines;
        // A note played a little before the bar is meant for it, and one that rings a little over ends with it.
        const slack = song.time.ppq / 4;
        const from = bars.findLast((b) => b <= found[0] + slack) ?? 0;
        const to = bars.find((b) => b > from && b >= found[1] - slack) ?? found[1];
        written.setSpan(from, to, true);
    }

    function zoom(axis: string, by: number): void {
        const factor = by > 0 ? 1.5 : 1 / 1.5;
        if (axis === 'pitch') return view.zoomPitch(by > 0 ? 1.25 : 0.8, view.height / 2);
        // About what one works on: the selection if it is seen, else the playhead, else the middle.
        const at = [bounds(song.selection)?.[0], transport.tick]
            .map((t) => (t === undefined ? -1 : view.x(t)))
            .find((x) => x >= 0 && x <= view.width);
        view.zoomTime(factor, at ?? view.width / 2);
    }

    function escape(): void {
        if (song.selected.size > 0) song.select([]);
    }

    function place(e: PointerEvent | WheelEvent | MouseEvent): { x: number; y: number } {
        const rect = canvases.notes.getBoundingClientRect();
        return { x: e.clientX - rect.left, y: e.clientY - rect.top };
    }

    function press(e: PointerEvent): void {
        const erases = tool.name === 'eraser' ? e.button === 0 : tool.name === 'pen' && e.button === 2;
        if ((e.button !== 0 && !erases) || gesture) return;
        body.focus({ preventScroll: true });
        const { x, y } = place(e);
        const hit = noteAt(view, part, song.selected, x, y);
        const mod = e.ctrlKey || e.metaKey;
        (e.currentTarget as Element).setPointerCapture(e.pointerId);
        hadChoice = [hadChoice[1], song.selected.size > 0];
        if (erases || (tool.name === 'pen' && !hit && !mod)) return takeUp(e, erases, x, y);
        gesture = {
            kind: hit ? 'note' : 'box',
            x,
            y,
            from: view.tick(x),
            keep: new Set(song.selected),
            take: mod,
            note: hit?.note ?? null,
        };
        if (!hit) {
            if (!mod && !e.shiftKey) gesture.keep.clear();
            return;
        }
        const chosen = song.selected.has(hit.note.id);
        // With Mod on a note not chosen it is open yet whether this adds the note or drags it alone.
        if (!chosen && !mod) song.select(e.shiftKey ? [...song.selected, hit.note.id] : [hit.note.id]);
        drag = new NoteDrag(
            part,
            chosen || !mod ? song.selection : [hit.note],
            hit.note,
            mod ? 'feel' : hit.grip,
            x,
            y,
        );
        if (!chosen) transport.try(part, [hit.note]);
    }

    /** A press with the pen or the eraser in hand. */
    function takeUp(e: PointerEvent, erases: boolean, x: number, y: number): void {
        const kept = { x, y, from: view.tick(x), keep: new Set(song.selected), take: false, note: null };
        if (erases) {
            gesture = { kind: 'erase', ...kept };
            overlay.erased = new Set();
            return erase(x, y);
        }
        if (song.selected.size > 0) {
            // A press that ends a choice draws nothing.
            gesture = { kind: 'none', ...kept };
            return song.select([]);
        }
        const [tick, pitch] = [view.tick(x), view.pitch(y)];
        gesture = { kind: 'pen', ...kept };
        // The second press of a double click finds the note of the first, though the server has not told of it yet.
        if (pending.some((n) => n.pitch === pitch && tick >= n.start && tick < n.start + n.length))
            return void (gesture.kind = 'none');
        pen = new PenStroke(part, song.time.ppq, x, y, tick, pitch, e.altKey);
        sound(pitch);
        drawn();
    }

    /** Sounds a pitch as the pen would write it. */
    function sound(pitch: number): void {
        transport.try(part, [
            {
                id: 0,
                start: song.caret.tick,
                length: song.time.ppq / 2,
                pitch,
                velocity: part.settings.penVelocity,
                muted: false,
                driftStart: 0,
                driftLength: 0,
                group: 0,
                channel: part.channel,
            },
        ]);
    }

    function drawn(): void {
        overlay.drawn = [...pending, ...(pen?.notes ?? [])];
        const [one, ...more] = pen?.notes ?? [];
        if (one)
            onHover(
                more.length > 0
                    ? `${more.length + 1} notes`
                    : `${drumName(one.pitch)}  ${song.time.position(one.start, part.lines)}  ${Math.round(one.length)} ticks`,
            );
        touch('overlay');
    }

    function erase(x: number, y: number): void {
        const hit = noteAt(view, part, song.selected, x, y);
        if (!hit || overlay.erased.has(hit.note.id)) return;
        overlay.erased = new Set([...overlay.erased, hit.note.id]);
        touch('overlay');
    }

    function move(e: PointerEvent): void {
        const { x, y } = place(e);
        if (!gesture) return hover(x, y, e);
        if (gesture.kind === 'pen' && pen) {
            const pitch = pen.last;
            pen.move(view, x, y, { shift: e.shiftKey, alt: e.altKey });
            if (pen.last !== pitch) sound(pen.last);
            drawn();
        } else if (gesture.kind === 'erase') {
            // A fast hand skips over notes: all between two looks are met.
            const [fx, fy] = [gesture.x, gesture.y];
            const steps = Math.max(1, Math.ceil(Math.hypot(x - fx, y - fy) / 4));
            for (let i = 1; i <= steps; i++) erase(fx + ((x - fx) * i) / steps, fy + ((y - fy) * i) / steps);
            [gesture.x, gesture.y] = [x, y];
        } else if (gesture.kind === 'box') {
            const x0 = view.x(gesture.from);
            if (Math.hypot(x - x0, y - gesture.y) < DRAG_FROM && !overlay.box) return;
            overlay.box = { x0, y0: gesture.y, x1: x, y1: y };
            boxSelect();
            touch('overlay');
        } else if (gesture.kind === 'note' && drag) {
            const pitch = drag.shift.pitch;
            drag.move(view, x, y, { shift: e.shiftKey, alt: e.altKey });
            if (!drag.idle && !song.selected.has(drag.grabbed.id)) song.select([drag.grabbed.id]);
            overlay.outlines = drag.idle ? null : { notes: drag.notes, shift: drag.shift };
            raised = drag.velocity;
            if (pitch !== drag.shift.pitch)
                transport.try(part, [{ ...drag.grabbed, pitch: drag.grabbed.pitch + drag.shift.pitch }]);
            onHover(drag.words || numbersOf(drag.grabbed, part, song.time));
            touch('overlay', 'lane');
        }
        scrollAtEdge(x, y);
    }

    /** A drag that leaves the roll takes the view along. */
    function scrollAtEdge(x: number, y: number): void {
        const by = (p: number, size: number): number =>
            p < 0 ? Math.max(-30, p / 2) : p > size ? Math.min(30, (p - size) / 2) : 0;
        const [dx, dy] = [by(x, view.width), by(y, view.height)];
        if (overlay.box && (dx || dy)) view.scroll(dx, dy);
    }

    function boxSelect(): void {
        const { x0, y0, x1, y1 } = overlay.box!;
        const [from, to] = [view.tick(Math.min(x0, x1)), view.tick(Math.max(x0, x1))];
        const [low, high] = [view.pitch(Math.max(y0, y1)), view.pitch(Math.min(y0, y1))];
        const ids = new Set(gesture!.keep);
        part.between(from, to, (n) => {
            if (n.pitch < low || n.pitch > high) return;
            if (gesture!.take && gesture!.keep.has(n.id)) ids.delete(n.id);
            else ids.add(n.id);
        });
        song.select(ids);
    }

    function release(e: PointerEvent): void {
        if (!gesture) return;
        const { kind, note, keep } = gesture;
        const moved = drag !== null && !drag.idle;
        if (kind === 'box') {
            if (!overlay.box) {
                if (keep.size === 0) song.select([]);
                if (song.selected.size === 0) {
                    const { x, y } = place(e);
                    song.putCaret(snapped(view.tick(x), e), view.pitch(y));
                    transport.locate(song.caret.tick);
                    sayCaret();
                }
            }
        } else if (note && !moved && overlay.outlines === null) {
            // A click: the pen takes after the note, where it is told to.
            if (part.settings.velocityFrom === 'touched' || part.settings.lengthFrom === 'touched')
                song.do({ set: { touchedNote: note.id }, part: part.id });
            // Alone it chooses this note, with Shift it adds, with Mod it takes away or adds.
            const mod = e.ctrlKey || e.metaKey;
            if (mod) song.select(keep.has(note.id) ? [...keep].filter((id) => id !== note.id) : [...keep, note.id]);
            else if (!e.shiftKey && song.selected.size > 1) song.select([note.id]);
            if (keep.has(note.id) && !mod) transport.try(part, [note]);
        }
        drop(true);
    }

    function drop(doIt: boolean): void {
        const done = gesture;
        gesture = null;
        if (done?.kind === 'box' && !doIt) song.select(done.keep);
        if (doIt && drag && !drag.idle) {
            const command = drag.shift.start
                ? 'nudge'
                : drag.shift.pitch
                  ? 'transpose'
                  : drag.shift.length
                    ? 'resize'
                    : 'velocity-add';
            drag.drop(song);
            // What is done by mouse shows its key in the strip.
            keys.flashFor(command);
        } else if (doIt && done?.kind === 'pen' && pen) {
            const mine = pen.notes;
            pending = [...pending, ...mine];
            song.doQuietly(pen.command(), () => {
                pending = pending.filter((n) => !mine.includes(n));
                if (!pen) overlay.drawn = pending;
                touch('overlay');
            });
            keys.flashFor('insert-at');
        } else if (doIt && done?.kind === 'erase' && overlay.erased.size > 0) {
            song.do({ edit: 'delete', on: { part: part.id, notes: [...overlay.erased] } });
            keys.flashFor('delete');
        } else if (doIt && done?.kind === 'lane' && raised !== 0) {
            song.do({ edit: 'velocity-add', params: { amount: raised } });
            keys.flashFor('velocity-add');
        }
        if (pen) onHover('');
        drag = pen = null;
        raised = 0;
        overlay.drawn = pending;
        overlay.erased = new Set();
        overlay.box = overlay.outlines = null;
        touch('overlay', 'lane');
    }

    function hover(x: number, y: number, e: PointerEvent): void {
        const hit = noteAt(view, part, song.selected, x, y);
        const feel = e.ctrlKey || e.metaKey;
        cursor =
            tool.name === 'eraser'
                ? 'cell'
                : !hit
                  ? tool.name === 'pen'
                      ? 'crosshair'
                      : 'default'
                  : feel
                    ? 'move'
                    : hit.grip === 'move'
                      ? 'grab'
                      : 'ew-resize';
        const tick = Math.max(0, view.tick(x));
        song.pointer = { tick: snapped(tick, e), note: hit?.note ?? null };
        pointed = { tick, pitch: view.pitch(y) };
        onHover(
            hit
                ? numbersOf(hit.note, part, song.time)
                : `${drumName(view.pitch(y))}  ${song.time.position(tick, part.lines)}`,
        );
    }

    function insert(e: MouseEvent): void {
        const { x, y } = place(e);
        // With the pen in hand each press wrote already; a press that ended a choice was not meant to write.
        if (tool.name !== 'hand' || hadChoice[0] || noteAt(view, part, song.selected, x, y)) return;
        const tick = Math.max(0, view.tick(x));
        const start = e.altKey ? Math.round(tick) : linesAround(part.lines, tick)[0];
        song.do({
            edit: 'insert',
            on: { part: part.id, notes: [] },
            params: { notes: [{ start, pitch: view.pitch(y) }] },
        });
    }

    function wheel(e: WheelEvent): void {
        e.preventDefault();
        const unit = e.deltaMode === 1 ? 18 : e.deltaMode === 2 ? view.height : 1;
        const { x, y } = place(e);
        const stroke = wheelStroke(e);
        if (keys.capture || keys.resolver.has(stroke, keys.context)) return turn(e, stroke, unit);
        // A pinch on a touchpad arrives as a wheel with Ctrl.
        if (e.ctrlKey || e.metaKey) {
            if (e.shiftKey) view.zoomPitch(Math.exp(-e.deltaY * unit * WHEEL_ZOOM), y);
            else view.zoomTime(Math.exp(-e.deltaY * unit * WHEEL_ZOOM), x);
        } else if (e.shiftKey && e.deltaX === 0) {
            view.scroll(e.deltaY * unit, 0);
        } else {
            view.scroll(e.deltaX * unit, e.deltaY * unit);
        }
        if (gesture?.kind === 'box') move(e as unknown as PointerEvent);
    }

    function wheelStroke(e: WheelEvent): string {
        const mod = e.ctrlKey || e.metaKey ? 'Mod+' : '';
        const up = (e.deltaY || e.deltaX) < 0;
        return `${mod}${e.altKey ? 'Alt+' : ''}${e.shiftKey ? 'Shift+' : ''}Wheel${up ? 'Up' : 'Down'}`;
    }

    /**
     * A notch of the wheel that stands for something is a key like others, and notches that follow at once are one
     * step. It is for the notes chosen, or for the one under the pointer.
     */
    function turn(e: WheelEvent, stroke: string, unit: number): void {
        const by = (e.deltaY || e.deltaX) * unit;
        const { pointer } = song;
        if (pointer?.note && !song.selected.has(pointer.note.id)) song.select([pointer.note.id]);
        if (Math.sign(by) !== Math.sign(wheeled.pixels)) wheeled.pixels = 0;
        wheeled.pixels += by;
        if (Math.abs(wheeled.pixels) < NOTCH) return;
        const more = stroke === wheeled.stroke && e.timeStamp - wheeled.at < STILL_TURNING;
        wheeled = { pixels: 0, stroke, at: e.timeStamp };
        keys.stroke(stroke, more);
    }

    function pressKey(e: PointerEvent): void {
        const { y } = place(e);
        const pitch = view.pitch(y);
        if (e.button !== 0) return;
        (e.currentTarget as Element).setPointerCapture(e.pointerId);
        // A key that is pressed sounds at the pen's velocity, and is played like any other.
        inputs.on('screen', pitch, part.settings.penVelocity, e.timeStamp);
        if (recorder.on || written.steps.on) return;
        const row = part.ordered.filter((n) => n.pitch === pitch).map((n) => n.id);
        song.select(e.shiftKey || e.ctrlKey || e.metaKey ? [...song.selected, ...row] : row);
        song.said = `${row.length === 1 ? '1 note' : `${row.length} notes`} on ${pitchName(pitch)} chosen.`;
        keys.flashFor('select', { move: 'row' });
    }

    function letKeyGo(): void {
        inputs.letGo('screen');
    }

    function pressRuler(e: PointerEvent): void {
        if (e.button !== 0) return;
        (e.currentTarget as Element).setPointerCapture(e.pointerId);
        const { x, y } = place(e);
        gesture = { kind: 'ruler', x, y, from: view.tick(x), keep: new Set(), take: false, note: null };
    }

    function snapped(tick: number, e: { altKey: boolean }): number {
        return e.altKey ? Math.max(0, Math.round(tick)) : nearestLine(part.lines, Math.max(0, tick));
    }

    function moveRuler(e: PointerEvent): void {
        const { x } = place(e);
        onHover(song.time.position(Math.max(0, view.tick(x)), part.lines));
        if (gesture?.kind !== 'ruler' || Math.abs(x - gesture.x) < DRAG_FROM) return;
        const [a, b] = [snapped(gesture.from, e), snapped(view.tick(x), e)];
        written.setSpan(Math.min(a, b), Math.max(a, b), true);
    }

    function releaseRuler(e: PointerEvent): void {
        if (gesture?.kind !== 'ruler') return;
        if (Math.abs(place(e).x - gesture.x) < DRAG_FROM) {
            song.putCaret(snapped(gesture.from, e));
            transport.locate(song.caret.tick);
        }
        gesture = null;
    }

    function stemAt(x: number): Note | null {
        let hit: Note | null = null;
        let best = 7;
        part.between(Math.floor(view.tick(x - 8)), Math.ceil(view.tick(x + 8)), (n) => {
            const away = Math.abs(view.x(n.start) - x) - (song.selected.has(n.id) ? 2 : 0);
            if (away < best) [hit, best] = [n, away];
        });
        return hit;
    }

    function pressLane(e: PointerEvent): void {
        if (e.button !== 0) return;
        const { x } = place(e);
        const y = e.clientY - canvases.lane.getBoundingClientRect().top;
        const hit = stemAt(x);
        (e.currentTarget as Element).setPointerCapture(e.pointerId);
        if (!hit) return;
        if (!song.selected.has(hit.id)) song.select([hit.id]);
        gesture = { kind: 'lane', x, y, from: view.tick(x), keep: new Set(song.selected), take: false, note: hit };
        onHover(numbersOf(hit, part, song.time));
    }

    function moveLane(e: PointerEvent): void {
        const y = e.clientY - canvases.lane.getBoundingClientRect().top;
        if (gesture?.kind !== 'lane') {
            const hit = stemAt(place(e).x);
            cursor = hit ? 'ns-resize' : 'default';
            onHover(hit ? numbersOf(hit, part, song.time) : '');
            return;
        }
        raised = Math.round(((gesture.y - y) / (stemTop(0, LANE) - stemTop(127, LANE))) * 127);
        const clipped = song.selection.filter((n) => n.velocity + raised > 127 || n.velocity + raised < 1).length;
        onHover(`velocity ${raised > 0 ? '+' : ''}${raised}${clipped ? `, ${clipped} at the limit` : ''}`);
        touch('lane');
    }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<section
    bind:this={body}
    class="roll grid min-h-0 flex-1 outline-none"
    style:grid-template-columns="{KEYBOARD}px 1fr"
    style:grid-template-rows="{RULER}px 1fr {laneOpen ? LANE : 0}px"
    aria-label="Piano roll of {part.name}, {part.version >= 0 ? part.notes.size : 0} notes, {song.selectionVersion >= 0
        ? song.selected.size
        : 0} chosen"
    role="application"
    tabindex="0"
    data-testid="roll"
>
    <div class="corner border-b border-base-content/50 bg-base-200"></div>
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
        class="relative touch-none overflow-hidden"
        onpointerdown={pressRuler}
        onpointermove={moveRuler}
        onpointerup={releaseRuler}
        data-testid="ruler"
        onwheel={wheel}
    >
        <canvas bind:this={canvases.ruler} class="absolute inset-0 size-full"></canvas>
    </div>
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
        class="relative touch-none overflow-hidden"
        onpointerdown={pressKey}
        onpointerup={letKeyGo}
        onpointercancel={letKeyGo}
        onwheel={wheel}
        data-testid="keyboard"
    >
        <canvas bind:this={canvases.keyboard} class="absolute inset-0 size-full"></canvas>
    </div>
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
        class="relative touch-none overflow-hidden"
        style:cursor
        onpointerdown={press}
        onpointermove={move}
        onpointerup={release}
        onpointercancel={() => drop(false)}
        onpointerleave={() => {
            song.pointer = pointed = null;
            if (!gesture) onHover('');
        }}
        ondblclick={insert}
        oncontextmenu={(e) => tool.name !== 'hand' && e.preventDefault()}
        onwheel={wheel}
        data-testid="notes"
    >
        <canvas bind:this={canvases.grid} class="absolute inset-0 size-full"></canvas>
        <!-- The notes step back while it is looked where they would land. -->
        <canvas bind:this={canvases.notes} class="absolute inset-0 size-full" class:opacity-40={song.landing !== null}
        ></canvas>
        <canvas bind:this={canvases.overlay} class="absolute inset-0 size-full"></canvas>
        <div bind:this={caret} class="caret pointer-events-none absolute inset-y-0 left-0 w-px" data-testid="caret">
            <div bind:this={caretRow} class="caret-row absolute"></div>
        </div>
        <div bind:this={playhead} class="playhead pointer-events-none absolute inset-y-0 left-0 w-px"></div>
    </div>
    <div
        class="flex items-start overflow-hidden border-t border-base-content/50 bg-base-200 px-2 pt-1 text-xs text-base-content/80"
    >
        Velocity
    </div>
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
        class="relative touch-none overflow-hidden"
        style:cursor
        onpointerdown={pressLane}
        onpointermove={moveLane}
        onpointerup={() => drop(true)}
        onpointercancel={() => drop(false)}
        onwheel={wheel}
        data-testid="velocity"
    >
        <canvas bind:this={canvases.lane} class="absolute inset-0 size-full"></canvas>
    </div>
</section>

<style>
    /* The caret: a dotted line through all rows, and brackets about the row it stands in. */
    .caret {
        background: repeating-linear-gradient(
            color-mix(in oklab, var(--color-base-content) 45%, transparent) 0 3px,
            transparent 3px 6px
        );
    }
    .caret-row {
        left: -4px;
        width: 9px;
        border: 2px solid var(--color-base-content);
        border-width: 2px 0;
        background: linear-gradient(var(--color-base-content), var(--color-base-content)) center / 2px 100% no-repeat;
    }
    .playhead {
        background: var(--color-accent);
    }
    .playhead::before {
        content: '';
        position: absolute;
        top: 0;
        left: -5px;
        border: 5.5px solid transparent;
        border-top: 8px solid var(--color-accent);
    }
    /* The canvases cover the roll's edge: its focus shows in the corner. */
    .roll:focus-visible .corner {
        box-shadow: inset 0 -3px 0 var(--color-primary);
    }
</style>
