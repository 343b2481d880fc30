<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Part;

/** Mutes parts or lets them sound. `toggle` treats them as one: while any of them sounds, all are muted; else all sound again. */
final class PartMute implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-mute', 'Mute the part', Family::Part, 'Silences parts without taking them away.', [
            Param::choice('state', 'State', ['toggle', 'on', 'off'], 'toggle'),
        ], Needs::Parts, ['silence', 'unmute', 'off'], takes: [Takes::Parts], contexts: ['song'], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $state = $work->params->choice('state');
        $parts = $work->wholeParts();
        $muted = $state === 'on' || ($state === 'toggle' && array_filter($parts, static fn (Part $p): bool => ! $p->head->muted) !== []);
        foreach ($parts as $part) {
            $builder->head($part, $part->head->withMuted($muted));
        }

        return new Outcome($builder->change(), $work->selection, (count($parts) === 1 ? "“{$parts[0]->name}”" : Say::parts(count($parts))).($muted ? ' muted.' : ' sounding.'));
    }
}
