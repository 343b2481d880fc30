/* What goes over the wire, made by `npm run contract` out of docs/openapi.json. Do not change it by hand. */

/**
 * Of ids that follow one another a pair of the first and the last stands.
 */
export type Ids = (number | [number, number])[];
/**
 * How long the pen writes: in ticks, or in bars.
 */
export type Pen =
    | {
          ticks: number;
      }
    | {
          bars: number;
      };
/**
 * A value for each shown column of a note, and `until`: the tick up to which it sounds, 0 where it does not.
 *
 * @minItems 14
 * @maxItems 14
 */
export type NoteRow = [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    string,
    number,
];
/**
 * A value for each column of a point, and `heard`.
 *
 * @minItems 6
 * @maxItems 6
 */
export type PointRow = [number, number, number, number, number, number];
export type PartAnswer =
    | {
          part: PartData;
      }
    | {
          gone: true;
      }
    | PartChange;
export type EditId =
    | 'articulate'
    | 'note-clear'
    | 'note-draw'
    | 'note-line'
    | 'note-point'
    | 'note-shape'
    | 'set-bend-range'
    | 'write-chords'
    | 'lane-clear'
    | 'lane-copy'
    | 'lane-draw'
    | 'lane-line'
    | 'lane-paste'
    | 'lane-point'
    | 'lane-shape'
    | 'lane-thin'
    | 'pedal'
    | 'clear-overlaps'
    | 'end-at'
    | 'legato'
    | 'resize'
    | 'scale-length'
    | 'set-length'
    | 'start-at'
    | 'insert-time'
    | 'part-crop'
    | 'part-delete'
    | 'part-flatten'
    | 'part-insert'
    | 'part-join'
    | 'part-loop'
    | 'part-merge'
    | 'part-move'
    | 'part-mute'
    | 'part-new'
    | 'part-plays'
    | 'part-rename'
    | 'part-repeat'
    | 'part-resize'
    | 'part-slide'
    | 'part-snap'
    | 'part-split'
    | 'part-tidy'
    | 'remove-time'
    | 'double-at'
    | 'fit-to-scale'
    | 'invert-chord'
    | 'mirror'
    | 'open-chord'
    | 'set-pitch'
    | 'step-in-rows'
    | 'step-in-scale'
    | 'transpose'
    | 'song-rename'
    | 'song-scale'
    | 'copy-span'
    | 'cut-span'
    | 'delete'
    | 'group'
    | 'insert'
    | 'insert-chord'
    | 'insert-progression'
    | 'insert-recording'
    | 'insert-run'
    | 'join'
    | 'keep-first-chords'
    | 'move-to-track'
    | 'mute'
    | 'repeat'
    | 'reverse'
    | 'split'
    | 'stretch'
    | 'to-meter'
    | 'ungroup'
    | 'marker-move'
    | 'marker-remove'
    | 'marker-set'
    | 'meter-move'
    | 'meter-remove'
    | 'meter-set'
    | 'tempo-move'
    | 'tempo-remove'
    | 'tempo-set'
    | 'tempo-tap'
    | 'align-to-parts'
    | 'as-played'
    | 'groove-quantize'
    | 'humanize'
    | 'move-to'
    | 'nudge'
    | 'quantize'
    | 'snap-nudge'
    | 'track-articulations'
    | 'track-delete'
    | 'track-duplicate'
    | 'track-level'
    | 'track-new'
    | 'track-order'
    | 'track-rename'
    | 'track-sound'
    | 'velocity-add'
    | 'velocity-compress'
    | 'velocity-default'
    | 'velocity-draw'
    | 'velocity-even'
    | 'velocity-ramp'
    | 'velocity-random'
    | 'velocity-scale'
    | 'velocity-set';
export type ConditionKey =
    | 'velocity'
    | 'pitch'
    | 'pitchClass'
    | 'length'
    | 'start'
    | 'inChord'
    | 'articulation'
    | 'every'
    | 'group'
    | 'muted'
    | 'offGrid'
    | 'onBeat'
    | 'outOfScale'
    | 'overlapping'
    | 'span';
export type SelectionCommand =
    | 'above-row'
    | 'all'
    | 'alone'
    | 'bar'
    | 'below-row'
    | 'bottom-voices'
    | 'changes'
    | 'chord'
    | 'every-fourth'
    | 'every-second'
    | 'every-third'
    | 'first-chords'
    | 'fourth-voices'
    | 'group'
    | 'grow-higher'
    | 'grow-lower'
    | 'grow-next'
    | 'grow-previous'
    | 'higher'
    | 'inverse'
    | 'louder'
    | 'lower'
    | 'lower-voices'
    | 'muted'
    | 'next'
    | 'none'
    | 'off-beat'
    | 'off-grid'
    | 'on-beat'
    | 'out-of-scale'
    | 'outside-span'
    | 'overlapping'
    | 'previous'
    | 'row'
    | 'same-articulation'
    | 'same-length'
    | 'same-place'
    | 'second-voices'
    | 'softer'
    | 'span'
    | 'third-voices'
    | 'top-voices';
export type SelectionItem =
    | {
          part: number;
          notes: Ids;
      }
    | {
          part: number;
          lane: string;
          points: Ids;
      }
    | {
          parts: number[];
      }
    | {
          tracks: number[];
      };
/**
 * What a command works on.
 */
export type On =
    | {
          part: number;
          notes: Ids;
      }
    | {
          part: number;
          lane: string;
          points: Ids;
      }
    | {
          part: number;
          pick: NoteFilter;
          lane?: string;
      }
    | {
          parts: Ids;
      }
    | {
          tracks: Ids;
      };
export type ReadingId =
    | 'caret-step'
    | 'chords'
    | 'clip'
    | 'grid-reading'
    | 'groove-reading'
    | 'key'
    | 'overlap-reading'
    | 'part-clip'
    | 'passage-reading'
    | 'picked'
    | 'playing'
    | 'repairs'
    | 'span';
/**
 * Something played, in seconds since a take began.
 */
export type PlayedEvent =
    | {
          on: number;
          off: number;
          pitch: number;
          velocity: number;
          release?: number;
      }
    | {
          at: number;
          kind: 'controller' | 'bend' | 'pressure';
          data: number[];
      };
/**
 * What stands in the braces of a path is the number of something, but for these.
 */
export type TextInPath = 'key' | 'backup' | 'recipe';

export interface Step {
    unit: 'grid' | 'value' | 'bar' | 'ms' | 'samples' | 'ticks';
    amount: number | string;
    rate?: number;
}
export interface Settings {
    grid: string;
    swing: number;
    strength: number;
    nudge: Step;
    tied: boolean;
    lanes: 'stay' | 'along';
    penVelocity: number;
    touches: number[];
    velocityFrom: 'fixed' | 'touched';
    lengthFrom: 'fixed' | 'touched';
    penLength: string | null;
    swingKept: number;
    touchedLength: number | null;
    scale: string | null;
    held: boolean;
    choices: {
        [k: string]: number[];
    };
}
/**
 * The lines of a grid, as runs of bars that are alike: where a run begins, the index of its first bar, how many ticks it takes to come round and how often it does, and its bars: the offset of each and the pattern it follows.
 */
