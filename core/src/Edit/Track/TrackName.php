<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Track;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Score\Track;

/** Names that tracks get by themselves: that of their sound, with a number where another track has it. */
final class TrackName
{
    private const NUMBER = ' (?:[2-9]|[1-9]\d+)';

    /**
     * A name that no track has: as it is, or with the first free number from 2 on. A copy of "Violin 2" is "Violin 3" where
     * there is a "Violin".
     *
     * @param  list<string>  $taken  names that are given in the same edit
     * @param  int|null  $except  a track whose own name is free for it
     */
    public static function free(Score $score, string $name, array $taken = [], ?int $except = null): string
    {
        foreach ($score->tracks as $id => $track) {
            if ($id !== $except) {
                $taken[] = $track->name;
            }
        }
        $bare = (string) preg_replace('/'.self::NUMBER.'$/D', '', $name);
        if (! in_array($bare, $taken, true)) {
            $bare = $name;
        }
        for ($free = $name, $n = 2; in_array($free, $taken, true); $n++) {
            $free = "$bare $n";
        }

        return $free;
    }

    /** Whether a track is called by its sound, with or without a number: nobody gave it another name. */
    public static function isOfSound(Track $track, Sound $sound): bool
    {
        return preg_match('/^'.preg_quote($sound->name(), '/').'(?:'.self::NUMBER.')?$/D', $track->name) === 1;
    }

    /** Gives a track a name, and its parts that bear the track's old one. */
    public static function change(ChangeBuilder $builder, Score $score, Track $track, string $name): void
    {
        $builder->track($track, $track->withName($name));
        foreach ($score->partsOf($track->id) as $part) {
            if ($part->head->name === $track->name) {
                $builder->head($part, $part->head->withName($name));
            }
        }
    }
}
