<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Reading\Landing;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Move;
use Jactonic\Core\Selection\On;
use Jactonic\Core\Selection\Selection;

/**
 * Runs commands: {"edit": id, "on": …, "params": {…}} or {"select": move, "on": …}. Where `on` is left out, the
 * selection stands that the command before left. Rules that hold for every edit are here and nowhere else.
 */
final class Editor
{
    /**
     * @param  array<array-key, mixed>  $command
     * @param  Selection|null  $last  what the command before left chosen
     *
     * @throws Refusal
     */
    public static function run(array $command, Score $score, ?Selection $last = null): Outcome
    {
        $unknown = array_diff(array_keys($command), ['edit', 'select', 'on', 'params', 'near', 'span']);
        if ($unknown !== []) {
            throw Refusal::parameter('do', reset($unknown), 'edit (or select), on and params');
        }
        $id = $command['edit'] ?? null;
        $song = is_string($id) && ! isset($command['select']) && Catalogue::edit($id)::spec()->needs === Needs::Song;
        $selection = isset($command['on']) ? On::read($command['on'], $score) : $last ?? ($song ? Selection::none() : throw Refusal::missing('on', On::ALLOWED));
        if (isset($command['select'])) {
            return self::select($command['select'], $command['near'] ?? 0, $command['span'] ?? null, $selection, $score);
        }
        if (! is_string($id)) {
            throw Refusal::parameter('edit', $id, 'the id of an edit');
        }
        $edit = Catalogue::edit($id);
        $spec = $edit::spec();
        $params = Params::read($spec, $command['params'] ?? []);
        if ($spec->needs === Needs::Notes && $selection->isEmpty()) {
            return new Outcome(new Change, $selection, 'No notes are selected: nothing changed.');
        }
        if ($selection->notes === [] && ! $song) {
            throw Refusal::missing('on', 'a part to work in');
        }
        $outcome = $edit->apply(new Work($score, $selection, $params));
        $merged = array_sum(array_map('count', Landing::merging($outcome->change, $score)));

        return $merged === 0 ? $outcome : $outcome->warn(
            ($merged === 1 ? '1 note now lies' : "$merged notes now lie").' on another (same pitch, same start); all are kept.',
        );
    }

    private static function select(mixed $move, mixed $near, mixed $span, Selection $selection, Score $score): Outcome
    {
        $how = is_string($move) ? Move::tryFrom($move) : null;
        if ($how === null) {
            throw Refusal::parameter('select', $move, 'one of '.implode(', ', array_map(static fn (Move $m): string => $m->value, Move::cases())));
        }
        if ($how === Move::Span && (! is_array($span) || ! is_int($span[0] ?? null) || ! is_int($span[1] ?? null))) {
            throw new Refusal('There is no span to select in: make one first.', 'span');
        }
        $to = $how->apply($selection, $score, is_int($near) ? $near : 0, is_array($span) && is_int($span[0] ?? null) && is_int($span[1] ?? null) ? [$span[0], $span[1]] : null);
        $n = $to->count();

        return new Outcome(new Change, $to, match (true) {
            $n === 0 => 'Nothing is selected.',
            $n === 1 => self::name($to, $score).' is selected.',
            default => Say::notes($n).' selected.',
        });
    }

    private static function name(Selection $selection, Score $score): string
    {
        foreach ($selection->notes as $part => $ids) {
            foreach ($ids as $id) {
                $note = $score->part($part)->notes[$id];

                return Say::note($note, $score->time).", velocity $note->velocity,";
            }
        }

        return '';
    }
}
