<?php

declare(strict_types=1);

namespace App\Guide;

use App\Songs\SongView;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Timeline;

/**
 * The small pictures of the guide, as data for the code that draws notes: what the marks mean, and for each job what a key
 * does. What comes after is worked out by the edits themselves.
 */
final class Pictures
{
    private const BAR = 3840;

    /** By a word of their line in the guide's table: notes as in `note`, and what else is shown. */
    private const MARKS = [
        'how full' => [[[0, 420, 60, 45], [480, 420, 60, 80], [960, 420, 60, 120]]],
        'folded corner' => [[[480, 900, 60, 90]], 'selected' => [1]],
        'broken edge' => [[[480, 900, 60, 90, 'muted' => true]]],
        'wedge' => [[[60, 560, 60, 90], [900, 480, 60, 90]]],
        'thin staff' => [[[480, 720, 60, 90, 'driftStart' => -260, 'driftLength' => 160]]],
        'saw-tooth' => [[[0, 760, 60, 90], [480, 900, 60, 90]], 'overlaps' => [[480, 760, 60]]],
        'small cross' => [[[480, 900, 61, 90]], 'scale' => 'C major'],
        'arrow' => [[[0, 700, 60, 127, 'carryVelocity' => 12], [960, 500, 60, 1, 'carryVelocity' => -12]]],
        'letters' => [[[480, 900, 60, 90]]],
        'thin line' => [[[0, 1440, 60, 60]], 'do' => ['edit' => 'note-line', 'params' => ['lane' => 'bend', 'low' => -200, 'high' => 0, 'to' => 60]]],
        'pale' => [[[0, 460, 60, 90], [960, 460, 60, 90]], 'window' => [0, 960]],
        'hatched' => [[[480, 900, 60, 90]], 'other' => true],
        'dot and bar' => [[[480, 900, 60, 90]], 'sounding' => true],
    ];

    /** @return array{time: array<string, mixed>, marks: list<array<string, mixed>>, jobs: array<string, array<string, mixed>>} */
    public static function all(): array
    {
        $score = self::score([]);
        $marks = [];
        foreach (self::MARKS as $word => $mark) {
            $one = self::score($mark[0], ['scale' => $mark['scale'] ?? null], ...($mark['window'] ?? [0, self::BAR]));
            if (isset($mark['do'])) {
                $one = Batch::once($mark['do'], $one, new Selection([1 => [1]]))->change->applyTo($one);
            }
            $marks[] = ['mark' => $word, 'part' => self::part($one)] + array_intersect_key($mark, ['selected' => 1, 'overlaps' => 1, 'other' => 1, 'sounding' => 1]);
        }

        return ['time' => array_diff_key(SongView::time($score), ['lines' => 1, 'tables' => 1, 'sounds' => 1]), 'marks' => $marks, 'jobs' => self::jobs()];
    }

