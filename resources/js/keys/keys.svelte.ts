import { untrack } from 'svelte';
import { request, type BodyOf, type Method } from '../api/client';
import type { Binding, KeyState } from '../api/types';
import { bindingsOf, keyOf } from './commands.svelte';
import type { Handler, Hint, Press, Typist, Work } from './handler';
import { codeOf, layoutLabels, seen } from './layout';
import { goesOnWith } from './native';
import { pace, type How } from './pace.svelte';
import { isMac, Resolver, strokeOf, type Modifiers } from './strokes';
import { belongsTo, isInPanel, isOutside, isPressed, takesNoLetters } from './targets';
import { typeInto, type Pressed } from './type-into';

export type { Handler, Hint, Press, Typist, Work } from './handler';

const ONCE: Press = { more: false, times: 1 };
/** Commands that see to a count themselves; others are done so many times one after another. */
const COUNTS = new Set(['select', 'recipe', 'repeat-command', 'again']);
const MOST_TIMES = 999;
const MOST_ROUNDS = 50;
const NO_MODIFIERS: Modifiers = { mod: false, alt: false, shift: false };

/**
 * From a key press to a command. Views name their context and give handlers for commands; the keymap, handed out by
 * the server, says which keys stand for which.
 */
class Keys {
    resolver = new Resolver([]);
    state = $state.raw<KeyState>({ set: 0, name: '', sets: [], keymap: [], canUndo: false });
    context = $state('songs');
    held = $state<Modifiers>(NO_MODIFIERS);
    prefix = $state('');
    /** A count being typed, to go before a command; null while none is. */
    count = $state<string | null>(null);
    /** The keys that flash in the strip: of what was just done, by key or by mouse. */
    flashed = $state('');
    /** Goes up when other commands can be done, or other keys do them. */
    version = $state(0);
    /** How many notes are selected where notes can be; −1 elsewhere. */
    chosen = $state(-1);
    /** What in the roll has the keys: notes, a lane, or the curve of one note. */
    work = $state<Work>('notes');
    /** The panel that has the keys, and what it does with them. */
    panel = $state.raw<{ title: string; does: readonly Hint[] } | null>(null);
    /** What the last commands were, the latest first: what repeating would do. */
    repeats = $state.raw<string[]>([]);
    /** Takes strokes instead of the commands, while a shortcut is being given. */
    capture: ((stroke: string) => void) | null = null;
    /** Plays notes by the computer's keys. */
    typist: Typist | null = null;
    /** Ids of edits: they see to a count themselves. */
    edits: ReadonlySet<string> = new Set();
    /** Told of a key that does nothing here, and of what it does elsewhere. */
    onNothing: (stroke: string, elsewhere: Binding | null) => void = () => {};
    /** Holds a press back that has to wait for what was pressed before it: it is done again in its turn. Says whether it does. */
    gate: (again: () => void, isPress?: boolean, stroke?: string) => boolean = () => false;
    /** The command that opened the panel, with its parameters; null where none is open. */
    opener: () => readonly [string, Record<string, unknown>] | null = () => null;
    /** Whether what is pressed now has to wait. */
    holds: () => boolean = () => false;
    /** Whether a stroke or a command waits for nothing: what stops the sound, or something that takes long. */
    passes: (what: string) => boolean = () => false;
    /** Every stroke that stands for something, alone or in a sequence. */
    private strokes: ReadonlySet<string> = new Set();
    /** How many keys were pressed so far. */
    pressed = 0;
    private handlers: Map<string, Handler>[] = [];
    private found: { of: Resolver | null; all: Map<string, Binding | undefined> } = { of: null, all: new Map() };
    private timer = 0;
    /** What a key that is down keeps up. */
    private holding: { code: string; letGo: () => void } | null = null;

