<?php

declare(strict_types=1);

namespace App\Editing;

use App\Songs\SongView;
use Jactonic\Core\Change\PartChange;
use Jactonic\Core\Change\RowsChange;
use Jactonic\Core\Edit\Track\ChannelChange;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Sounding\Performance;
use Jactonic\Core\Sounding\ReleaseAtEnd;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Standard\Message;

/** What the interface is told after a request: only what changed. */
final class Answer
{
    /** From how many on what stays and is otherwise is told by its columns, to who asks for that. */
    private const MANY = 64;

    /**
     * @param  list<string>  $said
     * @param  list<string>  $warnings
     * @return array<string, mixed>
     */
    public static function of(Session $session, array $said, array $warnings): array
    {
        $change = $session->batch->change;
        $score = $session->batch->score;
        $parts = [];
        $rebuilt = $session->batch->rebuilt;
        foreach ($change->parts + array_map(static fn (): PartChange => new PartChange, $rebuilt) as $id => $changed) {
            $part = $score->parts[$id] ?? null;
            $before = $session->found->parts[$id] ?? null;
            if ($part === null) {
                $parts[$id] = ['gone' => true];
            } elseif ($before === null || isset($rebuilt[$id])) {
                $parts[$id] = ['part' => SongView::part($part, $score)];
            } else {
                $brief = $session->brief && $changed->head === null;
                [$notes, $points] = [$brief && self::areMany($changed->notes), $brief && self::areMany($changed->points)];
                $parts[$id] = [
                    'put' => SongView::notes($part, ($notes ? $changed->notes->coming() : $changed->notes->after()) + self::notes($before, $part)), 'drop' => array_keys($changed->notes->going()),
                    'putPoints' => SongView::points($part, ($points ? $changed->points->coming() : $changed->points->after()) + self::points($before, $part)), 'dropPoints' => array_keys($changed->points->going()),
                ] + ($notes ? ['changed' => SongView::changedNotes($part, $changed->notes)] : [])
                    + ($points ? ['changedPoints' => SongView::changedPoints($part, $changed->points)] : [])
                    + ($changed->points->isEmpty() ? [] : SongView::bendRange($part, $score))
                    + ($changed->head === null ? [] : ['head' => SongView::partHead($part), 'shift' => $changed->head->shift()])
                    + (self::soundsOtherwise($changed, $before, $part) || Performance::is($part, $score) || Performance::is($before, $session->found) ? SongView::sounds($part, $score) : []);
            }
        }
        // What a track says of its instrument is heard in all that its parts perform.
        // So is what the articulations of one part leave for the next.
        $told = array_filter($change->parts, static fn (PartChange $c, int $id): bool => ! $c->points->isEmpty() || isset($rebuilt[$id]) || self::isArticulated($score, $id) || self::isArticulated($session->found, $id), ARRAY_FILTER_USE_BOTH);
        $performers = [...array_keys($change->tracks), ...array_map(static fn (int $id): int => ($score->parts[$id] ?? $session->found->parts[$id] ?? null)?->head->track ?? 0, array_keys($told))];
        foreach (array_unique($performers) as $track) {
            foreach ($score->partsOf($track) as $id => $part) {
                if (! isset($parts[$id]['part']) && ! isset($parts[$id]['sounds']) && isset($session->found->parts[$id]) && (Performance::is($part, $score) || Performance::is($session->found->parts[$id], $session->found))) {
                    $parts[$id] = ($parts[$id] ?? ['put' => [], 'drop' => [], 'putPoints' => [], 'dropPoints' => []]) + SongView::sounds($part, $score);
                }
            }
        }
        // Of a part that was taken away after its settings were set, it is told that it is gone.
        foreach (array_keys(array_intersect_key($session->batch->set, $score->parts)) as $id) {
            $parts[$id] = ($parts[$id] ?? ['put' => [], 'drop' => [], 'putPoints' => [], 'dropPoints' => []]) + SongView::settings($score->part($id), $score->time);
        }
        $tracks = $change->tracks !== [] || $rebuilt !== [] || array_filter($change->parts, self::soundsOfTracks(...)) !== [] || array_filter($change->parts, static fn ($c): bool => $c->head !== null && $c->head->before?->track !== $c->head->after?->track) !== [];

        return ($change->time === null ? [] : ['time' => SongView::time($score)])
            + ($tracks ? ['tracks' => SongView::tracks($session->song, $score)] : [])
            + ($change->song === [] ? [] : ['name' => $score->name] + SongView::scale($score))
            + ($session->batch->caret === null ? [] : ['caret' => $session->batch->caret])
            + ($session->batch->at === null ? [] : ['at' => $session->batch->at])
            + ($session->batch->atTrack === null ? [] : ['atTrack' => $session->batch->atTrack])
            + ($session->batch->missing === null ? [] : ['missing' => $session->batch->missing->value])
            + [
                'parts' => (object) $parts,
                'selection' => self::isGiven($session) ? null : $session->batch->chosen?->toArray($session->brief),
                'said' => $said,
                'warnings' => $warnings,
                'canUndo' => $session->song->head_id !== null,
                'canRedo' => ! $session->isNewest && SongView::nextOf($session->song) !== null,
            ];
    }

