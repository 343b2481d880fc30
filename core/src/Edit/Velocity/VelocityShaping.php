<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;

/**
 * What edits of velocity have in common, and of the values of points, which they shape as well: rounded, clipped at the
 * ends of their range, and what was clipped counted. All are counted in 127ths; the range of a lane is scaled to that, so
 * that one key makes notes louder or a modulation deeper.
 */
final class VelocityShaping
{
    /** How points are spoken of, where the words are those of notes. */
    private const OF_POINTS = ['at the pen’s velocity' => 'at the pen’s value', 'at velocity ' => 'at ', 'of their velocity' => 'of their value', 'toward velocity ' => 'toward ', 'from velocity ' => 'from ', 'louder by' => 'higher by', 'softer by' => 'lower by'];

    /**
     * Gives each note and point that is selected the value that a function makes of the one it has, outright.
     *
     * @param  \Closure(float, int, Part, bool): float  $value  from the value, the tick, the part, and whether it is a note’s
     * @param  string  $done  what was done, after "12 notes": "at velocity 70"
     * @param  bool  $inOrder  whether the function is called in the order of the music
     */
    public static function shape(EditInput $input, \Closure $value, string $done, bool $inOrder = false): Outcome
    {
        return self::all($input, $value, $done, false, $inOrder);
    }

    /**
     * Pushes each selected note to the velocity that a function makes of the one it was pushed to before: what goes past
     * the limits is carried, so that pushed back all are as they were. Points carry nothing.
     *
     * @param  \Closure(float, int, Part, bool): float  $value
     * @param  string  $done  what was done, after "12 notes": "louder by 5"
     */
    public static function push(EditInput $input, \Closure $value, string $done): Outcome
    {
        return self::all($input, $value, $done, true, false);
    }

    /** @param  \Closure(float, int, Part, bool): float  $value */
    private static function all(EditInput $input, \Closure $value, string $done, bool $carries, bool $inOrder): Outcome
    {
        $builder = new ChangeBuilder;
        $low = $high = 0;
        foreach ($input->parts() as $part) {
            $ids = $input->ids($part);
            [$velocities, $carried, $starts] = [$part->notes->integers('velocity', $ids), $part->notes->integers('carryVelocity', $ids), $part->notes->integers('start', $ids)];
            $order = $inOrder ? self::order($ids, $part->inOrder($ids)) : array_keys($ids);
            foreach ($order as $i) {
                $wanted = (int) round($value($carries ? $velocities[$i] + $carried[$i] : $velocities[$i], $starts[$i], $part, true));
                $low += $wanted < Note::SOFTEST ? 1 : 0;
                $high += $wanted > Note::LOUDEST ? 1 : 0;
                $velocities[$i] = max(Note::SOFTEST, min(Note::LOUDEST, $wanted));
                // Given outright, nothing is carried any more.
                $carried[$i] = $carries ? $wanted - $velocities[$i] : 0;
            }
            $builder->columns($part, $ids, ['velocity' => array_values($velocities), 'carryVelocity' => array_values($carried)]);
        }
        $clipped = 0;
        foreach ($input->partsOfPoints() as $part) {
            $ids = $input->pointIds($part);
            [$ticks, $statuses, $data1, $data2] = array_map(static fn (string $name): array => $part->points->integers($name, $ids), ['tick', 'status', 'data1', 'data2']);
            $order = array_keys($ids);
            if ($inOrder) {
                usort($order, static fn (int $a, int $b): int => $ticks[$a] <=> $ticks[$b] ?: $a <=> $b);
            }
            $lane = null;
            foreach ($order as $i) {
                $its = Lane::at($statuses[$i], $data1[$i]);
                if ($lane !== $its) {
                    $lane = $its;
                    [$least, $most] = $lane->range();
                    $unit = ($most - $least) / 127;
                }
                $wanted = (int) round($least + $value(($lane->valueOf($data1[$i], $data2[$i]) - $least) / $unit, $ticks[$i], $part, false) * $unit);
                $clipped += $wanted < $least || $wanted > $most ? 1 : 0;
                [$data1[$i], $data2[$i]] = $lane->data(max($least, min($most, $wanted)), $data1[$i]);
            }
            $builder->pointColumns($part, $ids, ['data1' => array_values($data1), 'data2' => array_values($data2)]);
        }
        $outcome = new Outcome($builder->change(), $input->selection, Wording::chosen($input).' '.($input->selection->isEmpty() ? strtr($done, self::OF_POINTS) : $done).'.');
        foreach ([[$low, Note::SOFTEST], [$high, Note::LOUDEST]] as [$count, $at]) {
            $outcome = $count === 0 ? $outcome : $outcome->warn(sprintf('%s clipped at %d%s.', Wording::notes($count), $at, $carries ? ', the rest carried' : ''));
        }

        return $clipped === 0 ? $outcome : $outcome->warn(Wording::points($clipped).' clipped at the end of the range.');
    }

    /**
     * The mean of what is selected, in 127ths.
     *
     * @param  bool  $pushed  of what notes were pushed to, past the limits
     */
    public static function mean(EditInput $input, bool $pushed = false): float
    {
        $sum = $count = 0;
        foreach ($input->parts() as $part) {
            $ids = $input->ids($part);
            $sum += array_sum($part->notes->values('velocity', $ids)) + ($pushed ? array_sum($part->notes->values('carryVelocity', $ids)) : 0);
            $count += count($ids);
        }
        foreach ($input->partsOfPoints() as $part) {
            foreach ($input->chosenPoints($part) as $point) {
                $lane = Lane::of($point);
                [$least, $most] = $lane->range();
                $sum += ($lane->value($point) - $least) * 127 / ($most - $least);
                $count++;
            }
        }

        return $count === 0 ? 0.0 : $sum / $count;
    }

    /**
     * Where notes that are in the order of the music stand in a list of ids.
     *
     * @param  list<int>  $ids
     * @param  list<Note>  $notes
     * @return list<int>
     */
    private static function order(array $ids, array $notes): array
    {
        $places = array_flip($ids);

        return array_map(static fn (Note $n): int => $places[$n->id], $notes);
    }
}
