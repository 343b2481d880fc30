import { keys } from './keys.svelte';

/** Something on screen that two letters lead to: where it stands, in pixels of the window, and how one comes there. */
export interface Reachable {
    x: number;
    y: number;
    /** @param add to what is selected, rather than in its place */
    go: (add: boolean) => void;
}

export interface Labelled extends Reachable {
    letters: string;
}

/** Letters in the order in which hands lie on them. */
const LETTERS = 'FJDKSLAGHRUEIWOQTYVNCMXBPZ';
const MOST = LETTERS.length ** 2;

/** Going to anything that is seen, without counting: by two letters that stand on it while a key is held. */
class Reach {
    shown = $state.raw<readonly Labelled[]>([]);
    typed = $state('');
    /** What a page has besides its buttons and fields, in reading order. */
    things: () => Reachable[] = () => [];

    /** Shows the letters, and says what they are for; gives back what ends it. */
    begin(tell: (words: string) => void): () => void {
        tell(
            'Type the two letters shown on a thing to go to it; with Shift the note is added to the selection. Release the key to end.',
        );
        const controls = seen();
        const things = this.things().slice(0, MOST - controls.length);
        this.shown = [...things, ...controls].map((t, i) => ({
            ...t,
            letters: LETTERS[Math.floor(i / LETTERS.length)]! + LETTERS[i % LETTERS.length]!,
        }));
        this.typed = '';
        const take = (stroke: string): void => this.take(stroke);
        keys.capture = take;
        return () => {
            if (keys.capture === take) keys.capture = null;
            this.shown = [];
            this.typed = '';
        };
    }

    private take(stroke: string): void {
        const letter = stroke.split('+').at(-1)!;
        if (stroke === 'Escape') return keys.letGo();
        if (stroke === 'Backspace') return void (this.typed = '');
        if (!LETTERS.includes(letter)) return;
        const typed = this.typed + letter;
        const hit = this.shown.find((t) => t.letters === typed);
        // A letter that leads nowhere begins anew.
        this.typed = hit ? '' : this.shown.some((t) => t.letters.startsWith(typed)) ? typed : '';
        hit?.go(stroke.startsWith('Shift+'));
        if (hit && !keys.isHeld) keys.letGo();
    }
}

/** Buttons, links and fields that can be seen now. */
function seen(): Reachable[] {
    const all = document.querySelectorAll<HTMLElement>(
        'a[href], button:enabled, select:enabled, input:enabled, [data-reach]',
    );
    return [...all].flatMap((el) => {
        const box = el.getBoundingClientRect();
        const [x, y] = [box.left + Math.min(8, box.width / 2), box.top + box.height / 2];
        if (box.width === 0 || x < 0 || y < 0 || x >= innerWidth || y >= innerHeight) return [];
        const top = document.elementFromPoint(x, y);
        return top && (el.contains(top) || top.contains(el)) ? [{ x, y, go: () => el.focus() }] : [];
    });
}

export const reach = new Reach();
