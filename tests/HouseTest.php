<?php

declare(strict_types=1);

namespace Tests;

use Jactonic\Core\Command\Commands;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Table;

/** How the house is built: what may stand where, and how much of it. */
final class HouseTest extends TestCase
{
    /** Lines of a file, above which it holds two ideas. */
    private const LONGEST = 400;

    /** Made out of docs/openapi.json, which is made out of the catalogue. */
    private const MADE = 'resources/js/contract.ts';

    public function test_no_file_is_longer_than_one_idea(): void
    {
        $long = [];
        foreach (['app', 'core/src', 'resources/js', 'bin', 'database'] as $folder) {
            foreach (self::files($folder, ['php', 'ts', 'svelte', 'mjs']) as $name => $text) {
                $lines = substr_count($text, "\n");
                if ($lines > self::LONGEST && $name !== self::MADE) {
                    $long[] = "$name has $lines lines";
                }
            }
        }
        self::assertSame([], $long);
        // What is drawn and what hands do there stand in files of their own.
        self::assertLessThan(150, substr_count((string) file_get_contents(base_path('resources/js/roll/Roll.svelte')), "\n"));
    }

    public function test_no_command_says_another_word_for_it_twice(): void
    {
        foreach (Commands::all() as $id => $command) {
            self::assertSame($command->spec->words, array_values(array_unique($command->spec->words)), (string) $id);
        }
    }

    public function test_an_edit_is_looked_for_in_the_folders_that_there_are(): void
    {
        $folders = (new \ReflectionClassConstant(Catalogue::class, 'FOLDERS'))->getValue();
        self::assertEqualsCanonicalizing(array_map(basename(...), (array) glob(base_path('core/src/Edit/*'), GLOB_ONLYDIR)), $folders);
    }

    public function test_ids_of_edits_stand_in_the_folders_of_commands_alone(): void
    {
        // A setting, a column or what a reading asks may be called as the edit that goes by it.
        $asked = array_merge(...array_values(array_map(static fn (string $class): array => array_column($class::spec()->params, 'name'), Readings::classes())));
        $ids = array_diff(array_keys(Catalogue::classes()), $asked, array_keys(PartSettings::fresh()->toArray()), array_keys(Table::notes()->columns));
        $found = [];
        foreach (self::files('resources/js', ['ts', 'svelte']) as $name => $text) {
            // Each of the two surfaces has one, and the sound.
            if ($name === self::MADE || preg_match('~^resources/js/(roll|arrange|sound)/commands/~', $name) === 1) {
                continue;
            }
            foreach ($ids as $id) {
                if (preg_match('/[\'"`]'.preg_quote($id, '/').'[\'"`]/', $text) === 1) {
                    $found[] = "$name names $id";
                }
            }
        }
        self::assertSame([], $found);
        self::assertGreaterThan(40, count($ids));
    }

    public function test_no_controller_calls_another_and_no_answer_of_http_is_made_elsewhere(): void
    {
        foreach (self::files('app', ['php']) as $name => $text) {
            if (str_starts_with($name, 'app/Http/Controllers/')) {
                self::assertDoesNotMatchRegularExpression('/new \w+Controller|use App\\\\Http\\\\Controllers/', $text, $name);
            } elseif (! str_starts_with($name, 'app/Http/')) {
                self::assertDoesNotMatchRegularExpression('/use (Illuminate\\\\Http|Symfony\\\\Component\\\\HttpFoundation)\\\\\w*Response/', $text, $name);
            }
        }
    }

    /**
     * @param  list<string>  $endings
     * @return iterable<string, string> text by path
     */
    private static function files(string $folder, array $endings): iterable
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(base_path($folder), \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo && in_array($file->getExtension(), $endings, true)) {
                yield substr($file->getPathname(), strlen(base_path()) + 1) => (string) file_get_contents($file->getPathname());
            }
        }
    }
}
