<?php

declare(strict_types=1);

namespace Jactonic\Core\Keymap;

/**
 * The shortcuts that ship for the song page, where what is selected is parts, and those of the roll for parts and tracks.
 * Arrows and letters have the grammar that they have in the roll; what stands on the song page besides is one family.
 *
 * @phpstan-type Row array{0: string, 1: string, 2: string, 3?: array<string, mixed>}
 */
final class Arranging
{
    private const BAR = ['unit' => 'bar', 'amount' => 1];

    private const GRID = ['unit' => 'grid', 'amount' => 1];

    /**
     * @param  list<Row>  $grids  the grid, by the same keys as in the roll
     * @return list<Row>
     */
    public static function song(array $grids): array
    {
        return [
            ['Enter', 'open-part', 'open the part'],
            ['Alt+Shift+Y', 'roll-under', 'the roll below'],
            ...self::walking(),
            ...self::arrows(),
            ['Q', 'quantize', 'quantize'],
            ['P', 'as-played', 'as played'],
            ['Alt+Q', 'panel', 'quantize settings', ['edit' => 'quantize']],
            ['X', 'part-split', 'split at the caret'],
            ['Shift+X', 'part-split', 'split at every bar', ['every' => 'bars', 'at' => 1]],
            ['Alt+X', 'part-split', 'split at the markers', ['every' => 'marker', 'at' => 1]],
            ['Mod+Alt+X', 'part-split', 'split at the grid', ['every' => 'grid', 'at' => 1]],
            ['Shift+J', 'part-join', 'join'],
            ['Mod+D', 'part-repeat', 'repeat'],
            ['Mod+Alt+D', 'part-repeat', 'repeat by whole bars', ['every' => 'bars']],
            ['Mod+Shift+D', 'part-repeat', 'repeat by the span', ['every' => 'span']],
            ['Mod+B', 'part-crop', 'crop to the span'],
            ['Alt+B', 'part-resize', 'end at the caret', ['to' => 'caret']],
            ['Alt+L', 'part-loop', 'loop to the end of the song', ['to' => 'song', 'until' => 0]],
            ['Alt+Delete', 'part-tidy', 'delete what is outside'],
            ['M', 'part-mute', 'mute the part'],
            ['Delete', 'part-delete', 'delete the part'],
            ['Backspace', 'part-delete', 'delete the part'],
            ['Mod+C', 'copy', 'copy'],
            ['Mod+X', 'cut', 'cut'],
            ['Mod+V', 'paste', 'paste at the caret'],
            ['Mod+Shift+V', 'paste', 'paste in the same place', ['where' => 'place']],
            ['Shift+M', 'track', 'mute the track', ['what' => 'muted']],
            ['Alt+Shift+S', 'track', 'solo the track', ['what' => 'soloed']],
            ['Shift+F2', 'rename', 'rename the song'],
            ['N', 'part-new', 'new part'],
            ['Shift+N', 'track-new', 'new track'],
            ['Shift+Delete', 'track-delete', 'delete the track'],
            ['Quote', 'tool', 'pen', ['tool' => 'pen']],
            ['Shift+Quote', 'tool', 'eraser', ['tool' => 'eraser']],
            ...Families::span(),
            ['Alt+PageDown', 'caret', 'next marker', ['to' => 'next-marker']],
            ['Alt+PageUp', 'caret', 'previous marker', ['to' => 'previous-marker']],
            ['Mod+Alt+PageDown', 'caret', 'caret to the next line', ['to' => 'next-line']],
            ['Mod+Alt+PageUp', 'caret', 'caret to the previous line', ['to' => 'previous-line']],
            ['Mod+Alt+Shift+PageDown', 'caret', 'caret a bar later', ['to' => 'next-bar']],
            ['Mod+Alt+Shift+PageUp', 'caret', 'caret a bar earlier', ['to' => 'previous-bar']],
            ['Shift+Enter', 'play-from', 'play here'],
            ['Mod+Enter', 'play-span', 'play the span'],
            ...Families::view(),
            ...self::family(),
            ['Alt+W H', 'conductor-track', 'show or hide tracks without music'],
            ['Alt+A T', 'panel', 'articulations of the track', ['name' => 'articulations']],
            ['Alt+F1', 'panel', 'drills', ['name' => 'drills']],
            ['Alt+H L', 'chord-line', 'chord line'],
            ['Alt+H X', 'copy-chords', 'copy the chord line'],
            ['Alt+H J', 'chord-sheet', 'chords to print'],
            ...$grids,
            ['O', 'open-songs', 'all songs'],
            ['Escape', 'escape', 'deselect, then all songs'],
        ];
    }

