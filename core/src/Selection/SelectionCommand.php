<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

/**
 * A way to select other notes of a part from those selected now; no note changes. Each is a class in the folder `Command`:
 * its name in kebab-case is the id.
 */
interface SelectionCommand
{
    public static function spec(): SelectionSpec;

    /** @return list<int> ids of the notes of the part that are selected then */
    public static function select(SelectionInput $input): array;
}
