<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\ArticulationSet;

/**
 * Gives selected notes an articulation of their track's set, by its number from 1 or its name; 0 gives none, which is the
 * set's first. What the set says is sent before the note that needs it.
 */
final class Articulate implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('articulate', 'Articulation', Family::Lane, 'Gives notes an articulation of their track’s set.', [
            Param::integer('number', 'Number in the set; 0 for none', 0, ArticulationSet::MOST, 0),
            Param::text('name', 'Or its name', ''),
        ], words: ['pizzicato', 'articulation', 'plucked', 'tremolo', 'staccato', 'legato', 'muted', 'playing style'], examples: [['number' => 2], ['name' => 'Muted']], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $count = 0;
        $said = '';
        $wanted = trim($input->params->text('name'));
        foreach ($input->parts() as $part) {
            $track = $input->score->track($part->head->track);
            $set = ArticulationSet::of($track) ?? throw new Refusal(sprintf('“%s” has no set of articulations yet: give it one first.', $track->name));
            $number = $wanted === '' ? $input->params->integer('number') : $set->find($wanted) ?? throw Refusal::parameter('name', $wanted, 'one of '.implode(', ', array_column($set->articulations, 'name')));
            if ($number > count($set->articulations)) {
                throw Refusal::parameter('number', $number, sprintf('0 to %d: “%s” has no more', count($set->articulations), $set->name));
            }
            foreach ($input->chosen($part) as $note) {
                $builder->put($part, $note->with(['articulation' => $number]));
                $count++;
            }
            $said = $said !== '' ? $said : ($number === 0 ? 'no articulation, and so “'.$set->at(0)['name'].'”' : '“'.$set->at($number)['name'].'”');
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s: %s.', Wording::notes($count), $said));
    }
}
