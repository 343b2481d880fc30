<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Sounding;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Midi\Event;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\MidiFile;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Sounding\Performance;
use Jactonic\Core\Sounding\Voice;
use Jactonic\Core\Standard\Articulations;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Articulations and notes with curves of their own: what is sent for them, what a file has, and how they come back. */
final class PerformingTest extends TestCase
{
    private const BEND = '{"bend":[[0,0],[480,4096],[2000,8191]]}';

    /** @param  list<Note>  $notes */
    private static function score(array $notes, ?ArticulationSet $set = null, int $tracks = 1): Score
    {
        $points = [new Point(1, 0, 0xC0, 48), new Point(2, 0, 0xB0, 7, 90), new Point(3, 480, 0xB0, 1, 60), new Point(4, 1200, 0xB0, 11, 33)];
        $part = Part::of(1, 'Strings', $notes, $points, null, PartHead::fresh(1, 'Strings', 0, 3840 * 4));
        $parts = [1 => $part];
        $made = [1 => ArticulationSet::on(new Track(1, 'Strings', 0), $set)];
        for ($t = 2; $t <= $tracks; $t++) {
            $channel = $t - 1 + ($t > 9 ? 1 : 0);
            $parts[$t] = Part::of($t, "Track $t", [new Note(1, 0, 100, 60, 80, channel: $channel)], [], null, PartHead::fresh($t, "Track $t", 0, 3840));
            $made[$t] = new Track($t, "Track $t", $t);
        }

        return new Score(Timeline::of(960), $parts, $made, count($parts) + 1, count($made) + 1);
    }

    /** @return list<array{int, int, int, int}> */
    private static function messages(Score $score): array
    {
        $file = Exporter::export(new Song($score, new Source(1, 960, 1, [])));
        $all = [];
        foreach ($file->tracks as $events) {
            foreach ($events as $e) {
                if ($e->status < 0xF0) {
                    $all[] = [$e->tick, $e->status, $e->data1, $e->data2];
                }
            }
        }

        return $all;
    }

    private static function again(Score $score): Score
    {
        $file = Exporter::export(new Song($score, new Source(1, 960, 1, [])));

        return Importer::import(Reader::read(Writer::write($file)), 'again')[0]->score;
    }

    public function test_an_articulation_is_sent_before_the_note_that_needs_it_and_only_when_it_changes(): void
    {
        $score = self::score([new Note(1, 0, 480, 60, 80), new Note(2, 480, 480, 62, 80, articulation: 2), new Note(3, 960, 480, 64, 80, articulation: 2), new Note(4, 1440, 480, 65, 80, articulation: 4)], ArticulationSet::read('strings'));
        $heard = Performance::of($score->part(1), $score);
        self::assertSame([[0, 48], [480, 45], [1440, 48]], array_map(static fn (Point $p): array => [$p->tick, $p->data1], $heard->sent));
        self::assertSame([480, 480, 480, 192], array_map(static fn (Note $n): int => $n->length, $heard->notes));
        self::assertSame([80, 80, 80, 88], array_map(static fn (Note $n): int => $n->velocity, $heard->notes));
        $programs = array_values(array_filter(self::messages($score), static fn (array $m): bool => ($m[1] & 0xF0) === 0xC0));
        self::assertSame([[0, 48], [0, 48], [480, 45], [1440, 48]], array_map(static fn (array $m): array => [$m[0], $m[2]], $programs));
    }

