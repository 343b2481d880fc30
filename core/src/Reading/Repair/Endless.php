<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;

/** A note that its file never ends: it is ended with its bar, or where its pitch is struck again. */
final class Endless implements Finder
{
    public static function title(): string
    {
        return 'Notes without an end';
    }

    public function in(Part $part, EditInput $input): array
    {
        $found = [];
        $next = [];
        foreach (array_reverse($part->inOrder()) as $note) {
            $row = $note->channel << 7 | $note->pitch;
            if ($note->release === Note::RELEASE_NONE) {
                $found[] = Found::of('endless', $part->id, [$note], Wording::note($note, $input->score).' never ends.', 'end it with its bar', 'end-at', ['tick' => min($input->time()->meters->barAt($note->start)->end(), $next[$row] ?? PHP_INT_MAX)]);
            }
            $next[$row] = $note->start;
        }

        return array_reverse($found);
    }
}
