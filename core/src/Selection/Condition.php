<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/**
 * Something that notes are asked for in a filter. Each is a class in the folder `Condition`; its name in camelCase is the
 * key of the filter.
 */
interface Condition
{
    public static function spec(): ConditionSpec;

    /** Whether a value is one that it takes. */
    public static function takes(mixed $value): bool;

    /**
     * The notes that meet it.
     *
     * @param  list<Note>  $notes  of the part, in order: those that the conditions before it left
     * @param  mixed  $value  one that it takes
     * @return list<Note>
     *
     * @throws Refusal where the part has not what it asks for
     */
    public static function filter(array $notes, mixed $value, FilterInput $input): array;
}
