<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Recording\Event;
use Jactonic\Core\Recording\Passage;
use Jactonic\Core\Shape;

/** What the simulated player plays of a passage from a place on, in seconds from there. */
final class PassageReading implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('passage-reading', 'What the simulated player plays', Family::Recording, 'A passage as it is played, in seconds.', [
            Param::text('passage', 'Passage'),
            Param::place('from', 'From', default: 0),
            Param::integer('seed', 'Seed', 0, PHP_INT_MAX >> 20, 1),
            Param::number('loose', 'Loose by', 0, 100, 12, 'ms'),
            Param::number('tempo', 'Tempo of its own', 20, 400, optional: true),
            Param::integer('times', 'Times', 1, 64, 1),
        ], Requires::Song);
    }

    public static function answer(): array
    {
        return Shape::object(['name' => Shape::text(), 'events' => Shape::list(Shape::named('PlayedEvent'))]);
    }

    public function read(EditInput $input): array
    {
        $params = $input->params;
        $passage = Passage::find($params->text('passage'));
        $events = $passage->played($input->time(), $params->integer('from'), $params->integer('seed'), $params->number('loose'), $params->has('tempo') ? $params->number('tempo') : null, $params->integer('times'));

        return ['name' => $passage->name, 'events' => array_map(static fn (Event $e): array => $e->toArray(), $events)];
    }
}
