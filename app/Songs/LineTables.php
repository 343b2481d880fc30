<?php

declare(strict_types=1);

namespace App\Songs;

use Jactonic\Core\Score\Part;
use Jactonic\Core\Time\Timeline;

/** The lines of the parts of a song: parts of one grid and swing share theirs. */
final class LineTables
{
    /** @var array<string, array<string, mixed>> */
    private array $tables = [];

    public function __construct(private readonly Timeline $time)
    {
    }

    /** The name of the part's table. */
    public function of(Part $part): string
    {
        $key = $part->settings()->grid->name.' '.$part->settings()->swing;
        $this->tables[$key] ??= self::table($part, $this->time);

        return $key;
    }

    public function all(): object
    {
        return (object) $this->tables;
    }

    /** @return array<string, mixed> */
    public static function table(Part $part, Timeline $time): array
    {
        return $time->lines($part->settings()->grid, $part->settings()->swing)->table();
    }
}
