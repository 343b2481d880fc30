<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

/** What an edit works on. What takes notes and is given parts or tracks works on all notes that sound in them. */
enum AppliesTo: string
{
    case Notes = 'notes';
    case Points = 'points';
    case Parts = 'parts';
    case Tracks = 'tracks';
}
