<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Selection\Caret;
use Jactonic\Core\Shape;

/**
 * The span that is meant: from or to the caret (to the next bar line, or from the one before, where there was none),
 * around what is selected by the lines of the grid, of whole bars of what is selected or of the caret, or longer by steps
 * from the caret. What begins a little early for a bar, and what rings a little over its end, counts to it.
 */
final class Span implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('span', 'The span that is meant', Family::Selection, 'A stretch of time made out of the caret or of what is selected.', [
            Param::choice('what', 'How', ['start', 'end', 'selection', 'bars', 'steps'], 'selection'),
            Param::integer('steps', 'Steps, below 0 for shorter', -10_000, 10_000, 1),
            Param::step('by', 'Step', setting: 'nudge'),
        ], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object(['from' => Shape::whole(0), 'to' => Shape::whole(0), 'said' => Shape::text()]);
    }

    public function read(EditInput $input): array
    {
        [$from, $to] = match ($input->params->choice('what')) {
            'start' => self::fromCaret($input),
            'end' => self::toCaret($input),
            'bars' => self::bars($input),
            'steps' => self::steps($input),
            default => self::around($input),
        };
        if ($to <= $from) {
            throw new Refusal('A span ends after it begins: nothing changed.');
        }

        return ['from' => $from, 'to' => $to, 'said' => sprintf('Span from %s to %s', $input->time()->position($from), $input->time()->position($to))];
    }

    /** @return array{int, int} */
    private static function fromCaret(EditInput $input): array
    {
        $caret = self::caret($input);
        $old = $input->context->span;

        return [$caret, $old !== null && $old[1] > $caret ? $old[1] : $input->time()->meters->barAt($caret)->end()];
    }

    /** @return array{int, int} */
    private static function toCaret(EditInput $input): array
    {
        $caret = self::caret($input);
        $old = $input->context->span;

        return [$old !== null && $old[0] < $caret ? $old[0] : $input->time()->meters->barAt(max(0, $caret - 1))->start, $caret];
    }

    /** @return array{int, int} */
    private static function around(EditInput $input): array
    {
        [$first, $last] = self::bounds($input) ?? throw new Refusal('Nothing is selected to make a span of.');
        $lines = $input->lines($input->part());
        [$before, $after] = $lines->around($last);

        return [$lines->around($first)[0], $before === $last ? $last : $after];
    }

    /** @return array{int, int} */
    private static function bars(EditInput $input): array
    {
        $time = $input->time();
        $found = self::bounds($input);
        if ($found === null) {
            $bar = $time->meters->barAt(self::caret($input));

            return [$bar->start, $bar->end()];
        }
        $first = $time->meantBar($found[0]);

        return [$first->start, max($first->end(), $time->meters->barAt(max($first->start, $found[1] - 1 - $time->early()))->end())];
    }

    /** @return array{int, int} */
    private static function steps(EditInput $input): array
    {
        $caret = self::caret($input);
        $old = $input->context->span;
        $part = $input->part();
        $to = Caret::moved($old !== null && $old[0] === $caret ? $old[1] : $caret, $input->params->integer('steps'), $input->params->step('by', $part->settings()), $part->settings(), $input->time());

        return $to > $caret ? [$caret, $to] : throw new Refusal('The span is no shorter than that.');
    }

    private static function caret(EditInput $input): int
    {
        return $input->context->caret ?? throw new Refusal('There is no caret.', 'context');
    }

    /** @return array{int, int}|null first start and last end of what is selected */
    private static function bounds(EditInput $input): ?array
    {
        $from = $to = [];
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $from[] = $note->start;
                $to[] = $note->end();
            }
        }
        foreach ($input->partsOfPoints() as $part) {
            array_push($from, ...$ticks = array_map(static fn (Point $p): int => $p->tick, $input->chosenPoints($part)));
            // A point holds from its tick on.
            array_push($to, ...array_map(static fn (int $tick): int => $tick + 1, $ticks));
        }

        return $from === [] || $to === [] ? null : [min($from), max($to)];
    }
}
