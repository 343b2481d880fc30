<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Editing\KeptStates;
use App\Models\Song;
use App\Models\Step;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** Steps far off in a long history are gone to by states that were kept, and it is as if each step had been taken. */
final class FarStepsTest extends TestCase
{
    /** @return array<string, mixed> */
    private function whole(Song $song): array
    {
        /** @var array<string, mixed> $data */
        $data = $this->getJson("/api/songs/$song->id")->assertOk()->json();

        return array_diff_key($data, ['revision' => 0, 'canUndo' => 0, 'canRedo' => 0]);
    }

    private function goTo(Song $song, ?int $step): void
    {
        do {
            $answer = $this->postJson("/api/songs/$song->id/steps", ['base' => $song->refresh()->revision, 'step' => $step])->assertOk();
        } while (($answer->json('left') ?? 0) > 0);
    }

    /** Notes louder and softer in turn, one step each. */
    private function steps(Song $song, int $count): void
    {
        for (; $count > 0; $count -= 500) {
            $this->some($song, array_map(fn (int $n): array => ['edit' => 'velocity-add', 'on' => $this->all($song), 'params' => ['amount' => $n % 2 === 0 ? -1 : 1]], range(1, min(500, $count))));
        }
    }

    /** @param  list<array<string, mixed>>  $commands */
    private function some(Song $song, array $commands): int
    {
        self::assertSame(200, ($answer = $this->do($song, $commands, ['on' => []]))->status(), (string) $answer->json('detail'));
        self::assertNull($answer->json('refused'));

        return $song->refresh()->head_id ?? 0;
    }

    public function test_a_song_is_the_same_whether_its_steps_are_walked_or_jumped_over(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $track = $song->tracks()->has('parts')->firstOrFail()->id;
        $bar = ['unit' => 'bar', 'amount' => 1];
        $this->steps($song, KeptStates::EVERY - 5);
        // A part made, written in, moved and taken away, a tempo, a track and the song's name: about where states are kept.
        $new = ['edit' => 'part-new', 'on' => ['tracks' => [$track]], 'params' => ['name' => 'Second', 'from' => 0, 'to' => 3840]];
        $at[] = $this->some($song, [$new]);
        $second = (int) DB::table('parts')->max('id');
        $at[] = $this->some($song, [['edit' => 'insert', 'on' => ['parts' => [$second]], 'params' => ['notes' => [['start' => 10, 'length' => 240, 'pitch' => 64], ['start' => 400, 'length' => 9, 'pitch' => 60]]]],
            ['edit' => 'part-move', 'on' => ['parts' => [$second]], 'params' => ['steps' => 1, 'by' => $bar]], ['edit' => 'tempo-set', 'params' => ['tempo' => 97]]]);
        $at[] = $this->some($song, [['edit' => 'song-rename', 'params' => ['name' => 'Night boat']], ['edit' => 'track-new', 'params' => ['program' => 32]]]);
        $this->steps($song, KeptStates::EVERY - 2);
        $at[] = $this->some($song, [['edit' => 'transpose', 'on' => ['parts' => [$second]], 'params' => ['semitones' => 5]], ['edit' => 'part-move', 'on' => ['parts' => [$second]], 'params' => ['steps' => 2, 'by' => $bar]],
            ['edit' => 'part-delete', 'on' => ['parts' => [$second]]], ['edit' => 'track-delete', 'on' => ['tracks' => [(int) DB::table('tracks')->max('id')]]]]);
        $this->steps($song, KeptStates::EVERY);
        // Another way from there, on which the part is taken away as it was.
        $this->goTo($song, $at[2]);
        $this->some($song, [['edit' => 'part-delete', 'on' => ['parts' => [$second]]]]);
        $this->steps($song, KeptStates::EVERY + 3);
        $at[] = $song->refresh()->head_id ?? 0;
        self::assertGreaterThanOrEqual(4, DB::table('kept_states')->count());

        $ways = [...$at, null, $at[1], $at[4], $at[3], $at[0], $at[4], $at[2]];
        $jumped = $walked = [];
        foreach ($ways as $step) {
            $this->goTo($song, $step);
            $jumped[] = $this->whole($song);
            // What was out of sight counts too: a step back and one on.
            foreach (['undo', 'undo', 'undo', 'redo', 'redo', 'redo'] as $way) {
                $this->postJson("/api/songs/$song->id/$way", ['base' => $song->refresh()->revision])->assertOk();
            }
            if ($step !== null) {
                self::assertSame(end($jumped), $this->whole($song), "back and on again at $step");
            }
        }
        foreach ($ways as $step) {
            DB::table('kept_states')->delete();
            $this->goTo($song, $step);
            $walked[] = $this->whole($song);
        }
        self::assertSame($walked, $jumped);
        self::assertGreaterThan(5, count(array_unique(array_map(serialize(...), $walked))));
    }

    public function test_far_is_near_once_states_are_kept(): void
    {
        $song = $this->song();
        $this->steps($song, 1300);
        $head = $song->refresh()->head_id;
        $first = (int) Step::query()->where('song_id', $song->id)->min('id');
        // Steps that are not walked over are not read: unreadable ones are no matter.
        DB::table('steps')->whereBetween('id', [$first + 2 * KeptStates::EVERY + 1, $first + 4 * KeptStates::EVERY - 1])->update(['change' => 'no change']);
        $start = $this->whole($song);
        $this->goTo($song, null);
        self::assertSame([20, 270, 480, 750], $this->starts($song));
        $this->goTo($song, $head);
        self::assertSame($start, $this->whole($song));
        self::assertSame($song->refresh()->head_id, $head);
    }

    public function test_a_step_made_longer_is_not_gone_to_as_it_was(): void
    {
        $song = $this->song();
        $this->steps($song, KeptStates::EVERY - 1);
        $louder = ['edit' => 'velocity-add', 'params' => ['amount' => 3], 'more' => true, 'on' => $this->all($song)];
        $this->do($song, [$louder, $louder, $louder])->assertOk();
        $step = $song->refresh()->head_id;
        self::assertSame(KeptStates::EVERY, Step::query()->count());
        $whole = $this->whole($song);
        $this->goTo($song, null);
        $this->goTo($song, $step);
        self::assertSame($whole, $this->whole($song));
    }

    public function test_redo_goes_the_way_that_was_jumped_along(): void
    {
        $song = $this->song();
        $on = $this->all($song);
        $this->some($song, [['edit' => 'transpose', 'on' => $on, 'params' => ['semitones' => 1]]]);
        $this->steps($song, KeptStates::EVERY + 10);
        $far = $song->refresh()->head_id;
        $this->goTo($song, null);
        $other = $this->some($song, [['edit' => 'transpose', 'on' => $on, 'params' => ['semitones' => 7]]]);
        $this->goTo($song, $far);
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision, 'times' => 1000])->assertOk();
        $this->postJson("/api/songs/$song->id/redo", ['base' => $song->refresh()->revision, 'times' => 1000])->assertOk();
        self::assertSame($far, $song->refresh()->head_id);
        self::assertNotSame($other, $far);
    }
}
