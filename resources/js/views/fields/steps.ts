import type { Settings, Step } from '../../api/types';

/** Units of a step, with the words for them. */
export const UNITS: Record<Step['unit'], string> = {
    grid: 'grid cells',
    value: 'a note value',
    bar: 'bars',
    ms: 'ms',
    samples: 'samples',
    ticks: 'ticks',
};

const ONE: Partial<Record<Step['unit'], string>> = { grid: 'grid cell', bar: 'bar', samples: 'sample', ticks: 'tick' };

/** A step in words: "10 ms", "1/16", "1 bar". */
export function stepWords(step: Step): string {
    if (step.unit === 'value') return String(step.amount);
    return `${step.amount} ${step.amount === 1 ? (ONE[step.unit] ?? UNITS[step.unit]) : UNITS[step.unit]}`;
}

/** The step that nudges go by: the part's own, or a cell of the grid while it is tied to that. */
export function nudgeStep(settings: Settings): Step {
    return settings.tied ? { unit: 'grid', amount: 1 } : settings.nudge;
}
