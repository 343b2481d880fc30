<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Score\Part;

/** Finds one kind of what may want mending. To add one, write a class in this folder; Repairs finds it there. */
interface Finder
{
    /** What all of its kind are called together, a few words. */
    public static function title(): string;

    /** @return list<Found> in the part, in order of time */
    public function in(Part $part, EditInput $input): array;
}
