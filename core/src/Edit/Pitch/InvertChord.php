<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Selection\Chords;

/**
 * Turns chords into other inversions: upward the lowest note goes up an octave, downward the highest goes down one, as
 * many times as is said. With nothing selected it turns the chord at the caret.
 */
final class InvertChord implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('invert-chord', 'Invert chords (next inversion)', Family::Pitch, 'Turns chords into their next inversions.', [
            Param::integer('by', 'Times, below 0 for down', -12, 12, 1),
            Param::gather(),
        ], Requires::Part, ['inversion', 'invert', 'voicing', 'turn'], [['by' => 1], ['by' => -1]], forms: [
            ['title' => 'Invert chords up', 'params' => ['by' => 1], 'words' => ['inversion', 'higher']],
            ['title' => 'Invert chords down', 'params' => ['by' => -1], 'words' => ['inversion', 'lower']],
        ], formerIds: ['turn-chord']);
    }

    public function apply(EditInput $input): Outcome
    {
        $by = $input->params->integer('by');

        return ChordEdit::repitch($input, static function (array $pitches) use ($by): array {
            for ($i = abs($by); $i > 0; $i--) {
                $at = array_search($by > 0 ? min($pitches) : max($pitches), $pitches, true);
                $pitches[$at] += $by > 0 ? 12 : -12;
            }

            return array_values($pitches);
        }, sprintf('inverted %s%s', $by < 0 ? 'down' : 'up', abs($by) === 1 ? '' : ' '.abs($by).' times'));
    }
}
