<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Demo\LanternFerry;
use App\Models\Song;
use App\Songs\Library;
use Illuminate\Http\UploadedFile;
use Jactonic\Core\Midi\Event;
use Jactonic\Core\Midi\Phrase;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Tests\Support\Smf;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Phrases kept for another day, and put into another song. */
final class ShelfTest extends TestCase
{
    private function keep(Song $song, mixed $on, mixed $name = 'Lantern'): int
    {
        $id = $this->postJson("/api/songs/$song->id/shelf", ['on' => $on, 'name' => $name])->assertCreated()->json('id');

        return is_int($id) ? $id : 0;
    }

    public function test_notes_are_kept_with_their_sound_and_tempo_and_put_into_another_song(): void
    {
        $song = $this->song();
        $this->do($song, [['edit' => 'track-sound', 'on' => ['parts' => [$this->partId($song)]], 'params' => ['program' => 11]], ['edit' => 'tempo-set', 'params' => ['tempo' => 96, 'at' => 0]]])->assertOk();
        $notes = array_slice(array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 0), 0, 2);
        $id = $this->keep($song, ['part' => $this->partId($song), 'notes' => $notes]);
        $list = $this->getJson('/api/shelf')->assertOk()->json('phrases.0');

        self::assertSame(['id' => $id, 'name' => 'Lantern', 'notes' => 2, 'bars' => 1, 'tempo' => 96, 'sounds' => ['Vibraphone']], $list);
        // In another song: at a place, on a track of its own with its sound.
        $other = $this->song('Other');
        $clip = $this->getJson("/api/shelf/$id")->assertOk()->json();
        $answer = $this->do($other, [['edit' => 'part-insert', 'params' => ['clip' => $clip, 'at' => 'caret', 'sounds' => true]]], ['context' => ['caret' => 3840]])->assertOk();
        $tracks = (array) $this->getJson("/api/songs/$other->id")->json('tracks');
        self::assertSame('Vibraphone', $tracks[count($tracks) - 1]['instrument'] ?? null);
        self::assertStringContainsString('inserted at 2.1.1', implode(' ', (array) $answer->json('said')));
    }

    public function test_muted_notes_come_along_muted_and_are_in_no_other_file(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $this->do($song, [['edit' => 'mute', 'on' => ['part' => $part, 'notes' => [2]]], ['edit' => 'part-plays', 'params' => ['transpose' => 5], 'on' => ['parts' => [$part]]]])->assertOk();
        $id = $this->keep($song, ['parts' => [$part]]);
        $bytes = (string) $this->get("/api/shelf/$id/file")->getContent();
        $ons = array_filter(Reader::read($bytes)->tracks[0], static fn (Event $e): bool => ($e->status & 0xF0) === 0x90);
        self::assertCount(3, $ons, 'another program hears what is heard here');
        $this->do($song, [['edit' => 'part-insert', 'params' => ['clip' => $this->getJson("/api/shelf/$id")->json(), 'at' => 3840]]])->assertOk();
        $notes = (array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.1.notes');
        self::assertSame([[65, 0], [67, 1], [69, 0], [70, 0]], collect($notes)->sortBy(3)->map(fn (mixed $row): array => array_values($this->named($row, ['pitch', 'muted'])))->values()->all());
        // A plain save has none of it, and says so each time.
        $saved = $this->get("/api/songs/$song->id/file");
        self::assertStringStartsWith('MThd', (string) $saved->getContent());
        self::assertStringNotContainsString('muted', (string) $saved->getContent());
    }

    public function test_it_is_saved_and_opened_as_a_file_named_put_away_and_brought_back(): void
    {
        $song = $this->song();
        $id = $this->keep($song, ['parts' => [$this->partId($song)]]);
        $bytes = $this->get("/api/shelf/$id/file")->assertOk()->assertHeader('Content-Type', 'audio/midi')->getContent();
        $again = $this->post('/api/shelf', ['file' => UploadedFile::fake()->createWithContent('Kept one.mid', (string) $bytes)])->assertCreated();
        $again->assertJsonPath('name', 'Kept one');
        self::assertEquals(Phrase::read((string) $bytes)['clip']->toArray(), $this->getJson('/api/shelf/'.$again->json('id'))->json());
        $this->patchJson("/api/shelf/$id", ['name' => 'Ferry'])->assertOk()->assertJsonPath('name', 'Ferry');
        $this->deleteJson("/api/shelf/$id")->assertNoContent();
        self::assertCount(1, (array) $this->getJson('/api/shelf')->json('phrases'));
        $this->postJson("/api/shelf/$id/restore")->assertOk();
        self::assertSame(['Kept one', 'Ferry'], array_column((array) $this->getJson('/api/shelf')->json('phrases'), 'name'));
    }

    public function test_the_sound_comes_along_where_it_stands_before_the_phrase(): void
    {
        $song = Library::keep(LanternFerry::song());
        $vibes = (array) $this->getJson("/api/songs/$song->id")->json('tracks.2.parts.0');
        $this->postJson("/api/songs/$song->id/shelf", ['on' => ['parts' => [$vibes['id']]], 'name' => 'Triplets'])->assertCreated()->assertJsonPath('sounds', ['Vibraphone']);
    }

    /** @return iterable<string, array{mixed, mixed}> */
    public static function bad(): iterable
    {
        yield 'nothing selected' => [[], 'Lantern'];
        yield 'no notes' => [[['part' => 0, 'notes' => []]], 'Lantern'];
        yield 'a note that is gone' => [['part' => 0, 'notes' => [9999]], 'Lantern'];
        yield 'a name of 10,000 letters' => [['parts' => [0]], str_repeat('x', 10_000)];
        yield 'a name that is none' => [['parts' => [0]], ['x']];
    }

    #[DataProvider('bad')]
    public function test_what_cannot_be_kept_is_refused_and_the_shelf_stays_as_it_is(mixed $on, mixed $name): void
    {
        $song = $this->song();
        $put = function (mixed $value) use (&$put, $song): mixed {
            /** @var \Closure(mixed): mixed $put */
            return is_array($value) ? array_map($put, $value) : ($value === 0 ? $this->partId($song) : $value);
        };
        $this->postJson("/api/songs/$song->id/shelf", ['on' => $put($on), 'name' => $name])->assertUnprocessable()->assertJsonStructure(['detail']);
        self::assertSame([], $this->getJson('/api/shelf')->json('phrases'));
    }

    public function test_a_file_without_notes_or_that_is_none_is_refused(): void
    {
        foreach ([Smf::file([Smf::END]), 'no midi'] as $bytes) {
            $this->post('/api/shelf', ['file' => UploadedFile::fake()->createWithContent('x.mid', $bytes)])->assertUnprocessable();
        }
        $this->getJson('/api/shelf/77')->assertNotFound();
        self::assertSame([], $this->getJson('/api/shelf')->json('phrases'));
    }
}