    /**
     * What the roll has of it.
     *
     * @return list<Row>
     */
    public static function roll(): array
    {
        return [
            ['Alt+W ArrowDown', 'move-to-track', 'move to the track below', ['tracks' => 1]],
            ['Alt+W ArrowUp', 'move-to-track', 'move to the track above', ['tracks' => -1]],
            ['Alt+W Shift+ArrowDown', 'move-to-track', 'to the track below, an octave down', ['tracks' => 1, 'semitones' => -12]],
            ['Alt+W Shift+ArrowUp', 'move-to-track', 'to the track above, an octave up', ['tracks' => -1, 'semitones' => 12]],
            ['Alt+W Mod+ArrowDown', 'move-to-track', 'copy to the track below', ['tracks' => 1, 'copy' => true]],
            ['Alt+W Mod+ArrowUp', 'move-to-track', 'copy to the track above', ['tracks' => -1, 'copy' => true]],
            ['Alt+W C', 'panel', 'move: settings', ['edit' => 'move-to-track']],
            ['Alt+W B', 'part-crop', 'crop to the bars of those selected', ['over' => 'bars']],
            ['Alt+W Shift+B', 'panel', 'crop: settings', ['edit' => 'part-crop']],
            ...self::both(),
        ];
    }

    /** @return list<Row> */
    private static function walking(): array
    {
        $rows = [];
        foreach (['D' => ['x' => 1, 'next part'], 'A' => ['x' => -1, 'previous part'], 'S' => ['y' => 1, 'part below'], 'W' => ['y' => -1, 'part above']] as $key => $way) {
            $words = $way[0];
            unset($way[0]);
            $rows[] = [$key, 'choose', $words, $way];
            $rows[] = ["Shift+$key", 'choose', "add the $words", $way + ['take' => true]];
        }

        return [...$rows,
            ['Mod+A', 'choose-parts', 'all parts', ['which' => 'all']],
            ['R', 'choose-parts', 'all of the track', ['which' => 'track']],
            ['I', 'choose-parts', 'invert selection', ['which' => 'others']],
            ['Shift+I', 'choose-parts', 'those in the span', ['which' => 'span']],
        ];
    }

    /** @return list<Row> */
    private static function arrows(): array
    {
        $rows = [
            ['ArrowUp', 'part-plays', 'plays a semitone up', ['transposeBy' => 1]],
            ['ArrowDown', 'part-plays', 'plays a semitone down', ['transposeBy' => -1]],
            ['Shift+ArrowUp', 'part-plays', 'plays an octave up', ['transposeBy' => 12]],
            ['Shift+ArrowDown', 'part-plays', 'plays an octave down', ['transposeBy' => -12]],
            ['Equal', 'part-plays', 'plays 3 semitones higher', ['transposeBy' => 3]],
            ['Minus', 'part-plays', 'plays 3 semitones lower', ['transposeBy' => -3]],
            ['Shift+Equal', 'part-plays', 'plays 7 semitones higher', ['transposeBy' => 7]],
            ['Shift+Minus', 'part-plays', 'plays 7 semitones lower', ['transposeBy' => -7]],
            ['Mod+ArrowUp', 'part-plays', 'plays louder', ['velocityBy' => 5]],
            ['Mod+ArrowDown', 'part-plays', 'plays softer', ['velocityBy' => -5]],
            ['Mod+Shift+ArrowUp', 'part-plays', 'plays much louder', ['velocityBy' => 20]],
            ['Mod+Shift+ArrowDown', 'part-plays', 'plays much softer', ['velocityBy' => -20]],
            ['Alt+ArrowUp', 'track-level', 'track louder', ['volumeBy' => 4]],
            ['Alt+ArrowDown', 'track-level', 'track softer', ['volumeBy' => -4]],
            ['Alt+Shift+ArrowUp', 'track-order', 'track up', ['by' => -1]],
            ['Alt+Shift+ArrowDown', 'track-order', 'track down', ['by' => 1]],
            ['Mod+Alt+ArrowUp', 'part-move', 'to the track above', ['tracks' => -1]],
            ['Mod+Alt+ArrowDown', 'part-move', 'to the track below', ['tracks' => 1]],
            ['Mod+Alt+Shift+ArrowUp', 'part-move', 'copy to the track above', ['tracks' => -1, 'copy' => true]],
            ['Mod+Alt+Shift+ArrowDown', 'part-move', 'copy to the track below', ['tracks' => 1, 'copy' => true]],
        ];
        // What goes to the right and what goes to the left beside one another.
        $kinds = [
            static fn (string $to, int $way, string $words): array => ["Arrow$to", 'part-move', "part $words", ['steps' => $way, 'by' => self::GRID]],
            static fn (string $to, int $way, string $words): array => ["Shift+Arrow$to", 'part-move', "part a bar $words", ['steps' => $way, 'by' => self::BAR]],
            static fn (string $to, int $way, string $words): array => ["Alt+Arrow$to", 'part-move', "part a nudge step $words", ['steps' => $way]],
            static fn (string $to, int $way, string $words): array => ["Mod+Arrow$to", 'part-resize', "end $words", ['steps' => $way, 'by' => self::GRID]],
            static fn (string $to, int $way, string $words): array => ["Mod+Shift+Arrow$to", 'part-resize', "end a bar $words", ['steps' => $way, 'by' => self::BAR]],
            static fn (string $to, int $way, string $words, string $edge): array => ["Alt+Shift+Arrow$to", 'part-snap', "to the $edge line", ['steps' => $way]],
            static fn (string $to, int $way, string $words): array => ["Mod+Alt+Arrow$to", 'part-slide', "contents $words", ['steps' => $way]],
            static fn (string $to, int $way, string $words, string $edge): array => ["Bracket$to", 'part-move', "to the $edge edge", ['edge' => $edge]],
            static fn (string $to, int $way, string $words, string $edge): array => ["Shift+Bracket$to", 'part-resize', "end to the $edge edge", ['next' => $edge]],
            static fn (string $to, int $way, string $words): array => ["Mod+Bracket$to", 'part-resize', "start $words", ['steps' => $way, 'edge' => 'start', 'by' => self::GRID]],
            static fn (string $to, int $way): array => ["Mod+Alt+Shift+Arrow$to", 'track-level', 'pan to the '.strtolower($to), ['panBy' => $way * 8]],
        ];
        foreach ($kinds as $kind) {
            array_push($rows, $kind('Right', 1, 'later', 'next'), $kind('Left', -1, 'earlier', 'previous'));
        }

        return $rows;
    }

