<?php

declare(strict_types=1);

namespace App\Console;

use Jactonic\Core\Refusal;

/**
 * Files that are written together: all of them or none, each whole or not at all. A half-written file never stands under
 * the name asked for, nothing that was there is touched but what is asked for, and a link stays one.
 */
final class Files
{
    /** @var array<string, string> what stands ready, by where it goes */
    private array $ready = [];

    /** @throws Refusal where it cannot be written; nothing of the others is then */
    public function put(string $path, string $bytes): void
    {
        $target = is_link($path) ? (realpath($path) ?: throw $this->failed("$path is a link to nothing.")) : $path;
        if (is_dir($target)) {
            throw $this->failed("$path is a directory; name a file.");
        }
        if (file_exists($target) && ! is_writable($target)) {
            throw $this->failed("$path is write-protected.");
        }
        $half = dirname($target).'/.'.basename($target).'.'.bin2hex(random_bytes(6));
        $file = @fopen($half, 'x');
        if ($file === false) {
            throw $this->failed("$path cannot be written.");
        }
        $this->ready[$target] = $half;
        $written = @fwrite($file, $bytes) === strlen($bytes) && @fflush($file);
        fclose($file);
        if (! $written) {
            throw $this->failed("$path cannot be written: is the disk full?");
        }
        if (file_exists($target)) {
            @chmod($half, fileperms($target) & 0777);
        }
    }

    /** Puts all that stands ready in its place. */
    public function keep(): void
    {
        foreach ($this->ready as $target => $half) {
            if (! @rename($half, $target)) {
                throw $this->failed("$target cannot be written.");
            }
            unset($this->ready[$target]);
        }
    }

    private function failed(string $why): Refusal
    {
        array_map(static fn (string $half): bool => @unlink($half), $this->ready);
        $this->ready = [];

        return new Refusal("$why No file was written.");
    }
}
