<?php

declare(strict_types=1);

namespace App\Backups;

use App\Models\Setting;

/** Which life of the data file this is: another one begins when a backup is put in its place, and every window starts anew. */
final class Epoch
{
    private const NAME = 'epoch';

    public static function now(): string
    {
        $epoch = Setting::query()->find(self::NAME)?->value;

        return is_string($epoch) ? $epoch : '';
    }

    public static function begin(): void
    {
        Setting::put(self::NAME, bin2hex(random_bytes(8)));
    }
}
