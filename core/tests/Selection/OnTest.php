<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\TargetReader;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How what a command works on is read: ids, and pairs for those that follow one another. */
final class OnTest extends TestCase
{
    /** @return iterable<string, array{list<mixed>, list<int>}> */
    public static function ids(): iterable
    {
        yield 'one by one' => [[3, 1, 2], [3, 1, 2]];
        yield 'a pair' => [[[4, 9]], range(4, 9)];
        yield 'a pair of one' => [[[4, 4]], [4]];
        yield 'both' => [[1, [4, 6], 9, [11, 12]], [1, 4, 5, 6, 9, 11, 12]];
        yield 'named twice' => [[5, [4, 6], [6, 7]], [5, 4, 6, 7]];
        yield 'all' => [[[1, 130]], range(1, 130)];
        yield 'many, but not all' => [[[1, 99], [101, 130]], [...range(1, 99), ...range(101, 130)]];
    }

    /**
     * @param  list<mixed>  $given
     * @param  list<int>  $ids
     */
    #[DataProvider('ids')]
    public function test_notes_are_named_by_ids_and_by_pairs(array $given, array $ids): void
    {
        $score = Make::take(1, 130);
        $on = TargetReader::read(['part' => 1, 'notes' => $given], $score);
        self::assertSame([1 => $ids], $on->notes);
        // In few words it is read back.
        self::assertEquals($on, TargetReader::read($on->toArray(true), $score));
        self::assertSame([['part' => 1, 'notes' => $ids]], $on->toArray());
    }

    public function test_so_are_the_points_of_a_lane(): void
    {
        $score = Make::take(1, 130);
        $lane = array_values(array_filter($score->part(1)->points->ids(), static fn (int $id): bool => $id % 3 === 1));
        self::assertSame([1 => ['cc:11' => $lane]], TargetReader::read(['part' => 1, 'lane' => 'cc:11', 'points' => $lane], $score)->points);
        $this->expectExceptionObject(new Refusal('“on.points” was 2; allowed: ids of points that are in the lane cc:11 of the part “Take”.'));
        TargetReader::read(['part' => 1, 'lane' => 'cc:11', 'points' => [[1, 60]]], $score);
    }

    public function test_many_points_are_looked_at_together(): void
    {
        $points = array_map(static fn (int $i): Point => new Point($i, $i, 0xB0, $i === 70 ? 1 : 11, 5), range(1, 90));
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'Part', [], $points)]);
        $on = TargetReader::read(['part' => 1, 'lane' => 'cc:11', 'points' => [[1, 69], [71, 90]]], $score);
        self::assertSame(89, $on->countPoints());
        foreach ([[[1, 90]], [[1, 69], [80, 91]]] as $wrong) {
            try {
                TargetReader::read(['part' => 1, 'lane' => 'cc:11', 'points' => $wrong], $score);
                self::fail();
            } catch (Refusal $refusal) {
                self::assertSame('on.points', $refusal->parameter);
            }
        }
    }

    /** @return iterable<string, array{mixed}> */
    public static function nonsense(): iterable
    {
        foreach (['a word' => 'all', 'a number' => 5, 'an object' => ['from' => 1], 'a word among them' => [1, 'two'], 'a pair the wrong way round' => [[9, 4]], 'three' => [[1, 2, 3]], 'half a pair' => [[1]],
            'a pair of words' => [['1', '2']], 'a fraction' => [[1, 2.5]], 'one that is not there' => [[100, 131]], 'more than there can be' => [[1, PHP_INT_MAX]], 'more than there can be, in pieces' => [[1, 600_000], [1, 600_000]]] as $name => $given) {
            yield $name => [$given];
        }
    }

    #[DataProvider('nonsense')]
    public function test_what_names_nothing_is_refused(mixed $given): void
    {
        try {
            TargetReader::read(['part' => 1, 'notes' => $given], Make::take(1, 130));
            self::fail();
        } catch (Refusal $refusal) {
            self::assertSame('on.notes', $refusal->parameter);
            self::assertMatchesRegularExpression('/^“on.notes” was .+; allowed: .+\.$/u', $refusal->getMessage());
        }
    }

    public function test_nothing_named_is_nothing_chosen(): void
    {
        self::assertEquals(new Selection([1 => []]), TargetReader::read(['part' => 1, 'notes' => []], Make::take(1)));
    }
}
