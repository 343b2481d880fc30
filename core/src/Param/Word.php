<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

/** A place by its word, not yet resolved. */
final readonly class Word
{
    public function __construct(public string $word)
    {
    }
}
