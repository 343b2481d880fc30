<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Disks that are full, files that cannot be written, servers that are busy: a sentence that says what to do. */
final class FaultsTest extends TestCase
{
    #[TestWith([5, 503, 'The server is busy'])]
    #[TestWith([13, 507, 'Free some space.'])]
    #[TestWith([8, 507, 'Give the server the right to write it'])]
    #[TestWith([14, 507, 'Give the server the right to write it'])]
    #[TestWith([26, 500, 'is damaged or no data file of Jactonic'])]
    public function test_what_is_wrong_with_the_data_file_is_said(int $code, int $status, string $why): void
    {
        Route::get('api/fault', static function () use ($code): never {
            $e = new \PDOException('SQLSTATE[HY000]: General error');
            $e->errorInfo = ['HY000', $code, 'as SQLite says it'];
            throw $e;
        });

        $this->getJson('/api/fault')->assertStatus($status)->assertJsonPath('detail', static fn (string $detail): bool => str_contains($detail, $why));
    }

    public function test_an_edit_that_finds_the_data_file_read_only_changes_nothing_and_says_so(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        DB::statement('pragma query_only = 1');
        $this->do($song, [['edit' => 'transpose', 'on' => ['part' => $part, 'pick' => ['all' => true]], 'params' => ['semitones' => 1]]])->assertStatus(507);
        DB::statement('pragma query_only = 0');
        self::assertSame($song->revision, $song->refresh()->revision);
    }

    public function test_what_is_gone_is_said_on_the_screen_without_its_number(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $notes = 'A note that was meant is not in the part';
        foreach ([[['part' => 99_999, 'notes' => []], 'That part is not there any more.'], [['tracks' => [99_999]], 'That track is not there any more.'], [['part' => $part, 'notes' => [99_999]], $notes], [['part' => $part, 'lane' => 'cc:11', 'points' => [99_999]], 'A point that was meant is not in the part']] as [$on, $said]) {
            $this->do($song, [['edit' => 'transpose', 'on' => $on, 'params' => ['semitones' => 1]]])->assertStatus(422)
                ->assertJsonPath('detail', static fn (string $detail): bool => str_contains($detail, '99999'))
                ->assertJsonPath('screen', static fn (string $screen): bool => str_starts_with($screen, $said) && ! str_contains($screen, '99999'));
        }
    }

    public function test_a_log_that_cannot_be_written_changes_nothing_of_the_answer(): void
    {
        config(['logging.channels.file.path' => '/nowhere/at/all.log']);
        Route::get('api/fault', static fn (): never => throw new \LogicException('a fault'));

        $this->getJson('/api/fault')->assertStatus(500)->assertJsonPath('detail', 'Jactonic could not do this because of a fault of its own. Nothing was changed; the log has the details.');
    }

    public function test_starting_with_a_file_that_is_no_data_file_says_what_to_do(): void
    {
        $name = 'no-data-'.bin2hex(random_bytes(4));
        $file = base_path("storage/$name.sqlite");
        file_put_contents($file, 'This is a letter, not a song.');
        $process = new Process(['bash', '-c', "source bin/lib.sh; data $name"], base_path());
        $process->run();
        unlink($file);

        self::assertSame(1, $process->getExitCode());
        self::assertStringContainsString("storage/$name.sqlite is no data file of Jactonic. Move it away to begin anew", $process->getErrorOutput());
    }

    public function test_a_request_whose_answer_was_lost_is_told_again_what_it_chose_and_said(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $body = ['base' => $song->revision, 'key' => 'one', 'do' => [['select' => 'all', 'on' => ['part' => $part, 'notes' => []]], ['edit' => 'transpose', 'params' => ['semitones' => 1]]]];
        $first = $this->postJson("/api/songs/$song->id/edits", $body)->assertOk();
        $again = $this->postJson("/api/songs/$song->id/edits", $body)->assertStatus(409)->assertJsonPath('done', true);

        foreach (['selection', 'said', 'warnings'] as $what) {
            self::assertSame($first->json($what), $again->json("answer.$what"));
        }
        self::assertNotSame([], $again->json('answer.selection'));
        self::assertSame($first->json('revision'), $again->json('catchUp.revision'));
        // Of a thousand, what the last few were answered.
        for ($i = 0; $i < 120; $i++) {
            $this->postJson("/api/songs/$song->id/edits", ['base' => $song->refresh()->revision, 'key' => "key $i", 'do' => [['edit' => 'transpose', 'on' => ['part' => $part, 'pick' => ['all' => true]], 'params' => ['semitones' => $i % 2 ? 1 : -1]]]])->assertOk();
        }
        self::assertLessThan(110, DB::table('requests')->whereNotNull('answer')->count());
    }
}
