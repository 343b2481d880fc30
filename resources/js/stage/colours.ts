const NAMES = {
    paper: '--roll-paper',
    rowDark: '--roll-row-dark',
    line: '--roll-line',
    beat: '--roll-beat',
    bar: '--roll-bar',
    ink: '--roll-ink',
    faint: '--roll-faint',
    keyDark: '--roll-key-dark',
    margin: '--roll-margin',
    selected: '--color-primary',
    sounding: '--color-accent',
    trouble: '--color-error',
} as const;

export type Colours = Record<keyof typeof NAMES, string> & { tint: string; font: string };

/** Reads the theme's colours for the canvases; `tint` is the track's quiet own. */
export function coloursOf(track: number): Colours {
    const probe = document.createElement('i');
    document.body.append(probe);
    // Where the colours are forced, the browser paints every text in its own; here what was asked for is read.
    probe.style.forcedColorAdjust = 'none';
    const style = getComputedStyle(probe);
    // A canvas knows no variables and no mixing: the browser works the colour out here.
    const read = (name: string): string => {
        probe.style.color = `var(${name})`;
        return style.color;
    };
    const colours = Object.fromEntries(Object.entries(NAMES).map(([key, name]) => [key, read(name)]));
    const tint = read(`--tint-${track % 6}`);
    probe.remove();
    return { ...colours, tint, font: getComputedStyle(document.body).fontFamily } as Colours;
}