    public function test_keys_that_switch_come_early_controllers_and_channels_with_the_note(): void
    {
        $set = ArticulationSet::read(['name' => 'Mine', 'articulations' => [
            ['id' => 'a', 'name' => 'A', 'mark' => 'a', 'do' => [['key' => 24]]],
            ['id' => 'b', 'name' => 'B', 'mark' => 'b', 'do' => [['cc' => 32, 'value' => 5], ['channel' => 4]]],
        ]]);
        $score = self::score([new Note(1, 960, 480, 60, 80, articulation: 1), new Note(2, 1920, 480, 62, 80, articulation: 2)], $set);
        $messages = self::messages($score);
        self::assertContains([930, 0x90, 24, 100], $messages);
        self::assertContains([1920, 0xB4, 32, 5], $messages);
        self::assertContains([1920, 0x94, 62, 80], $messages);
        $back = self::again($score)->part(1);
        self::assertSame([[960, 60, 0, 1], [1920, 62, 0, 2]], array_map(static fn (Note $n): array => [$n->start, $n->pitch, $n->channel, $n->articulation], $back->inOrder()), 'no key is left as a note');
        self::assertSame($set->toArray(), ArticulationSet::of(self::again($score)->track(1))?->toArray());
    }

    public function test_a_note_with_curves_has_a_channel_of_its_own_set_as_its_track_is(): void
    {
        $score = self::score([new Note(1, 960, 960, 60, 80, own: self::BEND), new Note(2, 960, 960, 64, 80)]);
        $messages = self::messages($score);
        self::assertContains([960, 0x91, 60, 80], $messages);
        self::assertContains([960, 0x90, 64, 80], $messages);
        self::assertContains([960, 0xC1, 48, 0], $messages, 'its program');
        self::assertContains([960, 0xB1, 7, 90], $messages, 'its volume');
        self::assertContains([960, 0xB1, 1, 60], $messages, 'and modulation as it stands');
        self::assertContains([1200, 0xB1, 11, 33], $messages, 'what its track does meanwhile');
        self::assertContains([1440, 0xE1, 0, 96], $messages, 'its bend');
        self::assertSame([], array_values(array_filter($messages, static fn (array $m): bool => $m[1] === 0xE0)), 'no other note is bent');
        self::assertSame([], array_values(array_filter($messages, static fn (array $m): bool => $m[1] === 0xE1 && $m[3] === 127)), 'what lies past its end is silent');
        // Straight again once its release is over: a second at 120.
        self::assertContains([1920 + 1920, 0xE1, 0, 64], $messages);
    }

    public function test_saved_and_opened_again_it_is_one_note_with_its_curves_and_saved_again_the_same_bytes(): void
    {
        $score = self::score([new Note(1, 960, 960, 60, 80, own: self::BEND), new Note(2, 960, 960, 64, 81), new Note(3, 2880, 500, 67, 82, articulation: 2, own: '{"cc:11":[[0,20]]}'), new Note(4, 5000, 500, 67, 82, articulation: 4)], ArticulationSet::read('Strings'));
        $back = self::again($score);
        $read = static fn (Score $s): array => array_map(static fn (Note $n): array => [$n->start, $n->length, $n->pitch, $n->velocity, $n->channel, $n->articulation, $n->own], $s->part(1)->inOrder());
        self::assertSame($read($score), $read($back));
        self::assertSame([[0, 0xC0], [0, 0xB0], [480, 0xB0], [1200, 0xB0]], array_map(static fn (Point $p): array => [$p->tick, $p->status], array_values($back->part(1)->points->all())), 'what was made for them is gone');
        self::assertSame(self::messages($score), self::messages($back));
    }

    public function test_what_another_program_changed_stays_as_it_is_in_the_file(): void
    {
        $score = self::score([new Note(1, 960, 960, 60, 80, own: self::BEND)]);
        $file = Exporter::export(new Song($score, new Source(1, 960, 1, [])));
        $tracks = array_map(static fn (array $events): array => array_map(static fn (Event $e): Event => ($e->status & 0xF0) === 0x90 || ($e->status & 0xF0) === 0x80 ? new Event($e->tick, $e->status, $e->data1 + 5, $e->data2) : $e, $events), $file->tracks);
        $back = Importer::import(new MidiFile($file->format, $file->division, $tracks, $file->chunks), 'x')[0]->score->part(1);
        self::assertSame([[65, 1, '']], array_map(static fn (Note $n): array => [$n->pitch, $n->channel, $n->own], $back->inOrder()));
        self::assertNotSame([], array_filter($back->points->all(), static fn (Point $p): bool => $p->status === 0xE1), 'with its bend on its channel');
    }