    start(state: KeyState, edits: ReadonlySet<string>): void {
        this.edits = edits;
        this.load(state);
        void layoutLabels().then((changed) => changed && this.version++);
        window.addEventListener('keydown', (e) => this.before(e), true);
        window.addEventListener('keydown', (e) => this.down(e));
        window.addEventListener('keyup', (e) => {
            this.modifiers(e);
            this.typist?.up(e.code, e.timeStamp);
            const up = (): void => {
                if (this.holding?.code === e.code) this.letGo();
            };
            if (this.waits > 0) this.gate(up, false);
            else up();
        });
        // What no key holds up, since it was asked for by mouse, a click ends.
        window.addEventListener('pointerdown', () => {
            if (this.holding?.code === '') this.letGo();
        });
        window.addEventListener('blur', () => {
            this.held = NO_MODIFIERS;
            this.typist?.letGo();
            this.letGo();
        });
    }

    /** Takes over another set of shortcuts, at once. */
    load(state: KeyState): void {
        this.state = state;
        this.resolver = new Resolver(state.keymap);
        this.strokes = new Set(state.keymap.flatMap((b) => b.keys.split(' ')));
        this.prefix = '';
        untrack(() => this.version++);
    }

    /** Asks the server to change the shortcuts, and takes over what it answers. */
    async ask<M extends Method, P extends string>(method: M, path: P, body?: BodyOf<M, P>): Promise<void> {
        this.load((await request(method, path, body)) as KeyState);
    }

    /** Gives handlers for commands for as long as a view is there; later ones go first, those of `below` last. */
    handle(handlers: Record<string, Handler>, below = false): () => void {
        const map = new Map(Object.entries(handlers));
        this.handlers = below ? [...this.handlers, map] : [map, ...this.handlers];
        untrack(() => this.version++);
        return () => {
            this.handlers = this.handlers.filter((h) => h !== map);
            untrack(() => this.version++);
        };
    }

    /** Whether anything here does a command. */
    can(command: string): boolean {
        return this.handlers.some((map) => map.has(command));
    }

    /** Does a command that was asked for by mouse, or from a list. */
    run(command: string, params: Record<string, unknown> = {}, how: How = 'mouse'): boolean {
        if (!this.passes(command) && this.isHeldBack(() => void this.runNow(command, params, how))) return true;
        return this.runNow(command, params, how);
    }

    private runNow(command: string, params: Record<string, unknown>, how: How): boolean {
        const binding = this.here(command, params) ?? { context: '', keys: '', command, params, label: '' };
        return this.execute(binding, ONCE, '', how);
    }

    /** The keys that stand for a command here, to be shown beside it. */
    keysFor(command: string, params: Record<string, unknown> = {}, context = this.context): string {
        void this.version;
        return this.here(command, params, context)?.keys ?? '';
    }

    private here(command: string, params: Record<string, unknown>, context = this.context): Binding | undefined {
        // Buttons by the hundred ask for the same few.
        if (this.found.of !== this.resolver) this.found = { of: this.resolver, all: new Map() };
        const key = `${context} ${keyOf(command, params)}`;
        if (!this.found.all.has(key)) {
            const all = bindingsOf(this.resolver.bindings, command, params);
            this.found.all.set(key, all.find((b) => b.context === context) ?? all.find((b) => b.context === 'any'));
        }
        return this.found.all.get(key);
    }

    /** A press of something that is no key, such as a notch of the wheel, in the normal form of the keymap. */
    stroke(stroke: string, more: boolean): boolean {
        if (this.capture) {
            this.capture(stroke);
            return true;
        }
        if (this.isHeldBack(() => void this.strokeNow(stroke, more))) return this.strokes.has(stroke);
        return this.strokeNow(stroke, more);
    }

    private strokeNow(stroke: string, more: boolean): boolean {
        const hit = this.resolver.press(stroke, this.context);
        this.prefix = this.resolver.prefix;
        return hit !== null && hit !== 'wait' && this.execute(hit, { more, times: 1 });
    }

    /** Presses that wait for their turn. */
    private waits = 0;
    /** A press is done now whose turn has come. */
    private replaying = false;

    /** Whether a press waits; then `again` is done in its turn. */
    private isHeldBack(again: () => void, stroke = ''): boolean {
        // What a press that is done now asks for is part of it.
        if (this.replaying) return false;
        const waits = this.gate(
            () => {
                this.waits--;
                this.replaying = true;
                try {
                    again();
                } finally {
                    this.replaying = false;
                }
            },
            true,
            stroke,
        );
        if (waits) this.waits++;
        return waits;
    }

