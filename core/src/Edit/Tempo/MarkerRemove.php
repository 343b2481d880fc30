<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Tempo;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;

/** Takes away the marker that stands at a place. */
final class MarkerRemove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('marker-remove', 'Remove a marker', Family::Song, 'Removes a marker.', [
            Param::place('at', 'The one at', default: new Word('caret')),
        ], Requires::Song, ['cue', 'scene', 'section', 'delete'], [['at' => 1920]], [], ['song', 'roll']);
    }

    public function apply(EditInput $input): Outcome
    {
        $at = $input->params->integer('at');
        $rows = $input->time()->markerRows;
        $row = TimelineEdit::marker($rows, $at) ?? throw new Refusal("No marker stands at {$input->time()->position($at)}: nothing was changed.", 'at');
        $gone = $rows[$row];
        unset($rows[$row]);

        return TimelineEdit::outcome($input, null, null, sprintf('Marker “%s” is removed.', TimelineEdit::name($gone)), markers: array_values($rows));
    }
}
