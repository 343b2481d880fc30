<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Sounding;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a part plays as: heard and saved, while its notes stay as they are. A bar of 4/4 is 3840 ticks, half a second a quarter. */
final class PlaysAsTest extends TestCase
{
    private static function score(int $channel = 0): Score
    {
        $notes = [new Note(1, 0, 480, 60, 80, channel: $channel), new Note(2, 1920, 2400, 64, 120, channel: $channel), new Note(3, 3000, 100, 67, 90, muted: true, channel: $channel), new Note(4, 4000, 100, 72, 90, channel: $channel)];
        $points = [new Point(1, 0, 0xB0 | $channel, 64, 127), new Point(2, 100, 0xE0 | $channel, 0, 80)];
        $settings = PartSettings::fresh();

        return new Score(Timeline::of(960), [1 => Part::of(1, 'Line', $notes, $points, $settings, PartHead::fresh(1, '', 0, 3840))], [1 => new Track(1, 'Vibraphone', 0)], 2, 2);
    }

    /** @param  array<string, mixed>  $params */
    private static function done(Score $score, string $edit, array $params = []): Outcome
    {
        return Batch::once(['edit' => $edit, 'params' => $params, 'on' => ['parts' => [1]]], $score);
    }

    /**
     * @param  array<string, mixed>  $params
     * @return list<array{int, int, int, int}> start, end, pitch, velocity
     */
    private static function heard(Score $score, string $edit, array $params): array
    {
        $after = self::done($score, $edit, $params)->change->applyTo($score);

        return self::notes($after);
    }

    /** @return list<array{int, int, int, int}> */
    private static function notes(Score $score): array
    {
        return array_map(static fn (Note $n): array => [$n->start, $n->end(), $n->pitch, $n->velocity], Sounding::notes($score->part(1), $score->time));
    }

    public function test_it_plays_transposed_softer_and_later_and_its_notes_stay(): void
    {
        $score = self::score();
        $outcome = self::done($score, 'part-plays', ['transpose' => 12, 'velocity' => 50, 'delay' => 100]);
        $after = $outcome->change->applyTo($score);

        // 100 ms are 192 ticks at 120 a minute.
        self::assertSame([[192, 672, 72, 40], [2112, 4032, 76, 60]], self::notes($after));
        self::assertSame([60, 64, 67, 72], $after->part(1)->notes->column('pitch'));
        self::assertSame('“Line” plays an octave higher, at 50 % velocity, 100 ms later.', $outcome->said);
    }

    public function test_what_parts_play_as_is_said_once_for_several(): void
    {
        self::assertSame(['', 'a semitone lower', 'an octave lower', '2 semitones higher, at 50 % velocity', '20 ms earlier'],
            array_map(static fn (PlaysAs $p): string => $p->words(), [new PlaysAs(until: 3840), new PlaysAs(-1), new PlaysAs(-12), new PlaysAs(2, 50), new PlaysAs(0, 100, -20)]));
        $score = self::score();
        $two = Batch::once(['edit' => 'part-repeat', 'on' => ['parts' => [1]], 'params' => ['times' => 1]], $score)->change->applyTo($score);
        $do = static fn (Score $s, array $ids, array $params): string => Batch::once(['edit' => 'part-plays', 'on' => ['parts' => $ids], 'params' => $params], $s)->said;
        $ids = array_keys($two->parts);
        self::assertSame(count($ids).' parts play 3 semitones lower.', $do($two, $ids, ['transpose' => -3]));
        self::assertStringEndsWith(' plays as written.', $do($two, [$ids[0]], ['transpose' => 0]));
        $one = Batch::once(['edit' => 'part-plays', 'on' => ['parts' => [$ids[0]]], 'params' => ['transpose' => 5]], $two)->change->applyTo($two);
        self::assertSame(count($ids).' parts changed. “Line” plays 6 semitones higher.', $do($one, $ids, ['transposeBy' => 1]));
    }

