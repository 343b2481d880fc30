<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Editing\LongRequest;
use Illuminate\Support\Facades\File;
use Jactonic\Core\Progress;
use Jactonic\Core\Refusal;
use Tests\TestCase;

/** Work that takes long: how far it is, and the wish to stop it. */
final class DoingTest extends TestCase
{
    private function steps(int $times): void
    {
        for ($i = 0; $i < $times; $i++) {
            Progress::step();
        }
    }

    public function test_it_says_how_far_it_is_only_once_it_takes_long(): void
    {
        $said = LongRequest::work('one', function (): array {
            $this->steps(1000);
            $early = $this->getJson('/api/doing/one')->json('steps');
            usleep(350_000);
            $this->steps(24);

            return [$early, $this->getJson('/api/doing/one')->assertOk()->json('steps'), $this->getJson('/api/doing/two')->json('steps')];
        });
        self::assertSame([null, 1024, null], $said);
        self::assertNull($this->getJson('/api/doing/one')->json('steps'), 'over is over');
        $this->deleteJson('/api/doing/one')->assertStatus(404);
        self::assertSame([], File::glob(storage_path('framework/doing/'.hash('sha256', 'one').'*')));
    }

    public function test_it_is_stopped_where_it_is_and_the_next_is_not(): void
    {
        $done = 0;
        try {
            LongRequest::work('one', function () use (&$done): void {
                for (; $done < 50; $done++) {
                    usleep(60_000);
                    Progress::look();
                    $this->deleteJson('/api/doing/one');
                }
            });
            self::fail('It went on.');
        } catch (Refusal $stopped) {
            self::assertSame('Stopped. Nothing was changed.', $stopped->getMessage());
        }
        self::assertLessThan(20, $done);
        self::assertSame([], File::glob(storage_path('framework/doing/'.hash('sha256', 'one').'*')));
        self::assertSame('done', LongRequest::work('one', static fn (): string => 'done'));
        // Nobody looks on any more.
        $this->steps(1000);
    }
}
