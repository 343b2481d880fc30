<?php

declare(strict_types=1);

namespace App\Editing;

use Closure;
use Illuminate\Support\Facades\File;
use Jactonic\Core\Progress;
use Jactonic\Core\Refusal;

/**
 * What takes long, as others see it while it is under way: how far it is, and the wish to stop it. It stands in small
 * files, since the data file is locked for as long as a command works.
 */
final class LongRequest
{
    /** Seconds after which something is long, and after which whoever asks is told anew. */
    private const LONG = 0.3;

    private const ANEW = 0.1;

    /** Seconds after which nothing is under way any more. */
    private const OLD = 3600;

    /**
     * Does something that is known by a key, and can be stopped.
     *
     * @template T
     *
     * @param  Closure(): T  $work
     * @return T
     *
     * @throws Refusal where it was stopped
     */
    public static function work(string $key, Closure $work): mixed
    {
        $file = self::file($key);
        $next = microtime(true) + self::LONG;
        $shown = false;
        try {
            return Progress::over(static function (int $steps) use ($file, &$next, &$shown): void {
                $now = microtime(true);
                if ($now < $next) {
                    return;
                }
                $next = $now + self::ANEW;
                if (is_file("$file.stop")) {
                    throw new Refusal('Stopped. Nothing was changed.');
                }
                File::ensureDirectoryExists(dirname($file));
                if (! $shown) {
                    self::sweep();
                }
                $shown = @file_put_contents($file, (string) $steps) !== false;
            }, $work);
        } finally {
            if ($shown) {
                File::delete([$file, "$file.stop"]);
            }
        }
    }

    /** How many notes something under way has gone over; null where nothing long is under way under this key. */
    public static function steps(string $key): ?int
    {
        $said = is_file(self::file($key)) ? @file_get_contents(self::file($key)) : false;

        return $said === false ? null : (int) $said;
    }

    /** Asks that something be stopped; says whether it is under way. */
    public static function stop(string $key): bool
    {
        return is_file(self::file($key)) && @touch(self::file($key).'.stop');
    }

    /** What a server that died left behind goes. */
    private static function sweep(): void
    {
        foreach (File::glob(storage_path('framework/doing/*')) as $left) {
            if (is_string($left) && filemtime($left) < time() - self::OLD) {
                File::delete($left);
            }
        }
    }

    private static function file(string $key): string
    {
        return storage_path('framework/doing/'.hash('sha256', $key));
    }
}
