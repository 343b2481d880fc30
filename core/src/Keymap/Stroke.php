<?php

declare(strict_types=1);

namespace Jactonic\Core\Keymap;

use Jactonic\Core\Refusal;

/**
 * One key press in normal form: modifiers in the order Mod, Alt, Shift, then the key, joined by "+". Mod is Ctrl, or
 * Cmd on a Mac. Letters follow the person's layout and are written in capitals; digits stand for their place, so that
 * they are reached on layouts that shift them; the keys of signs have their standard names (Minus, Comma, Backquote, …)
 * and follow the sign that the layout types, or keep their place where it types it nowhere; other keys have their
 * standard names. A notch of the mouse wheel counts as a press of WheelUp or WheelDown.
 */
final class Stroke
{
    private const NAMED = [
        'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Enter', 'Space', 'Escape', 'Delete', 'Backspace', 'Tab',
        'Home', 'End', 'PageUp', 'PageDown', 'Insert', 'F1', 'F2', 'F4', 'F6', 'F7', 'F8', 'F9', 'F10',
        'WheelUp', 'WheelDown',
        // Keys of signs.
        'Backquote', 'Minus', 'Equal', 'BracketLeft', 'BracketRight', 'Semicolon', 'Quote', 'Backslash', 'Comma', 'Period', 'Slash', 'IntlBackslash',
    ];

    /** Strokes that browsers or systems keep for themselves. */
    public const KEPT = [
        'Mod+W', 'Mod+Shift+W', 'Mod+T', 'Mod+Shift+T', 'Mod+N', 'Mod+Shift+N', 'Mod+Q', 'Mod+Shift+Q', 'Mod+Tab',
        'Mod+Shift+Tab', 'Alt+Tab', 'Tab', 'Shift+Tab', 'Alt+F4', 'Mod+F4', 'Mod+L', 'Mod+R', 'Mod+Shift+R', 'Mod+PageUp', 'Mod+PageDown', 'F11', 'F12', 'F5',
    ];

    /**
     * One stroke, or two parted by a space, in normal form.
     *
     * @throws Refusal when they are none, or kept by the browser
     */
    public static function sequence(string $keys): string
    {
        $strokes = explode(' ', $keys);
        if (count($strokes) > 2) {
            throw Refusal::parameter('keys', $keys, 'one stroke or two');
        }

        return implode(' ', array_map(self::normal(...), $strokes));
    }

    /** @throws Refusal when it is no stroke, or one that the browser keeps */
    public static function normal(string $stroke): string
    {
        $parts = explode('+', $stroke);
        $key = (string) array_pop($parts);
        $key = strlen($key) === 1 ? strtoupper($key) : $key;
        if (preg_match('/^[A-Z0-9]$/', $key) !== 1 && ! in_array($key, self::NAMED, true)) {
            throw new Refusal(sprintf('%s cannot be a shortcut. Letters, digits, signs, arrows, Enter, Space, Escape, Delete, Backspace, Home, End, PageUp, PageDown, Insert and F1, F2, F4, F6 to F10 can, with Mod, Alt and Shift.', Refusal::show($stroke)), 'keys');
        }
        if (array_diff($parts, ['Mod', 'Alt', 'Shift']) !== [] || count($parts) !== count(array_unique($parts))) {
            throw Refusal::parameter('keys', $stroke, 'the modifiers Mod, Alt and Shift, each once');
        }
        $normal = implode('+', [...array_intersect(['Mod', 'Alt', 'Shift'], $parts), $key]);
        if (in_array($normal, self::KEPT, true)) {
            throw new Refusal(sprintf('%s cannot be used: browsers or the system keep it for themselves.', $normal), 'keys');
        }

        return $normal;
    }
}
