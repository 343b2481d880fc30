<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\Conditions;
use Jactonic\Core\Selection\NoteFilter;
use Jactonic\Core\Selection\SelectionCommands;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** To add a condition or a selection command is to add a class: it is found, told, and can be used. */
final class ConditionsTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function conditions(): iterable
    {
        foreach (Conditions::classes() as $key => $_) {
            yield $key => [$key];
        }
    }

    #[DataProvider('conditions')]
    public function test_the_field_of_a_condition_begins_with_a_value_that_it_takes(string $key): void
    {
        $spec = Conditions::classes()[$key]::spec();
        self::assertNotSame('', $spec->title);
        self::assertSame($spec->field === 'choice', $spec->choices !== []);
        foreach ([$spec->first, ...array_column($spec->choices, 1)] as $value) {
            NoteFilter::parse([$key => $value])->of(Make::take(3)->part(1), Make::take(3)->time, \Jactonic\Core\Harmony\Scale::parse('C major'));
            self::assertTrue(Conditions::classes()[$key]::takes($value));
        }
    }

    #[DataProvider('conditions')]
    public function test_a_wrong_value_is_refused_with_what_is_allowed(string $key): void
    {
        foreach (['no', -1.5, null, [], ['min' => 'a'], ['nth' => 0]] as $wrong) {
            try {
                NoteFilter::parse([$key => $wrong]);
                self::fail("$key took ".json_encode($wrong));
            } catch (Refusal $refusal) {
                self::assertSame("pick.$key", $refusal->parameter);
                self::assertStringContainsString(Conditions::classes()[$key]::spec()->allowed, $refusal->getMessage());
            }
        }
    }

    public function test_keys_are_exact_and_a_base_class_is_none(): void
    {
        self::assertNull(Conditions::find('Pitch'));
        self::assertNull(Conditions::find('inRange'));
        self::assertNull(Conditions::find('../Pitch'));
        self::assertSame(['all', ...array_keys(Conditions::classes()), 'not', 'and', 'or'], array_keys(Conditions::allowed()));
        self::assertFalse(SelectionCommands::has('by-filter'));
        self::assertFalse(SelectionCommands::has('All'));
        self::assertTrue(SelectionCommands::has('grow-next'));
    }

    public function test_what_is_counted_is_counted_last_wherever_it_stands(): void
    {
        $score = Make::score([[0, 240, 60], [480, 240, 72], [960, 240, 61], [1440, 240, 74]]);
        $found = static fn (array $pick): array => NoteFilter::parse($pick)->of($score->part(1), $score->time);
        self::assertSame([1], $found(['pitch' => ['max' => 70], 'every' => ['nth' => 2]]));
        self::assertSame([1], $found(['every' => ['nth' => 2], 'pitch' => ['max' => 70]]));
        self::assertSame([3], $found(['every' => ['nth' => 2, 'from' => 2], 'not' => ['pitch' => ['min' => 70]]]));
    }
}
