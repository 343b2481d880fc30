<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Track;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartClip;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Tests\Support\Smf;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Names that tracks get by themselves, and tracks of a file that hold no music. */
final class TracksTest extends TestCase
{
    /** @param  list<array<string, mixed>>  $commands */
    private static function after(array $commands, ?Score $score = null): Score
    {
        $score ??= new Score(Timeline::of(960), []);
        $batch = new Batch($score);
        foreach ($commands as $command) {
            $batch->run($command);
        }
        self::assertSame(Make::bytes($score), Make::bytes($batch->change->inverse()->applyTo($batch->score)), 'undone');

        return $batch->score;
    }

    /** @return list<string> */
    private static function names(Score $score): array
    {
        return array_values(array_map(static fn (Track $t): string => $t->name, $score->tracks));
    }

    /** @return array<string, mixed> */
    private static function fresh(int $program, ?string $name = null): array
    {
        return ['edit' => 'track-new', 'params' => ['program' => $program] + ($name === null ? [] : ['name' => $name])];
    }

    /** @return array<string, mixed> */
    private static function sound(int $track, int $program, bool $drums = false): array
    {
        return ['edit' => 'track-sound', 'params' => ['program' => $program, 'drums' => $drums], 'on' => ['tracks' => [$track]]];
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<string>}> */
    public static function named(): iterable
    {
        $copy = static fn (int $track): array => ['edit' => 'track-duplicate', 'on' => ['tracks' => [$track]]];
        yield 'two of one sound' => [[self::fresh(40), self::fresh(40), self::fresh(40)], ['Violin', 'Violin 2', 'Violin 3']];
        yield 'a sound whose name ends with a number' => [[self::fresh(49), self::fresh(49)], ['String Ensemble 2', 'String Ensemble 2 2']];
        yield 'drums' => [[['edit' => 'track-new', 'params' => ['drums' => true]], ['edit' => 'track-new', 'params' => ['drums' => true]]], ['Drum kit', 'Drum kit 2']];
        yield 'a name that a person gives is left, twice too' => [[self::fresh(40, 'Line'), self::fresh(40, 'Line')], ['Line', 'Line']];
        yield 'a copy of a copy' => [[self::fresh(40), $copy(1), $copy(2)], ['Violin', 'Violin 2', 'Violin 3']];
        yield 'two copied at once' => [[self::fresh(40, 'Line'), self::fresh(41, 'Line'), ['edit' => 'track-duplicate', 'on' => ['tracks' => [1, 2]]]], ['Line', 'Line 2', 'Line', 'Line 3']];
        yield 'another sound' => [[self::fresh(0), self::sound(1, 40)], ['Violin']];
        yield 'another sound, and there is one of it' => [[self::fresh(40), self::fresh(0), self::sound(2, 40)], ['Violin', 'Violin 2']];
        yield 'two at once get the same sound' => [[self::fresh(0), self::fresh(0), ['edit' => 'track-sound', 'params' => ['program' => 40], 'on' => ['tracks' => [1, 2]]]], ['Violin', 'Violin 2']];
        yield 'the same sound again' => [[self::fresh(40), self::fresh(40), self::sound(1, 40)], ['Violin', 'Violin 2']];
        yield 'a numbered one goes on to its sound' => [[self::fresh(40), self::fresh(40), self::sound(2, 73)], ['Violin', 'Flute']];
        yield 'a kit' => [[self::fresh(0), self::sound(1, 40, true), self::sound(1, 32, true)], ['Jazz kit']];
        yield 'a track that a person named keeps its name' => [[self::fresh(0, 'Verse'), self::sound(1, 40)], ['Verse']];
        yield 'one that was renamed, too' => [[self::fresh(0), ['edit' => 'track-rename', 'params' => ['name' => 'Verse'], 'on' => ['tracks' => [1]]], self::sound(1, 40)], ['Verse']];
    }

    /**
     * @param  list<array<string, mixed>>  $commands
     * @param  list<string>  $names
     */
    #[DataProvider('named')]
    public function test_tracks_are_called_by_their_sounds_until_a_person_names_them(array $commands, array $names): void
    {
        self::assertSame($names, self::names(self::after($commands)));
    }

