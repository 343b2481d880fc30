<?php

declare(strict_types=1);

namespace App\Http;

use Jactonic\Core\Refusal;

/** What is brought in has a name that is there already: whoever brings it in is asked whether both stay, or one is replaced. */
final class ImportConflict extends \RuntimeException
{
    /** @param  non-empty-list<string>  $names  of those that are there */
    public function __construct(public readonly array $names)
    {
        $shown = implode(', ', array_map(static fn (string $n): string => "“{$n}”", array_slice($names, 0, 3)));
        $more = count($names) > 3 ? ' and '.(count($names) - 3).' more' : '';
        parent::__construct(count($names) === 1 ? "$shown is there already. Keep both, or replace it?" : "$shown$more are there already. Keep both of each, or replace them?");
    }

    /**
     * What a request says is to be done with what is there.
     *
     * @return 'both'|'replace'|null null: it is asked
     *
     * @throws Refusal
     */
    public static function how(mixed $as): ?string
    {
        return $as === null || $as === 'both' || $as === 'replace' ? $as : throw Refusal::parameter('as', $as, '"both" or "replace", or left out to be asked');
    }

    /**
     * A name that is free.
     *
     * @param  list<string>  $names  those that are not
     */
    public static function free(string $name, array $names): string
    {
        for ($free = $name, $i = 2; in_array($free, $names, true); $i++) {
            $free = mb_substr($name, 0, 74)." ($i)";
        }

        return $free;
    }
}
