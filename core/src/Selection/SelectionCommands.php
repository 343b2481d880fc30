<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Command\ByFilter;

/** All selection commands there are, found in their folder. */
final class SelectionCommands
{
    /** @return array<string, class-string<SelectionCommand>> by id */
    public static function classes(): array
    {
        static $classes = null;
        if ($classes === null) {
            $classes = [];
            foreach (glob(__DIR__.'/Command/*.php') ?: [] as $file) {
                $name = basename($file, '.php');
                $class = __NAMESPACE__.'\\Command\\'.$name;
                if (is_subclass_of($class, SelectionCommand::class) && $class !== ByFilter::class) {
                    $classes[strtolower((string) preg_replace('/(?<!^)[A-Z]/', '-$0', $name))] = $class;
                }
            }
        }

        /** @var array<string, class-string<SelectionCommand>> */
        return $classes;
    }

    /** @return list<string> */
    public static function ids(): array
    {
        return array_keys(self::classes());
    }

    /** @throws Refusal when there is no such command */
    public static function spec(string $id): SelectionSpec
    {
        return self::find($id)::spec();
    }

    /**
     * The selection that a command makes of another, in the parts that the other names.
     *
     * @param  int  $near  tick at which is looked when nothing is selected
     * @param  array{int, int}|null  $span  first tick of the span and the one after its last; null where there is none
     * @param  int|null  $row  pitch at which is looked when nothing is selected; null where that is not known
     *
     * @throws Refusal when there is no such command
     */
    public static function apply(string $id, Selection $selection, Score $score, int $near = 0, ?array $span = null, ?int $row = null): Selection
    {
        $class = self::find($id);
        $spec = $class::spec();
        $selected = [];
        foreach ($selection->notes as $partId => $ids) {
            // Without a selection anywhere a walk begins in the part that is named first.
            $isLeftOut = $selection->isEmpty() ? $spec->scope === Scope::Walk && $partId !== array_key_first($selection->notes) : $spec->scope->needsSelection();
            if ($ids === [] && $isLeftOut) {
                $selected[$partId] = [];

                continue;
            }
            $part = $score->part($partId);
            $found = $class::select(new SelectionInput($part, $ids, $score, $near, $row, $span));
            $selected[$partId] = array_values($spec->isSingle ? $found : Groups::with($part, $found));
        }

        return new Selection($selected);
    }

    /**
     * The selection of points that a command makes of another, in the lanes that the other names.
     *
     * @param  int  $near  tick at which is looked when nothing is selected
     * @param  array{int, int}|null  $span  first tick of the span and the one after its last; null where there is none
     *
     * @throws Refusal when there is no such command, or it means nothing for points
     */
    public static function applyToPoints(string $id, Selection $selection, Score $score, int $near = 0, ?array $span = null): Selection
    {
        $class = self::find($id);
        $spec = $class::spec();
        if ($spec->ofPoints === null) {
            throw new Refusal("“{$spec->title}” is for notes, and a lane has the keys: nothing else is selected.", 'select');
        }
        $isEmpty = $selection->countPoints() === 0;
        $selected = [];
        foreach ($selection->points as $partId => $lanes) {
            foreach ($lanes as $lane => $ids) {
                $isFirst = $partId === array_key_first($selection->points) && $lane === array_key_first($lanes);
                $isLeftOut = $ids === [] && ($isEmpty ? $spec->scope === Scope::Walk && ! $isFirst : $spec->scope->needsSelection());
                $selected[$partId][$lane] = $isLeftOut ? [] : array_values($class::select(new SelectionInput(LanePoints::asNotes($score->part($partId), Lane::parse($lane)), $ids, $score, $near, null, $span, isOfPoints: true)));
            }
        }

        return new Selection(points: $selected);
    }

    public static function has(string $id): bool
    {
        return self::named($id) !== null;
    }

    /** @return class-string<SelectionCommand> */
    private static function find(string $id): string
    {
        return self::named($id) ?? throw Refusal::parameter('select', $id, 'one of '.implode(', ', self::ids()));
    }

    /**
     * One of them, without the others being loaded.
     *
     * @return class-string<SelectionCommand>|null
     */
    private static function named(string $id): ?string
    {
        if (preg_match('/^[a-z]+(-[a-z]+)*$/', $id) !== 1) {
            return null;
        }
        $class = __NAMESPACE__.'\\Command\\'.str_replace(' ', '', ucwords(str_replace('-', ' ', $id)));

        return is_subclass_of($class, SelectionCommand::class) && $class !== ByFilter::class ? $class : null;
    }
}
