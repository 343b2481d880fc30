<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\SoftDeletes;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Recipe\Recipe as CoreRecipe;
use Jactonic\Core\Refusal;

/**
 * A recipe that is kept.
 *
 * @property int $id
 * @property string $key
 * @property array<int, list<array<array-key, mixed>>>|null $bound the shortcuts that stood for it when it was put away, by set
 * @property array<array-key, mixed> $recipe as Core\Recipe\Recipe::toArray writes it
 */
final class Recipe extends Model
{
    use SoftDeletes;

    /** Said, so that no request works it out of the English plural. */
    protected $table = 'recipes';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['recipe' => 'array', 'bound' => 'array'];

    public function toCore(): CoreRecipe
    {
        return CoreRecipe::fromArray($this->recipe);
    }

    /** All recipes there are. One that this version cannot read any more stays where it is, and stops none of the others. */
    public static function book(): Book
    {
        $recipes = [];
        foreach (self::query()->get()->sortBy('id') as $kept) {
            try {
                $recipes[] = $kept->toCore();
            } catch (Refusal) {
                continue;
            }
        }

        return new Book($recipes);
    }

    /** Keeps a recipe in place of the one of its key. */
    public static function keep(CoreRecipe $recipe): self
    {
        // One of its key that was put away gives way: its key is asked for again.
        self::onlyTrashed()->where('key', $recipe->key)->forceDelete();

        return self::query()->updateOrCreate(['key' => $recipe->key], ['recipe' => $recipe->toArray()]);
    }
}
