<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Standard\Message;

/**
 * Puts an empty part on a track: over the bars of the span, else over the bar of the caret, else over the first. It
 * sounds as the track's first part does, has the settings of the part that was open, and is selected then.
 */
final class PartNew implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-new', 'New part on this track', Family::Part, 'Adds an empty part to the track.', [
            Param::track('track', 'Track'),
            Param::place('from', 'From', optional: true),
            Param::place('to', 'To', 1, optional: true),
            Param::name('name', 'Name', optional: true),
        ], Requires::Tracks, ['create', 'add', 'layer', 'new'], [[], ['name' => 'Second']], [AppliesTo::Tracks, AppliesTo::Parts], ['song', 'roll'], panel: '');
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $score = $input->score;
        $track = $score->track($params->has('track') ? $params->integer('track') : $input->selection->tracks[0]);
        $parts = $score->partsOf($track->id);
        $first = reset($parts);
        $head = PartHead::fresh($track->id, $params->has('name') ? $params->text('name') : trim($track->name.' '.(count($parts) + 1)), ...self::window($input));
        $near = $input->selection->partIds()[0] ?? ($first === false ? null : $first->id);
        $builder = new ChangeBuilder;
        $part = $builder->newPart($score, $head, $near === null ? null : $score->part($near)->ownSettings());
        if ($first !== false) {
            $sound = Sound::of($score, $track->id);
            $builder->putPoint($part, new Point($builder->newPointId($part), $head->from, Message::PROGRAM | ($sound->channel ?? $score->channelOf($first)), $sound->program->data1 ?? 0));
        }

        return new Outcome($builder->change(), new Selection([$part->id => []], parts: [$part->id]), sprintf('“%s” is a new part at bar %d.', $head->name, $input->time()->meters->barAt($head->from)->index + 1));
    }

    /**
     * The bars in which something new lies: those of the span, or the caret's.
     *
     * @return array{from: int, to: int}
     */
    public static function bars(EditInput $input): array
    {
        $meters = $input->time()->meters;
        [$from, $to] = $input->context->span ?? [$input->context->caret ?? 0, ($input->context->caret ?? 0) + 1];
        $start = $meters->barAt($from)->start;

        return ['from' => $start, 'to' => $meters->barAt($to - 1)->end()];
    }

    /**
     * @return array{from: int, to: int}
     *
     * @throws Refusal for a window of no length
     */
    private static function window(EditInput $input): array
    {
        $bars = self::bars($input);
        $from = $input->params->has('from') ? $input->params->integer('from') : $bars['from'];
        $to = $input->params->has('to') ? $input->params->integer('to') : max($bars['to'], $input->time()->meters->barAt($from)->end());

        return $to > $from ? ['from' => $from, 'to' => $to] : throw Refusal::parameter('to', $to, 'a place after from');
    }
}
