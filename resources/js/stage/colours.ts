import { untrack } from 'svelte';
import { theme } from '../theme.svelte';

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

/** How many tints there are: tracks have them in turn. */
const TINTS = 6;

/** As they were read, and under which version of the theme. */
let known: { version: number; colours: Omit<Colours, 'tint'>; tints: string[] } | null = null;

/** The theme's colours for the canvases; `tint` is the track's quiet own. */
export function coloursOf(track: number): Colours {
    const version = untrack(() => theme.version);
    if (known?.version !== version) known = { version, ...readColours() };
    return { ...known.colours, tint: known.tints[Math.max(0, track) % TINTS]! };
}

/** A canvas knows no variables and no mixing: the browser works the colours out, all in one go. */
function readColours(): { colours: Omit<Colours, 'tint'>; tints: string[] } {
    const names = [...Object.values(NAMES), ...Array.from({ length: TINTS }, (_, i) => `--tint-${i}`)];
    const probes = document.createElement('div');
    for (const name of names) {
        const probe = document.createElement('i');
        // Where the colours are forced, the browser paints every text in its own; here what was asked for is read.
        probe.style.forcedColorAdjust = 'none';
        probe.style.color = `var(${name})`;
        probes.append(probe);
    }
    document.body.append(probes);
    const read = [...probes.children].map((probe) => getComputedStyle(probe).color);
    probes.remove();
    const colours = Object.fromEntries(Object.keys(NAMES).map((key, i) => [key, read[i]]));
    const font = getComputedStyle(document.body).fontFamily;
    return { colours: { ...colours, font } as Omit<Colours, 'tint'>, tints: read.slice(Object.keys(NAMES).length) };
}
