<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;

/**
 * Mutes notes or lets them sound. `toggle` treats them as one: while any of them sounds, all are muted; else all
 * sound again.
 */
final class Mute implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('mute', 'Mute notes', Family::Structure, 'Silences notes without taking them away.', [
            Param::choice('state', 'State', ['toggle', 'on', 'off'], 'toggle'),
        ], keeps: true, words: ['silence', 'unmute', 'off']);
    }

    public function apply(Work $work): Outcome
    {
        $draft = new Draft;
        $state = $work->params->choice('state');
        $notes = array_merge(...array_map($work->chosen(...), $work->parts()));
        $muted = $state === 'on' || ($state === 'toggle' && array_filter($notes, static fn (Note $n): bool => ! $n->muted) !== []);
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $draft->put($part, $note->withMuted($muted));
            }
        }

        return new Outcome($draft->change(), $work->selection, Say::notes(count($notes)).($muted ? ' muted.' : ' sounding.'));
    }
}
