<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Shape;

/**
 * The playing as a picture: of each note, where in its bar it is meant, how far it stands off that line, and how loud it
 * is. Of the selected notes, or of a part in which none is, of all.
 */
final class Playing implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('playing', 'The playing as a picture', Family::Timing, 'How far each note stands off its line by its place in the bar, and how loud it is.', [], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object([
            'notes' => Shape::list(Shape::told('Id, place in the bar from 0 to 1, ms off the line (below 0 early), velocity.', Shape::row(Shape::whole(1), Shape::number(), Shape::number(), Shape::whole(1, 127)))),
            'beats' => Shape::told('Of the first bar.', Shape::whole(1)),
            'said' => Shape::text(),
        ]);
    }

    /** @return array{notes: list<array{int, float, float, int}>, beats: int, said: string} id, place in the bar from 0 to 1, ms off the line (below 0 early), velocity; beats of the first bar */
    public function read(EditInput $input): array
    {
        $part = $input->partOfChosen();
        $ids = $input->selection->notes[$part->id] ?? [];
        $ids = $ids === [] ? $part->shownIds() : $ids;
        $notes = self::dots($input->score, $part, $ids);
        $offs = array_column($notes, 2);
        $mean = $offs === [] ? 0.0 : array_sum($offs) / count($offs);
        $spread = $offs === [] ? 0.0 : sqrt(max(0.0, array_sum(array_map(static fn (float $o): float => ($o - $mean) ** 2, $offs)) / count($offs)));

        return ['notes' => $notes, 'beats' => $input->time()->meters->barAt($part->inOrder()[0]->start ?? 0)->meter->beats, 'said' => $notes === [] ? 'There are no notes to show.'
            : sprintf('%s: %s %s on average, %s loose, velocity %d to %d.', Wording::notes(count($notes)), Wording::ms(abs($mean)), $mean < 0 ? 'early' : 'late', Wording::ms($spread), min(array_column($notes, 3)), max(array_column($notes, 3)))];
    }

    /**
     * @param  list<int>  $ids
     * @return list<array{int, float, float, int}>
     */
    private static function dots(Score $score, Part $part, array $ids): array
    {
        $time = $score->time;
        $lines = $time->lines($part->settings()->grid, $part->settings()->swing);
        $there = array_values(array_filter($ids, $part->notes->has(...)));

        return array_map(static function (Note $note) use ($time, $lines): array {
            $line = $lines->nearest($note->start);
            $bar = $time->meters->barAt($line);

            return [$note->id, round(($line - $bar->start) / $bar->length, 5), round($time->tempos->milliseconds($line, $note->start), 2), $note->velocity];
        }, $part->inOrder($there));
    }
}
