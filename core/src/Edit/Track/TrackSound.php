<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Track;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Standard\Message;

/**
 * Gives tracks another sound: the program that stands first on their channel, before their first note, and its bank. A
 * channel that another track plays on too is left to that one, where another is free. With `drums` it is a kit, on the
 * channel of drums. A track that bears the name of its sound gets that of the new one.
 */
final class TrackSound implements Edit
{
    private const BANK = [0, 32];

    public static function spec(): Spec
    {
        return new Spec('track-sound', 'Sound of the track', Family::Part, 'Sets the General MIDI program that a track is played with.', [
            Param::integer('program', 'Program, 0 for piano; of drums the kit', 0, 127),
            Param::flag('drums', 'Drums'),
            Param::integer('bank', 'Bank', 0, 16_383, optional: true),
        ], Requires::Tracks, ['instrument', 'program', 'patch', 'preset', 'kit'], [['program' => 11], ['program' => 40, 'drums' => true], ['program' => 48, 'bank' => 1]], [AppliesTo::Tracks], ['song', 'roll'], keeps: true, panel: 'sound');
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $program = $input->params->integer('program');
        $drums = $input->params->flag('drums');
        $called = $drums ? GeneralMidi::KITS[$program] ?? 'Drum kit' : GeneralMidi::PROGRAMS[$program];
        $names = $warnings = $given = [];
        foreach ($input->selection->tracks as $id) {
            $track = $input->score->track($id);
            $parts = $input->score->partsOf($id);
            $first = reset($parts);
            if ($first === false) {
                $warnings[] = "“{$track->name}” has no part: its sound was not set.";

                continue;
            }
            $sound = Sound::of($input->score, $id);
            $channel = self::channel($input->score, $id, $sound, $drums);
            if ($channel === null) {
                $channel = $sound->channel ?? 0;
                $warnings[] = "“{$track->name}” shares its channel with another track, which gets the sound too: no channel is free.";
            }
            foreach ($parts as $part) {
                if ($sound !== null && $channel !== $sound->channel) {
                    ChannelChange::part($builder, $part, $channel, false);
                }
            }
            $home = $sound->part ?? $first;
            $old = $sound?->program;
            $tick = $old->tick ?? $home->beginning();
            // The bank comes before the program, so one that is put in takes the program's place and that goes behind it.
            foreach ($home->points->all() as $point) {
                if ($old !== null && $point->tick <= $old->tick && ($point->status & 0xF0) === Message::CONTROLLER && in_array($point->data1, self::BANK, true)) {
                    $builder->dropPoint($home, $point);
                }
            }
            if ($input->params->has('bank')) {
                if ($old !== null) {
                    $builder->dropPoint($home, $old);
                    $old = null;
                }
                $bank = $input->params->integer('bank');
                $builder->putPoint($home, new Point($builder->newPointId($home), $tick, Message::CONTROLLER | $channel, self::BANK[0], $bank >> 7));
                $builder->putPoint($home, new Point($builder->newPointId($home), $tick, Message::CONTROLLER | $channel, self::BANK[1], $bank & 0x7F));
            }
            $builder->putPoint($home, new Point($old->id ?? $builder->newPointId($home), $tick, Message::PROGRAM | $channel, $program));
            if ($sound?->program !== null && TrackName::isOfSound($track, $sound)) {
                $name = TrackName::free($input->score, $called, $given, $id);
                TrackName::change($builder, $input->score, $track, $name);
                $given[] = $name;
            }
            $names[] = "“{$track->name}”";
        }

        return (new Outcome($builder->change(), $input->selection, $names === [] ? 'Nothing changed.' : implode(', ', $names)." plays: {$called}."))->warn(...$warnings);
    }

    /** The channel that a track has with a sound: its own, unless drums come or go or another track plays there too; null where none is free. */
    private static function channel(Score $score, int $track, ?Sound $sound, bool $drums): ?int
    {
        if ($drums) {
            return GeneralMidi::DRUM_CHANNEL;
        }
        $taken = Sound::taken($score, $track);

        return $sound !== null && ! $sound->isDrums() && ! in_array($sound->channel, $taken, true) ? $sound->channel : Sound::free($taken);
    }
}
