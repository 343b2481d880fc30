<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Standard\GeneralMidi;

/** A note far louder or softer than those about it: of drums than those of its row, else than those of the part. */
final class Loudness implements Finder
{
    /** Of so many notes about it, and at least so many. */
    private const ABOUT = 48;

    private const FEWEST = 8;

    /** How far is far: so many velocities, and so many times what is usual there. */
    private const FAR = 35;

    private const TIMES = 6;

    public static function title(): string
    {
        return 'Far too loud or soft';
    }

    public function in(Part $part, EditInput $input): array
    {
        $rows = [];
        foreach ($part->inOrder() as $note) {
            if (! $note->muted) {
                $rows[$note->channel === GeneralMidi::DRUM_CHANNEL ? $note->pitch : -1][] = $note;
            }
        }
        $found = [];
        foreach ($rows as $notes) {
            foreach ($notes as $i => $note) {
                $about = array_slice($notes, max(0, min($i - intdiv(self::ABOUT, 2), count($notes) - self::ABOUT)), self::ABOUT);
                $middle = self::middle(array_map(static fn (Note $n): int => $n->velocity, $about));
                $usual = self::middle(array_map(static fn (Note $n): int => abs($n->velocity - $middle), $about));
                $off = abs($note->velocity - $middle);
                if (count($about) >= self::FEWEST && $off > self::FAR && $off > self::TIMES * max(1, $usual)) {
                    $found[] = Found::of('loudness', $part->id, [$note], sprintf('%s has velocity %d among notes of about %d.', Wording::note($note, $input->score), $note->velocity, $middle),
                        "give it $middle", 'velocity-set', ['value' => $middle]);
                }
            }
        }
        usort($found, static fn (Found $a, Found $b): int => $a->tick <=> $b->tick);

        return $found;
    }

    /** @param  list<int>  $values */
    private static function middle(array $values): int
    {
        sort($values);

        return $values[intdiv(count($values), 2)] ?? 0;
    }
}
