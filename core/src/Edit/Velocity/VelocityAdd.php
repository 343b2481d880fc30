<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;

/** Makes notes louder or softer by an amount. Those that reach 1 or 127 are clipped there and counted in
 * a warning; the rest is carried. */
final class VelocityAdd implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-add', 'Velocity up or down', Family::Velocity, 'Adds an amount to every velocity.', [
            Param::integer('amount', 'Amount, below 0 for softer', -126, 126, adds: true),
        ], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['velocity', 'loudness', 'dynamics', 'increase', 'decrease', 'louder', 'softer', 'quieter'], examples: [['amount' => 30], ['amount' => -126]], forms: self::forms());
    }

    /** @return list<array{title: string, params: array<string, mixed>, words: list<string>}> */
    private static function forms(): array
    {
        $forms = [];
        foreach ([5, 1, 10] as $by) {
            $forms[] = ['title' => "Louder by $by", 'params' => ['amount' => $by], 'words' => ['increase', 'up']];
            $forms[] = ['title' => "Softer by $by", 'params' => ['amount' => -$by], 'words' => ['quieter', 'decrease', 'down']];
        }

        return $forms;
    }

    public function apply(EditInput $input): Outcome
    {
        $amount = $input->params->integer('amount');

        return VelocityShaping::push($input, static fn (float $v): float => $v + $amount, sprintf('%s by %d', $amount < 0 ? 'softer' : 'louder', abs($amount)));
    }
}
