<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\Overlaps;

/** Notes that sound into the next of their pitch, told chord by chord. Doubled ones are told by themselves. */
final class Overlapping implements Finder
{
    public static function title(): string
    {
        return 'Overlaps';
    }

    public function in(Part $part, EditInput $input): array
    {
        $doubled = [];
        foreach ((new Doubled)->in($part, $input) as $one) {
            $doubled += array_flip($one->notes);
        }
        $overlapping = Overlaps::ids($part->inOrder());
        $next = $found = [];
        foreach (array_reverse(Chords::of(array_values(array_filter($part->inOrder(), static fn (Note $n): bool => isset($overlapping[$n->id]) && ! isset($doubled[$n->id]) && ! $n->muted)), $input->time(), $part)) as $chord) {
            $into = [];
            foreach ($chord as $note) {
                $later = $next[$note->channel << 7 | $note->pitch] ?? null;
                if ($later !== null && $note->end() > $later->start) {
                    array_push($into, $note, $later);
                }
                $next[$note->channel << 7 | $note->pitch] = $note;
            }
            if ($into !== []) {
                $count = intdiv(count($into), 2);
                $found[] = Found::of('overlapping', $part->id, $into, $count === 1 ? Wording::note($into[0], $input->score).' overlaps the next note of its pitch.'
                    : sprintf('%d notes of the chord at %s overlap the next notes of their pitch.', $count, $input->time()->position(Chords::start($chord))), 'end where the next begins', 'clear-overlaps', ['scope' => 'pitch', 'gather' => 0]);
            }
        }

        return array_reverse($found);
    }
}
