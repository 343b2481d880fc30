<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Keymap\Defaults;
use Jactonic\Core\Param\CurvesValue;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\TargetReader;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What holds for every edit of the catalogue, whichever it is: on takes of a seeded player, with the examples of its spec. */
final class EveryEditTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>, int}> */
    public static function edits(): iterable
    {
        foreach (Catalogue::specs() as $spec) {
            foreach ($spec->examples as $i => $params) {
                foreach ([1, 2, 3] as $seed) {
                    yield "$spec->id $i, take $seed" => [$spec->id, $params, $seed];
                }
            }
        }
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('edits')]
    public function test_undone_it_gives_back_the_score_to_the_last_byte(string $id, array $params, int $seed): void
    {
        $score = Make::take($seed);
        $before = Make::bytes($score);
        $change = Make::edit($score, $id, $params)->change;
        $after = $change->applyTo($score);

        self::assertFalse($change->isEmpty(), 'the example changes something');
        self::assertNotSame($before, Make::bytes($after));
        self::assertSame($before, Make::bytes($change->inverse()->applyTo($after)));
        self::assertSame(Make::bytes($after), Make::bytes($change->inverse()->inverse()->applyTo($score)));
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('edits')]
    public function test_its_change_is_kept_as_json_both_ways(string $id, array $params, int $seed): void
    {
        $score = Make::take($seed);
        $change = Make::edit($score, $id, $params)->change;
        $after = $change->applyTo($score);
        $json = ChangeCodec::encode($change);

        self::assertSame(array_keys($change->parts), ChangeCodec::parts($json));
        self::assertSame(Make::bytes($after), Make::bytes(ChangeCodec::decode($json, $score, false)->applyTo($score)));
        self::assertSame(Make::bytes($score), Make::bytes(ChangeCodec::decode($json, $after, true)->inverse()->applyTo($after)));
    }

    /** @return iterable<string, array{string, array<string, mixed>, AppliesTo}> */
    public static function editsByWhatTheyTake(): iterable
    {
        foreach (Catalogue::specs() as $spec) {
            // Some do nothing to a take that is one part from the song's start: those have tests of their own.
            foreach ($spec->examples === [] ? [] : $spec->takes as $takes) {
                yield "$spec->id on $takes->value" => [$spec->id, $spec->examples[0], $takes];
            }
        }
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('editsByWhatTheyTake')]
    public function test_on_each_kind_that_it_takes_it_does_something_that_is_undone(string $id, array $params, AppliesTo $takes): void
    {
        $score = Make::take(1);
        $outcome = Batch::once(['edit' => $id, 'params' => $params, 'on' => Make::on($takes, $score)], $score);
        $after = $outcome->change->applyTo($score);

        self::assertNotSame(Make::bytes($score), Make::bytes($after), $outcome->said);
        self::assertSame(Make::bytes($score), Make::bytes(ChangeCodec::decode(ChangeCodec::encode($outcome->change), $after, true)->inverse()->applyTo($after)));
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('edits')]
    public function test_the_same_input_gives_the_same_change(string $id, array $params, int $seed): void
    {
        self::assertEquals(Make::edit(Make::take($seed), $id, $params), Make::edit(Make::take($seed), $id, $params));
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('edits')]
    public function test_it_speaks_and_leaves_notes_in_their_ranges(string $id, array $params, int $seed): void
    {
        $score = Make::take($seed);
        $outcome = Make::edit($score, $id, $params);

        self::assertMatchesRegularExpression('/^.*\p{L}.*\.$/u', $outcome->said);
        foreach ($outcome->change->applyTo($score)->parts[1]->notes ?? [] as $note) {
            self::assertGreaterThanOrEqual(0, $note->start);
            self::assertGreaterThanOrEqual(1, $note->length);
            self::assertTrue($note->pitch >= 0 && $note->pitch <= 127 && $note->velocity >= 1 && $note->velocity <= 127);
        }
        foreach ($outcome->selection->notes as $part => $ids) {
            self::assertSame([], array_diff($ids, array_keys($outcome->change->applyTo($score)->part($part)->notes->all())), 'the new selection is there');
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, AppliesTo}> */
    public static function editsThatKeepTheSelection(): iterable
    {
        $bound = [];
        foreach (Defaults::keymap()->bindings as $binding) {
            $bound[$binding->command][] = $binding->params;
        }
        foreach (Catalogue::specs() as $spec) {
            foreach ([...$spec->examples, ...array_column($spec->forms, 'params'), ...$bound[$spec->id] ?? []] as $i => $params) {
                foreach ($spec->keepsSelection($params) ? $spec->takes : [] as $takes) {
                    yield "$spec->id on $takes->value, $i: ".json_encode($params, JSON_THROW_ON_ERROR) => [$spec->id, $params, $takes];
                }
            }
        }
    }

    /**
     * What is typed after such an edit is sent with what was selected before it.
     *
     * @param  array<string, mixed>  $params
     */
    #[DataProvider('editsThatKeepTheSelection')]
    public function test_an_edit_that_says_so_leaves_the_same_selected(string $id, array $params, AppliesTo $takes): void
    {
        $score = Make::take(1);
        $on = TargetReader::read(Make::on($takes, $score), $score);
        $batch = new Batch($score, chosen: $on);
        try {
            $batch->run(['edit' => $id, 'params' => $params]);
        } catch (Refusal) {
            // Some want a lane, a span or a marker that is not there: a refused edit leaves the same selected too.
        }

        self::assertEquals([$on->notes, $on->points, $on->parts], [$batch->chosen?->notes, $batch->chosen?->points, $batch->chosen?->parts]);
    }

    /** @return iterable<string, array{string, array<string, mixed>, int}> */
    public static function editsOfNotes(): iterable
    {
        foreach (self::edits() as $name => $edit) {
            if (Catalogue::edit($edit[0])::spec()->takes(AppliesTo::Notes)) {
                yield $name => $edit;
            }
        }
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('editsOfNotes')]
    public function test_only_the_chosen_notes_change(string $id, array $params, int $seed): void
    {
        $score = Make::take($seed);
        $after = Make::after($score, $id, $params, [3, 17, 20]);
        foreach ($score->part(1)->notes as $note) {
            if (! in_array($note->id, [3, 17, 20], true)) {
                // Where a bend reaches further, all curves are written anew, to sound as before.
                $same = $id === 'set-bend-range' ? ['own' => ''] : [];
                self::assertEquals($note->with($same), $after->part(1)->notes[$note->id]->with($same));
            }
        }
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('edits')]
    public function test_with_nothing_chosen_nothing_changes_and_it_says_so(string $id, array $params, int $seed): void
    {
        if (Catalogue::edit($id)::spec()->needs !== Requires::Notes) {
            // It works in the part as a whole, and is free to.
            self::assertNotSame('', Make::edit(Make::take($seed), $id, $params, [])->said);

            return;
        }
        $outcome = Make::edit(Make::take($seed), $id, $params, []);

        self::assertTrue($outcome->change->isEmpty());
        self::assertSame('No notes are selected: nothing changed.', $outcome->said);
    }

    /** @return iterable<string, array{string, string, mixed}> */
    public static function badParameters(): iterable
    {
        foreach (Catalogue::specs() as $spec) {
            yield "$spec->id with a parameter that it has not" => [$spec->id, 'colour', 'red'];
            foreach ($spec->params as $param) {
                foreach (['text', -99_999_999_999, 1e300, [], [[]], true] as $i => $bad) {
                    // A text is a name, truth a flag; an empty list of notes is a list of notes, no curves are none, and nothing may have been played.
                    if (! ($bad === 'text' && $param->kind->field() === 'text') && ! ($bad === true && $param->kind->field() === 'flag') && ! ($bad === [] && in_array($param->kind->field(), ['notes', 'played'], true)) && ! ($bad === [] && $param->kind instanceof CurvesValue)) {
                        yield "$spec->id with a bad $param->name, $i" => [$spec->id, $param->name, $bad];
                    }
                }
            }
        }
    }

    #[DataProvider('badParameters')]
    public function test_a_bad_parameter_is_refused_by_name(string $id, string $name, mixed $bad): void
    {
        $params = [$name => $bad] + (Catalogue::edit($id)::spec()->examples[0] ?? []);
        try {
            Make::edit(Make::take(1), $id, $params);
            self::fail("$id took $name ".json_encode($bad));
        } catch (Refusal $refusal) {
            self::assertStringStartsWith($name, (string) $refusal->parameter);
            self::assertStringContainsString('allowed', $refusal->getMessage());
        }
    }

    public function test_the_catalogue_finds_every_edit_by_its_id(): void
    {
        $ids = array_map(static fn ($spec): string => $spec->id, Catalogue::specs());
        foreach (['quantize', 'as-played', 'nudge', 'transpose', 'resize', 'velocity-set', 'velocity-add', 'mute', 'delete', 'insert', 'humanize', 'legato', 'groove-quantize'] as $id) {
            self::assertContains($id, $ids);
            self::assertSame($id, Catalogue::edit($id)::spec()->id);
        }
        self::assertSame($ids, array_unique($ids));
        $this->expectException(Refusal::class);
        $this->expectExceptionMessageMatches('/allowed:.*quantize/');
        Catalogue::edit('quantise');
    }

    public function test_a_command_with_unknown_keys_or_no_notes_to_work_on_is_refused(): void
    {
        foreach ([['edit' => 'mute', 'select' => 'all', 'on' => ['part' => 1]], ['edit' => 'mute'], ['edit' => 'mute', 'on' => ['part' => 1], 'parameters' => []], ['on' => ['part' => 1]], ['select' => 'some', 'on' => ['part' => 1]], ['edit' => 7, 'on' => ['part' => 1]],
            ['edit' => 'mute', 'on' => ['part' => 2, 'pick' => ['all' => true]]]] as $command) {
            try {
                Batch::once($command, Make::take(1));
                self::fail('It was taken: '.json_encode($command));
            } catch (Refusal $refusal) {
                self::assertNotNull($refusal->parameter);
            }
        }
    }

    public function test_changes_joined_are_undone_as_one(): void
    {
        $score = Make::take(5);
        $first = Make::edit($score, 'quantize')->change;
        $between = $first->applyTo($score);
        $second = Make::edit($between, 'delete', [], [1, 2])->change;
        $middle = $second->applyTo($between);
        $third = Make::edit($middle, 'insert', ['notes' => [['start' => 1, 'pitch' => 50]]])->change;
        $joined = $first->then($second)->then($third);

        self::assertSame(Make::bytes($third->applyTo($middle)), Make::bytes($joined->applyTo($score)));
        self::assertSame(Make::bytes($score), Make::bytes($joined->inverse()->applyTo($third->applyTo($middle))));
    }
}
