<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Score;

use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\PassthroughEvent;
use Jactonic\Core\Score\Pitch;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Standard\Message;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PartTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string, array<string, mixed>|null}> a step, a turn, and the step after; null where there is none */
    public static function turns(): iterable
    {
        yield 'milliseconds' => [['unit' => 'ms', 'amount' => 10], 'finer', ['unit' => 'ms', 'amount' => 5.0]];
        yield 'wider' => [['unit' => 'ms', 'amount' => 10], 'wider', ['unit' => 'ms', 'amount' => 20.0]];
        yield 'from between two' => [['unit' => 'ticks', 'amount' => 30], 'finer', ['unit' => 'ticks', 'amount' => 20.0]];
        yield 'the finest' => [['unit' => 'ticks', 'amount' => 1], 'finer', null];
        yield 'a note value' => [['unit' => 'value', 'amount' => '1/16T'], 'finer', ['unit' => 'value', 'amount' => '1/32T']];
        yield 'up to bars' => [['unit' => 'value', 'amount' => '1/1'], 'wider', ['unit' => 'bar', 'amount' => 1.0]];
        yield 'bars' => [['unit' => 'bar', 'amount' => 2], 'wider', ['unit' => 'bar', 'amount' => 4.0]];
        yield 'down from a bar' => [['unit' => 'bar', 'amount' => 1], 'finer', ['unit' => 'value', 'amount' => '1/1']];
        yield 'samples at their rate' => [['unit' => 'samples', 'amount' => 50, 'rate' => 96_000], 'wider', ['unit' => 'samples', 'amount' => 100.0, 'rate' => 96_000]];
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  array<string, mixed>|null  $after
     */
    #[DataProvider('turns')]
    public function test_the_nudge_step_gets_finer_and_wider(array $step, string $turn, ?array $after): void
    {
        $settings = PartSettings::fromArray(['nudge' => $step]);
        if ($after === null) {
            $this->expectExceptionMessage('The nudge step is 1 tick already; there is none that is finer.');
        }
        $turned = $settings->changed(['nudgeTurn' => $turn]);
        self::assertSame([$after, false], [$turned->nudge->toArray(), $turned->tied]);
    }

    public function test_a_nudge_step_that_is_tied_to_the_grid_turns_from_that(): void
    {
        $settings = PartSettings::fromArray(['grid' => '1/8', 'tied' => true]);
        self::assertSame(['unit' => 'value', 'amount' => '1/16'], $settings->changed(['nudgeTurn' => 'finer'])->nudge->toArray());
        $this->expectExceptionMessage('finer or wider');
        $settings->changed(['nudgeTurn' => 'smaller']);
    }

    public function test_a_part_is_read_back_as_it_was_written(): void
    {
        $part = Make::take(7)->part(1);
        $notes = Rows::read(Table::notes(), $part->notes->bytes());
        $points = Rows::read(Table::points(), $part->points->bytes());

        self::assertEquals($part->notes->all(), $notes->all());
        self::assertEquals($part->points->all(), $points->all());
    }

    public function test_a_retimed_note_remembers_where_it_was_played(): void
    {
        $note = (new Note(1, 1000, 100, 60, 80))->retimed(960, 120)->retimed(900, 130);

        self::assertSame([900, 130, 1000, 100], [$note->start, $note->length, $note->playedStart(), $note->playedLength()]);
    }

    public function test_a_moved_note_takes_its_feel_along_and_carries_fractions(): void
    {
        $note = (new Note(1, 1000, 100, 60, 80))->retimed(960, 100);
        for ($i = 1; $i <= 10; $i++) {
            $note = $note->movedTo($note->start + $note->carryStart + 19.2);
        }

        self::assertSame(960 + 192, $note->start);
        self::assertSame(1000 + 192, $note->playedStart());
    }

    public function test_new_notes_take_the_channel_that_the_part_is_on(): void
    {
        self::assertSame(9, Part::of(1, 'Kit', [new Note(1, 0, 1, 36, 80, channel: 9)])->channel());
        self::assertSame(3, Part::of(1, 'Pad', [], [new Point(1, 0, 0xC3, 48, 0)])->channel());
        self::assertSame(0, Part::of(1, 'New', [])->channel());
    }

    public function test_pitches_have_names(): void
    {
        self::assertSame(['C-1', 'C4', 'A4', 'G9'], array_map(Pitch::name(...), [0, 60, 69, 127]));
    }

    public function test_pitches_are_read_by_their_names_and_those_of_drums(): void
    {
        $read = array_map(Pitch::parse(...), ['C2', 'f#3', 'Bb1', 'B♭1', 'c♯-1', 'G9', 'snare', 'Kick', 'closed hi-hat', 'Low Tom', 'hat']);
        self::assertSame([36, 54, 34, 34, 1, 127, 38, 36, 42, 45, 42], $read);
        foreach (['H2', 'C', 'G#9', 'Cb-1', '', 'cello', '60'] as $none) {
            self::assertNull(Pitch::parse($none), "“{$none}”");
        }
    }

    public function test_the_key_spells_and_drums_go_by_their_names(): void
    {
        $note = static fn (int $pitch, int $channel = 0): Note => new Note(1, 0, 10, $pitch, 80, channel: $channel);
        $score = static fn (?string $key): Score => new Score(Timeline::of(960), [], [1 => new Track(1, 'Piano', 0, $key === null ? [] : [new PassthroughEvent(0, 0, Message::META, Message::META_KEY, $key)])]);
        self::assertSame('B♭4 at 1.1.1', Wording::note($note(70), $score("\xFF\x00")));
        self::assertSame('A♯4 at 1.1.1', Wording::note($note(70), $score("\x03\x00")));
        self::assertSame('F♯4 at 1.1.1', Wording::note($note(66), $score(null)));
        self::assertSame('G♭4 at 1.1.1', Wording::note($note(66), $score("\xFB\x01")));
        self::assertSame('Acoustic Snare at 1.1.1', Wording::note($note(38, 9), $score("\xFF\x00")));
        self::assertSame('C1 at 1.1.1', Wording::note($note(24, 9), $score(null)), 'what the standard has no drum for');
    }

    public function test_settings_are_changed_one_by_one_and_say_what_was_set(): void
    {
        $before = PartSettings::fresh();
        $after = $before->changed(['turn' => 'triplet', 'strength' => 60, 'swing' => 57.25]);

        self::assertSame('1/16T', $after->grid->name);
        self::assertSame('Grid 1/16T, Swing 57.25 %, Strength 60 %.', $after->sentence($before));
        self::assertSame('That was set already.', $after->sentence($after));
        self::assertEquals($after, PartSettings::fromArray($after->toArray()));
    }

    public function test_swing_is_switched_off_and_on_and_keeps_its_amount(): void
    {
        $swung = PartSettings::fresh()->changed(['swing' => 62]);
        $off = $swung->changed(['swing' => 'toggle']);

        self::assertSame(50.0, $off->swing);
        self::assertSame('Swing off: the grid is straight.', $off->sentence($swung));
        self::assertSame(62.0, PartSettings::fromArray($off->toArray())->changed(['swing' => 'toggle'])->swing);
        self::assertSame(60.0, PartSettings::fresh()->changed(['swing' => 'toggle'])->swing);
        self::assertSame([75.0, 50.0], [$swung->changed(['swingBy' => 90])->swing, $swung->changed(['swingBy' => -90])->swing]);
    }

    public function test_the_pen_takes_a_touch_and_touches_are_the_parts_own(): void
    {
        $own = PartSettings::fresh()->changed(['touches' => [10, 20, 30, 40]]);

        self::assertSame(30, $own->changed(['touch' => 3])->penVelocity);
        self::assertSame('Touches 10, 20, 30, 40.', $own->sentence(PartSettings::fresh()));
        self::assertSame([10, 20, 30, 40], PartSettings::fromArray($own->toArray())->touches);
    }

    public function test_the_nudge_step_is_tied_to_the_grid_until_one_is_set_and_comes_back(): void
    {
        $fresh = PartSettings::fresh();
        $own = $fresh->changed(['nudge' => ['unit' => 'ms', 'amount' => 5]]);

        self::assertSame(['grid', 'ms'], [$fresh->nudge->unit, $own->nudge->unit]);
        self::assertSame('Nudge step 5 ms.', $own->sentence($fresh));
        self::assertSame('grid', $own->changed(['tied' => 'toggle'])->nudge->unit);
        self::assertSame(5.0, $own->changed(['tied' => true])->changed(['tied' => 'toggle'])->nudge->amount);
        self::assertSame('stay', $fresh->changed(['lanes' => 'toggle'])->lanes);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no such setting' => [['tempo' => 90], 'tempo'];
        yield 'swing too small' => [['swing' => 49.9], 'swing'];
        yield 'swing too large' => [['swing' => 75.1], 'swing'];
        yield 'strength' => [['strength' => 101], 'strength'];
        yield 'strength of a fraction' => [['strength' => 50.5], 'strength'];
        yield 'velocity nought' => [['penVelocity' => 0], 'penVelocity'];
        yield 'pen length' => [['penLength' => '1/5'], 'penLength'];
        yield 'grid' => [['grid' => 16], 'grid'];
        yield 'a swing kept that is none' => [['swingKept' => 50], 'swingKept'];
        yield 'lanes' => [['lanes' => 'up'], 'lanes'];
        yield 'a touch that is none' => [['touch' => 5], 'touch'];
        yield 'three touches' => [['touches' => [1, 2, 3]], 'touches'];
        yield 'a touch too loud' => [['touches' => [1, 2, 3, 128]], 'touches'];
        yield 'touches that are no list' => [['touches' => 'soft'], 'touches'];
        yield 'tie' => [['tied' => 1], 'tied'];
        yield 'swing by a word' => [['swingBy' => 'much'], 'swingBy'];
    }

    /** @param  array<string, mixed>  $set */
    #[DataProvider('wrong')]
    public function test_a_setting_out_of_range_is_refused_by_name(array $set, string $name): void
    {
        try {
            PartSettings::fresh()->changed($set);
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame($name, $refusal->parameter);
        }
    }
}
