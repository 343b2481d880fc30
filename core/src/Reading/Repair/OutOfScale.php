<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Reading\Key;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Standard\GeneralMidi;

/**
 * A single note out of the scale: one whose tone comes up hardly ever in its part. Where no scale is set, the likeliest
 * one counts if it explains nearly all.
 */
final class OutOfScale implements Finder
{
    /** A tone that comes up more often is meant. */
    private const STRAY = 2;

    private const NEARLY_ALL = 0.97;

    private const FEWEST = 24;

    public static function title(): string
    {
        return 'Outside the scale';
    }

    public function in(Part $part, EditInput $input): array
    {
        $notes = array_values(array_filter($part->inOrder(), static fn (Note $n): bool => ! $n->muted && $n->channel !== GeneralMidi::DRUM_CHANNEL));
        $scale = $input->score->scaleOf($part) ?? (count($notes) >= self::FEWEST ? self::likeliest($part, $input) : null);
        if ($scale === null) {
            return [];
        }
        $counts = array_count_values(array_map(static fn (Note $n): int => $n->pitch % 12, $notes));
        $found = [];
        foreach ($notes as $note) {
            if (! $scale->holds($note->pitch) && $counts[$note->pitch % 12] <= self::STRAY) {
                $found[] = Found::of('out-of-scale', $part->id, [$note], sprintf('%s is not in %s.', Wording::note($note, $input->score), $scale->name), 'to '.Wording::pitch($scale->nearest($note->pitch), $input->score), 'fit-to-scale', ['scale' => $scale->name]);
            }
        }

        return $found;
    }

    private static function likeliest(Part $part, EditInput $input): ?Scale
    {
        $best = (new Key)->read(new EditInput($input->score, new Selection([$part->id => []]), $input->params))['scales'][0] ?? null;

        return $best === null || $best['share'] < self::NEARLY_ALL ? null : Scale::tryParse($best['scale']);
    }
}
