<?php

declare(strict_types=1);

namespace Jactonic\Core\Keymap;

/**
 * The shortcuts of two strokes, by their families: the first stroke is told by its word, and the key strip shows the
 * second ones.
 *
 * @phpstan-type Row array{0: string, 1: string, 2: string, 3?: array<string, mixed>}
 */
final class Families
{
    /** What may be selected by: the second stroke, the move, and its words. */
    private const MOVES = [
        ['M', 'muted', 'muted ones'], ['O', 'overlapping', 'overlapping ones'], ['T', 'top-voices', 'top notes'], ['B', 'bottom-voices', 'bottom notes'], ['L', 'lower-voices', 'lower voices'],
        ['2', 'second-voices', 'second voices'], ['3', 'third-voices', 'third voices'], ['4', 'fourth-voices', 'fourth voices'], ['F', 'first-chords', 'first of each bar'], ['C', 'changes', 'first of each change'],
        ['S', 'out-of-scale', 'outside the scale'], ['Q', 'off-grid', 'off the grid'], ['D', 'on-beat', 'on the beat'], ['U', 'off-beat', 'off the beat'], ['P', 'same-place', 'same place in the bar'],
        ['E', 'same-length', 'same length'], ['V', 'same-articulation', 'of the same articulation'], ['R', 'row', 'same pitch'], ['ArrowDown', 'softer', 'softer ones'], ['ArrowUp', 'louder', 'louder ones'], ['X', 'every-second', 'every second'],
        ['Y', 'every-third', 'every third'], ['Z', 'every-fourth', 'every fourth'], ['G', 'group', 'the group'], ['A', 'alone', 'one alone'],
        ['H', 'above-row', 'higher than the caret'], ['J', 'below-row', 'lower than the caret'], ['I', 'outside-span', 'outside the span'],
    ];

    /** With a modifier on the second stroke what is found is added, narrows the choice, or is taken from it. */
    private const HOWS = ['' => ['instead', ''], 'Shift+' => ['add', 'and '], 'Alt+' => ['narrow', 'only '], 'Alt+Shift+' => ['take', 'without ']];

    /**
     * Loudness.
     *
     * @return list<Row>
     */
    public static function loudness(): array
    {
        return [
            ['Shift+V V', 'panel', 'set velocity', ['edit' => 'velocity-set']],
            ['Shift+V L', 'velocity-even', 'level'],
            ['Shift+V P', 'velocity-compress', 'compress', ['percent' => 50]],
            ['Shift+V W', 'velocity-compress', 'spread', ['percent' => 150]],
            ['Shift+V D', 'velocity-default', 'reset to the pen’s velocity'],
            ['Shift+V ArrowUp', 'velocity-ramp', 'louder to the end', ['from' => 60, 'to' => 100, 'mode' => 'scale']],
            ['Shift+V ArrowDown', 'velocity-ramp', 'softer to the end', ['from' => 100, 'to' => 60, 'mode' => 'scale']],
            ['Shift+V H', 'again', 'loosen', ['edit' => 'velocity-random', 'reseed' => true]],
            ['Shift+V S', 'panel', 'scale', ['edit' => 'velocity-scale']],
            ['Shift+V R', 'panel', 'crescendo settings', ['edit' => 'velocity-ramp']],
            ['Shift+V T', 'panel', 'compress, expand', ['edit' => 'velocity-compress']],
            ['Shift+V A', 'panel', 'velocity up or down by', ['edit' => 'velocity-add']],
            ['Shift+V Shift+H', 'panel', 'randomize settings', ['edit' => 'velocity-random']],
            ['Shift+V Shift+ArrowUp', 'velocity-scale', 'a tenth louder', ['percent' => 110]],
            ['Shift+V Shift+ArrowDown', 'velocity-scale', 'a tenth softer', ['percent' => 90]],
        ];
    }

