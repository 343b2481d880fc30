<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Harmony;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\TrackChange;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\PassthroughEvent;
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
            Requires::Part, ['lyrics', 'text', 'names', 'lead sheet', 'save'], [['every' => 'bar']], [AppliesTo::Notes, AppliesTo::Parts], ['song', 'roll'], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $chords = ChordLine::of($input, $input->params->choice('every'), $input->params->flag('arpeggios'), $input->params->flag('pedal'));
        if ($chords === []) {
            return new Outcome(new Change, $input->selection, 'There is no chord here that has a name: nothing was written.');
        }
        $track = $input->score->track($input->part()->head->track);
        $kept = array_values(array_filter($track->kept(), static fn (PassthroughEvent $k): bool => ! self::isChord($k)));
        $order = array_reduce($kept, static fn (int $most, PassthroughEvent $k): int => max($most, $k->order), 0);
        foreach ($chords as [$from, , $name]) {
            $kept[] = new PassthroughEvent($from, ++$order, Message::META, Message::META_TEXT, $name);
        }
        $after = $track->withKept($kept);

        return new Outcome(new Change([], null, $after->toArray() === $track->toArray() ? [] : [$track->id => new TrackChange($track, $after)]), $input->selection,
            sprintf('%s written into the track “%s”.', count($chords) === 1 ? '1 chord' : count($chords).' chords', $track->name));
    }

    private static function isChord(PassthroughEvent $event): bool
    {
        try {
            return $event->status === Message::META && $event->type === Message::META_TEXT && Chord::parse($event->bytes)->intervals !== [];
        } catch (Refusal) {
            return false;
        }
    }
}
