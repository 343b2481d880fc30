<?php

declare(strict_types=1);

namespace App\Models;

use Jactonic\Core\Midi\Phrase as Core;

/**
 * A phrase on the shelf.
 *
 * @property int $id
 * @property string $name
 * @property string $file the bytes of a MIDI file
 * @property array{notes: int, bars: int, tempo: float, sounds: list<string>} $about
 * @property bool $gone
 */
final class Phrase extends Model
{
    /** Said, so that no request works it out of the English plural. */
    protected $table = 'shelf';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['about' => 'array', 'gone' => 'boolean'];

    /** @throws \Jactonic\Core\Midi\MidiError|\Jactonic\Core\Refusal where the bytes are no music */
    public static function keep(string $name, string $bytes): self
    {
        $read = Core::read($bytes);
        unset($read['clip']);

        return self::query()->create(['name' => $name, 'file' => $bytes, 'about' => $read]);
    }
}
