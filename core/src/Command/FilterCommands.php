<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Selection\How;

/** What selects notes by a value that is typed. */
final class FilterCommands
{
    /** @return list<Command> */
    public static function all(): array
    {
        return [
            new Command(new Spec('select-pitch', 'Select notes by pitch', Family::Selection, 'Selects the notes above a pitch, below it, or at it; without one, of the caret’s row.', [
                Param::choice('side', 'Side', ['above', 'below', 'at'], 'at'),
                Param::pitch('pitch', 'Pitch', optional: true),
                Param::choice('how', 'How', array_column(How::cases(), 'value'), 'instead'),
            ], Requires::Part, ['higher', 'lower', 'over', 'under']), ['roll']),
        ];
    }
}
