<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasEvents;
use Illuminate\Database\Eloquent\Concerns\HasGlobalScopes;
use Illuminate\Database\Eloquent\Model as EloquentModel;

/**
 * What is kept in the data file. None of it says by attributes who observes it, what narrows it or what makes it ready, and
 * none has methods that a column is read or set through: what is in a column is said by its cast.
 */
abstract class Model extends EloquentModel
{
    /** @var array<array-key, mixed>|null those that `allCasts` was made of */
    private ?array $castsSeen = null;

    /** @var array<array-key, mixed> */
    private array $allCasts = [];

    /**
     * Asked for each column that is read or set, with its name put into words anew: with an edit, longer than to read the song.
     *
     * @param  string  $key
     */
    public function hasGetMutator($key): bool
    {
        return false;
    }

    /** @param  string  $key */
    public function hasSetMutator($key): bool
    {
        return false;
    }

    /** @param  string  $key */
    public function hasAttributeMutator($key): bool
    {
        return false;
    }

    /** @param  string  $key */
    public function hasAttributeGetMutator($key): bool
    {
        return false;
    }

    /** @param  string  $key */
    public function hasAttributeSetMutator($key): bool
    {
        return false;
    }

    /**
     * What is in each column, put together where it has become another.
     *
     * @return array<array-key, mixed>
     */
    public function getCasts(): array
    {
        if ($this->casts !== $this->castsSeen) {
            [$this->castsSeen, $this->allCasts] = [$this->casts, parent::getCasts()];
        }

        return $this->allCasts;
    }

    /**
     * The columns that are otherwise than they were read, as they are kept.
     *
     * @return array<string, mixed>
     */
    public function changed(): array
    {
        return array_filter($this->attributes, fn (mixed $value, string $name): bool => ! array_key_exists($name, $this->original) || $this->original[$name] !== $value, ARRAY_FILTER_USE_BOTH);
    }

    /**
     * By the names of its traits' methods. Eloquent looks at each of a model's three hundred methods for attributes too,
     * with each request: that takes longer than to read a song.
     */
    protected static function bootTraits(): void
    {
        static::$traitInitializers[static::class] = [];
        foreach (array_diff(class_uses_recursive(static::class), [HasEvents::class, HasGlobalScopes::class]) as $trait) {
            $name = class_basename($trait);
            if (method_exists(static::class, "boot$name")) {
                static::{"boot$name"}();
            }
            if (method_exists(static::class, "initialize$name")) {
                static::$traitInitializers[static::class][] = "initialize$name";
            }
        }
    }
}
