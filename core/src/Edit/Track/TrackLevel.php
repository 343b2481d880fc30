<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Track;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Standard\Message;

/**
 * Sets how loud tracks are and where they stand between left and right: controllers 7 and 10 before the first note, as
 * files have them; absolute or by an amount. Without one, a track stands at 100 and in the middle, 64. What would pass
 * the limits stays at them, and it is said.
 */
final class TrackLevel implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-level', 'Level and pan of the track', Family::Part, 'Sets the volume and the pan of tracks.', [
            Param::integer('volume', 'Volume', 0, 127, optional: true),
            Param::integer('pan', 'Pan: 0 left, 64 middle, 127 right', 0, 127, optional: true),
            Param::integer('volumeBy', 'Volume by', -127, 127, 0, adds: true),
            Param::integer('panBy', 'Pan by', -127, 127, 0, adds: true),
        ], Requires::Tracks, ['volume', 'mix', 'fader', 'balance', 'left', 'right', 'louder', 'softer'], [['volume' => 80], ['panBy' => -20]], [AppliesTo::Tracks], ['song', 'roll'], keeps: true, forms: [
            ['title' => 'Track louder', 'params' => ['volumeBy' => 5]], ['title' => 'Track softer', 'params' => ['volumeBy' => -5]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $said = '';
        $clipped = $none = 0;
        foreach ($input->selection->tracks as $id) {
            $parts = $input->score->partsOf($id);
            if ($parts === []) {
                $none++;

                continue;
            }
            $now = ['volume' => 0, 'pan' => 0];
            foreach (Sound::LEVELS as $name => [$number, $default]) {
                [$part, $point] = Sound::controller($parts, $number);
                $now[$name] = $value = $point->data2 ?? $default;
                if ($input->params->has($name) || $input->params->integer($name.'By') !== 0) {
                    $value = ($input->params->has($name) ? $input->params->integer($name) : $value) + $input->params->integer($name.'By');
                    $now[$name] = max(0, min(127, $value));
                    $clipped += $now[$name] === $value ? 0 : 1;
                    $tick = $part->beginning();
                    $builder->putPoint($part, $point?->withValue($now[$name]) ?? new Point($builder->newPointId($part), $tick, Message::CONTROLLER | $input->score->channelOf($part), $number, $now[$name]));
                }
            }
            $said = $said === '' ? sprintf('“%s”: volume %d, pan %s.', $input->score->track($id)->name, $now['volume'], self::side($now['pan'])) : $said;
        }
        $outcome = new Outcome($builder->change(), $input->selection, $said === '' ? 'The track has no part: nothing changed.' : $said);

        return $outcome->warn(...($clipped === 0 ? [] : ['Stayed at the limit.']), ...($none > 0 && $said !== '' ? [($none === 1 ? '1 track has' : "$none tracks have").' no part: left as it is.'] : []));
    }

    public static function side(int $pan): string
    {
        return $pan === 64 ? 'in the middle' : abs($pan - 64).($pan < 64 ? ' to the left' : ' to the right');
    }
}
