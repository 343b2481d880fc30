<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Structure\LanesUnderNotes;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Params;
use Jactonic\Core\Score\Ids;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Lines;
use Jactonic\Core\Time\Timeline;

/** What an edit is given: the score, what is selected, its parameters, and where it was asked for. */
final readonly class EditInput
{
    public function __construct(public Score $score, public Selection $selection, public Params $params, public Context $context = new Context)
    {
    }

    public function time(): Timeline
    {
        return $this->score->time;
    }

    /** @return list<Part> the parts in which notes are selected */
    public function parts(): array
    {
        return array_map(fn (int $id): Part => $this->score->part($id), array_keys($this->selection->notes));
    }

    /** The first part that is named, to work in. */
    public function part(): Part
    {
        return $this->score->part($this->selection->partIds()[0] ?? throw new \LogicException('An edit that needs a part is given one.'));
    }

    /** The part to look at: the first in which notes are selected, else the first that is named. */
    public function partOfChosen(): Part
    {
        $chosen = array_key_first(array_filter($this->selection->notes));

        return $chosen === null ? $this->part() : $this->score->part($chosen);
    }

    /** @return list<Part> those selected as wholes */
    public function wholeParts(): array
    {
        return array_map(fn (int $id): Part => $this->score->part($id), $this->selection->parts);
    }

    /** @return list<Part> the parts in which points are selected */
    public function partsOfPoints(): array
    {
        return array_map(fn (int $id): Part => $this->score->part($id), array_keys($this->selection->points));
    }

    /** @return list<Point> the selected points of a part */
    public function chosenPoints(Part $part): array
    {
        $ids = array_merge(...array_values($this->selection->points[$part->id] ?? []));
        if (count($ids) === $part->points->count() && $ids === array_keys($part->points->all())) {
            return array_values($part->points->all());
        }

        return array_map(static fn (int $id): Point => $part->points[$id], $ids);
    }

    /** The lane to draw in: the one named by the parameter `lane`, else the one whose points are worked on, else Expression. */
    public function lane(): Lane
    {
        $worked = array_key_first(array_merge(...array_values($this->selection->points)));

        return $this->params->has('lane') ? $this->params->lane('lane') : Lane::parse($worked ?? 'cc:11');
    }

    /** @return list<Note> the selected notes of a part */
    public function chosen(Part $part): array
    {
        $ids = $this->selection->notes[$part->id] ?? [];
        if (count($ids) === $part->notes->count()) {
            // All of them: made at once they are cheaper.
            $all = $part->notes->all();
            if ($ids === array_keys($all)) {
                return array_values($all);
            }
        }

        return array_map(static fn (int $id): Note => $part->notes[$id], $ids);
    }

    /** @return list<Note> the selected notes of a part; all that sound in it where no note is selected in any part */
    public function chosenOrAll(Part $part): array
    {
        return $this->selection->isEmpty() ? $part->inOrder() : $this->chosen($part);
    }

    /** @return list<int> ids of the selected notes of a part, ascending */
    public function ids(Part $part): array
    {
        return self::ascending($this->selection->notes[$part->id] ?? []);
    }

    /** @return list<int> ids of the selected points of a part, ascending */
    public function pointIds(Part $part): array
    {
        return self::ascending(array_merge(...array_values($this->selection->points[$part->id] ?? [])));
    }

    /**
     * The first selected note in all parts, and its part. Of notes that start together it is any.
     *
     * @return array{Part, Note}
     */
    public function first(): array
    {
        $first = null;
        foreach ($this->parts() as $part) {
            foreach ($this->chosen($part) as $note) {
                if ($first === null || $note->start + $note->carryStart < $first[1]->start + $first[1]->carryStart) {
                    $first = [$part, $note];
                }
            }
        }

        return $first ?? throw new \LogicException('An edit that needs notes is given some.');
    }

    /** The earliest place of what is selected, notes or points. */
    public function firstPlace(): float
    {
        $first = $this->selection->isEmpty() ? INF : $this->firstStart();
        foreach ($this->partsOfPoints() as $part) {
            $first = min([$first, ...$part->points->integers('tick', $this->pointIds($part))]);
        }

        return $first;
    }

    /**
     * The stretch that is selected: from the first start of a note or place of a point to the last end.
     *
     * @return array{float, float}
     */
    public function stretch(): array
    {
        $from = $this->firstPlace();
        $to = $from;
        foreach ($this->parts() as $part) {
            $to = max([$to, ...array_map(static fn (float $start, float $length): float => $start + $length, $this->places($part), $this->exact($part, 'length', 'carryLength'))]);
        }
        foreach ($this->partsOfPoints() as $part) {
            $to = max([$to, ...$part->points->integers('tick', $this->pointIds($part))]);
        }

        return [$from, $to];
    }

    /** The start of the first selected note in all parts, with its fraction. */
    public function firstStart(): float
    {
        return min(array_merge(...array_map($this->places(...), $this->parts())) ?: throw new \LogicException('An edit that needs notes is given some.'));
    }

    /** @return list<float> where the selected notes of a part start, with their fractions, in the order of their ids */
    private function places(Part $part): array
    {
        return $this->exact($part, 'start', 'carryStart');
    }

    /** @return list<float> a column of the selected notes of a part with the fractions that another carries */
    private function exact(Part $part, string $name, string $carried): array
    {
        $ids = $this->ids($part);
        $values = $part->notes->integers($name, $ids);

        return $part->notes->hasOther($carried) ? array_map(static fn (int $value, float $carry): float => $value + $carry, $values, $part->notes->floats($carried, $ids)) : array_map(floatval(...), $values);
    }

    /**
     * Moves the selected notes of a part to exact places, drift with them; the fractions are carried.
     *
     * @param  \Closure(float): float  $to  from a place to where it goes, in ticks
     * @param  (\Closure(Note): \Throwable)|null  $early  what is thrown where a note would start before the song
     */
    public function moveNotes(ChangeBuilder $builder, Part $part, \Closure $to, ?\Closure $early = null): void
    {
        $ids = $this->ids($part);
        $starts = $carried = [];
        foreach ($this->places($part) as $i => $place) {
            [$starts[], $carried[]] = [$start] = Note::split($to($place));
            if ($start < 0 && $early !== null) {
                throw $early($part->notes[$ids[$i]]);
            }
        }
        $builder->columns($part, $ids, ['start' => $starts, 'carryStart' => $carried]);
    }

    /**
     * Moves all selected notes by a distance in ticks, drift and fractions with them; the first must stay in the song.
     * The lanes under them come along where the parameter `lanes` says so.
     */
    public function moveAll(ChangeBuilder $builder, float $distance): void
    {
        foreach ($this->parts() as $part) {
            $this->moveNotes($builder, $part, static fn (float $place): float => $place + $distance);
            $this->moveLanes($builder, $part, static fn (float $place): float => $place + $distance);
        }
    }

    /**
     * Gives the selected notes of a part other edges, as `Note::retimed` does it: what they lose in feel is added to their
     * drift. Those whose edges stay keep their fractions, unless others are given.
     *
     * @param  list<int>  $starts  ticks, in the order of `ids`
     * @param  list<int>  $lengths
     * @param  array{carryStart: list<float>, carryLength: list<float>}|null  $carried
     */
    public function retime(ChangeBuilder $builder, Part $part, array $starts, array $lengths, ?array $carried = null): void
    {
        $ids = $this->ids($part);
        $notes = $part->notes;
        [$were, $lasted, $driftStart, $driftLength] = array_map(static fn (string $name): array => $notes->integers($name, $ids), ['start', 'length', 'driftStart', 'driftLength']);
        $carries = $carried !== null ? [] : array_map(static fn (string $name): array => $notes->floats($name, $ids), array_filter(['carryStart' => 'carryStart', 'carryLength' => 'carryLength'], $notes->hasOther(...)));
        foreach ($ids as $i => $id) {
            $later = $starts[$i] - $were[$i];
            $longer = $lengths[$i] - $lasted[$i];
            if ($later !== 0 || $longer !== 0) {
                $driftStart[$i] -= $later;
                $driftLength[$i] -= $longer;
                foreach ($carries as $name => $_) {
                    $carries[$name][$i] = 0.0;
                }
            }
        }
        $builder->columns($part, $ids, ['start' => $starts, 'length' => $lengths, 'driftStart' => array_values($driftStart), 'driftLength' => array_values($driftLength)] + ($carried ?? array_map(array_values(...), $carries)));
    }

    /**
     * Gives the selected notes of a part other edges at exact places, as `retime` does, with the fractions carried.
     *
     * @param  \Closure(float, float, int): array{float, float}  $to  from the start, the length and the id to the start and the length that it gets
     */
    public function resize(ChangeBuilder $builder, Part $part, \Closure $to): void
    {
        $ids = $this->ids($part);
        $lengths = $this->exact($part, 'length', 'carryLength');
        $starts = $wholes = $carryStart = $carryLength = [];
        foreach ($this->places($part) as $i => $start) {
            [$start, $length] = $to($start, $lengths[$i], $ids[$i]);
            [$starts[], $carryStart[]] = Note::split($start);
            [$wholes[], $carryLength[]] = Note::split($length);
        }
        $this->retime($builder, $part, $starts, $wholes, ['carryStart' => $carryStart, 'carryLength' => $carryLength]);
    }

    /** What an edit that draws in a lane takes, to say in which. */
    public static function inLane(): Param
    {
        return Param::lane('lane', 'Lane', 'the lane worked in, else expression');
    }

    /** What an edit that moves notes takes, to say whether the points of the lanes under them come along. */
    public static function lanes(): Param
    {
        return Param::choice('lanes', 'Controllers under the notes', ['stay' => 'leave the controllers', 'along' => 'move the controllers'], 'along', setting: 'lanes');
    }

    /**
     * Moves the points from the start of the part's first selected note up to the end of its last, and what lets go there, where the parameter
     * `lanes` is "along" and all that sounds there is moved. Points keep no fractions, so they go to the nearest tick, and none before the song's start.
     *
     * @param  \Closure(float): float  $to  from a place to where it goes, in ticks
     */
    public function moveLanes(ChangeBuilder $builder, Part $part, \Closure $to): void
    {
        $stretch = $part->points->isEmpty() ? null : LanesUnderNotes::stretch($this, $part);
        if ($stretch === null) {
            return;
        }
        foreach (LanesUnderNotes::points($part, ...$stretch) as $point) {
            $builder->putPoint($part, $point->movedTo(max(0, Note::whole($to($point->tick)))));
        }
    }

    /** The lines of the part's own grid; sixteenths for a part that has none. */
    public function lines(Part $part): Lines
    {
        return $this->time()->lines($part->settings()->grid, $part->settings()->swing);
    }

    /**
     * @param  list<int>  $ids
     * @return list<int>
     */
    private static function ascending(array $ids): array
    {
        if (! Ids::areAscending($ids)) {
            sort($ids);
        }

        return $ids;
    }

    /** How far apart the starts of one chord may lie in a part: as the command says, else as the part's own starts do. */
    public function gather(Part $part): Part|float
    {
        return $this->params->has('gather') ? $this->params->number('gather') : $part;
    }
}
