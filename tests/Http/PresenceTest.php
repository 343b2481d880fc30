<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Windows\Presence;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tests\TestCase;

/** What windows are told all the time: how the song stands, and where the others are. */
final class PresenceTest extends TestCase
{
    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/jactonic-windows-'.bin2hex(random_bytes(6));
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    private function presence(): Presence
    {
        return new Presence(DB::connection()->getPdo(), $this->folder);
    }

    public function test_windows_see_one_another_by_name_until_they_are_gone(): void
    {
        $song = $this->song();
        $one = $this->presence()->answer($song->id, ['window' => 'a', 'part' => '7', 'tick' => '960'], 100.0);
        self::assertSame(['revision' => 1, 'epoch' => '', 'name' => 'Window 1', 'others' => []], $one);
        $two = $this->presence()->answer($song->id, ['window' => 'b', 'tick' => '5'], 100.5);
        self::assertSame(['Window 2', [['window' => 'a', 'name' => 'Window 1', 'part' => 7, 'tick' => 960]]], [$two['name'] ?? null, $two['others'] ?? null]);
        $again = $this->presence()->answer($song->id, ['window' => 'a', 'part' => '7', 'tick' => '1920'], 101.0);
        self::assertSame(['Window 1', [['window' => 'b', 'name' => 'Window 2', 'part' => null, 'tick' => 5]]], [$again['name'] ?? null, $again['others'] ?? null]);
        // One that says it is closed is gone at once.
        $this->presence()->answer($song->id, ['window' => 'd'], 101.1);
        self::assertCount(2, $this->presence()->answer($song->id, ['window' => 'b', 'tick' => '5'], 101.2)['others'] ?? []);
        self::assertSame('', $this->presence()->answer($song->id, ['window' => 'd', 'gone' => '1'], 101.3)['name'] ?? null);
        self::assertCount(1, $this->presence()->answer($song->id, ['window' => 'b', 'tick' => '5'], 101.4)['others'] ?? []);
        // The first is closed; its name is free for the next, and the second keeps its own.
        self::assertSame([], $this->presence()->answer($song->id, ['window' => 'b'], 106.0)['others'] ?? null);
        self::assertSame('Window 1', $this->presence()->answer($song->id, ['window' => 'c'], 106.5)['name'] ?? null);
        self::assertSame('Window 2', $this->presence()->answer($song->id, ['window' => 'b'], 107.0)['name'] ?? null);
    }

    public function test_it_says_how_the_song_stands_and_takes_whatever_is_asked(): void
    {
        $song = $this->song();
        $this->do($song, [['edit' => 'transpose', 'on' => $this->all($song), 'params' => ['semitones' => 1]]])->assertOk();
        $this->getJson("/api/songs/$song->id/presence?window=x")->assertOk()->assertJsonPath('revision', 2);
        $this->getJson("/api/songs/$song->id/presence")->assertOk()->assertJsonPath('name', '');
        $this->getJson('/api/songs/99/presence?window=x')->assertNotFound();
        foreach (['../../x', str_repeat('a', 65), '', 'a b', ['x']] as $window) {
            self::assertSame('', $this->presence()->answer($song->id, ['window' => $window, 'part' => 'x', 'tick' => []])['name'] ?? null);
        }
        self::assertSame([], glob("$this->folder/*") ?: []);
        // A file that is half written is passed over.
        File::ensureDirectoryExists($this->folder);
        file_put_contents("$this->folder/$song->id-broken.json", '{"window": "br');
        self::assertSame([], $this->presence()->answer($song->id, ['window' => 'y'])['others'] ?? null);
    }
}