    /**
     * What stands on the song page.
     *
     * @return list<Row>
     */
    private static function family(): array
    {
        return [
            ['Alt+W L', 'part-loop', 'loop up to the caret'],
            ['Alt+W E', 'part-loop', 'loop to the end of the song', ['to' => 'song', 'until' => 0]],
            ['Alt+W S', 'part-loop', 'loop to the end of the span', ['until' => 'span-end']],
            ['Alt+W O', 'part-loop', 'end the loop', ['until' => 0]],
            ['Alt+W R', 'part-flatten', 'flatten'],
            ['Alt+W M', 'part-plays', 'play as written', ['transpose' => 0, 'velocity' => 100, 'delay' => 0]],
            ['Alt+W P', 'panel', 'what it plays as', ['edit' => 'part-plays']],
            ['Alt+W A', 'part-snap', 'to the nearest line'],
            ['Alt+W U', 'part-merge', 'merge parts of several tracks'],
            ['Alt+W I', 'insert-time', 'insert time over the span'],
            ['Alt+W Shift+I', 'insert-time', 'insert time in the selected parts', ['in' => 'parts']],
            ['Alt+W X', 'remove-time', 'remove the span'],
            ['Alt+W Shift+X', 'remove-time', 'remove time from the selected parts', ['in' => 'parts']],
            ['Alt+W Y', 'panel', 'repeat: settings', ['edit' => 'part-repeat']],
            ['Alt+W N', 'panel', 'name of the part', ['edit' => 'part-rename']],
            ['Alt+W Shift+N', 'panel', 'name of the track', ['edit' => 'track-rename']],
            ['Alt+W K', 'panel', 'set a marker', ['edit' => 'marker-set']],
            ['Alt+W Delete', 'panel', 'remove a marker', ['edit' => 'marker-remove']],
            ...self::both(),
        ];
    }

    /**
     * Tracks, and the shelf.
     *
     * @return list<Row>
     */
    private static function both(): array
    {
        return [
            ['Alt+W T', 'panel', 'sound of the track', ['name' => 'sound']],
            ['Alt+W V', 'panel', 'level and pan', ['edit' => 'track-level']],
            ['Alt+W D', 'track-duplicate', 'duplicate the track'],
            ['Alt+W Shift+D', 'panel', 'duplicate: settings', ['edit' => 'track-duplicate']],
            ['Alt+W Shift+ArrowRight', 'track-level', 'track louder', ['volumeBy' => 4]],
            ['Alt+W Shift+ArrowLeft', 'track-level', 'track softer', ['volumeBy' => -4]],
            ['Alt+W F', 'panel', 'the shelf', ['name' => 'shelf']],
            ['Alt+W Shift+F', 'panel', 'keep on the shelf', ['name' => 'shelve']],
        ];
    }
}
