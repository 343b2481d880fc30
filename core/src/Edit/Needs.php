<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

/** What has to be there for an edit to do anything. */
enum Needs: string
{
    /** One note or more. With none, nothing changes and the sentence says so. */
    case Notes = 'notes';

    /** A part to work in; notes may be chosen or not. */
    case Part = 'part';

    /** An open song. */
    case Song = 'song';

    case Nothing = 'nothing';
}
