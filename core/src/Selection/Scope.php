<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

/** Among which notes a selection command looks. */
enum Scope
{
    /** All of each part. */
    case Part;

    /** From the selected notes; with none selected, from the caret. */
    case FromSelection;

    /** Among the selected notes; with none selected, among all. */
    case AmongSelection;

    /** From the selected notes to those beside them; with none selected anywhere, in the first part, from the caret. */
    case Walk;

    /** Whether a part in which nothing is selected has no say while notes are selected in another. */
    public function needsSelection(): bool
    {
        return $this !== self::Part;
    }
}
