<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The core knows nobody: no framework, no files, no clock, no chance but a given seed. */
final class WallTest extends TestCase
{
    private const FORBIDDEN = [
        'Illuminate\\', 'Laravel\\', 'App\\', 'Carbon', 'Symfony\\',
        'file_get_contents(', 'file_put_contents(', 'fopen(', 'PDO', 'getenv(', 'microtime(', 'hrtime(', 'date(', 'new \\DateTime',
        'rand(', 'random_int(', 'shuffle(', 'mt_srand(', 'echo ', 'print ', '$_GET', '$_SERVER', '$_POST', 'header(',
    ];

    /** Which houses of the core a house may name: none needs another that needs it. */
    private const ARROWS = [
        'Standard' => [],
        'Time' => ['Standard'],
        'Harmony' => [],
        'Score' => ['Harmony', 'Standard', 'Time'],
        'Sounding' => ['Score', 'Standard', 'Time'],
        'Recording' => ['Score', 'Time'],
        'Selection' => ['Harmony', 'Score', 'Standard', 'Time'],
        'Midi' => ['Score', 'Sounding', 'Standard', 'Time'],
        'Param' => ['Harmony', 'Recording', 'Score', 'Selection', 'Standard', 'Time'],
        'Change' => ['Harmony', 'Score', 'Selection', 'Time'],
        'Edit' => ['Change', 'Harmony', 'Param', 'Recording', 'Score', 'Selection', 'Sounding', 'Standard', 'Time'],
        'Reading' => ['Change', 'Edit', 'Harmony', 'Param', 'Recording', 'Score', 'Selection', 'Sounding', 'Standard', 'Time'],
        'Recipe' => ['Edit', 'Param', 'Score', 'Selection'],
        'Command' => ['Change', 'Edit', 'Param', 'Recipe', 'Score', 'Selection', 'Time'],
        'Keymap' => ['Command'],
    ];

    public function test_the_houses_name_one_another_one_way_only(): void
    {
        $seen = [];
        foreach (self::files() as [$path]) {
            $house = explode('/', substr($path, strlen(__DIR__.'/../src/')))[0];
            $code = (string) preg_replace('~/\*.*?\*/|//[^\n]*~s', '', (string) file_get_contents($path));
            preg_match_all('/Jactonic\\\\Core\\\\(\w+)\\\\\w/', substr($code, (int) strpos($code, ';', (int) strpos($code, 'namespace'))), $named);
            foreach (array_unique($named[1]) as $other) {
                if ($other !== $house && ! in_array($other, self::ARROWS[$house] ?? [], true)) {
                    $seen[] = "$house names $other in ".basename($path);
                }
            }
        }
        self::assertSame([], $seen);
        // And the list itself has no way round: each names only those before it.
        $before = [];
        foreach (self::ARROWS as $house => $named) {
            self::assertSame([], array_diff($named, $before), $house);
            $before[] = $house;
        }
    }

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(__DIR__.'/../src', \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo) {
                yield basename($file->getPath()).'/'.$file->getFilename() => [$file->getPathname()];
            }
        }
    }

    #[DataProvider('files')]
    public function test_a_file_of_the_core_reaches_for_nothing_outside(string $path): void
    {
        $code = (string) preg_replace('~/\*.*?\*/|//[^\n]*~s', '', (string) file_get_contents($path));
        foreach (self::FORBIDDEN as $word) {
            self::assertStringNotContainsString($word, $code, basename($path)." uses $word");
        }
        self::assertMatchesRegularExpression('/^<\?php\s+declare\(strict_types=1\);\s+namespace Jactonic\\\\Core/', $code);
    }

    public function test_the_core_requires_nothing_but_php(): void
    {
        $composer = json_decode((string) file_get_contents(__DIR__.'/../composer.json'), true, flags: JSON_THROW_ON_ERROR);
        self::assertIsArray($composer);
        self::assertIsArray($composer['require']);
        foreach (array_keys($composer['require']) as $needed) {
            self::assertMatchesRegularExpression('/^(php|ext-)/', (string) $needed);
        }
    }
}