    public function test_tracks_that_come_with_parts_get_numbers_too_each_its_own(): void
    {
        $score = self::after([self::fresh(40, 'Line'), self::fresh(41, 'Line')]);
        $clip = PartClip::of($score, array_values($score->parts), static fn (Part $p): int => $p->head->to)->toArray();
        $inserted = self::after([['edit' => 'part-insert', 'params' => ['clip' => $clip, 'at' => 0, 'sounds' => true]]], $score);

        self::assertSame(['Line', 'Line', 'Line 2', 'Line 3'], self::names($inserted));
    }

    public function test_parts_that_bear_the_name_of_their_track_follow_it(): void
    {
        $commands = [self::fresh(0), ['edit' => 'part-new', 'params' => ['from' => 7680, 'to' => 9600, 'name' => 'Refrain'], 'on' => ['tracks' => [1]]], self::sound(1, 40)];

        self::assertSame(['Violin', 'Refrain'], array_values(array_map(static fn (Part $p): string => $p->head->name, self::after($commands)->parts)));
    }

    /** A track of tempo and texts, one of texts in the middle, two that play, one that is empty. */
    private static function file(): string
    {
        $name = static fn (string $letter): string => Smf::at(0, 'FF 03 01 '.bin2hex($letter));
        $note = Smf::at(0, '90 3C 40').Smf::at(96, '80 3C 00');
        $text = Smf::at(0, 'FF 01 01 41');

        return Smf::file([$name('T').Smf::at(0, 'FF 51 03 07 A1 20').Smf::END, $name('A').$note.Smf::END, $name('X').$text.$text.Smf::END, $name('B').$note.Smf::END, $name('E').Smf::END]);
    }

    public function test_tracks_of_a_file_without_music_are_kept_out_of_sight(): void
    {
        $score = Importer::import(Reader::read(self::file()), 'file')[0]->score;

        self::assertSame(['T', 'A', 'X', 'B', 'E'], self::names($score));
        self::assertSame(['A', 'B', 'E'], array_map(static fn (int $id): string => $score->track($id)->name, $score->playedTracks()), 'an empty one may be meant to be played on');
        $alone = Importer::import(Reader::read(Smf::file([Smf::at(0, 'FF 03 01 54').Smf::END])), 'file')[0]->score;
        self::assertSame([1], $alone->playedTracks(), 'nothing would be left to see');
    }

    public function test_what_goes_from_track_to_track_passes_over_them(): void
    {
        $song = Importer::import(Reader::read(self::file()), 'file')[0];
        $down = self::after([['edit' => 'part-move', 'params' => ['tracks' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]], 'on' => ['parts' => [1]]]], $song->score);
        self::assertSame('B', $down->track($down->part(1)->head->track)->name);
        $carried = self::after([['edit' => 'move-to-track', 'params' => ['tracks' => -1, 'copy' => true], 'on' => ['part' => 2, 'pick' => ['all' => true]]]], $song->score);
        self::assertCount(2, $carried->part(1)->notes->all());
        $order = self::after([['edit' => 'track-order', 'params' => ['by' => -1], 'on' => ['tracks' => [4]]]], $song->score);
        self::assertSame(['T', 'X', 'B', 'A', 'E'], self::names($order));
        self::assertSame(['B', 'A', 'E'], array_map(static fn (int $id): string => $order->track($id)->name, $order->playedTracks()), 'they stay out of sight');
        foreach ([['part-move', ['tracks' => -1, 'by' => ['unit' => 'bar', 'amount' => 1]], ['parts' => [1]]], ['track-order', ['by' => 1], ['tracks' => [1]]]] as [$edit, $params, $on]) {
            try {
                self::after([['edit' => $edit, 'params' => $params, 'on' => $on]], $song->score);
                self::fail($edit);
            } catch (Refusal $e) {
                self::assertStringContainsString($edit === 'part-move' ? 'no track that far up' : 'stays at the top', $e->getMessage());
            }
        }
    }

    public function test_one_that_gets_a_part_is_seen_and_the_file_has_all_of_them(): void
    {
        $song = Importer::import(Reader::read(self::file()), 'file')[0];
        $with = self::after([['edit' => 'part-new', 'params' => ['from' => 0, 'to' => 3840], 'on' => ['tracks' => [1]]]], $song->score);
        self::assertContains(1, $with->playedTracks());
        self::assertSame(self::file(), Writer::write(Exporter::export($song)));
        $moved = self::after([['edit' => 'insert-time', 'params' => ['from' => 0, 'to' => 3840]]], $song->score);
        self::assertNotContains(1, $moved->playedTracks(), 'time put in moves what it holds');
    }
}
