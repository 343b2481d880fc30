<?php

declare(strict_types=1);

namespace Jactonic\Core\Sounding;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;

/** A note that sounds with curves of its own, and so on a channel of its own for as long as it and its release sound. */
final readonly class Voice
{
    /**
     * @param  Note  $note  as it sounds, with the channel that its track plays on
     * @param  int  $free  tick from which its channel may be another's
     * @param  list<Point>  $before  what puts programs, controllers and bend where its track has them, and its curves where
     *                               they begin; all at its start, with any channel
     * @param  list<Point>  $points  its curves and what its track's controllers do meanwhile, likewise
     * @param  list<Point>  $after  what lets go of what is bent or down, where it is free
     */
    public function __construct(public Note $note, public int $free, public array $before, public array $points, public array $after)
    {
    }
}