    public function test_more_than_there_are_free_channels_share_the_last_and_it_is_said(): void
    {
        $notes = array_map(static fn (int $i): Note => new Note($i, 3840, 960, 60 + $i, 80, own: self::BEND), range(1, 4));
        $score = self::score($notes, null, 12);
        $free = Performance::free($score);
        self::assertCount(3, $free);
        [$given, $shared] = Performance::spread(Performance::of($score->part(1), $score)->voices, $free);
        self::assertSame([...$free, $free[2]], $given);
        self::assertSame(3840, $shared);
        self::assertStringContainsString('From 2.1.1 on more notes with curves', implode(' ', Exporter::warnings(new Song($score, new Source(1, 960, 1, [])))));
        $outcome = Batch::once(['edit' => 'note-shape', 'params' => [], 'on' => ['part' => 1, 'pick' => ['all' => true]]], $score);
        self::assertStringContainsString('From 2.1.1 on', $outcome->warnings[0] ?? '');
    }

    public function test_a_part_that_goes_round_or_plays_otherwise_takes_its_curves_along(): void
    {
        $score = self::score([new Note(1, 0, 960, 60, 80, own: self::BEND)]);
        $part = $score->part(1)->withHead(PartHead::fresh(1, '', 0, 3840)->playing(new PlaysAs(12, 50, 0, 7680)));
        $heard = Performance::of($part, $score->withPart($part));
        self::assertSame([[0, 72, 40], [3840, 72, 40]], array_map(static fn (Voice $v): array => [$v->note->start, $v->note->pitch, $v->note->velocity], $heard->voices));
        self::assertSame([3840 + 480], array_values(array_map(static fn (Point $p): int => $p->tick, array_filter($heard->voices[1]->points, static fn (Point $p): bool => ($p->status & 0xF0) === 0xE0))));
    }

    public function test_a_piece_and_a_stretched_note_keep_what_is_theirs(): void
    {
        $note = new Note(1, 960, 960, 60, 80, own: self::BEND);
        self::assertSame('{"bend":[[0,4096],[1400,8191]]}', $note->piece(960 + 600, 1920, 2)->own);
        self::assertSame(self::BEND, $note->piece(960, 1000, 2)->own);
        self::assertSame('{"bend":[[0,0],[240,4096],[1000,8191]]}', $note->stretched(0, 480, 0.5)->own);
    }

    #[DataProvider('bad')]
    public function test_a_bad_set_gets_a_sentence(mixed $set, string $words): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($words);
        ArticulationSet::read($set);
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function bad(): iterable
    {
        $one = static fn (array $more): array => ['name' => 'X', 'articulations' => [$more + ['id' => 'a', 'name' => 'A', 'mark' => 'a', 'do' => []]]];
        yield 'no name of one that ships' => ['Zither', 'Strings'];
        yield 'broken' => ['{"name": ', 'articulations'];
        yield 'empty' => [['name' => 'X', 'articulations' => []], 'articulations'];
        yield 'a key out of range' => [$one(['do' => [['key' => 200]]]), 'Articulation 1 (“A”): a key is a whole number from 0 to 127, and not 200.'];
        yield 'something unknown' => [$one(['do' => [['knob' => 1]]]), 'what is sent is'];
        yield 'a length of nought' => [$one(['length' => 0]), 'the length is a whole number from 1 to 400'];
        yield 'two of one id' => [['name' => 'X', 'articulations' => [['id' => 'a', 'name' => 'A'], ['id' => 'a', 'name' => 'B']]], 'the same id'];
        yield 'a name of 10,000 letters' => [$one(['name' => str_repeat('n', 10_000)]), 'has no name of 1 to 60 letters'];
        yield 'too many' => [['name' => 'X', 'articulations' => array_fill(0, 65, [])], 'at most 64'];
    }
}
