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
use Jactonic\Core\Score\Part;
use Jactonic\Core\Standard\GeneralMidi;

/**
 * Moves pitches by semitones, or by plain steps: a plain step is a semitone, or with the part's scale lock on a step of its
 * scale, of each note by itself. Drums have no scale; of whole parts they keep their pitches, unless only drums are selected.
 * Refused whole when a note would leave 0–127.
 */
final class Transpose implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('transpose', 'Transpose', Family::Pitch, 'Transposes by semitones, or by steps, which are steps of the scale while scale lock is on.', [
            Param::integer('semitones', 'Semitones, below 0 for down', -127, 127, adds: true)->unless('steps'),
            Param::integer('steps', 'Steps, below 0 for down', -127, 127, optional: true, adds: true)->unasked(),
        ], keeps: true, words: ['pitch', 'octave', 'semitone', 'fifth', 'up', 'down'], forms: array_map(static fn (array $f): array => ['title' => $f[0], 'params' => ['semitones' => $f[1]]], [
            ['A third up', 4], ['A third down', -4],
            ['A semitone up', 1], ['A semitone down', -1], ['An octave up', 12], ['An octave down', -12], ['A fifth up', 7], ['A fifth down', -7], ['A fourth up', 5], ['A fourth down', -5],
        ]), examples: [['semitones' => 12], ['semitones' => -7], ['steps' => 1]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        if ($params->has('semitones') === $params->has('steps')) {
            throw new Refusal('Give a number of semitones or of steps.', 'semitones');
        }
        $by = $params->integer($params->has('steps') ? 'steps' : 'semitones');
        $builder = new ChangeBuilder;
        $intervals = [];
        [$parts, $kept] = self::pitched($input);
        $count = 0;
        foreach ($parts as $part) {
            $scale = $params->has('steps') ? $input->score->lockedScale($part) : null;
            $ids = $input->ids($part);
            $count += count($ids);
            if ($ids !== []) {
                $intervals[$scale === null ? self::interval(abs($by)) : sprintf('%s of %s', abs($by) === 1 ? 'a step' : abs($by).' steps', $scale->name)] = true;
            }
            $channels = $scale === null ? [] : $part->notes->integers('channel', $ids);
            $pitches = [];
            foreach ($part->notes->integers('pitch', $ids) as $i => $pitch) {
                $pitches[] = $pitch = $scale === null || $channels[$i] === GeneralMidi::DRUM_CHANNEL ? $pitch + $by : $scale->stepped($pitch, $by);
                if ($pitch < Note::LOWEST || $pitch > Note::HIGHEST) {
                    throw self::outside($input, $part->notes[$ids[$i]], $by);
                }
            }
            $builder->columns($part, $ids, ['pitch' => $pitches]);
        }

        $outcome = new Outcome($builder->change(), $input->selection, sprintf('%s %s %s.', Wording::notes($count),
            $by < 0 ? 'down' : 'up', implode(' or ', array_keys($intervals))));

        return $kept ? $outcome->warn('Drums keep their pitches.') : $outcome;
    }

    /**
     * The parts that move: of several that are selected whole, those that are no drums.
     *
     * @return array{list<Part>, bool} the parts, and whether drums are left out
     */
    private static function pitched(EditInput $input): array
    {
        $parts = $input->parts();
        $selection = $input->selection;
        $others = array_values(array_filter($parts, static fn (Part $p): bool => $p->notes->isEmpty() || $p->channel() !== GeneralMidi::DRUM_CHANNEL));
        $areWhole = $selection->parts !== [] || $selection->tracks !== [];

        return $areWhole && $others !== [] && count($others) < count($parts) ? [$others, true] : [$parts, false];
    }

    private static function outside(EditInput $input, Note $note, int $by): Refusal
    {
        return new Refusal(sprintf('%s cannot go %s %d: %s is the %s pitch. Nothing moved.', Wording::note($note, $input->score),
            $by > 0 ? 'up' : 'down', abs($by), Wording::pitch($by > 0 ? Note::HIGHEST : Note::LOWEST, $input->score), $by > 0 ? 'highest' : 'lowest'));
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
