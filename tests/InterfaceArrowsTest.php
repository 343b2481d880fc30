<?php

declare(strict_types=1);

namespace Tests;

/** The houses of the interface import one another one way only, and no files import one another in a circle; types count. */
final class InterfaceArrowsTest extends TestCase
{
    private const ROOT = 'resources/js/';

    /** Which houses a house may import; what stands in no house (router, theme, panels) may be imported by all. */
    private const ARROWS = [
        'rules' => [],
        'api' => ['rules'],
        'keys' => ['api', 'rules'],
        'stage' => ['api', 'rules'],
        'sound' => ['api', 'rules'],
        'harmony' => ['api', 'keys', 'rules'],
        'roll' => ['api', 'harmony', 'keys', 'rules', 'sound', 'stage'],
        'arrange' => ['api', 'harmony', 'keys', 'roll', 'rules', 'sound', 'stage'],
        'views' => ['api', 'arrange', 'harmony', 'keys', 'roll', 'rules', 'sound', 'stage'],
    ];

    public function test_houses_import_one_way_only(): void
    {
        $wrong = [];
        foreach (self::imports() as $file => $imported) {
            $house = self::house($file);
            foreach ($imported as $other) {
                $to = self::house($other);
                if ($house !== null && $to !== null && $to !== $house && ! in_array($to, self::ARROWS[$house], true)) {
                    $wrong[] = "$file imports $other";
                }
                if ($house === null && $to !== null && ! in_array($file, ['main.ts'], true)) {
                    $wrong[] = "$file, which all may import, imports $other";
                }
            }
        }
        self::assertSame([], $wrong);
    }

    public function test_no_files_import_one_another_in_a_circle(): void
    {
        // What imports nothing that is left is taken out, again and again: what stays is in a circle, or leads into one.
        $left = self::imports();
        do {
            $before = count($left);
            $left = array_filter($left, static fn (array $imported): bool => array_intersect_key(array_flip($imported), $left) !== []);
        } while (count($left) < $before);
        self::assertSame([], array_keys($left));
    }

    private static function house(string $file): ?string
    {
        $house = explode('/', $file)[0];

        return isset(self::ARROWS[$house]) ? $house : (str_contains($file, '/') ? self::fail("$house is no house that is known.") : null);
    }

    /** @return array<string, list<string>> what each file imports, by its path */
    private static function imports(): array
    {
        $imports = [];
        foreach (self::files() as $file) {
            preg_match_all('~(?:from|import\()\s*[\'"](\.{1,2}/[^\'"?]+)[\'"]~', (string) file_get_contents(base_path(self::ROOT.$file)), $found);
            $imports[$file] = [];
            foreach ($found[1] as $path) {
                $target = self::resolved(dirname($file), $path);
                foreach ([$target, "$target.ts", "$target/index.ts"] as $name) {
                    if (is_file(base_path(self::ROOT.$name))) {
                        $imports[$file][] = $name;
                        break;
                    }
                }
            }
        }
        self::assertGreaterThan(200, count($imports));
        self::assertGreaterThan(800, array_sum(array_map(count(...), $imports)));

        return $imports;
    }

    private static function resolved(string $folder, string $path): string
    {
        $parts = $folder === '.' ? [] : explode('/', $folder);
        foreach (explode('/', $path) as $part) {
            if ($part === '..') {
                array_pop($parts);
            } elseif ($part !== '.') {
                $parts[] = $part;
            }
        }

        return implode('/', $parts);
    }

    /** @return list<string> */
    private static function files(): array
    {
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(base_path(self::ROOT), \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo && preg_match('/(?<!\.d)\.(ts|svelte)$/', $file->getFilename()) === 1) {
                $files[] = substr($file->getPathname(), strlen(base_path(self::ROOT)));
            }
        }

        return $files;
    }
}
