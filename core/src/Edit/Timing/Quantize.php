<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\CollisionCheck;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Lines;

/**
 * Moves edges of notes toward the lines of the grid: new = old + strength·(line − old), rounded to a tick.
 *
 * `starts` keeps each length. `ends` moves each end to its nearest line, but to no line before the one that follows
 * the line nearest to the start, so that a short note becomes one cell long. `both` does each for itself. An edge
 * farther from its line than the window, a share of half the cell it lies in (between its two neighbouring lines,
 * swing included), stays; at 100 % none does. What a note loses of its feel is added to its drift. Another grid or
 * another swing is another try.
 */
final class Quantize implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('quantize', 'Quantize', Family::Timing, 'Moves starts, ends or both toward the lines of the grid.', [
            // First what is set otherwise most often: the grid has keys of its own.
            Param::integer('strength', 'Strength', 0, 100, 100, '%', setting: 'strength'),
            Param::grid('grid', 'Grid', setting: 'grid'),
            Param::number('swing', 'Swing', 50, 75, Lines::STRAIGHT, '%', setting: 'swing'),
            Param::choice('target', 'What moves', ['starts', 'ends', 'both'], 'starts'),
            Param::integer('window', 'Window', 0, 100, 100, '%'),
        ], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['align', 'grid', 'on the grid', 'tighten', 'snap', 'correct', 'timing'], examples: [[], ['strength' => 37], ['target' => 'both', 'grid' => '1/8', 'swing' => 66.67], ['target' => 'ends', 'window' => 40]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $tempos = $input->time()->tempos;
        $target = $input->params->choice('target');
        $window = $input->params->integer('window');
        $grids = $swings = [];
        $moved = $far = 0;
        $sum = $largest = 0.0;
        foreach ($input->parts() as $part) {
            $grid = $input->params->grid('grid', $part->ownSettings());
            $grids[$grid->name] = true;
            $strength = $input->params->integer('strength', $part->ownSettings());
            $swing = $input->params->number('swing', $part->ownSettings());
            $swings[(string) $swing] = true;
            $lines = $input->time()->lines($grid, $swing);
            $ids = $input->ids($part);
            [$starts, $lengths] = [$part->notes->integers('start', $ids), $part->notes->integers('length', $ids)];
            $goals = $target === 'ends' ? $starts : $lines->nearestOf($starts);
            foreach ($starts as $i => $was) {
                $start = self::toward($was, $goals[$i], $lines, $strength, $window);
                $end = $was + $lengths[$i];
                if ($target === 'starts') {
                    $end = $start + $lengths[$i];
                } else {
                    $line = $lines->nearest($end);
                    $floor = $lines->nearest($start);
                    $end = self::toward($end, $line > $floor ? $line : $lines->after($floor), $lines, $strength, $window);
                }
                $length = max(1, $end - $start);
                if ($start === $was && $length === $lengths[$i]) {
                    continue;
                }
                $moved++;
                $shift = max(abs($tempos->milliseconds($was, $start)),
                    $target === 'starts' ? 0.0 : abs($tempos->milliseconds($was + $lengths[$i], $start + $length)));
                $sum += $shift;
                $largest = max($largest, $shift);
                $far += $shift > CollisionCheck::FAR ? 1 : 0;
                $starts[$i] = $start;
                $lengths[$i] = $length;
            }
            $input->retime($builder, $part, array_values($starts), array_values($lengths));
        }

        foreach ($input->partsOfPoints() as $part) {
            $grid = $input->params->grid('grid', $part->ownSettings());
            $grids[$grid->name] = true;
            $swing = $input->params->number('swing', $part->ownSettings());
            $swings[(string) $swing] = true;
            $lines = $input->time()->lines($grid, $swing);
            foreach ($input->chosenPoints($part) as $point) {
                $tick = self::toward($point->tick, $lines->nearest($point->tick), $lines, $input->params->integer('strength', $part->ownSettings()), $window);
                if ($builder->putPoint($part, $point->movedTo($tick))) {
                    $shift = abs($tempos->milliseconds($point->tick, $tick));
                    $moved++;
                    $sum += $shift;
                    $largest = max($largest, $shift);
                    $far += $shift > CollisionCheck::FAR ? 1 : 0;
                }
            }
        }

        return (new Outcome($builder->change(), $input->selection, $this->say($input, implode(', ', array_keys($grids)), $moved, $sum, $largest, $far)))->trying([array_keys($grids), array_map(strval(...), array_keys($swings))]);
    }

    private function say(EditInput $input, string $grid, int $moved, float $sum, float $largest, int $far): string
    {
        $notes = Wording::chosen($input)." quantized to $grid";
        if ($moved === 0) {
            return "$notes: all were on the grid already.";
        }
        $said = sprintf('%s: %d moved, %s on average, %s at most', $notes, $moved, Wording::ms($sum / $moved), Wording::ms($largest));

        return $far === 0 ? "$said." : sprintf('%s; %d moved more than %s.', $said, $far, Wording::ms(CollisionCheck::FAR));
    }

    /**
     * Where an edge at a tick goes that is meant for a line.
     *
     * @param  int  $strength  0–100 %
     * @param  int  $window  0–100 % of half a cell
     */
    public static function toward(int $old, int $line, Lines $lines, int $strength, int $window): int
    {
        if ($line === $old) {
            return $old;
        }
        if ($window < 100) {
            [$before, $after] = $lines->around($old);
            if (abs($line - $old) * 200 > $window * ($after - $before)) {
                return $old;
            }
        }

        return $strength === 100 ? $line : Note::whole($old + ($line - $old) * $strength / 100);
    }
}
