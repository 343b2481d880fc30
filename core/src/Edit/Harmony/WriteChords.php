<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Harmony;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\TrackChange;
use Jactonic\Core\Edit\ChordLine;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Kept;
use Jactonic\Core\Standard\Message;

/**
 * Writes the names of the chords of some parts into the song as text events, on the track of the first of them, so that
 * the saved file says them. Names of chords that stand on that track already give way.
 */
final class WriteChords implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('write-chords', 'Write the chords into the file', Family::Harmony, 'Writes the names of the chords into the song as text events.', ChordLine::params(),
            Needs::Part, ['lyrics', 'text', 'names', 'lead sheet', 'save'], [['every' => 'bar']], [Takes::Notes, Takes::Parts], ['song', 'roll'], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $chords = ChordLine::of($work, $work->params->choice('every'), $work->params->flag('arpeggios'), $work->params->flag('pedal'));
        if ($chords === []) {
            return new Outcome(new Change, $work->selection, 'There is no chord here that has a name: nothing was written.');
        }
        $track = $work->score->track($work->part()->head->track);
        $kept = array_values(array_filter($track->kept(), static fn (Kept $k): bool => ! self::isChord($k)));
        $order = array_reduce($kept, static fn (int $most, Kept $k): int => max($most, $k->order), 0);
        foreach ($chords as [$from, , $name]) {
            $kept[] = new Kept($from, ++$order, Message::META, Message::META_TEXT, $name);
        }
        $after = $track->withKept($kept);

        return new Outcome(new Change([], null, $after->toArray() === $track->toArray() ? [] : [$track->id => new TrackChange($track, $after)]), $work->selection,
            sprintf('%s written into the track “%s”.', count($chords) === 1 ? '1 chord' : count($chords).' chords', $track->name));
    }

    private static function isChord(Kept $event): bool
    {
        try {
            return $event->status === Message::META && $event->type === Message::META_TEXT && Chord::parse($event->bytes)->intervals !== [];
        } catch (Refusal) {
            return false;
        }
    }
}
