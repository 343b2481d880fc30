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
