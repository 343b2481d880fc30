<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Tempo;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** Tempo 120 from the start and 100 from bar 3, meter 4/4 and 3/4 from bar 2. */
final class TempoTest extends TestCase
{
    private static function song(): Score
    {
        return Make::score([[0, 960, 60]], [], Timeline::of(960, [[0, 500_000], [6720, 600_000]], [[0, 4, 4], [3840, 3, 4]]));
    }

    /**
     * @param  array<string, mixed>  $params
     * @return list<array{int, float}> tick and quarters a minute
     */
    private static function tempos(string $edit, array $params): array
    {
        $score = self::song();

        return array_map(static fn (array $t): array => [$t[0], round(60e6 / $t[1], 2)],
            Batch::once(['edit' => $edit, 'params' => $params], $score)->change->applyTo($score)->time->tempos->changes);
    }

    /**
     * @param  array<string, mixed>  $params
     * @return list<array{int, int, int}>
     */
    private static function meters(string $edit, array $params): array
    {
        $score = self::song();

        return Batch::once(['edit' => $edit, 'params' => $params], $score)->change->applyTo($score)->time->meters->toArray();
    }

    public function test_a_tempo_is_set_where_it_holds_or_begun_at_a_bar(): void
    {
        self::assertSame([[0, 90.0], [6720, 100.0]], self::tempos('tempo-set', ['tempo' => 90]));
        self::assertSame([[0, 120.0], [6720, 90.0]], self::tempos('tempo-set', ['tempo' => 90, 'at' => 99_999]));
        self::assertSame([[0, 120.0], [3840, 90.0], [6720, 100.0]], self::tempos('tempo-set', ['tempo' => 90, 'bar' => 2]));
        self::assertSame([[0, 120.0], [6720, 90.0]], self::tempos('tempo-set', ['tempo' => 90, 'bar' => 3]), 'the one that begins there is set');
    }

    public function test_a_tempo_is_moved_and_removed_but_not_the_first(): void
    {
        self::assertSame([[0, 120.0], [3840, 100.0]], self::tempos('tempo-move', ['at' => 6720, 'bar' => 2]));
        self::assertSame([[0, 100.0]], self::tempos('tempo-move', ['at' => 6720, 'bar' => 1]), 'one that began there gives way');
        self::assertSame([[0, 120.0]], self::tempos('tempo-remove', ['at' => 6720]));
        foreach ([['tempo-remove', ['at' => 0], '/start stays/'], ['tempo-remove', ['at' => 5], '/No tempo begins at 1\.1\.1\.02/'], ['tempo-move', ['at' => 0, 'bar' => 2], '/start stays/'], ['meter-remove', ['at' => 0], '/start stays/']] as [$edit, $params, $message]) {
            try {
                Batch::once(['edit' => $edit, 'params' => $params], self::song());
                self::fail($edit);
            } catch (Refusal $refusal) {
                self::assertMatchesRegularExpression($message, $refusal->getMessage());
            }
        }
    }

    public function test_a_tempo_is_tapped_and_a_pause_begins_anew(): void
    {
        self::assertSame(100.0, self::tempos('tempo-tap', ['taps' => [10, 10.6, 11.2, 11.8]])[0][1]);
        self::assertSame(150.0, self::tempos('tempo-tap', ['taps' => [0, 1, 5, 5.4, 5.8]])[0][1]);
        self::assertSame('It is like that already: nothing changed.', Batch::once(['edit' => 'tempo-tap', 'params' => ['taps' => [0, 9]]], self::song())->said);
    }

    public function test_meters_likewise(): void
    {
        self::assertSame([[0, 6, 8], [3840, 3, 4]], self::meters('meter-set', ['beats' => 6, 'unit' => '8']));
        self::assertSame([[0, 6, 8], [3840, 3, 4]], self::meters('meter-set', ['beats' => 6, 'unit' => 8]), 'as a number');
        self::assertSame([[0, 4, 4], [3840, 3, 4], [6720, 5, 8]], self::meters('meter-set', ['beats' => 5, 'unit' => '8', 'bar' => 3]));
        self::assertSame([[0, 4, 4], [6720, 3, 4]], self::meters('meter-move', ['at' => 3840, 'bar' => 3]));
        self::assertSame([[0, 4, 4]], self::meters('meter-remove', ['at' => 3840]));
    }

    public function test_notes_stay_at_their_ticks_and_the_sentence_says_where(): void
    {
        $outcome = Batch::once(['edit' => 'tempo-set', 'params' => ['tempo' => 87.5, 'bar' => 2]], self::song());

        self::assertSame('Tempo 87.5 from 2.1.1.', $outcome->said);
        self::assertSame([0], Make::starts($outcome->change->applyTo(self::song())));
    }

    public function test_a_file_whose_tempo_was_changed_and_changed_back_is_written_as_it_was(): void
    {
        $bytes = "MThd\0\0\0\6\0\1\0\2\0\x60"."MTrk\0\0\0\x1d\0\xff\x58\4\3\3\x18\x08\0\xff\x51\3\x09\x27\xc0\x60\xff\x51\3\x07\xa1\x20\0\xff\x2f\0"."MTrk\0\0\0\x0c\0\x90\x3c\x50\x60\x80\x3c\x40\0\xff\x2f\0";
        $bytes = substr_replace($bytes, pack('N', strlen("\0\xff\x58\4\3\3\x18\x08\0\xff\x51\3\x09\x27\xc0\x60\xff\x51\3\x07\xa1\x20\0\xff\x2f\0")), 18, 4);
        [$song] = Importer::import(Reader::read($bytes), 'song');
        $score = $song->score;
        $change = Batch::once(['edit' => 'tempo-remove', 'params' => ['at' => 960]], $score)->change;
        $changed = $song->withScore($change->applyTo($score));
        $back = $song->withScore($change->inverse()->applyTo($change->applyTo($score)));
        $write = static fn ($s): string => Writer::write(Exporter::export($s));

        self::assertNotSame($write($song), $write($changed));
        self::assertCount(1, Importer::import(Reader::read($write($changed)), 'song')[0]->score->time->tempoRows);
        self::assertSame($write($song), $write($back));
    }
}
