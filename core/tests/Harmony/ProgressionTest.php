<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Harmony;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Harmony\Degrees;
use Jactonic\Core\Harmony\Progression;
use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ProgressionTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<int>}> degree, scale, pitch classes */
    public static function degrees(): iterable
    {
        yield 'ii7 in C' => ['ii7', 'C major', [0, 2, 5, 9]];
        yield 'V7 in C' => ['V7', 'C major', [2, 5, 7, 11]];
        yield 'V7/V in C' => ['V7/V', 'C major', [0, 2, 6, 9]];
        yield 'V7/ii in C' => ['V7/ii', 'C major', [1, 4, 7, 9]];
        yield 'bVI in C' => ['bVI', 'C major', [0, 3, 8]];
        yield 'vii°7 in C' => ['vii°7', 'C major', [2, 5, 8, 11]];
        yield 'viiø7 in C' => ['viiø7', 'C major', [2, 5, 9, 11]];
        yield 'IVmaj7 in F' => ['IVmaj7', 'F major', [2, 5, 9, 10]];
        yield 'VI in C minor' => ['VI', 'C minor', [0, 3, 8]];
        yield 'imaj7 in A minor' => ['imaj7', 'A minor', [0, 4, 8, 9]];
        yield 'of a scale of five steps, as of major' => ['IV', 'C minor pentatonic', [0, 5, 9]];
    }

    /** @param  list<int>  $classes */
    #[DataProvider('degrees')]
    public function test_a_degree_is_a_chord_of_the_scale(string $degree, string $scale, array $classes): void
    {
        self::assertSame($classes, Degrees::parse($degree, Scale::parse($scale))->classes());
    }

    public function test_a_line_is_bars_of_chords(): void
    {
        self::assertSame([['Dm9'], ['G13'], ['Cmaj9'], ['Cmaj9']], Progression::parse('Dm9 | G13 | Cmaj9 | %')->bars);
        self::assertSame([['C', 'G/B'], ['Am7']], Progression::parse('| C G/B |  Am7 |')->bars);
        self::assertSame([['ii7'], ['V7'], ['I']], Progression::parse('ii7 V7 I')->bars);
        self::assertSame(['Gm7', 'C7', 'F'], array_map(static fn (array $bar): string => $bar[0]->name, Progression::parse('ii7 V7 I')->in(Scale::parse('F major'))));
    }

    /** @return iterable<string, array{string, string}> */
    public static function bad(): iterable
    {
        yield 'nothing' => ['  ', 'chords with |'];
        yield 'only strokes' => ['| |', 'chords with |'];
        yield 'an empty bar' => ['C | | G', 'Bar 2'];
        yield 'a repeat of nothing' => ['% | C', 'no chord before it'];
        yield 'a kind that is none' => ['C | Gxyz', 'xyz'];
        yield '10,000 bars' => [implode(' | ', array_fill(0, 10_000, 'C')), 'more than 2048'];
    }

    #[DataProvider('bad')]
    public function test_a_line_that_is_none_is_refused(string $line, string $said): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($said);
        Progression::parse($line);
    }

    public function test_voices_are_led_near_or_from_the_root_and_chords_share_a_bar_by_beats(): void
    {
        $score = Make::score([[20_000, 10, 60]]);
        $run = static fn (array $params): array => array_map(static fn ($n): array => [$n->start, $n->length, $n->pitch], array_slice(Make::after($score, 'insert-progression', $params + ['tick' => 0])->part(1)->inOrder(), 0, -1));

        self::assertSame([[0, 3840, 48], [0, 3840, 52], [0, 3840, 55], [3840, 3840, 55], [3840, 3840, 59], [3840, 3840, 62]], $run(['chords' => 'C | G', 'lead' => 'root']));
        $near = $run(['chords' => 'C | F | G | C', 'low' => 55]);
        for ($i = 3; $i < 12; $i++) {
            self::assertLessThanOrEqual(4, abs($near[$i][2] - $near[$i - 3][2]), 'no voice leaps');
        }
        // Three chords in four beats: two, one and one.
        self::assertSame([0, 1920, 2880, 3840], array_values(array_unique(array_column($run(['chords' => 'C F G | C']), 0))));
        // From the middle of a bar, to its end and on.
        self::assertSame([[1920, 1920], [3840, 3840]], array_values(array_unique(array_map(static fn (array $n): array => [$n[0], $n[1]], $run(['chords' => 'C | G', 'tick' => 1920])), SORT_REGULAR)));
    }

    public function test_degrees_want_a_scale_that_the_song_may_give(): void
    {
        $score = Make::score([[20_000, 10, 60]]);
        try {
            Make::edit($score, 'insert-progression', ['chords' => 'ii V I', 'tick' => 0]);
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertStringContainsString('There is no scale', $refusal->getMessage());
        }
        $with = Batch::once(['edit' => 'song-scale', 'params' => ['scale' => 'F major']], $score)->change->applyTo($score);
        self::assertSame('3 chords from 1.1.1: ii V I.', Make::edit($with, 'insert-progression', ['chords' => 'ii V I', 'tick' => 0])->said);
        self::assertSame(-1, $with->sharps(), 'and the song is spelled by it');
    }

    public function test_what_would_leave_the_keyboard_is_refused_whole(): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('would go beyond the highest or lowest pitch');
        Make::edit(Make::score([[0, 10, 60]]), 'insert-progression', ['chords' => 'C | B13', 'tick' => 0, 'low' => 108]);
    }

    public function test_a_chord_that_is_written_by_the_chord_line_is_typed_again(): void
    {
        foreach (['Dm9', 'G13', 'Cmaj9', 'F#m7b5', 'Bb6/9', 'A7#9', 'Eb+7', 'Gm9/C'] as $typed) {
            $score = Make::after(Make::score([[50_000, 10, 60]]), 'insert-chord', ['chord' => $typed, 'tick' => 0]);
            $text = Readings::read('chords', [], $score, new Selection([1 => []]))['text'];
            self::assertSame(Chord::parse($typed)->classes(), Chord::parse(is_string($text) ? $text : '')->classes(), $typed);
        }
    }
}
