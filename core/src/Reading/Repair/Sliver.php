<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Standard\GeneralMidi;

/** A note too short to be meant. How long a drum is struck says nothing. */
final class Sliver implements Finder
{
    private const SHORTEST = 20.0;

    public static function title(): string
    {
        return 'Very short notes';
    }

    public function in(Part $part, EditInput $input): array
    {
        $found = [];
        foreach ($part->inOrder() as $note) {
            $ms = $input->time()->tempos->milliseconds($note->start, $note->end());
            if ($ms < self::SHORTEST && ! $note->muted && $note->channel !== GeneralMidi::DRUM_CHANNEL) {
                $found[] = Found::of('sliver', $part->id, [$note], sprintf('%s lasts %s.', Wording::note($note, $input->score), Wording::ms($ms)), 'delete it', 'delete');
            }
        }

        return $found;
    }
}
