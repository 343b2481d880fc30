<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Param;

use Jactonic\Core\Param\Position;
use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A place that is typed is the place that is said. */
final class PositionTest extends TestCase
{
    /** @return iterable<string, array{string, int}> at 960 ticks to the quarter; from bar 3 in 7/8 */
    public static function places(): iterable
    {
        yield 'a bar' => ['2', 3840];
        yield 'a beat' => ['2.3', 3840 + 1920];
        yield 'a sixteenth' => ['2.3.2', 3840 + 1920 + 240];
        yield 'hundredths' => ['2.3.2.50', 3840 + 1920 + 360];
        yield 'a beat of an eighth' => ['3.2', 7680 + 480];
        yield 'a sixteenth of it' => ['3.2.2', 7680 + 480 + 240];
        yield 'the first' => ['1.1.1', 0];
        yield 'nothing is below 1' => ['0.0.0', 0];
    }

    #[DataProvider('places')]
    public function test_a_place_is_read(string $text, int $tick): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [7680, 7, 8]]);
        self::assertSame($tick, (new Position($text))->tick($time));
    }

    public function test_what_is_said_is_read_again_to_a_hundredth_of_a_sixteenth(): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [7680, 7, 8]]);
        for ($tick = 0; $tick < 20_000; $tick += 7) {
            self::assertEqualsWithDelta($tick, (new Position($time->position($tick)))->tick($time), 2.5, $time->position($tick));
        }
    }

    public function test_a_bar_and_beat_stand_where_an_edit_takes_a_place(): void
    {
        $score = Make::score([[0, 240, 60]]);
        $moved = Make::after($score, 'move-to', ['tick' => '2.3.2']);
        self::assertSame([3840 + 1920 + 240], Make::starts($moved));
        foreach (['2.', '.2', '2.3.1.1.1', '1234567', '2,3', "2.3\n"] as $other) {
            try {
                Make::after($score, 'move-to', ['tick' => $other]);
                self::fail("“$other” was taken.");
            } catch (Refusal $refusal) {
                self::assertSame('tick', $refusal->parameter);
            }
        }
    }
}
