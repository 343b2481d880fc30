<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Song;
use App\Songs\Library;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Tests\Support\Smf;
use Symfony\Component\HttpFoundation\Response;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        // The interface may just be being built beside the tests.
        $this->withoutVite();
    }

    /** Whatever a test asks of the server, what is sent and answered is held against the contract. */
    protected function createTestResponse($response, $request): TestResponse
    {
        if ($request instanceof Request && $response instanceof Response) {
            ContractCheck::check($request, $response);
        }

        return parent::createTestResponse($response, $request);
    }

    /** Four notes a little off the sixteenths, on the file's one track. */
    protected function song(string $name = 'Quay'): Song
    {
        $bytes = Smf::file([Smf::at(2, '90 3C 50').Smf::at(20, '80 3C 40').Smf::at(5, '90 3E 51').Smf::at(20, '80 3E 40')
            .Smf::at(1, '90 40 52').Smf::at(20, '80 40 40').Smf::at(7, '90 41 53').Smf::at(20, '80 41 40').Smf::END]);

        return Library::keep(Importer::import(Reader::read($bytes), $name)[0]);
    }

    protected function partId(Song $song): int
    {
        return $song->parts()->firstOrFail()->id;
    }

    /** @return array{part: int, pick: array{all: true}} */
    protected function all(Song $song): array
    {
        return ['part' => $this->partId($song), 'pick' => ['all' => true]];
    }

    /**
     * @param  list<array<string, mixed>>  $do
     * @param  array<string, mixed>  $more
     */
    protected function do(Song $song, array $do, array $more = []): TestResponse
    {
        return $this->postJson("/api/songs/{$song->id}/edits", ['base' => $song->refresh()->revision, 'do' => $do] + $more);
    }

    protected function upload(string $bytes, string $name = 'take.mid'): TestResponse
    {
        return $this->post('/api/imports', ['file' => UploadedFile::fake()->createWithContent($name, $bytes)]);
    }

    /** @return list<int> starts of the song's first part, in order of ids */
    protected function starts(Song $song): array
    {
        $notes = $this->getJson("/api/songs/{$song->id}")->json('tracks.0.parts.0.notes');

        return array_column(is_array($notes) ? $notes : [], 1);
    }

    /**
     * Columns of a note's row by their names: a test says only those that it is about.
     *
     * @param  list<string>  $names
     * @return array<string, mixed>
     */
    protected function named(mixed $row, array $names): array
    {
        $all = array_combine([...Table::notes()->shown, 'until'], is_array($row) ? $row : []);

        return array_intersect_key($all, array_flip($names));
    }

    /** Removes a test's own data file, with what SQLite put beside it. Where a test failed before it had one, nothing is removed. */
    protected static function removeFiles(string $file): void
    {
        if (str_starts_with($file, sys_get_temp_dir().'/jactonic-')) {
            array_map(unlink(...), glob("$file*") ?: []);
        }
    }
}
