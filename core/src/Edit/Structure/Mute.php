<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Part;

/**
 * Mutes notes or lets them sound. `toggle` treats them as one: while any of them sounds, all are muted; else all
 * sound again.
 */
final class Mute implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('mute', 'Mute notes', Family::Structure, 'Mutes notes without deleting them.', [
            Param::choice('state', 'State', ['toggle', 'on', 'off'], 'toggle'),
        ], keeps: true, words: ['silence', 'unmute', 'off']);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $state = $input->params->choice('state');
        $sounds = static fn (Part $part): bool => in_array(false, $part->notes->values('muted', $input->ids($part)), true);
        $muted = $state === 'on' || ($state === 'toggle' && array_filter($input->parts(), $sounds) !== []);
        foreach ($input->parts() as $part) {
            $ids = $input->ids($part);
            $builder->columns($part, $ids, ['muted' => array_fill(0, count($ids), $muted)]);
        }

        return new Outcome($builder->change(), $input->selection, Wording::notes($input->selection->count()).($muted ? ' muted.' : ' sounding.'));
    }
}
