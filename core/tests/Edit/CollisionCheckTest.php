<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\CollisionCheck;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What comes to lie on another is found however many move, and whatever else they become. */
final class CollisionCheckTest extends TestCase
{
    /** @return iterable<string, array{int, int, list<string>}> seed, how many are touched, and what they become otherwise in */
    public static function moves(): iterable
    {
        foreach (range(1, 6) as $seed) {
            foreach ([5, 20, 60, 130] as $count) {
                foreach ([['start'], ['pitch'], ['start', 'pitch'], ['start', 'drop'], ['start', 'pitch', 'put', 'drop']] as $how) {
                    yield "seed $seed, $count by ".implode(', ', $how) => [$seed, $count, $how];
                }
            }
        }
    }

    /** @param  list<string>  $how */
    #[DataProvider('moves')]
    public function test_it_is_who_newly_lies_on_another_of_the_same_pitch_and_channel(int $seed, int $count, array $how): void
    {
        $score = Make::take($seed, 130);
        $part = $score->part(1);
        mt_srand($seed);
        // Few places, so that many meet.
        $builder = new ChangeBuilder;
        foreach ($part->notes->all() as $note) {
            $builder->put($part, $note->exactly(['start' => 240 * mt_rand(0, 9), 'pitch' => mt_rand(60, 65), 'channel' => mt_rand(0, 1)]));
        }
        $score = $builder->change()->applyTo($score);
        $part = $score->part(1);

        $builder = new ChangeBuilder;
        foreach (array_slice($part->notes->all(), 0, $count) as $note) {
            if (in_array('drop', $how, true) && mt_rand(0, 5) === 0) {
                $builder->drop($part, $note);

                continue;
            }
            $builder->put($part, $note->exactly(array_filter([
                'start' => in_array('start', $how, true) ? 240 * mt_rand(0, 30) : null,
                'pitch' => in_array('pitch', $how, true) ? mt_rand(60, 72) : null,
            ], is_int(...))));
            if (in_array('put', $how, true) && mt_rand(0, 5) === 0) {
                $builder->put($part, $note->exactly(['id' => 1000 + $note->id, 'start' => 240 * mt_rand(0, 30)]));
            }
        }
        $change = $builder->change();
        $merging = CollisionCheck::merging($change, $score)[1] ?? [];
        sort($merging);

        self::assertSame(self::plainly($part, $change->applyTo($score)->part(1), $change->parts[1]->notes->after()), $merging);
    }

    /**
     * One by one, each against all.
     *
     * @param  array<int, Note>  $touched
     * @return list<int>
     */
    private static function plainly(Part $before, Part $after, array $touched): array
    {
        $on = static fn (Part $part, Note $note): int => count(array_filter($part->notes->all(), static fn (Note $n): bool => [$n->start, $n->pitch, $n->channel] === [$note->start, $note->pitch, $note->channel]));
        $found = [];
        foreach ($touched as $id => $note) {
            $was = $before->notes->get($id);
            $moved = $was === null || [$was->start, $was->pitch] !== [$note->start, $note->pitch];
            if ($moved && $on($after, $note) > 1 && ($was === null || $on($before, $was) === 1)) {
                $found[] = $id;
            }
        }
        sort($found);

        return $found;
    }
}
