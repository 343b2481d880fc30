<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Param\Params;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;

/** All readings there are, found where they stand. (Looking at its own source is the one thing for which the core reads a folder.) */
final class Readings
{
    /** @return array<string, class-string<Reading>> by id */
    public static function classes(): array
    {
        static $classes = null;
        if ($classes === null) {
            $classes = [];
            foreach (glob(__DIR__.'/*.php') ?: [] as $file) {
                $name = basename($file, '.php');
                $class = __NAMESPACE__.'\\'.$name;
                if (is_subclass_of($class, Reading::class)) {
                    $classes[strtolower((string) preg_replace('/(?<!^)[A-Z]/', '-$0', $name))] = $class;
                }
            }
        }

        /** @var array<string, class-string<Reading>> */
        return $classes;
    }

    /**
     * @param  mixed  $params  as they came
     * @return array<string, mixed>
     *
     * @throws Refusal
     */
    public static function read(mixed $id, mixed $params, Score $score, Selection $on, Context $context = new Context): array
    {
        $class = is_string($id) ? self::classes()[$id] ?? null : null;
        if ($class === null) {
            throw Refusal::parameter('reading', $id, 'one of '.implode(', ', array_keys(self::classes())));
        }
        if ($class::spec()->needs === Requires::Part && $on->partIds() === []) {
            throw new Refusal('No part is named: there is nothing to look at.', 'on');
        }
        $read = Params::read($class::spec()->params, $params ?? [], $class::spec()->id)->placed($context, $score, $on);

        return (new $class)->read(new EditInput($score, $on, $read, $context));
    }

    /**
     * The notes that are looked at: those selected, or with none selected in any part all of the parts named; in order.
     *
     * @return list<\Jactonic\Core\Score\Note>
     */
    public static function notes(EditInput $input): array
    {
        $notes = [];
        foreach ($input->selection->partIds() as $id) {
            array_push($notes, ...$input->score->part($id)->inOrder($input->selection->isEmpty() ? null : $input->selection->notes[$id] ?? []));
        }

        return $notes;
    }
}