export interface LinesData {
    runs: [number, number, number, number, [number, number][]][];
    patterns: number[][];
}
export interface Plays {
    words: string;
    /**
     * Semitones.
     */
    transpose: number;
    /**
     * Percent.
     */
    velocity: number;
    /**
     * Milliseconds.
     */
    delay: number;
    /**
     * The tick up to which it loops; 0 where it does not.
     */
    until: number;
}
export interface PartHead {
    id: number;
    track: number;
    name: string;
    from: number;
    /**
     * Null where it has no end.
     */
    to: number | null;
    muted: boolean;
    /**
     * Null where it plays what is written.
     */
    plays: Plays | null;
}
export interface SoundsData {
    /**
     * All that is heard, where it is not what is written: notes as id, start, end, pitch, velocity, channel; points as tick, status, data and a channel of their own.
     */
    sounds: {
        notes: number[][];
        points: number[][];
    } | null;
    /**
     * What releases pedals and bends at its end: tick, status and data.
     */
    letGo: number[][];
}
export interface NoteColumns {
    id: Ids;
    start?: number[];
    length?: number[];
    pitch?: number[];
    velocity?: number[];
    muted?: number[];
    group?: number[];
    channel?: number[];
    driftStart?: number[];
    driftLength?: number[];
    carryVelocity?: number[];
    articulation?: number[];
    own?: string[];
    until?: number[];
}
export interface PointColumns {
    id: Ids;
    tick?: number[];
    status?: number[];
    data1?: number[];
    data2?: number[];
    heard?: number[];
}
export interface ChangedNotes {
    id: Ids;
    start?: number[] | number;
    length?: number[] | number;
    pitch?: number[] | number;
    velocity?: number[] | number;
    muted?: number[] | number;
    group?: number[] | number;
    channel?: number[] | number;
    driftStart?: number[] | number;
    driftLength?: number[] | number;
    carryVelocity?: number[] | number;
    articulation?: number[] | number;
    own?: string[] | number;
    until?: number[];
}
export interface ChangedPoints {
    id: Ids;
    tick?: number[] | number;
    status?: number[] | number;
    data1?: number[] | number;
    data2?: number[] | number;
    heard?: number[];
}
export interface PartData {
    id: number;
    track: number;
    name: string;
    from: number;
    /**
     * Null where it has no end.
     */
    to: number | null;
    muted: boolean;
    /**
     * Null where it plays what is written.
     */
    plays: Plays | null;
    settings: Settings;
    /**
     * The pitch classes of its own scale, from C.
     */
    scale: number[] | null;
    pen: Pen;
    /**
     * All that is heard, where it is not what is written: notes as id, start, end, pitch, velocity, channel; points as tick, status, data and a channel of their own.
     */
    sounds: {
        notes: number[][];
        points: number[][];
    } | null;
    /**
     * What releases pedals and bends at its end: tick, status and data.
     */
    letGo: number[][];
    /**
     * Cents that a bend reaches in it.
     */
    bendRange: number;
    notes: NoteRow[] | NoteColumns;
    points: PointRow[] | PointColumns;
    /**
     * Itself, or the name of a table that parts share.
     */
    lines: LinesData | string;
}
export interface RowSet {
    /**
     * By pitch.
     */
    names: {
        [k: string]: string;
    };
    /**
     * Pitches from below.
     */
    order: number[];
}
export interface Articulation {
    id: string;
    name: string;
    mark: string;
    /**
     * What is sent: {program}, {key}, {cc, value} or {channel}.
     */
    do: {
        [k: string]: number;
    }[];
    length: number;
    velocity: number;
}
/**
 * The ways in which an instrument is played; the first holds where a note has none.
 */
export interface ArticulationSet {
    name: string;
    articulations: Articulation[];
}
export interface SongHead {
    id: number;
    name: string;
    revision: number;
    canUndo: boolean;
    canRedo: boolean;
}
export interface ScaleData {
    name: string;
    /**
     * From C.
     */
    classes: number[];
}
export interface TrackHead {
    id: number;
    name: string;
    /**
     * A track of the file without music, kept out of sight.
     */
    conductor: boolean;
    muted: boolean;
    soloed: boolean;
    rows: RowSet;
    instrument: string;
    articulations: ArticulationSet | null;
    /**
     * Null where nothing in it says.
     */
    sound: {
        program: number;
        drums: boolean;
    } | null;
    volume: number;
    pan: number;
}
export interface TrackData {
    id: number;
    name: string;
    /**
     * A track of the file without music, kept out of sight.
     */
    conductor: boolean;
    muted: boolean;
    soloed: boolean;
    rows: RowSet;
    instrument: string;
    articulations: ArticulationSet | null;
    /**
     * Null where nothing in it says.
     */
    sound: {
        program: number;
        drums: boolean;
    } | null;
    volume: number;
    pan: number;
    parts: PartData[];
}
export interface SongData {
    id: number;
    name: string;
    revision: number;
    canUndo: boolean;
    canRedo: boolean;
    ppq: number;
    /**
     * Where what is drawn ends.
     */
    end: number;
    /**
     * Ticks by which a note may be early for a bar and be meant for it.
     */
    early: number;
    scale: ScaleData | null;
    /**
     * Names of the twelve tones from C, as its key spells them.
     */
    tones: string[];
    /**
     * The lines of a grid as it is at first: for a song without parts.
     */
    plain: LinesData;
    /**
     * Tick, seconds, microseconds per quarter.
     */
    tempos: [number, number, number][];
    /**
     * Tick, beats, unit.
     */
    meters: [number, number, number][];
    /**
     * Tick and name.
     */
    markers: [number, string][];
    tables: {
        [k: string]: LinesData;
    };
    tracks: TrackData[];
}
/**
 * Tempos, meters and markers, and the lines of every part, which follow them.
 */
export interface TimeData {
    /**
     * The lines of a grid as it is at first: for a song without parts.
     */
    plain: LinesData;
    /**
     * Tick, seconds, microseconds per quarter.
     */
    tempos: [number, number, number][];
    /**
     * Tick, beats, unit.
     */
    meters: [number, number, number][];
    /**
     * Tick and name.
     */
    markers: [number, string][];
    /**
     * Which table the lines of a part are.
     */
    lines: {
        [k: string]: string;
    };
    tables: {
        [k: string]: LinesData;
    };
    /**
     * Of parts that are heard at other ticks now.
     */
    sounds: {
        [k: string]: SoundsData;
    };
}
/**
 * What changed of a part that is there.
 */
export interface PartChange {
    put: NoteRow[];
    drop: number[];
    putPoints: PointRow[];
    dropPoints: number[];
    changed?: ChangedNotes;
    changedPoints?: ChangedPoints;
    head?: PartHead;
    /**
     * Ticks by which everything in it moved, before what is put.
     */
    shift?: number;
    lines?: LinesData;
    settings?: Settings;
    /**
     * The pitch classes of its own scale, from C.
     */
    scale?: number[] | null;
    pen?: Pen;
    /**
     * All that is heard, where it is not what is written: notes as id, start, end, pitch, velocity, channel; points as tick, status, data and a channel of their own.
     */
    sounds?: {
        notes: number[][];
        points: number[][];
    } | null;
    /**
     * What releases pedals and bends at its end: tick, status and data.
     */
    letGo?: number[][];
    /**
     * Cents that a bend reaches in it.
     */
    bendRange?: number;
}
/**
 * What changed since a revision.
 */
export interface CatchUp {
    id: number;
    name: string;
    revision: number;
    canUndo: boolean;
    canRedo: boolean;
    scale: ScaleData | null;
    /**
     * Names of the twelve tones from C, as its key spells them.
     */
    tones: string[];
    parts: {
        [k: string]: PartAnswer;
    };
    end: number;
    time?: TimeData;
    tracks?: TrackHead[];
}
export interface SongSummary {
    id: number;
    name: string;
    parts: number;
    bars: number;
    seconds: number;
    changed: string;
}
export interface DeletedSong {
    id: number;
    name: string;
    parts: number;
    bars: number;
    seconds: number;
    changed: string;
    deleted: string;
}
/**
 * Another window that is open on the song.
 */
export interface Other {
    window: string;
    name: string;
    part: number | null;
    tick: number;
}
export interface Presence {
    revision: number;
    epoch: string;
    name: string;
    others: Other[];
}
/**
 * What each edit takes.
 */
