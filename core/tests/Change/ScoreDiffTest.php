<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Change;

use Jactonic\Core\Change\ScoreDiff;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** One state of a song out of any other, in sight and out of sight. */
final class ScoreDiffTest extends TestCase
{
    /** @return list<Score> states of one song, in any order of what was done */
    private static function states(int $seed): array
    {
        $batch = new Batch(Make::take($seed, 20));
        $states = [$batch->score];
        mt_srand($seed);
        for ($i = 0; $i < 14; $i++) {
            $part = array_rand($batch->score->parts ?: [1 => true]);
            $bar = ['unit' => 'bar', 'amount' => 1];
            $commands = [
                ['edit' => 'transpose', 'params' => ['semitones' => 1]], ['edit' => 'delete', 'pick' => ['pitch' => ['min' => 60, 'max' => 90]]], ['edit' => 'part-move', 'params' => ['steps' => mt_rand(1, 3), 'by' => $bar]],
                ['edit' => 'part-new', 'params' => ['from' => 3840, 'to' => 7680]], ['edit' => 'part-delete'], ['edit' => 'insert', 'params' => ['notes' => [['start' => mt_rand(0, 9999), 'length' => 99, 'pitch' => 50]]]],
                ['edit' => 'tempo-set', 'params' => ['tempo' => mt_rand(60, 180), 'at' => 960]], ['edit' => 'track-new'], ['edit' => 'song-rename', 'params' => ['name' => "Take $i"]], ['edit' => 'part-mute'],
            ];
            $command = $commands[mt_rand(0, 9)];
            if (! isset($batch->score->parts[$part]) && ! in_array($command['edit'], ['part-new', 'track-new', 'song-rename', 'tempo-set'], true)) {
                continue;
            }
            $on = match (true) {
                ! isset($batch->score->parts[$part]) => [],
                str_starts_with($command['edit'], 'part-') => ['parts' => [$part]],
                default => ['part' => $part, 'pick' => $command['pick'] ?? ['all' => true]],
            };
            unset($command['pick']);
            $batch->run($command + ['on' => $on]);
            $states[] = $batch->score;
        }

        return $states;
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            yield [$seed];
        }
    }

    /** In sight, to the last byte, and what is out of sight as it lies in its part. */
    private static function bytes(Score $score): string
    {
        $gone = [];
        foreach ($score->gone as $id => $part) {
            $gone[$id] = [$part->notes->bytes($part->head->origin), $part->points->bytes($part->head->origin)];
        }
        ksort($gone);

        return Make::bytes($score).serialize($gone);
    }

    #[DataProvider('seeds')]
    public function test_each_comes_out_of_each(int $seed): void
    {
        $states = self::states($seed);
        $latest = end($states);
        foreach ($states as $i => $from) {
            foreach ($states as $j => $to) {
                // From the state before: all parts that there ever were are there, empty where they are to come.
                $known = ScoreDiff::scores($latest, $from)->applyTo($latest);
                self::assertSame(Make::bytes($from), Make::bytes($known));
                $change = ScoreDiff::scores($known, $to);
                $after = $change->applyTo($known);
                $expected = ScoreDiff::scores($latest, $to)->applyTo($latest);
                self::assertSame(Make::bytes($to), Make::bytes($after), "$i to $j");
                self::assertSame(self::bytes($expected), self::bytes($after), "$i to $j, out of sight");
                self::assertSame(Make::bytes($known), Make::bytes($change->inverse()->applyTo($after)), "$i to $j and back");
                self::assertSame(self::bytes($known) === self::bytes($after), $change->isEmpty());
            }
        }
    }
}
