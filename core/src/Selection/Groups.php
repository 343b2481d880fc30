<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Part;

/** Notes of a part that belong together: those that bear one number other than 0. */
final class Groups
{
    /** The lowest number that no note of a part bears yet. */
    public static function next(Part $part): int
    {
        /** @var list<int> $groups */
        $groups = $part->notes->column('group');

        return 1 + ($groups === [] ? 0 : max($groups));
    }

    /**
     * Notes, and with each grouped one all of its group that lie in the part's window.
     *
     * @param  list<int>  $ids
     * @return list<int> those given first
     */
    public static function with(Part $part, array $ids): array
    {
        $groups = [];
        foreach ($ids as $id) {
            $group = $part->notes->get($id)->group ?? 0;
            if ($group > 0) {
                $groups[$group] = true;
            }
        }
        if ($groups === []) {
            return $ids;
        }
        $all = array_fill_keys($ids, true);
        foreach ($part->inOrder() as $note) {
            if (isset($groups[$note->group])) {
                $all[$note->id] ??= true;
            }
        }

        return array_keys($all);
    }
}
