<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Command;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is said of the one note that is selected: all that a person has to know who does not see it. */
final class NoteDescriptionTest extends TestCase
{
    #[DataProvider('notes')]
    public function test_one_note_is_told_with_all_that_there_is_to_know(Note $note, string $words): void
    {
        $set = ArticulationSet::read('Guitar');
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'Part', [$note], [], PartSettings::fromArray(['grid' => '1/8']))], [1 => ArticulationSet::on(new Track(1, 'Guitar', 0), $set)], 2, 2);

        self::assertSame(
            str_replace('SECOND', mb_strtolower($set->at(2)['name']), $words),
            Batch::once(['select' => 'all', 'on' => ['part' => 1, 'notes' => []]], $score)->said,
        );
    }

    /** @return iterable<string, array{Note, string}> */
    public static function notes(): iterable
    {
        yield 'on its line' => [new Note(1, 480, 240, 60, 84), 'C4 at 1.1.3 is selected: 1/16, velocity 84, on the line.'];
        yield 'late' => [new Note(1, 500, 240, 60, 84), 'C4 at 1.1.3.08 is selected: 1/16, velocity 84, 10 ms late.'];
        yield 'early' => [new Note(1, 460, 240, 60, 84), 'C4 at 1.1.2.91 is selected: 1/16, velocity 84, 10 ms early.'];
        yield 'muted, with an articulation and curves' => [
            new Note(1, 480, 240, 60, 84, muted: true, articulation: 2, own: '{"bend":[[0,0],[100,512]]}'),
            'C4 at 1.1.3 is selected: 1/16, velocity 84, on the line, muted, SECOND, with curves.',
        ];
    }
}
