<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;

/** What the interface does to see what matters: rows in use, parts underneath, kept views. */
final class SeeingCommands
{
    private const ROLL = ['roll'];

    /** @return list<Command> */
    public static function all(): array
    {
        return [
            new Command(new Spec('used-rows', 'Used rows, or all rows', Family::View, 'Shows only the rows that have notes, or all rows.', needs: Requires::Part, words: ['fold', 'drums', 'hide', 'empty rows', 'compact']), self::ROLL),
            new Command(new Spec('underlay', 'Other parts', Family::View, 'Shows other parts behind this one: those of the tracks beside, all, those picked, or none.', needs: Requires::Part, words: ['ghost', 'behind', 'layer', 'compare parts', 'show']), self::ROLL),
            new Command(new Spec('underlay-walk', 'Another of the other parts', Family::View, 'Shows the next or previous part alone behind this one.', [
                Param::integer('by', 'Parts on', -1, 1, 1),
            ], Requires::Part, ['behind', 'next']), self::ROLL, [
                ['title' => 'The next other part', 'params' => ['by' => 1]],
                ['title' => 'The previous other part', 'params' => ['by' => -1]],
            ]),
            new Command(new Spec('edit-under', 'Work on the other parts, too', Family::View, 'Makes selecting and editing work on this part and the other parts shown, or on this part alone.', needs: Requires::Part, words: ['together', 'several parts', 'in place', 'multi']), self::ROLL),
            new Command(new Spec('go-under', 'Go to the other part here', Family::View, 'Opens the other part at the caret, with the view as it is.', [
                Param::choice('at', 'At', ['caret', 'pointer'], 'caret'),
            ], Requires::Part, ['switch', 'open', 'other part']), self::ROLL, [
                ['title' => 'Go to the other part here', 'params' => [], 'words' => ['switch', 'open']],
                ['title' => 'Go to the part under the pointer', 'params' => ['at' => 'pointer'], 'words' => ['switch', 'open']],
            ]),
            new Command(new Spec('view-keep', 'Keep the view', Family::View, 'Keeps this view so that you can return to it.', [
                Param::integer('number', 'View', 1, 4, 1),
            ], Requires::Part, ['store', 'zoom', 'memory']), self::ROLL, array_map(static fn (int $n): array => ['title' => "Keep view $n", 'params' => ['number' => $n]], [1, 2, 3, 4])),
            new Command(new Spec('view-call', 'See a kept view', Family::View, 'Returns to a kept view.', [
                Param::integer('number', 'View', 1, 4, 1),
            ], Requires::Part, ['recall', 'zoom', 'memory']), self::ROLL, array_map(static fn (int $n): array => ['title' => "See view $n", 'params' => ['number' => $n]], [1, 2, 3, 4])),
            new Command(new Spec('lane-show', 'Show a lane', Family::View, 'Shows a lane below the notes and works in it, or hides it.', [
                Param::text('lane', 'Lane'),
            ], Requires::Part, ['controller', 'cc', 'automation', 'modulation', 'expression', 'bend']), self::ROLL, [
                ['title' => 'Lane of expression', 'params' => ['lane' => 'cc:11'], 'words' => ['cc 11', 'dynamics']],
                ['title' => 'Lane of modulation', 'params' => ['lane' => 'cc:1'], 'words' => ['cc 1', 'mod wheel', 'vibrato']],
                ['title' => 'Lane of the sustain pedal', 'params' => ['lane' => 'cc:64'], 'words' => ['cc 64', 'pedal']],
                ['title' => 'Lane of pitch bend', 'params' => ['lane' => 'bend'], 'words' => ['wheel']],
                ['title' => 'Lane of volume', 'params' => ['lane' => 'cc:7'], 'words' => ['cc 7']],
                ['title' => 'Lane of pan', 'params' => ['lane' => 'cc:10'], 'words' => ['cc 10']],
                ['title' => 'Lane of pressure', 'params' => ['lane' => 'pressure'], 'words' => ['aftertouch']],
                ['title' => 'Only velocities below the notes', 'params' => ['lane' => 'none'], 'words' => ['hide lanes']],
            ]),
            new Command(new Spec('conductor-track', 'Show or hide tracks without music', Family::View, 'Shows the tracks of a file that hold only tempo, meter or texts, or hides them. The saved file has them in any case.', needs: Requires::Song, words: ['conductor', 'tempo track', 'hidden', 'empty', 'texts']), ['song']),
            new Command(new Spec('guide', 'Guide', Family::Program, 'Explains each job, with your own keys.', [
                Param::choice('at', 'At', ['top', 'marks', 'start'], 'top'),
            ], Requires::Nothing, ['help', 'manual', 'learn', 'how to', 'tutorial']), ['any'], [
                ['title' => 'Guide', 'params' => [], 'words' => ['help', 'manual', 'learn', 'how to']],
                ['title' => 'Getting started: ten keys', 'params' => ['at' => 'start'], 'words' => ['begin', 'first steps', 'tutorial', 'learn', 'help', 'basics']],
                ['title' => 'Guide: what the marks on notes mean', 'params' => ['at' => 'marks'], 'words' => ['legend', 'symbols', 'wedge', 'corner']],
            ]),
            new Command(new Spec('go', 'Go to a place', Family::Transport, 'Moves the caret to the bar and beat that you type: go 17.3.', [
                Param::place('to', 'Place'),
            ], Requires::Song, ['jump', 'bar', 'position', 'caret', 'locate']), ['roll', 'song'], formsOnly: true),
            new Command(new Spec('lane-set', 'A set of lanes', Family::View, 'Shows a set of lanes that was kept, or keeps those that are shown.', [
                Param::integer('number', 'Set', 1, 4, 1),
                Param::flag('keep', 'Keep what is shown as this set'),
            ], Requires::Part, ['controllers', 'layout', 'recall', 'store']), self::ROLL, [
                ...array_map(static fn (int $n): array => ['title' => "Lanes: set $n", 'params' => ['number' => $n]], [1, 2, 3, 4]),
                ...array_map(static fn (int $n): array => ['title' => "Keep the lanes shown as set $n", 'params' => ['number' => $n, 'keep' => true]], [1, 2, 3, 4]),
            ]),
            new Command(new Spec('pedal-tails', 'Notes as long as the pedal holds them', Family::View, 'Draws notes as long as the pedal holds them, or as they are written.', needs: Requires::Part, words: ['sustain', 'pedal', 'ring', 'sounding length']), self::ROLL),
            new Command(new Spec('expression', 'Draw a curve on the note', Family::Lane, 'Opens the curves of the selected note: bend, pressure or a controller.', needs: Requires::Notes, words: ['expression', 'bend', 'vibrato', 'per note', 'curve']), self::ROLL),
            new Command(new Spec('follow', 'Follow the playing line', Family::View, 'Makes the view follow the playing line by page, hold it in the middle, or stay.', needs: Requires::Part, words: ['scroll', 'autoscroll', 'playhead', 'page']), self::ROLL),
            new Command(new Spec('align-under', 'Align to the other parts here', Family::Timing, 'Moves the selected notes to the starts of notes in the other parts.', [
                Param::choice('toward', 'Toward', ['nearest', 'next', 'previous'], 'nearest'),
            ], Requires::Notes, ['align', 'kick', 'together', 'tight']), self::ROLL, [
                ['title' => 'Align to the other parts here', 'params' => [], 'words' => ['align', 'kick', 'together']],
                ['title' => 'Move to the next start in other parts', 'params' => ['toward' => 'next'], 'words' => ['snap']],
                ['title' => 'Move to the previous start in other parts', 'params' => ['toward' => 'previous'], 'words' => ['snap']],
            ]),
            new Command(new Spec('take-feel', 'Copy the feel of the other part', Family::Timing, 'Gives the selected notes the timing or the velocities of the other part.', [
                Param::choice('what', 'What', ['timing', 'loudness'], 'timing'),
            ], Requires::Notes, ['groove', 'pocket', 'feel', 'copy timing']), self::ROLL, [
                ['title' => 'Copy the timing of the other part', 'params' => [], 'words' => ['groove', 'pocket', 'feel']],
                ['title' => 'Copy the velocities of the other part', 'params' => ['what' => 'loudness'], 'words' => ['groove', 'dynamics', 'feel']],
            ]),
        ];
    }
}
