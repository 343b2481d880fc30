<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Reading;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Twelve bars of chords and a line over them, played loosely and without a fault; then with one fault each. */
final class RepairsTest extends TestCase
{
    private const CHORDS = [[57, 60, 64, 65], [58, 62, 65, 69], [57, 60, 64, 67], [55, 58, 60, 64]];

    /** @return list<Note> */
    private static function clean(): array
    {
        mt_srand(7);
        $notes = [];
        $loose = static fn (int $tick): int => max(0, $tick + mt_rand(-20, 20));
        for ($bar = 0; $bar < 12; $bar++) {
            foreach ([0, 1920] as $beat) {
                foreach (self::CHORDS[$bar % 4] as $pitch) {
                    $notes[] = [$loose($bar * 3840 + $beat + 30), 1500, $pitch, 62 + mt_rand(-6, 6)];
                }
            }
            foreach ([0, 2, 1, 3, 2, 3] as $k => $tone) {
                $notes[] = [$loose($bar * 3840 + $k * 640 + 320), 300, self::CHORDS[$bar % 4][$tone] + 12, 78 + mt_rand(-6, 6)];
            }
        }
        usort($notes, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(static fn (array $n, int $i): Note => new Note($i + 1, $n[0], $n[1], $n[2], $n[3]), $notes, array_keys($notes));
    }

    /**
     * @param  list<Note>  $notes
     * @param  list<Point>  $points
     */
    private static function score(array $notes, array $points = []): Score
    {
        return new Score(Timeline::of(960), [1 => Part::of(1, 'Take', $notes, $points, PartSettings::fromArray(['scale' => 'F major']))], [1 => new Track(1, 'Piano', 0)], 2, 2);
    }

    /** @return array{found: list<array{kind: string, notes: list<int>, said: string, do: list<array<string, mixed>>}>, said: string} */
    private static function read(Score $score): array
    {
        /** @var array{found: list<array{kind: string, notes: list<int>, said: string, do: list<array<string, mixed>>}>, said: string} */
        return Readings::read('repairs', [], $score, new Selection([1 => []]));
    }

    public function test_on_twelve_bars_without_faults_it_finds_none(): void
    {
        self::assertSame([], array_column(self::read(self::score(self::clean()))['found'], 'said'));
        self::assertSame('No problems found.', self::read(self::score(self::clean()))['said']);
        self::assertSame('No problems found.', self::read(self::score([]))['said']);
    }

    /** @return iterable<string, array{string, \Closure(list<Note>): array{list<Note>, 1?: list<Point>}, int|null}> kind, the fault, and the note that has it */
    public static function faults(): iterable
    {
        $with = static fn (int $id, array $columns): \Closure => static fn (array $notes): array => [array_map(static fn (Note $n): Note => $n->id === $id ? $n->with($columns) : $n, $notes)];
        yield 'a key struck twice' => ['doubled', static fn (array $notes): array => [[...$notes, new Note(500, $notes[40]->start + 40, 300, $notes[40]->pitch, 30)]], 500];
        yield 'an overlap' => ['overlapping', static fn (array $notes): array => [array_map(static fn (Note $n): Note => $n->id === 1 ? $n->with(['length' => 2200]) : $n, $notes)], 1];
        yield 'a sliver' => ['sliver', static fn (array $notes): array => [[...$notes, new Note(500, 7000, 30, 76, 60)]], 500];
        yield 'never let go' => ['endless', static fn (array $notes): array => [array_map(static fn (Note $n): Note => $n->id === 100 ? new Note(100, $n->start, $n->length, $n->pitch, $n->velocity, Note::RELEASE_NONE) : $n, $notes)], 100];
        yield 'far too loud' => ['loudness', $with(60, ['velocity' => 127]), 60];
        yield 'far too soft' => ['loudness', $with(61, ['velocity' => 9]), 61];
        yield 'far too high' => ['octave', $with(80, ['pitch' => 110]), 80];
        yield 'outside the scale' => ['out-of-scale', static fn (array $notes): array => [[...$notes, new Note(500, 9000, 200, 75, 70)]], 500];
        yield 'late in its chord' => ['late', static fn (array $notes): array => [[...array_filter($notes, static fn (Note $n): bool => $n->start > 42_000 === false), new Note(501, 46_080, 900, 57, 62), new Note(502, 46_085, 900, 60, 62), new Note(503, 46_090, 900, 65, 62), new Note(500, 46_260, 900, 69, 62)]], 500];
        yield 'a pedal left down' => ['pedal', static fn (array $notes): array => [$notes, [new Point(1, 100, 0xB0, 64, 127), new Point(2, 900, 0xB0, 64, 0), new Point(3, 4000, 0xB0, 64, 127)]], null];
    }

    /** @param  \Closure(list<Note>): array{list<Note>, 1?: list<Point>}  $fault */
    #[DataProvider('faults')]
    public function test_a_fault_is_found_and_mended_and_nothing_else_is_touched(string $kind, \Closure $fault, ?int $note): void
    {
        [$notes, $points] = $fault(self::clean()) + [1 => []];
        $score = self::score(array_values($notes), $points);
        $found = self::read($score)['found'];

        self::assertSame([$kind], array_column($found, 'kind'), implode(' ', array_column($found, 'said')));
        if ($note !== null) {
            self::assertContains($note, $found[0]['notes']);
        }
        $batch = new Batch($score);
        foreach ($found[0]['do'] as $command) {
            $batch->run($command);
        }
        self::assertSame([], array_column(self::read($batch->score)['found'], 'said'), 'it is mended');
        self::assertSame(Make::bytes($score), Make::bytes($batch->change->inverse()->applyTo($batch->score)));
        foreach ($score->part(1)->notes as $id => $before) {
            if (! in_array($id, $found[0]['notes'], true)) {
                self::assertEquals($before, $batch->score->part(1)->notes[$id]);
            }
        }
    }

    public function test_the_octave_of_a_line_is_found(): void
    {
        $line = array_map(static fn (int $i): array => [$i * 480, 400, [48, 50, 52, 53, 55, 53, 52, 50][$i % 8] + ($i === 13 ? 12 : 0)], range(0, 23));
        $found = Readings::read('repairs', [], Make::score($line), new Selection([1 => []]))['found'];

        self::assertSame(['F4 at 2.3.3 is an octave high for its surroundings.'], array_column(is_array($found) ? $found : [], 'said'));
    }

    public function test_the_likeliest_scales_are_told_with_how_much_each_explains(): void
    {
        $notes = [];
        foreach ([60, 62, 64, 65, 67, 69, 71, 72, 67, 64, 60, 60] as $i => $pitch) {
            $notes[] = [$i * 480, 480, $pitch];
        }
        $read = Readings::read('key', [], Make::score([...$notes, [6000, 120, 66]]), new Selection([1 => []]));

        self::assertSame('C major', $read['scales'][0]['scale'] ?? null);
        self::assertEqualsWithDelta(1 - 120 / (12 * 480 + 120), $read['scales'][0]['share'] ?? 0, 0.0001);
        self::assertStringContainsString('C major is likeliest: it explains 98 %', is_string($read['said']) ? $read['said'] : '');
        self::assertSame([], Readings::read('key', [], Make::score([]), new Selection([1 => []]))['scales']);
    }
}
