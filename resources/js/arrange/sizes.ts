/** Pixels. */
export const HEADS = 232;
export const RULER = 48;
/** Of a track's row. */
export const LOW_ROW = 40;
export const TALL_ROW = 160;
/** A sheet's name stands in the topmost of it. */
export const NAME = 17;
/** Between a track's edge and the sheets on it. */
export const MARGIN = 4;
