<?php

declare(strict_types=1);

namespace Tests\Http;

use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

/** The server is for this machine and its own pages only. */
final class GuardTest extends TestCase
{
    #[TestWith(['jactonic.example', 421])]
    #[TestWith(['127.0.0.1.example:8400', 421])]
    #[TestWith(['localhost', 200])]
    #[TestWith(['127.0.0.1:8400', 200])]
    #[TestWith(['[::1]:8400', 200])]
    public function test_it_answers_to_local_names_only(string $host, int $status): void
    {
        $this->get("http://$host/api/songs")->assertStatus($status);
    }

    /** @param  array<string, string>  $headers */
    #[TestWith([['Sec-Fetch-Site' => 'cross-site'], 403])]
    #[TestWith([['Sec-Fetch-Site' => 'same-site'], 403])]
    #[TestWith([['Origin' => 'http://evil.example'], 403])]
    #[TestWith([['Origin' => 'null'], 403])]
    #[TestWith([['Origin' => 'http://127.0.0.1:8000', 'Sec-Fetch-Site' => 'same-origin'], 200])]
    #[TestWith([[], 200])]
    public function test_changes_are_taken_from_its_own_pages_only(array $headers, int $status): void
    {
        $song = $this->song();
        $answer = $this->withHeaders($headers)->patchJson("http://127.0.0.1:8000/api/songs/$song->id", ['name' => 'Changed']);

        $answer->assertStatus($status);
        self::assertSame($status === 200 ? 'Changed' : 'Quay', $song->refresh()->name);
    }

    public function test_pages_may_load_nothing_from_elsewhere(): void
    {
        $this->withoutVite();
        foreach (['/', '/songs/1', '/songs/1/parts/2', '/api/songs', '/api/songs/77'] as $path) {
            $policy = (string) $this->get($path)->headers->get('Content-Security-Policy');
            self::assertStringStartsWith("default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self';", $policy);
            self::assertStringContainsString("frame-ancestors 'none'", $policy);
            self::assertStringNotContainsString('http', $policy);
            self::assertStringNotContainsString("script-src 'self' 'unsafe", $policy);
        }
    }

    public function test_the_method_that_came_counts_whatever_it_says_it_is(): void
    {
        $song = $this->song();
        foreach ([['X-HTTP-Method-Override' => 'GET'], ['X-HTTP-Method-Override' => 'HEAD']] as $override) {
            $this->withHeaders($override + ['Origin' => 'http://evil.example'])->post("http://127.0.0.1:8000/api/songs/$song->id/duplicate")->assertForbidden();
        }
        self::assertSame(1, \App\Models\Song::query()->count());
    }

    public function test_ids_beyond_all_numbers_name_nothing(): void
    {
        $far = '99999999999999999999';
        foreach (["/api/songs/$far", "/api/songs/$far/steps", "/api/songs/$far/file", "/songs/$far", "/api/key-sets/$far/file", "/api/grooves/$far/file"] as $path) {
            $this->get($path)->assertNotFound();
        }
    }

    public function test_what_is_told_of_setup_is_small_and_told_once(): void
    {
        $whole = $this->get('/api/setup')->assertOk();
        $small = $this->get('/api/setup', ['Accept-Encoding' => 'gzip'])->assertOk();
        self::assertSame($whole->getContent(), gzdecode((string) $small->getContent()));
        self::assertLessThan(strlen((string) $whole->getContent()) / 4, strlen((string) $small->getContent()));
        $this->get('/api/setup', ['If-None-Match' => (string) $whole->headers->get('ETag')])->assertStatus(304);
    }

    public function test_pages_that_are_not_there_are_404(): void
    {
        $this->get('/songs/one')->assertNotFound();
        $this->get('/somewhere')->assertNotFound();
    }
}