export interface EditParams {
    articulate: {
        /**
         * a whole number from 0 to 64
         */
        number?: number;
        /**
         * a text of 1 to 200 letters
         */
        name?: string;
    };
    'note-clear': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
    };
    'note-draw': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a list of [tick, value], one or more
         */
        points?: unknown;
    };
    'note-line': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a whole number from -4800 to 4800
         */
        low?: number;
        /**
         * a whole number from -4800 to 4800
         */
        high?: number;
        /**
         * a whole number from 0 to 100 percent of its length
         */
        from?: number;
        /**
         * a whole number from 0 to 100 percent of its length
         */
        to?: number;
        /**
         * a whole number from -100 to 100
         */
        curve?: number;
    };
    'note-point': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a whole number from 0 to 8796093022207 ticks from its start
         */
        at?: number;
        /**
         * a number from -4800 to 4800
         */
        value?: number;
        /**
         * a whole number from 0 to 8796093022207 ticks from its start
         */
        to?: number;
        /**
         * true or false
         */
        remove?: boolean;
    };
    'note-shape': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * one of vibrato, swell, rise, fall, hold
         */
        shape?: 'vibrato' | 'swell' | 'rise' | 'fall' | 'hold';
        /**
         * a whole number from 0 to 1200
         */
        depth?: number;
        /**
         * a number from 0.1 to 20 a second
         */
        rate?: number;
        /**
         * a whole number from 0 to 10000 ms
         */
        after?: number;
        /**
         * a whole number from -4800 to 4800
         */
        low?: number;
        /**
         * a whole number from -4800 to 4800
         */
        high?: number;
    };
    'set-bend-range': {
        /**
         * a whole number from 1 to 48 semitones
         */
        semitones?: number;
    };
    'write-chords': {
        /**
         * one of change, beat, bar
         */
        every?: 'change' | 'beat' | 'bar';
        /**
         * true or false
         */
        arpeggios?: boolean;
        /**
         * true or false
         */
        pedal?: boolean;
    };
    'lane-clear': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
    };
    'lane-copy': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        into?: string;
        /**
         * the number of a part of the song, from 1
         */
        part?: number;
        /**
         * true or false
         */
        move?: boolean;
    };
    'lane-draw': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a list of [tick, value], one or more
         */
        points?: unknown;
    };
    'lane-line': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * a whole number from 0 to 127
         */
        low?: number;
        /**
         * a whole number from 0 to 127
         */
        high?: number;
        /**
         * a whole number from -100 to 100
         */
        curve?: number;
        /**
         * {"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}
         */
        every?: unknown;
    };
    'lane-paste': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a list of [tick, value], one or more
         */
        points?: unknown;
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        of?: string;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * a whole number from 0 to 8796093022207 ticks
         */
        anchor?: number;
    };
    'lane-point': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a whole number from -8192 to 8191
         */
        value?: number;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
    };
    'lane-shape': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * one of rise, fall, swell, sine, random, hold
         */
        shape?: 'rise' | 'fall' | 'swell' | 'sine' | 'random' | 'hold';
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * a whole number from 0 to 127
         */
        low?: number;
        /**
         * a whole number from 0 to 127
         */
        high?: number;
        /**
         * a grid such as 1/16, 1/8T, 1/4D, 1/16:5, bar or 2bar, from 1/1 to 1/128
         */
        period?: unknown;
        /**
         * a whole number from 0 to 2147483647
         */
        seed?: number;
    };
    'lane-thin': {
        /**
         * cc:0 to cc:119, bend, pressure, poly-pressure or program
         */
        lane?: string;
        /**
         * a whole number from 0 to 64
         */
        tolerance?: number;
    };
    pedal: {
        /**
         * a whole number from 1 to 1000 ms
         */
        gap?: number;
        /**
         * a number from 0 to 1000 ms, or auto
         */
        gather?: number;
    };
    'clear-overlaps': {
        /**
         * one of any, pitch
         */
        scope?: 'any' | 'pitch';
        /**
         * a number from 0 to 1000 ms, or auto
         */
        gather?: number;
    };
    'end-at': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        tick?: unknown;
    };
    legato: {
        /**
         * one of both, fill, shorten
         */
        mode?: 'both' | 'fill' | 'shorten';
        /**
         * one of bar, part, keep
         */
        tail?: 'bar' | 'part' | 'keep';
        /**
         * a whole number from 0 to 100000 ticks
         */
        gap?: number;
        /**
         * a number from 0 to 1000 ms, or auto
         */
        gather?: number;
    };
    resize: {
        /**
         * a whole number from -10000 to 10000
         */
        steps?: number;
        /**
         * {"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}
         */
        by?: unknown;
        /**
         * one of end, start
         */
        edge?: 'end' | 'start';
    };
    'scale-length': {
        /**
         * a number from 1 to 1600 %
         */
        percent?: number;
    };
    'set-length': {
        /**
         * a note value such as "1/16", "1/8D" or "bar", or a whole number of ticks from 1
         */
        value?: unknown;
    };
    'start-at': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        tick?: unknown;
    };
    'insert-time': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * one of song, parts
         */
        in?: 'song' | 'parts';
        /**
         * one of lengthen, cut
         */
        across?: 'lengthen' | 'cut';
    };
    'part-crop': {
        /**
         * one of span, bars
         */
        over?: 'span' | 'bars';
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
    };
    'part-delete': {
        tsType?: 'unknown';
    };
    'part-flatten': {
        tsType?: 'unknown';
    };
    'part-insert': {
        /**
         * {"ppq", "parts": [{"track", "name", "from", "to", "muted", "plays", "settings", "program", "drums", "notes", "points"}]}, as the reading part-clip gives it
         */
        clip?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * the number of a track of the song, from 1
         */
        track?: number;
        /**
         * true or false
         */
        sounds?: boolean;
    };
    'part-join': {
        tsType?: 'unknown';
    };
    'part-loop': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        until?: unknown;
        /**
         * one of place, song
         */
        to?: 'place' | 'song';
    };
    'part-merge': {
        tsType?: 'unknown';
    };
    'part-move': {
        /**
         * a whole number from -10000 to 10000
         */
        steps?: number;
        /**
         * {"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}
         */
        by?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * one of none, next, previous
         */
        edge?: 'none' | 'next' | 'previous';
        /**
         * one of all, track
         */
        of?: 'all' | 'track';
        /**
         * the number of a track of the song, from 1
         */
        track?: number;
        /**
         * a whole number from -1000 to 1000
         */
        tracks?: number;
        /**
         * true or false
         */
        copy?: boolean;
    };
    'part-mute': {
        /**
         * one of toggle, on, off
         */
        state?: 'toggle' | 'on' | 'off';
    };
    'part-new': {
        /**
         * the number of a track of the song, from 1
         */
        track?: number;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * a name of 1 to 200 characters
         */
        name?: string;
    };
    'part-plays': {
        /**
         * a whole number from -48 to 48 semitones
         */
        transpose?: number;
        /**
         * a whole number from 1 to 200 %
         */
        velocity?: number;
        /**
         * a whole number from -500 to 500 ms
         */
        delay?: number;
        /**
         * a whole number from -96 to 96 semitones
         */
        transposeBy?: number;
        /**
         * a whole number from -200 to 200 %
         */
        velocityBy?: number;
        /**
         * a whole number from -1000 to 1000 ms
         */
        delayBy?: number;
    };
    'part-rename': {
        /**
         * a name of 1 to 200 characters
         */
        name?: string;
    };
    'part-repeat': {
        /**
         * a whole number from 1 to 200
         */
        times?: number;
        /**
         * one of own, bars, span
         */
        every?: 'own' | 'bars' | 'span';
    };
    'part-resize': {
        /**
         * one of end, start
         */
        edge?: 'end' | 'start';
        /**
         * a whole number from -10000 to 10000
         */
        steps?: number;
        /**
         * {"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}
         */
        by?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * one of none, next, previous
         */
        next?: 'none' | 'next' | 'previous';
    };
    'part-slide': {
        /**
         * a whole number from -10000 to 10000
         */
        steps?: number;
        /**
         * {"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}
         */
        by?: unknown;
    };
    'part-snap': {
        /**
         * a grid such as 1/16, 1/8T, 1/4D, 1/16:5, bar or 2bar, from 1/1 to 1/128
         */
        grid?: unknown;
        /**
         * a whole number from -1000 to 1000
         */
        steps?: number;
    };
    'part-split': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * one of place, bars, grid, marker
         */
        every?: 'place' | 'bars' | 'grid' | 'marker';
        /**
         * a whole number from 1 to 1000
         */
        bars?: number;
    };
    'part-tidy': {
        tsType?: 'unknown';
    };
    'remove-time': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * one of song, parts
         */
        in?: 'song' | 'parts';
    };
    'double-at': {
        /**
         * a whole number from -127 to 127
         */
        semitones?: number;
        /**
         * a whole number from -70 to 70
         */
        degrees?: number;
        /**
         * a scale such as D dorian, Bb major, F# harmonic minor, or {"root": "D", "steps": [0, 2, 3, 5, 7, 9, 10]}
         */
        scale?: unknown;
    };
    'fit-to-scale': {
        /**
         * a scale such as D dorian, Bb major, F# harmonic minor, or {"root": "D", "steps": [0, 2, 3, 5, 7, 9, 10]}
         */
        scale?: unknown;
        /**
         * one of nearest, up, down
         */
        toward?: 'nearest' | 'up' | 'down';
    };
    'invert-chord': {
        /**
         * a whole number from -12 to 12
         */
        by?: number;
        /**
         * a number from 0 to 1000 ms, or auto
         */
        gather?: number;
    };
    mirror: {
        /**
         * a whole number from 0 to 127, the name of a pitch (C2, F#3, Bb1; C4 is 60) or of a drum, or caret for the caret’s row
         */
        axis?: unknown;
        /**
         * one of semitones, scale
         */
        in?: 'semitones' | 'scale';
        /**
         * a scale such as D dorian, Bb major, F# harmonic minor, or {"root": "D", "steps": [0, 2, 3, 5, 7, 9, 10]}
         */
        scale?: unknown;
    };
    'open-chord': {
        /**
         * a whole number from -12 to 12
         */
        by?: number;
        /**
         * a number from 0 to 1000 ms, or auto
         */
        gather?: number;
    };
    'set-pitch': {
        /**
         * a whole number from 0 to 127, the name of a pitch (C2, F#3, Bb1; C4 is 60) or of a drum, or caret for the caret’s row
         */
        pitch?: unknown;
    };
    'step-in-rows': {
        /**
         * a whole number from -127 to 127
         */
        steps?: number;
        /**
         * a list of pitches 0–127, one or more, each once
         */
        rows?: unknown;
    };
    'step-in-scale': {
        /**
         * a whole number from -70 to 70
         */
        degrees?: number;
        /**
         * a scale such as D dorian, Bb major, F# harmonic minor, or {"root": "D", "steps": [0, 2, 3, 5, 7, 9, 10]}
         */
        scale?: unknown;
    };
    transpose: {
        /**
         * a whole number from -127 to 127
         */
        semitones?: number;
        /**
         * a whole number from -127 to 127
         */
        steps?: number;
    };
    'song-rename': {
        /**
         * a name of 1 to 200 characters
         */
        name?: string;
    };
    'song-scale': {
        /**
         * a scale such as D dorian, Bb major, F# harmonic minor, or {"root": "D", "steps": [0, 2, 3, 5, 7, 9, 10]}
         */
        scale?: unknown;
    };
    'copy-span': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
    };
    'cut-span': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * one of stay, along
         */
        lanes?: 'stay' | 'along';
    };
    delete: {
        /**
         * one of stay, along
         */
        lanes?: 'stay' | 'along';
    };
    group: {
        tsType?: 'unknown';
    };
    insert: {
        /**
         * a list of {"start": tick, "pitch": 0–127} with "length" in ticks and "velocity" 1–127 where the pen is not to say them
         */
        notes?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * a whole number from 0 to 8796093022207 ticks
         */
        anchor?: number;
        /**
         * an object of lanes (bend, pressure, cc:0 to cc:119) with a list of [tick, value] each
         */
        points?: unknown;
        /**
         * a whole number from 1 to 4
         */
        touch?: number;
    };
    'insert-chord': {
        /**
         * a chord such as C, Bbm7, F#m7b5, Gsus4, E7#9, Dadd9, A6/9, Gm9/C
         */
        chord?: unknown;
        /**
         * a whole number from 0 to 6
         */
        inversion?: number;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        tick?: unknown;
        /**
         * a whole number from 0 to 127, the name of a pitch (C2, F#3, Bb1; C4 is 60) or of a drum, or caret for the caret’s row
         */
        low?: unknown;
        /**
         * a whole number from 0 to 6
         */
        spread?: number;
        /**
         * one of next, pen
         */
        lasts?: 'next' | 'pen';
        /**
         * true or false
         */
        group?: boolean;
        /**
         * a whole number from 1 to 127
         */
        velocity?: number;
    };
    'insert-progression': {
        /**
         * chords with | between bars, such as Dm9 | G13 | Cmaj9 | %, or ii7 V7 I in the scale
         */
        chords?: unknown;
        /**
         * one of near, root
         */
        lead?: 'near' | 'root';
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        tick?: unknown;
        /**
         * a whole number from 0 to 127, the name of a pitch (C2, F#3, Bb1; C4 is 60) or of a drum, or caret for the caret’s row
         */
        low?: unknown;
        /**
         * a whole number from 1 to 127
         */
        velocity?: number;
        /**
         * a scale such as D dorian, Bb major, F# harmonic minor, or {"root": "D", "steps": [0, 2, 3, 5, 7, 9, 10]}
         */
        scale?: unknown;
    };
    'insert-recording': {
        /**
         * a list of {"on": seconds, "off": seconds, "pitch": 0–127, "velocity": 1–127} with "release" 0–127 where it is known, and of {"at": seconds, "kind": "controller", "bend" or "pressure", "data": [one or two of 0–127]}
         */
        events?: unknown;
        /**
         * a whole number from 0 to 8796093022207 ticks
         */
        from?: number;
        /**
         * a whole number from 0 to 8796093022207
         */
        take?: number;
        /**
         * a whole number from 1 to 1000000
         */
        round?: number;
        /**
         * a whole number from 0 to 8796093022207 ticks
         */
        loopFrom?: number;
        /**
         * a whole number from 1 to 8796093022207 ticks
         */
        loopTo?: number;
        /**
         * a whole number from 0 to 8796093022207 ticks
         */
        punchFrom?: number;
        /**
         * a whole number from 1 to 8796093022207 ticks
         */
        punchTo?: number;
        /**
         * a number from -1000 to 1000 ms
         */
        latency?: number;
        /**
         * one of raw, quantized
         */
        timing?: 'raw' | 'quantized';
        /**
         * one of overdub, replace
         */
        mode?: 'overdub' | 'replace';
        /**
         * a number from -345600 to 345600 s
         */
        since?: number;
        /**
         * a number from -345600 to 345600 s
         */
        until?: number;
    };
    'insert-run': {
        /**
         * a whole number from 0 to 127, the name of a pitch (C2, F#3, Bb1; C4 is 60) or of a drum, or caret for the caret’s row
         */
        pitch?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * a grid such as 1/16, 1/8T, 1/4D, 1/16:5, bar or 2bar, from 1/1 to 1/128
         */
        grid?: unknown;
        /**
         * a number from 50 to 75 %
         */
        swing?: number;
        /**
         * a whole number from -126 to 126
         */
        rise?: number;
    };
    join: {
        /**
         * a note value such as "1/16", "1/8D" or "bar", or a whole number of ticks from 1
         */
        within?: unknown;
    };
    'keep-first-chords': {
        /**
         * one of bar, span, change
         */
        of?: 'bar' | 'span' | 'change';
        /**
         * a grid such as 1/16, 1/8T, 1/4D, 1/16:5, bar or 2bar, from 1/1 to 1/128
         */
        each?: unknown;
        /**
         * one of chosen, muted, deleted
         */
        rest?: 'chosen' | 'muted' | 'deleted';
        /**
         * a number from 0 to 1000 ms, or auto
         */
        gather?: number;
    };
    'move-to-track': {
        /**
         * a whole number from -1000 to 1000
         */
        tracks?: number;
        /**
         * the number of a track of the song, from 1
         */
        track?: number;
        /**
         * the number of a part of the song, from 1
         */
        part?: number;
        /**
         * a whole number from -127 to 127 semitones
         */
        semitones?: number;
        /**
         * true or false
         */
        copy?: boolean;
        /**
         * true or false
         */
        mute?: boolean;
    };
    mute: {
        /**
         * one of toggle, on, off
         */
        state?: 'toggle' | 'on' | 'off';
    };
    repeat: {
        /**
         * a whole number from 1 to 64
         */
        times?: number;
        /**
         * one of auto, cells, bars, span
         */
        every?: 'auto' | 'cells' | 'bars' | 'span';
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
        /**
         * one of stay, along
         */
        lanes?: 'stay' | 'along';
    };
    reverse: {
        tsType?: 'unknown';
    };
    split: {
        /**
         * a whole number from 2 to 64
         */
        into?: number;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * a grid such as 1/16, 1/8T, 1/4D, 1/16:5, bar or 2bar, from 1/1 to 1/128
         */
        grid?: unknown;
        /**
         * a number from 50 to 75 %
         */
        swing?: number;
    };
    stretch: {
        /**
         * a number or a fraction (2, 0.5, 2/3) from 1/64 to 64
         */
        factor?: string;
    };
    'to-meter': {
        /**
         * a whole number from 1 to 64
         */
        beats?: number;
        /**
         * one of 1, 2, 4, 8, 16, 32
         */
        unit?: '1' | '2' | '4' | '8' | '16' | '32';
        /**
         * one of stretch, fill
         */
        how?: 'stretch' | 'fill';
        /**
         * one of set, stays
         */
        meter?: 'set' | 'stays';
    };
    ungroup: {
        tsType?: 'unknown';
    };
    'marker-move': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
    };
    'marker-remove': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
    };
    'marker-set': {
        /**
         * a name of 1 to 200 characters
         */
        name?: string;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
    };
    'meter-move': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * a whole number from 1 to 100000
         */
        bar?: number;
    };
    'meter-remove': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
    };
    'meter-set': {
        /**
         * a whole number from 1 to 64
         */
        beats?: number;
        /**
         * one of 1, 2, 4, 8, 16, 32, 64
         */
        unit?: '1' | '2' | '4' | '8' | '16' | '32' | '64';
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * a whole number from 1 to 100000
         */
        bar?: number;
        /**
         * one of keep, move
         */
        later?: 'keep' | 'move';
    };
    'tempo-move': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * a whole number from 1 to 100000
         */
        bar?: number;
    };
    'tempo-remove': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
    };
    'tempo-set': {
        /**
         * a number from 4 to 1000 BPM
         */
        tempo?: number;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
        /**
         * a whole number from 1 to 100000
         */
        bar?: number;
    };
    'tempo-tap': {
        /**
         * a list of 2 to 64 moments in seconds, each after the one before
         */
        taps?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        at?: unknown;
    };
    'align-to-parts': {
        /**
         * a list of ids of parts, one or more
         */
        parts?: unknown;
        /**
         * one of nearest, next, previous
         */
        toward?: 'nearest' | 'next' | 'previous';
        /**
         * a number from 0 to 2000 ms
         */
        within?: number;
        /**
         * a whole number from 0 to 100 %
         */
        strength?: number;
        /**
         * one of stay, along
         */
        lanes?: 'stay' | 'along';
    };
    'as-played': {
        /**
         * one of both, start, length
         */
        what?: 'both' | 'start' | 'length';
    };
    'groove-quantize': {
        /**
         * {"name": text, "grid": a note value, "time": a list of −0.5 to 0.5 cells or null, "velocity": a list, as long, of 1 to 127 or null}
         */
        groove?: unknown;
        /**
         * a whole number from 0 to 100 %
         */
        strength?: number;
        /**
         * a whole number from 0 to 100 %
         */
        velocity?: number;
    };
    humanize: {
        /**
         * a number from 0 to 500 ms
         */
        timing?: number;
        /**
         * a whole number from 0 to 126
         */
        velocity?: number;
        /**
         * a whole number from 0 to 90 %
         */
        length?: number;
        /**
         * a whole number from -100 to 100
         */
        bias?: number;
        /**
         * a whole number from 0 to 2147483647
         */
        seed?: number;
    };
    'move-to': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        tick?: unknown;
        /**
         * one of stay, along
         */
        lanes?: 'stay' | 'along';
    };
    nudge: {
        /**
         * a whole number from -10000 to 10000
         */
        steps?: number;
        /**
         * {"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}
         */
        by?: unknown;
        /**
         * one of stay, along
         */
        lanes?: 'stay' | 'along';
    };
    quantize: {
        /**
         * a whole number from 0 to 100 %
         */
        strength?: number;
        /**
         * a grid such as 1/16, 1/8T, 1/4D, 1/16:5, bar or 2bar, from 1/1 to 1/128
         */
        grid?: unknown;
        /**
         * a number from 50 to 75 %
         */
        swing?: number;
        /**
         * one of starts, ends, both
         */
        target?: 'starts' | 'ends' | 'both';
        /**
         * a whole number from 0 to 100 %
         */
        window?: number;
    };
    'snap-nudge': {
        /**
         * a whole number from -10000 to 10000
         */
        steps?: number;
        /**
         * one of stay, along
         */
        lanes?: 'stay' | 'along';
    };
    'track-articulations': {
        /**
         * the name of a set that ships, or {"name", "articulations": [{"id", "name", "mark", "do", "length", "velocity"}]}, or none
         */
        set?: unknown;
    };
    'track-delete': {
        tsType?: 'unknown';
    };
    'track-duplicate': {
        /**
         * true or false
         */
        empty?: boolean;
    };
    'track-level': {
        /**
         * a whole number from 0 to 127
         */
        volume?: number;
        /**
         * a whole number from 0 to 127
         */
        pan?: number;
        /**
         * a whole number from -127 to 127
         */
        volumeBy?: number;
        /**
         * a whole number from -127 to 127
         */
        panBy?: number;
    };
    'track-new': {
        /**
         * a whole number from 0 to 127
         */
        program?: number;
        /**
         * true or false
         */
        drums?: boolean;
        /**
         * a name of 1 to 200 characters
         */
        name?: string;
    };
    'track-order': {
        /**
         * a whole number from -100 to 100
         */
        by?: number;
    };
    'track-rename': {
        /**
         * a name of 1 to 200 characters
         */
        name?: string;
    };
    'track-sound': {
        /**
         * a whole number from 0 to 127
         */
        program?: number;
        /**
         * true or false
         */
        drums?: boolean;
        /**
         * a whole number from 0 to 16383
         */
        bank?: number;
    };
    'velocity-add': {
        /**
         * a whole number from -126 to 126
         */
        amount?: number;
    };
    'velocity-compress': {
        /**
         * a whole number from 1 to 127
         */
        value?: number;
        /**
         * a number from 0 to 400 %
         */
        percent?: number;
    };
    'velocity-default': {
        tsType?: 'unknown';
    };
    'velocity-draw': {
        /**
         * a list of [tick, value], one or more
         */
        points?: unknown;
    };
    'velocity-even': {
        tsType?: 'unknown';
    };
    'velocity-ramp': {
        /**
         * a whole number from 0 to 200
         */
        from?: number;
        /**
         * a whole number from 0 to 200
         */
        to?: number;
        /**
         * a whole number from -100 to 100
         */
        curve?: number;
        /**
         * one of replace, scale
         */
        mode?: 'replace' | 'scale';
    };
    'velocity-random': {
        /**
         * a whole number from 1 to 126
         */
        amount?: number;
        /**
         * a whole number from 0 to 2147483647
         */
        seed?: number;
    };
    'velocity-scale': {
        /**
         * a number from 1 to 1000 %
         */
        percent?: number;
    };
    'velocity-set': {
        /**
         * a whole number from 1 to 127
         */
        value?: number;
    };
}
/**
 * Conditions of notes, by key; what each takes stands in the reference.
 */
