<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Command;

use Jactonic\Core\Command\Commands;
use Jactonic\Core\Command\Typed;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A line of text read as commands, from their specs alone. */
final class TypedTest extends TestCase
{
    /** @param  array<string, mixed>  $params */
    #[DataProvider('lines')]
    public function test_a_line_is_read_as_the_command_that_it_means(string $line, string $command, array $params, string $context = 'roll'): void
    {
        $read = Typed::read($line, $context, Timeline::of(960, [], [[0, 4, 4], [15_360, 3, 4]]));
        self::assertSame('', $read['stopped']);
        self::assertSame($command, $read['found'][0]['command'] ?? null);
        $found = $read['found'][0]['params'] ?? [];
        ksort($params);
        ksort($found);
        self::assertSame($params, $found);
        Commands::check($command, $found);
    }

    /** @return iterable<string, array{0: string, 1: string, 2: array<string, mixed>, 3?: string}> */
    public static function lines(): iterable
    {
        $lines = [
            ['transpose -7', 'transpose', ['semitones' => -7]],
            ['Transpose −7', 'transpose', ['semitones' => -7]],
            ['transpose octave up', 'transpose', ['semitones' => 12]],
            ['octave up', 'transpose', ['semitones' => 12]],
            ['up octave', 'transpose', ['semitones' => 12]],
            ['velocity +12', 'velocity-add', ['amount' => 12]],
            ['velocity 72', 'velocity-set', ['value' => 72]],
            ['velocity to 72 50%', 'velocity-compress', ['value' => 72, 'percent' => 50.0]],
            ['velocity 50 % to 72', 'velocity-compress', ['value' => 72, 'percent' => 50.0]],
            ['nudge 12 ms later', 'nudge', ['steps' => 1, 'by' => ['unit' => 'ms', 'amount' => 12]]],
            ['select above C4', 'select-pitch', ['side' => 'above', 'pitch' => 'C4']],
            ['select notes below F#3', 'select-pitch', ['side' => 'below', 'pitch' => 'F#3']],
            ['select at bb1', 'select-pitch', ['side' => 'at', 'pitch' => 'bb1']],
            ['nudge earlier 12ms', 'nudge', ['steps' => -1, 'by' => ['unit' => 'ms', 'amount' => 12]]],
            ['quantize 1/8T 60%', 'quantize', ['grid' => '1/8T', 'strength' => 60]],
            ['quantize 60% 1/8T', 'quantize', ['grid' => '1/8T', 'strength' => 60]],
            ['split 3', 'split', ['into' => 3]],
            ['ramp 40 110', 'velocity-ramp', ['from' => 40, 'to' => 110]],
            ['chord Gm9/C', 'insert-chord', ['chord' => 'Gm9/C']],
            ['progression Dm7 G7 | C', 'insert-progression', ['chords' => 'Dm7 G7 | C']],
            ['tempo 92', 'tempo-set', ['tempo' => 92.0]],
            ['go 5.2', 'go', ['to' => 15_360 + 960]],
            ['go 17.3', 'go', ['to' => 15_360 + 12 * 2880 + 1920]],
            ['grid 1/16', 'set', ['grid' => '1/16']],
            ['swing 58', 'set', ['swing' => 58.0]],
            ['length 1/8', 'set-length', ['value' => '1/8']],
            ['marker Landing stage', 'marker-set', ['name' => 'Landing stage']],
            ['key D minor', 'song-scale', ['scale' => 'D minor'], 'song'],
            ['pan 30', 'track-level', ['pan' => 30], 'song'],
            ['volume 90', 'track-level', ['volume' => 90], 'song'],
            ['new track drums', 'track-new', ['drums' => true]],
            ['scale D dorian', 'song-scale', ['scale' => 'D dorian']],
            ['articulation plucked', 'articulate', ['name' => 'plucked']],
        ];
        foreach ($lines as $line) {
            yield $line[0] => $line;
        }
    }

    public function test_every_example_that_is_shown_means_something_with_its_values(): void
    {
        $count = 0;
        foreach (Typed::EXAMPLES as $context => $lines) {
            foreach ($lines as $line) {
                $read = Typed::read($line, $context, Timeline::of(960));
                self::assertNotSame([], $read['found'][0]['params'] ?? [], "$context: $line");
                Commands::check($read['found'][0]['command'], $read['found'][0]['params']);
                $count++;
            }
        }
        self::assertGreaterThan(15, $count);
    }

    public function test_what_can_be_read_two_ways_gives_both_the_likelier_first(): void
    {
        $commands = static fn (string $line): array => array_column(Typed::read($line, 'roll')['found'], 'command');
        self::assertSame(['velocity-set', 'velocity-add'], array_slice($commands('velocity 72'), 0, 2));
        self::assertSame(['velocity-add', 'velocity-set'], array_slice($commands('velocity +72'), 0, 2));
    }

    #[DataProvider('nothing')]
    public function test_what_means_nothing_says_where_it_stopped(string $line, string $said): void
    {
        $read = Typed::read($line, 'roll');
        self::assertSame([], $read['found']);
        self::assertSame($said, $read['stopped']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function nothing(): iterable
    {
        yield 'no command' => ['xyzzy 3', 'No command begins with “xyzzy”.'];
        yield 'no value of its' => ['transpose banana', '“Transpose” cannot use “banana”.'];
        yield 'out of range' => ['quantize 160%', '“Quantize” cannot use “160%”.'];
        yield 'a chord that is none' => ['chord Hz9', '“Chord by name” cannot use “Hz9”.'];
        yield 'empty' => ['   ', ''];
        yield 'what only a gesture asks for, with many numbers' => ['overdub 1 1 1 1 1 1 1 1 1 1', 'No command begins with “overdub”.'];
        yield 'very long' => [str_repeat('word ', 30), 'A line is at most 24 words long.'];
    }

    public function test_a_command_is_read_only_where_it_can_be_asked_for(): void
    {
        self::assertContains('part-split', array_column(Typed::read('split 3', 'song')['found'], 'command'));
        self::assertNotContains('part-split', array_column(Typed::read('split 3', 'roll')['found'], 'command'));
        self::assertSame([], Typed::read('quantize 1/8', 'songs')['found']);
    }
}
