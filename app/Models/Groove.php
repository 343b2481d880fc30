<?php

declare(strict_types=1);

namespace App\Models;

use Jactonic\Core\Time\Groove as CoreGroove;

/**
 * A groove that is kept: with a song, or on the shelf.
 *
 * @property int $id
 * @property int|null $song_id null on the shelf
 * @property string $groove as Core\Time\Groove::toArray writes it, in JSON
 */
final class Groove extends Model
{
    /** Said, so that no request works it out of the English plural. */
    protected $table = 'grooves';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['song_id' => 'integer'];

    public function toCore(): CoreGroove
    {
        return CoreGroove::fromArray(json_decode($this->groove, true, 8, JSON_THROW_ON_ERROR));
    }

    /** Puts another in its place. */
    public function put(CoreGroove $groove): void
    {
        $this->update(['groove' => self::written($groove)]);
    }

    /** Keeps a groove; with no song it goes on the shelf. */
    public static function keep(CoreGroove $groove, ?int $songId): self
    {
        return self::query()->create(['song_id' => $songId, 'groove' => self::written($groove)]);
    }

    private static function written(CoreGroove $groove): string
    {
        return json_encode($groove->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }
}
