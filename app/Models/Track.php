<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property int $song_id
 * @property int $position from 0, as in the file
 * @property string $name
 * @property bool $muted
 * @property bool $soloed
 * @property int $end
 * @property array{names: array<int, string>, order: list<int>}|null $rows as Core\Score\RowSet writes them
 * @property bool $conductor as Core\Score\Track has it
 * @property bool $gone taken away, to come back
 * @property list<array{int, int, int, int, string}> $kept as Core\Score\PassthroughEvent writes them
 * @property int $revision of the song when the track last changed
 */
final class Track extends Model
{
    /** Said, so that no request works it out of the English plural. */
    protected $table = 'tracks';

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['kept' => 'array', 'rows' => 'array', 'muted' => 'boolean', 'soloed' => 'boolean', 'gone' => 'boolean', 'conductor' => 'boolean', 'end' => 'integer', 'position' => 'integer', 'revision' => 'integer'];

    /** @return HasMany<Part, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(Part::class);
    }
}
