<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\Caret;

/**
 * The span that is meant: from or to the caret (to the next bar line, or from the one before, where there was none),
 * around what is chosen by the lines of the grid, of whole bars of what is chosen or of the caret, or longer by steps
 * from the caret. What begins a little early for a bar, and what rings a little over its end, counts to it.
 */
final class Span implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('span', 'The span that is meant', Family::Selection, 'A stretch of time made out of the caret or of what is chosen.', [
            Param::choice('what', 'How', ['start', 'end', 'selection', 'bars', 'steps'], 'selection'),
            Param::integer('steps', 'Steps, below 0 for shorter', -10_000, 10_000, 1),
            Param::step('by', 'Step', setting: 'nudge'),
        ], Needs::Part);
    }

    public function read(Work $work): array
    {
        [$from, $to] = match ($work->params->choice('what')) {
            'start' => self::fromCaret($work),
            'end' => self::toCaret($work),
            'bars' => self::bars($work),
            'steps' => self::steps($work),
            default => self::around($work),
        };
        if ($to <= $from) {
            throw new Refusal('A span ends after it begins: nothing changed.');
        }

        return ['from' => $from, 'to' => $to, 'said' => sprintf('Span from %s to %s', $work->time()->position($from), $work->time()->position($to))];
    }

    /** @return array{int, int} */
    private static function fromCaret(Work $work): array
    {
        $caret = self::caret($work);
        $old = $work->context->span;

        return [$caret, $old !== null && $old[1] > $caret ? $old[1] : $work->time()->meters->barAt($caret)->end()];
    }

    /** @return array{int, int} */
    private static function toCaret(Work $work): array
    {
        $caret = self::caret($work);
        $old = $work->context->span;

        return [$old !== null && $old[0] < $caret ? $old[0] : $work->time()->meters->barAt(max(0, $caret - 1))->start, $caret];
    }

    /** @return array{int, int} */
    private static function around(Work $work): array
    {
        [$first, $last] = self::bounds($work) ?? throw new Refusal('Nothing is chosen to make a span of.');
        $lines = $work->lines($work->part());
        [$before, $after] = $lines->around($last);

        return [$lines->around($first)[0], $before === $last ? $last : $after];
    }

    /** @return array{int, int} */
    private static function bars(Work $work): array
    {
        $time = $work->time();
        $found = self::bounds($work);
        if ($found === null) {
            $bar = $time->meters->barAt(self::caret($work));

            return [$bar->start, $bar->end()];
        }
        $first = $time->meantBar($found[0]);

        return [$first->start, max($first->end(), $time->meters->barAt(max($first->start, $found[1] - 1 - $time->early()))->end())];
    }

    /** @return array{int, int} */
    private static function steps(Work $work): array
    {
        $caret = self::caret($work);
        $old = $work->context->span;
        $part = $work->part();
        $to = Caret::moved($old !== null && $old[0] === $caret ? $old[1] : $caret, $work->params->integer('steps'), $work->params->step('by', $part->settings()), $part->settings(), $work->time());

        return $to > $caret ? [$caret, $to] : throw new Refusal('The span is no shorter than that.');
    }

    private static function caret(Work $work): int
    {
        return $work->context->caret ?? throw new Refusal('There is no caret.', 'context');
    }

    /** @return array{int, int}|null first start and last end of what is chosen */
    private static function bounds(Work $work): ?array
    {
        $from = $to = [];
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $from[] = $note->start;
                $to[] = $note->end();
            }
        }

        return $from === [] || $to === [] ? null : [min($from), max($to)];
    }
}
