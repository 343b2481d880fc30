<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Jactonic\Core\Score\Document;
use Jactonic\Core\Score\Part as CorePart;
use Jactonic\Core\Score\PartSettings;

/**
 * A part is read and written whole: its notes and points are one document.
 *
 * @property int $id
 * @property int $song_id
 * @property int $track_id
 * @property string $name
 * @property string $document as Core\Score\Document writes it
 * @property string $settings JSON of Core\Score\PartSettings
 * @property int $last_end tick at which its last note ends
 * @property int $next_note
 * @property int $next_point
 * @property int $revision of the song when the part last changed
 */
final class Part extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['last_end' => 'integer', 'next_note' => 'integer', 'next_point' => 'integer', 'revision' => 'integer', 'song_id' => 'integer', 'track_id' => 'integer'];

    public function toCore(): CorePart
    {
        [$notes, $points] = Document::decode($this->document);

        return new CorePart($this->id, $this->name, $notes, $points, $this->toSettings(), $this->next_note, $this->next_point);
    }

    public function toSettings(): PartSettings
    {
        $settings = json_decode($this->settings, true, 8, JSON_THROW_ON_ERROR);

        return PartSettings::fromArray(is_array($settings) ? $settings : []);
    }

    /** Takes over what edits change: the music and the settings. */
    public function fillFrom(CorePart $part): self
    {
        $this->document = Document::encode($part);
        $this->settings = json_encode(($part->settings ?? PartSettings::fresh())->toArray(), JSON_THROW_ON_ERROR);
        $this->last_end = $part->lastEnd();
        $this->next_note = $part->nextNote;
        $this->next_point = $part->nextPoint;

        return $this;
    }
}
