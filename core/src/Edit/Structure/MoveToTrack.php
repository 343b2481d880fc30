<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

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
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Selection\Selection;

/**
 * Carries notes to another track, in the same place: into the part that stands there, or into a new one over the bars that
 * they lie in. There they play with that track's sound. By an interval, where one is given; with `copy` they stay where
 * they are too, and with `mute` muted. Refused whole where a note would leave 0 to 127.
 */
final class MoveToTrack implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('move-to-track', 'Move to another track', Family::Structure, 'Moves the selected notes to another track, at the same time.', [
            Param::integer('tracks', 'Tracks down, below 0 for up', -1000, 1000, 1),
            Param::track('track', 'To the track'),
            Param::part('part', 'To the part'),
            Param::integer('semitones', 'Interval', -127, 127, 0, 'semitones'),
            Param::flag('copy', 'Keep them here'),
            Param::flag('mute', 'Keep them here, muted'),
        ], words: ['move to track', 'send', 'copy to track', 'register', 'layer', 'double', 'carry'], examples: [[], ['copy' => true, 'semitones' => 3], ['mute' => true]], forms: [
            ['title' => 'Move to the track below', 'params' => ['tracks' => 1]], ['title' => 'Move to the track above', 'params' => ['tracks' => -1]],
            ['title' => 'Copy to the track below', 'params' => ['tracks' => 1, 'copy' => true]],
        ], formerIds: ['carry']);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $semitones = $params->integer('semitones');
        $builder = new ChangeBuilder;
        $chosen = [];
        $made = '';
        foreach ($input->parts() as $part) {
            $notes = $input->chosen($part);
            if ($notes === []) {
                continue;
            }
            foreach ($notes as $note) {
                if ($note->pitch + $semitones < Note::LOWEST || $note->pitch + $semitones > Note::HIGHEST) {
                    throw new Refusal(sprintf('%s would go beyond the highest or lowest pitch: nothing moved.', Wording::note($note, $input->score)), 'semitones');
                }
            }
            $into = $this->target($input, $builder, $part, $notes);
            $made = $into->name;
            $channel = Sound::of($input->score, $into->head->track)->channel ?? $part->channel();
            foreach ($notes as $note) {
                $id = $builder->newId($into);
                $builder->put($into, $builder->regrouped($into, $note->copiedAs($id)->with(['channel' => $channel, 'pitch' => $note->pitch + $semitones])));
                $chosen[$into->id][] = $id;
                if ($params->flag('mute')) {
                    $builder->put($part, $note->withMuted(true));
                } elseif (! $params->flag('copy')) {
                    $builder->drop($part, $note);
                }
            }
        }

        return new Outcome($builder->change(), new Selection($chosen), sprintf('%s %s “%s”%s.', Wording::notes($input->selection->count()), $params->flag('copy') || $params->flag('mute') ? 'copied to' : 'moved to', $made, $semitones === 0 ? '' : ', '.Wording::signed($semitones)));
    }

    /** @param  non-empty-list<Note>  $notes */
    private function target(EditInput $input, ChangeBuilder $builder, Part $part, array $notes): Part
    {
        $score = $input->score;
        if ($input->params->has('part')) {
            return $score->part($input->params->integer('part'));
        }
        $order = $score->playedTracks();
        $place = (int) array_search($part->head->track, $order, true) + $input->params->integer('tracks');
        $track = $input->params->has('track') ? $score->track($input->params->integer('track'))->id
            : $order[$place] ?? throw new Refusal(sprintf('There is no track that far %s: nothing moved.', $input->params->integer('tracks') < 0 ? 'up' : 'down'), 'tracks');
        if ($track === $part->head->track) {
            throw new Refusal('They are on that track already: nothing moved.', 'track');
        }
        $from = min(array_map(static fn (Note $n): int => $n->start, $notes));
        $to = max(array_map(static fn (Note $n): int => $n->end(), $notes));
        foreach ($score->partsOf($track) as $there) {
            if ($there->head->from < $to && $there->head->to > $from) {
                return $there;
            }
        }
        $meters = $input->time()->meters;
        $new = $builder->newPart($score, PartHead::fresh($track, $score->track($track)->name, $meters->barAt($from)->start, $meters->barAt(max($from, $to - 1))->end()), $part->ownSettings());
        // A track with nothing in it has no sound yet: it gets that of the notes.
        if (Sound::of($score, $track) === null) {
            $program = Sound::of($score, $part->head->track)?->program;
            if ($program !== null) {
                $builder->putPoint($new, $program->movedTo($new->head->from)->copiedAs($builder->newPointId($new)));
            }
        }

        return $new;
    }
}
