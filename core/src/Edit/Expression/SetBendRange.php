<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\BendRange;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Standard\Message;

/**
 * Sets how far a bend reaches in a part (registered parameter 0, at its beginning; what says it elsewhere in the part goes).
 * The bends that are there, of the lane and of single notes, are written anew so that they sound as before.
 */
final class SetBendRange implements Edit
{
    private const MOST = 8191;

    public static function spec(): Spec
    {
        return new Spec('set-bend-range', 'Set the bend range', Family::Lane, 'Sets how many semitones a bend reaches; bends that are there sound as before.', [
            Param::integer('semitones', 'Bend range', 1, 48, 12, 'semitones'),
        ], Requires::Part, ['pitch bend', 'wheel', 'sensitivity', 'wider'], [[], ['semitones' => 24]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $part = $input->part();
        $channel = $input->score->channelOf($part);
        $semitones = $input->params->integer('semitones');
        $factor = BendRange::ofPart($part, $channel) / ($semitones * 100);
        $builder = new ChangeBuilder;
        foreach (BendRange::points($part, $channel) as $old) {
            $builder->dropPoint($part, $old);
        }
        $lane = Lane::parse('bend');
        foreach ($part->points->all() as $point) {
            if ($lane->holds($point) && ($point->status & 0x0F) === $channel) {
                $builder->putPoint($part, $point->withValue($this->scaled($lane->value($point), $factor, $semitones)));
            }
        }
        foreach ($part->notes->hasOther('own') ? $part->notes->all() : [] as $note) {
            $own = Expression::of($note->own);
            $points = $own->points($lane);
            if ($points !== []) {
                $builder->put($part, $note->with(['own' => $own->with($lane, array_map(fn (array $p): array => [$p[0], $this->scaled($p[1], $factor, $semitones)], $points))->text()]));
            }
        }
        // The parameter is let go again, so that what sets another value later does not set this.
        foreach ([[101, 0], [100, 0], [6, $semitones], [38, 0], [101, 127], [100, 127]] as [$controller, $value]) {
            $builder->putPoint($part, new Point($builder->newPointId($part), self::first($part), Message::CONTROLLER | $channel, $controller, $value));
        }

        return new Outcome($builder->change(), $input->selection, sprintf('The bend range of “%s” is %s.', $part->name, $semitones === 1 ? '1 semitone' : "$semitones semitones"));
    }

    private function scaled(int $value, float $factor, int $semitones): int
    {
        $scaled = (int) round($value * $factor);
        // The lowest is one unit further than the highest.
        if (abs($scaled) > self::MOST + 1) {
            throw new Refusal(sprintf('A bend that is there goes further than %s: nothing changed.', $semitones === 1 ? '1 semitone' : "$semitones semitones"), 'semitones');
        }

        return max(-self::MOST - 1, min(self::MOST, $scaled));
    }

    /** Where the part begins, or before that the first of its points. */
    private static function first(Part $part): int
    {
        return min([max(0, $part->beginning()), ...$part->points->integers('tick')]);
    }
}
