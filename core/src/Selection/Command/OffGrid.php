<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\SelectionSpec;

/** Notes off the lines of the grid. */
final class OffGrid extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes off the grid', words: ['loose', 'early and late'], ofPoints: 'Select the points off the grid');
    }

    protected static function filter(): array
    {
        return ['offGrid' => 1];
    }
}
