<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Track;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;

/**
 * Puts a copy of tracks below them, with all their parts, on a channel of its own where one is free, so that its sound and
 * its level are its own. The copies become the choice.
 */
final class TrackDuplicate implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-duplicate', 'Duplicate the track', Family::Part, 'Copies tracks with their parts.', [
            Param::flag('empty', 'Without the parts'),
        ], Requires::Tracks, ['copy', 'double', 'layer'], [[], ['empty' => true]], [AppliesTo::Tracks], ['song', 'roll']);
    }

    public function apply(EditInput $input): Outcome
    {
        $score = $input->score;
        $builder = new ChangeBuilder;
        $taken = Sound::taken($score);
        $order = array_keys($score->tracks);
        $tracks = $parts = $names = $given = [];
        foreach ($input->selection->tracks as $id) {
            $track = $score->track($id);
            $sound = Sound::of($score, $id);
            $channel = $sound === null || $sound->isDrums() ? null : Sound::free($taken);
            if ($channel !== null) {
                $taken[] = $channel;
            }
            $new = $builder->newTrackId($score);
            $name = $track->name === '' ? '' : TrackName::free($score, $track->name, $given);
            $given[] = $name;
            // Lyrics, keys and the like are said once in a file.
            $tracks[$new] = (new Track($new, '', 0))->withName($name);
            array_splice($order, (int) array_search($id, $order, true) + 1, 0, [$new]);
            $names[] = "“{$track->name}”";
            $copied = $score->partsOf($id);
            $first = array_key_first($copied);
            foreach ($copied as $part) {
                if ($input->params->flag('empty') && $part->id !== $first) {
                    continue;
                }
                $copy = $builder->newPart($score, $part->head->onTrack($new), $part->ownSettings());
                $parts[] = $copy->id;
                foreach ($input->params->flag('empty') ? [] : $part->notes->all() as $note) {
                    $builder->put($copy, $note->with($channel === null ? [] : ['channel' => $channel]));
                }
                foreach ($part->points->all() as $point) {
                    if (! $input->params->flag('empty') || $point === $sound?->program) {
                        $builder->putPoint($copy, $channel === null ? $point : $point->with(['status' => ($point->status & 0xF0) | $channel]));
                    }
                }
            }
        }
        foreach ($order as $place => $id) {
            $before = $score->tracks[$id] ?? null;
            $builder->track($before, ($before ?? $tracks[$id])->withOrder($place));
        }

        return new Outcome($builder->change(), new Selection(parts: $parts, tracks: array_keys($tracks)), implode(', ', $names).' duplicated.');
    }
}
