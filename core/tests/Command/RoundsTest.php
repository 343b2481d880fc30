<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Command;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Command\Rounds;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

/** What is said of a command that is done several times over. */
final class RoundsTest extends TestCase
{
    public function test_what_the_first_time_did_is_told_where_the_second_did_nothing(): void
    {
        $score = Make::score([[0, 100, 60], [960, 100, 62]]);
        $deleted = Batch::once(['edit' => 'delete', 'on' => ['part' => 1, 'notes' => [1]], 'times' => 2], $score);
        self::assertSame('1 note deleted. 1 of 2 times nothing changed.', $deleted->said);
        self::assertSame([2], $deleted->change->applyTo($score)->part(1)->notes->ids());
        $none = Batch::once(['edit' => 'delete', 'on' => ['part' => 1, 'notes' => []], 'times' => 3], $score);
        self::assertSame('No notes are selected: nothing changed.', $none->said);
    }

    public function test_the_same_each_time_is_told_once_with_how_often(): void
    {
        $score = Make::score([[0, 100, 60]]);
        self::assertSame('1 note up a semitone, 4 times.', Batch::once(['edit' => 'transpose', 'params' => ['semitones' => 1], 'on' => ['part' => 1, 'notes' => [1]], 'times' => 4], $score)->said);
    }

    public function test_sentences_that_differ_are_all_told_and_of_many_the_first_and_the_last(): void
    {
        $score = Make::score([[37, 100, 60]]);
        $on = ['part' => 1, 'notes' => [1]];
        $once = Batch::once(['edit' => 'quantize', 'params' => ['strength' => 50], 'on' => $on], $score);
        $twice = Batch::once(['edit' => 'quantize', 'params' => ['strength' => 50], 'on' => $on, 'times' => 2], $score);
        self::assertStringStartsWith($once->said.' ', $twice->said);
        $many = Batch::once(['edit' => 'quantize', 'params' => ['strength' => 50], 'on' => $on, 'times' => 9], $score);
        self::assertStringStartsWith("First: $once->said Last, of 6 times: ", $many->said);
        self::assertStringEndsWith(' 3 of 9 times nothing changed.', $many->said);
    }

    public function test_a_warning_of_the_first_time_is_kept(): void
    {
        $score = Make::score([[0, 100, 60, 120], [0, 100, 64, 20]]);
        $on = ['part' => 1, 'pick' => ['all' => true]];
        $first = Batch::once(['edit' => 'velocity-add', 'params' => ['amount' => 20], 'on' => $on], $score);
        $outcome = Batch::once(['edit' => 'velocity-add', 'params' => ['amount' => 20], 'on' => $on, 'times' => 6], $score);
        self::assertNotSame([], $first->warnings);
        self::assertSame($first->warnings[0], $outcome->warnings[0]);
        self::assertSame($outcome->warnings, array_unique($outcome->warnings));
    }

    public function test_a_held_key_makes_the_sentence_longer_and_keeps_its_beginning(): void
    {
        self::assertSame('Up, 2 times.', Rounds::longer('Up.', 'Up.', 2));
        self::assertSame('Up, 3 times.', Rounds::longer('Up, 2 times.', 'Up.', 3));
        self::assertSame('First: Four moved. Last, of 2 times: Two moved.', Rounds::longer('Four moved.', 'Two moved.', 2));
        self::assertSame('Up, 2 times. “Take” now reaches to the end of bar 2.', Rounds::longer('Up.', 'Up. “Take” now reaches to the end of bar 2.', 2));
        self::assertSame('Up, 3 times. “Take” now reaches to the end of bar 2.', Rounds::longer('Up, 2 times. “Take” now reaches to the end of bar 2.', 'Up.', 3));
        self::assertSame('First: Four moved. Last, of 3 times: Four moved.', Rounds::longer('First: Four moved. Last, of 2 times: Two moved.', 'Four moved.', 3));
        self::assertSame('First: Four moved. Last, of 3 times: One moved.', Rounds::longer('First: Four moved. Last, of 2 times: Two moved.', 'One moved.', 3));
    }
}
