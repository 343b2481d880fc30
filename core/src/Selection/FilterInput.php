<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Time\Timeline;

/** Where a filter looks: a part, its time, and the song's scale for a part that has none of its own. */
final readonly class FilterInput
{
    public function __construct(public Part $part, public Timeline $time, public ?Scale $songScale)
    {
    }

    /**
     * @param  list<Note>  $notes
     * @param  \Closure(Note): bool  $test
     * @return list<Note> those that pass
     */
    public static function where(array $notes, \Closure $test): array
    {
        return array_values(array_filter($notes, $test));
    }

    /**
     * @param  list<Note>  $notes
     * @param  array<int, mixed>  $ids  by id
     * @return list<Note> those that are among the ids, or those that are not
     */
    public static function among(array $notes, array $ids, bool $those = true): array
    {
        return self::where($notes, static fn (Note $n): bool => isset($ids[$n->id]) === $those);
    }
}