    /**
     * Scales and chords.
     *
     * @return list<Row>
     */
    public static function harmony(): array
    {
        return [
            ['Alt+H ArrowUp', 'invert-chord', 'invert up', ['by' => 1]],
            ['Alt+H ArrowDown', 'invert-chord', 'invert down', ['by' => -1]],
            ['Alt+H ArrowRight', 'open-chord', 'open', ['by' => 1]],
            ['Alt+H ArrowLeft', 'open-chord', 'close', ['by' => -1]],
            ['Alt+H C', 'panel', 'a chord by name', ['edit' => 'insert-chord']],
            ['Alt+H M', 'mirror', 'mirror'],
            ['Alt+H U', 'step-in-scale', 'step up', ['degrees' => 1]],
            ['Alt+H D', 'step-in-scale', 'step down', ['degrees' => -1]],
            ['Alt+H F', 'fit-to-scale', 'snap to the scale'],
            ['Alt+H 3', 'double-at', 'double a third up', ['degrees' => 2]],
            ['Alt+H 6', 'double-at', 'double a sixth up', ['degrees' => 5]],
            ['Alt+H K', 'set', 'scale lock', ['held' => 'toggle']],
            ['Alt+H Shift+M', 'mirror', 'mirror in the scale', ['in' => 'scale']],
            ['Alt+Shift+H', 'panel', 'a chord by name', ['edit' => 'insert-chord']],
            ['Alt+Shift+K', 'panel', 'a progression', ['edit' => 'insert-progression']],
            ['Alt+H P', 'panel', 'a progression', ['edit' => 'insert-progression']],
            ['Alt+H S', 'panel', 'scale', ['name' => 'scale']],
            ['Alt+H L', 'chord-line', 'chord line'],
            ['Alt+H A', 'chord-line', 'of all parts', ['set' => 'over']],
            ['Alt+H G', 'chord-line', 'arpeggios as chords', ['set' => 'arpeggios']],
            ['Alt+H B', 'chord-line', 'with the pedal', ['set' => 'pedal']],
            ['Alt+H X', 'copy-chords', 'copy the chord line'],
            ['Alt+H W', 'write-chords', 'chords into the file'],
            ['Alt+H J', 'chord-sheet', 'chords to print'],
        ];
    }

    /**
     * A phrase in time, and what belongs together in it.
     *
     * @return list<Row>
     */
    public static function phrase(): array
    {
        return [
            ['Alt+Z R', 'reverse', 'reverse'],
            ['Alt+Z H', 'stretch', 'half time', ['factor' => 2]],
            ['Alt+Z D', 'stretch', 'double time', ['factor' => '1/2']],
            ['Alt+Z T', 'stretch', 'into triplets', ['factor' => '2/3']],
            ['Alt+Z G', 'group', 'group'],
            ['Alt+Z U', 'ungroup', 'ungroup'],
            ['Alt+Z 3', 'to-meter', 'into 3/4', ['beats' => 3]],
            ['Alt+Z 4', 'to-meter', 'into 4/4', ['beats' => 4]],
            ['Alt+Z M', 'panel', 'another meter', ['edit' => 'to-meter']],
        ];
    }

    /**
     * The panels of edits.
     *
     * @return list<Row>
     */
    public static function settings(): array
    {
        return [
            ['Alt+S H', 'panel', 'invert chords', ['edit' => 'invert-chord']],
            ['Alt+S W', 'panel', 'open the voicing', ['edit' => 'open-chord']],
            ['Alt+S I', 'panel', 'mirror', ['edit' => 'mirror']],
            ['Alt+S U', 'panel', 'steps of the scale', ['edit' => 'step-in-scale']],
            ['Alt+S C', 'panel', 'snap to the scale', ['edit' => 'fit-to-scale']],
            ['Alt+S Z', 'panel', 'stretch', ['edit' => 'stretch']],
            ['Alt+S F', 'panel', 'fill with notes', ['edit' => 'insert-run']],
            ['Alt+S P', 'panel', 'as played', ['edit' => 'as-played']],
            ['Alt+S ArrowRight', 'panel', 'nudge', ['edit' => 'nudge']],
            ['Alt+S L', 'panel', 'to lines', ['edit' => 'snap-nudge']],
            ['Alt+S V', 'panel', 'move to', ['edit' => 'move-to']],
            ['Alt+S O', 'panel', 'overlaps', ['edit' => 'clear-overlaps']],
            ['Alt+S E', 'panel', 'end at', ['edit' => 'end-at']],
            ['Alt+S Shift+E', 'panel', 'start at', ['edit' => 'start-at']],
            ['Alt+S R', 'panel', 'lengths', ['edit' => 'resize']],
            ['Alt+S D', 'panel', 'double', ['edit' => 'double-at']],
            ['Alt+S S', 'panel', 'one pitch', ['edit' => 'set-pitch']],
            ['Alt+S ArrowUp', 'panel', 'transpose', ['edit' => 'transpose']],
            ['Alt+S M', 'panel', 'mute', ['edit' => 'mute']],
            ['Alt+S Y', 'panel', 'repeat', ['edit' => 'repeat']],
            ['Alt+S B', 'panel', 'copy the span', ['edit' => 'copy-span']],
            ['Alt+S X', 'panel', 'cut the span', ['edit' => 'cut-span']],
            ['Alt+S N', 'panel', 'name of the part', ['edit' => 'part-rename']],
            ['Alt+S T', 'panel', 'name of the track', ['edit' => 'track-rename']],
            ['Alt+S Q', 'panel', 'name of the song', ['edit' => 'song-rename']],
            ['Alt+S K', 'panel', 'set a marker', ['edit' => 'marker-set']],
            ['Alt+S Delete', 'panel', 'remove a marker', ['edit' => 'marker-remove']],
            ['Alt+S Semicolon', 'set', 'the pen takes after notes clicked', ['velocityFrom' => 'touched', 'lengthFrom' => 'touched']],
            ['Alt+S Shift+Semicolon', 'set', 'the pen stays as it is set', ['velocityFrom' => 'fixed', 'lengthFrom' => 'fixed']],
            ['Alt+S G', 'panel', 'chords into the file', ['edit' => 'write-chords']],
        ];
    }

