<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Closure;
use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;

/** What edits that give notes other pitches have in common: refused whole where one would leave 0–127. */
final class PitchEdit
{
    /**
     * Gives each selected note the pitch that a function makes of the one it has.
     *
     * @param  Closure(int, Part): int  $to
     * @return int how many of them got another
     *
     * @throws Refusal
     */
    public static function each(EditInput $input, ChangeBuilder $builder, Closure $to): int
    {
        $changed = 0;
        foreach ($input->parts() as $part) {
            $ids = $input->ids($part);
            $pitches = [];
            foreach ($part->notes->integers('pitch', $ids) as $i => $was) {
                $pitches[] = $pitch = $to($was, $part);
                if (! self::isPitch($pitch)) {
                    throw self::outside($input, $part->notes[$ids[$i]]);
                }
                $changed += $pitch === $was ? 0 : 1;
            }
            $builder->columns($part, $ids, ['pitch' => $pitches]);
        }

        return $changed;
    }

    /**
     * @return bool whether it is another
     *
     * @throws Refusal
     */
    public static function one(EditInput $input, ChangeBuilder $builder, Part $part, Note $note, int $pitch): bool
    {
        return self::isPitch($pitch) ? $builder->put($part, $note->withPitch($pitch)) : throw self::outside($input, $note);
    }

    private static function isPitch(int $pitch): bool
    {
        return $pitch >= Note::LOWEST && $pitch <= Note::HIGHEST;
    }

    private static function outside(EditInput $input, Note $note): Refusal
    {
        return new Refusal(sprintf('%s would go beyond the highest or lowest pitch: nothing changed.', Wording::note($note, $input->score)));
    }
}
