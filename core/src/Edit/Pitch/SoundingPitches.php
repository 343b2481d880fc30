<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Sounding\SustainedState;
use Jactonic\Core\Standard\GeneralMidi;

/** The tones that sound in some parts together: no drums, nothing muted, cut where a part ends. */
final class SoundingPitches
{
    /**
     * @param  bool  $pedal  whether a note sounds as long as the pedal holds it
     * @return list<array{int, int, int}> start, end and pitch, in order of start and pitch
     */
    public static function of(EditInput $input, bool $pedal = false): array
    {
        $tones = [];
        foreach ($input->selection->partIds() as $id) {
            $part = $input->score->part($id);
            if ($part->head->muted) {
                continue;
            }
            $held = $pedal ? SustainedState::stretches($part) : [];
            foreach ($part->inOrder() as $note) {
                if (! $note->muted && $note->channel !== GeneralMidi::DRUM_CHANNEL) {
                    $tones[] = [$note->start, min($part->head->to, self::end($note, $held[$note->channel] ?? [])), $note->pitch];
                }
            }
        }
        sort($tones);

        return $tones;
    }

    /** @param  list<array{int, int}>  $held */
    private static function end(Note $note, array $held): int
    {
        foreach ($held as [$from, $to]) {
            if ($note->end() > $from && $note->end() <= $to) {
                return $to;
            }
        }

        return $note->end();
    }
}
