<?php

declare(strict_types=1);

namespace App\Contract;

use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Settings;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Standard\Message;
use Jactonic\Core\Time\Grid;

/** Numbers and names of the core that the interface needs as they are: they are written into its contract. */
final class Constants
{
    /** @return array<string, mixed> by name */
    public static function all(): array
    {
        return [
            'DRUM_CHANNEL' => GeneralMidi::DRUM_CHANNEL,
            'GRID_VALUES' => Grid::VALUES,
            'GRID_BARS' => Grid::BARS,
            'LANE_STATUS' => Lane::KINDS + ['cc' => Message::CONTROLLER],
            'SETTING_RANGES' => Settings::ranges(),
            'VELOCITY' => [Note::SOFTEST, Note::LOUDEST],
            'HIGHEST_PITCH' => Note::HIGHEST,
        ];
    }
}
