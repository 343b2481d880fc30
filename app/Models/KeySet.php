<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\SoftDeletes;
use Jactonic\Core\Keymap\Difference;
use Jactonic\Core\Keymap\Keymap;
use Jactonic\Core\Keymap\KeySet as CoreKeySet;

/**
 * A set of shortcuts of a person's own.
 *
 * @property int $id
 * @property string $name
 * @property array<array-key, mixed> $keys as Core\Keymap\Keymap::toArray writes them
 * @property list<array<array-key, mixed>> $before what leads back over each of the last changes, or all the keys before it
 */
final class KeySet extends Model
{
    use SoftDeletes;

    /** Said, so that no request works it out of the English plural. */
    protected $table = 'key_sets';

    /** Changes that can be taken back. */
    private const UNDO = 50;

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['keys' => 'array', 'before' => 'array'];

    public static function keep(CoreKeySet $set): self
    {
        return self::query()->create(['name' => $set->name, 'keys' => $set->keymap->toArray(), 'before' => []]);
    }

    public function toCore(): CoreKeySet
    {
        return new CoreKeySet($this->name, Keymap::kept($this->keys));
    }

    /** Takes other keys, and remembers those it had: what is different of them. */
    public function change(Keymap $to): void
    {
        /** @var list<array<array-key, mixed>> $keys */
        $keys = array_values($this->keys);
        /** @var list<array<array-key, mixed>> $later as they will be read */
        $later = json_decode(json_encode($to->toArray(), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
        $this->update(['keys' => $to->toArray(), 'before' => array_slice([...$this->before, Difference::back($keys, $later) ?? $keys], -self::UNDO)]);
    }

    public function undo(): bool
    {
        $before = $this->before;
        $keys = array_pop($before);
        if ($keys === null) {
            return false;
        }
        if (isset($keys['drop'], $keys['put'])) {
            /** @var array{drop: list<int>, put: list<array{int, array<array-key, mixed>}>} $keys */
            $keys = Difference::apply(array_values($this->keys), $keys); // @phpstan-ignore argument.type, argument.type (they are kept as lists of bindings)
        }
        $this->update(['keys' => $keys, 'before' => $before]);

        return true;
    }
}
