<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;
use Jactonic\Core\Standard\GeneralMidi;

/** By whether it lies outside the scale; drums have none. */
final class OutOfScale implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('true or false', 'outside the scale', 'yes', true);
    }

    public static function takes(mixed $value): bool
    {
        return is_bool($value);
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        $scale = $input->part->ownSettings()->scale ?? $input->songScale ?? throw Refusal::parameter('pick.outOfScale', $value, 'only where the song or the part has a scale');

        return FilterInput::where($notes, static fn (Note $n): bool => ($n->channel !== GeneralMidi::DRUM_CHANNEL && ! $scale->holds($n->pitch)) === $value);
    }
}