export interface NoteFilter {
    /**
     * Anything.
     */
    [k: string]: unknown;
}
/**
 * Where a command is asked for: the words for places are made ticks out of it.
 */
export interface Context {
    caret?:
        | {
              tick: number;
              pitch?: number;
          }
        | number;
    pointer?: number;
    /**
     * @minItems 2
     * @maxItems 2
     */
    span?: [number, number];
    /**
     * The track that the caret stands on, on the song page.
     */
    track?: number;
}
/**
 * One of edit, select, recipe, set, touched, with what belongs to it.
 */
export interface Command {
    /**
     * Id of an edit; former ids are read too.
     */
    edit?: string;
    /**
     * Key of a recipe, or one as it is.
     */
    recipe?: string | RecipeData;
    /**
     * So many times over, as one step.
     */
    times?: number;
    /**
     * A selection command, or a condition.
     */
    select?: string | NoteFilter;
    /**
     * How what is found meets what is selected: add, narrow, take; left out it takes its place.
     */
    how?: string;
    /**
     * A note that was touched by hand.
     */
    touched?: number;
    set?: {
        /**
         * Anything.
         */
        [k: string]: unknown;
    };
    part?: number;
    on?: On | On[];
    params?: {
        /**
         * Anything.
         */
        [k: string]: unknown;
    };
    context?: Context;
    /**
     * Of a key that is held: makes the step before longer instead of a new one.
     */
    more?: boolean;
}
export interface RecipeData {
    name: string;
    pick: NoteFilter | null;
    steps: RecipeStep[];
    kind?: 'recipe';
    key?: string;
}
export interface RecipeStep {
    edit?: string;
    params?: {
        /**
         * Anything.
         */
        [k: string]: unknown;
    };
    select?: string | NoteFilter;
    how?: string;
    set?: {
        /**
         * Anything.
         */
        [k: string]: unknown;
    };
    recipe?: string;
    off?: boolean;
}
export interface Answer {
    revision: number;
    end: number;
    /**
     * Null where it is what was sent.
     */
    selection: SelectionItem[] | null;
    said: string[];
    warnings: string[];
    parts: {
        [k: string]: PartAnswer;
    };
    canUndo: boolean;
    canRedo: boolean;
    refused?: {
        item: number;
        detail: string;
        screen?: string;
    }[];
    /**
     * Where writing goes on.
     */
    caret?: number;
    /**
     * Tick and pitch to which the caret went with the work.
     *
     * @minItems 2
     * @maxItems 2
     */
    at?: [number, number];
    /**
     * Track to which the caret went with it, where the track is known.
     */
    atTrack?: number;
    /**
     * What the last command would have needed, where nothing was done for want of it.
     */
    missing?: 'notes' | 'part' | 'parts' | 'tracks' | 'song' | 'nothing';
    name?: string;
    scale?: ScaleData | null;
    tones?: string[];
    tracks?: TrackHead[];
    time?: TimeData;
    /**
     * Steps of a way through the history that are still to go.
     */
    left?: number;
}
/**
 * What is kept of an answer that was lost: the rest can be caught up with.
 */
