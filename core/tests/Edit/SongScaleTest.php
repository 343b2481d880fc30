<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Score\PassthroughEvent;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

/** The song's scale, and the chords that are written into it. */
final class SongScaleTest extends TestCase
{
    private static function with(Score $score, ?string $scale): Score
    {
        return Batch::once(['edit' => 'song-scale', 'params' => ['scale' => $scale]], $score)->change->applyTo($score);
    }

    public function test_the_songs_scale_holds_where_a_part_has_none_of_its_own(): void
    {
        $score = self::with(Make::score([[0, 960, 61]]), 'Eb major');
        self::assertSame([60], Make::pitches(Make::after($score, 'fit-to-scale')));
        self::assertSame([62], Make::pitches(Make::after($score, 'step-in-scale')));
        $own = self::with(Make::score([[0, 960, 61]], ['scale' => 'A major']), 'Eb major');
        self::assertSame([62], Make::pitches(Make::after($own, 'step-in-scale')));
        self::assertSame('E♭3', substr(Batch::once(['edit' => 'set-pitch', 'params' => ['pitch' => 51], 'on' => ['part' => 1, 'pick' => ['all' => true]]], $score)->said, -strlen('E♭3.'), -1));
        self::assertNull(self::with($score, null)->scale);
    }

    public function test_steps_of_before_songs_had_scales_are_read(): void
    {
        $change = ChangeCodec::decode('{"name":["Old","New"]}', Make::score([]), false);

        self::assertSame(['name' => ['Old', 'New']], $change->song);
    }

    public function test_mirrored_in_a_scale_its_steps_are_turned_round(): void
    {
        // C D E G about the middle of C and G: G F E C; C sharp stays a semitone over the step it hangs on, and so under it.
        $score = Make::score([[0, 9, 60], [10, 9, 62], [20, 9, 64], [30, 9, 67]], ['scale' => 'C major']);
        self::assertSame([67, 65, 64, 60], Make::pitches(Make::after($score, 'mirror', ['in' => 'scale'])));
        self::assertSame([60, 59, 57, 53], Make::pitches(Make::after($score, 'mirror', ['in' => 'scale', 'axis' => 60])));
        self::assertSame(Make::pitches($score), Make::pitches(Make::after(Make::after($score, 'mirror', ['in' => 'scale']), 'mirror', ['in' => 'scale'])));
    }

    public function test_chords_are_written_into_the_file_as_text_once(): void
    {
        $score = Make::score([[0, 1900, 60], [0, 1900, 64], [0, 1900, 67], [1920, 1900, 57], [1920, 1900, 60], [1920, 1900, 65]]);
        $once = Make::after($score, 'write-chords');
        $texts = static fn (Score $s): array => array_map(static fn (PassthroughEvent $k): array => [$k->tick, $k->bytes], $s->track(1)->kept());

        self::assertSame([[0, 'C'], [1920, 'F/A']], $texts($once));
        self::assertSame($texts($once), $texts(Make::after($once, 'write-chords')));
        [$read] = Importer::import(Reader::read(Writer::write(Exporter::export(new Song($once, new Source)))), 'x');
        self::assertSame([[0, 'C'], [1920, 'F/A']], array_values(array_filter(array_merge(...array_map(static fn ($t): array => array_map(static fn (PassthroughEvent $k): array => [$k->tick, $k->bytes], $t->kept()), array_values($read->score->tracks))), static fn (array $k): bool => $k[1] !== '' && preg_match('/^[A-G](\/[A-G])?$/', $k[1]) === 1)));
        self::assertSame('There is no chord here that has a name: nothing was written.', Make::edit(Make::score([[0, 10, 60]]), 'write-chords')->said);
        self::assertSame([0, 5, 9], Chord::parse('F/A')->classes());
    }
}
