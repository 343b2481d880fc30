export type { PartHead, Plays, RowSet, SoundsData } from './tracks';
import type { ArticulationSet, PartHead, RowSet, SoundsData } from './tracks';
/** What the server says and is asked, as docs/http-api.md has it. */
import type { ConditionSpec, RecipeData } from './recipe-data';
import type { ScaleData } from './head.svelte';
import type { Ids } from './ids';
import type { Changed, Columns, Note, Row } from './tables';

export type { Note, Point, Row } from './tables';

export interface Step {
    unit: string;
    amount: number | string;
    rate?: number;
}

export interface Settings {
    grid: string;
    swing: number;
    strength: number;
    /** The part's own step; while it is tied, one cell of the grid holds. */
    nudge: Step;
    tied: boolean;
    penVelocity: number;
    penLength: string | null;
    swingKept: number;
    lanes: 'stay' | 'along';
    /** Four stored velocities. */
    touches: number[];
    velocityFrom: 'fixed' | 'touched';
    lengthFrom: 'fixed' | 'touched';
    /** Ticks, of the note last touched. */
    touchedLength: number | null;
    scale: string | null;
    /** Held to the scale: what moves pitches by one goes by its steps. */
    held: boolean;
    /** Kept choices: ids of notes by name; an empty list where there are none. */
    choices: Record<string, number[]> | never[];
}

/**
 * The lines of a part's grid, as runs of bars that are alike: where a run begins, the index of its first bar, how many
 * ticks it takes to come round and how often it does, and its bars: the offset of each and the pattern it follows.
 */
export interface LinesData {
    runs: [tick: number, bar: number, every: number, times: number, bars: [offset: number, pattern: number][]][];
    patterns: number[][];
}

/** How long the pen writes: in ticks, or in bars. */
export type Pen = { ticks: number; bars?: undefined } | { bars: number; ticks?: undefined };

export interface PartData extends PartHead, SoundsData {
    settings: Settings;
    /** The pitch classes of its scale, 0–11 from C. */
    scale: number[] | null;
    pen: Pen;
    /** Itself, or the name of a table that parts share. */
    lines: LinesData | string;
    notes: Row[] | Columns;
    points: Row[] | Columns;
}

export interface SongHead {
    id: number;
    name: string;
    revision: number;
    canUndo: boolean;
    canRedo: boolean;
}

export interface TrackData {
    id: number;
    name: string;
    muted: boolean;
    soloed: boolean;
    instrument: string;
    /** Null where nothing in it says. */
    sound: { program: number; drums: boolean } | null;
    volume: number;
    pan: number;
    /** Null where it has none. */
    articulations: ArticulationSet | null;
    rows: RowSet;
    parts: PartData[];
}

export interface SongData extends SongHead {
    ppq: number;
    end: number;
    /** Ticks by which a note may be early for a bar and be meant for it. */
    early: number;
    scale: ScaleData | null;
    /** Names of the twelve tones from C, as its key spells them. */
    tones: string[];
    /** tick, seconds, microseconds per quarter */
    tempos: [number, number, number][];
    /** tick, beats, unit */
    meters: [number, number, number][];
    /** tick, name */
    markers: [number, string][];
    /** The lines of a grid as it is at first: for a song without parts. */
    plain: LinesData;
    tables: Record<string, LinesData>;
    tracks: TrackData[];
}

/** Tempos, meters and markers, and the lines of every part, which follow them. */
export interface TimeData {
    tempos: SongData['tempos'];
    meters: SongData['meters'];
    markers: SongData['markers'];
    plain: LinesData;
    /** Which table each part's lines are. */
    lines: Record<string, string>;
    tables: Record<string, LinesData>;
    /** Of parts that are heard at other ticks now. */
    sounds?: Record<string, SoundsData>;
}

/** What changed of a part that is there. */
export interface PartChange extends Partial<SoundsData> {
    put: Row[];
    drop: number[];
    putPoints: Row[];
    dropPoints: number[];
    /** Of many that stay, what is otherwise: their ids, and columns by name. */
    changed?: Changed;
    changedPoints?: Changed;
    head?: PartHead;
    /** Ticks by which everything in it moved, before what is put. */
    shift?: number;
    settings?: Settings;
    scale?: number[] | null;
    pen?: Pen;
    lines?: LinesData;
}

/** A part that was put in, one that was taken away, or what changed of one. */
export type PartAnswer = { part: PartData } | { gone: true } | PartChange;

export interface CatchUp extends SongHead {
    time?: TimeData;
    parts: Record<string, PartAnswer>;
    tracks?: Omit<TrackData, 'parts'>[];
    end: number;
}

export type SelectionItem =
    | { part: number; notes: Ids }
    | { part: number; lane: string; points: Ids }
    | { part: number; pick: Record<string, unknown> }
    | { parts: number[] }
    | { tracks: number[] };

export interface Answer {
    revision: number;
    end: number;
    name?: string;
    scale?: ScaleData | null;
    tones?: string[];
    parts: Record<string, PartAnswer>;
    tracks?: Omit<TrackData, 'parts'>[];
    /** Null where it is what was sent. */
    selection: SelectionItem[] | null;
    /** Where writing goes on. */
    caret?: number;
    /** Tick and pitch to which the caret went with the work. */
    at?: [number, number];
    said: string[];
    warnings: string[];
    canUndo: boolean;
    canRedo: boolean;
    time?: TimeData;
    refused?: { item: number; detail: string }[];
    /** Steps of a way through the history that are still to go. */
    left?: number;
}

/** What is kept of an answer that was lost: the rest can be caught up with. */
export type LostAnswer = Pick<Answer, 'selection' | 'said' | 'warnings' | 'refused' | 'caret' | 'at'>;

