<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Demo\Drills;
use App\Demo\LanternFerry;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Keymap\Defaults;
use Jactonic\Core\Selection\TargetReader;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** The drills of the demo: each fault is there, its keys ship, and what they do mends it. */
final class DrillsTest extends TestCase
{
    /** @param  array{id: string, title: string, part: string, wrong: string, goal: string, pick: array<string, mixed>, keys: non-empty-list<string>, do: non-empty-list<array<string, mixed>>}  $drill */
    #[DataProvider('drills')]
    public function test_a_drill_has_its_fault_and_its_keys_mend_it(array $drill): void
    {
        $score = LanternFerry::song()->score;
        $part = array_values(array_filter($score->parts, static fn ($p): bool => $p->name === $drill['part']))[0]->id;
        $on = ['part' => $part, 'pick' => $drill['pick']];
        self::assertNotSame([], TargetReader::read($on, $score)->notes[$part] ?? [], 'the fault is there');
        $batch = new Batch($score);
        $batch->chosen = TargetReader::read(['part' => $part, 'notes' => []], $score);
        foreach ($drill['do'] as $command) {
            $batch->run($command);
        }
        self::assertSame([], TargetReader::read($on, $batch->score)->notes[$part] ?? [], 'and mended');
        $shipped = array_column(Defaults::keymap()->toArray(), 'keys');
        $strokes = array_merge(...array_map(static fn (string $k): array => explode(' ', $k), $shipped));
        self::assertSame([], array_diff($drill['keys'], $strokes), 'its keys ship');
    }

    /** @return iterable<string, array{array{id: string, title: string, part: string, wrong: string, goal: string, pick: array<string, mixed>, keys: non-empty-list<string>, do: non-empty-list<array<string, mixed>>}}> */
    public static function drills(): iterable
    {
        foreach (Drills::all() as $drill) {
            yield $drill['id'] => [$drill];
        }
    }

    public function test_they_are_told_with_their_keys_but_not_how_they_are_tested(): void
    {
        $this->getJson('/api/drills')->assertOk()->assertJsonCount(6)->assertJsonPath('0.keys', ['Mod+A', 'Q'])->assertJsonMissingPath('0.do');
    }
}
