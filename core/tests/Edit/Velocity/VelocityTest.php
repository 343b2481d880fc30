<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Velocity;

use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class VelocityTest extends TestCase
{
    public function test_an_amount_is_added_and_what_is_clipped_is_counted(): void
    {
        $score = Make::score([[0, 9, 60, 100], [0, 9, 61, 120], [0, 9, 62, 127]]);
        $outcome = Make::edit($score, 'velocity-add', ['amount' => 10]);

        self::assertSame([110, 127, 127], Make::velocities($outcome->change->applyTo($score)));
        self::assertSame(['2 notes clipped at 127, the rest carried.'], $outcome->warnings);
        self::assertSame([1, 1, 2], Make::velocities(Make::after($score, 'velocity-add', ['amount' => -125])));
    }

    /** @return iterable<string, array{list<array{string, array<string, mixed>}>}> chains of pushes that come to nothing */
    public static function pushes(): iterable
    {
        yield 'louder and softer' => [[['velocity-add', ['amount' => 50]], ['velocity-add', ['amount' => -50]]]];
        yield 'in small steps' => [[...array_fill(0, 30, ['velocity-add', ['amount' => 5]]), ...array_fill(0, 15, ['velocity-add', ['amount' => -10]])]];
        yield 'softer and louder' => [[['velocity-add', ['amount' => -126]], ['velocity-add', ['amount' => 126]]]];
        yield 'twice and half' => [[['velocity-scale', ['percent' => 400]], ['velocity-scale', ['percent' => 25]]]];
        yield 'spread and pulled together' => [[['velocity-compress', ['percent' => 400]], ['velocity-compress', ['percent' => 25]]]];
        yield 'by shares, rising and falling' => [[['velocity-ramp', ['from' => 200, 'to' => 200, 'mode' => 'scale']], ['velocity-ramp', ['from' => 50, 'to' => 50, 'mode' => 'scale']]]];
        yield 'and quantized on the way' => [[['velocity-add', ['amount' => 50]], ['quantize', []], ['mute', []], ['mute', []], ['velocity-add', ['amount' => -50]]]];
    }

    /** @param  list<array{string, array<string, mixed>}>  $edits */
    #[DataProvider('pushes')]
    public function test_what_is_pushed_past_the_limit_and_back_is_as_it_was(array $edits): void
    {
        $score = Make::score([[0, 9, 60, 100], [0, 9, 61, 60], [0, 9, 62, 4]]);
        foreach ($edits as [$edit, $params]) {
            $change = Make::edit($score, $edit, $params)->change;
            $after = $change->applyTo($score);
            self::assertSame(Make::bytes($score), Make::bytes($change->inverse()->applyTo($after)));
            $score = $after;
        }
        self::assertSame([100, 60, 4], Make::velocities($score));
        self::assertSame([0, 0, 0], $score->part(1)->notes->column('carryVelocity'));
    }

    public function test_a_velocity_given_outright_carries_nothing(): void
    {
        foreach ([['velocity-set', ['value' => 127], 77], ['velocity-even', [], 77], ['velocity-ramp', ['from' => 127, 'to' => 127], 77], ['velocity-default', [], 40], ['velocity-random', [], 0]] as [$edit, $params, $expected]) {
            $pushed = Make::after(Make::score([[0, 9, 60, 100], [0, 9, 61, 90]]), 'velocity-add', ['amount' => 60]);
            self::assertSame([33, 23], $pushed->part(1)->notes->column('carryVelocity'));
            $given = Make::after($pushed, $edit, $params);
            self::assertSame([0, 0], $given->part(1)->notes->column('carryVelocity'), $edit);
            if ($expected > 0) {
                self::assertSame([$expected, $expected], Make::velocities(Make::after($given, 'velocity-add', ['amount' => -50])), $edit);
            }
        }
    }

    public function test_all_are_set_to_one(): void
    {
        $outcome = Make::edit($score = Make::score([[0, 9, 60, 100], [0, 9, 61, 64]]), 'velocity-set', ['value' => 64]);

        self::assertSame([64, 64], Make::velocities($outcome->change->applyTo($score)));
        self::assertSame('2 notes at velocity 64.', $outcome->said);
        self::assertSame([1], array_keys($outcome->change->parts[1]->notes->after()), 'a note that was there already is not touched');
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<int>, list<int>, list<string>}> edit, parameters, before, after, warnings */
    public static function examples(): iterable
    {
        yield 'scaled, the relation kept' => ['velocity-scale', ['percent' => 50], [100, 61], [50, 31], []];
        yield 'scaled past the limit' => ['velocity-scale', ['percent' => 200], [100, 40], [127, 80], ['1 note clipped at 127, the rest carried.']];
        yield 'compressed toward their mean of 80' => ['velocity-compress', [], [100, 60], [90, 70], []];
        yield 'expanded from a value' => ['velocity-compress', ['value' => 90, 'percent' => 200], [100, 60, 20], [110, 30, 1], ['1 note clipped at 1, the rest carried.']];
        yield 'all the way to a value' => ['velocity-compress', ['value' => 80, 'percent' => 0], [100, 3], [80, 80], []];
        yield 'levelled' => ['velocity-even', [], [100, 61, 61], [74, 74, 74], []];
        yield 'to the pen' => ['velocity-default', [], [100, 61], [90, 90], []];
        // Notes stand at 0, 100 and 200.
        yield 'rising' => ['velocity-ramp', ['from' => 40, 'to' => 80], [1, 2, 3], [40, 60, 80], []];
        yield 'falling late, as shares' => ['velocity-ramp', ['from' => 100, 'to' => 50, 'curve' => 50, 'mode' => 'scale'], [80, 80, 80], [80, 70, 40], []];
        yield 'rising to nothing that there is' => ['velocity-ramp', ['from' => 100, 'to' => 0], [9, 9, 9], [100, 50, 1], ['1 note clipped at 1.']];
    }

    /**
     * @param  array<string, mixed>  $params
     * @param  list<int>  $before
     * @param  list<int>  $after
     * @param  list<string>  $warnings
     */
    #[DataProvider('examples')]
    public function test_velocities_are_shaped(string $edit, array $params, array $before, array $after, array $warnings): void
    {
        $score = Make::score(array_map(static fn (int $v, int $i): array => [100 * $i, 9, 60, $v], $before, array_keys($before)));
        $outcome = Make::edit($score, $edit, $params);

        self::assertSame($after, Make::velocities($outcome->change->applyTo($score)));
        self::assertSame($warnings, $outcome->warnings);
    }

    public function test_chance_goes_no_farther_than_it_may_and_a_seed_says_all(): void
    {
        $score = Make::take(3);
        $loose = Make::velocities(Make::after($score, 'velocity-random', ['amount' => 6, 'seed' => 5]));
        foreach (Make::velocities($score) as $i => $velocity) {
            self::assertLessThanOrEqual(6, abs($velocity - $loose[$i]));
        }
        self::assertSame($loose, Make::velocities(Make::after($score, 'velocity-random', ['amount' => 6, 'seed' => 5])));
        self::assertNotSame($loose, Make::velocities(Make::after($score, 'velocity-random', ['amount' => 6, 'seed' => 6])));
    }

    public function test_a_ramp_that_is_early_is_the_mirror_of_one_that_is_late(): void
    {
        $score = Make::score(array_map(static fn (int $i): array => [$i * 480, 240, 60, 64], range(0, 8)));
        $ramp = static fn (int $curve): array => Make::velocities(Make::after($score, 'velocity-ramp', ['from' => 20, 'to' => 120, 'curve' => $curve]));
        foreach ([25, 50, 100] as $curve) {
            $late = $ramp($curve);
            self::assertSame(array_map(static fn (int $v): int => 140 - $v, array_reverse($late)), $ramp(-$curve));
            self::assertLessThan(70, $late[4]);
        }
    }
}
