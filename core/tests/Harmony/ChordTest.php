<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Harmony;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ChordTest extends TestCase
{
    /** @return iterable<string, array{string, list<int>}> kinds on C, written out by hand */
    public static function kinds(): iterable
    {
        $table = [
            '' => [0, 4, 7], 'm' => [0, 3, 7], 'min' => [0, 3, 7], '-' => [0, 3, 7], 'dim' => [0, 3, 6], '°' => [0, 3, 6], 'aug' => [0, 4, 8], '+' => [0, 4, 8], '5' => [0, 7],
            'sus2' => [0, 2, 7], 'sus4' => [0, 5, 7], 'sus' => [0, 5, 7], '6' => [0, 4, 7, 9], 'm6' => [0, 3, 7, 9], '6/9' => [0, 4, 7, 9, 14], '69' => [0, 4, 7, 9, 14],
            '7' => [0, 4, 7, 10], 'maj7' => [0, 4, 7, 11], 'M7' => [0, 4, 7, 11], 'Δ' => [0, 4, 7, 11], 'm7' => [0, 3, 7, 10], '-7' => [0, 3, 7, 10], 'mmaj7' => [0, 3, 7, 11],
            'm7b5' => [0, 3, 6, 10], 'ø' => [0, 3, 6, 10], 'ø7' => [0, 3, 6, 10], 'dim7' => [0, 3, 6, 9], '°7' => [0, 3, 6, 9], 'o7' => [0, 3, 6, 9], '+7' => [0, 4, 8, 10], '7sus4' => [0, 5, 7, 10],
            '9' => [0, 4, 7, 10, 14], 'maj9' => [0, 4, 7, 11, 14], 'm9' => [0, 3, 7, 10, 14], '11' => [0, 4, 7, 10, 14, 17], 'm11' => [0, 3, 7, 10, 14, 17], '13' => [0, 4, 7, 10, 14, 21], 'maj13' => [0, 4, 7, 11, 14, 21],
            '7b9' => [0, 4, 7, 10, 13], '7#9' => [0, 4, 7, 10, 15], '7#11' => [0, 4, 7, 10, 18], '7b13' => [0, 4, 7, 10, 20], '13b9' => [0, 4, 7, 10, 13, 21], '7(b9,#11)' => [0, 4, 7, 10, 13, 18], '7#5' => [0, 4, 8, 10],
            'add9' => [0, 4, 7, 14], 'madd9' => [0, 3, 7, 14], 'add2' => [0, 2, 4, 7], 'add11' => [0, 4, 7, 17], '7no5' => [0, 4, 10], 'no3' => [0, 7],
        ];
        foreach ($table as $kind => $intervals) {
            yield "C$kind" => ["C$kind", $intervals];
        }
    }

    /** @param  list<int>  $intervals */
    #[DataProvider('kinds')]
    public function test_a_kind_is_its_tones(string $typed, array $intervals): void
    {
        self::assertSame($intervals, Chord::parse($typed)->intervals);
        // On every root, with and without a bass, it is the same kind.
        foreach (['C#' => 1, 'Db' => 1, 'F♯' => 6, 'B♭' => 10, 'g' => 7] as $root => $class) {
            $chord = Chord::parse($root.substr($typed, 1).'/E');
            self::assertSame([$class, 4, $intervals], [$chord->root, $chord->bass, $chord->intervals]);
        }
    }

    public function test_what_is_no_chord_is_refused_with_the_place(): void
    {
        foreach ([['', 'a chord such as'], ['H7', 'a chord such as'], [7, 'a chord such as'], ['Cm7x', '“x” is not understood from letter 4 on'], ['C7/H', '“/H” is not understood from letter 3 on'], ['Bb7b4', 'from letter 4 on'], ['Cmaj8', '“8” is not']] as [$typed, $why]) {
            try {
                Chord::parse($typed);
                self::fail("$typed was taken");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($why, $refusal->getMessage());
            }
        }
    }

    public function test_it_lies_as_low_as_is_allowed_turned_and_over_its_bass(): void
    {
        self::assertSame([48, 52, 55], Chord::parse('C')->pitches(48));
        self::assertSame([59, 63, 66], Chord::parse('B')->pitches(48));
        self::assertSame([52, 55, 60], Chord::parse('C')->pitches(48, 1));
        self::assertSame([48, 55, 58, 62, 65, 69], Chord::parse('Gm9/C')->pitches(48));
        self::assertSame([52, 60, 64, 67], Chord::parse('C/E')->pitches(48));
    }

    public function test_it_is_put_in_at_the_caret_and_lasts_to_the_bar_line(): void
    {
        $score = Make::score([], ['grid' => '1/4', 'penVelocity' => 66]);
        $command = ['edit' => 'insert-chord', 'params' => ['chord' => 'Dm7'], 'on' => ['part' => 1, 'notes' => []], 'context' => ['caret' => 1920]];
        $outcome = Batch::once($command, $score);
        $after = $outcome->change->applyTo($score);

        self::assertSame([[50, 53, 57, 60], [1920, 1920, 1920, 1920], [1920, 1920, 1920, 1920], [66, 66, 66, 66]], [Make::pitches($after), Make::starts($after), Make::lengths($after), Make::velocities($after)]);
        self::assertSame('Dm7 at 1.3.1: D3 F3 A3 C4.', $outcome->said);
        self::assertSame(3840, $outcome->caret);
        $this->expectExceptionMessage('would go beyond the highest or lowest pitch');
        Make::edit($score, 'insert-chord', ['chord' => 'C13', 'tick' => 0, 'low' => 108, 'inversion' => 3]);
    }
}