export interface LostAnswer {
    /**
     * Null where it is what was sent.
     */
    selection: SelectionItem[] | null;
    said: string[];
    warnings: string[];
    refused?: {
        item: number;
        detail: string;
        screen?: string;
    }[];
    /**
     * Where writing goes on.
     */
    caret?: number;
    /**
     * Tick and pitch to which the caret went with the work.
     *
     * @minItems 2
     * @maxItems 2
     */
    at?: [number, number];
    /**
     * Track to which the caret went with it, where the track is known.
     */
    atTrack?: number;
}
/**
 * What commands would do: an answer that changed nothing, with ids by part of the notes to look at.
 */
export interface LandingAnswer {
    /**
     * Null where it is what was sent.
     */
    selection: SelectionItem[] | null;
    said: string[];
    warnings: string[];
    parts: {
        [k: string]: PartAnswer;
    };
    canUndo: boolean;
    canRedo: boolean;
    refused?: {
        item: number;
        detail: string;
        screen?: string;
    }[];
    /**
     * Where writing goes on.
     */
    caret?: number;
    /**
     * Tick and pitch to which the caret went with the work.
     *
     * @minItems 2
     * @maxItems 2
     */
    at?: [number, number];
    /**
     * Track to which the caret went with it, where the track is known.
     */
    atTrack?: number;
    /**
     * What the last command would have needed, where nothing was done for want of it.
     */
    missing?: 'notes' | 'part' | 'parts' | 'tracks' | 'song' | 'nothing';
    name?: string;
    scale?: ScaleData | null;
    tones?: string[];
    tracks?: TrackHead[];
    time?: TimeData;
    marks?: {
        merging: {
            [k: string]: number[];
        };
        far: {
            [k: string]: number[];
        };
    };
}
export interface HistoryStep {
    id: number;
    said: string;
    at: string;
    /**
     * Whether it is on the way to where the song stands.
     */
    done: boolean;
}
/**
 * What each reading takes.
 */
