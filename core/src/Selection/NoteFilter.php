<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Time\Timeline;

/**
 * Notes by what they are: conditions that all hold, each a key with its value. `not` has a filter whose notes are left out,
 * `and` and `or` have filters that are joined. Positions in time are ticks of the song.
 */
final readonly class NoteFilter
{
    /**
     * @param  array<string, mixed>  $conditions  values that each condition takes, by its key
     * @param  array{not?: self, and?: list<self>, or?: list<self>}  $joined
     */
    private function __construct(private array $conditions, private array $joined)
    {
    }

    /** @throws Refusal that names the condition at fault */
    public static function parse(mixed $pick): self
    {
        if (! is_array($pick) || $pick === []) {
            throw Refusal::parameter('pick', $pick, 'an object with one or more of '.implode(', ', array_keys(Conditions::allowed())));
        }
        $conditions = $joined = [];
        foreach ($pick as $key => $value) {
            if ($key === 'not') {
                $joined['not'] = self::parse($value);
            } elseif ($key === 'and' || $key === 'or') {
                $joined[$key] = is_array($value) && array_is_list($value) && $value !== [] ? array_map(self::parse(...), $value) : throw Refusal::parameter("pick.$key", $value, Conditions::JOINS[$key]);
            } elseif ($key !== 'all') {
                $conditions[(string) $key] = self::checked((string) $key, $value);
            } elseif ($value !== true) {
                throw Refusal::parameter('pick.all', $value, Conditions::JOINS['all']);
            }
        }

        return new self($conditions, $joined);
    }

    private static function checked(string $key, mixed $value): mixed
    {
        $condition = Conditions::find($key) ?? throw Refusal::parameter('pick', $key, 'one or more of '.implode(', ', array_keys(Conditions::allowed())));
        if (! $condition::takes($value)) {
            throw Refusal::parameter("pick.$key", $value, $condition::spec()->allowed);
        }
        if (Range::isEmpty($value)) {
            throw Refusal::parameter("pick.$key", $value, 'a least that is not above the most');
        }

        return $value;
    }

    /**
     * The ids of the part's notes that meet every condition, in order of time (all of them: by id).
     *
     * @param  Scale|null  $songScale  the song's scale, for a part that has none of its own
     * @return list<int>
     *
     * @throws Refusal when the filter asks for the grid or the scale of a part that has none
     */
    public function of(Part $part, Timeline $time, ?Scale $songScale = null): array
    {
        if ($this->conditions === [] && $this->joined === []) {
            return $part->shownIds();
        }
        $input = new FilterInput($part, $time, $songScale);
        $notes = $this->met($part->inOrder(), $input, false);
        foreach ($this->joined as $how => $filters) {
            $notes = match ($how) {
                'not' => FilterInput::among($notes, self::found([$filters], $input), false),
                'or' => FilterInput::among($notes, self::found($filters, $input)),
                'and' => array_reduce($filters, static fn (array $left, self $f): array => FilterInput::among($left, self::found([$f], $input)), $notes),
            };
        }

        return array_column($this->met($notes, $input, true), 'id');
    }

    /**
     * @param  list<Note>  $notes
     * @return list<Note> those that meet the conditions that count last, or the others
     */
    private function met(array $notes, FilterInput $input, bool $countsLast): array
    {
        foreach ($this->conditions as $key => $value) {
            $condition = Conditions::find($key);
            if ($condition !== null && $condition::spec()->countsLast === $countsLast) {
                $notes = $condition::filter($notes, $value, $input);
            }
        }

        return $notes;
    }

    /**
     * @param  list<self>  $filters
     * @return array<int, true> notes that one of them finds
     */
    private static function found(array $filters, FilterInput $input): array
    {
        $ids = [];
        foreach ($filters as $filter) {
            $ids += array_fill_keys($filter->of($input->part, $input->time, $input->songScale), true);
        }

        return $ids;
    }
}
