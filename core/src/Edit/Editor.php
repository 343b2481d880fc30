<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Param\Params;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;

/** Does one edit. Rules that hold for every edit are here and nowhere else. */
final class Editor
{
    /**
     * @param  mixed  $params  as the command had them
     *
     * @throws \Jactonic\Core\Refusal
     */
    public static function run(string $id, mixed $params, Score $score, Selection $on, Context $context = new Context): Outcome
    {
        $edit = Catalogue::edit($id);
        $spec = $edit::spec();
        $read = Params::read($spec->params, $params, $spec->id);
        $given = $on;
        $on = self::fitting($spec, $on, $score, $context);
        $missing = self::missing($spec, $on);
        if ($missing !== null) {
            return new Outcome(new Change, $on, $missing, missing: $spec->needs);
        }
        $outcome = $edit->apply(new EditInput($score, $on, $read->placed($context, $score, $on), $context));
        $stoodFor = ($given->tracks === [] && $on->tracks !== []) || ($given->parts === [] && $on->parts !== []);
        if ($outcome->selection === $on && $stoodFor) {
            // Tracks that parts, or the caret, stood for are not selected: parts may lie on others by the next command.
            // Nor are parts that notes stood for.
            $outcome = $outcome->selecting(new Selection($on->notes, $on->points, $given->parts === [] ? [] : $on->parts, $given->tracks === [] ? [] : $on->tracks));
        }
        $namesNoNotes = $outcome->selection->notes === [] && $outcome->selection->points === [];
        $stands = $given->parts === [] && $given->tracks === [] && ($given->notes !== [] || $given->points !== []);
        if ($namesNoNotes && $stands) {
            $outcome = $outcome->selecting(self::left($given, $outcome->change->applyTo($score)));
        }
        if ($outcome->change->isEmpty()) {
            return $outcome;
        }
        SongLength::check($outcome->change);
        if ($outcome->selection->points !== []) {
            // Points that an edit of their lane took away are not selected.
            $outcome = $outcome->selecting(self::withoutGone($outcome->selection, $outcome->change));
        }
        $merged = array_sum(array_map('count', CollisionCheck::merging($outcome->change, $score)));
        if ($merged > 0) {
            $outcome = $outcome->warn(($merged === 1 ? '1 note now doubles another' : "$merged notes now double others").' (same pitch, same start); all are kept.');
        }
        [$change, $said] = WindowGrowth::of($outcome->change, $score);

        return $said === '' ? $outcome : $outcome->with($change, $said);
    }

    /** A selection without the points that a change takes away. */
    private static function withoutGone(Selection $selection, Change $change): Selection
    {
        $points = $selection->points;
        foreach ($points as $part => $lanes) {
            $gone = isset($change->parts[$part]) ? $change->parts[$part]->points->going() : [];
            if ($gone !== []) {
                $points[$part] = array_map(static fn (array $ids): array => array_values(array_filter($ids, static fn (int $id): bool => ! isset($gone[$id]))), $lanes);
            }
        }

        return $points === $selection->points ? $selection : new Selection($selection->notes, $points, $selection->parts, $selection->tracks);
    }

    /**
     * What is there yet of the notes and points that were named: where they stood for their parts or tracks, it is they that
     * stay selected, and not what was made of those.
     */
    private static function left(Selection $given, Score $score): Selection
    {
        $there = static fn (int $part): bool => isset($score->parts[$part]);
        $points = array_filter($given->points, $there, ARRAY_FILTER_USE_KEY);
        foreach ($points as $part => $lanes) {
            $points[$part] = array_map(static fn (array $ids): array => array_values(array_filter($ids, $score->part($part)->points->has(...))), $lanes);
        }
        $notes = array_filter($given->notes, $there, ARRAY_FILTER_USE_KEY);
        foreach ($notes as $part => $ids) {
            $notes[$part] = array_values(array_filter($ids, $score->part($part)->notes->has(...)));
        }

        return new Selection($notes, $points);
    }

    /** Whether an edit works on the song as a whole, with nothing selected. */
    public static function needsNothing(string $id): bool
    {
        return in_array(Catalogue::edit($id)::spec()->needs, [Requires::Song, Requires::Nothing], true);
    }

    /**
     * What is named, as the edit takes it: parts and tracks stand for the notes that sound in them where it takes notes,
     * and notes for their parts where it takes parts.
     * With nothing named, what works on tracks works on the one that the caret stands on.
     */
    private static function fitting(Spec $spec, Selection $on, Score $score, Context $context): Selection
    {
        if ($spec->needs === Requires::Tracks && $on->tracks === [] && $on->partIds() === [] && $context->track !== null) {
            return new Selection(tracks: [$score->track($context->track)->id]);
        }
        if ($spec->needs === Requires::Tracks && $on->tracks === []) {
            return new Selection($on->notes, $on->points, $on->parts, array_values(array_unique(array_map(static fn (int $id): int => $score->part($id)->head->track, $on->partIds()))));
        }
        $parts = $on->parts;
        foreach ($on->tracks as $track) {
            array_push($parts, ...array_keys($score->partsOf($track)));
        }
        if ($spec->takes(AppliesTo::Parts)) {
            return $spec->needs === Requires::Parts && $parts === [] ? new Selection($on->notes, $on->points, $on->partIds(), $on->tracks) : $on;
        }
        if (! $spec->takes(AppliesTo::Notes) || $parts === [] || $on->notes !== []) {
            return $on;
        }
        $notes = [];
        foreach (array_unique($parts) as $id) {
            $notes[$id] = $score->part($id)->shownIds();
        }

        return new Selection($notes, $on->points, $on->parts, $on->tracks);
    }

    /** What is said where nothing is there to work on; null where something is. */
    private static function missing(Spec $spec, Selection $on): ?string
    {
        $isInLane = $on->points !== [] && $on->notes === [] && $on->parts === [];
        if ($isInLane && $spec->family !== Family::Lane && $spec->takes === [AppliesTo::Notes] && in_array($spec->needs, [Requires::Notes, Requires::Part], true)) {
            return $on->countPoints() > 0 ? 'Points are selected, and this works on notes: nothing changed.' : 'This works on notes, and a lane has the keys: nothing changed.';
        }

        return match (true) {
            $isInLane && $spec->takes(AppliesTo::Points) && $on->countPoints() === 0 => 'No points are selected: nothing changed.',
            $spec->needs === Requires::Notes && $on->isEmpty() && ! ($spec->takes(AppliesTo::Points) && $on->countPoints() > 0) => $on->countPoints() > 0
                ? 'Points are selected, and this works on notes: nothing changed.' : 'No notes are selected: nothing changed.',
            $spec->needs === Requires::Part && $on->partIds() === [] => 'No part is open: nothing changed.',
            $spec->needs === Requires::Parts && $on->parts === [] => 'No parts are selected: nothing changed.',
            $spec->needs === Requires::Tracks && $on->tracks === [] => 'No tracks are selected: nothing changed.',
            default => null,
        };
    }
}
