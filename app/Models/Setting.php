<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Something set once for all songs.
 *
 * @property string $name
 * @property mixed $value
 */
final class Setting extends Model
{
    /** Said, so that no request works it out of the English plural. */
    protected $table = 'settings';

    /** Id of the set of shortcuts in use; 0 for the one that ships. */
    public const KEY_SET = 'key-set';

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'name';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['value' => 'json'];

    public static function integer(string $name, int $default): int
    {
        $value = self::query()->find($name)?->value;

        return is_int($value) ? $value : $default;
    }

    public static function put(string $name, mixed $value): void
    {
        self::query()->updateOrCreate(['name' => $name], ['value' => $value]);
    }
}
