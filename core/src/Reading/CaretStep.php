<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Selection\Caret;
use Jactonic\Core\Shape;

/** Where the caret comes to from its place, by steps. */
final class CaretStep implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('caret-step', 'Where the caret goes', Family::View, 'Where the caret goes by a number of steps.', [
            Param::place('from', 'From', default: new Word('caret')),
            Param::integer('steps', 'Steps, below 0 for earlier', -10_000, 10_000, 1),
            Param::step('by', 'Step', setting: 'nudge'),
        ], Requires::Song);
    }

    public static function answer(): array
    {
        return Shape::object(['tick' => Shape::whole(0), 'place' => Shape::told('As a person reads it.', Shape::text())]);
    }

    public function read(EditInput $input): array
    {
        $settings = self::settings($input);
        $to = Caret::moved($input->params->integer('from'), $input->params->integer('steps'), $input->params->step('by', $settings), $settings, $input->time());

        return ['tick' => $to, 'place' => $input->time()->position($to)];
    }

    /** The settings to go by: those of the part that is named, else of a part on the track that is, else those of a new part. */
    private static function settings(EditInput $input): PartSettings
    {
        foreach ($input->selection->partIds() as $id) {
            return $input->score->part($id)->settings();
        }
        foreach ($input->selection->tracks as $track) {
            foreach ($input->score->partsOf($track) as $part) {
                return $part->settings();
            }
        }

        return PartSettings::fresh();
    }
}
