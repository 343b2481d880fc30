<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Part;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Parts and tracks, three of them: a line of two parts, a pad, and drums. A bar is 3840 ticks. */
final class ArrangingTest extends TestCase
{
    private static function score(): Score
    {
        $part = static fn (int $id, int $track, int $from, int $channel, int $program, int ...$pitches): Part => Part::of($id, "Part $id",
            array_map(static fn (int $p, int $i): Note => new Note($i + 1, $from + 960 * $i, 900, $p, 80, channel: $channel), $pitches, array_keys($pitches)),
            [new Point(1, $from, 0xC0 | $channel, $program)], PartSettings::fromArray(['grid' => '1/4', 'strength' => 70 + $id]), PartHead::fresh($track, '', $from, $from + 3840));

        return new Score(Timeline::of(960, [[0, 500_000], [7680, 600_000]], [[0, 4, 4]], [[0, base64_encode('Quay'), 0, 0], [7680, base64_encode('Open water'), 0, 0]]), [
            1 => $part(1, 1, 0, 0, 11, 60, 64, 67, 72), 2 => $part(2, 1, 3840, 0, 11, 62, 65), 3 => $part(3, 2, 0, 1, 48, 48), 4 => $part(4, 3, 7680, 9, 0, 36, 38),
        ], [1 => new Track(1, 'Vibraphone', 0), 2 => new Track(2, 'Pad', 1), 3 => new Track(3, 'Kit', 2)], 5, 4);
    }

