<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Part;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A copy of a part is what one hears of it: its window, what that hides, and its loop. A bar is 3840 ticks. */
final class CopiesOfPartsTest extends TestCase
{
    /** Eight quarters, the second to the sixth in the window; the last of these rings over its end. */
    private static function score(int $from = 960, int $to = 5760, ?PlaysAs $plays = null, string $grid = '1/16'): Score
    {
        $notes = array_map(static fn (int $i): Note => new Note($i + 1, $i * 960, $i === 5 ? 2000 : 480, 60 + $i, 80), range(0, 7));
        $head = PartHead::fresh(1, 'Line', $from, $to);
        $part = Part::of(1, 'Line', $notes, [], PartSettings::fromArray(['grid' => $grid]), $plays === null ? $head : $head->playing($plays));

        return new Score(Timeline::of(960, [[0, 500_000]], [[0, 4, 4]]), [1 => $part], [1 => new Track(1, 'Line', 0), 2 => new Track(2, 'Empty', 1)], 2, 3);
    }

    /** @return iterable<string, array{array<string, mixed>, int}> a command, and how far later the copy begins */
    public static function ways(): iterable
    {
        yield 'repeated' => [['edit' => 'part-repeat'], 4800];
        yield 'repeated by bars' => [['edit' => 'part-repeat', 'params' => ['every' => 'bars']], 7680];
        yield 'copied to the track below' => [['edit' => 'part-move', 'params' => ['tracks' => 1, 'copy' => true]], 0];
        yield 'copied later' => [['edit' => 'part-move', 'params' => ['steps' => 2, 'by' => ['unit' => 'bar', 'amount' => 1], 'copy' => true]], 7680];
        yield 'its track duplicated' => [['edit' => 'track-duplicate', 'on' => ['tracks' => [1]]], 0];
        yield 'copied and pasted' => [['edit' => 'part-insert', 'params' => ['clip' => Readings::read('part-clip', [], self::score(), new Selection(parts: [1])), 'at' => 9600, 'track' => 2]], 8640];
    }

    /** @param  array<string, mixed>  $command */
    #[DataProvider('ways')]
    public function test_it_has_the_window_of_its_original_and_hides_what_that_hides(array $command, int $later): void
    {
        $score = self::score();
        $outcome = Batch::once($command + ['on' => ['parts' => [1]]], $score);
        $after = $outcome->change->applyTo($score);
        $copy = $after->part($outcome->selection->parts[0]);

        self::assertSame([960 + $later, 5760 + $later], [$copy->head->from, $copy->head->to]);
        self::assertSame(array_map(static fn (int $start): int => $start + $later, $score->part(1)->notes->column('start')), $copy->notes->column('start'), 'all that it hides is there');
        self::assertSame(self::heard($score, 1, $later), self::heard($after, $copy->id));
        self::assertStringNotContainsString('now reaches', $outcome->said);
        self::assertSame([960, 5760], [$after->part(1)->head->from, $after->part(1)->head->to]);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($after)));
    }

    public function test_one_that_loops_is_repeated_where_its_loop_ends_and_loops_as_long(): void
    {
        // One bar, three and a half times over.
        $score = self::score(0, 3840, new PlaysAs(until: 13_440));
        $outcome = Batch::once(['edit' => 'part-repeat', 'on' => ['parts' => [1]], 'params' => ['times' => 2]], $score);
        $after = $outcome->change->applyTo($score);

        foreach ($outcome->selection->parts as $i => $id) {
            $later = ($i + 1) * 13_440;
            $head = $after->part($id)->head;
            self::assertSame([$later, $later + 3840, $later + 13_440], [$head->from, $head->to, $head->plays->until]);
            self::assertSame(self::heard($score, 1, $later), self::heard($after, $id));
        }
    }

    #[DataProvider('ends')]
    public function test_its_length_is_rounded_up_to_whole_cells(string $grid, int $to, int $every): void
    {
        $score = self::score(0, $to, null, $grid);
        $outcome = Batch::once(['edit' => 'part-repeat', 'on' => ['parts' => [1]]], $score);

        self::assertSame($every, $outcome->change->applyTo($score)->part($outcome->selection->parts[0])->head->from);
    }

    /** @return iterable<string, array{string, int, int}> */
    public static function ends(): iterable
    {
        yield 'on the grid' => ['1/16', 3840, 3840];
        yield 'a tick before a line' => ['1/16', 3839, 3840];
        yield 'a tick after it' => ['1/16', 3841, 4080];
        yield 'of a coarser grid' => ['1/4', 3841, 4800];
        yield 'of triplets' => ['1/8T', 1000, 1280];
        yield 'of bars, at a bar line' => ['2bar', 3840, 3840];
        yield 'of bars, off it' => ['2bar', 4000, 7680];
    }

    /** @return list<array{int, int, int}> start, length and pitch of what is heard of a part, so much later */
    private static function heard(Score $score, int $part, int $later = 0): array
    {
        return array_map(static fn (Note $n): array => [$n->start + $later, $n->length, $n->pitch], array_values(Sounding::notes($score->part($part), $score->time)));
    }
}
