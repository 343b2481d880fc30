<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Standard\GeneralMidi;

/**
 * Sets what parts play as: transposed, louder or softer, earlier or later, each absolute or by an amount. The notes stay
 * as they are; what is heard and saved follows. Refused whole where a part would be transposed or delayed too far; a
 * loudness that would pass its limits stays at them, and it is said.
 */
final class PartPlays implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-plays', 'What the part plays as', Family::Part, 'Transposes, delays or scales what is heard of parts; their notes stay as they are.', [
            Param::integer('transpose', 'Transposed to', -PlaysAs::TRANSPOSE, PlaysAs::TRANSPOSE, unit: 'semitones', optional: true),
            Param::integer('velocity', 'Velocity', PlaysAs::SOFTEST, PlaysAs::LOUDEST, unit: '%', optional: true),
            Param::integer('delay', 'Delay', -PlaysAs::DELAY, PlaysAs::DELAY, unit: 'ms', optional: true),
            Param::integer('transposeBy', 'Transposed by', -2 * PlaysAs::TRANSPOSE, 2 * PlaysAs::TRANSPOSE, 0, 'semitones', adds: true),
            Param::integer('velocityBy', 'Velocity by', -PlaysAs::LOUDEST, PlaysAs::LOUDEST, 0, '%', adds: true),
            Param::integer('delayBy', 'Delay by', -2 * PlaysAs::DELAY, 2 * PlaysAs::DELAY, 0, 'ms', adds: true),
        ], Requires::Parts, ['transpose', 'louder', 'softer', 'delay', 'plays as', 'ghost', 'octave'], [['transpose' => 12], ['velocityBy' => -20, 'delay' => 15]], [AppliesTo::Parts], ['song'], keeps: true, forms: [
            ['title' => 'Play the part as written', 'params' => ['transpose' => 0, 'velocity' => 100, 'delay' => 0], 'words' => ['reset', 'plain']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $value = static fn (string $name, int $now): int => ($params->has($name) ? $params->integer($name) : $now) + $params->integer($name.'By');
        $builder = new ChangeBuilder;
        $clipped = 0;
        $parts = $input->wholeParts();
        $words = [];
        foreach ($parts as $part) {
            $now = $part->head->plays;
            $transpose = $value('transpose', $now->transpose);
            $delay = $value('delay', $now->delay);
            if (abs($transpose) > PlaysAs::TRANSPOSE) {
                throw new Refusal(sprintf('“%s” would play %d semitones away, and %d is the most: nothing changed.', $part->name, abs($transpose), PlaysAs::TRANSPOSE), 'transpose');
            }
            if (abs($delay) > PlaysAs::DELAY) {
                throw new Refusal(sprintf('“%s” would play %d ms away, and %d is the most: nothing changed.', $part->name, abs($delay), PlaysAs::DELAY), 'delay');
            }
            $velocity = $value('velocity', $now->velocity);
            $held = max(PlaysAs::SOFTEST, min(PlaysAs::LOUDEST, $velocity));
            $clipped += $held === $velocity ? 0 : 1;
            $plays = new PlaysAs($transpose, $held, $delay, $now->until);
            $words[] = $plays->words() ?: 'as written';
            $builder->head($part, $part->head->playing($plays));
        }
        $said = match (true) {
            count($parts) === 1 => "“{$parts[0]->name}” plays $words[0].",
            count(array_unique($words)) === 1 => Wording::parts(count($parts))." play $words[0].",
            default => Wording::parts(count($parts))." changed. “{$parts[0]->name}” plays $words[0].",
        };
        $outcome = new Outcome($builder->change(), $input->selection, $said);
        $drums = count(array_filter($parts, static fn (Part $p): bool => ! $p->notes->isEmpty() && $p->channel() === GeneralMidi::DRUM_CHANNEL && $p->head->plays->transpose !== $value('transpose', $p->head->plays->transpose)));

        return $outcome->warn(...($clipped === 0 ? [] : [Wording::parts($clipped).' stayed at the loudest or softest.']), ...($drums === 0 ? [] : ['Drums keep their pitches.']));
    }
}
