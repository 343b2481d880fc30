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
    case Flag = 'flag';
    case Text = 'text';
}
