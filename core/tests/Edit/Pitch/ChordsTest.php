<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Pitch;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Chords turned, opened and closed; phrases mirrored. */
final class ChordsTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>, list<int>, list<int>}> edit, parameters, pitches of one chord before and after */
    public static function chords(): iterable
    {
        yield 'turned up' => ['invert-chord', ['by' => 1], [60, 64, 67], [72, 64, 67]];
        yield 'turned up all the way' => ['invert-chord', ['by' => 3], [60, 64, 67], [72, 76, 79]];
        yield 'turned down' => ['invert-chord', ['by' => -1], [60, 64, 67], [60, 64, 55]];
        yield 'a single note turned' => ['invert-chord', [], [60], [72]];
        yield 'opened' => ['open-chord', ['by' => 1], [60, 64, 67, 71], [60, 64, 55, 71]];
        yield 'opened twice' => ['open-chord', ['by' => 2], [60, 64, 67, 71], [60, 52, 55, 71]];
        yield 'closed' => ['open-chord', ['by' => -1], [60, 52, 55, 71], [60, 64, 55, 71]];
        yield 'closed as far as it goes' => ['open-chord', ['by' => -9], [60, 52, 55, 71], [60, 64, 67, 71]];
        yield 'closed within an octave stays' => ['open-chord', ['by' => -1], [60, 64, 67], [60, 64, 67]];
        yield 'one note has nothing to open' => ['open-chord', ['by' => 1], [60], [60]];
        yield 'mirrored about its middle' => ['mirror', [], [60, 64, 67], [67, 63, 60]];
        yield 'mirrored about a pitch' => ['mirror', ['axis' => 'C4'], [60, 64, 67], [60, 56, 53]];
    }

    /**
     * @param  array<string, mixed>  $params
     * @param  list<int>  $before
     * @param  list<int>  $after
     */
    #[DataProvider('chords')]
    public function test_pitches_of_a_chord_are_turned(string $edit, array $params, array $before, array $after): void
    {
        // Strummed, and a chord of its own after it that is not selected.
        $notes = array_map(static fn (int $p, int $i): array => [$i * 10, 400, $p], $before, array_keys($before));
        $score = Make::score([...$notes, [1920, 400, 48]]);
        $outcome = Make::edit($score, $edit, $params, array_map(static fn (int $i): int => $i + 1, array_keys($before)));

        self::assertSame([...$after, 48], Make::pitches($outcome->change->applyTo($score)));
    }

    public function test_opened_and_closed_again_a_chord_is_as_it_was(): void
    {
        foreach ([[60, 64, 67, 71], [60, 62, 65, 67, 71], [60, 63, 67]] as $pitches) {
            $score = Make::score(array_map(static fn (int $p): array => [0, 400, $p], $pitches));
            $opened = Make::after($score, 'open-chord', ['by' => count($pitches) - 2]);
            self::assertSame($pitches, Make::pitches(Make::after($opened, 'open-chord', ['by' => 2 - count($pitches)])));
        }
    }

    public function test_with_nothing_chosen_it_is_the_chord_at_the_caret(): void
    {
        $score = Make::score([[0, 400, 60], [15, 400, 64], [1920, 400, 62], [1930, 400, 65]]);
        $command = ['edit' => 'invert-chord', 'on' => ['part' => 1, 'notes' => []], 'context' => ['caret' => 1900]];
        $outcome = Batch::once($command, $score);

        self::assertSame([60, 64, 74, 65], Make::pitches($outcome->change->applyTo($score)));
        self::assertSame('1 chord inverted up.', $outcome->said);
        self::assertSame([1 => [3, 4]], $outcome->selection->notes, 'and is selected');
        self::assertSame('There is no chord here: nothing changed.', Batch::once($command, Make::score([]))->said);
    }

    public function test_what_would_leave_the_keyboard_is_refused_whole(): void
    {
        $score = Make::score([[0, 9, 120], [0, 9, 3]]);
        foreach ([['invert-chord', ['by' => 12]], ['open-chord', ['by' => 1]], ['mirror', ['axis' => 127]]] as [$edit, $params]) {
            try {
                Make::edit($score, $edit, $params);
                self::fail("$edit was done");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('would go beyond the highest or lowest pitch: nothing changed.', $refusal->getMessage());
            }
        }
    }
}
