<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Track;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Part\PartNew;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PassthroughEvent;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Standard\Message;

/**
 * Puts a track with an empty part into the song, after the others, on the first channel that no other track plays on
 * (drums on theirs). The part lies over the bars of the span, else over the caret's bar, and is selected then.
 */
final class TrackNew implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-new', 'New track', Family::Part, 'Adds a track with an empty part to the song.', [
            Param::integer('program', 'Sound: General MIDI program, 0 for piano', 0, 127, 0),
            Param::flag('drums', 'Drums'),
            Param::name('name', 'Name', optional: true),
        ], Requires::Song, ['create', 'add', 'instrument'], [['program' => 11], ['drums' => true, 'name' => 'Kit']], [], ['song', 'roll'], panel: '', forms: [
            ['title' => 'New track: piano', 'params' => ['program' => 0]],
            ['title' => 'New track: drums', 'params' => ['drums' => true], 'words' => ['kit', 'percussion']],
            ['title' => 'New track: bass', 'params' => ['program' => 32]],
            ['title' => 'New track: strings', 'params' => ['program' => 48]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $score = $input->score;
        $drums = $input->params->flag('drums');
        $program = $drums ? 0 : $input->params->integer('program');
        $name = $input->params->has('name') ? $input->params->text('name') : TrackName::free($score, $drums ? GeneralMidi::KITS[0] : GeneralMidi::PROGRAMS[$program]);
        $taken = array_map(static fn (Part $p): int => $p->channel(), $score->parts);
        $free = array_values(array_diff(range(0, 15), [GeneralMidi::DRUM_CHANNEL], $taken));
        $channel = $drums ? GeneralMidi::DRUM_CHANNEL : $free[0] ?? 0;
        $builder = new ChangeBuilder;
        $id = $builder->newTrackId($score);
        $orders = array_map(static fn (Track $t): int => $t->order, $score->tracks);
        $builder->track(null, new Track($id, $name, $orders === [] ? 0 : max($orders) + 1, [new PassthroughEvent(0, 0, Message::META, Message::META_TRACK_NAME, $name)]));
        $part = $builder->newPart($score, PartHead::fresh($id, $name, ...PartNew::bars($input)));
        $builder->putPoint($part, new Point($builder->newPointId($part), $part->head->from, Message::PROGRAM | $channel, $program));

        return new Outcome($builder->change(), new Selection([$part->id => []], parts: [$part->id], tracks: [$id]), "“{$name}” is a new track.");
    }
}
