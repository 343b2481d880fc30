<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Command;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

final class BatchTest extends TestCase
{
    public function test_settings_of_a_part_that_is_not_selected_select_nothing(): void
    {
        $batch = new Batch(Make::take(1), chosen: new Selection);
        $batch->run(['set' => ['grid' => '1/8'], 'on' => ['parts' => [1]]]);

        self::assertSame('1/8', $batch->score->part(1)->settings()->grid->name);
        self::assertEquals(new Selection, $batch->chosen);
        $outcome = $batch->run(['edit' => 'part-delete']);
        self::assertTrue($outcome->change->isEmpty(), 'nothing is deleted where nothing is selected');
    }

    public function test_a_refused_command_is_not_told_what_the_one_before_it_wanted(): void
    {
        $batch = new Batch(Make::take(1), chosen: new Selection);
        $batch->run(['edit' => 'quantize', 'on' => ['part' => 1, 'notes' => []]]);
        self::assertSame(Requires::Notes, $batch->missing);
        try {
            $batch->run(['edit' => 'transpose', 'params' => ['semitones' => 999]]);
            self::fail('it is refused');
        } catch (Refusal) {
            self::assertNull($batch->missing);
        }
    }

    public function test_where_nothing_is_known_to_be_selected_settings_select_what_they_are_of(): void
    {
        $batch = new Batch(Make::take(1));
        $batch->run(['set' => ['grid' => '1/8'], 'on' => ['part' => 1, 'notes' => [2, 3]]]);

        self::assertSame([1 => [2, 3]], $batch->chosen?->notes);
    }
}
