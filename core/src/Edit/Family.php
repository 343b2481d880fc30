<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

/** The groups that edits and other commands are shown in. */
enum Family: string
{
    case Timing = 'timing';
    case Length = 'length';
    case Pitch = 'pitch';
    case Harmony = 'harmony';
    case Velocity = 'velocity';
    case Structure = 'structure';
    case Lane = 'lane';
    case Part = 'part';
    case Recording = 'recording';
    case Recipe = 'recipe';
    case Selection = 'selecting';
    case Settings = 'settings';
    case View = 'view';
    case Transport = 'transport';
    case Song = 'song';
    case Program = 'program';
}
