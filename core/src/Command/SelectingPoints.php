<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\How;
use Jactonic\Core\Selection\LanePoints;
use Jactonic\Core\Selection\Selection;

/** What becomes of the points selected in lanes, where others were found. */
final class SelectingPoints
{
    /** @param  string  $atEnd  what is said where nothing else is selected than was */
    public static function outcome(Selection $on, Selection $found, How $how, string $atEnd, Score $score): Outcome
    {
        $ids = [];
        foreach ($on->points as $part => $lanes) {
            foreach ($lanes as $lane => $selected) {
                $ids[$part][$lane] = $how->meets($selected, $found->points[$part][$lane] ?? []);
            }
        }
        $to = new Selection(points: $ids);
        $said = match ($to->countPoints()) {
            0 => $atEnd === '' ? 'No points are selected.' : 'There are no points to walk to.',
            1 => self::told($to, $score),
            default => Wording::points($to->countPoints()).' selected.',
        };

        return new Outcome(new Change, $to, $atEnd !== '' && $to->countPoints() > 0 && self::sorted($on) == self::sorted($to) ? str_replace('note', 'point', $atEnd)." $said" : $said);
    }

    /** The one point that is selected: its value, its place, and which of how many it is. */
    private static function told(Selection $selection, Score $score): string
    {
        foreach ($selection->points as $part => $lanes) {
            foreach (array_filter($lanes) as $name => $ids) {
                $lane = Lane::parse($name);
                $all = LanePoints::of($score->part($part), $lane);
                $at = array_search($ids[0], array_map(static fn (Point $p): int => $p->id, $all), true);
                $point = $score->part($part)->points[$ids[0]];

                return sprintf('%s at %s: point %d of %d.', $lane->words($lane->value($point)), $score->time->position($point->tick), (int) $at + 1, count($all));
            }
        }

        return '';
    }

    /** @return array<int, array<string, list<int>>> */
    private static function sorted(Selection $selection): array
    {
        return array_map(static fn (array $lanes): array => array_map(static function (array $ids): array {
            sort($ids);

            return $ids;
        }, $lanes), $selection->points);
    }
}