    /**
     * What is seen of a surface, the roll or the song page.
     *
     * @return list<Row>
     */
    public static function view(): array
    {
        return [
            ['Z', 'zoom', 'zoom in', ['axis' => 'time', 'by' => 1]],
            ['Shift+Z', 'zoom', 'zoom out', ['axis' => 'time', 'by' => -1]],
            ['H', 'zoom', 'taller rows', ['axis' => 'pitch', 'by' => 1]],
            ['Shift+H', 'zoom', 'smaller rows', ['axis' => 'pitch', 'by' => -1]],
            ['E', 'fit', 'see all', ['what' => 'all']],
            ['Shift+E', 'fit', 'see what is selected', ['what' => 'selection']],
            ['Alt+E', 'fit', 'see span', ['what' => 'span']],
            ['PageDown', 'scroll', 'scroll later', ['x' => 1]],
            ['PageUp', 'scroll', 'scroll earlier', ['x' => -1]],
            ['Shift+PageUp', 'scroll', 'scroll up', ['y' => 1]],
            ['Shift+PageDown', 'scroll', 'scroll down', ['y' => -1]],
        ];
    }

    /**
     * The span, on both.
     *
     * @return list<Row>
     */
    public static function span(): array
    {
        return [
            ['Alt+BracketLeft', 'span', 'span from the caret', ['what' => 'start']],
            ['Alt+BracketRight', 'span', 'span to the caret', ['what' => 'end']],
            ['Alt+Shift+BracketLeft', 'span', 'span around what is selected', ['what' => 'selection']],
            ['Alt+Shift+BracketRight', 'span', 'span of whole bars', ['what' => 'bars']],
            ['Alt+Shift+Backslash', 'span', 'no span', ['what' => 'clear']],
        ];
    }

    /**
     * What is seen.
     *
     * @return list<Row>
     */
    public static function seeing(): array
    {
        $rows = [
            ['Alt+Shift+D', 'used-rows', 'used rows, all'],
            ['Alt+Shift+U', 'underlay', 'other parts'],
            ['Alt+Shift+O', 'go-under', 'go to the other part'],
            ['Alt+Shift+E', 'edit-under', 'work on the other parts, too'],
            ['Alt+V U', 'underlay-walk', 'the next other part', ['by' => 1]],
            ['Alt+V Shift+U', 'underlay-walk', 'the previous other part', ['by' => -1]],
            ['Alt+V O', 'go-under', 'go to the part under the pointer', ['at' => 'pointer']],
            ['Alt+V P', 'panel', 'which other parts', ['name' => 'underlay']],
            ['Alt+V R', 'panel', 'rows: names and order', ['name' => 'rows']],
            ['Alt+V D', 'panel', 'the playing as a picture', ['name' => 'playing']],
            ['Alt+V F', 'follow', 'follow the playing line'],
            ...self::lanes(),
            ['Alt+V L', 'fit', 'the view before', ['what' => 'last']],
            ['Alt+V A', 'align-under', 'align to the other parts'],
            ['Alt+V ArrowRight', 'align-under', 'to the next start in other parts', ['toward' => 'next']],
            ['Alt+V ArrowLeft', 'align-under', 'to the previous start in other parts', ['toward' => 'previous']],
            ['Alt+V T', 'take-feel', 'timing of the other part'],
            ['Alt+V G', 'take-feel', 'velocities of the other part', ['what' => 'loudness']],
        ];
        foreach ([1, 2, 3, 4] as $number) {
            $rows[] = ["Alt+V $number", 'view-call', "view $number", ['number' => $number]];
            $rows[] = ["Alt+V Shift+$number", 'view-keep', "keep view $number", ['number' => $number]];
        }

        return $rows;
    }

