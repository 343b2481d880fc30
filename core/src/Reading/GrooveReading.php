<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Shape;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Groove;
use Jactonic\Core\Time\Timeline;

/** Takes the feel out of playing: mean offset and velocity at each place in the bar. Nothing changes. */
final class GrooveReading implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('groove-reading', 'Feel of the notes', Family::Timing, 'Mean offset and velocity at each place in the bar.', [
            Param::name('name', 'Name'), Param::grid('grid', 'Places'),
        ], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::named('Groove');
    }

    public function read(EditInput $input): array
    {
        return self::of($input->params->text('name'), Readings::notes($input), $input->params->grid('grid'), $input->time())->toArray();
    }

    /**
     * @param  list<Note>  $notes  as they stand; muted ones do not count
     * @param  Grid  $grid  a note value; its straight lines are the places
     *
     * @throws Refusal when there is nothing to read, or the grid is one of bars
     */
    public static function of(string $name, array $notes, Grid $grid, Timeline $time): Groove
    {
        $notes = array_values(array_filter($notes, static fn (Note $n): bool => ! $n->muted));
        if ($notes === []) {
            throw new Refusal('No notes are selected: there is no feel to take.');
        }
        if ($grid->isBars()) {
            throw Refusal::parameter('grid', $grid->name, 'a note value: a grid of bars has one place a bar');
        }
        $lines = $time->lines($grid);
        [$n, $d] = $grid->cell($time->ppq);
        $cell = $n / $d;
        $places = max(1, (int) ceil($time->meters->barAt($notes[0]->start)->length / $cell - 1e-9));
        $offsets = $loudness = array_fill(0, $places, []);
        $empty = new Groove($name, $grid, array_fill(0, $places, null), array_fill(0, $places, null));
        foreach ($notes as $note) {
            $line = $lines->nearest($note->start);
            $place = $empty->place($line, $time);
            $offsets[$place][] = ($note->start - $line) / $cell;
            $loudness[$place][] = $note->velocity;
        }
        $mean = static fn (array $list, int $to): ?float => $list === [] ? null : round(array_sum($list) / count($list), $to);

        return Groove::fromArray([
            'name' => $name, 'grid' => $grid->name,
            'time' => array_map(static fn (array $l): ?float => $mean($l, 5), $offsets),
            'velocity' => array_map(static fn (array $l): ?float => $mean($l, 2), $loudness),
        ], 'name');
    }
}