export interface ReadingParams {
    'caret-step': {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a whole number from -10000 to 10000
         */
        steps?: number;
        /**
         * {"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}
         */
        by?: unknown;
    };
    chords: {
        /**
         * one of change, beat, bar
         */
        every?: 'change' | 'beat' | 'bar';
        /**
         * true or false
         */
        arpeggios?: boolean;
        /**
         * true or false
         */
        pedal?: boolean;
    };
    clip: {
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        to?: unknown;
    };
    'grid-reading': {
        tsType?: 'unknown';
    };
    'groove-reading': {
        /**
         * a name of 1 to 200 characters
         */
        name?: string;
        /**
         * a grid such as 1/16, 1/8T, 1/4D, 1/16:5, bar or 2bar, from 1/1 to 1/128
         */
        grid?: unknown;
    };
    key: {
        tsType?: 'unknown';
    };
    'overlap-reading': {
        tsType?: 'unknown';
    };
    'part-clip': {
        tsType?: 'unknown';
    };
    'passage-reading': {
        /**
         * a text of 1 to 200 letters
         */
        passage?: string;
        /**
         * a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME
         */
        from?: unknown;
        /**
         * a whole number from 0 to 8796093022207
         */
        seed?: number;
        /**
         * a number from 0 to 100 ms
         */
        loose?: number;
        /**
         * a number from 20 to 400
         */
        tempo?: number;
        /**
         * a whole number from 1 to 64
         */
        times?: number;
    };
    picked: {
        /**
         * an object with one or more of all, velocity, pitch, pitchClass, length, start, inChord, articulation, every, group, muted, offGrid, onBeat, outOfScale, overlapping, span, not, and, or
         */
        pick?: unknown;
    };
    playing: {
        tsType?: 'unknown';
    };
    repairs: {
        tsType?: 'unknown';
    };
    span: {
        /**
         * one of start, end, selection, bars, steps
         */
        what?: 'start' | 'end' | 'selection' | 'bars' | 'steps';
        /**
         * a whole number from -10000 to 10000
         */
        steps?: number;
        /**
         * {"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}
         */
        by?: unknown;
    };
}
/**
 * What each reading answers.
 */
export interface ReadingAnswers {
    'caret-step': {
        tick: number;
        /**
         * As a person reads it.
         */
        place: string;
    };
    chords: {
        chords: [number, number, string, number[]][];
        /**
         * What can be typed as a progression.
         */
        text: string;
        said: string;
    };
    clip: {
        notes: {
            [k: string]: number | boolean | string;
        }[];
        /**
         * The tick that is put at the caret when it is pasted.
         */
        anchor: number;
        length: number;
        /**
         * Of lanes under them, or those selected, by lane: tick and value.
         */
        points: {
            [k: string]: [number, number][];
        };
    };
    'grid-reading': {
        notes: number;
        grids: {
            grid: string;
            swing: number;
            /**
             * Distance from the line in ms.
             */
            mean: number;
            largest: number;
            /**
             * The mean with its sign, in ms.
             */
            off: number;
            /**
             * Notes within reach of a line.
             */
            share: number;
            merges: number;
            weight: number;
        }[];
        swing: number | null;
        /**
         * Notes in each part of a quarter, from the beat on.
         */
        beat: number[];
        best: {
            grid: string;
            swing: number;
        } | null;
        said: string;
    };
    'groove-reading': Groove;
    key: {
        scales: {
            scale: string;
            /**
             * Of the sounding time.
             */
            share: number;
        }[];
        said: string;
    };
    'overlap-reading': {
        /**
         * By part: id of the note, from, to.
         */
        stretches: {
            [k: string]: [number, number, number][];
        };
    };
    'part-clip': PartClip;
    'passage-reading': {
        name: string;
        events: PlayedEvent[];
    };
    picked: {
        notes: number[];
    };
    playing: {
        notes: [number, number, number, number][];
        /**
         * Of the first bar.
         */
        beats: number;
        said: string;
    };
    repairs: {
        found: Found[];
        kinds: {
            [k: string]: string;
        };
        said: string;
    };
    span: {
        from: number;
        to: number;
        said: string;
    };
}
export interface Groove {
    name: string;
    grid: string;
    /**
     * Off the line, in cells.
     */
    time: (number | null)[];
    velocity: (number | null)[];
    kind?: 'groove';
}
/**
 * Parts as they are carried away.
 */
export interface PartClip {
    ppq: number;
    parts: {
        track: number;
        name: string;
        from: number;
        to: number;
        muted: boolean;
        plays: number[];
        settings: {
            /**
             * Anything.
             */
            [k: string]: unknown;
        };
        program: number;
        drums: boolean;
        notes: {
            /**
             * Anything.
             */
            [k: string]: unknown;
        };
        points: {
            /**
             * Anything.
             */
            [k: string]: unknown;
        };
    }[];
}
/**
 * A possible problem.
 */
export interface Found {
    kind: string;
    part: number;
    tick: number;
    place: string;
    notes: number[];
    said: string;
    mend: string;
    do: Command[];
}
/**
 * A parameter, as the catalogue has it.
 */
export interface Param {
    name: string;
    title: string;
    /**
     * The field that shows it.
     */
    type: string;
    allowed: string;
    /**
     * No field can ask for it.
     */
    hidden?: boolean;
    unit?: string;
    min?: number;
    max?: number;
    /**
     * Anything.
     */
    default?: unknown;
    adds?: boolean;
    optional?: boolean;
    /**
     * The setting of the part that stands in where it is left out.
     */
    setting?:
        | 'grid'
        | 'swing'
        | 'strength'
        | 'nudge'
        | 'tied'
        | 'lanes'
        | 'penVelocity'
        | 'touches'
        | 'velocityFrom'
        | 'lengthFrom'
        | 'penLength'
        | 'swingKept'
        | 'touchedLength'
        | 'scale'
        | 'held'
        | 'choices';
    choices?: string[];
    /**
     * What each choice is called on the screen.
     */
    labels?: {
        [k: string]: string;
    };
    roots?: string[];
    kinds?: string[];
    /**
     * What an empty field means.
     */
    blank?: string;
    /**
     * What is allowed, as the screen says it, where that differs.
     */
    screen?: string;
    /**
     * What is typed of it looks like this: a pattern.
     */
    shape?: string;
}
/**
 * A command, as the catalogue has it.
 */
export interface Spec {
    id: string;
    title: string;
    group: string;
    about: string;
    params: Param[];
    needs: 'notes' | 'part' | 'parts' | 'tracks' | 'song' | 'nothing';
    words: string[];
    /**
     * What it works on.
     */
    takes: ('notes' | 'points' | 'parts' | 'tracks')[];
    /**
     * After it the same things are selected.
     */
    keeps: boolean;
    /**
     * The flags with which it selects what it makes all the same.
     */
    selectsWith: string[];
    /**
     * It can be asked for by itself.
     */
    asked: boolean;
    /**
     * The panel of its settings; empty where there is none.
     */
    panel: string;
    contexts: string[];
    /**
     * The command with parameters given, as people look for it.
     */
    forms: {
        title: string;
        params: {
            /**
             * Anything.
             */
            [k: string]: unknown;
        };
        words?: string[];
        /**
         * Its title where it selects points of a lane.
         */
        ofPoints?: string;
    }[];
    /**
     * It makes sense only with parameters given.
     */
    formsOnly: boolean;
}
/**
 * A condition of notes: its words, its field, and what holds at first.
 */
export interface ConditionSpec {
    title: string;
    field: 'range' | 'beats' | 'pitches' | 'tones' | 'choice' | 'number' | 'beat' | 'yes' | 'every' | 'span';
    /**
     * Anything.
     */
    first: unknown;
    choices: [string, unknown][];
}
export interface Binding {
    context: string;
    keys: string;
    command: string;
    params: {
        /**
         * Anything.
         */
        [k: string]: unknown;
    };
    label: string;
}
/**
 * The sets of shortcuts, and the one in use.
 */
