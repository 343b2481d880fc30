<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\Contents;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartClip as Carried;

/** The chosen parts as they are carried away, for `part-insert` to put in elsewhere. */
final class PartClip implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('part-clip', 'Parts carried away', Family::Part, 'The chosen parts, to be put in elsewhere.', [], Needs::Parts, takes: [Takes::Parts]);
    }

    public function read(Work $work): array
    {
        $parts = $work->wholeParts();
        if ($parts === []) {
            throw new Refusal('No parts are chosen.', 'on');
        }
        if (count($parts) > Carried::MOST) {
            throw new Refusal(sprintf('%d parts are more than the %d that go at once.', count($parts), Carried::MOST), 'on');
        }

        return Carried::of($work->score, $parts, static fn (Part $p): int => Contents::end($p, $work))->toArray();
    }
}
