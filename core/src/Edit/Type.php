<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

/** What a parameter holds. */
enum Type: string
{
    case Integer = 'integer';
    case Number = 'number';
    case Choice = 'choice';
    case Grid = 'grid';
    case Step = 'step';
    /** A note value or ticks. */
    case Length = 'length';
    case Groove = 'groove';
    case Notes = 'notes';
    /** What was played, as raw events in seconds. */
    case Played = 'played';
    /** Moments in seconds, in order. */
    case Times = 'times';
    case Flag = 'flag';
    case Text = 'text';
}
