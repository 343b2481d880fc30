<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;

/**
 * Makes a phrase slower or faster: starts and lengths by a factor, from where the phrase starts. How it was played goes
 * along by the same factor. No note gets shorter than 1 tick.
 */
final class Stretch implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('stretch', 'Stretch time', Family::Structure, 'Makes the phrase slower or faster.', [
            Param::ratio('factor', 'Factor'),
        ], words: ['half time', 'double time', 'slower', 'faster', 'augment', 'diminish'], examples: [['factor' => 2], ['factor' => '2/3'], ['factor' => 0.75]], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, forms: [
            ['title' => 'Half time: twice as slow', 'params' => ['factor' => 2], 'words' => ['slower', 'double']],
            ['title' => 'Double time: twice as fast', 'params' => ['factor' => '1/2'], 'words' => ['faster', 'half']],
            ['title' => 'Into triplets: 2/3', 'params' => ['factor' => '2/3']],
            ['title' => 'Out of triplets: 3/2', 'params' => ['factor' => '3/2']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $factor = $input->params->number('factor');
        [$from] = $input->stretch();
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $start = $from + ($note->start + $note->carryStart - $from) * $factor;
                $builder->put($part, $note->stretched($start, max(1.0, ($note->length + $note->carryLength) * $factor), $factor));
            }
        }
        foreach ($input->partsOfPoints() as $part) {
            foreach ($input->chosenPoints($part) as $point) {
                $builder->putPoint($part, $point->movedTo(Note::whole($from + ($point->tick - $from) * $factor)));
            }
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s stretched to %s %% of their time.', Wording::chosen($input), Wording::number($factor * 100)));
    }
}
