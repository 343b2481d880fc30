import { untrack } from 'svelte';
import { inputs } from '../sound/inputs/inputs.svelte';
import { recorder } from '../sound/recorder.svelte';
import { transport } from '../sound/transport.svelte';
import { theme } from '../theme.svelte';
import { panels } from '../panels.svelte';
import type { RollModel } from './roll-model.svelte';

/** Milliseconds after a change before it is asked where notes overlap: a held key asks once. */
const OVERLAPS_AFTER = 120;

/** What the roll follows for as long as its component is there: each change touches the layers that show it. */
export function redrawEffects(model: RollModel): void {
    followMusic(model);
    followPlace(model);
    followSound(model);
    askOverlaps(model);
}

/** Nothing is drawn before the roll has its size. */
const isThere = ({ view }: RollModel): boolean => view.width > 0;

/** The notes, what is selected, and what is shown of either. */
function followMusic(model: RollModel): void {
    const { song, part, view } = model;
    $effect(() => {
        void part.version;
        void part.lines;
        void part.head;
        void part.scale;
        void song.tones;
        void song.end;
        void song.selection.version;
        view.end = song.end;
        if (isThere(model)) model.touchAll();
    });
    // What lies under, and which rows are in use, follows the parts.
    $effect(() => {
        const under = model.underlay.parts;
        for (const p of under) void p.version;
        void song.selection.beside;
        void part.version;
        void song.tracks;
        void model.usedRows.on;
        if (!isThere(model)) return;
        untrack(() => model.usedRows.settle());
        model.touch('underlay', 'keyboard');
    });
    $effect(() => {
        void model.playedPlaces;
        void part.overlaps;
        model.touch('notes');
    });
    $effect(() => {
        model.overlay.landing = song.preview.landing;
        model.overlay.marked = song.marked;
        model.touch('overlay');
    });
    // What is looked at follows the notes, the choice and the settings.
    $effect(() => {
        void song.selection.version;
        void part.version;
        void part.settings;
        const { looked } = model;
        if (looked) void untrack(() => song.preview.look([looked], true));
    });
}

/** Where one looks: the caret, panels over it, the colours. */
function followPlace(model: RollModel): void {
    const { song, view } = model;
    $effect(() => {
        view.covered = panels.open && panels.open.name !== 'commands' ? panels.comes : 0;
    });
    $effect(() => {
        void theme.version;
        if (isThere(model)) untrack(() => model.recolour());
    });
    $effect(() => {
        void song.caret;
        if (!isThere(model)) return;
        untrack(() => model.place());
        model.touch('ruler');
    });
    // So may walking, or an edit, among the points of a lane.
    $effect(() => {
        const { lane, points } = song.selection;
        if (!isThere(model) || lane === null) return;
        model.touch(`lane:${lane}`);
        if (points.size === 0 || model.holding()) return;
        untrack(() => {
            const first = model.lanes.pointsOf(lane).find((p) => points.has(p.id));
            if (first) view.reveal(first.tick, first.tick + 1, song.caret.pitch, song.caret.pitch);
        });
    });
    // An edit by key may carry the notes out of sight: keep them there.
    $effect(() => {
        void song.selection.version;
        if (isThere(model) && !model.holding() && song.selection.notes.size > 0) untrack(() => model.revealSelection());
    });
}

/** What plays, is played and recorded. */
function followSound(model: RollModel): void {
    const { song, view } = model;
    $effect(() => {
        if (transport.playing) untrack(() => model.views.start());
    });
    $effect(() => {
        void transport.loop;
        void recorder.on;
        void recorder.settings;
        model.touch('ruler');
    });
    // What is held is seen at once, also on the keyboard.
    $effect(() => {
        const held = [...inputs.held.values()];
        if (!isThere(model)) return;
        untrack(() => model.showHeld());
        const { tick } = untrack(() => song.caret);
        if (model.steps.on && held.length > 0) view.reveal(tick, tick + 1, Math.min(...held), Math.max(...held));
    });
    $effect(() => {
        void transport.tick;
        if (isThere(model) && !transport.playing) model.darken();
    });
}

/** Where notes overlap is the server’s to say, when the hand rests. */
function askOverlaps(model: RollModel): void {
    const { song, part } = model;
    $effect(() => {
        void part.version;
        const timer = setTimeout(() => {
            if (song.preview.comparing) return;
            song.read('overlap-reading', {}, [{ part: part.id, notes: [] }])
                .then(({ stretches }) => (part.overlaps = stretches[part.id] ?? []))
                .catch(() => {});
        }, OVERLAPS_AFTER);
        return () => clearTimeout(timer);
    });
}