    /** Whether the track of a part has articulations. */
    private static function isArticulated(Score $score, int $part): bool
    {
        $track = $score->tracks[$score->parts[$part]->head->track ?? 0] ?? null;

        return $track !== null && ArticulationSet::of($track) !== null;
    }

    /** Whether many are selected, and those that were given as selected: they need not be told again. */
    private static function isGiven(Session $session): bool
    {
        $chosen = $session->batch->chosen;

        return $session->brief && $chosen !== null && $chosen->count() + $chosen->countPoints() >= self::MANY && $chosen == $session->given;
    }

    /**
     * Whether those that stay are told by their columns: they are many.
     *
     * @param  RowsChange<covariant Note|Point>  $sides
     */
    private static function areMany(RowsChange $sides): bool
    {
        return count($sides->touched()) >= self::MANY && $sides->staying() !== [];
    }

    /**
     * A point for each status and first data byte that is in a change.
     *
     * @param  RowsChange<Point>  $points
     * @return list<Point>
     */
    private static function kinds(RowsChange $points): array
    {
        [$statuses, $data] = [$points->integers('status'), $points->integers('data1')];
        $kinds = [];
        foreach ([0, 1] as $side) {
            foreach ($statuses[$side] as $i => $status) {
                $kinds[$status << 7 | $data[$side][$i]] = true;
            }
        }
        $made = array_map(static fn (int $kind): Point => new Point(1, 0, $kind >> 7, $kind & 0x7F), array_keys($kinds));

        return [...$made, ...array_values($points->coming()), ...array_values($points->going())];
    }

    /** Whether a part's change may be one of its track's sound or level. */
    private static function soundsOfTracks(PartChange $changed): bool
    {
        foreach (self::kinds($changed->points) as $point) {
            if (ChannelChange::isSound($point) || (($point->status & 0xF0) === Message::CONTROLLER && in_array($point->data1, array_column(Sound::LEVELS, 0), true))) {
                return true;
            }
        }

        return false;
    }

    /** Whether what is heard of a part changed in a way that its rows do not say. A part that only moved takes along what lets go at its end. */
    private static function soundsOtherwise(PartChange $changed, Part $before, Part $part): bool
    {
        $moved = $changed->head !== null && ! $changed->hasContents() && $before->head->moved($changed->head->shift())->onTrack($part->head->track) == $part->head;

        return ! $part->head->plays->isPlain() || ! $before->head->plays->isPlain()
            || (ReleaseAtEnd::is($part->head) !== ReleaseAtEnd::is($before->head)) || (ReleaseAtEnd::is($part->head) && ! $moved && ($changed->head !== null || ! $changed->points->isEmpty()));
    }

    /**
     * The notes that are heard otherwise because the part's window is another on them, or is muted.
     *
     * @return array<int, Note>
     */
    private static function notes(Part $before, Part $after): array
    {
        [$was, $is] = [$before->head->moved($after->head->origin - $before->head->origin), $after->head];

        return self::same($was, $is) ? [] : array_filter($after->notes->all(), static fn (Note $n): bool => Sounding::until($n, $was) !== Sounding::until($n, $is));
    }

    /** @return array<int, Point> likewise */
    private static function points(Part $before, Part $after): array
    {
        [$was, $is] = [$before->head->moved($after->head->origin - $before->head->origin), $after->head];

        return self::same($was, $is) ? [] : array_filter($after->points->all(), static fn (Point $p): bool => Sounding::isHeard($p, $was) !== Sounding::isHeard($p, $is));
    }

    private static function same(PartHead $a, PartHead $b): bool
    {
        return $a->from === $b->from && $a->to === $b->to && $a->muted === $b->muted;
    }
}
