<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Carbon;

/**
 * One step of a song's history: what was asked, what was said, and the change both ways.
 *
 * @property int $id
 * @property int $song_id
 * @property int|null $parent_id
 * @property int $depth how many steps lead to it, itself counted
 * @property int|null $next_id the child that redo takes, where it is not the one made last: the one visited since
 * @property string $command JSON
 * @property string $said
 * @property string|null $chosen JSON: what was selected before it and after it, the caret (tick, pitch, track) before and after it, and the values that it tried
 * @property string $change as Core\Edit\ChangeCodec writes it
 * @property Carbon $created_at
 */
final class Step extends Model
{
    /** Said, so that no request works it out of the English plural. */
    protected $table = 'steps';

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['parent_id' => 'integer', 'next_id' => 'integer', 'depth' => 'integer', 'song_id' => 'integer'];
}
