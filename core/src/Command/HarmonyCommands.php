<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Selection\How;

/** What the interface does with chords: the line of their names, and what one does by it. */
final class HarmonyCommands
{
    private const PLACES = ['roll', 'song'];

    /** @return list<Command> */
    public static function all(): array
    {
        return [
            new Command(new Spec('chord-line', 'Chord line', Family::Harmony, 'Shows the names of the chords over the notes: as they change, by beat or by bar; of this part or of all; or hides them.', [
                Param::choice('set', 'What', ['every', 'over', 'arpeggios', 'pedal'], 'every'),
                Param::choice('every', 'A name', ['next', 'change', 'beat', 'bar', 'none'], 'next'),
            ], Requires::Song, ['chord names', 'harmony', 'analyse', 'lead sheet']), self::PLACES, [
                ['title' => 'Chord line: by change, beat, bar, or none', 'params' => [], 'words' => ['chords', 'names', 'show', 'hide']],
                ['title' => 'Chord line, as chords change', 'params' => ['every' => 'change'], 'words' => ['names']],
                ['title' => 'Chord line by beat', 'params' => ['every' => 'beat'], 'words' => ['names']],
                ['title' => 'Chord line by bar', 'params' => ['every' => 'bar'], 'words' => ['names']],
                ['title' => 'No chord line', 'params' => ['every' => 'none'], 'words' => ['hide', 'names']],
                ['title' => 'Chord line of this part, or of all', 'params' => ['set' => 'over'], 'words' => ['names', 'together']],
                ['title' => 'Chord line: arpeggios as chords, or not', 'params' => ['set' => 'arpeggios'], 'words' => ['names', 'broken chords']],
                ['title' => 'Chord line: with the pedal, or without', 'params' => ['set' => 'pedal'], 'words' => ['names', 'sustain']],
            ]),
            new Command(new Spec('chord-notes', 'Select the notes of the chord', Family::Selection, 'Selects the notes of the chord that the chord line names at the caret.', [
                Param::choice('how', 'How', array_column(How::cases(), 'value'), 'instead'),
            ], Requires::Part, ['chord', 'name', 'here']), ['roll']),
            new Command(new Spec('copy-chords', 'Copy the chord line as text', Family::Harmony, 'Copies the chord names as text, with a stroke at each bar line. The text can be typed as a progression.', needs: Requires::Song, words: ['chords', 'names', 'progression', 'text']), self::PLACES),
            new Command(new Spec('chord-sheet', 'Chords to print', Family::Harmony, 'Shows the chords of the song on a page to be printed, bar by bar.', needs: Requires::Song, words: ['lead sheet', 'print', 'names']), self::PLACES),
        ];
    }
}
