<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A part as it is kept; Songs\ScoreStore makes a part of the core of it. One that is taken away stays, out of sight.
 *
 * @property int $id
 * @property int $song_id
 * @property int $track_id
 * @property string $name
 * @property string $notes packed, as Core\Score\Rows writes them, less the origin; so are the points
 * @property string $settings JSON of Core\Score\PartSettings
 * @property int $last_end tick at which its last note ends
 * @property int $revision of the song when the part last changed
 */
final class Part extends Model
{
    /** Said, so that no request works it out of the English plural. */
    protected $table = 'parts';

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['last_end' => 'integer', 'revision' => 'integer', 'song_id' => 'integer', 'track_id' => 'integer'];
}
