<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Step;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Timing, tempo, recording and scales exactly at an edge, one before it and one after. */
final class EdgesOfTimeTest extends TestCase
{
    public function test_a_marker_that_is_moved_onto_another_takes_its_place_and_no_third_goes(): void
    {
        $time = Timeline::of(960, [[0, 500_000]], [[0, 4, 4]], [[0, base64_encode('Quay'), 0, 0], [3840, base64_encode('Water'), 0, 0], [7680, base64_encode('Lights'), 0, 0]]);
        $score = Make::score([[0, 480, 60, 80]], time: $time);
        $outcome = Batch::once(['edit' => 'marker-move', 'params' => ['at' => 0, 'to' => 3840], 'on' => []], $score);
        self::assertSame([[3840, 'Quay'], [7680, 'Lights']], $outcome->change->applyTo($score)->time->markers());
    }

    /** @return iterable<string, array{list<float>, string}> taps in seconds, and the tempo */
    public static function taps(): iterable
    {
        // The first of ten is no longer counted: eight distances are.
        yield 'ten, the first far off' => [[0.0, 1.9, 2.4, 2.9, 3.4, 3.9, 4.4, 4.9, 5.4, 5.9], 'Tempo 120'];
        yield 'nine, all counted' => [[0.0, 0.9, 1.4, 1.9, 2.4, 2.9, 3.4, 3.9, 4.4], 'Tempo 109.1'];
        yield 'a pause begins anew' => [[0.0, 0.4, 2.41, 2.91], 'Tempo 120'];
        yield 'a pause of just so long does not' => [[0.0, 2.0], 'Tempo 30'];
    }

    /** @param  list<float>  $taps */
    #[DataProvider('taps')]
    public function test_the_tempo_of_taps(array $taps, string $said): void
    {
        $score = Make::score([[0, 480, 60, 80]]);
        self::assertStringStartsWith($said, Batch::once(['edit' => 'tempo-tap', 'params' => ['taps' => $taps], 'on' => []], $score)->said);
    }

    public function test_what_a_quantize_moved_is_told_of_what_moved(): void
    {
        // 960 ticks are 500 ms. The end of the first note goes much farther than its start.
        $score = Make::score([[24, 696, 60, 80]], ['grid' => '1/4']);
        $ends = Batch::once(['edit' => 'quantize', 'params' => ['target' => 'both'], 'on' => ['part' => 1, 'notes' => [1]]], $score);
        self::assertStringContainsString('125 ms at most', $ends->said);
        $starts = Batch::once(['edit' => 'quantize', 'params' => ['target' => 'starts'], 'on' => ['part' => 1, 'notes' => [1]]], $score);
        self::assertStringContainsString('13 ms at most', $starts->said);
    }

    public function test_a_step_of_a_note_value_says_how_often(): void
    {
        $step = Step::parse(['unit' => 'value', 'amount' => '1/16']);
        self::assertSame(['1/16', '2 × 1/16', '3 × 1/16'], [$step->words(1), $step->words(2), $step->words(3)]);
    }

    /** @return iterable<string, array{string, int}> a scale, and the sharps of its key */
    public static function keys(): iterable
    {
        yield 'five flats' => ['Db major', -5];
        yield 'five sharps' => ['B major', 5];
        yield 'six flats' => ['Gb major', -6];
        yield 'six sharps' => ['F# major', 6];
        yield 'seven flats, written so' => ['Cb major', -7];
        yield 'four sharps' => ['E major', 4];
        yield 'one flat' => ['F major', -1];
        yield 'none' => ['A minor', 0];
    }

    #[DataProvider('keys')]
    public function test_the_key_that_a_scale_is_spelled_with(string $scale, int $sharps): void
    {
        self::assertSame($sharps, Scale::parse($scale)->sharps());
    }

    public function test_degrees_are_counted_from_the_root(): void
    {
        foreach (['C major' => [60 => 35, 62 => 36, 61 => 35, 71 => 41], 'D dorian' => [62 => 35, 60 => 34, 50 => 28], 'B minor' => [59 => 28, 61 => 29, 71 => 35]] as $scale => $pitches) {
            foreach ($pitches as $pitch => $degree) {
                self::assertSame($degree, Scale::parse($scale)->degree($pitch), "$pitch in $scale");
                self::assertSame($pitch === 61 && $scale === 'C major' ? 60 : $pitch, Scale::parse($scale)->pitch($degree), "back: $pitch in $scale");
            }
        }
    }

    public function test_a_controller_played_as_a_take_begins_lies_at_its_first_tick(): void
    {
        $score = Make::score([[0, 480, 60, 80]]);
        $after = Batch::once(['edit' => 'insert-recording', 'params' => ['events' => [['at' => 0.0, 'kind' => 'controller', 'data' => [1, 5]]]], 'on' => ['part' => 1, 'notes' => []]], $score)->change->applyTo($score);
        self::assertSame([0], array_values(array_map(static fn ($p): int => $p->tick, $after->part(1)->points->all())));
    }

    /** @return iterable<string, array{float, float, list<array{int, int}>}> on and off in seconds; the notes, of a punch from 1920 to 3840 */
    public static function punched(): iterable
    {
        yield 'just where it begins' => [1.0, 1.5, [[1920, 960]]];
        yield 'a little early, meant for it' => [0.97, 1.5, [[1862, 1018]]];
        yield 'far before it' => [0.5, 1.5, []];
        yield 'just where it ends' => [2.0, 2.2, []];
        yield 'a tick before its end, cut there' => [1.999, 2.4, [[3838, 2]]];
    }

    /** @param  list<array{int, int}>  $notes */
    #[DataProvider('punched')]
    public function test_only_what_is_meant_for_the_punch_is_recorded(float $on, float $off, array $notes): void
    {
        $score = Make::score([]);
        $after = Batch::once(['edit' => 'insert-recording', 'params' => ['events' => [['on' => $on, 'off' => $off, 'pitch' => 60, 'velocity' => 80]], 'punchFrom' => 1920, 'punchTo' => 3840], 'on' => ['part' => 1, 'notes' => []]], $score)->change->applyTo($score);
        self::assertSame($notes, array_map(static fn (Note $n): array => [$n->start, $n->length], $after->part(1)->inOrder()));
    }

    public function test_chords_a_bar_begin_where_a_chord_begins_or_a_little_early(): void
    {
        $chord = static fn (int $at): array => [[$at, 1900, 60, 80], [$at, 1900, 64, 80], [$at, 1900, 67, 80]];
        $read = static fn (array $notes): mixed => Readings::read('chords', ['every' => 'bar'], $score = Make::score($notes), new Selection([1 => $score->part(1)->notes->ids()]))['chords'];
        $at = static fn (mixed $chords): array => array_map(static fn (array $c): array => [$c[0], $c[2]], is_array($chords) ? $chords : []);
        self::assertSame([[0, 'C'], [11_520, 'C']], $at($read([...$chord(0), ...$chord(11_520)])));
        self::assertSame([[0, 'C'], [11_520, 'C']], $at($read([...$chord(0), ...$chord(11_500)])));
    }
}
