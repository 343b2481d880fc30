<?php

declare(strict_types=1);

namespace App\Editing;

/** A command built on a revision of the song that is no longer the latest. It carries what is needed to catch up. */
final class Stale extends \RuntimeException
{
    /**
     * @param  array<string, mixed>  $catchUp
     * @param  bool  $done  the very request was answered before: only the answer was lost
     * @param  array<string, mixed>|null  $answer  what it was answered then, beside what can be caught up with
     */
    public function __construct(public readonly array $catchUp, public readonly bool $done = false, public readonly ?array $answer = null)
    {
        parent::__construct($done ? 'That was done already; only the answer was lost.' : 'The song was changed elsewhere since; catch up and ask again. Nothing was changed.');
    }
}
