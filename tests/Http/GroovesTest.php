<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Groove;
use Tests\TestCase;

final class GroovesTest extends TestCase
{
    public function test_a_feel_is_taken_kept_named_used_and_taken_to_another_song(): void
    {
        $song = $this->song();
        $kept = $this->postJson("/api/songs/$song->id/grooves", ['name' => 'Swell', 'on' => $this->all($song), 'grid' => '1/16'])->assertCreated();
        $kept->assertJsonPath('groove.name', 'Swell')->assertJsonPath('shelf', false);
        $id = $kept->json('id');
        assert(is_int($id));
        $this->patchJson("/api/grooves/$id", ['name' => 'Tide'])->assertOk()->assertJsonPath('groove.name', 'Tide');
        $this->getJson("/api/songs/$song->id/grooves")->assertJsonPath('grooves.0.groove.name', 'Tide');

        $file = $this->get("/api/grooves/$id/file")->assertOk();
        self::assertStringContainsString('Tide.groove.json', (string) $file->headers->get('Content-Disposition'));
        $other = $this->song('Other');
        $this->getJson("/api/songs/$other->id/grooves")->assertJsonPath('grooves', []);
        $this->postJson("/api/songs/$other->id/grooves", ['groove' => json_decode((string) $file->getContent(), true), 'shelf' => true])->assertCreated()->assertJsonPath('shelf', true);
        $shelved = $this->getJson("/api/songs/$other->id/grooves")->json('grooves.0.groove');
        self::assertEquals($this->getJson("/api/songs/$song->id/grooves")->json('grooves.0.groove'), $shelved);

        // What was played gives itself back.
        $played = $this->starts($song);
        $this->do($song, [['edit' => 'quantize', 'on' => $this->all($song)], ['edit' => 'groove-quantize', 'params' => ['groove' => $shelved]]])->assertOk();
        self::assertEqualsWithDelta($played, $this->starts($song), 1);
    }

    public function test_a_copy_of_a_song_has_its_grooves_and_a_deleted_one_is_gone(): void
    {
        $song = $this->song();
        $id = $this->postJson("/api/songs/$song->id/grooves", ['name' => 'Swell', 'on' => $this->all($song), 'grid' => '1/16'])->json('id');
        $copy = $this->postJson("/api/songs/$song->id/duplicate")->json('song.id');
        assert(is_int($id) && is_int($copy));
        $this->getJson("/api/songs/$copy/grooves")->assertJsonPath('grooves.0.groove.name', 'Swell');
        $this->deleteJson("/api/grooves/$id")->assertNoContent();
        $this->getJson("/api/songs/$song->id/grooves")->assertJsonPath('grooves', []);
        $this->deleteJson("/api/grooves/$id")->assertNotFound();
    }

    public function test_what_is_none_is_refused_and_nothing_is_kept(): void
    {
        $song = $this->song();
        $good = ['name' => 'Swell', 'on' => $this->all($song), 'grid' => '1/16'];
        foreach ([['grid' => 'bar'], ['grid' => null], ['name' => ' '], ['on' => ['part' => 77_777]], ['groove' => ['kind' => 'recipe']], ['groove' => 'Swell'], ['shelf' => 'yes']] as $bad) {
            $this->postJson("/api/songs/$song->id/grooves", $bad + $good)->assertStatus(422)->assertJsonStructure(['detail', 'parameter']);
        }
        self::assertSame(0, Groove::query()->count());
    }
}
