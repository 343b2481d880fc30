<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Time\Timeline;

/**
 * Notes chosen by what they are: a conjunction of conditions, each a key of the pick. `not` holds a pick whose notes
 * are left out, `and` and `or` hold picks that are joined. Positions in time are ticks of the song.
 */
final readonly class NoteFilter
{
    /** Each condition and what it takes. */
    public const CONDITIONS = [
        'all' => 'true',
        'pitch' => 'a pitch 0–127 or {"min", "max"}',
        'pitchClass' => 'a pitch class 0–11 (0 is C) or {"min", "max"}',
        'start' => 'a tick or {"min", "max"}',
        'length' => 'ticks or {"min", "max"}',
        'velocity' => 'a velocity 1–127 or {"min", "max"}',
        'muted' => 'true or false',
        'inChord' => '"top", "bottom" or a rank from below, 1 or more',
        'onBeat' => 'true or false',
        'offGrid' => 'ticks, 1 or more',
        'outOfScale' => 'true or false',
        'overlapping' => 'true or false',
        'articulation' => 'its number in the track’s set, or 0 for none',
        'group' => 'the number of a group, or true for all that are grouped, or false',
        'every' => '{"nth": 1 or more, "from": 1 or more}',
        'span' => '{"from": tick, "to": tick}',
        'not' => 'another pick',
        'and' => 'a list of picks, all of which hold',
        'or' => 'a list of picks, one of which holds',
    ];

    /** @param  array<string, mixed>  $conditions as checked by `parse` */
    private function __construct(private array $conditions)
    {
    }

    /** @throws Refusal that names the condition at fault */
    public static function parse(mixed $pick): self
    {
        if (! is_array($pick) || $pick === []) {
            throw Refusal::parameter('pick', $pick, 'an object with one or more of '.implode(', ', array_keys(self::CONDITIONS)));
        }
        $conditions = [];
        foreach ($pick as $key => $value) {
            $allowed = self::CONDITIONS[$key] ?? throw Refusal::parameter('pick', $key, 'one or more of '.implode(', ', array_keys(self::CONDITIONS)));
            $good = match ($key) {
                'all' => $value === true,
                'muted', 'onBeat', 'overlapping', 'outOfScale' => is_bool($value),
                'articulation' => is_int($value) && $value >= 0,
                'group' => is_bool($value) || (is_int($value) && $value >= 1),
                'pitch', 'pitchClass', 'start', 'length', 'velocity' => self::isRange($value),
                'inChord' => $value === 'top' || $value === 'bottom' || (is_int($value) && $value >= 1),
                'offGrid' => is_int($value) && $value >= 1,
                'every' => is_array($value) && is_int($value['nth'] ?? null) && $value['nth'] >= 1
                    && is_int($value['from'] ?? 1) && ($value['from'] ?? 1) >= 1,
                'and', 'or' => is_array($value) && array_is_list($value) && $value !== [],
                'span' => is_array($value) && is_int($value['from'] ?? null) && is_int($value['to'] ?? null) && $value['from'] <= $value['to'],
                default => true,
            };
            if (! $good) {
                throw Refusal::parameter("pick.$key", $value, $allowed);
            }
            if (is_array($value) && is_int($value['min'] ?? null) && is_int($value['max'] ?? null) && $value['min'] > $value['max']) {
                throw Refusal::parameter("pick.$key", $value, 'a least that is not above the most');
            }
            $conditions[$key] = match (true) {
                $key === 'not' => self::parse($value),
                ($key === 'and' || $key === 'or') && is_array($value) => array_map(self::parse(...), $value),
                default => $value,
            };
        }

        return new self($conditions);
    }

    /**
     * The ids of the part's notes that meet every condition, in order of time (all of them: by id). `every` counts what
     * the other conditions leave.
     *
     * @param  Scale|null  $songs  the song's scale, for a part that has none of its own
     * @return list<int>
     *
     * @throws Refusal when the pick asks for the grid of a part that has none
     */
    public function of(Part $part, Timeline $time, ?Scale $songs = null): array
    {
        if (count($this->conditions) === 1 && isset($this->conditions['all'])) {
            return $part->shownIds();
        }
        $notes = $part->inOrder();
        foreach ($this->conditions as $key => $value) {
            $notes = match ($key) {
                'pitch' => self::filter($notes, static fn (Note $n): bool => self::within($n->pitch, $value)),
                'pitchClass' => self::filter($notes, static fn (Note $n): bool => self::within($n->pitch % 12, $value)),
                'start' => self::filter($notes, static fn (Note $n): bool => self::within($n->start, $value)),
                'length' => self::filter($notes, static fn (Note $n): bool => self::within($n->length, $value)),
                'velocity' => self::filter($notes, static fn (Note $n): bool => self::within($n->velocity, $value)),
                'muted' => self::filter($notes, static fn (Note $n): bool => $n->muted === $value),
                'span' => self::filter($notes, static fn (Note $n): bool => is_array($value) && $n->start >= $value['from'] && $n->start < $value['to']),
                'inChord' => self::keep($notes, self::ranked($part, $time, is_int($value) || is_string($value) ? $value : 1), true),
                'onBeat' => self::onBeat($notes, $time, $value === true),
                'offGrid' => self::offGrid($notes, $part, $time, is_int($value) ? $value : 1),
                'overlapping' => self::keep($notes, Overlaps::ids($part->inOrder()), $value === true),
                'outOfScale' => self::outOfScale($notes, $part->ownSettings()->scale ?? $songs ?? throw Refusal::parameter('pick.outOfScale', $value, 'only where the song or the part has a scale'), $value === true),
                'articulation' => self::filter($notes, static fn (Note $n): bool => $n->articulation === $value),
                'group' => self::filter($notes, static fn (Note $n): bool => is_bool($value) ? $n->group > 0 === $value : $n->group === $value),
                'not' => self::keep($notes, $value instanceof self ? array_fill_keys($value->of($part, $time, $songs), true) : [], false),
                'and' => array_reduce(self::picks($value), static fn (array $left, self $p): array => self::keep($left, array_fill_keys($p->of($part, $time, $songs), true), true), $notes),
                'or' => self::keep($notes, self::any(self::picks($value), $part, $time, $songs), true),
                default => $notes,
            };
        }
        $every = $this->conditions['every'] ?? null;
        if (is_array($every)) {
            /** @var array{nth: int, from?: int} $every */
            $from = ($every['from'] ?? 1) - 1;
            $nth = $every['nth'];
            $notes = array_filter($notes, static fn (int $i): bool => $i >= $from && ($i - $from) % $nth === 0, ARRAY_FILTER_USE_KEY);
        }

        return array_column($notes, 'id');
    }

    /**
     * @param  list<self>  $picks
     * @return array<int, true> notes that one of them finds
     */
    private static function any(array $picks, Part $part, Timeline $time, ?Scale $songs): array
    {
        $ids = [];
        foreach ($picks as $pick) {
            $ids += array_fill_keys($pick->of($part, $time, $songs), true);
        }

        return $ids;
    }

    /** @return list<self> */
    private static function picks(mixed $value): array
    {
        return is_array($value) ? array_values(array_filter($value, static fn (mixed $p): bool => $p instanceof self)) : [];
    }

    /**
     * A stretch of time as a pick has it.
     *
     * @return array{int, int}
     *
     * @throws Refusal
     */
    public static function span(mixed $span): array
    {
        return is_array($span) && is_int($span['from'] ?? null) && is_int($span['to'] ?? null) && $span['from'] <= $span['to']
            ? [$span['from'], $span['to']] : throw Refusal::parameter('pick.span', $span, self::CONDITIONS['span']);
    }

    /**
     * A value, or the least and the most, as a pick has them.
     *
     * @return array{int, int}
     *
     * @throws Refusal
     */
    public static function range(mixed $range, string $name): array
    {
        if (! self::isRange($range)) {
            throw Refusal::parameter("pick.$name", $range, 'a whole number or {"min", "max"}');
        }
        $ends = is_array($range) ? [$range['min'] ?? PHP_INT_MIN, $range['max'] ?? PHP_INT_MAX] : [$range, $range];

        return is_int($ends[0]) && is_int($ends[1]) && $ends[0] <= $ends[1] ? $ends : throw Refusal::parameter("pick.$name", $range, 'a least that is not above the most');
    }

    private static function isRange(mixed $value): bool
    {
        if (is_int($value)) {
            return true;
        }
        if (! is_array($value) || $value === [] || array_diff(array_keys($value), ['min', 'max']) !== []) {
            return false;
        }

        return is_int($value['min'] ?? 0) && is_int($value['max'] ?? 0);
    }

    private static function within(int $x, mixed $range): bool
    {
        return is_array($range) ? $x >= ($range['min'] ?? PHP_INT_MIN) && $x <= ($range['max'] ?? PHP_INT_MAX) : $x === $range;
    }

    /**
     * @param  list<Note>  $notes
     * @param  \Closure(Note): bool  $test
     * @return list<Note>
     */
    private static function filter(array $notes, \Closure $test): array
    {
        return array_values(array_filter($notes, $test));
    }

    /**
     * @param  list<Note>  $notes
     * @param  array<int, true>  $ids
     * @return list<Note>
     */
    private static function keep(array $notes, array $ids, bool $those): array
    {
        return self::filter($notes, static fn (Note $n): bool => isset($ids[$n->id]) === $those);
    }

    /**
     * Drums have no scale.
     *
     * @param  list<Note>  $notes
     * @return list<Note>
     */
    private static function outOfScale(array $notes, Scale $scale, bool $wanted): array
    {
        return self::filter($notes, static fn (Note $n): bool => ($n->channel !== GeneralMidi::DRUM_CHANNEL && ! $scale->holds($n->pitch)) === $wanted);
    }

    /** @return array<int, true> */
    private static function ranked(Part $part, Timeline $time, int|string $rank): array
    {
        $ids = [];
        foreach (Chords::of($part->inOrder(), $time) as $chord) {
            $i = match ($rank) {
                'top' => count($chord) - 1,
                'bottom' => 0,
                default => (int) $rank - 1,
            };
            if (isset($chord[$i])) {
                $ids[$chord[$i]->id] = true;
            }
        }

        return $ids;
    }

    /**
     * On the beat: nearest of the meter's beats no farther than a quarter of a beat.
     *
     * @param  list<Note>  $notes
     * @return list<Note>
     */
    private static function onBeat(array $notes, Timeline $time, bool $wanted): array
    {
        return self::filter($notes, static function (Note $n) use ($time, $wanted): bool {
            $bar = $time->meters->barAt($n->start);
            $beat = 4 * $time->ppq / $bar->meter->unit;
            $off = fmod($n->start - $bar->start, $beat);

            return (min($off, $beat - $off) <= $beat / 4) === $wanted;
        });
    }

    /**
     * @param  list<Note>  $notes
     * @return list<Note>
     */
    private static function offGrid(array $notes, Part $part, Timeline $time, int $ticks): array
    {
        $settings = $part->ownSettings() ?? throw Refusal::parameter('pick.offGrid', $ticks, 'only where the part has a grid, which a file has not');
        $lines = $time->lines($settings->grid, $settings->swing);

        return self::filter($notes, static fn (Note $n): bool => abs($n->start - $lines->nearest($n->start)) >= $ticks);
    }
}
