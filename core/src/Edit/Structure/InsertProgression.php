<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Harmony\Voicing;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Selection;

/**
 * Puts a progression in that is typed on one line, from a place on, a bar of it to a bar of the song. Chords that share
 * a bar share its beats, the first ones the longer; each holds up to the next. Led near, each comes in the inversion
 * whose voices move least from the one before; from the root, each stands on its root.
 */
final class InsertProgression implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('insert-progression', 'Progression', Family::Structure, 'Inserts chords that are typed on one line: Dm9 | G13 | Cmaj9 | %, or ii7 V7 I in the scale.', [
            Param::progression('chords', 'Chords'),
            Param::choice('lead', 'Voices', ['near' => 'led to the nearest', 'root' => 'root position'], 'near'),
            Param::place('tick', 'From', default: new Word('caret')),
            Param::pitch('low', 'Lowest note', InsertChord::LOW),
            Param::integer('velocity', 'Velocity', Note::SOFTEST, Note::LOUDEST, setting: 'penVelocity'),
            Param::scale('scale', 'Scale'),
        ], Requires::Part, ['chords', 'harmony', 'changes', 'write', 'type'], [
            ['chords' => 'Dm9 | G13 | Cmaj9 | %', 'tick' => 0], ['chords' => 'ii7 V7 I', 'tick' => 3840, 'scale' => 'F major', 'lead' => 'root', 'velocity' => 40], ['chords' => 'C G/B | Am7', 'tick' => 960],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $part = $input->part();
        $progression = $input->params->progression('chords');
        $scale = $progression->wantsScale() ? $input->params->scale('scale', $input->score->scaleOf($part)) : null;
        $low = $input->params->integer('low');
        $near = $input->params->choice('lead') === 'near';
        $velocity = $input->params->integer('velocity', $part->settings());
        $channel = $input->score->channelOf($part);
        $at = $input->params->integer('tick');
        $before = $ids = [];
        $count = 0;
        foreach ($progression->in($scale) as $chords) {
            $bar = $input->time()->meters->barAt($at);
            foreach (self::shares($at, $bar->end(), intdiv(4 * $input->time()->ppq, $bar->meter->unit), count($chords)) as $i => [$from, $to]) {
                $pitches = self::voices($chords[$i], $near ? $before : [], $low);
                foreach ($pitches as $pitch) {
                    $note = new Note($builder->newId($part), $from, $to - $from, $pitch, $velocity, channel: $channel);
                    $builder->put($part, $note);
                    $ids[] = $note->id;
                }
                $before = $pitches;
                $count++;
            }
            $at = $bar->end();
        }
        $said = sprintf('%s from %s: %s.', $count === 1 ? '1 chord' : "$count chords", $input->time()->position($input->params->integer('tick')), Wording::shortened($progression->text));

        return (new Outcome($builder->change(), new Selection([$part->id => $ids]), $said))->caretAt($at);
    }

    /**
     * @param  list<int>  $before
     * @return list<int>
     */
    private static function voices(Chord $chord, array $before, int $low): array
    {
        $pitches = $before === [] ? $chord->pitches($low) : Voicing::near($chord, $before, $low);
        if ($pitches === [] || max($pitches) > Note::HIGHEST) {
            throw new Refusal("$chord->name would go beyond the highest or lowest pitch: nothing was inserted.", 'low');
        }

        return $pitches;
    }

    /**
     * A bar shared by chords: by beats, the first ones the longer; by ticks where there are more chords than beats.
     *
     * @return list<array{int, int}> from and to
     */
    private static function shares(int $from, int $to, int $beat, int $count): array
    {
        $beats = intdiv($to - $from, $beat);
        if ($beats < $count || $beats * $beat !== $to - $from) {
            return array_map(static fn (int $i): array => [$from + intdiv(($to - $from) * $i, $count), max($from + intdiv(($to - $from) * $i, $count) + 1, $from + intdiv(($to - $from) * ($i + 1), $count))], range(0, $count - 1));
        }
        $shares = [];
        for ($i = 0; $i < $count; $i++) {
            $end = $from + $beat * (intdiv($beats, $count) + ($i < $beats % $count ? 1 : 0));
            $shares[] = [$from, $end];
            $from = $end;
        }

        return $shares;
    }
}