export interface KeyState {
    set: number;
    name: string;
    sets: {
        id: number;
        name: string;
    }[];
    keymap: Binding[];
    canUndo: boolean;
}
export interface KeysChecked {
    keys: string;
    lost: Binding[];
    hidden: Binding[];
}
export interface RecipeInput {
    name: string;
    steps: RecipeStep[];
    pick?: NoteFilter | null;
    kind?: 'recipe';
    key?: string;
}
export interface Recipes {
    recipes: RecipeData[];
}
export interface RecipeKept {
    recipe: RecipeData;
    recipes: RecipeData[];
}
export interface RecipesImported {
    said: string;
    recipes: RecipeData[];
    replaced: RecipeData[];
}
export interface KeptGroove {
    id: number;
    shelf: boolean;
    groove: Groove;
    replaced?: Groove;
}
export interface Phrase {
    id: number;
    name: string;
    notes: number;
    bars: number;
    tempo: number;
    sounds: string[];
}
export interface BackupCopy {
    name: string;
    made: string;
    bytes: number;
    songs: number;
    daily: boolean;
}
export interface Backups {
    where: string;
    copies: BackupCopy[];
    made?: string;
    /**
     * Where the file that was there is kept.
     */
    aside?: string;
}
export interface Drill {
    id: string;
    title: string;
    part: string;
    wrong: string;
    goal: string;
    pick: NoteFilter;
    keys: string[];
}
/**
 * What a line may mean, and where it could not be read on.
 */
export interface TypedRead {
    found: {
        command: string;
        params: {
            /**
             * Anything.
             */
            [k: string]: unknown;
        };
    }[];
    stopped: string;
}
/**
 * What the interface needs to know before it shows anything.
 */
export interface Setup {
    keys: KeyState;
    /**
     * The shortcuts that ship.
     */
    defaults: Binding[];
    commands: Spec[];
    /**
     * Ids of the commands that are edits.
     */
    edits: string[];
    recipes: RecipeData[];
    tables: {
        note: string[];
        point: string[];
    };
    /**
     * What can be asked of notes, by key.
     */
    conditions: {
        [k: string]: ConditionSpec;
    };
    /**
     * What the simulated player can play.
     */
    passages: {
        id: string;
        name: string;
    }[];
    /**
     * Ticks to a quarter of a new song.
     */
    ppq: number;
    /**
     * Sounds of General MIDI, by number.
     */
    programs: string[];
    controllers: {
        [k: string]: string;
    };
    articulations: ArticulationSet[];
    /**
     * Lines that may be typed, by page.
     */
    examples: {
        [k: string]: string[];
    };
    families: string[];
    kits: {
        [k: string]: string;
    };
    /**
     * Strokes that browsers keep for themselves.
     */
    kept: string[];
    drums: {
        [k: string]: string;
    };
    /**
     * Bytes.
     */
    importLimit: number;
    /**
     * Bytes of a song with its history.
     */
    songLimit: number;
}
/**
 * What went wrong, as RFC 9457 has it.
 */
