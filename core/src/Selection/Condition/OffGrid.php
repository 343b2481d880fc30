<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;

/** By how far it stands from the nearest line of the part’s grid. */
final class OffGrid implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('ticks, 1 or more', 'off grid, beats', 'beat', 20);
    }

    public static function takes(mixed $value): bool
    {
        return is_int($value) && $value >= 1;
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        $settings = $input->part->ownSettings() ?? throw Refusal::parameter('pick.offGrid', $value, 'only where the part has a grid, which a file has not');
        $lines = $input->time->lines($settings->grid, $settings->swing);

        return FilterInput::where($notes, static fn (Note $n): bool => abs($n->start - $lines->nearest($n->start)) >= $value);
    }
}
