<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Editing\History;
use App\Editing\KeptStates;
use App\Models\Song;
use App\Models\Step;
use App\Songs\Library;
use App\Songs\ScoreStore;
use Jactonic\Core\Change\TimeChange;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song as CoreSong;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Time\Timeline;
use Tests\TestCase;

/**
 * From any state of any tree, by any way, each step has exactly the bytes that it had when it was made. Trees are made at
 * random: all edits, parts and tracks made, deleted, merged and split on several branches, several commands in a request.
 * JACTONIC_TREES says how many trees, JACTONIC_SEED the first one's seed (`bin/soak` tries many new ones).
 */
final class RandomTreesTest extends TestCase
{
    private const REQUESTS = 26;

    /** The edits that most of a tree is made of: those that put parts and tracks in and take them away. */
    private const PARTS = ['part-new', 'part-delete', 'part-delete', 'part-repeat', 'part-split', 'part-join', 'part-merge', 'part-move', 'part-crop', 'part-flatten', 'track-delete', 'track-duplicate', 'track-new', 'move-to-track', 'part-slide', 'part-loop'];

    /** @var array<int, string> by step, the song as it was after it; 0 is the start */
    private array $states = [];

    private int $tree = 0;

    public function test_each_step_has_the_bytes_that_it_had_when_it_was_made(): void
    {
        $first = (int) (getenv('JACTONIC_SEED') ?: 1);
        $trees = (int) (getenv('JACTONIC_TREES') ?: 25);
        $steps = 0;
        KeptStates::$every = 5;
        for ($this->tree = $first; $this->tree < $first + $trees; $this->tree++) {
            mt_srand($this->tree);
            $steps += $this->grow();
        }
        KeptStates::$every = KeptStates::EVERY;
        self::assertGreaterThan($trees * 10, $steps, 'the trees have steps');
    }

    private function grow(): int
    {
        $song = Library::keep(self::small());
        $this->states = [0 => self::state($song)];
        for ($i = 0; $i < self::REQUESTS; $i++) {
            match (mt_rand(0, 7)) {
                0 => $this->walk($song, 'undo'),
                1 => $this->walk($song, 'redo'),
                2 => $this->goTo($song),
                default => $this->edit($song),
            };
        }
        $steps = array_keys($this->states);
        shuffle($steps);
        foreach ($steps as $step) {
            $this->goTo($song, $step);
        }

        return count($steps) - 1;
    }

    private function edit(Song $song): void
    {
        $asOne = mt_rand(0, 5) === 0;
        $context = ['caret' => ['tick' => mt_rand(0, 8) * 960, 'pitch' => 60], 'span' => [960, 960 * mt_rand(2, 9)]];
        $batch = new Batch(self::open($song), context: Context::read($context));
        $commands = $states = [];
        for ($i = mt_rand(1, mt_rand(0, 2) === 0 ? 4 : 1); $i > 0; $i--) {
            $command = self::command($batch->score);
            try {
                $outcome = $batch->run($command);
            } catch (Refusal) {
                continue;
            }
            $commands[] = $command;
            if (! $outcome->change->isEmpty()) {
                $states[] = self::bytes($batch->score);
            }
        }
        $last = (int) Step::query()->max('id');
        if ($commands === []) {
            return;
        }
        History::run($song->id, $song->refresh()->revision, $commands, $asOne, null, $context);
        if ($asOne && $states !== []) {
            $states = [self::bytes($batch->score)];
        }
        $made = Step::query()->where('song_id', $song->id)->where('id', '>', $last)->orderBy('id')->pluck('id')->all();
        if ($asOne && $made === []) {
            return;
        }
        self::assertCount(count($states), $made, $this->where(json_encode($commands, JSON_THROW_ON_ERROR)));
        $this->states += array_combine($made, $states);
        $this->check($song, 'edited by '.json_encode($commands, JSON_THROW_ON_ERROR));
    }

    private function walk(Song $song, string $way): void
    {
        $times = mt_rand(1, 5);
        History::$way($song->id, $song->refresh()->revision, $times);
        $this->check($song, "$way, $times times");
    }

    private function goTo(Song $song, ?int $step = null): void
    {
        $step ??= array_rand($this->states);
        do {
            $answer = History::goTo($song->id, $song->refresh()->revision, $step === 0 ? null : $step);
        } while (($answer['left'] ?? 0) > 0);
        self::assertSame($step, $song->refresh()->head_id ?? 0);
        $this->check($song, "gone to $step");
    }

