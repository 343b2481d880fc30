<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Standard\GeneralMidi;

/** A chord of which one note comes well after the others, later than the player strums elsewhere in the part. */
final class LateInChord implements Finder
{
    /** Late is so many ms after the last of the others, and so many times as far as is usual between notes of a chord. */
    private const LATE = 55.0;

    private const TIMES = 4.0;

    /** Later than this share of a quarter it is a note of its own. */
    private const OWN = 0.25;

    public static function title(): string
    {
        return 'Chords with one late note';
    }

    public function in(Part $part, EditInput $input): array
    {
        $time = $input->time();
        $notes = array_values(array_filter($part->inOrder(), static fn (Note $n): bool => ! $n->muted && $n->channel !== GeneralMidi::DRUM_CHANNEL));
        $gaps = $found = [];
        $chords = Chords::of($notes, $time, 60.0);
        foreach ($chords as $chord) {
            $starts = array_map(static fn (Note $n): int => $n->start, $chord);
            sort($starts);
            for ($i = 1; $i < count($starts); $i++) {
                $gaps[] = $time->tempos->milliseconds($starts[$i - 1], $starts[$i]);
            }
        }
        sort($gaps);
        $usual = $gaps[intdiv(count($gaps), 2)] ?? 0.0;
        $last = count($notes) - 1;
        for ($i = 2; $i <= $last; $i++) {
            [$first, $before, $late] = [$notes[$i - 2], $notes[$i - 1], $notes[$i]];
            $gap = $time->tempos->milliseconds($before->start, $late->start);
            $apart = $late->start - $before->start < $time->ppq * self::OWN && ($i === $last || $notes[$i + 1]->start - $late->start > $time->ppq * self::OWN);
            $together = $before->start - $first->start < $time->ppq * self::OWN / 2 && $before->end() > $late->start && $first->end() > $late->start;
            if ($apart && $together && $gap > self::LATE && $gap > self::TIMES * $usual) {
                $found[] = Found::of('late', $part->id, [$late, $before, $first], sprintf('%s comes %s after the rest of its chord.', Wording::note($late, $input->score), Wording::ms($gap)),
                    'move it to them', 'move-to', ['tick' => $before->start], [$late]);
            }
        }

        return $found;
    }
}
