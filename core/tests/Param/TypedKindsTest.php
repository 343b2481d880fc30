<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Param;

use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Position;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What each kind of parameter reads out of the first of some typed words, and what it leaves to others. */
final class TypedKindsTest extends TestCase
{
    /** @param  array{mixed, int}|null  $expected */
    #[DataProvider('typed')]
    public function test_a_kind_reads_what_is_its_own(Param $param, string $line, ?array $expected): void
    {
        $read = $param->kind->typed(explode(' ', $line));
        self::assertEquals($expected, $read);
        if ($read !== null && ! $read[0] instanceof Position) {
            $param->kind->read($read[0], $param->name);
        }
    }

    /** @return iterable<string, array{Param, string, array{mixed, int}|null}> */
    public static function typed(): iterable
    {
        $percent = Param::integer('strength', 'Strength', 0, 100, 0, '%');
        $ms = Param::number('timing', 'Timing', 0, 200, 10, 'ms');
        $plain = Param::integer('semitones', 'Semitones', -127, 127);
        yield 'a number' => [$plain, '-7 x', [-7, 1]];
        yield 'with the sign of print' => [$plain, '−7', [-7, 1]];
        yield 'no fraction of a whole number' => [$plain, '1.5', null];
        yield 'none out of range' => [$plain, '200', null];
        yield 'no percent where none is meant' => [$plain, '60%', null];
        yield 'percent' => [$percent, '60%', [60, 1]];
        yield 'percent apart' => [$percent, '60 % more', [60, 2]];
        yield 'milliseconds' => [$ms, '12,5ms', [12.5, 1]];
        yield 'another unit' => [$ms, '12%', null];
        yield 'a grid' => [Param::grid('grid', 'Grid'), '1/8T 60%', ['1/8T', 1]];
        yield 'no grid' => [Param::grid('grid', 'Grid'), '60%', null];
        yield 'a step' => [Param::step('by', 'By'), '3 bars later', [['unit' => 'bar', 'amount' => 3], 2]];
        yield 'a step in one word' => [Param::step('by', 'By'), '0.5ms', [['unit' => 'ms', 'amount' => 0.5], 1]];
        yield 'no step without a unit' => [Param::step('by', 'By'), '3', null];
        yield 'a chord' => [Param::chord('chord', 'Chord'), 'Gm9/C x', ['Gm9/C', 1]];
        yield 'one chord is no progression' => [Param::progression('chords', 'Chords'), 'Dm7', null];
        yield 'a scale of two words' => [Param::scale('scale', 'Scale'), 'D minor', ['D minor', 2]];
        yield 'a choice in any letters' => [Param::choice('mode', 'Mode', ['fill', 'both']), 'FILL up', ['fill', 1]];
        yield 'a place as it is said' => [Param::place('to', 'To'), '17.3', [new Position('17.3'), 1]];
        yield 'a place by its word' => [Param::place('to', 'To'), 'span-end', ['span-end', 1]];
        yield 'a pitch' => [Param::pitch('pitch', 'Pitch'), 'C2', ['C2', 1]];
        yield 'a track by its number' => [Param::track('track', 'Track'), '2 louder', [2, 1]];
        yield 'no part below 1' => [Param::part('part', 'Part'), '0', null];
        yield 'no half a part' => [Param::part('part', 'Part'), '1.5', null];
        yield 'a bare number is no pitch' => [Param::pitch('pitch', 'Pitch'), '60', null];
        yield 'a lane by its standard name' => [Param::lane('lane', 'Lane'), 'expression', ['cc:11', 1]];
        yield 'a fraction' => [Param::ratio('factor', 'Factor'), '2/3', ['2/3', 1]];
        yield 'a name takes all' => [Param::name('name', 'Name'), 'Landing stage', ['Landing stage', 2]];
        yield 'what nobody types' => [Param::flag('copy', 'Copy'), 'true', null];
    }
}
