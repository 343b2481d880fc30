<?php

declare(strict_types=1);

namespace App\Models;

use App\Songs\Transaction;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Jactonic\Core\Time\Timeline;

/**
 * @property int $id
 * @property string $name
 * @property string|null $scale as a person writes it
 * @property int $ppq
 * @property list<array{int, int, int, int}> $tempos as Core\Time\Timeline has them
 * @property list<array{int, int, int, int, int, int, int}> $meters likewise
 * @property list<array{int, string, int, int}> $markers likewise
 * @property array{format: int, division: int, scale: int, chunks: list<array{int, string, string}>} $source
 * @property int $revision goes up with every change
 * @property int $time_revision the revision that last changed tempos or meters
 * @property int|null $head_id
 * @property int|null $first_id
 * @property Carbon $updated_at
 * @property Carbon|null $deleted_at
 */
final class Song extends Model
{
    use SoftDeletes;

    /** Said, so that no request works it out of the English plural. */
    protected $table = 'songs';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['tempos' => 'array', 'meters' => 'array', 'markers' => 'array', 'source' => 'array', 'ppq' => 'integer', 'revision' => 'integer', 'time_revision' => 'integer', 'head_id' => 'integer', 'first_id' => 'integer'];

    /**
     * A song to be worked on. Said outright: each edit begins with it, and to put the words together takes longer than to
     * find it.
     *
     * @throws ModelNotFoundException<self> as `findOrFail` does
     */
    public static function opened(int $id): self
    {
        $row = Transaction::connection()->selectOne('select * from songs where id = ? and deleted_at is null', [$id]);
        /** @var array<string, mixed> $columns */
        $columns = (array) $row;

        return $row === null ? throw (new ModelNotFoundException)->setModel(self::class, [$id]) : (new self)->newFromBuilder($columns);
    }

    /** @return HasMany<Track, $this> */
    public function tracks(): HasMany
    {
        return $this->hasMany(Track::class);
    }

    /** @return HasMany<Part, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(Part::class);
    }

    /** @return HasMany<Step, $this> */
    public function steps(): HasMany
    {
        return $this->hasMany(Step::class);
    }

    public function time(): Timeline
    {
        return Timeline::of($this->ppq, $this->tempos, $this->meters, $this->markers);
    }
}
