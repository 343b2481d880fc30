<?php

declare(strict_types=1);

namespace Tests\Http;

use PHPUnit\Framework\TestCase as BaseTestCase;
use Symfony\Component\Process\Process;

/** Several processes on one data file, as the server's workers are. */
final class TogetherTest extends BaseTestCase
{
    public function test_changes_made_at_once_wait_for_one_another(): void
    {
        $file = sys_get_temp_dir().'/jactonic-together-'.bin2hex(random_bytes(6)).'.sqlite';
        touch($file);
        $root = dirname(__DIR__, 2);
        $environment = ['DB_DATABASE' => $file, 'APP_CONFIG_CACHE' => "$file.none", 'APP_ROUTES_CACHE' => "$file.none"];
        (new Process([PHP_BINARY, 'artisan', 'migrate', '--force', '--quiet'], $root, $environment))->mustRun();
        $code = <<<'PHP'
            require 'vendor/autoload.php';
            $app = require 'bootstrap/app.php';
            $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
            $song = App\Models\Song::query()->firstOrCreate(['id' => 1], ['name' => 'Together', 'ppq' => 960, 'tempos' => [], 'meters' => [], 'source' => (new Jactonic\Core\Score\Source)->toArray(), 'revision' => 0]);
            for ($i = 0; $i < 60; $i++) {
                App\Songs\Transaction::whole(static function (): void {
                    $song = App\Models\Song::query()->findOrFail(1);
                    usleep(300);
                    $song->revision++;
                    $song->save();
                });
            }
            PHP;
        (new Process([PHP_BINARY, '-r', str_replace('$i < 60', '$i < 0', $code)], $root, $environment))->mustRun();
        $workers = array_map(static fn (): Process => new Process([PHP_BINARY, '-r', $code], $root, $environment), range(1, 4));
        array_map(static fn (Process $p) => $p->start(), $workers);
        foreach ($workers as $worker) {
            $worker->wait();
            self::assertSame('', $worker->getErrorOutput().$worker->getOutput());
        }
        $revision = (new \PDO("sqlite:$file"))->query('select revision from songs');
        self::assertNotFalse($revision);
        self::assertSame(240, $revision->fetchColumn());
        array_map(unlink(...), (array) glob("$file*"));
    }
}
