<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Groups;
use Jactonic\Core\Selection\How;
use Jactonic\Core\Selection\NoteFilter;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\SelectionCommands;

/** Selects notes by a move or by a condition: instead of those selected, besides them, only among them, or taken from them. */
final class Selecting
{
    /**
     * @param  mixed  $what  the name of a move, or a pick
     *
     * @throws Refusal
     */
    public static function run(mixed $what, mixed $how, Score $score, Selection $on, Context $context): Outcome
    {
        $how = How::check($what, $how);
        $atEnd = '';
        if (is_array($what)) {
            if (self::isInLane($on)) {
                throw new Refusal('A condition is for notes, and a lane has the keys: nothing else is selected.', 'select');
            }
            $found = self::picked(NoteFilter::parse($what), $score, $on);
        } else {
            $id = is_string($what) ? $what : '';
            $spec = SelectionCommands::spec($id);
            if ($spec->needsSpan && $context->span === null) {
                throw new Refusal('There is no span to select in: make one first.', 'context');
            }
            // What is added or taken away is looked for in the whole part.
            $from = $spec->scope === Scope::AmongSelection && in_array($how, [How::Add, How::Take], true) ? self::emptied($on) : $on;
            $atEnd = $spec->atEnd;
            if (self::isInLane($on)) {
                return SelectingPoints::outcome($on, SelectionCommands::applyToPoints($id, $from, $score, $context->caret ?? 0, $context->span), $how, $atEnd, $score);
            }
            $found = SelectionCommands::apply($id, $from, $score, $context->caret ?? 0, $context->span, $context->row);
        }
        $to = $how === How::Instead ? $found : self::joined($on, $found, $how);
        $said = match ($to->count()) {
            0 => 'Nothing is selected.',
            1 => self::told($to, $score),
            default => Wording::notes($to->count()).' selected.',
        };

        return new Outcome(new Change, $to, $atEnd !== '' && $to->count() > 0 && self::areSame($on, $to) ? "$atEnd $said" : $said);
    }

    private static function picked(NoteFilter $pick, Score $score, Selection $on): Selection
    {
        $ids = [];
        foreach (array_keys($on->notes) as $id) {
            $part = $score->part($id);
            $ids[$id] = Groups::with($part, $pick->of($part, $score->time, $score->scale));
        }

        return new Selection($ids);
    }

    private static function joined(Selection $on, Selection $found, How $how): Selection
    {
        $ids = [];
        foreach ($on->notes as $part => $chosen) {
            $those = $found->notes[$part] ?? [];
            $ids[$part] = $how->meets($chosen, $those);
        }

        return new Selection($ids);
    }

    /** Whether points of a lane are worked on, and no notes. */
    private static function isInLane(Selection $on): bool
    {
        return $on->points !== [] && $on->notes === [];
    }

    /** The same parts and lanes with nothing selected in them. */
    private static function emptied(Selection $on): Selection
    {
        $none = static fn (): array => [];

        return new Selection(array_map($none, $on->notes), array_map(static fn (array $lanes): array => array_map($none, $lanes), $on->points));
    }

    private static function areSame(Selection $a, Selection $b): bool
    {
        $sorted = static function (Selection $selection): array {
            $notes = array_filter($selection->notes);
            array_walk($notes, sort(...));

            return $notes;
        };

        return $sorted($a) == $sorted($b);
    }

    /** The one note that is selected, with all that a person who does not see it has to know. */
    private static function told(Selection $selection, Score $score): string
    {
        foreach (array_filter($selection->notes) as $id => $ids) {
            $part = $score->part($id);
            $note = $part->notes[$ids[0]];

            return Wording::note($note, $score).' is selected: '.implode(', ', NoteDescription::of($note, $part, $score)).'.';
        }

        return '';
    }
}
