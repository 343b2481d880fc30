<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Harmony;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ScaleTest extends TestCase
{
    public function test_it_is_read_as_it_is_typed_and_named_as_it_is_read(): void
    {
        $read = array_map(static fn (mixed $v): string => Scale::parse($v)->name, ['D dorian', 'bb MAJOR', 'F# harmonic  minor', 'E♭ natural minor', ['root' => 'A', 'kind' => 'blues'],
            ['root' => 'C', 'steps' => [0, 4, 7, 2]], 'C ionian', 'D 0 1 5']);
        self::assertSame(['D dorian', 'B♭ major', 'F♯ harmonic minor', 'E♭ minor', 'A blues', 'C 0 2 4 7', 'C major', 'D 0 1 5'], $read);
        foreach ($read as $name) {
            self::assertSame($name, Scale::parse($name)->name, 'its name is read back');
        }
        self::assertSame([0, 2, 4, 5, 7, 9, 11], Scale::parse('D dorian')->classes());
        self::assertSame([0, 2, 3, 5, 7, 9, 10], Scale::parse('Bb major')->classes());
    }

    /** @return iterable<array{mixed}> */
    public static function none(): iterable
    {
        yield from [['H major'], ['D'], ['D sideways'], [''], [7], [['root' => 'D']], [['root' => 'D', 'steps' => []]], [['root' => 'D', 'steps' => [1, 2]]], [['root' => 'Dx', 'kind' => 'major']], [['root' => 'D', 'steps' => [0, 12]]], ['D 1 2']];
    }

    #[DataProvider('none')]
    public function test_what_is_no_scale_is_refused(mixed $value): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('a scale such as D dorian');
        Scale::parse($value);
    }

    public function test_steps_go_by_the_scale_and_from_outside_onto_it_first(): void
    {
        $c = Scale::parse('C major');
        self::assertSame([62, 64, 65, 72], array_map(static fn (int $n): int => $c->stepped(60, $n), [1, 2, 3, 7]));
        self::assertSame([59, 57], [$c->stepped(60, -1), $c->stepped(60, -2)]);
        self::assertSame([62, 60], [$c->stepped(61, 1), $c->stepped(61, -1)]);
        self::assertSame([60, 62, 60], [$c->nearest(61), $c->nearest(61, 'up'), $c->nearest(61, 'down')]);
        self::assertSame(60, Scale::parse('C 0 6')->nearest(63), 'a tie goes down');
        // There and back by every step of every scale, from each of its notes.
        foreach (array_keys(Scale::KINDS) as $kind) {
            $scale = Scale::parse("E♭ $kind");
            for ($pitch = 40; $pitch < 64; $pitch++) {
                if ($scale->holds($pitch)) {
                    self::assertSame($pitch, $scale->stepped($scale->stepped($pitch, 5), -5));
                    self::assertSame($pitch + 12, $scale->stepped($pitch, count($scale->steps)), 'so many steps are an octave');
                }
            }
        }
    }

    public function test_chords_moved_in_a_scale_change_their_kind(): void
    {
        $score = Make::score([[0, 9, 60], [0, 9, 64], [0, 9, 67]], ['scale' => 'C major']);
        $outcome = Make::edit($score, 'step-in-scale', ['degrees' => 1]);
        self::assertSame([62, 65, 69], Make::pitches($outcome->change->applyTo($score)), 'D minor');
        self::assertSame('3 notes up a step of C major.', $outcome->said);
        self::assertSame([59, 62, 65], Make::pitches(Make::after($score, 'step-in-scale', ['degrees' => -1])), 'B diminished');
        self::assertSame([61, 66, 68], Make::pitches(Make::after($score, 'step-in-scale', ['degrees' => 1, 'scale' => 'E major'])), 'the scale that is said goes before the part’s');
    }

    public function test_wrong_notes_are_put_onto_it_and_a_third_of_it_is_doubled(): void
    {
        $score = Make::score([[0, 9, 61], [0, 9, 64], [0, 9, 66]], ['scale' => 'C major']);
        $fit = Make::edit($score, 'fit-to-scale');
        self::assertSame([60, 64, 65], Make::pitches($fit->change->applyTo($score)));
        self::assertSame('3 notes in C major: 2 moved.', $fit->said);
        $line = Make::score([[0, 9, 60], [0, 9, 62]], ['scale' => 'C major']);
        self::assertSame([60, 62, 64, 65], Make::pitches(Make::after($line, 'double-at', ['degrees' => 2])));
    }

    public function test_without_a_scale_and_beyond_the_keyboard_nothing_moves(): void
    {
        foreach ([[Make::score([[0, 9, 60]]), 'step-in-scale', [], 'There is no scale'], [Make::score([[0, 9, 60]]), 'fit-to-scale', [], 'There is no scale'], [Make::score([[0, 9, 60]]), 'double-at', ['degrees' => 2], 'There is no scale'],
            [Make::score([[0, 9, 60], [0, 9, 127]]), 'step-in-scale', ['scale' => 'C major'], 'G9 at 1.1.1 would go beyond the highest or lowest pitch'], [Make::score([[0, 9, 0]]), 'step-in-scale', ['scale' => 'C major', 'degrees' => -1], 'would go beyond']] as [$score, $edit, $params, $why]) {
            try {
                Make::edit($score, $edit, $params);
                self::fail("$edit was done");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($why, $refusal->getMessage());
            }
        }
    }
}