export interface Problem {
    type: string;
    title: string;
    status: number;
    /**
     * A sentence for the person.
     */
    detail: string;
    parameter?: string;
    /**
     * The same for the screen, where that names no parameter.
     */
    screen?: string;
    catchUp?: CatchUp;
    /**
     * The very request was answered before; only the answer was lost.
     */
    done?: boolean;
    answer?: LostAnswer;
    /**
     * Names that are there already, where it is asked what is to become of them.
     */
    taken?: string[];
    exception?: string;
    song?: boolean;
}
export interface Endpoints {
    /**
     * Answers at once and does nothing.
     */
    'GET alive': {
        answer: undefined;
        body: undefined;
    };
    /**
     * What the interface needs to know before it shows anything.
     */
    'GET setup': {
        answer: Setup;
        body: undefined;
    };
    /**
     * The drills of the demo song.
     */
    'GET drills': {
        answer: Drill[];
        body: undefined;
    };
    /**
     * What a typed line may mean as a command.
     */
    'POST typed': {
        answer: TypedRead;
        body: {
            line: string;
            context: string;
            song?: number | null;
        };
    };
    /**
     * How far a request is that takes long.
     */
    'GET doing/{key}': {
        answer: {
            steps: number | null;
        };
        body: undefined;
    };
    /**
     * Stops it; it is answered then.
     */
    'DELETE doing/{key}': {
        answer: undefined;
        body: undefined;
    };
    /**
     * The songs.
     */
    'GET songs': {
        answer: {
            songs: SongSummary[];
        };
        body: undefined;
    };
    /**
     * A new song of one track.
     */
    'POST songs': {
        answer: {
            song: SongSummary;
            part: number;
        };
        body: {
            name?: string;
            program?: number;
        };
    };
    /**
     * Imports a MIDI file, or a song with its history.
     */
    'POST imports': {
        answer: {
            song: SongSummary;
            warnings: string[];
        };
        body: undefined;
    };
    /**
     * The whole song; with `brief` what is in its parts comes as columns.
     */
    'GET songs/{song}': {
        answer: SongData;
        body: undefined;
    };
    /**
     * Renames it.
     */
    'PATCH songs/{song}': {
        answer: {
            song: SongSummary;
        };
        body: {
            name: string;
        };
    };
    /**
     * Puts it among the deleted songs.
     */
    'DELETE songs/{song}': {
        answer: undefined;
        body: undefined;
    };
    /**
     * Brings a deleted song back.
     */
    'POST songs/{song}/restore': {
        answer: {
            song: SongSummary;
        };
        body: undefined;
    };
    /**
     * A copy of it.
     */
    'POST songs/{song}/duplicate': {
        answer: {
            song: SongSummary;
        };
        body: undefined;
    };
    /**
     * As a MIDI file.
     */
    'GET songs/{song}/file': {
        answer: undefined;
        body: undefined;
    };
    /**
     * How it stands, and which other windows are open on it.
     */
    'GET songs/{song}/presence': {
        answer: Presence;
        body: undefined;
    };
    /**
     * With its history, as a file.
     */
    'GET songs/{song}/whole': {
        answer: undefined;
        body: undefined;
    };
    /**
     * The deleted songs.
     */
    'GET deleted-songs': {
        answer: {
            songs: DeletedSong[];
        };
        body: undefined;
    };
    /**
     * Removes a deleted song for good.
     */
    'DELETE deleted-songs/{song}': {
        answer: undefined;
        body: undefined;
    };
    /**
     * What changed after the revision `since`.
     */
    'GET songs/{song}/changes': {
        answer: CatchUp;
        body: undefined;
    };
    /**
     * Mutes or solos a track, or names its rows.
     */
    'PATCH songs/{song}/tracks/{track}': {
        answer: {
            revision: number;
            track: {
                id: number;
                name: string;
                muted: boolean;
                soloed: boolean;
                rows: RowSet;
            };
        };
        body: {
            muted?: boolean;
            soloed?: boolean;
            rows?: RowSet;
        };
    };
    /**
     * Runs commands.
     */
    'POST songs/{song}/edits': {
        answer: Answer;
        body: {
            /**
             * The revision that it was made on.
             */
            base: number;
            do: Command[];
            /**
             * By which the very request is known when it is sent again.
             */
            key?: string | null;
            brief?: boolean;
            on?: (On | On[]) | null;
            context?: Context;
            as?: 'one' | 'steps';
        };
    };
    /**
     * What commands would do; nothing changes.
     */
    'POST songs/{song}/landing': {
        answer: LandingAnswer;
        body: {
            do: Command[];
            context?: Context;
            brief?: boolean;
        };
    };
    /**
     * What a reading says; nothing changes. What each answers stands in ReadingAnswers.
     */
    'POST songs/{song}/reading': {
        answer: {
            /**
             * Anything.
             */
            [k: string]: unknown;
        };
        body: {
            reading: ReadingId;
            on?: (On | On[]) | null;
            params?: {
                /**
                 * Anything.
                 */
                [k: string]: unknown;
            } | null;
            context?: Context;
        };
    };
    /**
     * The parts as they were before the last step; nothing changes.
     */
    'GET songs/{song}/before': {
        answer: LandingAnswer;
        body: undefined;
    };
    /**
     * Undoes steps.
     */
    'POST songs/{song}/undo': {
        answer: Answer;
        body: {
            /**
             * The revision that it was made on.
             */
            base: number;
            /**
             * By which the very request is known when it is sent again.
             */
            key?: string | null;
            brief?: boolean;
            times?: number;
        };
    };
    /**
     * Redoes steps.
     */
    'POST songs/{song}/redo': {
        answer: Answer;
        body: {
            /**
             * The revision that it was made on.
             */
            base: number;
            /**
             * By which the very request is known when it is sent again.
             */
            key?: string | null;
            brief?: boolean;
            times?: number;
        };
    };
    /**
     * A page of the history: the last, or those before `before`; of those only whose sentence has `search` in it.
     */
    'GET songs/{song}/steps': {
        answer: {
            head: number | null;
            steps: HistoryStep[];
            more: boolean;
            all: number;
        };
        body: undefined;
    };
    /**
     * Goes to a step; null is the start.
     */
    'POST songs/{song}/steps': {
        answer: Answer;
        body: {
            /**
             * The revision that it was made on.
             */
            base: number;
            step: number | null;
            /**
             * By which the very request is known when it is sent again.
             */
            key?: string | null;
            brief?: boolean;
        };
    };
    /**
     * The grooves of the song, then those on the shelf.
     */
    'GET songs/{song}/grooves': {
        answer: {
            grooves: KeptGroove[];
        };
        body: undefined;
    };
    /**
     * Takes a groove from notes, or keeps the one given.
     */
    'POST songs/{song}/grooves': {
        answer: KeptGroove;
        body: {
            groove?: {
                /**
                 * Anything.
                 */
                [k: string]: unknown;
            };
            on?: (On | On[]) | null;
            grid?: string;
            name?: string;
            shelf?: boolean;
            as?: ('both' | 'replace') | null;
        };
    };
    /**
     * Renames it, or puts the one given in its place.
     */
    'PATCH grooves/{groove}': {
        answer: KeptGroove;
        body: {
            name?: string;
            groove?: {
                /**
                 * Anything.
                 */
                [k: string]: unknown;
            };
        };
    };
    /**
     * Removes it.
     */
    'DELETE grooves/{groove}': {
        answer: undefined;
        body: undefined;
    };
    /**
     * As a file.
     */
    'GET grooves/{groove}/file': {
        answer: string;
        body: undefined;
    };
    /**
     * The copies of everything.
     */
    'GET backups': {
        answer: Backups;
        body: undefined;
    };
    /**
     * Makes a copy of everything.
     */
    'POST backups': {
        answer: Backups;
        body: undefined;
    };
    /**
     * Puts a copy that is sent in place of what is there.
     */
    'POST backups/restore': {
        answer: Backups;
        body: undefined;
    };
    /**
     * A copy as a file.
     */
    'GET backups/{backup}/file': {
        answer: undefined;
        body: undefined;
    };
    /**
     * Puts a copy in place of what is there.
     */
    'POST backups/{backup}/restore': {
        answer: Backups;
        body: undefined;
    };
    /**
     * The recipes.
     */
    'GET recipes': {
        answer: Recipes;
        body: undefined;
    };
    /**
     * Keeps a recipe.
     */
    'POST recipes': {
        answer: RecipeKept;
        body: {
            recipe: RecipeInput;
        };
    };
    /**
     * Imports recipes.
     */
    'POST recipes/import': {
        answer: RecipesImported;
        body: {
            /**
             * Anything.
             */
            file: unknown;
            as?: ('both' | 'replace') | null;
        };
    };
    /**
     * Steps out of what was done, repeats folded.
     */
    'POST recipes/fold': {
        answer: {
            steps: RecipeStep[];
        };
        body: {
            /**
             * Items: Anything.
             */
            steps: unknown[];
        };
    };
    /**
     * All of them, as a file.
     */
    'GET recipes/file': {
        answer: string;
        body: undefined;
    };
    /**
     * Changes a recipe.
     */
    'PUT recipes/{recipe}': {
        answer: RecipeKept;
        body: {
            recipe: RecipeInput;
        };
    };
    /**
     * Deletes it, with its shortcuts; it can be restored.
     */
    'DELETE recipes/{recipe}': {
        answer: Recipes;
        body: undefined;
    };
    /**
     * Restores it.
     */
    'POST recipes/{recipe}/restore': {
        answer: Recipes;
        body: undefined;
    };
    /**
     * As a file.
     */
    'GET recipes/{recipe}/file': {
        answer: string;
        body: undefined;
    };
    /**
     * Keeps what is selected on the shelf.
     */
    'POST songs/{song}/shelf': {
        answer: Phrase;
        body: {
            /**
             * Anything.
             */
            on: unknown;
            name?: string;
        };
    };
    /**
     * The phrases on the shelf.
     */
    'GET shelf': {
        answer: {
            phrases: Phrase[];
        };
        body: undefined;
    };
    /**
     * Imports a MIDI file onto the shelf.
     */
    'POST shelf': {
        answer: Phrase;
        body: undefined;
    };
    /**
     * Its parts, as `part-insert` takes them.
     */
    'GET shelf/{phrase}': {
        answer: PartClip;
        body: undefined;
    };
    /**
     * Renames it.
     */
    'PATCH shelf/{phrase}': {
        answer: Phrase;
        body: {
            name: string;
        };
    };
    /**
     * Deletes it; it can be restored.
     */
    'DELETE shelf/{phrase}': {
        answer: undefined;
        body: undefined;
    };
    /**
     * As a MIDI file.
     */
    'GET shelf/{phrase}/file': {
        answer: undefined;
        body: undefined;
    };
    /**
     * Restores it.
     */
    'POST shelf/{phrase}/restore': {
        answer: Phrase;
        body: undefined;
    };
    /**
     * The sets of shortcuts.
     */
    'GET key-sets': {
        answer: KeyState;
        body: undefined;
    };
    /**
     * A copy of a set (`from`; 0 for the one that ships) under a name, in use at once.
     */
    'POST key-sets': {
        answer: KeyState;
        body: {
            name: string;
            from?: number;
        };
    };
    /**
     * Imports a set.
     */
    'POST key-sets/import': {
        answer: KeyState;
        body: {
            /**
             * Anything.
             */
            file: unknown;
            as?: ('both' | 'replace') | null;
        };
    };
    /**
     * Undoes the last change of shortcuts.
     */
    'POST key-sets/undo': {
        answer: KeyState;
        body: undefined;
    };
    /**
     * Sets one command, or all, back to how they ship.
     */
    'POST key-sets/reset': {
        answer: KeyState;
        body: {
            command?: string;
        };
    };
    /**
     * What giving keys to a command would mean.
     */
    'POST keys/check': {
        answer: KeysChecked;
        body: {
            context: string;
            keys: string;
        };
    };
    /**
     * Gives keys to a command.
     */
    'POST keys': {
        answer: KeyState;
        body: {
            binding: {
                /**
                 * Anything.
                 */
                [k: string]: unknown;
            };
            replace?: boolean;
            instead?: {
                context: string;
                keys: string;
            } | null;
        };
    };
    /**
     * Removes keys from a command.
     */
    'POST keys/take': {
        answer: KeyState;
        body: {
            context: string;
            keys: string;
        };
    };
    /**
     * Renames a set.
     */
    'PATCH key-sets/{set}': {
        answer: KeyState;
        body: {
            name: string;
        };
    };
    /**
     * Deletes a set; it can be restored.
     */
    'DELETE key-sets/{set}': {
        answer: KeyState;
        body: undefined;
    };
    /**
     * Restores it.
     */
    'POST key-sets/{set}/restore': {
        answer: KeyState;
        body: undefined;
    };
    /**
     * Uses it.
     */
    'POST key-sets/{set}/use': {
        answer: KeyState;
        body: undefined;
    };
    /**
     * As a file.
     */
    'GET key-sets/{set}/file': {
        answer: string;
        body: undefined;
    };
}
/** The places of NoteRow. */
export const NOTE_COLUMNS = [
    'id',
    'start',
    'length',
    'pitch',
    'velocity',
    'muted',
    'group',
    'channel',
    'driftStart',
    'driftLength',
    'carryVelocity',
    'articulation',
    'own',
    'until',
] as const;
/** The places of PointRow. */
export const POINT_COLUMNS = ['id', 'tick', 'status', 'data1', 'data2', 'heard'] as const;
/** Numbers and names of the core. */
export const DRUM_CHANNEL = 9 as const;
export const GRID_VALUES = ['1/1', '1/2', '1/4', '1/8', '1/16', '1/32', '1/64', '1/128'] as const;
export const GRID_BARS = ['bar', '2bar', '3bar', '4bar', '8bar', '16bar'] as const;
export const LANE_STATUS = { bend: 224, pressure: 208, 'poly-pressure': 160, program: 192, cc: 176 } as const;
export const SETTING_RANGES = {
    swing: [50, 75],
    strength: [0, 100],
    penVelocity: [1, 127],
    swingKept: [50, 75],
} as const;
export const VELOCITY = [1, 127] as const;
export const HIGHEST_PITCH = 127 as const;
