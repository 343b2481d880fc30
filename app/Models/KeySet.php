<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Jactonic\Core\Keymap\Keymap;
use Jactonic\Core\Keymap\KeySet as CoreKeySet;

/**
 * A set of shortcuts of a person's own.
 *
 * @property int $id
 * @property string $name
 * @property array<array-key, mixed> $keys as Core\Keymap\Keymap::toArray writes them
 * @property list<array<array-key, mixed>> $before the keys before each of the last changes
 */
final class KeySet extends Model
{
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

    /** Takes other keys, and remembers those it had. */
    public function change(Keymap $to): void
    {
        $this->update(['keys' => $to->toArray(), 'before' => array_slice([...$this->before, $this->keys], -self::UNDO)]);
    }

    public function undo(): bool
    {
        $before = $this->before;
        $keys = array_pop($before);
        if ($keys === null) {
            return false;
        }
        $this->update(['keys' => $keys, 'before' => $before]);

        return true;
    }
}
