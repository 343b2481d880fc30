<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/** Moves pitches by semitones. Refused whole when a note would leave 0–127. */
final class Transpose implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('transpose', 'Transpose', Family::Pitch, 'Moves pitches up or down by semitones.', [
            Param::integer('semitones', 'Semitones, below 0 for down', -127, 127, adds: true),
        ], keeps: true, words: ['pitch', 'octave', 'semitone', 'fifth', 'up', 'down'], forms: array_map(static fn (array $f): array => ['title' => $f[0], 'params' => ['semitones' => $f[1]]], [
            ['A third up', 4], ['A third down', -4],
            ['A semitone up', 1], ['A semitone down', -1], ['An octave up', 12], ['An octave down', -12], ['A fifth up', 7], ['A fifth down', -7], ['A fourth up', 5], ['A fourth down', -5],
        ]), examples: [['semitones' => 12], ['semitones' => -7]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $semitones = $input->params->integer('semitones');
        foreach ($input->parts() as $part) {
            $ids = $input->ids($part);
            $pitches = [];
            foreach ($part->notes->integers('pitch', $ids) as $i => $pitch) {
                $pitches[] = $pitch += $semitones;
                if ($pitch < Note::LOWEST || $pitch > Note::HIGHEST) {
                    throw new Refusal(sprintf('%s cannot go %s %d: %s is the %s pitch. Nothing moved.', Wording::note($part->notes[$ids[$i]], $input->score),
                        $semitones > 0 ? 'up' : 'down', abs($semitones), Wording::pitch($semitones > 0 ? Note::HIGHEST : Note::LOWEST, $input->score), $semitones > 0 ? 'highest' : 'lowest'));
                }
            }
            $builder->columns($part, $ids, ['pitch' => $pitches]);
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s %s %s.', Wording::notes($input->selection->count()),
            $semitones < 0 ? 'down' : 'up', self::interval(abs($semitones))));
    }

    private static function interval(int $semitones): string
    {
        return match (true) {
            $semitones === 1 => 'a semitone',
            $semitones === 12 => 'an octave',
            $semitones > 0 && $semitones % 12 === 0 => intdiv($semitones, 12).' octaves',
            default => "$semitones semitones",
        };
    }
}
