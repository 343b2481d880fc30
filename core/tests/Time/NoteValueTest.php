<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Time;

use Jactonic\Core\Time\NoteValue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NoteValueTest extends TestCase
{
    /** @return iterable<string, array{int, string}> at 960 ticks to the quarter */
    public static function lengths(): iterable
    {
        yield 'a sixteenth' => [240, '1/16'];
        yield 'a tick less' => [239, '0.25 beats'];
        yield 'a tick more' => [241, '0.25 beats'];
        yield 'a triplet eighth' => [320, '1/8T'];
        yield 'a dotted quarter' => [1440, '1/4D'];
        yield 'a whole note' => [3840, '1/1'];
        yield 'the shortest' => [30, '1/128'];
        yield 'one beat and a little' => [964, '1.00 beat'];
        yield 'nought' => [0, '0.00 beats'];
        yield 'next to nothing' => [4, 'under 0.01 beats'];
        yield 'just enough' => [5, '0.01 beats'];
    }

    #[DataProvider('lengths')]
    public function test_a_length_is_a_note_value_where_it_is_one(int $ticks, string $words): void
    {
        self::assertSame($words, NoteValue::words($ticks, 960));
    }
}
