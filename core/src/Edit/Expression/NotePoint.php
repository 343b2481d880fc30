<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;

/**
 * Puts one point on notes' own curves, sets the one that stands there, moves it to another place on the note, or takes it
 * away. With no value named it has what the curve has there. Another point where it comes to gives way.
 */
final class NotePoint implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('note-point', 'A point on the note', Family::Lane, 'Puts, moves or deletes one point of the notes’ own curve.', [
            Param::lane('lane', 'Lane: bend, pressure or a controller', 'the bend'),
            Param::integer('at', 'Place', 0, PHP_INT_MAX >> 20, 0, 'ticks from its start'),
            Param::number('value', 'Value: cents of a bend, else 0 to 127', -4800, 4800, optional: true),
            Param::integer('to', 'Moved to', 0, PHP_INT_MAX >> 20, unit: 'ticks from its start', optional: true),
            Param::flag('remove', 'Delete it'),
        ], words: ['expression', 'bend', 'curve', 'point'], examples: [['value' => 50], ['at' => 10, 'value' => -100], ['lane' => 'cc:11', 'at' => 5, 'value' => 90, 'to' => 20]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $lane = NoteCurve::lane($input);
        $at = $params->integer('at');
        $words = '';

        return NoteCurve::draw($input, $lane, static function (Note $note, Part $part) use ($input, $params, $lane, $at, &$words): array {
            $points = array_column(Expression::of($note->own)->points($lane), 1, 0);
            $given = $params->has('value') ? $params->number('value') : null;
            $value = $given === null ? $points[$at] ?? self::held($points, $at, $lane) : self::bounded($lane, NoteCurve::units($input, $part, $lane, $given));
            $words = $lane->name === 'bend' ? NoteCurve::words(NoteCurve::cents($input, $part, $value)) : (string) $value;
            unset($points[$at]);
            if (! $params->flag('remove')) {
                $points[min($note->length, $params->has('to') ? $params->integer('to') : $at)] = $value;
            }

            return array_map(static fn (int $tick, int $value): array => [$tick, $value], array_keys($points), $points);
        }, static function (int $count) use ($params, $lane, &$words): string {
            return $params->flag('remove') ? sprintf('A point of %s deleted on %s.', $lane->title(), Wording::notes($count)) : sprintf('%s %s on %s.', $lane->title(), $words, Wording::notes($count));
        });
    }

    /**
     * What the curve has at a place where no point stands.
     *
     * @param  array<int, int>  $points  values by ticks
     */
    private static function held(array $points, int $at, Lane $lane): int
    {
        $before = array_filter($points, static fn (int $tick): bool => $tick < $at, ARRAY_FILTER_USE_KEY);

        return $before === [] ? ($lane->range()[0] < 0 ? 0 : 64) : $before[max(array_keys($before))];
    }

    private static function bounded(Lane $lane, float $value): int
    {
        [$least, $most] = $lane->range();

        return (int) max($least, min($most, round($value)));
    }
}
