<?php

declare(strict_types=1);

namespace Tests\Console;

use App\Console\Reference;
use Jactonic\Core\Edit\Catalogue;
use Tests\TestCase;

final class ReferenceTest extends TestCase
{
    public function test_it_names_every_edit_and_parameter(): void
    {
        $page = Reference::page();
        foreach (['## Selecting', '## Picks', '`Mod+ArrowUp`', '`N` `M`'] as $text) {
            self::assertStringContainsString($text, $page);
        }
        self::assertStringNotContainsString('{"word"', $page, 'a default is said as it is written');
        foreach (Catalogue::specs() as $spec) {
            self::assertStringContainsString("#### `$spec->id`", $page);
            foreach ($spec->params as $param) {
                self::assertStringContainsString("| `$param->name` |", $page);
            }
        }
    }
}
