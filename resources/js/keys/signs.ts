/** Keys of signs, by their standard names, and the sign that each is called after. */
export const SIGN_OF: Readonly<Record<string, string>> = {
    Backquote: '`',
    Minus: '-',
    Equal: '=',
    BracketLeft: '[',
    BracketRight: ']',
    Semicolon: ';',
    Quote: "'",
    Backslash: '\\',
    Comma: ',',
    Period: '.',
    Slash: '/',
    IntlBackslash: '<',
};

/** Which key is Mod: Cmd on a Mac, else Ctrl. */
export const isMac = typeof navigator !== 'undefined' && /Mac|iPhone|iPad/.test(navigator.platform);

/** What a key is called where it is shown. */
export const SHOWN: Record<string, string> = {
    Mod: isMac ? '⌘' : 'Ctrl',
    Alt: isMac ? '⌥' : 'Alt',
    Shift: isMac ? '⇧' : 'Shift',
    ArrowUp: '↑',
    ArrowDown: '↓',
    ArrowLeft: '←',
    ArrowRight: '→',
    Delete: 'Del',
    Escape: 'Esc',
    PageUp: 'PgUp',
    PageDown: 'PgDn',
    Backspace: '⌫',
    ...SIGN_OF,
    WheelUp: 'wheel ↑',
    WheelDown: 'wheel ↓',
};
