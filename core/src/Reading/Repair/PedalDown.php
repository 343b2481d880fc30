<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Sounding\SustainedState;

/** A pedal that is pressed and never let go. */
final class PedalDown implements Finder
{
    public static function title(): string
    {
        return 'Pedals left down';
    }

    public function in(Part $part, EditInput $input): array
    {
        $found = [];
        foreach (SustainedState::stretches($part) as $stretches) {
            [$from, $to] = $stretches[count($stretches) - 1];
            if ($to === PHP_INT_MAX) {
                $end = max($from + 1, $part->lastEnd());
                $found[] = new Found('pedal', $part->id, $from, [], sprintf('The pedal pressed at %s is never released.', $input->time()->position($from)), 'release it after the last note',
                    [['edit' => 'lane-draw', 'params' => ['lane' => 'cc:64', 'points' => [[$end, 0]]], 'on' => ['part' => $part->id, 'notes' => []]]]);
            }
        }

        return $found;
    }
}
