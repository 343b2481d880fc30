<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Notes of a chord are added to the selection one by one, upward and downward. */
final class GrowInChordTest extends TestCase
{
    /**
     * @param  list<int>  $before
     * @param  list<int>  $after
     */
    #[TestWith(['grow-higher', [1], [1, 2]])]
    #[TestWith(['grow-higher', [1, 2], [1, 2, 3]])]
    #[TestWith(['grow-higher', [3], [3]])]
    #[TestWith(['grow-lower', [3], [3, 2]])]
    #[TestWith(['grow-lower', [1], [1]])]
    #[TestWith(['grow-lower', [2, 5], [2, 5, 1, 4]])]
    public function test_the_neighbour_in_the_chord_comes_in(string $move, array $before, array $after): void
    {
        // Two chords of three, the second a bar later.
        $score = Make::score([[0, 400, 60], [4, 400, 64], [9, 400, 67], [3840, 400, 60], [3840, 400, 64], [3845, 400, 67]]);
        $outcome = Batch::once(['select' => $move, 'on' => ['part' => 1, 'notes' => $before]], $score);

        self::assertEqualsCanonicalizing($after, $outcome->selection->notes[1]);
        self::assertTrue($outcome->change->isEmpty());
    }

    /** @param  list<int>  $on */
    #[TestWith(['next', [6], 'There is no later note. G4 at 2.1.1.02 is selected'])]
    #[TestWith(['grow-next', [4, 5, 6], 'There is no later note. 3 notes selected.'])]
    #[TestWith(['previous', [1], 'There is no earlier note. C4 at 1.1.1 is selected'])]
    #[TestWith(['higher', [3], 'The chord has no higher note. G4 at 1.1.1.03 is selected'])]
    #[TestWith(['grow-lower', [1, 4], 'The chord has no lower note. 2 notes selected.'])]
    #[TestWith(['next', [3], 'G4 at 2.1.1.02 is selected'])]
    #[TestWith(['next', [], 'C4 at 1.1.1 is selected'])]
    public function test_where_a_way_leads_no_further_is_said(string $move, array $on, string $said): void
    {
        $score = Make::score([[0, 400, 60], [4, 400, 64], [9, 400, 67], [3840, 400, 60], [3840, 400, 64], [3845, 400, 67]]);

        self::assertStringStartsWith($said, Batch::once(['select' => $move, 'on' => ['part' => 1, 'notes' => $on]], $score)->said);
    }
}
