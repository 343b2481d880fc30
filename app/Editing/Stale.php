<?php

declare(strict_types=1);

namespace App\Editing;

/** A command built on a revision of the song that is no longer the latest. It carries what is needed to catch up. */
final class Stale extends \RuntimeException
{
    /** @param  array<string, mixed>  $catchUp */
    public function __construct(public readonly array $catchUp)
    {
        parent::__construct('The song was changed elsewhere since; catch up and ask again. Nothing was changed.');
    }
}