    /** @param  array<string, mixed>  $params */
    private static function done(Score $score, string $edit, array $params, mixed $on, ?Context $context = null): Outcome
    {
        $item = ['edit' => $edit, 'params' => $params, 'on' => $on];
        $outcome = Batch::once($context === null ? $item : $item + ['context' => ['caret' => $context->caret, 'span' => $context->span] + ($context->track === null ? [] : ['track' => $context->track])], $score);
        $after = $outcome->change->applyTo($score);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($after)), "$edit undone");

        return $outcome;
    }

    /**
     * @param  array<string, mixed>  $params
     */
    private static function after(string $edit, array $params, mixed $on, ?Context $context = null, ?Score $score = null): Score
    {
        $score ??= self::score();

        return self::done($score, $edit, $params, $on, $context)->change->applyTo($score);
    }

    /** @return list<array{int, int, int}> */
    private static function notes(Part $part): array
    {
        return array_map(static fn (Note $n): array => [$n->start, $n->end(), $n->pitch], $part->inOrder());
    }

    public function test_a_part_goes_to_the_edges_of_others_and_to_other_tracks_where_it_plays(): void
    {
        $moved = self::after('part-move', ['edge' => 'next'], ['parts' => [3]]);
        self::assertSame(3840, $moved->part(3)->head->from);
        self::assertSame(7680, self::after('part-move', ['edge' => 'next'], ['parts' => [3]], null, $moved)->part(3)->head->from);
        $carried = self::after('part-move', ['tracks' => 1], ['parts' => [2]]);
        self::assertSame(2, $carried->part(2)->head->track);
        self::assertSame([1, 1], $carried->part(2)->notes->column('channel'), 'with the channel of that track');
        self::assertSame('String Ensemble 1', Sound::of($carried, 2)?->name());
        self::assertCount(0, $carried->part(2)->points->all(), 'and its program');
        self::assertSame([9, 9], self::after('part-move', ['track' => 3], ['parts' => [2]])->part(2)->notes->column('channel'));
    }

    public function test_a_part_goes_to_lines_by_steps_and_its_edge_to_edges(): void
    {
        $off = self::after('part-move', ['to' => 3900], ['parts' => [3]]);
        self::assertSame(4800, self::after('part-snap', ['steps' => 1], ['parts' => [3]], null, $off)->part(3)->head->from);
        self::assertSame(3840, self::after('part-snap', ['steps' => -1], ['parts' => [3]], null, $off)->part(3)->head->from);
        self::assertSame(3840, self::after('part-snap', [], ['parts' => [3]], null, $off)->part(3)->head->from);
        self::assertSame(7680, self::after('part-resize', ['next' => 'next'], ['parts' => [3]])->part(3)->head->to);
    }

    public function test_a_part_is_cropped_to_the_bars_of_notes(): void
    {
        $long = self::after('part-resize', ['to' => 15_360], ['parts' => [1]]);
        $cropped = self::after('part-crop', ['over' => 'bars'], ['part' => 1, 'notes' => [2, 3]], null, $long);

        self::assertSame([0, 3840], [$cropped->part(1)->head->from, $cropped->part(1)->head->to]);
    }

    public function test_a_copy_goes_to_another_track_and_plays_there(): void
    {
        $outcome = self::done(self::score(), 'part-move', ['tracks' => 1, 'copy' => true], ['parts' => [1]]);
        $score = $outcome->change->applyTo(self::score());
        self::assertSame([5], $outcome->selection->parts);
        self::assertSame('“Part 1” copied to “Pad”.', $outcome->said);
        self::assertSame(self::notes($score->part(1)), self::notes($score->part(5)));
        self::assertSame([1, 1, 1, 1], $score->part(5)->notes->column('channel'));
        self::assertSame([0, 0, 0, 0], $score->part(1)->notes->column('channel'), 'the first stays as it was');
        self::assertCount(0, $score->part(5)->points->all());
        $this->expectExceptionObject(new Refusal('“Part 1” would begin before the song: nothing was copied.'));
        self::after('part-move', ['steps' => -1, 'by' => ['unit' => 'bar', 'amount' => 1], 'copy' => true], ['parts' => [1]]);
    }

    public function test_what_parts_play_as_is_written_out_when_they_are_joined(): void
    {
        $score = self::after('part-plays', ['transpose' => 12], ['parts' => [2]]);
        $score = self::after('part-loop', ['until' => 3840 + 2 * 3840], ['parts' => [2]], null, $score);
        $joined = self::after('part-join', [], ['parts' => [1, 2]], null, $score);
        self::assertSame([60, 64, 67, 72, 74, 77, 74, 77], array_column(self::notes($joined->part(1)), 2));
        self::assertSame(3 * 3840, $joined->part(1)->head->to);
        // The other way round: the first of them loops and is silent.
        $score = self::after('part-loop', ['until' => 3840], ['parts' => [1]], null, self::after('part-resize', ['steps' => -2, 'by' => ['unit' => 'grid', 'amount' => 1]], ['parts' => [1]]));
        $joined = self::after('part-join', [], ['parts' => [1, 2]], null, self::after('part-mute', [], ['parts' => [1]], null, $score));
        self::assertSame([60, 64, 60, 64, 62, 65], array_column(self::notes($joined->part(5)), 2));
        self::assertSame([true, true, true, true, false, false], array_map(static fn (Note $n): bool => $n->muted, $joined->part(5)->inOrder()));
    }

    public function test_parts_of_several_tracks_become_one_with_their_channels(): void
    {
        $outcome = self::done(self::score(), 'part-merge', [], ['parts' => [1, 3]]);
        $one = $outcome->change->applyTo(self::score())->part($outcome->selection->parts[0]);

        self::assertSame([0, 3840, 1], [$one->head->from, $one->head->to, $one->head->track]);
        $channels = $one->notes->column('channel');
        sort($channels);
        self::assertSame([0, 0, 0, 0, 1], $channels);
        self::assertSame('Select two parts or more to merge them: nothing changed.', self::done(self::score(), 'part-merge', [], ['parts' => [1]])->said);
    }

    public function test_a_track_gets_a_sound_a_level_and_a_side(): void
    {
        $score = self::after('track-sound', ['program' => 73], ['tracks' => [2]]);
        self::assertSame('Flute', Sound::of($score, 2)?->name());
        $kit = self::after('track-sound', ['program' => 40, 'drums' => true], ['tracks' => [2]]);
        self::assertSame(['Brush kit', [9]], [Sound::of($kit, 2)?->name(), $kit->part(3)->notes->column('channel')]);
        $back = self::after('track-sound', ['program' => 0], ['tracks' => [3]]);
        self::assertSame([2, 2], $back->part(4)->notes->column('channel'), 'no longer drums: a channel that nobody has');
        $level = self::after('track-level', ['volume' => 80, 'panBy' => -10], ['tracks' => [1]]);
        $points = array_values(array_map(static fn (Point $p): array => [$p->tick, $p->status, $p->data1, $p->data2], $level->part(1)->points->all()));
        self::assertSame([[0, 0xC0, 11, 0], [0, 0xB0, 7, 80], [0, 0xB0, 10, 54]], $points);
        self::assertSame(70, Sound::controller($level->partsOf(1) ?: throw new \LogicException, 7)[1]?->data2 - 10);
        $again = self::done($level, 'track-level', ['volumeBy' => 90], ['tracks' => [1]]);
        self::assertSame(['Stayed at the limit.'], $again->warnings);
        self::assertSame('“Vibraphone”: volume 127, pan 10 to the left.', $again->said);
    }

    public function test_a_shared_channel_is_left_to_the_other_track(): void
    {
        $shared = self::score()->part(3);
        $score = self::score()->withPart($shared->with($shared->notes->with([1 => $shared->notes[1]], [1 => $shared->notes[1]->with(['channel' => 0])]), $shared->points, 2, 2));
        $after = self::after('track-sound', ['program' => 73], ['tracks' => [1]], null, $score);

        self::assertSame([0], $after->part(3)->notes->column('channel'));
        self::assertNotContains(0, $after->part(1)->notes->column('channel'));
    }

    public function test_a_track_is_duplicated_below_on_a_channel_of_its_own(): void
    {
        $outcome = self::done(self::score(), 'track-duplicate', [], ['tracks' => [1]]);
        $score = $outcome->change->applyTo(self::score());

        self::assertSame(['Vibraphone', 'Vibraphone 2', 'Pad', 'Kit'], array_values(array_map(static fn (Track $t): string => $t->name, $score->tracks)));
        $copies = array_values($score->partsOf($outcome->selection->tracks[0]));
        self::assertSame([2, 2, 2, 2], $copies[0]->notes->column('channel'));
        self::assertSame([60, 64, 67, 72], $copies[0]->notes->column('pitch'));
        $empty = self::done(self::score(), 'track-duplicate', ['empty' => true], ['tracks' => [1]]);
        self::assertCount(1, $empty->selection->parts);
        self::assertCount(0, $empty->change->applyTo(self::score())->part($empty->selection->parts[0])->notes->all());
    }

    public function test_time_is_put_in_and_taken_out_of_the_whole_song(): void
    {
        $span = new Context(span: [1920, 5760]);
        $in = self::after('insert-time', [], [], $span);
        self::assertSame([[0, 900, 60], [960, 1860, 64], [5760, 6660, 67], [6720, 7620, 72]], self::notes($in->part(1)));
        self::assertSame([0, 7680], [$in->part(1)->head->from, $in->part(1)->head->to]);
        self::assertSame([7680, 11_520], [$in->part(2)->head->from, $in->part(4)->head->from]);
        self::assertSame([[0, 'Quay'], [11_520, 'Open water']], $in->time->markers());
        self::assertSame([0, 11_520], array_column($in->time->tempoRows, 0));
        // Taken out again, all is where it was.
        $out = self::after('remove-time', [], [], $span, $in);
        self::assertSame(self::notes(self::score()->part(1)), self::notes($out->part(1)));
        self::assertSame(self::score()->time->tempoRows, $out->time->tempoRows);
        self::assertSame([3840, 7680], [$out->part(2)->head->from, $out->part(4)->head->from]);
    }

    public function test_time_taken_out_takes_notes_parts_and_markers_and_keeps_what_holds(): void
    {
        $outcome = self::done(self::score(), 'remove-time', ['from' => 1000, 'to' => 8640], []);
        $out = $outcome->change->applyTo(self::score());

        self::assertSame([[0, 900, 60], [960, 1000, 64]], self::notes($out->part(1)));
        self::assertArrayNotHasKey(2, $out->parts);
        // A part that began in the stretch has what came after it, at its end; so does the tempo that began there.
        self::assertSame([[1000, 1900, 38]], self::notes($out->part(4)));
        self::assertSame([[0, 'Quay']], $out->time->markers());
        self::assertSame([[0, 500_000], [1000, 600_000]], array_map(static fn (array $r): array => [$r[0], $r[1]], $out->time->tempoRows));
        self::assertStringContainsString('with 1 part and 3 notes', $outcome->said);
    }

    public function test_notes_across_are_lengthened_or_cut_and_only_the_chosen_parts_move(): void
    {
        $long = self::after('insert-time', ['from' => 400, 'to' => 1360, 'in' => 'parts'], ['parts' => [3]]);
        self::assertSame([[0, 1860, 48]], self::notes($long->part(3)));
        self::assertSame(self::notes(self::score()->part(1)), self::notes($long->part(1)));
        self::assertSame(self::score()->time->tempoRows, $long->time->tempoRows);
        $cut = self::after('insert-time', ['from' => 400, 'to' => 1360, 'in' => 'parts', 'across' => 'cut'], ['parts' => [3]]);
        self::assertSame([[0, 400, 48], [1360, 1860, 48]], self::notes($cut->part(3)));
        self::assertSame('No parts are selected: nothing changed.', self::done(self::score(), 'remove-time', ['from' => 0, 'to' => 9, 'in' => 'parts'], [])->said);
    }

    public function test_notes_are_carried_to_another_track_in_the_same_place(): void
    {
        $outcome = self::done(self::score(), 'move-to-track', ['semitones' => -12], ['part' => 1, 'notes' => [2, 3]]);
        $score = $outcome->change->applyTo(self::score());

        self::assertSame([[0, 900, 60], [2880, 3780, 72]], self::notes($score->part(1)));
        self::assertSame([[0, 900, 48], [960, 1860, 52], [1920, 2820, 55]], self::notes($score->part(3)));
        self::assertSame([1, 1, 1], $score->part(3)->notes->column('channel'));
        self::assertSame('2 notes moved to “Part 3”, −12.', $outcome->said);
        $kept = self::after('move-to-track', ['mute' => true], ['part' => 1, 'notes' => [2]]);
        self::assertTrue($kept->part(1)->note(2)->muted);
        // Where no part stands there, a new one over the bars of the notes.
        $new = self::done(self::score(), 'move-to-track', ['track' => 3, 'copy' => true], ['part' => 2, 'notes' => [1, 2]]);
        $made = $new->change->applyTo(self::score())->part(array_key_first($new->selection->notes) ?? 0);
        self::assertSame([3840, 7680, 3], [$made->head->from, $made->head->to, $made->head->track]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badCarries(): iterable
    {
        yield 'no track below' => [['tracks' => 3], 'There is no track that far down: nothing moved.'];
        yield 'its own track' => [['track' => 1], 'They are on that track already: nothing moved.'];
        yield 'off the keyboard' => [['semitones' => 100], 'would go beyond the highest or lowest pitch: nothing moved.'];
        yield 'a part that is gone' => [['part' => 99], 'part'];
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('badCarries')]
    public function test_what_cannot_be_carried_is_refused(array $params, string $words): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($words);
        self::done(self::score(), 'move-to-track', $params, ['part' => 1, 'notes' => [1]]);
    }

    public function test_parts_are_carried_away_and_put_in_elsewhere(): void
    {
        $score = self::score();
        $clip = Readings::read('part-clip', [], $score, new Selection(parts: [1, 3]));
        $outcome = self::done($score, 'part-insert', ['clip' => $clip, 'at' => 'caret', 'track' => 2], [], new Context(11_520));
        $after = $outcome->change->applyTo($score);
        [$line, $pad] = array_map($after->part(...), $outcome->selection->parts);

        self::assertSame([11_520, 2, 11_520, 3], [$line->head->from, $line->head->track, $pad->head->from, $pad->head->track]);
        self::assertSame([1, 1, 1, 1], $line->notes->column('channel'), 'the sound of the track it comes to');
        self::assertSame(self::notes($score->part(1)), array_map(static fn (array $n): array => [$n[0] - 11_520, $n[1] - 11_520, $n[2]], self::notes($line)));
        self::assertSame(71, $line->settings()->strength);
        // On tracks of their own they have the sound that they had, at the song's resolution.
        $other = new Score(Timeline::of(480), [], [], 1, 1);
        $kept = self::done($other, 'part-insert', ['clip' => $clip, 'at' => 0, 'sounds' => true], []);
        $there = $kept->change->applyTo($other);
        self::assertSame(['Vibraphone', 'String Ensemble 1'], array_map(static fn (int $t): ?string => Sound::of($there, $t)?->name(), array_keys($there->tracks)));
        self::assertSame([0, 480, 960, 1440], $there->part($kept->selection->parts[0])->notes->column('start'));
    }

    public function test_curves_of_a_note_come_along_at_the_songs_resolution(): void
    {
        $score = self::score();
        $bent = $score->part(1)->notes[1]->with(['own' => '{"bend":[[0,0],[240,512]]}']);
        $score = $score->withPart($score->part(1)->with($score->part(1)->notes->with([], [1 => $bent]), $score->part(1)->points, 9, 9));
        $clip = Readings::read('part-clip', [], $score, new Selection(parts: [1]));
        $other = new Score(Timeline::of(480), [], [], 1, 1);
        $kept = self::done($other, 'part-insert', ['clip' => $clip, 'at' => 0, 'sounds' => true], []);
        self::assertContains('{"bend":[[0,0],[120,512]]}', $kept->change->applyTo($other)->part($kept->selection->parts[0])->notes->column('own'));
    }

    /** @return iterable<string, array{mixed}> */
    public static function badClips(): iterable
    {
        $part = ['track' => 0, 'name' => 'x', 'from' => 0, 'to' => 960, 'plays' => [0, 100, 0, 0], 'settings' => [], 'notes' => [], 'points' => []];
        yield 'no clip' => ['clip'];
        yield 'no parts' => [['ppq' => 960, 'parts' => []]];
        yield 'a window of no length' => [['ppq' => 960, 'parts' => [['to' => 0] + $part]]];
        yield 'a pitch of 300' => [['ppq' => 960, 'parts' => [['notes' => ['id' => [1], 'start' => [0], 'length' => [1], 'pitch' => [300], 'velocity' => [1]]] + $part]]];
        yield 'columns of two lengths' => [['ppq' => 960, 'parts' => [['notes' => ['id' => [1, 2], 'start' => [0], 'length' => [1], 'pitch' => [60], 'velocity' => [1]]] + $part]]];
        yield 'a column that is none' => [['ppq' => 960, 'parts' => [['notes' => ['id' => [1], 'colour' => [1]]] + $part]]];
        $note = ['id' => [1], 'start' => [0], 'length' => [1], 'pitch' => [60], 'velocity' => [1]];
        yield 'a start that is no number' => [['ppq' => 960, 'parts' => [['notes' => ['start' => [true]] + $note] + $part]]];
        yield 'muted by a number' => [['ppq' => 960, 'parts' => [['notes' => $note + ['muted' => [1]]] + $part]]];
        yield 'curves that are none' => [['ppq' => 960, 'parts' => [['notes' => $note + ['own' => ['{"bend":"up"}']]] + $part]]];
        yield '201 parts' => [['ppq' => 960, 'parts' => array_fill(0, 201, $part)]];
    }

    #[DataProvider('badClips')]
    public function test_what_is_no_clip_is_refused(mixed $clip): void
    {
        $this->expectException(Refusal::class);
        self::done(self::score(), 'part-insert', ['clip' => $clip, 'at' => 0], []);
    }

    public function test_with_nothing_chosen_the_caret_says_which_track(): void
    {
        $outcome = self::done(self::score(), 'part-new', [], [], new Context(3840, track: 2));

        self::assertSame(2, $outcome->change->applyTo(self::score())->part($outcome->selection->parts[0])->head->track);
    }

    public function test_the_tracks_that_parts_stand_for_are_those_on_which_they_lie_by_then(): void
    {
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'Lead', [new Note(1, 0, 240, 60, 80)], [], PartSettings::fresh())], [1 => new Track(1, 'High', 0), 2 => new Track(2, 'Low', 1)], 2, 3);
        $batch = new Batch($score, chosen: new Selection(parts: [1]));
        $batch->run(['edit' => 'track-level', 'params' => ['volumeBy' => 4]]);
        self::assertSame([], $batch->chosen?->tracks);
        self::assertSame([1], $batch->chosen->parts);
        $batch->run(['edit' => 'part-move', 'params' => ['tracks' => 1]]);
        self::assertSame('“Low” is now track 1 of 2.', $batch->run(['edit' => 'track-order', 'params' => ['by' => -1]])->said);
    }

    public function test_of_parts_that_are_transposed_drums_keep_their_pitches_unless_only_they_are_selected(): void
    {
        $score = self::score();
        $all = self::done($score, 'transpose', ['semitones' => 2], ['parts' => [3, 4]]);
        $after = $all->change->applyTo($score);
        self::assertSame([[50], [36, 38]], [$after->part(3)->notes->column('pitch'), $after->part(4)->notes->column('pitch')]);
        self::assertSame(['1 note up 2 semitones.', ['Drums keep their pitches.']], [$all->said, $all->warnings]);

        $tracks = self::done($score, 'transpose', ['semitones' => 2], ['tracks' => [2, 3]]);
        self::assertSame(['1 note up 2 semitones.', ['Drums keep their pitches.']], [$tracks->said, $tracks->warnings]);
        $drums = self::done($score, 'transpose', ['semitones' => 2], ['parts' => [4]]);
        self::assertSame([38, 40], $drums->change->applyTo($score)->part(4)->notes->column('pitch'));
        self::assertSame([], $drums->warnings);
        $notes = self::done($score, 'transpose', ['semitones' => 2], [['part' => 3, 'notes' => [1]], ['part' => 4, 'notes' => [1]]]);
        self::assertSame([38, 38], $notes->change->applyTo($score)->part(4)->notes->column('pitch'), 'notes that are selected move');
    }
}
