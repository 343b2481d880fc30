<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Refusal;

/** How what is found meets what is selected: instead of it, besides it, only what is in both, or taken from it. */
enum How: string
{
    case Instead = 'instead';
    case Add = 'add';
    case Narrow = 'narrow';
    case Take = 'take';

    /**
     * Ids that are selected then.
     *
     * @param  list<int>  $selected
     * @param  list<int>  $found
     * @return list<int>
     */
    public function meets(array $selected, array $found): array
    {
        return array_values(match ($this) {
            self::Instead => $found,
            self::Add => array_unique([...$selected, ...$found]),
            self::Narrow => array_intersect($selected, $found),
            self::Take => array_diff($selected, $found),
        });
    }

    /**
     * Checks a way of selecting.
     *
     * @param  mixed  $what  the name of a move, or a pick
     * @param  mixed  $how  null for instead
     * @param  string  $parameter  what it is called where it comes from
     *
     * @throws Refusal
     */
    public static function check(mixed $what, mixed $how, string $parameter = 'select'): self
    {
        if (is_array($what)) {
            NoteFilter::parse($what);
        } elseif (! is_string($what) || ! SelectionCommands::has($what)) {
            throw Refusal::parameter($parameter, $what, 'a pick, or one of '.implode(', ', SelectionCommands::ids()));
        }

        return self::tryFrom(is_string($how ?? 'instead') ? $how ?? 'instead' : '') ?? throw Refusal::parameter('how', $how, 'one of '.implode(', ', array_column(self::cases(), 'value')));
    }
}
