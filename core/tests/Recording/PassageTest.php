<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Recording;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Recording\Event;
use Jactonic\Core\Recording\Passage;
use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PassageTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function passages(): iterable
    {
        foreach (Passage::all() as $passage) {
            yield $passage->name => [$passage->id];
        }
    }

    #[DataProvider('passages')]
    public function test_what_is_played_is_recorded_where_it_was_through_a_change_of_tempo(string $id): void
    {
        $time = Timeline::of(960, [[0, 666_667], [3840, 428_571]]);
        $events = Passage::find($id)->played($time, 1920, 5, 15.0, null, 2);
        $score = Make::score([], [], $time);
        $after = Batch::once(['edit' => 'insert-recording', 'on' => ['part' => 1, 'notes' => []],
            'params' => ['from' => 1920, 'events' => array_map(static fn (Event $e): array => $e->toArray(), $events)]], $score)->change->applyTo($score);
        $notes = array_values(array_filter($events, static fn (Event $e): bool => $e->isNote()));

        self::assertCount(count($notes), $after->part(1)->notes->all());
        self::assertCount(count($events) - count($notes), $after->part(1)->points->all());
        foreach (array_values($after->part(1)->notes->all()) as $i => $note) {
            self::assertEqualsWithDelta($notes[$i]->on, $time->tempos->seconds($note->start) - $time->tempos->seconds(1920), 0.001);
            self::assertSame([$notes[$i]->data1, $notes[$i]->data2], [$note->pitch, $note->velocity]);
        }
    }

    public function test_the_same_seed_plays_the_same_and_another_otherwise(): void
    {
        $play = static fn (int $seed, float $loose): array => Passage::find('bell')->played(Timeline::of(960), 0, $seed, $loose, null, 1);

        self::assertEquals($play(3, 12), $play(3, 12));
        self::assertNotEquals($play(3, 12), $play(4, 12));
        self::assertEqualsWithDelta(0.5, $play(3, 0)[1]->on, 1e-9, 'not loose at all, it is on the beat');
        foreach ($play(3, 12) as $i => $event) {
            self::assertLessThanOrEqual(0.012 + 1e-9, abs($event->on - $play(1, 0)[$i]->on));
        }
    }

    public function test_a_tempo_of_its_own_goes_against_the_song(): void
    {
        self::assertEqualsWithDelta(1.0, Passage::find('bell')->played(Timeline::of(960), 0, 1, 0, 60, 1)[1]->on, 1e-9);
    }

    public function test_what_cannot_be_is_refused_by_name(): void
    {
        foreach ([['loose', 101.0, null, 1], ['tempo', 0.0, 9.0, 1], ['times', 0.0, null, 0]] as [$name, $loose, $tempo, $times]) {
            try {
                Passage::find('bell')->played(Timeline::of(960), 0, 1, $loose, $tempo, $times);
                self::fail($name);
            } catch (Refusal $refusal) {
                self::assertSame($name, $refusal->parameter);
            }
        }
        $this->expectException(Refusal::class);
        Passage::find('anthem');
    }
}
