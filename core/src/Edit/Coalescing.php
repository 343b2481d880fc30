<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Change\Change;

/** An edit that may come in pieces, which are one step of the history together. */
interface Coalescing
{
    /**
     * The parameters of two pieces as one.
     *
     * @param  array<array-key, mixed>  $last  as the command before brought them
     * @param  array<array-key, mixed>  $next
     * @return array<array-key, mixed>|null null where the second does not belong to the first
     */
    public static function joined(array $last, array $next): ?array;

    /**
     * The sentence for all pieces so far.
     *
     * @param  array<array-key, mixed>  $params  joined
     */
    public static function sentence(Change $change, array $params): string;
}
