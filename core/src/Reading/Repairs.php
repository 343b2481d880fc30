<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Reading\Repair\Finder;
use Jactonic\Core\Reading\Repair\Found;
use Jactonic\Core\Shape;

/** What may want mending in some parts, each with its notes, a sentence and the command that mends it. */
final class Repairs implements Reading
{
    /** More at once nobody looks through; it is told how many there are. */
    private const SHOWN = 500;

    public static function spec(): Spec
    {
        return new Spec('repairs', 'Check', Family::Structure, 'Possible problems.', [], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object(['found' => Shape::list(Shape::named('Found')), 'kinds' => Shape::map(Shape::text()), 'said' => Shape::text()]);
    }

    /** @return array{found: list<array<string, mixed>>, kinds: array<string, string>, said: string} in order of time */
    public function read(EditInput $input): array
    {
        $found = $kinds = [];
        foreach (self::finders() as $finder) {
            foreach ($input->selection->partIds() as $id) {
                foreach ($finder->in($input->score->part($id), $input) as $one) {
                    $found[] = $one;
                    $kinds[$one->kind] = $finder::title();
                }
            }
        }
        usort($found, static fn (Found $a, Found $b): int => $a->tick <=> $b->tick ?: $a->part <=> $b->part);
        $said = match (count($found)) {
            0 => 'No problems found.',
            1 => '1 possible problem.',
            default => count($found).' possible problems'.(count($found) > self::SHOWN ? '; the first '.self::SHOWN.' are shown.' : '.'),
        };

        return ['found' => array_map(static fn (Found $f): array => $f->toArray($input->time()->position($f->tick)), array_slice($found, 0, self::SHOWN)), 'kinds' => $kinds, 'said' => $said];
    }

    /** @return list<Finder> */
    private static function finders(): array
    {
        $finders = [];
        foreach (glob(__DIR__.'/Repair/*.php') ?: [] as $file) {
            $class = __NAMESPACE__.'\\Repair\\'.basename($file, '.php');
            if (is_subclass_of($class, Finder::class)) {
                $finders[] = new $class;
            }
        }

        return $finders;
    }
}
