<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Lane\LaneCurve;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;

/** Draws a line, straight or bent, that belongs to single notes, from a share of their length to another. */
final class NoteLine implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('note-line', 'A line on the note', Family::Lane, 'Draws a line that holds for the selected notes only: a bend in cents, or a controller.', [
            Param::lane('lane', 'Lane: bend, pressure or a controller', 'the bend'),
            Param::integer('low', 'At the start: cents of a bend, else 0 to 127', -4800, 4800, -100),
            Param::integer('high', 'At the end', -4800, 4800, 0),
            Param::integer('from', 'From', 0, 100, 0, 'percent of its length'),
            Param::integer('to', 'To', 0, 100, 50, 'percent of its length'),
            Param::integer('curve', 'Curve: − fast first, + slow first', -100, 100, 0),
        ], words: ['expression', 'bend', 'slide', 'glide', 'scoop', 'fall'], examples: [['low' => -200, 'high' => 0], ['lane' => 'pressure', 'low' => 10, 'high' => 120, 'to' => 100, 'curve' => 40]], keeps: true, forms: [
            ['title' => 'Bent up into the note', 'params' => ['low' => -200, 'high' => 0, 'to' => 25]],
            ['title' => 'Falling off the note', 'params' => ['low' => 0, 'high' => -200, 'from' => 60, 'to' => 100]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $lane = NoteCurve::lane($input);
        [$low, $high, $curve] = [$params->integer('low'), $params->integer('high'), $params->integer('curve')];
        if ($params->integer('to') <= $params->integer('from')) {
            throw Refusal::parameter('to', $params->integer('to'), 'a share above from');
        }

        return NoteCurve::draw($input, $lane, static function (Note $note, Part $part) use ($input, $params, $lane, $low, $high, $curve): array {
            [$from, $to] = [intdiv($note->length * $params->integer('from'), 100), intdiv($note->length * $params->integer('to'), 100)];
            [$a, $b] = [NoteCurve::units($input, $part, $lane, $low), NoteCurve::units($input, $part, $lane, $high)];

            return NoteCurve::replaced($note, $lane, $from, $to, NoteCurve::sample($input, $note, $lane, $from, $to, static fn (float $x): float => $a + ($b - $a) * LaneCurve::bent($x, $curve), NoteCurve::cent($input, $part), true));
        }, static fn (int $count): string => sprintf('%s from %s to %s on %s.', $lane->title(), $low, $high.($lane->name === 'bend' ? ' cents' : ''), Wording::notes($count)));
    }
}
