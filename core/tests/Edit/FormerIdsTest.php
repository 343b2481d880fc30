<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Command\Commands;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Keymap\Binding;
use Jactonic\Core\Keymap\Keymap;
use Jactonic\Core\Recipe\Recipe;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What commands were called before goes on working in recipes, shortcuts and requests. */
final class FormerIdsTest extends TestCase
{
    /** @return iterable<string, array{string, string}> former and present id */
    public static function ids(): iterable
    {
        foreach (Commands::all() as $command) {
            foreach ($command->spec->formerIds as $former) {
                yield "$former is {$command->spec->id}" => [$former, $command->spec->id];
            }
        }
    }

    #[DataProvider('ids')]
    public function test_a_former_id_is_nobody_elses(string $former, string $id): void
    {
        self::assertArrayNotHasKey($former, Commands::all());
        self::assertSame($id, Commands::current($former));
        self::assertSame([$id], array_values(array_filter(array_keys(Commands::all()), static fn (string $other): bool => in_array($former, Commands::find($other)->spec->formerIds, true))));
    }

    #[DataProvider('ids')]
    public function test_a_shortcut_of_before_stands_for_the_command_of_now(string $former, string $id): void
    {
        $kept = Keymap::kept([['context' => 'roll', 'keys' => 'Alt+Shift+F9', 'command' => $former, 'params' => []], ['context' => 'roll', 'keys' => 'Alt+Shift+F8', 'command' => 'panel', 'params' => ['edit' => $former]]]);
        // One whose parameters have no defaults cannot be given a key without them.
        self::assertContains([$id, []], [...array_map(static fn (Binding $b): array => [$b->command, $b->params], $kept->bindings), ...($id === 'insert-recording' ? [[$id, []]] : [])]);
        self::assertContains(['panel', ['edit' => $id]], array_map(static fn (Binding $b): array => [$b->command, $b->params], $kept->bindings));
    }

    public function test_a_recipe_and_a_request_of_before_do_what_they_did(): void
    {
        $recipe = Recipe::fromArray(['kind' => 'recipe', 'key' => 'old', 'name' => 'Old', 'pick' => null, 'steps' => [['edit' => 'velocity-level', 'params' => []]]]);
        self::assertSame('velocity-even', $recipe->steps[0]['edit'] ?? null);

        $score = Make::score([[0, 240, 60, 40], [480, 240, 64, 80]]);
        $outcome = Batch::once(['edit' => 'velocity-level'], $score, new Selection([1 => [1, 2]]));
        self::assertSame([60, 60], $outcome->change->applyTo($score)->part(1)->notes->integers('velocity', [1, 2]));
        self::assertSame('velocity-even', Catalogue::current('velocity-level'));
        self::assertSame('no-such-thing', Catalogue::current('no-such-thing'));
    }
}