    private execute(binding: Binding, press: Press = ONCE, code = '', how: How = 'key'): boolean {
        const rounds =
            this.edits.has(binding.command) || COUNTS.has(binding.command) ? 1 : Math.min(MOST_ROUNDS, press.times);
        let done = false;
        for (let i = 0; i < rounds; i++) done = this.once(binding, press, code) || done;
        if (done && !press.more) pace.note(binding.command, binding.params, how);
        return done;
    }

    private once(binding: Binding, press: Press, code: string): boolean {
        for (const map of this.handlers) {
            const done = map.get(binding.command)?.(binding.params, binding, press);
            if (done === false || !map.has(binding.command)) continue;
            this.flash(binding.keys);
            if (typeof done === 'function') {
                this.letGo();
                // Asked for by mouse or from a list, there is no key to let go: a key or a click ends it.
                this.holding = { code, letGo: done };
            }
            return true;
        }
        return false;
    }

    /** Whether what a key keeps up is kept up by a key that is down. */
    get isHeld(): boolean {
        return (this.holding?.code ?? '') !== '';
    }

    letGo(): void {
        const letGo = this.holding?.letGo;
        this.holding = null;
        letGo?.();
    }

    /** Shows in the strip which key does what was just done by mouse, and counts it. */
    flashFor(command: string, params?: Record<string, unknown>): void {
        const hit = this.resolver.bindings.find(
            (b) => b.command === command && (!params || keyOf('', b.params) === keyOf('', params)),
        );
        pace.note(command, params ?? hit?.params ?? {}, 'mouse');
        if (hit) this.flash(hit.keys);
    }

    private flash(keys: string): void {
        this.flashed = keys;
        clearTimeout(this.timer);
        this.timer = window.setTimeout(() => (this.flashed = ''), 350);
    }

    private modifiers(e: KeyboardEvent): void {
        const held = { mod: isMac ? e.metaKey : e.ctrlKey, alt: e.altKey, shift: e.shiftKey };
        if (held.mod !== this.held.mod || held.alt !== this.held.alt || held.shift !== this.held.shift)
            this.held = held;
    }

    /** Whether a stroke is for what has the keys. The one that opened a panel closes it. */
    private isTaken(target: EventTarget | null, stroke: string): boolean {
        if (!belongsTo(target, stroke)) return false;
        return !(takesNoLetters(target) && this.closes(stroke));
    }

    private closes(stroke: string): boolean {
        const [command, params] = this.opener() ?? [''];
        return bindingsOf(this.resolver.bindings, command, params ?? {}).some((b) => b.keys.split(' ')[0] === stroke);
    }

    /** Keys that a panel or a button would have wait too, while what was pressed before them does. */
    private before(e: KeyboardEvent): void {
        const stroke = strokeOf(e);
        if (!e.isTrusted || stroke === null || this.capture || !this.holds() || isOutside(e.target)) return;
        const isFor = this.isTaken(e.target, stroke) || (isInPanel(e.target) && !this.passes(stroke));
        if (!isFor && stroke !== 'Tab' && stroke !== 'Shift+Tab' && !isPressed(e.target, stroke)) return;
        const press = { stroke, code: e.code, key: e.key, repeat: e.repeat, time: e.timeStamp };
        if (!this.isHeldBack(() => this.pressAgain(press), stroke)) return;
        e.preventDefault();
        e.stopImmediatePropagation();
    }

