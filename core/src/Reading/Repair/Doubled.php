<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Standard\GeneralMidi;

/** A pitch struck twice at about one time: the softer stroke is one too many. A flam of drums is none. */
final class Doubled implements Finder
{
    /** Nearer than this nobody repeats a key, in ms; on a drum only what is struck at once is doubled. */
    private const WITHIN = 60.0;

    private const DRUM_WITHIN = 2.0;

    public static function title(): string
    {
        return 'Doubled notes';
    }

    public function in(Part $part, EditInput $input): array
    {
        $found = $last = [];
        foreach ($part->inOrder() as $note) {
            $row = $note->channel << 7 | $note->pitch;
            $before = $last[$row] ?? null;
            $last[$row] = $note;
            $within = $note->channel === GeneralMidi::DRUM_CHANNEL ? self::DRUM_WITHIN : self::WITHIN;
            if ($before === null || $note->muted || $before->muted || $input->time()->tempos->milliseconds($before->start, $note->start) > $within) {
                continue;
            }
            [$kept, $softer] = $note->velocity > $before->velocity ? [$note, $before] : [$before, $note];
            $found[] = Found::of('doubled', $part->id, [$softer, $kept], Wording::note($softer, $input->score).' is struck twice.', 'delete the softer one', 'delete', [], [$softer]);
            $last[$row] = $kept;
        }

        return $found;
    }
}
