/** What rows of a track are called, by pitch, and their order from below. */
export interface RowSet {
    names: Record<string, string>;
    order: number[];
}

export interface Articulation {
    id: string;
    name: string;
    mark: string;
    /** What is sent: {program}, {key}, {cc, value} or {channel}. */
    do: Record<string, number>[];
    length: number;
    velocity: number;
}

/** The ways in which a track's instrument is played; the first holds where a note has none. */
export interface ArticulationSet {
    name: string;
    articulations: Articulation[];
}

/** What a part plays as: semitones, percent, milliseconds, and the tick up to which it goes round (0 where it does not). */
export interface Plays {
    words: string;
    transpose: number;
    velocity: number;
    delay: number;
    until: number;
}

/** A part beside its notes. Its window is where it is heard; `to` is null where it has no end. */
export interface PartHead {
    id: number;
    track: number;
    name: string;
    from: number;
    to: number | null;
    muted: boolean;
    /** Null where it plays what is written. */
    plays: Plays | null;
}

/**
 * What is heard of a part that its rows do not say. `sounds` is all of it, where it plays as something else: notes as id,
 * start, end, pitch, velocity, channel, points as tick, status and data. `letGo` is what lets go of pedals and bends where
 * it ends.
 */
export interface SoundsData {
    sounds: { notes: number[][]; points: number[][] } | null;
    letGo: number[][];
}
