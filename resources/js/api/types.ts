/** What the server says and is asked, as docs/architecture.md has it. */

/** id, start, length, pitch, velocity, muted, played start − start, played length − length, group, channel */
export type NoteRow = [number, number, number, number, number, number, number, number, number, number];

export interface Note {
    id: number;
    start: number;
    length: number;
    pitch: number;
    velocity: number;
    muted: boolean;
    driftStart: number;
    driftLength: number;
    group: number;
    channel: number;
}

export function noteOf(row: NoteRow): Note {
    return {
        id: row[0],
        start: row[1],
        length: row[2],
        pitch: row[3],
        velocity: row[4],
        muted: row[5] === 1,
        driftStart: row[6],
        driftLength: row[7],
        group: row[8],
        channel: row[9],
    };
}

export function rowOf(n: Note): NoteRow {
    return [
        n.id,
        n.start,
        n.length,
        n.pitch,
        n.velocity,
        n.muted ? 1 : 0,
        n.driftStart,
        n.driftLength,
        n.group,
        n.channel,
    ];
}

/** tick, status, data1, data2 */
export type Point = [number, number, number, number];

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
}

/** The lines of a part's grid: bar starts, the pattern each bar follows, and each pattern's offsets. */
export interface Lines {
    bars: number[];
    of: number[];
    patterns: number[][];
}

export interface PartData {
    id: number;
    name: string;
    settings: Settings;
    lines: Lines;
    notes: NoteRow[];
    points: Point[];
}

export interface TrackData {
    id: number;
    name: string;
    muted: boolean;
    soloed: boolean;
    instrument: string;
    parts: PartData[];
}

export interface SongHead {
    id: number;
    name: string;
    revision: number;
    canUndo: boolean;
    canRedo: boolean;
}

export interface SongData extends SongHead {
    ppq: number;
    end: number;
    /** tick, seconds, microseconds per quarter */
    tempos: [number, number, number][];
    /** tick, beats, unit */
    meters: [number, number, number][];
    tracks: TrackData[];
}

/** Tempos, meters, and the lines of every part, which follow them. */
export interface TimeData {
    tempos: SongData['tempos'];
    meters: SongData['meters'];
    lines: Record<string, Lines>;
}

export interface CatchUp extends SongHead {
    time?: TimeData;
    parts: Record<string, PartData>;
    tracks: Omit<TrackData, 'parts' | 'instrument'>[];
    end: number;
}

export interface PartAnswer {
    put: NoteRow[];
    drop: number[];
    /** All of the part's points, where some changed. */
    points?: Point[];
    settings?: Settings;
    lines?: Lines;
}

export interface SelectionItem {
    part: number;
    notes: number[];
}

export interface Answer {
    revision: number;
    end: number;
    parts: Record<string, PartAnswer>;
    selection: SelectionItem[] | null;
    said: string[];
    warnings: string[];
    canUndo: boolean;
    canRedo: boolean;
    time?: TimeData;
    refused?: { item: number; detail: string }[];
}

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

export type On = { part: number; notes: number[] } | { part: number; pick: Record<string, unknown> };

export interface Command {
    edit?: string;
    /** Key of a recipe, or one as it is. */
    recipe?: string | RecipeData;
    /** So many times over, as one step. */
    times?: number;
    select?: string;
    near?: number;
    span?: [number, number];
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
        | 'times';
    unit?: string;
    min?: number;
    max?: number;
    default?: number | string | boolean;
    /** The part's setting that stands in where it is left out. */
    setting?: keyof Settings;
    choices?: string[];
    optional?: boolean;
    allowed: string;
}

export interface Spec {
    id: string;
    title: string;
    group: string;
    about: string;
    needs: 'notes' | 'part' | 'song' | 'nothing';
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

export interface RecipeStep {
    edit?: string;
    params?: Record<string, unknown>;
    select?: string;
    set?: Record<string, unknown>;
    recipe?: string;
    off?: boolean;
}

export type PickData = Record<string, unknown>;

export interface RecipeData {
    kind?: 'recipe';
    key?: string;
    name: string;
    pick: PickData | null;
    steps: RecipeStep[];
}

export interface Setup {
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
    /** Sounds of General MIDI, by number. */
    programs: string[];
    importLimit: number;
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
    notes: Record<string, number>[];
    anchor: number;
    length: number;
}

export interface HistoryStep {
    id: number;
    parent: number | null;
    said: string;
    at: string;
}
