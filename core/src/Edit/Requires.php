<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

/** What has to be there for an edit to do anything. */
enum Requires: string
{
    /** One of what it takes, or more, has to be selected. With none, nothing changes and the sentence says so. */
    case Notes = 'notes';

    /** A part to work in; notes may be selected or not. */
    case Part = 'part';

    /** One part or more, selected as wholes. */
    case Parts = 'parts';

    /** One track or more. */
    case Tracks = 'tracks';

    /** An open song. */
    case Song = 'song';

    case Nothing = 'nothing';
}
