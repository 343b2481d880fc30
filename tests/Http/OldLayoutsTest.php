<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Editing\History;
use App\Models\Song;
use App\Songs\Library;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Midi\Event;
use Jactonic\Core\Midi\Reader;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/**
 * A small data file of each layout since the first, made by the code of its time, with what it saved in each state of its
 * history: opened today, each state saves the same events. (Their order at one tick is a rule that changed since.)
 * `tests/fixtures/data/make.php` makes another, when the layout changes.
 */
final class OldLayoutsTest extends TestCase
{
    private string $file = '';

    protected function tearDown(): void
    {
        DB::purge('old');
        config(['database.default' => 'sqlite']);
        self::removeFiles($this->file);
        parent::tearDown();
    }

    /** @return iterable<string, array{string}> */
    public static function layouts(): iterable
    {
        foreach ((array) glob(__DIR__.'/../fixtures/data/*.sqlite.gz') as $file) {
            yield basename((string) $file, '.sqlite.gz') => [substr((string) $file, 0, -strlen('.sqlite.gz'))];
        }
    }

    #[DataProvider('layouts')]
    public function test_each_state_saves_what_it_saved(string $path): void
    {
        $states = $this->open($path);
        Artisan::call('migrate', ['--force' => true]);
        self::assertGreaterThan(8, count($states));
        $this->compare(Song::query()->firstOrFail(), $states);
    }

    public function test_a_file_that_was_worked_on_since_it_got_windows_loses_nothing_either(): void
    {
        $states = $this->open(__DIR__.'/../fixtures/data/layout-02');
        $all = (array) glob(database_path('migrations/*.php'));
        $before = array_filter($all, static fn (mixed $file): bool => ! str_starts_with(basename((string) $file), '2026_12_01'));
        Artisan::call('migrate', ['--force' => true, '--realpath' => true, '--path' => array_values($before)]);
        $song = Song::query()->firstOrFail();
        $part = $song->parts()->orderByDesc('id')->firstOrFail();
        $on = ['part' => $part->id, 'pick' => ['all' => true]];
        foreach ([['edit' => 'transpose', 'on' => $on, 'params' => ['semitones' => 1]], ['edit' => 'part-move', 'on' => ['parts' => [$part->id]], 'params' => ['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]]],
            ['edit' => 'part-resize', 'on' => ['parts' => [$part->id]], 'params' => ['to' => 5000]], ['edit' => 'nudge', 'on' => $on, 'params' => ['steps' => 2, 'by' => ['unit' => 'bar', 'amount' => 1]]]] as $command) {
            History::run($song->id, $song->refresh()->revision, [$command], false);
            $states[$song->refresh()->head_id ?? 0] = base64_encode(Library::export($song));
        }
        Artisan::call('migrate', ['--force' => true]);
        $this->compare($song, $states);
    }

    /** @return array<int, string> what each state saved, by step */
    private function open(string $path): array
    {
        $this->file = sys_get_temp_dir().'/jactonic-'.bin2hex(random_bytes(6)).'.sqlite';
        file_put_contents($this->file, gzdecode((string) file_get_contents("$path.sqlite.gz")));
        config(['database.connections.old' => ['database' => $this->file] + (array) config('database.connections.sqlite'), 'database.default' => 'old']);
        /** @var array<int, string> $states */
        $states = json_decode((string) gzdecode((string) file_get_contents("$path.states.json.gz")), true, 8, JSON_THROW_ON_ERROR);

        return $states;
    }

    /** @param  array<int, string>  $states */
    private function compare(Song $song, array $states): void
    {
        foreach ([...array_keys($states), ...array_reverse(array_keys($states))] as $step) {
            do {
                $answer = History::goTo($song->id, $song->refresh()->revision, $step === 0 ? null : $step);
            } while (($answer['left'] ?? 0) > 0);
            self::assertSame(self::events((string) base64_decode($states[$step], true)), self::events(Library::export($song->refresh())), "state $step");
        }
    }

    /** @return list<string> all events of a file, in an order of their own */
    private static function events(string $bytes): array
    {
        $all = [];
        foreach (Reader::read($bytes)->tracks as $i => $track) {
            array_push($all, ...array_map(static fn (Event $e): string => sprintf('%d %09d %02X %02X %02X %s', $i, $e->tick, $e->status, $e->data1, $e->data2, bin2hex($e->bytes)), $track));
        }
        sort($all);

        return $all;
    }
}