    public function test_columns_say_the_same_as_notes_of_until_when_they_sound(): void
    {
        $part = self::score()->part(1);
        foreach ([$part, $part->withHead($part->head->withMuted(true)), $part->withHead($part->head->withWindow(480, 3000))] as $one) {
            self::assertSame(array_values(array_map(static fn (Note $n): int => Sounding::until($n, $one->head), $one->notes->all())), Sounding::untils($one));
        }
    }

    public function test_whether_all_sound_to_their_ends_is_seen_at_a_glance(): void
    {
        $head = self::score()->part(1)->head->withWindow(480, 3000);
        foreach ([[[480, 960], [10, 2040], [false, false]], [[479, 960], [10, 10], [false, false]], [[480, 960], [10, 2041], [false, false]], [[480, 960], [10, 10], [false, true]]] as $i => [$starts, $lengths, $muted]) {
            $whole = Sounding::untilsOf($starts, $lengths, $muted, $head) === [$starts[0] + $lengths[0], $starts[1] + $lengths[1]];
            self::assertSame([$i === 0, $whole], [$whole, Sounding::areWhole($starts, $lengths, $muted, $head)]);
        }
        self::assertFalse(Sounding::areWhole([480], [10], [false], $head->withMuted(true)));
        self::assertTrue(Sounding::areWhole([], [], [], $head));
    }

    public function test_amounts_add_up_and_limits_hold_or_refuse(): void
    {
        $score = self::done(self::score(), 'part-plays', ['transposeBy' => 7])->change->applyTo(self::score());
        self::assertSame(14, self::done($score, 'part-plays', ['transposeBy' => 7])->change->applyTo($score)->part(1)->head->plays->transpose);
        $loud = self::done($score, 'part-plays', ['velocityBy' => 150]);
        self::assertSame(200, $loud->change->applyTo($score)->part(1)->head->plays->velocity);
        self::assertSame(['1 part stayed at the loudest or softest.'], $loud->warnings);
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('“Line” would play 49 semitones away, and 48 is the most: nothing changed.');
        self::done($score, 'part-plays', ['transposeBy' => 42]);
    }

    public function test_what_would_leave_the_keyboard_is_not_heard_and_the_file_says_so(): void
    {
        $score = self::score();
        $after = self::done($score, 'part-plays', ['transpose' => 48])->change->applyTo($score)->withPart($score->part(1)->with($score->part(1)->notes->with([], [9 => new Note(9, 100, 10, 100, 70)]), $score->part(1)->points, 10, 3)->withHead($score->part(1)->head->playing(new PlaysAs(48))));

        self::assertNotContains(148, array_column(self::notes($after), 2));
        self::assertContains('1 note of “Line” would lie beyond the highest or lowest pitch and was left out of the file.', Exporter::warnings(new Song($after, new Source)));
    }

    public function test_drums_keep_their_pitches(): void
    {
        $outcome = self::done(self::score(9), 'part-plays', ['transpose' => 5]);

        self::assertSame(['Drums keep their pitches.'], $outcome->warnings);
        self::assertSame([60, 64], array_column(self::notes($outcome->change->applyTo(self::score(9))), 2));
    }

    public function test_the_window_goes_round_up_to_a_place_and_each_round_is_cut(): void
    {
        // Two rounds and a half; the long note is cut at the end of the window, and at the very end.
        self::assertSame([[0, 480, 60, 80], [1920, 3840, 64, 120], [3840, 4320, 60, 80], [5760, 7680, 64, 120], [7680, 8160, 60, 80], [9600, 9700, 64, 120]], self::heard(self::score(), 'part-loop', ['until' => 9700]));
    }

