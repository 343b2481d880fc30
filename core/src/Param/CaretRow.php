<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

/** A pitch by its place: the row on which the caret stands when the command is given. */
final readonly class CaretRow
{
    public const WORD = 'caret';
}
