import { Part } from '../../api/part.svelte';
import type { PartData, SongData } from '../../api/types';
import { paintGrid } from '../../roll/layers/grid';
import { paintNotes } from '../../roll/layers/notes';
import { paintOverlay } from '../../roll/layers/overlay';
import { paintUnderlay } from '../../roll/layers/underlay';
import { Lines } from '../../rules/lines';
import { Time } from '../../rules/time';
import { coloursOf } from '../../stage/colours';
import { View } from '../../stage/view';
import data from './pictures.json';

/** What one picture shows; all of it is worked out by the server's edits. */
interface Shown {
    part: PartData;
    selected?: number[];
    overlaps?: [number, number, number][];
    /** Its notes are those of another part. */
    other?: boolean;
    sounding?: boolean;
    /** Only rows that have notes. */
    used?: boolean | undefined;
    /** Notes are drawn as long as the pedal holds them. */
    tails?: boolean | undefined;
}

interface Job {
    keys: string;
    words: string;
    before: Shown;
    after: Shown;
    tails?: boolean | undefined;
    used?: boolean | undefined;
}

const { marks, jobs } = data as unknown as { marks: (Shown & { mark: string })[]; jobs: Record<string, Job> };
const { tempos, meters, markers, plain } = data.time as unknown as SongData;
const TIME = new Time(960, tempos, meters, markers, new Lines(plain));

/** Of a mark's picture and of a job's, in pixels, and the ticks that it shows. */
const MARK = { width: 112, height: 28, ticks: 1500, row: 22 };
const SIDE = { width: 340, height: 120, ticks: 4080 };
/** Nothing beside the notes. */
const NOTHING = {
    marked: null,
    landing: null,
    outlines: null,
    drawn: [],
    held: [],
    erased: new Set<number>(),
    box: null,
};

type Painter = () => void;

/** Puts pictures into the page of the guide; what it gives back paints them, again when the colours change. */
export function putPictures(page: HTMLElement): Painter {
    const painters = [...page.querySelectorAll('h2')].flatMap((heading) => {
        if (heading.textContent === 'Marks') return besideMarks(heading);
        const job = jobs[heading.textContent];
        return job ? underHeading(heading, job) : [];
    });
    return () => painters.forEach((paint) => paint());
}

/** In the table of marks, each mark as it is drawn. */
function besideMarks(heading: Element): Painter[] {
    let table = heading.nextElementSibling;
    while (table && table.tagName !== 'TABLE') table = table.nextElementSibling;
    return [...(table?.querySelectorAll('td:first-child') ?? [])].flatMap((cell) => {
        const mark = marks.find((m) => cell.textContent.startsWith(m.mark));
        if (!mark) return [];
        const top = Math.max(...pitchesOf(mark)) + 0.14;
        const [canvas, paint] = picture(mark, MARK.width, MARK.height, MARK.ticks, MARK.row, top);
        cell.prepend(canvas);
        return [paint];
    });
}

/** What one of its keys does, before and after. */
function underHeading(heading: Element, { before, after, keys, words, tails, used }: Job): Painter[] {
    const figure = document.createElement('figure');
    const both = [
        { ...before, tails },
        { ...after, tails, used },
    ];
    const pitches = both.flatMap(pitchesOf);
    const [low, high] = [Math.min(...pitches) - 1, Math.max(...pitches) + 1];
    // Rows as low as these carry no names; a curve needs a high one.
    const row = low + 2 === high ? 26 : Math.min(10, SIDE.height / (high - low + 1));
    const top = (low + high - 1 + SIDE.height / row) / 2;
    const made = both.map((shown) => picture(shown, SIDE.width, SIDE.height, SIDE.ticks, row, top));
    const between = document.createElement('span');
    between.textContent = '→';
    const caption = document.createElement('figcaption');
    const key = document.createElement('code');
    key.textContent = keys;
    caption.append(key, ` ${words}`);
    figure.append(made[0]![0], between, made[1]![0], caption);
    heading.after(figure);
    return made.map(([, paint]) => paint);
}

const pitchesOf = (shown: Shown): number[] => new Part(shown.part, { scale: null }).ordered.map((n) => n.pitch);

/** A canvas of a piece of the roll, and what paints it. */
function picture(
    shown: Shown,
    width: number,
    height: number,
    ticks: number,
    row: number,
    top: number,
): [HTMLCanvasElement, Painter] {
    const canvas = document.createElement('canvas');
    canvas.style.width = `${width}px`;
    canvas.style.height = `${height}px`;
    canvas.ariaHidden = 'true';
    const part = new Part(shown.part, { scale: null });
    part.overlaps = shown.overlaps ?? [];
    const view = new View(960, () => {});
    if (shown.used) view.showRows([...new Set(part.ordered.map((n) => n.pitch))].sort((a, b) => a - b));
    Object.assign(view, { width, height, left: -ticks * 0.02, scale: width / ticks, end: ticks });
    view.row = shown.used ? 22 : row;
    view.top = shown.used ? (view.count - 1 + height / view.row) / 2 : top;
    const paint = (): void => {
        const c = coloursOf(0);
        const ctx = sized(canvas, width, height);
        paintGrid(ctx, view, part, TIME, c);
        // Notes replace what is under them: they have a canvas of their own, as in the roll.
        const notes = document.createElement('canvas');
        const over = sized(notes, width, height);
        if (shown.other) paintUnderlay(over, view, [{ part, tint: coloursOf(1).tint }], new Map(), c);
        else paintNotes(over, view, part, new Set(shown.selected ?? []), '', true, shown.tails === true, c);
        ctx.drawImage(notes, 0, 0, width, height);
        if (shown.sounding) paintOverlay(ctx, view, part, { ...NOTHING, sounding: part.ordered }, c);
    };
    return [canvas, paint];
}

/** What draws on a canvas of so many CSS pixels, as sharp as the screen is. */
function sized(canvas: HTMLCanvasElement, width: number, height: number): CanvasRenderingContext2D {
    [canvas.width, canvas.height] = [Math.round(width * devicePixelRatio), Math.round(height * devicePixelRatio)];
    const ctx = canvas.getContext('2d')!;
    ctx.scale(devicePixelRatio, devicePixelRatio);
    return ctx;
}
