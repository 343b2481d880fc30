<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\ArticulationSet;

/**
 * Gives chosen notes an articulation of their track's set, by its number from 1 or its name; 0 gives none, which is the
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

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $count = 0;
        $said = '';
        $wanted = trim($work->params->text('name'));
        foreach ($work->parts() as $part) {
            $track = $work->score->track($part->head->track);
            $set = ArticulationSet::of($track) ?? throw new Refusal(sprintf('“%s” has no set of articulations yet: give it one first.', $track->name));
            $number = $wanted === '' ? $work->params->integer('number') : $set->find($wanted) ?? throw Refusal::parameter('name', $wanted, 'one of '.implode(', ', array_column($set->articulations, 'name')));
            if ($number > count($set->articulations)) {
                throw Refusal::parameter('number', $number, sprintf('0 to %d: “%s” has no more', count($set->articulations), $set->name));
            }
            foreach ($work->chosen($part) as $note) {
                $builder->put($part, $note->with(['articulation' => $number]));
                $count++;
            }
            $said = $said !== '' ? $said : ($number === 0 ? 'no articulation, and so “'.$set->at(0)['name'].'”' : '“'.$set->at($number)['name'].'”');
        }

        return new Outcome($builder->change(), $work->selection, sprintf('%s: %s.', Say::notes($count), $said));
    }
}
