<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Track\ChannelChange;
use Jactonic\Core\Edit\Track\TrackName;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Standard\Message;

/**
 * Puts parts in that were copied or kept: the first of them begins at a place, on a track, the others as they lay to it,
 * at the song's own tempo. On a track that has a sound they play with that; below the last track, and with `sounds`
 * everywhere, new tracks are made with the sound that they had. They become the choice.
 */
final class PartInsert implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-insert', 'Insert parts', Family::Part, 'Inserts parts that were copied.', [
            Param::partClip('clip', 'Parts'),
            Param::place('at', 'At', default: new Word('caret')),
            Param::track('track', 'On the track'),
            Param::flag('sounds', 'On new tracks with their own sounds'),
        ], Requires::Song, ['paste'], [['at' => 960, 'track' => 1, 'clip' => self::EXAMPLE], ['at' => 0, 'sounds' => true, 'clip' => self::EXAMPLE]], [], ['song', 'roll'], asked: false);
    }

    private const EXAMPLE = ['ppq' => 480, 'parts' => [['track' => 0, 'name' => 'Lantern', 'from' => 0, 'to' => 1920, 'muted' => false, 'plays' => [0, 100, 0, 0], 'settings' => [], 'program' => 11, 'drums' => false,
        'notes' => ['id' => [1, 2], 'start' => [0, 480], 'length' => [240, 240], 'pitch' => [60, 64], 'velocity' => [80, 90]], 'points' => []]]];

    public function apply(EditInput $input): Outcome
    {
        $clip = $input->params->clip('clip');
        $score = $input->score;
        $at = $input->params->integer('at');
        $scale = $score->time->ppq / $clip->ppq;
        $tick = static fn (int $t): int => $at + (int) round($t * $scale);
        $tracks = $score->playedTracks();
        $first = $input->params->has('track') ? (int) array_search($score->track($input->params->integer('track'))->id, $tracks, true) : 0;
        $builder = new ChangeBuilder;
        $made = $ids = $names = [];
        $left = 0;
        $taken = Sound::taken($score);
        foreach ($clip->parts as $carried) {
            $place = $first + $carried['track'];
            $key = "{$carried['track']}";
            $track = $input->params->flag('sounds') ? null : $tracks[$place] ?? null;
            [$track, $channel, $isNew] = $track !== null ? [$track, Sound::of($score, $track)?->channel, false] : $made[$key] ??= self::track($builder, $score, $carried, count($made), $taken, $names);
            $own = $channel === null || $isNew;
            $channel ??= $carried['drums'] ? GeneralMidi::DRUM_CHANNEL : Sound::free($taken) ?? 0;
            $plays = PlaysAs::fromArray($carried['plays']);
            $head = PartHead::fresh($track, $carried['name'], $tick($carried['from']), max($tick($carried['from']) + 1, $tick($carried['to'])))->withMuted($carried['muted']);
            $part = $builder->newPart($score, $head->playing($plays->until === 0 ? $plays : $plays->goingTo($tick($plays->until))), PartSettings::fromArray($carried['settings']));
            foreach (Table::notes()->read($carried['notes']) as $note) {
                if ($tick($note->start) < 0) {
                    $left++;

                    continue;
                }
                $builder->put($part, $note->with(['start' => $tick($note->start), 'length' => max(1, (int) round($note->length * $scale)), 'channel' => $channel,
                    'driftStart' => (int) round($note->driftStart * $scale), 'driftLength' => (int) round($note->driftLength * $scale),
                    'own' => $note->own === '' ? '' : Expression::of($note->own)->stretched($scale)->text()]));
            }
            $hasProgram = false;
            foreach (Table::points()->read($carried['points']) as $point) {
                if ($tick($point->tick) >= 0 && ($own || ! ChannelChange::isSound($point))) {
                    $hasProgram = $hasProgram || ($point->status & 0xF0) === Message::PROGRAM;
                    $builder->putPoint($part, $point->with(['tick' => $tick($point->tick), 'status' => ($point->status & 0xF0) | $channel])->copiedAs($builder->newPointId($part)));
                }
            }
            if ($own && ! $hasProgram) {
                $builder->putPoint($part, new Point($builder->newPointId($part), $part->head->from, Message::PROGRAM | $channel, $carried['program']));
            }
            $ids[] = $part->id;
        }
        $outcome = new Outcome($builder->change(), new Selection(parts: $ids), sprintf('%s inserted at %s.', count($ids) === 1 ? "“{$clip->parts[0]['name']}”" : Wording::parts(count($ids)), $input->time()->position($at)));
        $end = max(array_map(static fn (array $c): int => $tick($c['to']), $clip->parts));

        return ($left === 0 ? $outcome : $outcome->warn(Wording::notes($left).' that lay hidden before the part would come before the song, and stayed behind.'))->caretAt($end);
    }

    /**
     * @param  array{name: string, drums: bool}  $carried
     * @param  list<int>  $taken  channels
     * @param  list<string>  $names  those that tracks of this edit got
     * @return array{int, int, true} its id, its channel, and that it is new
     */
    private static function track(ChangeBuilder $builder, Score $score, array $carried, int $before, array &$taken, array &$names): array
    {
        $id = $builder->newTrackId($score);
        $channel = $carried['drums'] ? GeneralMidi::DRUM_CHANNEL : Sound::free($taken) ?? 0;
        $taken[] = $channel;
        $orders = array_map(static fn (Track $t): int => $t->order, $score->tracks);
        $builder->track(null, (new Track($id, '', ($orders === [] ? 0 : max($orders) + 1) + $before))->withName($names[] = TrackName::free($score, $carried['name'], $names)));

        return [$id, $channel, true];
    }
}
