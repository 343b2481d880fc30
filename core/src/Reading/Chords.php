<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Harmony\ChordLine;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Shape;

/** Names the chords that sound, over one part or several together; ChordLine says how. */
final class Chords implements Reading
{
    private const NAMED = 8;

    public static function spec(): Spec
    {
        return new Spec('chords', 'Chords', Family::Harmony, 'Names the chords over time.', ChordLine::params(), Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object([
            'chords' => Shape::list(Shape::told('From, to, name, and pitch classes from C.', Shape::row(Shape::whole(0), Shape::whole(0), Shape::text(), Shape::list(Shape::whole(0, 11))))),
            'text' => Shape::told('What can be typed as a progression.', Shape::text()),
            'said' => Shape::text(),
        ]);
    }

    /** @return array{chords: list<array{int, int, string, list<int>}>, text: string, said: string} from, to, name and pitch classes (0–11 from C) of each chord; the text can be typed as a progression */
    public function read(EditInput $input): array
    {
        $chords = ChordLine::of($input, $input->params->choice('every'), $input->params->flag('arpeggios'), $input->params->flag('pedal'));
        $names = array_values(array_unique(array_column($chords, 2)));

        return ['chords' => $chords, 'text' => ChordLine::text($input, $chords), 'said' => $chords === [] ? 'There is no chord here that has a name.'
            : sprintf('%s: %s%s.', count($chords) === 1 ? '1 chord' : count($chords).' chords', implode(', ', array_slice($names, 0, self::NAMED)), count($names) > self::NAMED ? ' …' : '')];
    }
}
