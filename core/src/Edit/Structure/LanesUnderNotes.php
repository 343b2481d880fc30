<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Lane\LaneCurve;
use Jactonic\Core\Edit\Part\PartContents;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Sounding\ReleaseAtEnd;

/**
 * Points of lanes that go along with the notes above them: copied, cut and moved with them where the part's setting says
 * so and all that sounds in the stretch is meant; one note of a chord leaves the pedal where it is. What holds where a
 * stretch begins goes with it, and what held behind it holds there again, so that nothing is left hanging.
 */
final class LanesUnderNotes
{
    /**
     * The stretch under the selected notes of a part, where its points go along; null where they stay.
     *
     * @return array{int, int}|null first tick and the one after the last
     */
    public static function stretch(EditInput $input, Part $part): ?array
    {
        $ids = $input->ids($part);
        if ($ids === [] || $part->points->isEmpty() || $input->params->choice('lanes', $part->ownSettings()) === 'stay') {
            return null;
        }

        return self::under($part, $ids);
    }

    /**
     * The stretch under notes; null where other notes of the part sound in it too.
     *
     * @param  list<int>  $ids
     * @return array{int, int}|null
     */
    public static function under(Part $part, array $ids): ?array
    {
        if ($ids === []) {
            return null;
        }
        $end = static fn (int $start, int $length): int => $start + $length;
        $starts = $part->notes->integers('start', $ids);
        $from = min([PHP_INT_MAX, ...$starts]);
        $until = max([0, ...array_map($end, $starts, $part->notes->integers('length', $ids))]);
        if (count($ids) === $part->notes->count()) {
            return [$from, $until];
        }
        [$all, $muted, $chosen] = [$part->notes->ids(), $part->notes->column('muted'), array_flip($ids)];
        $ends = array_map($end, $part->notes->integers('start'), $part->notes->integers('length'));
        foreach ($part->notes->integers('start') as $i => $start) {
            if ($start < $until && $ends[$i] > $from && ! isset($chosen[$all[$i]]) && $muted[$i] === false) {
                return null;
            }
        }

        return [$from, $until];
    }

    /**
     * The points of a stretch, and what at its very end lets go what was pressed or bent in it: left behind, that would
     * hold where the stretch comes to.
     *
     * @return list<Point>
     */
    public static function points(Part $part, int $from, int $until): array
    {
        $inside = $lanes = [];
        foreach ($part->points->all() as $point) {
            if ($point->tick >= $from && $point->tick < $until) {
                $inside[] = $point;
                $lanes[Lane::of($point)->name.' '.$point->status] = true;
            }
        }
        $free = array_filter($part->points->all(), static fn (Point $p): bool => $p->tick === $until && ReleaseAtEnd::frees($p) && isset($lanes[Lane::of($p)->name.' '.$p->status]));

        return [...$inside, ...array_values($free)];
    }

    /**
     * The points of a stretch as curves, in ticks of the song, with what holds where it begins.
     */
    public static function curves(Part $part, int $from, int $until): Expression
    {
        $own = Expression::of('');
        $lanes = [];
        foreach ([...array_map(static fn (Point $p): Point => $p->movedTo($from), PartContents::state($part, $from)), ...$part->points->all()] as $point) {
            $lane = Lane::of($point);
            if ($point->tick >= $from && $point->tick < $until && ($lane->name === 'bend' || $lane->name === 'pressure' || str_starts_with($lane->name, 'cc:'))) {
                $lanes[$lane->name][] = [$point->tick, $lane->value($point)];
            }
        }
        foreach ($lanes as $name => $points) {
            // Nothing was bent or down where it begins: nor is it where it goes.
            if (min(array_column($points, 0)) > $from && ($name === 'bend' || in_array((int) substr($name, 3), ReleaseAtEnd::PEDALS, true))) {
                array_unshift($points, [$from, 0]);
            }
            $own = $own->with(Lane::parse($name), $points);
        }

        return $own;
    }

    /** Puts curves, later by so many ticks, in place of what their lanes have in a stretch. */
    public static function put(ChangeBuilder $builder, EditInput $input, Part $part, Expression $curves, int $shift, int $from, int $until): void
    {
        $channel = $input->score->channelOf($part);
        foreach (array_keys($curves->lanes) as $name) {
            $lane = Lane::parse($name);
            $held = LaneCurve::heldAt($part, $lane, $channel, $until);
            $stands = LaneCurve::standsAt($part, $lane, $channel, $until);
            LaneCurve::clear($builder, $part, $lane, $channel, $from, $until);
            $last = null;
            foreach ($curves->points($lane) as [$tick, $value]) {
                $last = $lane->point($builder->newPointId($part), max(0, $tick + $shift), $channel, $value);
                $builder->putPoint($part, $last);
            }
            if ($stands || $last === null) {
                continue;
            }
            if ($held !== null && $held !== $lane->value($last)) {
                $builder->putPoint($part, $lane->point($builder->newPointId($part), $until, $channel, $held));
            }
            foreach ($held === null ? ReleaseAtEnd::after([$last], $until) : [] as $free) {
                $builder->putPoint($part, $free->copiedAs($builder->newPointId($part)));
            }
        }
    }

    /** Takes the points of a stretch away; what held at its end holds from its beginning on. */
    public static function clear(ChangeBuilder $builder, Part $part, int $from, int $until): int
    {
        $count = 0;
        $after = [];
        foreach ($part->points->all() as $point) {
            if ($point->tick >= $from && $point->tick < $until) {
                $builder->dropPoint($part, $point);
                $after[Lane::of($point)->name.' '.($point->status & 0x0F)] = true;
                $count++;
            }
        }
        $before = [];
        foreach (PartContents::state($part, $from) as $point) {
            $before[Lane::of($point)->name.' '.($point->status & 0x0F)] = Lane::of($point)->value($point);
        }
        foreach (PartContents::state($part, $until) as $point) {
            $key = Lane::of($point)->name.' '.($point->status & 0x0F);
            // What a lane held before the stretch holds on by itself.
            if (isset($after[$key]) && array_key_exists($key, $before) && $before[$key] !== Lane::of($point)->value($point)) {
                $builder->putPoint($part, $point->movedTo($from)->copiedAs($builder->newPointId($part)));
            }
        }

        return $count;
    }
}
