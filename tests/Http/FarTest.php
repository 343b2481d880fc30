<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Song;
use Illuminate\Http\UploadedFile;
use Tests\TestCase;

/** Songs that are long in ticks, and not in notes. */
final class FarTest extends TestCase
{
    /** A file of one track at 96 ticks a quarter: events as delta and bytes. */
    private static function file(string $body): string
    {
        $body .= "\x00\xFF\x2F\x00";

        return 'MThd'.pack('Nnnn', 6, 0, 1, 96).'MTrk'.pack('N', strlen($body)).$body;
    }

    private function import(string $file): Song
    {
        $id = $this->postJson('/api/imports', ['file' => UploadedFile::fake()->createWithContent('far.mid', $file)])->assertCreated()->json('song.id');

        return Song::query()->findOrFail($id);
    }

    public function test_a_note_at_the_farthest_tick_leaves_a_song_that_opens(): void
    {
        $song = $this->import(self::file("\x00\x90\x3C\x40\x60\x80\x3C\x40"));
        $part = $this->partId($song);
        $answer = $this->do($song, [['edit' => 'move-to', 'on' => ['part' => $part, 'pick' => ['all' => true]], 'params' => ['tick' => 1 << 38]]])->assertOk();
        self::assertLessThan(20_000, strlen((string) $answer->getContent()));
        $opened = $this->getJson("/api/songs/$song->id")->assertOk();
        self::assertLessThan(20_000, strlen((string) $opened->getContent()));
        self::assertGreaterThan(1 << 38, $opened->json('end'));
    }

    public function test_a_small_file_of_long_pauses_opens(): void
    {
        // 30 KB of text events with the longest pause that a file can say between them.
        $song = $this->import(self::file(str_repeat("\xFF\xFF\xFF\x7F\xFF\x01\x00", 4000)."\xFF\xFF\xFF\x7F\x90\x3C\x40\x60\x80\x3C\x40"));
        $opened = $this->getJson("/api/songs/$song->id")->assertOk();
        self::assertGreaterThan(4000 * ((1 << 28) - 1), $opened->json('tracks.1.parts.0.notes.0.1') ?? $opened->json('tracks.0.parts.0.notes.0.1'));
    }

    public function test_a_hundred_thousand_changes_of_meter_open(): void
    {
        $song = $this->import(self::file(str_repeat("\x60\xFF\x58\x04\x03\x02\x18\x08\x60\xFF\x58\x04\x02\x02\x18\x08", 50_000)."\x00\x90\x3C\x40\x60\x80\x3C\x40"));
        $this->getJson("/api/songs/$song->id")->assertOk();
    }
}
