<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasEvents;
use Illuminate\Database\Eloquent\Concerns\HasGlobalScopes;
use Illuminate\Database\Eloquent\Model;

/** What is kept in the data file. None of it says by attributes who observes it, what narrows it or what makes it ready. */
abstract class Kept extends Model
{
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
