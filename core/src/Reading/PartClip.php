<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Part\PartContents;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartClip as Carried;
use Jactonic\Core\Shape;

/** The selected parts as they are carried away, for `part-insert` to put in elsewhere. */
final class PartClip implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('part-clip', 'Copied parts', Family::Part, 'The selected parts, to paste elsewhere.', [], Requires::Parts, takes: [AppliesTo::Parts]);
    }

    public static function answer(): array
    {
        return Shape::named('PartClip');
    }

    public function read(EditInput $input): array
    {
        $parts = $input->wholeParts();
        if ($parts === []) {
            throw new Refusal('No parts are selected.', 'on');
        }
        if (count($parts) > Carried::MOST) {
            throw new Refusal(sprintf('%d parts are more than the %d that go at once.', count($parts), Carried::MOST), 'on');
        }

        return Carried::of($input->score, $parts, static fn (Part $p): int => PartContents::end($p, $input))->toArray();
    }
}