    public function test_nothing_hangs_where_a_part_ends_or_goes_round(): void
    {
        $score = self::score();
        $points = static fn (Score $s): array => array_map(static fn (Point $p): array => [$p->tick, $p->status, $p->data1, $p->data2], Sounding::points($s->part(1), $s->time));

        self::assertSame([[0, 0xB0, 64, 127], [100, 0xE0, 0, 80], [3840, 0xB0, 64, 0], [3840, 0xE0, 0, 64]], $points($score));
        $round = self::done($score, 'part-loop', ['until' => 7000])->change->applyTo($score);
        self::assertSame([[0, 0xB0, 64, 127], [100, 0xE0, 0, 80], [3840, 0xB0, 64, 0], [3840, 0xE0, 0, 64], [3840, 0xB0, 64, 127], [3940, 0xE0, 0, 80], [7000, 0xB0, 64, 0], [7000, 0xE0, 0, 64]], $points($round));
        // A part of a file, whose window nobody set, keeps what its file says.
        $asRead = $score->withPart($score->part(1)->withHead(new PartHead(1, 'Line', 0, 0, 3840)));
        self::assertCount(2, $points($asRead));
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function bad(): iterable
    {
        yield 'a loop that would end before it began' => ['part-loop', ['until' => 100], '“Line” ends at 2.1.1: it can loop only up to a later place. Nothing changed.'];
        yield 'a loop of a million rounds' => ['part-loop', ['until' => 3840 * 1_000_000], '“Line” would loop 1,000,000 times, which makes more than 100,000 notes and points: nothing changed.'];
        yield 'a velocity of nothing' => ['part-plays', ['velocity' => 0], 'velocity'];
        yield 'a delay of BPM' => ['part-plays', ['delay' => 60_000], 'delay'];
        yield 'a window of no length' => ['part-resize', ['to' => 0], '“Line” would have no length: nothing changed.'];
        yield 'a crop of no length' => ['part-crop', ['from' => 960, 'to' => 960], 'a place after from'];
        yield 'a track that is gone' => ['part-move', ['track' => 77], 'track'];
        yield 'no track so far down' => ['part-move', ['tracks' => 4], 'There is no track that far down: nothing moved.'];
        yield 'no other edge' => ['part-move', ['edge' => 'next'], 'No other part has an edge later: nothing moved.'];
        yield 'before the song' => ['part-move', ['steps' => -1], '“Line” would begin before the song: nothing moved.'];
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('bad')]
    public function test_what_cannot_be_is_refused_with_a_sentence(string $edit, array $params, string $words): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($words);
        self::done(self::score(), $edit, $params);
    }

    public function test_made_real_it_is_heard_as_before_and_plays_what_is_written(): void
    {
        $score = self::score();
        foreach ([['part-plays', ['transpose' => -5, 'velocity' => 80, 'delay' => -30]], ['part-loop', ['until' => 9700]]] as [$edit, $params]) {
            $score = self::done($score, $edit, $params)->change->applyTo($score);
        }
        $outcome = self::done($score, 'part-flatten');
        $real = $outcome->change->applyTo($score);
        $events = static fn (Score $s): string => Writer::write(Exporter::export(new Song($s, new Source)));

        self::assertTrue($real->part(1)->head->plays->isPlain());
        self::assertSame(self::notes($score), self::notes($real));
        self::assertSame($events($score), $events($real));
        self::assertSame(['1 note that lay hidden there is deleted.'], $outcome->warnings);
        // The muted one inside stays, muted.
        self::assertTrue($real->part(1)->note(3)->muted);
        self::assertSame($events($score), $events($outcome->change->inverse()->applyTo($real)));
    }

    public function test_the_file_holds_what_is_heard(): void
    {
        $score = self::done(self::score(), 'part-loop', ['until' => 15_360])->change->applyTo(self::score());
        $read = Importer::import(Reader::read(Writer::write(Exporter::export(new Song($score, new Source)))), 'Round')[0]->score;
        $found = array_map(static fn (Note $n): array => [$n->start, $n->end(), $n->pitch, $n->velocity], array_values($read->parts)[0]->inOrder());
        $heard = self::notes($score);
        sort($heard);

        self::assertCount(8, $found);
        self::assertSame($heard, $found);
    }
}
