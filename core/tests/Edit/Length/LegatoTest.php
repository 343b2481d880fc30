<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Length;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LegatoTest extends TestCase
{
    /** @return iterable<string, array{list<array{int, int, int}>, array<string, mixed>, list<int>, 3?: list<int>}> notes, parameters, ends, selected */
    public static function examples(): iterable
    {
        $line = [[0, 100, 60], [480, 900, 62], [1440, 100, 64]];
        yield 'gaps are filled, overlaps cut, the last ends with its bar' => [$line, [], [480, 1440, 3840]];
        yield 'fill leaves what is longer' => [[[0, 700, 60], [480, 100, 62], [1440, 100, 64]], ['mode' => 'fill'], [700, 1440, 3840]];
        yield 'shorten leaves what is shorter' => [[[0, 700, 60], [480, 100, 62], [1440, 100, 64]], ['mode' => 'shorten'], [480, 580, 1540]];
        yield 'the last is kept' => [$line, ['tail' => 'keep'], [480, 1440, 1540]];
        yield 'the last goes to the end of the part' => [[...$line, [2000, 3000, 40]], ['tail' => 'part'], [480, 1440, 5000, 5000], [1, 2, 3]];
        yield 'a gap is left' => [$line, ['gap' => 20], [460, 1420, 3840]];
        yield 'syncopation: each ends where the next begins, wherever that is' => [[[0, 60, 60], [360, 60, 60], [720, 60, 60], [1200, 60, 60]], ['tail' => 'keep'], [360, 720, 1200, 1260]];
        yield 'a strum is one chord, and each keeps its start' => [[[0, 90, 60], [20, 90, 64], [45, 90, 67], [960, 90, 62], [985, 90, 65]], [], [960, 960, 960, 3840, 3840]];
        yield 'the next chord begins with its first note, whichever pitch that has' => [[[0, 90, 60], [970, 90, 60], [960, 90, 72]], ['tail' => 'keep'], [960, 1060, 1050]];
        yield 'chords of unequal length end together' => [[[0, 300, 60], [0, 90, 64], [0, 1500, 67], [1920, 90, 60]], ['tail' => 'keep'], [1920, 1920, 1920, 2010]];
        yield 'repeated notes of one pitch' => [[[0, 500, 60], [240, 500, 60], [480, 500, 60]], ['tail' => 'keep'], [240, 480, 980]];
        yield 'voices between that are not selected do not count' => [[[0, 90, 72], [480, 90, 48], [960, 90, 72]], ['tail' => 'keep'], [960, 570, 1050], [1, 3]];
        yield 'a wider window gathers a slower roll' => [[[0, 90, 60], [100, 90, 64], [960, 90, 60]], ['gather' => 60, 'tail' => 'keep'], [960, 960, 1050]];
        yield 'without a window each note is by itself' => [[[0, 90, 60], [20, 90, 64], [960, 90, 60]], ['gather' => 0, 'tail' => 'keep'], [20, 960, 1050]];
        yield 'a last chord played before its bar fills the bar it is meant for' => [[[0, 90, 60], [3800, 90, 62]], [], [3800, 7680]];
    }

    /**
     * @param  list<array{int, int, int}>  $notes
     * @param  array<string, mixed>  $params
     * @param  list<int>  $ends
     * @param  list<int>|null  $chosen
     */
    #[DataProvider('examples')]
    public function test_each_chord_reaches_the_next(array $notes, array $params, array $ends, ?array $chosen = null): void
    {
        $after = Make::after(Make::score($notes), 'legato', $params, $chosen);

        self::assertSame($ends, array_map(static fn (int $s, int $l): int => $s + $l, Make::starts($after), Make::lengths($after)));
        self::assertSame(array_column($notes, 0), Make::starts($after));
    }

    public function test_where_a_gap_has_no_room_the_note_is_one_tick_and_it_says_so(): void
    {
        $outcome = Make::edit(Make::score([[0, 100, 60], [100, 100, 60]]), 'legato', ['gap' => 500, 'gather' => 0, 'tail' => 'keep']);

        self::assertSame(['1 note had no room for the gap and got 1 tick.'], $outcome->warnings);
    }

    public function test_among_chords_there_is_no_gap_and_no_overlap(): void
    {
        for ($seed = 1; $seed <= 1000; $seed++) {
            $score = Make::take($seed, 25);
            $after = Make::after($score, 'legato', ['tail' => 'keep']);
            $chords = Chords::of($after->part(1)->inOrder(), $after->time, $after->part(1));
            foreach (array_slice($chords, 0, -1) as $i => $chord) {
                foreach ($chord as $note) {
                    self::assertSame(Chords::start($chords[$i + 1]), $note->end());
                }
            }
            self::assertSame(Make::bytes($score), Make::bytes(Make::edit($score, 'legato', ['tail' => 'keep'])->change->inverse()->applyTo($after)));
        }
    }

    public function test_overlaps_are_cleared_at_the_next_chord_or_only_at_the_same_pitch(): void
    {
        $notes = [[0, 1000, 60], [10, 1000, 64], [480, 1000, 60], [960, 100, 67]];

        self::assertSame([480, 470, 480, 100], Make::lengths(Make::after(Make::score($notes), 'clear-overlaps')));
        self::assertSame([480, 1000, 1000, 100], Make::lengths(Make::after(Make::score($notes), 'clear-overlaps', ['scope' => 'pitch'])));
        self::assertSame([10, 470, 480, 100], Make::lengths(Make::after(Make::score($notes), 'clear-overlaps', ['gather' => 0])));
        self::assertSame([960, 1000, 1000, 100], Make::lengths(Make::after(Make::score($notes), 'clear-overlaps', [], [1, 4])), 'what is not selected does not cut');
    }

    public function test_after_clearing_nothing_sounds_into_a_later_chord_and_nothing_got_longer(): void
    {
        for ($seed = 1; $seed <= 500; $seed++) {
            $score = Make::take($seed, 25);
            $after = Make::after($score, 'clear-overlaps');
            $chords = Chords::of($after->part(1)->inOrder(), $after->time, $after->part(1));
            foreach (array_slice($chords, 0, -1) as $i => $chord) {
                self::assertLessThanOrEqual(Chords::start($chords[$i + 1]), max(array_map(static fn (Note $n): int => $n->end(), $chord)));
            }
            self::assertSame([], array_filter(array_map(static fn (int $a, int $b): bool => $a > $b, Make::lengths($after), Make::lengths($score))));
            self::assertTrue(Make::edit($after, 'clear-overlaps')->change->isEmpty());
        }
    }
}