    private down(e: KeyboardEvent): void {
        if (e.isTrusted) this.modifiers(e);
        if (seen(e)) this.version++;
        const stroke = strokeOf(e);
        if (stroke === null || e.defaultPrevented || e.isComposing) return;
        if (!e.repeat && e.isTrusted) this.pressed++;
        if (this.capture) {
            e.preventDefault();
            if (!e.repeat) this.capture(stroke);
            return;
        }
        // Enter is the panel's, on every system: Space and Alt ↓ open a list.
        if (stroke === 'Enter' && e.target instanceof HTMLSelectElement) e.preventDefault();
        if (goesOnWith(e)) e.preventDefault();
        // The second stroke of a sequence is not typed into the field of a panel.
        const goesOn = this.prefix !== '' && isInPanel(e.target);
        if (!goesOn && this.isTaken(e.target, stroke)) return;
        // A focused button keeps the keys that press it.
        if (!goesOn && isPressed(e.target, stroke)) return;
        // What plays sounds at once.
        if (this.count === null && !this.prefix && this.plays(e)) return e.preventDefault();
        const press = { stroke, code: e.code, key: e.key, repeat: e.repeat, time: e.timeStamp };
        if (!this.passes(stroke) && this.isHeldBack(() => this.pressAgain(press), stroke)) {
            if (this.strokes.has(stroke) || /^\d$/.test(stroke)) e.preventDefault();
        } else if (this.press(press)) e.preventDefault();
    }

    /** Does what a stroke stands for now; says whether it is used up. */
    private press({ stroke, code, repeat }: Pressed): boolean {
        if (this.holding) {
            if (repeat && this.holding.code === code) return true;
            // Other keys act meanwhile, so that what is looked at can be changed. Without a key to let go, any ends it.
            if (!this.holding.code || stroke === 'Escape') this.letGo();
        }
        if (this.count !== null && this.counting(stroke)) return true;
        if (this.prefix && stroke === 'Escape') {
            this.resolver.cancel();
            this.prefix = '';
            return true;
        }
        const hit = this.resolver.press(stroke, this.context);
        this.prefix = this.resolver.prefix;
        if (hit === 'wait') return true;
        const times = Math.max(1, Math.min(MOST_TIMES, Number(this.count ?? 1)));
        if (this.count !== null) this.count = null;
        if (hit?.command === 'count') {
            this.count = '';
            this.flash(hit.keys);
            return true;
        }
        if (hit && this.execute(hit, { more: repeat, times }, code)) return true;
        if (!repeat) this.onNothing(stroke, this.elsewhere(stroke));
        return false;
    }

    /** A press whose turn has come: where a field or a panel has the keys by now, that has it first. */
    private pressAgain(press: Pressed): void {
        const target = document.activeElement;
        // What was typed into a field late is told as a change before its panel goes; a sequence that Esc ends leaves both.
        if (press.stroke === 'Escape' && !this.prefix && target instanceof HTMLInputElement && isInPanel(target))
            target.blur();
        const tab = press.stroke === 'Tab' || press.stroke === 'Shift+Tab';
        if (
            target instanceof HTMLElement &&
            (tab || isInPanel(target) || this.isTaken(target, press.stroke) || isPressed(target, press.stroke))
        )
            typeInto(target, press);
        else this.press(press);
    }

    /** What a stroke stands for on another page, where it does nothing here. */
    private elsewhere(stroke: string): Binding | null {
        return (
            this.resolver.bindings.find(
                (b) => b.keys.split(' ')[0] === stroke && b.context !== this.context && b.context !== 'any',
            ) ??
            this.resolver.bindings.find((b) => b.keys === stroke) ??
            null
        );
    }

    /** A key that plays, while the computer's keys do. */
    private plays(e: KeyboardEvent): boolean {
        if (e.ctrlKey || e.metaKey || e.altKey || e.shiftKey) return false;
        const role = this.typist?.role(e.code);
        if (!role) return false;
        if ('note' in role) {
            if (!e.repeat) this.typist!.down(e.code, e.timeStamp);
        } else {
            this.run('keyboard-set', role, 'key');
        }
        return true;
    }

    /** Whether a shortcut's key plays notes now, so that the shortcut is out of reach. */
    isPlayed(strokes: string): boolean {
        const stroke = strokes.split(' ')[0]!;
        if (!this.typist || stroke.includes('+')) return false;
        const code = codeOf(stroke);
        return this.typist.role(code) !== null;
    }

    /** Takes a digit of the count, or drops it. */
    private counting(stroke: string): boolean {
        if (/^\d$/.test(stroke)) this.count = String(Number(`${this.count}${stroke}`)).slice(0, 3);
        else if (stroke === 'Backspace') this.count = this.count!.slice(0, -1);
        else if (stroke === 'Escape') this.count = null;
        else return false;
        return true;
    }
}

export const keys = new Keys();
