<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Length;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Chords;

/**
 * Ends each note of the selection that sounds into a later one where that begins: into any later one, or only into one
 * of its own pitch and channel. Notes of one chord (within the gather window) do not shorten each other. Ends that
 * reach no later note stay, and no note is taken away.
 */
final class ClearOverlaps implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('clear-overlaps', 'Clear overlaps', Family::Length, 'Ends notes where the next one begins.', [
            Param::choice('scope', 'What counts as overlap', ['any' => 'with any note', 'pitch' => 'with the same pitch'], 'any'),
            Param::gather(),
        ], keeps: true, words: ['clash', 'overlap', 'trim', 'mono', 'doubled', 'cut', 'shorten'], examples: [[], ['gather' => 0]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $any = $input->params->choice('scope') === 'any';
        $shortened = 0;
        foreach ($input->parts() as $part) {
            $chords = Chords::of($part->inOrder($input->selection->notes[$part->id]), $input->time(), $input->gather($part));
            // From the end: where the next chord begins, and where each pitch is next struck.
            $next = PHP_INT_MAX;
            $struck = [];
            foreach (array_reverse($chords) as $chord) {
                foreach ($chord as $note) {
                    $limit = $any ? $next : ($struck[self::key($note)] ?? PHP_INT_MAX);
                    if ($note->end() > $limit) {
                        $builder->put($part, $note->retimed($note->start, max(1, $limit - $note->start)));
                        $shortened++;
                    }
                }
                $next = Chords::start($chord);
                $here = [];
                foreach ($chord as $note) {
                    $here[self::key($note)] = min($here[self::key($note)] ?? PHP_INT_MAX, $note->start);
                }
                $struck = $here + $struck;
            }
        }

        return new Outcome($builder->change(), $input->selection, Wording::notes($input->selection->count()).': '
            .($shortened === 0 ? 'none sounds into a later one.' : Wording::notes($shortened).' shortened to where the next begins.'));
    }

    private static function key(Note $note): int
    {
        return $note->channel << 7 | $note->pitch;
    }
}