    public static function text(): string
    {
        return json_encode(self::all(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION)."\n";
    }

    /** @return array<string, array<string, mixed>> by the heading of the guide */
    private static function jobs(): array
    {
        $line = [[0, 460, 60, 70], [480, 460, 62, 75], [960, 460, 64, 80], [1440, 460, 65, 85], [1920, 460, 67, 90], [2400, 460, 65, 85], [2880, 900, 64, 80]];
        $loose = array_map(static fn (array $n, int $i): array => [max(0, $n[0] + [55, -70, 90, -45, 80, -85, 60][$i]), $n[1] - 80, $n[2], $n[3]], $line, array_keys($line));
        $chords = [...self::chord(0, 60, 64, 67), ...self::chord(1920, 60, 65, 69)];
        $short = array_map(static fn (array $n): array => [$n[0], 200, $n[2], $n[3]], $line);

        return [
            'Getting notes in' => self::job('Alt Shift H', 'a chord by name: Dm7', [], [['set' => ['penLength' => '1/2'], 'on' => ['part' => 1, 'notes' => []]], ['edit' => 'insert-chord', 'params' => ['chord' => 'Dm7', 'tick' => 0, 'low' => 60]]], []),
            'On the grid' => self::job('Q', 'quantize: a thin staff shows where each note was played', $loose, [['edit' => 'quantize']]),
            'Selecting' => self::job('N T', 'the top notes', $chords, [['select' => 'top-voices']], []),
            'Time and length' => self::job('F', 'legato', $short, [['edit' => 'legato']]),
            'Pitch and harmony' => self::job('Alt H ↑', 'the next inversion', $chords, [['edit' => 'invert-chord']]),
            'Velocity' => self::job('Shift V ↑', 'crescendo', $line, [['edit' => 'velocity-ramp', 'params' => ['from' => 25, 'to' => 127]]]),
            'Copies' => self::job('Ctrl D', 'repeat', array_slice($line, 0, 4), [['edit' => 'repeat']]),
            'Lanes' => self::job('Alt V Q', 'the pedal from the chords', array_map(static fn (array $n): array => [$n[0], 500, $n[2], $n[3]], $chords), [['edit' => 'pedal']], more: ['tails' => true]),
            'Articulations and the curves of a note' => self::job('Alt A B', 'bend up into the note', [[480, 2400, 64, 90]], [['edit' => 'note-line', 'params' => ['lane' => 'bend', 'low' => -200, 'high' => 0, 'to' => 40]]]),
            'Arranging' => self::job('Ctrl B', 'crop to the span; what is outside is kept, and not heard', $line, [['edit' => 'part-crop', 'params' => ['from' => 960, 'to' => 2880], 'on' => ['parts' => [1]]]], []),
            'Playing and seeing' => self::job('Alt Shift D', 'only the rows that have notes', [...self::chord(0, 55, 62, 70), ...self::chord(1920, 55, 62, 70)], [], [], ['used' => true]),
            'Finding, and making it your own' => self::job('/', 'typed: transpose -7', $line, [['edit' => 'transpose', 'params' => ['semitones' => -7]]]),
        ];
    }

    /** @return list<array{int, int, int, int}> */
    private static function chord(int $at, int ...$pitches): array
    {
        return array_map(static fn (int $pitch): array => [$at, 1700, $pitch, 85], array_values($pitches));
    }

    /**
     * @param  list<array<int|string, mixed>>  $notes  as in `score`
     * @param  list<array<string, mixed>>  $do  commands
     * @param  list<int>|null  $selected  ids of the notes selected before it; null for all
     * @param  array<string, bool>  $more  `tails`: notes are drawn as long as the pedal holds them; `used`: after it only rows with notes are shown
     * @return array<string, mixed> its keys as they ship and words, and the part before and after with what is selected
     */
    private static function job(string $keys, string $words, array $notes, array $do, ?array $selected = null, array $more = []): array
    {
        $score = self::score($notes);
        $on = new Selection([1 => $selected ?? $score->part(1)->notes->ids()]);
        $batch = new Batch($score, chosen: $on, context: new Context(caret: 0, row: 60));
        foreach ($do as $command) {
            $batch->run($command);
        }
        $side = static fn (Score $of, Selection $selected): array => ['part' => self::part($of), 'selected' => $selected->notes[1] ?? []];

        return ['keys' => $keys, 'words' => $words, 'before' => $side($score, $on), 'after' => $side($batch->score, $batch->chosen ?? $on)] + $more;
    }

    /**
     * A score of one part with a grid of eighths.
     *
     * @param  list<array<int|string, mixed>>  $notes  start and length in ticks, pitch, velocity, and what else a note is made of
     * @param  array<string, mixed>  $settings
     */
    private static function score(array $notes, array $settings = [], int $from = 0, int $to = self::BAR): Score
    {
        $made = [];
        foreach ($notes as $i => $note) {
            /** @var array<string, mixed> $more */
            $more = array_filter($note, is_string(...), ARRAY_FILTER_USE_KEY);
            /** @var array{int, int, int, int} $note */
            $made[] = (new Note($i + 1, $note[0], $note[1], $note[2], $note[3]))->with($more);
        }
        $part = Part::of(1, 'Lantern', $made, [], PartSettings::fromArray(array_filter($settings) + ['grid' => '1/8', 'strength' => 100]), PartHead::fresh(1, '', $from, $to));

        return new Score(Timeline::of(Timeline::PPQ), [1 => $part], [1 => new Track(1, 'Felt piano', 0)], 2, 2);
    }

    /** @return array<string, mixed> */
    private static function part(Score $score): array
    {
        return SongView::part($score->part(1), $score);
    }
}
