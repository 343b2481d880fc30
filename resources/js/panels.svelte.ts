/** What comes over from the side: one panel at a time. */
export interface Open {
    /** steps, reading, groove, nudge; or edit, for the settings of an edit. */
    name: string;
    edit?: string;
}

const WIDTH = 'jactonic.panel-width';
/** Pixels. */
const USUAL = 384;
export const LEAST = 320;
/** Panels that have a command of their own. */
const OWN_COMMAND = ['commands', 'steps'];

class Panels {
    open = $state.raw<Open | null>(null);
    /** How wide they are, in pixels, as the person drew them. */
    width = $state(Number(localStorage.getItem(WIDTH)) || USUAL);

    /** The most that leaves the roll three fifths of the page. */
    get widest(): number {
        return Math.max(LEAST, Math.floor(window.innerWidth * 0.4));
    }

    /** How wide they come: what was drawn, as far as there is room. */
    get comes(): number {
        return Math.min(this.width, Math.max(USUAL, this.widest));
    }

    widen(to: number): void {
        this.width = Math.max(LEAST, Math.min(this.widest, Math.round(to)));
        localStorage.setItem(WIDTH, String(this.width));
    }

    /** The command that opens the one that is open, with its parameters; null where none is. */
    get opener(): [command: string, params: Record<string, unknown>] | null {
        if (!this.open) return null;
        const { name, edit } = this.open;
        if (OWN_COMMAND.includes(name)) return [name, {}];
        return ['panel', edit === undefined ? { name } : { edit }];
    }

    /** Opens a panel in place of another; the one that is open it closes. */
    turn(panel: Open): void {
        this.open = this.open?.name === panel.name && this.open.edit === panel.edit ? null : panel;
    }

    close(): void {
        this.open = null;
    }
}

export const panels = new Panels();

/** The parameters with which an edit was last done from its panel; what follows the part's settings is not among them. */
export function remembered(edit: string): Record<string, unknown> {
    try {
        const kept: unknown = JSON.parse(localStorage.getItem(`jactonic.panel.${edit}`) ?? '{}');
        return typeof kept === 'object' && kept !== null ? (kept as Record<string, unknown>) : {};
    } catch {
        return {};
    }
}

export function remember(edit: string, params: Record<string, unknown>): void {
    localStorage.setItem(`jactonic.panel.${edit}`, JSON.stringify(params));
}

/** A seed for what goes by chance; the history keeps it. */
export function newSeed(): number {
    return Math.floor(Math.random() * 0x7fffffff);
}
