<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Harmony\Voicing;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Selection\Chords;

/**
 * Opens chords: the second note from above goes down an octave, then the one that is second then. Below 0 it closes them
 * again: the lowest goes up an octave, until the chord lies within one. With nothing selected it works on the chord at the
 * caret.
 */
final class OpenChord implements Edit
{
    private const OCTAVE = 12;

    public static function spec(): Spec
    {
        return new Spec('open-chord', 'Open the voicing', Family::Pitch, 'Spreads a chord over more than an octave, or closes it again.', [
            Param::integer('by', 'Notes, below 0 to close', -12, 12, 1),
            Param::gather(),
        ], Requires::Part, ['spread', 'wide', 'voicing', 'drop', 'close'], [['by' => 1, 'gather' => 500], ['by' => 2, 'gather' => 500]], forms: [
            ['title' => 'Open the voicing', 'params' => ['by' => 1], 'words' => ['wider', 'drop']],
            ['title' => 'Close the voicing', 'params' => ['by' => -1], 'words' => ['narrow', 'tight']],
        ], formerIds: ['spread-chord']);
    }

    public function apply(EditInput $input): Outcome
    {
        $by = $input->params->integer('by');

        return ChordEdit::repitch($input, static function (array $pitches) use ($by): array {
            for ($i = abs($by); $i > 0; $i--) {
                $pitches = $by > 0 ? Voicing::opened($pitches, 1) : self::closed($pitches);
            }

            return $pitches;
        }, $by < 0 ? 'closed' : 'opened');
    }

    /**
     * @param  list<int>  $pitches
     * @return list<int>
     */
    private static function closed(array $pitches): array
    {
        if ($pitches === [] || max($pitches) - min($pitches) <= self::OCTAVE) {
            return $pitches;
        }
        $pitches[(int) array_search(min($pitches), $pitches, true)] += self::OCTAVE;

        return array_values($pitches);
    }
}
