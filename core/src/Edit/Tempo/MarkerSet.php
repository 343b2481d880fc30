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

/** Puts a marker with a name at a place; one that stands there gets the name. */
final class MarkerSet implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('marker-set', 'Set a marker', Family::Song, 'Puts a named marker at a place.', [
            Param::name('name', 'Name'),
            Param::place('at', 'At', default: new Word('caret')),
        ], Requires::Song, ['cue', 'scene', 'section', 'name'], [['name' => 'Gangway', 'at' => 960]], [], ['song', 'roll']);
    }

    public function apply(EditInput $input): Outcome
    {
        [$name, $at] = [$input->params->text('name'), $input->params->integer('at')];
        $rows = $input->time()->markerRows;
        $row = TimelineEdit::marker($rows, $at);
        if ($row === null) {
            $rows[] = [$at, base64_encode($name), 0, 0];
        } else {
            $rows[$row] = [$at, base64_encode($name), $rows[$row][2], $rows[$row][3]];
        }

        return TimelineEdit::outcome($input, null, null, sprintf('Marker “%s” at %s.', $name, $input->time()->position($at)), markers: array_values($rows));
    }
}
