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
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;

/**
 * Draws a shape over the whole of single notes, which only they have: rise, fall, a swell, a value held, or a vibrato, so
 * many cents (or of 127) to either side at a rate, beginning after a while.
 */
final class NoteShape implements Edit
{
    private const SHAPES = ['vibrato', 'swell', 'rise', 'fall', 'hold'];

    public static function spec(): Spec
    {
        return new Spec('note-shape', 'A shape on the note', Family::Lane, 'Draws vibrato, a swell or another shape that holds for the selected notes only.', [
            Param::lane('lane', 'Lane: bend, pressure or a controller', 'the bend'),
            Param::choice('shape', 'Shape', self::SHAPES, 'vibrato'),
            Param::integer('depth', 'Depth of the vibrato: cents of a bend, else of 127', 0, 1200, 30),
            Param::number('rate', 'Rate of the vibrato', 0.1, 20, 5.5, 'a second'),
            Param::integer('after', 'It begins after', 0, 10_000, 200, 'ms'),
            Param::integer('low', 'Lowest of the others: cents of a bend, else 0 to 127', -4800, 4800, 0),
            Param::integer('high', 'Highest of the others', -4800, 4800, 100),
        ], words: ['vibrato', 'expression', 'swell', 'wobble', 'lfo'], examples: [[], ['lane' => 'cc:11', 'shape' => 'swell', 'low' => 30, 'high' => 120], ['shape' => 'rise', 'high' => 50]], keeps: true, forms: [
            ['title' => 'Vibrato on the note', 'params' => ['shape' => 'vibrato']],
            ['title' => 'A swell on the note', 'params' => ['shape' => 'swell', 'lane' => 'cc:11', 'low' => 40, 'high' => 120]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $lane = NoteCurve::lane($input);
        $shape = $params->choice('shape');
        [$after, $rate] = [$params->integer('after') / 1000, $params->number('rate')];

        return NoteCurve::draw($input, $lane, static function (Note $note, Part $part) use ($input, $params, $lane, $shape, $after, $rate): array {
            [$low, $high, $depth] = [NoteCurve::units($input, $part, $lane, $params->integer('low')), NoteCurve::units($input, $part, $lane, $params->integer('high')), NoteCurve::units($input, $part, $lane, $params->integer('depth'))];
            $middle = $lane->range()[0] < 0 ? 0 : 64;

            return NoteCurve::sample($input, $note, $lane, 0, $note->length, static fn (float $x, float $seconds): float => match ($shape) {
                'vibrato' => $middle + ($seconds < $after ? 0 : $depth * sin(2 * M_PI * $rate * ($seconds - $after))),
                'swell' => $low + ($high - $low) * sin(M_PI * $x),
                'rise' => $low + ($high - $low) * $x,
                'fall' => $high - ($high - $low) * $x,
                default => $high,
            });
        }, static fn (int $count): string => sprintf('%s: %s on %s.', $lane->title(), $shape, Wording::notes($count)));
    }
}