/** What commands would do, by note: an answer that changed nothing, with ids by part of the notes to look at. */
export interface LandingAnswer extends Omit<Answer, 'revision' | 'end'> {
    marks: { merging: Record<string, number[]>; far: Record<string, number[]> };
}

export interface GridWeighed {
    grid: string;
    swing: number;
    /** ms: mean and largest distance from the line, and the mean with its sign */
    mean: number;
    largest: number;
    off: number;
    /** 0 to 1: notes within reach of a line */
    share: number;
    merges: number;
}

export interface GridReading {
    notes: number;
    grids: GridWeighed[];
    swing: number | null;
    /** Notes in each part of a quarter, from the beat on. */
    beat: number[];
    best: { grid: string; swing: number } | null;
    said: string;
}

export interface Groove {
    name: string;
    grid: string;
    time: (number | null)[];
    velocity: (number | null)[];
}

export interface KeptGroove {
    id: number;
    shelf: boolean;
    groove: Groove;
}

export type On = SelectionItem;

/** Where a command is asked for: the words for places are made ticks out of it. */
export interface Context {
    caret?: { tick: number; pitch: number };
    pointer?: number;
    span?: [number, number];
    /** The track that the caret stands on, on the song page. */
    track?: number;
}

export interface Command {
    edit?: string;
    /** Key of a recipe, or one as it is. */
    recipe?: string | RecipeData;
    /** So many times over, as one step. */
    times?: number;
    /** A move, or a condition. */
    select?: string | Record<string, unknown>;
    /** How what is found meets what is chosen: add, narrow, take; left out it takes its place. */
    how?: string;
    /** A note that was touched by hand. */
    touched?: number;
    set?: Record<string, unknown>;
    part?: number;
    on?: On | On[];
    params?: Record<string, unknown>;
    /** Of a key that is held: makes the step before longer instead of a new one. */
    more?: boolean;
}

/** A parameter of an edit, as the catalogue has it. */
export interface Param {
    name: string;
    title: string;
    type:
        | 'integer'
        | 'number'
        | 'choice'
        | 'grid'
        | 'step'
        | 'length'
        | 'groove'
        | 'notes'
        | 'flag'
        | 'text'
        | 'played'
        | 'times'
        | 'place'
        | 'pitch'
        | 'pick'
        | 'scale'
        | 'chord';
    /** No field can ask for it. */
    hidden?: boolean;
    unit?: string;
    min?: number;
    max?: number;
    default?: number | string | boolean;
    /** The part's setting that stands in where it is left out. */
    setting?: keyof Settings;
    choices?: string[];
    /** Of a scale: how roots are spelled, and what kinds there are. */
    roots?: string[];
    kinds?: string[];
    optional?: boolean;
    allowed: string;
    /** What is typed of it looks like this: a pattern. */
    shape?: string;
}

export interface Spec {
    id: string;
    title: string;
    group: string;
    about: string;
    needs: 'notes' | 'part' | 'parts' | 'tracks' | 'song' | 'nothing';
    /** After it the same notes are chosen. */
    keeps?: boolean;
    /** It can be asked for by itself. */
    asked: boolean;
    /** It makes sense only with parameters given. */
    formsOnly: boolean;
    /** The panel of its settings; empty where there is none. */
    panel?: string;
    /** What it works on. */
    takes?: ('notes' | 'points' | 'parts' | 'tracks')[];
    params: Param[];
    words: string[];
    contexts: string[];
    /** The command with parameters given, as people look for it. */
    forms: { title: string; params: Record<string, unknown>; words?: string[] }[];
}

export interface Binding {
    context: string;
    keys: string;
    command: string;
    params: Record<string, unknown>;
    label: string;
}

/** The sets of shortcuts, and the one in use. */
export interface KeyState {
    set: number;
    name: string;
    sets: { id: number; name: string }[];
    keymap: Binding[];
    canUndo: boolean;
}

export interface Setup {
    /** What notes can be asked about, by its key. */
    conditions: Record<string, ConditionSpec>;
    keys: KeyState;
    /** The shortcuts that ship. */
    defaults: Binding[];
    /** Strokes that browsers keep for themselves. */
    kept: string[];
    commands: Spec[];
    /** Ids of the commands that are edits. */
    edits: string[];
    recipes: RecipeData[];
    drums: Record<string, string>;
    /** What the simulated player can play. */
    passages: { id: string; name: string }[];
    /** Ticks to a quarter of a new song. */
    ppq: number;
    /** Sounds of General MIDI, by number. */
    programs: string[];
    controllers: Record<string, string>;
    articulations: ArticulationSet[];
    /** Lines that may be typed, by page. */
    examples: Record<string, string[]>;
    families: string[];
    kits: Record<string, string>;
    importLimit: number;
    /** Bytes of a song with its history. */
    songLimit: number;
}

export interface SongSummary {
    id: number;
    name: string;
    parts: number;
    bars: number;
    seconds: number;
    changed: string;
}

/** Something played, in seconds since a take began, as the server takes it. */
export type PlayedEvent =
    | { on: number; off: number; pitch: number; velocity: number; release?: number }
    | { at: number; kind: 'controller' | 'bend' | 'pressure'; data: number[] };

/** Notes carried away, and which place among them goes where they are put. */
export interface Clip {
    notes: Partial<Note>[];
    /** Of lanes under them, by name: tick and value. */
    points?: Record<string, [number, number][]>;
    anchor: number;
    length: number;
}

export interface HistoryStep {
    id: number;
    /** Whether it is on the way to where the song stands. */
    done: boolean;
    said: string;
    at: string;
}