    /**
     * Lanes.
     *
     * @return list<Row>
     */
    private static function lanes(): array
    {
        $rows = [['Alt+V V', 'panel', 'which lanes', ['name' => 'lanes']], ['Alt+V X', 'lane-show', 'only velocities', ['lane' => 'none']]];
        foreach (['E' => ['cc:11', 'expression'], 'M' => ['cc:1', 'modulation'], 'S' => ['cc:64', 'sustain pedal'], 'B' => ['bend', 'pitch bend'], 'K' => ['cc:7', 'volume'], 'N' => ['cc:10', 'pan'], 'H' => ['pressure', 'pressure']] as $key => [$lane, $words]) {
            $rows[] = ["Alt+V $key", 'lane-show', $words, ['lane' => $lane]];
        }

        return [...$rows,
            ...array_merge(...array_map(static fn (int $n): array => [['Alt+V '.($n + 4), 'lane-set', "lanes: set $n", ['number' => $n]], ['Alt+V Shift+'.($n + 4), 'lane-set', "keep lanes as set $n", ['number' => $n, 'keep' => true]]], [1, 2, 3, 4])),
            ['Alt+V Shift+S', 'pedal-tails', 'notes as the pedal holds them'],
            ['Alt+V W', 'lane-shape', 'a swell over the span', ['shape' => 'swell']],
            ['Alt+V Q', 'pedal', 'the pedal from the chords'],
            ['Alt+V Shift+W', 'panel', 'shapes: settings', ['edit' => 'lane-shape']],
            ['Alt+V Shift+Semicolon', 'lane-point', 'a point at the caret'],
            ['Alt+V Semicolon', 'panel', 'a point: settings', ['edit' => 'lane-point']],
            ['Alt+V I', 'panel', 'a line: settings', ['edit' => 'lane-line']],
            ['Alt+V C', 'panel', 'copy a stretch: settings', ['edit' => 'lane-copy']],
            ['Alt+V Delete', 'panel', 'clear: settings', ['edit' => 'lane-clear']],
            ['Alt+V Z', 'panel', 'thin: settings', ['edit' => 'lane-thin']],
            ['Alt+V Shift+Q', 'panel', 'pedal: settings', ['edit' => 'pedal']],
            ['Alt+V Y', 'lane-shape', 'rise over the span', ['shape' => 'rise']],
            ['Alt+V J', 'lane-clear', 'clear the lane in the span'],
            ['Alt+V Shift+Z', 'lane-thin', 'thin the lane'],
            ['Alt+V Shift+I', 'lane-line', 'a line up over the span'],
            ['Alt+V Shift+C', 'lane-copy', 'copy the lane’s span to the caret'],
        ];
    }

    /**
     * Articulations, and what a note has of its own.
     *
     * @return list<Row>
     */
    public static function articulations(): array
    {
        $rows = [['Alt+D', 'expression', 'draw a curve on the note'], ['Alt+F1', 'panel', 'drills', ['name' => 'drills']]];
        foreach (range(1, 9) as $number) {
            $rows[] = ["Alt+A $number", 'articulate', "articulation $number", ['number' => $number]];
        }

        return [...$rows,
            ['Alt+A 0', 'articulate', 'no articulation', ['number' => 0]],
            ['Alt+A A', 'panel', 'an articulation by name', ['edit' => 'articulate']],
            ['Alt+A T', 'panel', 'the track’s set', ['name' => 'articulations']],
            ['Alt+A V', 'note-shape', 'vibrato on the note', ['shape' => 'vibrato']],
            ['Alt+A S', 'note-shape', 'a swell on the note', ['shape' => 'swell', 'lane' => 'cc:11', 'low' => 40, 'high' => 120]],
            ['Alt+A B', 'note-line', 'bent up into it', ['low' => -200, 'high' => 0, 'to' => 25]],
            ['Alt+A F', 'note-line', 'falling off it', ['low' => 0, 'high' => -200, 'from' => 60, 'to' => 100]],
            ['Alt+A X', 'note-clear', 'clear its curves'],
            ['Alt+A Semicolon', 'note-point', 'a point where it begins'],
            ['Alt+A R', 'set-bend-range', 'bend range of an octave', ['semitones' => 12]],
            ['Alt+A Shift+R', 'panel', 'bend range: settings', ['edit' => 'set-bend-range']],
            ['Alt+A Shift+Semicolon', 'panel', 'a point: settings', ['edit' => 'note-point']],
            ['Alt+A Shift+V', 'panel', 'shapes: settings', ['edit' => 'note-shape']],
            ['Alt+A Shift+B', 'panel', 'a line: settings', ['edit' => 'note-line']],
            ['Alt+A Shift+X', 'panel', 'clear: settings', ['edit' => 'note-clear']],
        ];
    }

    /**
     * Selecting by what notes are.
     *
     * @return list<Row>
     */
    public static function choosing(): array
    {
        $rows = [];
        foreach (self::HOWS as $with => [$how, $word]) {
            foreach (self::MOVES as [$stroke, $move, $label]) {
                $rows[] = ["N $with$stroke", 'select', "$word$label", ['move' => $move] + ($how === 'instead' ? [] : ['how' => $how])];
            }
            $rows[] = ["N {$with}N", 'chord-notes', "{$word}notes of the chord", $how === 'instead' ? [] : ['how' => $how]];
        }
        $rows[] = ['N K', 'panel', 'saved selections', ['name' => 'choices']];

        return $rows;
    }
}