    private function check(Song $song, string $how): void
    {
        $step = $song->refresh()->head_id ?? 0;
        self::assertSame($this->states[$step], self::state($song), $this->where("$how, at step $step"));
    }

    private function where(string $what): string
    {
        return "tree $this->tree: $what";
    }

    /** @return array<string, mixed> a command on something in a score */
    private static function command(Score $score): array
    {
        $id = mt_rand(0, 1) === 0 ? self::PARTS[array_rand(self::PARTS)] : array_rand(Catalogue::classes());
        $spec = Catalogue::edit($id)::spec();
        $params = $spec->examples === [] ? [] : $spec->examples[array_rand($spec->examples)];
        $command = ['edit' => $spec->id, 'params' => match ($score->tracks === [] ? '' : $spec->id) {
            'move-to-track' => ['to' => ['track' => array_rand($score->tracks)], 'copy' => mt_rand(0, 1) === 0],
            'part-move' => mt_rand(0, 1) === 0 ? $params : ['track' => array_rand($score->tracks)],
            default => $params,
        }];

        return $command + ['on' => self::on($spec, $score)] + (mt_rand(0, 6) === 0 ? ['times' => 2] : []);
    }

    /** @return array<array-key, mixed> */
    private static function on(Spec $spec, Score $score): array
    {
        $parts = $score->parts === [] ? [] : array_map(intval(...), (array) array_rand($score->parts, mt_rand(1, min(3, count($score->parts)))));
        $takes = $spec->takes === [] ? AppliesTo::Notes : $spec->takes[array_rand($spec->takes)];

        return match (true) {
            $takes === AppliesTo::Tracks && $score->tracks !== [] => ['tracks' => [array_rand($score->tracks)]],
            $takes === AppliesTo::Parts => ['parts' => $parts],
            $takes === AppliesTo::Points => array_map(static fn (int $part): array => ['part' => $part, 'lane' => 'cc:11', 'pick' => ['all' => true]], $parts),
            default => array_map(static fn (int $part): array => ['part' => $part, 'pick' => mt_rand(0, 2) === 0 ? ['every' => ['n' => 2, 'from' => 1]] : ['all' => true]], $parts),
        };
    }

    private static function small(): CoreSong
    {
        $tracks = $parts = [];
        $id = 0;
        foreach ([1 => 'Lamp', 2 => 'Hull', 3 => 'Gulls'] as $track => $name) {
            $tracks[$track] = new Track($track, $name, $track - 1);
            foreach (range(0, mt_rand(0, 1)) as $n) {
                $from = $n * 2 * 3840;
                $notes = array_map(static fn (int $i): Note => new Note($i, $from + mt_rand(0, 7) * 960 + mt_rand(-40, 40) * min(1, $i - 1), mt_rand(100, 1500), mt_rand(48, 80), mt_rand(20, 110)), range(1, 8));
                $notes = array_map(static fn (Note $note): Note => $note->start < 0 ? $note->movedTo(0) : $note, $notes);
                $points = array_map(static fn (int $i): Point => new Point($i, $from + mt_rand(0, 7000), 0xB0, 11, mt_rand(0, 127)), range(1, 5));
                $parts[++$id] = Part::of($id, "$name $n", $notes, $points, null, new PartHead($track, "$name $n", $from, $from, $from + 2 * 3840));
            }
        }

        return new CoreSong(new Score(Timeline::of(960, [[0, 500_000, 0, 0]], [[0, 4, 4, 24, 8, 0, 0]], []), $parts, $tracks, $id + 1, 4, name: 'Trees'), new Source(1, 960));
    }

    private static function open(Song $song): Score
    {
        return (new ScoreStore($song->refresh()))->open();
    }

    private static function state(Song $song): string
    {
        return self::bytes(self::open($song));
    }

    /** What is seen, heard and saved of a song. */
    private static function bytes(Score $score): string
    {
        $parts = array_map(static fn (Part $p): array => [$p->head->toArray(), bin2hex($p->notes->bytes($p->head->origin)), bin2hex($p->points->bytes($p->head->origin))], $score->parts);
        $tracks = array_map(static fn (Track $t): array => $t->toArray(), $score->tracks);

        return json_encode([$score->name, $score->scale?->name, $parts, $tracks, TimeChange::rows($score->time), md5(Writer::write(Exporter::export(new CoreSong($score, new Source(1, 960)))))], JSON_THROW_ON_ERROR);
    }
}
