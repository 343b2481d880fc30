<?php

declare(strict_types=1);

namespace Tests\Console;

use App\Demo\LanternFerry;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\NoteFilter;
use Jactonic\Core\Selection\Selection;
use PHPUnit\Framework\TestCase;

/** Each take of the demo has the fault that its part of the work mends. */
final class LanternFerryTest extends TestCase
{
    private Score $score;

    protected function setUp(): void
    {
        $this->score = LanternFerry::song()->score;
    }

    private function part(string $name): Part
    {
        foreach ($this->score->parts as $part) {
            if ($part->name === $name) {
                return $part;
            }
        }
        self::fail("There is no part $name.");
    }

    /** @return list<float> how late each note is against its part's grid, in ms; below 0 is early */
    private function late(Part $part): array
    {
        $settings = $part->settings();
        self::assertNotNull($settings);
        $lines = $this->score->time->lines($settings->grid, $settings->swing);

        return array_map(fn (Note $n): float => $this->score->time->tempos->milliseconds($lines->nearest($n->start), $n->start), $part->inOrder());
    }

    public function test_it_has_32_bars_with_one_change_of_meter_and_one_of_tempo(): void
    {
        $time = $this->score->time;

        self::assertSame([[0, 4, 4], [16 * 3840, 3, 4]], $time->meters->toArray());
        self::assertCount(2, $time->tempos->toTable());
        self::assertSame('33.1.1', $time->position(16 * 3840 + 16 * 2880));
    }

    public function test_the_pianos_chords_are_strummed_short_and_one_note_is_doubled(): void
    {
        $piano = $this->part('Piano, quay');
        $chords = Chords::of($piano->inOrder(), $this->score->time, 80);
        $spreads = array_map(fn (array $c): int => max(array_map(static fn (Note $n): int => $n->start, $c)) - min(array_map(static fn (Note $n): int => $n->start, $c)), $chords);

        self::assertGreaterThan(10, array_sum($spreads) / count($spreads), 'a strum, in ticks');
        self::assertLessThan(480, max(array_map(static fn (Note $n): int => $n->length, $piano->notes->all())), 'none reaches the next chord');
        self::assertNotSame([], NoteFilter::parse(['overlapping' => true])->of($piano, $this->score->time), 'the doubled note');
    }

    public function test_the_bass_is_behind_the_beat(): void
    {
        $late = $this->late($this->part('Bass, quay'));

        self::assertGreaterThan(15, array_sum($late) / count($late));
    }

    public function test_the_vibraphone_plays_triplets_and_one_wrong_note(): void
    {
        $vibes = $this->part('Vibes, quay');
        $off = array_map(abs(...), $this->late($vibes));
        sort($off);

        self::assertSame('1/8T', $vibes->settings()->grid->name);
        self::assertLessThan(20, $off[intdiv(count($off), 2)], 'its grid fits');
        $pitches = array_count_values(array_map(static fn (Note $n): int => $n->pitch, $vibes->notes->all()));
        self::assertContains(1, $pitches, 'the wrong note is played once');
    }

    public function test_the_hats_are_uneven_and_the_pad_overlaps(): void
    {
        $hats = array_map(static fn (Note $n): int => $n->velocity, array_filter($this->part('Kit, quay')->notes->all(), static fn (Note $n): bool => $n->pitch === 42));
        self::assertGreaterThan(40, max($hats) - min($hats));
        $pad = $this->part('Pad, water');
        self::assertGreaterThan(10, count(NoteFilter::parse(['overlapping' => true])->of($pad, $this->score->time)));
    }

    public function test_it_is_the_same_each_time(): void
    {
        self::assertEquals(LanternFerry::song(), LanternFerry::song());
    }

    public function test_the_repairs_find_what_was_put_in_and_nothing_where_nothing_was(): void
    {
        $kinds = function (string $name): array {
            $found = Readings::read('repairs', [], $this->score, new Selection([$this->part($name)->id => []]))['found'];

            return array_count_values(array_column(is_array($found) ? $found : [], 'kind'));
        };

        self::assertSame(['doubled' => 2], $kinds('Piano, quay'));
        self::assertSame(['out-of-scale' => 1], $kinds('Vibes, quay'));
        self::assertSame(['overlapping'], array_keys($kinds('Pad, water')));
        // Uneven to its end, one stroke can hardly be heard.
        self::assertSame(['loudness' => 1], $kinds('Kit, water'));
        foreach (['Piano, water', 'Bass, quay', 'Bass, water', 'Vibes, water', 'Kit, quay'] as $clean) {
            self::assertSame([], $kinds($clean), $clean);
        }
    }
}
