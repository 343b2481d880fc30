<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Standard\GeneralMidi;

/**
 * A note that lies octaves away from all about it: of a line, off by an octave where it would fit between its neighbours;
 * of anything, an outlier.
 */
final class Octave implements Finder
{
    private const OCTAVE = 12;

    /** A leap so wide, both ways, where so narrow a one would do. */
    private const LEAP = 10;

    private const STEP = 5;

    /** Notes on each side that are looked at, and how far from all of them is far out. */
    private const ABOUT = 8;

    private const FAR_OUT = 19;

    public static function title(): string
    {
        return 'Far too high or low';
    }

    public function in(Part $part, EditInput $input): array
    {
        $notes = array_values(array_filter($part->inOrder(), static fn (Note $n): bool => ! $n->muted && $n->channel !== GeneralMidi::DRUM_CHANNEL));
        $found = [];
        foreach ($notes as $i => $note) {
            $by = self::ofLine($notes[$i - 1] ?? null, $note, $notes[$i + 1] ?? null, $input) ?? self::ofAll($notes, $i);
            if ($by !== null) {
                $octaves = intdiv(abs($by), self::OCTAVE);
                $how = ($octaves === 1 ? 'an octave' : "$octaves octaves").($by < 0 ? ' high' : ' low');
                $found[] = Found::of('octave', $part->id, [$note], sprintf('%s is %s for its surroundings.', Wording::note($note, $input->score), $how), 'move it by octaves', 'transpose', ['semitones' => $by]);
            }
        }

        return $found;
    }

    /** By how much it fits between the notes of its line; null where it does, or where they are no line. */
    private static function ofLine(?Note $before, Note $note, ?Note $after, EditInput $input): ?int
    {
        $gap = intdiv($input->time()->ppq, 12);
        if ($before === null || $after === null || $note->start - $before->start < $gap || $after->start - $note->start < $gap) {
            return null;
        }
        foreach ([self::OCTAVE, -self::OCTAVE] as $by) {
            $fits = max(abs($note->pitch + $by - $before->pitch), abs($note->pitch + $by - $after->pitch)) <= self::STEP;
            if ($fits && min(abs($note->pitch - $before->pitch), abs($note->pitch - $after->pitch)) >= self::LEAP && abs($before->pitch - $after->pitch) <= self::STEP) {
                return $by;
            }
        }

        return null;
    }

    /**
     * By how much one that lies far from all about it comes to lie among them.
     *
     * @param  list<Note>  $notes
     */
    private static function ofAll(array $notes, int $i): ?int
    {
        $pitches = [];
        foreach (array_slice($notes, max(0, $i - self::ABOUT), 2 * self::ABOUT + 1) as $other) {
            if ($other !== $notes[$i]) {
                $pitches[] = $other->pitch;
            }
        }
        if (count($pitches) < self::ABOUT) {
            return null;
        }
        $pitch = $notes[$i]->pitch;
        if ($pitch - max($pitches) > self::FAR_OUT) {
            return -self::OCTAVE * (int) ceil(($pitch - max($pitches)) / self::OCTAVE);
        }

        return min($pitches) - $pitch > self::FAR_OUT ? self::OCTAVE * (int) ceil((min($pitches) - $pitch) / self::OCTAVE) : null;
    }
}
