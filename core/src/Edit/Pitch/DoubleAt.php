<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Selection;

/**
 * Copies notes in place and moves the copies by semitones; drift and all else is copied too, and the copies become the
 * selection. Refused whole when a copy would leave 0–127.
 */
final class DoubleAt implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('double-at', 'Double at an interval', Family::Pitch, 'Copies notes in place, moved by an interval.', [
            Param::integer('semitones', 'Semitones, below 0 for down', -127, 127, 12),
        ], words: ['double', 'octave', 'copy', 'layer', 'interval', 'fifth', 'thirds'], forms: array_map(static fn (array $f): array => ['title' => $f[0], 'params' => ['semitones' => $f[1]]], [
            ['Double an octave up', 12], ['Double an octave down', -12], ['Double a fifth up', 7],
        ]), examples: [['semitones' => 7], ['semitones' => -12]]);
    }

    public function apply(Work $work): Outcome
    {
        $draft = new Draft;
        $semitones = $work->params->integer('semitones');
        $ids = [];
        foreach ($work->parts() as $part) {
            $ids[$part->id] = [];
            foreach ($part->inOrder($work->selection->notes[$part->id]) as $note) {
                $pitch = $note->pitch + $semitones;
                if ($pitch < Note::LOWEST || $pitch > Note::HIGHEST) {
                    throw new Refusal(sprintf('%s cannot be doubled %d semitones %s: there is no such pitch. Nothing was copied.', Say::note($note, $work->score), abs($semitones), $semitones > 0 ? 'up' : 'down'));
                }
                $copy = $note->copiedAs($draft->newId($part))->withPitch($pitch);
                $draft->put($part, $copy);
                $ids[$part->id][] = $copy->id;
            }
        }

        return new Outcome($draft->change(), new Selection($ids), sprintf('%s doubled %d semitones %s.', Say::notes($work->selection->count()), abs($semitones), $semitones < 0 ? 'down' : 'up'));
    }
}
