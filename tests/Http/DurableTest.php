<?php

declare(strict_types=1);

namespace Tests\Http;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Exception\ProcessSignaledException;
use Symfony\Component\Process\Process;

/** What was acknowledged is kept, whatever happens to the server in the next moment. */
final class DurableTest extends TestCase
{
    public function test_an_edit_survives_a_server_killed_as_it_answers(): void
    {
        $file = sys_get_temp_dir().'/jactonic-durable-'.bin2hex(random_bytes(6)).'.sqlite';
        touch($file);
        $root = dirname(__DIR__, 2);
        $environment = ['DB_DATABASE' => $file, 'APP_CONFIG_CACHE' => "$file.none", 'APP_ROUTES_CACHE' => "$file.none"];
        $run = static fn (string $code): Process => new Process([PHP_BINARY, '-r', <<<'PHP'
            require 'vendor/autoload.php';
            $app = require 'bootstrap/app.php';
            $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
            PHP.$code], $root, $environment);
        (new Process([PHP_BINARY, 'artisan', 'migrate', '--force', '--quiet'], $root, $environment))->mustRun();
        $run(' App\Songs\Library::keep(App\Demo\LanternFerry::song());')->mustRun();

        $edit = ' $answer = App\Editing\History::run(1, %d, [["edit" => "transpose", "on" => ["part" => 1, "pick" => ["all" => true]], "params" => ["semitones" => 1]]], false);
            echo $answer["revision"]; flush(); posix_kill(getmypid(), SIGKILL);';
        foreach ([1, 2, 3] as $base) {
            $killed = $run(sprintf($edit, $base));
            try {
                $killed->run();
                self::fail('It was not killed: '.$killed->getErrorOutput());
            } catch (ProcessSignaledException $signaled) {
                self::assertSame(9, $signaled->getSignal());
            }
            self::assertSame((string) ($base + 1), $killed->getOutput());
        }
        $pitches = ' echo json_encode(array_slice((new App\Songs\ScoreStore(App\Models\Song::query()->findOrFail(1)))->open()->part(1)->notes->column("pitch"), 0, 4));';
        $look = $run($pitches);
        $look->mustRun();
        self::assertSame('[60,63,67,68]', $look->getOutput(), 'up three semitones');

        $back = $run(' echo App\Editing\History::undo(1, 4, 3)["revision"];'.$pitches);
        $back->mustRun();
        self::assertSame('5[57,60,64,65]', $back->getOutput(), 'and down again');
        array_map(unlink(...), (array) glob("$file*"));
    }
}
