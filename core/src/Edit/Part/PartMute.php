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
use Jactonic\Core\Score\Part;

/** Mutes parts or lets them sound. `toggle` treats them as one: while any of them sounds, all are muted; else all sound again. */
final class PartMute implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-mute', 'Mute the part', Family::Part, 'Mutes parts without deleting them.', [
            Param::choice('state', 'State', ['toggle', 'on', 'off'], 'toggle'),
        ], Requires::Parts, ['silence', 'unmute', 'off'], takes: [AppliesTo::Parts], contexts: ['song'], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $state = $input->params->choice('state');
        $parts = $input->wholeParts();
        $muted = $state === 'on' || ($state === 'toggle' && array_filter($parts, static fn (Part $p): bool => ! $p->head->muted) !== []);
        foreach ($parts as $part) {
            $builder->head($part, $part->head->withMuted($muted));
        }

        return new Outcome($builder->change(), $input->selection, (count($parts) === 1 ? "“{$parts[0]->name}”" : Wording::parts(count($parts))).($muted ? ' muted.' : ' sounding.'));
    }
}
