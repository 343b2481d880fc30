<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Param;

use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A track or a part of the song as a parameter. */
final class ThingIdTest extends TestCase
{
    public function test_it_is_a_number_from_1(): void
    {
        self::assertSame(1, Param::track('track', 'To the track')->read(1));
        self::assertSame(PHP_INT_MAX, Param::part('part', 'To the part')->read(PHP_INT_MAX));
        self::assertSame('part', Param::part('part', 'To the part')->kind->field());
    }

    #[TestWith([0])]
    #[TestWith(['Bass'])]
    #[TestWith([1.0])]
    public function test_what_is_none_is_refused_for_the_screen_and_for_who_writes_commands(mixed $value): void
    {
        try {
            Param::track('track', 'To the track')->read($value);
            self::fail('It was read.');
        } catch (Refusal $refusal) {
            self::assertStringContainsString('allowed: the number of a track of the song, from 1', $refusal->getMessage());
            self::assertSame('To the track: a name of the list.', $refusal->screen());
        }
    }
}
