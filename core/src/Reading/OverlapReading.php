<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Selection\Overlaps;
use Jactonic\Core\Shape;

/** Where notes of a part sound into later ones of their pitch and channel. */
final class OverlapReading implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('overlap-reading', 'Where notes overlap', Family::Length, 'Stretches in which a note sounds into a later one of its pitch.', [], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object(['stretches' => Shape::told('By part: id of the note, from, to.', Shape::map(Shape::list(Shape::row(Shape::whole(), Shape::whole(), Shape::whole()))))]);
    }

    public function read(EditInput $input): array
    {
        $stretches = [];
        foreach ($input->selection->partIds() as $id) {
            $stretches[$id] = Overlaps::stretches($input->score->part($id)->inOrder());
        }

        return ['stretches' => (object) $stretches];
    }
}
