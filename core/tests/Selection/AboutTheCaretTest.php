<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Notes above and below the caret, inside the span and outside it. */
final class AboutTheCaretTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $context
     * @param  list<int>  $ids
     */
    #[TestWith(['above-row', ['caret' => ['tick' => 0, 'pitch' => 62]], [3, 4]])]
    #[TestWith(['below-row', ['caret' => ['tick' => 0, 'pitch' => 62]], [1]])]
    #[TestWith(['above-row', ['caret' => ['tick' => 0, 'pitch' => 127]], []])]
    #[TestWith(['above-row', [], []])]
    #[TestWith(['span', ['span' => [960, 1920]], [2]])]
    #[TestWith(['outside-span', ['span' => [960, 1920]], [1, 3, 4]])]
    #[TestWith(['outside-span', ['span' => [961, 2881]], [1, 2]])]
    public function test_what_lies_about_it_is_selected(string $move, array $context, array $ids): void
    {
        $score = Make::score([[0, 480, 60], [960, 480, 62], [1920, 480, 64], [2880, 480, 63]]);
        foreach ([[], [2]] as $before) {
            $outcome = Batch::once(['select' => $move, 'on' => ['part' => 1, 'notes' => $before], 'context' => $context], $score);
            self::assertEqualsCanonicalizing($ids, $outcome->selection->notes[1]);
        }
    }

    public function test_without_a_span_nothing_lies_outside_it(): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('There is no span');
        Batch::once(['select' => 'outside-span', 'on' => ['part' => 1, 'notes' => []]], Make::score([[0, 480, 60]]));
    }
}
